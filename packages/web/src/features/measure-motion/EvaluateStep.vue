<script setup lang="ts">
import {
  bookOf,
  DIGITS,
  lastAt,
  measureFacts,
  numberOf,
  placeKey,
  poseWords,
  placeOfKey,
  WRIST_MOTIONS,
  type Digit,
  type MeasureName,
  type ReadingPlace,
  type Side,
  type WristMotion,
} from '@pledge/core'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { ANCHOR_WORDS, dayText } from '../../shared/words'
import { useRoute } from 'vue-router'
import { useBenchStore } from './benchStore'
import DigitGrid from './DigitGrid.vue'
import { angleAt, handOf, isDrawn, viewOfDigits, viewOfMotion, wristOf, type HandEnd } from './drawnReading'
import LockNotes from './LockNotes.vue'
import MeasuredHand from './MeasuredHand.vue'
import NumberTable from './NumberTable.vue'
import PainPart from './PainPart.vue'
import RangeFan from './RangeFan.vue'
import TightnessPart from './TightnessPart.vue'
import TrendStrip from './TrendStrip.vue'
import { visitNote } from './visitNote'
import WhatToMeasure from './WhatToMeasure.vue'

const cases = useCaseStore()
const bench = useBenchStore()
const session = useSessionStore()
const route = useRoute()
const failed = ref(false)

async function begin() {
  if (!cases.data) return
  failed.value = false
  try {
    await bench.start(cases.data.episode, cases.data.evaluations, session.user?.id ?? '')
  } catch {
    failed.value = true
    return
  }
  const item = bench.items.find(({ id }) => id === route.query['measure'])
  const place = item?.missing[0] ?? item?.places[0]
  if (place) await go(placeKey(place))
}
onMounted(() => {
  window.addEventListener('keydown', keyed)
  void begin()
})
onBeforeUnmount(() => {
  window.removeEventListener('keydown', keyed)
  bench.stop()
})

/** Parts of the bench, each a table of its own. Those the case needs are open, the others one press away. */
const HAND_PARTS: readonly { id: string; title: string; measures: readonly MeasureName[] }[] = [
  {
    id: 'wrist',
    title: 'Wrist',
    measures: ['wristFlexion', 'wristExtension', 'radialDeviation', 'ulnarDeviation'],
  },
  { id: 'forearm', title: 'Forearm', measures: ['pronation', 'supination'] },
  { id: 'elbow', title: 'Elbow', measures: ['elbow'] },
  {
    id: 'shoulder',
    title: 'Shoulder',
    measures: ['shoulderFlexion', 'shoulderAbduction', 'shoulderExternalRotation'],
  },
  { id: 'neck', title: 'Neck', measures: ['neckRotation', 'neckSideBend'] },
]
const STRENGTH: readonly MeasureName[] = ['grip', 'keyPinch', 'tipPinch', 'threePointPinch']
const SWELLING: readonly MeasureName[] = ['figureOfEight', 'wristGirth', 'handVolume']
const THUMB: readonly MeasureName[] = ['opposition', 'retropulsion', 'webSpan']
const THUMB_ANGLES: readonly MeasureName[] = ['thumbPalmarAbduction', 'thumbRadialAbduction']

const opened = ref<ReadonlySet<string>>(new Set())
function open(part: string) {
  opened.value = new Set([...opened.value, part])
}
const asked = computed(
  () => new Set((bench.plan?.items ?? []).flatMap(({ places }) => places.map(({ measure }) => measure))),
)
/** Open where the case asks for it, something stands in it, or somebody opened it. */
const isOpen = (id: string, measures: readonly MeasureName[]) =>
  opened.value.has(id) ||
  measures.some((measure) => asked.value.has(measure)) ||
  bench.readings.some(({ measure }) => measures.includes(measure))
const handParts = computed(() => HAND_PARTS.filter(({ id, measures }) => isOpen(id, measures)))
const handTitle = computed(() => {
  const [first, ...others] = handParts.value.map(({ title }) => title)
  return [first, ...others.map((title) => title.toLowerCase())].join(', ')
})
/** Wrist and forearm stand in one table. */
const rangeRows = computed(() =>
  handParts.value.flatMap(({ measures }) => measures.map((measure) => ({ measure, digit: null }))),
)
const fingers = computed(() => bench.shownDigits.filter((digit) => digit !== 'thumb'))
const hasThumb = computed(() => bench.shownDigits.includes('thumb'))
const creaseRows = computed(() =>
  fingers.value.map((digit) => ({ measure: 'fingertipToCrease' as const, digit })),
)
const rowsOf = (measures: readonly MeasureName[]) =>
  measures.map((measure) => ({ measure, digit: measureFacts(measure).digits ? ('thumb' as Digit) : null }))
/** Girths of the digits that were named as injured; of a whole hand its volume tells more. */
const girthRows = computed(() =>
  (cases.data?.episode.digits ?? []).map((digit) => ({ measure: 'girthProximal' as const, digit })),
)
const addable = computed(() => [
  ...DIGITS.filter((digit) => !bench.shownDigits.includes(digit)).map((digit) => ({
    id: digit,
    title: digit,
    isDigit: true,
  })),
  ...HAND_PARTS.filter(({ id, measures }) => !isOpen(id, measures)).map((part) => ({
    ...part,
    isDigit: false,
  })),
  ...(isOpen('strength', STRENGTH) ? [] : [{ id: 'strength', title: 'strength', isDigit: false }]),
  ...(isOpen('irritability', ['irritProvoked'])
    ? []
    : [{ id: 'irritability', title: 'irritability', isDigit: false }]),
  ...(opened.value.has('tightness') || fingers.value.length === 0
    ? []
    : [{ id: 'tightness', title: 'which structure is tight', isDigit: false }]),
])
function add({ id, isDigit }: { id: string; isDigit: boolean }) {
  if (isDigit) bench.shownDigits = DIGITS.filter((digit) => digit === id || bench.shownDigits.includes(digit))
  else open(id)
}

const end = ref<HandEnd>('closed')
const drawnMotion = ref<WristMotion | null>(null)
const other = computed<Side>(() => bench.other)
const nowBook = computed(() => bookOf(bench.readings))
const ofOther = (measure: WristMotion) =>
  angleAt(nowBook.value, measure, other.value) ??
  numberOf(lastAt(bench.bench.visits, activeOf(measure, other.value))?.result ?? null)
const activeOf = (measure: WristMotion, side: Side): ReadingPlace => ({
  measure,
  digit: null,
  side,
  kind: 'active',
})
const motion = computed<WristMotion | null>(
  () => drawnMotion.value ?? (bench.shownDigits.length > 0 ? null : 'wristExtension'),
)
const picture = computed(() => {
  if (motion.value) {
    const [own, theirs] = [angleAt(nowBook.value, motion.value, bench.injured), ofOther(motion.value)]
    return {
      reading: wristOf(motion.value, own),
      ghost: theirs === null ? null : wristOf(motion.value, theirs),
      view: viewOfMotion(motion.value),
      isNear: false,
      title: WRIST_MOTIONS[motion.value].label,
      value: own === null ? 'not measured' : `${own * WRIST_MOTIONS[motion.value].signed}°`,
      words: own === null ? '' : poseWords(wristOf(motion.value, own).pose!).en,
    }
  }
  const ghost = handOf(bench.shownDigits, end.value, (digit) => bench.hingesAt(digit, other.value, 'active'))
  return {
    reading: handOf(bench.shownDigits, end.value, (digit) => bench.hingesAt(digit, bench.injured, 'active')),
    ghost: Object.keys(ghost).length > 0 ? ghost : null,
    view: viewOfDigits(bench.shownDigits),
    isNear: true,
    title: end.value === 'closed' ? 'As far as it bends, active' : 'As far as it straightens, active',
    value: '',
    words: '',
  }
})
function draw(place: ReadingPlace) {
  drawnMotion.value = isDrawn(place.measure) ? place.measure : null
}

const PLANES: readonly {
  title: string
  motions: readonly [WristMotion, WristMotion]
  ends: readonly [string, string]
  upright: boolean
}[] = [
  {
    title: 'Flexion arc',
    motions: ['wristExtension', 'wristFlexion'],
    ends: ['extension', 'flexion'],
    upright: false,
  },
  {
    title: 'Deviation arc',
    motions: ['radialDeviation', 'ulnarDeviation'],
    ends: ['radial', 'ulnar'],
    upright: false,
  },
  {
    title: 'Rotation arc',
    motions: ['supination', 'pronation'],
    ends: ['supination', 'pronation'],
    upright: true,
  },
]
const readAs = (measure: WristMotion, deg: number | null) =>
  deg === null ? null : deg * WRIST_MOTIONS[measure].signed
const fans = computed(() =>
  PLANES.map((plane) => {
    const pair = (read: (measure: WristMotion) => number | null) =>
      plane.motions.map((measure) => readAs(measure, read(measure))) as [number | null, number | null]
    return {
      ...plane,
      now: pair((measure) => angleAt(nowBook.value, measure, bench.injured)),
      last: pair((measure) =>
        numberOf(lastAt(bench.bench.visits, activeOf(measure, bench.injured))?.result ?? null),
      ),
      other: pair(ofOther),
    }
  }),
)
/** Planes of which something is known, beside the tables of wrist and forearm. */
const shownFans = computed(() =>
  rangeRows.value.some(({ measure }) => isDrawn(measure))
    ? fans.value.filter(({ now, last, other }) => [...now, ...last, ...other].some((deg) => deg !== null))
    : [],
)

const notes = computed(() => [...(cases.data?.evaluations ?? [])].reverse().filter(({ note }) => note !== ''))
const isFlexorTendon = computed(() => /^(flexor-tendon|fpl)/.test(cases.data?.episode.conditionId ?? ''))
const step = ref<HTMLElement>()
/** Goes to a cell, opening what it stands in. */
async function go(key: string) {
  const { measure, digit } = placeOfKey(key)
  if (digit && !bench.shownDigits.includes(digit)) add({ id: digit, isDigit: true })
  const part = HAND_PARTS.find(({ measures }) => measures.includes(measure))
  if (part) open(part.id)
  await nextTick()
  const cell = step.value?.querySelector<HTMLElement>(`[data-place="${key}"], [data-place="${key}"] input`)
  cell?.scrollIntoView({ block: 'center' })
  cell?.focus()
}
/** Anywhere at the bench: Alt N goes to the next missing reading, Ctrl Z takes back a reading rather than a letter. */
function keyed(event: KeyboardEvent) {
  if (event.altKey && event.code === 'KeyN') {
    event.preventDefault()
    const place = bench.next?.missing[0]
    if (place) void go(placeKey(place))
    return
  }
  if (event.key.toLowerCase() !== 'z' || !(event.ctrlKey || event.metaKey) || event.shiftKey) return
  const field = event.target as HTMLElement
  // In the note it takes back letters, as anywhere.
  if (/^(INPUT|TEXTAREA)$/.test(field.tagName) && !field.dataset['place']) return
  event.preventDefault()
  const key = bench.undo()
  if (key) void go(key)
}
/** The findings as text, after what was written so far: to be read and edited before it is saved with the therapist's name. */
function writeFindings() {
  if (!cases.data) return
  const { day, anchor } = cases.data.episode
  const text = visitNote(bench.readings, bench.bench, {
    day,
    anchor: ANCHOR_WORDS[anchor],
    isFlexorTendon: isFlexorTendon.value,
  })
  bench.writeNote(bench.note.trim() === '' ? text : `${bench.note.trimEnd()}\n\n${text}`)
}
async function save() {
  if (!cases.data || !(await bench.save(cases.data.today))) return
  await Promise.all([cases.reload(), bench.lookUp()])
}
</script>

<template>
  <div>
    <TrendStrip
      v-if="cases.data"
      :today="cases.data.today"
      :day-zero-on="cases.data.episode.dayZeroOn"
      :focused="bench.entered"
    />
    <form v-if="cases.data" ref="step" class="step" novalidate @submit.prevent="save">
      <WhatToMeasure v-if="bench.plan" class="plan" @go="go" />
      <div v-else class="sheet plan waiting">
        <NoticeBox v-if="failed" tone="stop"
          >What to measure could not be loaded. Readings can be typed all the same.
          <button type="button" class="text-button" @click="begin">Try again</button></NoticeBox
        >
        <p v-else class="soft">Looking up what this case needs…</p>
      </div>
      <section class="sheet bench">
        <template v-if="bench.shownDigits.length > 0">
          <header>
            <h2>Fingers and thumb</h2>
            <p class="soft">
              Deficit / flexion <kbd>10/85</kbd>, hyperextension <kbd>-15/90</kbd>, fused <kbd>f30</kbd>,
              absent
              <kbd>x</kbd>
            </p>
            <div class="order" role="group" aria-label="Tab goes">
              <button
                v-for="way in ['digit', 'joint'] as const"
                :key="way"
                type="button"
                :aria-pressed="bench.order === way"
                @click="bench.setOrder(way)"
              >
                by {{ way }}
              </button>
            </div>
          </header>
          <DigitGrid :is-flexor-tendon="isFlexorTendon" @focusin="drawnMotion = null" />
          <LockNotes :measures="['mcp', 'pip', 'dip', 'thumbMcp', 'thumbIp']" />
          <p v-if="bench.plan?.overpressure" class="soft pushed">
            Passive without pushing: overpressure waits. {{ bench.plan.overpressure.told[0] }}
          </p>
        </template>
        <template v-if="creaseRows.length > 0 || hasThumb">
          <h2 class="next">Reach</h2>
          <NumberTable :rows="[...creaseRows, ...(hasThumb ? rowsOf(THUMB) : [])]" @drawn="draw" />
          <LockNotes :measures="['fingertipToCrease', ...THUMB]" />
          <template v-if="hasThumb">
            <NumberTable :rows="rowsOf(THUMB_ANGLES)" @drawn="draw" />
            <LockNotes :measures="THUMB_ANGLES" />
          </template>
        </template>
        <template v-if="rangeRows.length > 0">
          <header class="next">
            <h2>{{ handTitle }}</h2>
            <p class="soft">Degrees from neutral; short of neutral is negative: <kbd>-10</kbd></p>
          </header>
          <NumberTable :rows="rangeRows" @drawn="draw" />
          <LockNotes :measures="rangeRows.map(({ measure }) => measure)" />
        </template>
        <template v-if="opened.has('tightness')">
          <h2 class="next">Which structure is tight?</h2>
          <TightnessPart />
        </template>
        <template v-if="isOpen('strength', STRENGTH)">
          <header class="next">
            <h2>Strength</h2>
            <p class="soft">Three trials in kg: <kbd>31 29.5 30</kbd></p>
          </header>
          <LockNotes :measures="STRENGTH" />
          <NumberTable :rows="rowsOf(STRENGTH)" @drawn="draw" />
        </template>
        <template v-if="isOpen('swelling', [...SWELLING, 'girthProximal'])">
          <h2 class="next">Swelling</h2>
          <NumberTable :rows="[...rowsOf(SWELLING), ...girthRows]" @drawn="draw" />
        </template>
        <div v-if="addable.length > 0" class="more">
          <span class="soft">Also measure</span>
          <button v-for="one in addable" :key="one.id" type="button" @click="add(one)">
            {{ one.title }}
          </button>
        </div>
        <p class="soft foot">
          Grey figures are the last readings: <kbd>*</kbd> takes them, <kbd>=</kbd> takes the other side,
          <kbd>Ctrl Z</kbd> takes back, <kbd>Alt N</kbd> goes to the next missing one. A change within the
          error of the goniometer is no change; the error is larger where another therapist took the last
          reading. Its figures are from memory.
        </p>
        <details v-if="notes.length > 0" class="earlier">
          <summary>Notes of earlier visits</summary>
          <article v-for="one in notes" :key="one.id">
            <h3>{{ dayText(one.evaluatedOn) }}</h3>
            <p>{{ one.note }}</p>
          </article>
        </details>
      </section>
      <aside class="side">
        <section class="sheet">
          <MeasuredHand
            :side="bench.injured"
            :reading="picture.reading"
            :ghost="picture.ghost"
            :view="picture.view"
            :is-near="picture.isNear"
            :alternative="`${picture.title} ${picture.value}${picture.words && `: ${picture.words}`}`"
          >
            <strong>{{ picture.title }}</strong>
            <span v-if="picture.value" class="tabular">{{ picture.value }}</span>
            <span v-if="!motion" class="order" role="group" aria-label="Drawn">
              <button type="button" :aria-pressed="end === 'closed'" @click="end = 'closed'">bent</button>
              <button type="button" :aria-pressed="end === 'open'" @click="end = 'open'">straight</button>
            </span>
            <span class="soft">pale: other side; hatched: not measured</span>
          </MeasuredHand>
        </section>
        <section class="sheet">
          <div class="saving">
            <TextInput
              :model-value="bench.note"
              label="Note"
              long
              @update:model-value="bench.writeNote($event ?? '')"
            />
            <button v-if="bench.readings.length > 0" type="button" class="text-button" @click="writeFindings">
              Write the findings into it
            </button>
            <v-btn type="submit" :loading="bench.saveState.name === 'saving'">{{
              bench.saveState.name === 'asking' ? 'Save as typed' : 'Save the evaluation'
            }}</v-btn>
            <NoticeBox v-if="bench.saveState.name === 'failed'" tone="stop">{{
              bench.saveState.message
            }}</NoticeBox>
            <NoticeBox v-else-if="bench.saveState.name === 'asking'" tone="care"
              ><strong>Sure?</strong> {{ bench.saveState.asks.join('; ') }}.</NoticeBox
            >
            <NoticeBox v-else-if="bench.saveState.name === 'saved'" tone="good"
              >Saved: {{ bench.saveState.readings }}
              {{ bench.saveState.readings === 1 ? 'reading' : 'readings' }}.</NoticeBox
            >
          </div>
        </section>
        <section v-if="shownFans.length > 0" class="sheet fans">
          <RangeFan
            v-for="fan in shownFans"
            :key="fan.title"
            :title="fan.title"
            :ends="fan.ends"
            :now="fan.now"
            :last="fan.last"
            :other="fan.other"
            :upright="fan.upright"
          />
          <p class="legend soft">
            <i class="key now" /> today <i class="key last" /> last time <i class="key ghost" /> other side
          </p>
        </section>
        <PainPart :is-irritability-open="isOpen('irritability', ['irritProvoked'])" />
      </aside>
    </form>
  </div>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: 226px minmax(0, 1fr) 352px;
  gap: 12px;
  padding: 8px 18px 24px;
  align-items: start;
}
.waiting {
  padding: 14px;
}
.bench {
  padding: 12px 14px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 12px;
  margin-bottom: 4px;
}
header p {
  font-size: 13px;
}
h2 {
  font-size: 16.5px;
  white-space: nowrap;
}
.next {
  margin-top: 16px;
}
.bench > .next:first-child {
  margin-top: 0;
}
.pushed {
  margin-top: 6px;
  font-size: 13.5px;
}
.order {
  display: inline-flex;
  margin-left: auto;
  border: 1px solid var(--line);
  border-radius: 5px;
  overflow: hidden;
}
.order button {
  padding: 2px 10px;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 13.5px;
}
.order button[aria-pressed='true'] {
  background: var(--teal);
  color: var(--sheet);
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  margin-top: 14px;
  font-size: 13.5px;
}
.more button {
  padding: 3px 10px;
  border: 1px dashed var(--ink-soft);
  border-radius: 14px;
  background: none;
  color: var(--teal);
  font: inherit;
}
.earlier {
  margin-top: 10px;
}
.earlier summary {
  padding: 4px 0;
  font-size: 14px;
  color: var(--teal);
  cursor: pointer;
}
.earlier h3 {
  margin-top: 6px;
  font-size: 14px;
}
.earlier p {
  font-size: 13.5px;
  line-height: 1.4;
  white-space: pre-wrap;
}
.foot {
  margin-top: 10px;
  font-size: 13px;
}
.saving :deep(textarea) {
  max-height: 132px;
  overflow-y: auto;
  font-size: 14px;
  line-height: 1.4;
}
.saving {
  display: grid;
  gap: 8px;
  padding: 10px 14px 14px;
}
/* What comes next, the hand and the button that saves stay in sight, however long the tables are. */
.plan,
.side {
  position: sticky;
  top: 8px;
  max-height: calc(100vh - 16px);
  overflow-y: auto;
}
.side {
  display: grid;
  gap: 12px;
}
.fans {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  padding: 12px 8px 8px;
}
.legend {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 6px;
  margin-top: 6px;
  font-size: 13px;
}
.key {
  width: 18px;
  height: 10px;
  margin-left: 10px;
}
.key.now {
  border: 1.5px solid var(--teal);
  background: color-mix(in srgb, var(--teal) 28%, transparent);
}
.key.last {
  height: 0;
  border-top: 2px dashed var(--ochre);
}
.key.ghost {
  border: 1px dashed var(--ink-soft);
  background: var(--paper-deep);
}
kbd {
  padding: 0 5px;
  border: 1px solid var(--line);
  border-radius: 3px;
  font: inherit;
}
@media (max-width: 1180px) {
  .step {
    grid-template-columns: 220px minmax(0, 1fr);
  }
  .side {
    position: static;
    grid-column: 2;
    max-height: none;
  }
}
@media (max-width: 800px) {
  .step {
    grid-template-columns: 1fr;
  }
  .plan {
    position: static;
    max-height: none;
  }
  .side {
    grid-column: 1;
  }
}
</style>
