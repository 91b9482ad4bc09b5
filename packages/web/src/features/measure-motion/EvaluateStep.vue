<script setup lang="ts">
import {
  ARM_PARTS,
  DIGITS,
  FELT_MEASURES,
  LOOK_NAMES,
  LOOKS,
  measureFacts,
  SCAR_RATED,
  SCAR_SAID,
  TIGHTNESS_TESTS,
  type LookGroup,
  measuresOfPart,
  placeKey,
  placeOfKey,
  type Digit,
  type MeasureName,
  type ReadingPlace,
  type WristMotion,
} from '@pledge/core'
import type { EvaluationAnswer } from '@pledge/contract'
import { computed, nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useCaseStore } from '../../shared/case/caseStore'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { dayText } from '../../shared/words'
import { useBenchStore } from './benchStore'
import DevicePart from './device/DevicePart.vue'
import DigitGrid from './DigitGrid.vue'
import DrawnHand from './DrawnHand.vue'
import { isDrawn } from './drawnReading'
import FeltPart from './FeltPart.vue'
import GoalsPart from './GoalsPart.vue'
import HistoryPart from './HistoryPart.vue'
import ImportDialog from './ImportDialog.vue'
import LockNotes from './LockNotes.vue'
import LookPart from './LookPart.vue'
import NormsPart from './NormsPart.vue'
import NumberTable from './NumberTable.vue'
import PainPart from './PainPart.vue'
import RangeFans from './RangeFans.vue'
import SaveAction from './SaveAction.vue'
import SavingPart from './SavingPart.vue'
import ScarPart from './ScarPart.vue'
import TasksPart from './TasksPart.vue'
import TightnessPart from './TightnessPart.vue'
import TrendStrip from './TrendStrip.vue'
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

function looksOf(group: LookGroup): readonly MeasureName[] {
  return LOOK_NAMES.filter((name) => LOOKS[name].group === group)
}
/** Parts of the bench, each a table of its own. Those the case needs are open, the others one press away. */
const HAND_PARTS = ARM_PARTS.map((part) => ({ ...part, measures: measuresOfPart(part) }))
const STRENGTH: readonly MeasureName[] = ['grip', 'keyPinch', 'tipPinch', 'threePointPinch']
const SWELLING: readonly MeasureName[] = ['figureOfEight', 'wristGirth', 'handVolume']
const SKIN = looksOf('skin')
const TENDON = looksOf('tendon')
const OWN_LOOK = looksOf('own')
const SCAR: readonly MeasureName[] = [...SCAR_RATED, ...SCAR_SAID]
const THUMB: readonly MeasureName[] = ['opposition', 'retropulsion', 'webSpan']
const TIGHTNESS = TIGHTNESS_TESTS.flatMap(({ pair }) => pair)
const THUMB_ANGLES: readonly MeasureName[] = ['thumbPalmarAbduction', 'thumbRadialAbduction']

const PARTS: readonly { id: string; title: string; measures: readonly MeasureName[] }[] = [
  ...HAND_PARTS,
  { id: 'strength', title: 'strength', measures: STRENGTH },
  { id: 'swelling', title: 'swelling', measures: [...SWELLING, 'girthProximal'] },
  { id: 'skin', title: 'skin and wound', measures: SKIN },
  { id: 'felt', title: 'what the skin feels', measures: FELT_MEASURES },
  { id: 'scar', title: 'scar', measures: SCAR },
  { id: 'tendon', title: 'tendon and muscle', measures: TENDON },
  { id: 'ownLook', title: 'own look at the wrist', measures: OWN_LOOK },
  { id: 'tasks', title: 'own tasks', measures: ['task'] },
  { id: 'irritability', title: 'irritability', measures: ['irritProvoked', 'irritSettles', 'irritNight'] },
]
const opened = ref<ReadonlySet<string>>(new Set())
function open(part: string) {
  opened.value = new Set([...opened.value, part])
}
const asked = computed(
  () => new Set((bench.plan?.items ?? []).flatMap(({ places }) => places.map(({ measure }) => measure))),
)
/** What something is typed of, be it a reading or not yet one: its part stays open. */
const typedMeasures = computed(() => [
  ...new Set(
    Object.entries(bench.typed).flatMap(([key, text]) => (text === '' ? [] : [placeOfKey(key).measure])),
  ),
])
/** Open where the case asks for it, something stands in it, or somebody opened it. */
const openParts = computed(
  () =>
    new Set(
      PARTS.filter(
        ({ id, measures }) =>
          opened.value.has(id) ||
          (id === 'tasks' && (bench.plan?.tasks.length ?? 0) > 0) ||
          measures.some((measure) => asked.value.has(measure)) ||
          typedMeasures.value.some((measure) => measures.includes(measure)),
      ).map(({ id }) => id),
    ),
)
const isPartOpen = (id: string) => openParts.value.has(id)
const handParts = computed(() => HAND_PARTS.filter(({ id }) => isPartOpen(id)))
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
  ...PARTS.filter(({ id }) => !isPartOpen(id)).map(({ id, title }) => ({ id, title, isDigit: false })),
  ...(opened.value.has('tightness') || bench.shownDigits.length === 0
    ? []
    : [{ id: 'tightness', title: 'which structure is tight', isDigit: false }]),
])
function add({ id, isDigit }: { id: string; isDigit: boolean }) {
  if (isDigit) bench.shownDigits = DIGITS.filter((digit) => digit === id || bench.shownDigits.includes(digit))
  else open(id)
}

const drawnMotion = ref<WristMotion | null>(null)
function draw(place: ReadingPlace) {
  drawnMotion.value = isDrawn(place.measure) ? place.measure : null
}
const visits = computed(() => [...(cases.data?.evaluations ?? [])].reverse())
const isFlexorTendon = computed(() => /^(flexor-tendon|fpl)/.test(cases.data?.episode.conditionId ?? ''))
const step = ref<HTMLElement>()
/** Goes to a cell, opening what it stands in. */
async function go(key: string) {
  const { measure, digit } = placeOfKey(key)
  if (digit && !bench.shownDigits.includes(digit)) add({ id: digit, isDigit: true })
  const part = PARTS.find(({ measures }) => measures.includes(measure))
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
/** The record as it stands now: what was measured, and what that leaves to measure. */
async function readAgain() {
  await Promise.all([cases.reload(), bench.lookUp()])
  if (cases.data) bench.setRecorded(cases.data.evaluations)
}
async function save() {
  if (!cases.data || !(await bench.save(cases.data.today))) return
  await readAgain()
}
const isImporting = ref(false)
async function imported() {
  isImporting.value = false
  await readAgain()
}
async function correct(visit: EvaluationAnswer) {
  if (!bench.amend(visit)) return
  await nextTick()
  step.value?.scrollIntoView({ block: 'start' })
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
    <form v-if="cases.data" ref="step" novalidate @submit.prevent="save">
      <div class="step">
        <WhatToMeasure v-if="bench.plan" class="plan" @go="go" />
        <div v-else class="sheet plan waiting">
          <NoticeBox v-if="failed" tone="stop"
            >What to measure could not be loaded. Readings can be typed all the same.
            <button type="button" class="text-button" @click="begin">Try again</button></NoticeBox
          >
          <p v-else class="soft">Looking up what this case needs…</p>
        </div>
        <div class="middle">
          <section class="sheet bench">
            <DevicePart />
            <template v-if="bench.shownDigits.length > 0">
              <header>
                <h2>Fingers and thumb</h2>
                <p class="soft">
                  Deficit / flexion <kbd>10/85</kbd>, hyperextension <kbd>-15/90</kbd>, fused <kbd>f30</kbd>,
                  absent
                  <kbd>x</kbd>
                </p>
                <div class="toggle" role="group" aria-label="Tab goes">
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
              <LockNotes :measures="TIGHTNESS" />
            </template>
            <template v-if="isPartOpen('strength')">
              <header class="next">
                <h2>Strength</h2>
                <p class="soft">Three trials in kg: <kbd>31 29.5 30</kbd></p>
              </header>
              <LockNotes :measures="STRENGTH" />
              <NumberTable :rows="rowsOf(STRENGTH)" @drawn="draw" />
              <NormsPart />
            </template>
            <template v-if="isPartOpen('swelling')">
              <h2 class="next">Swelling</h2>
              <NumberTable :rows="[...rowsOf(SWELLING), ...girthRows]" @drawn="draw" />
            </template>
            <template v-if="isPartOpen('skin')">
              <h2 class="next">Skin and wound</h2>
              <LookPart group="skin" />
            </template>
            <template v-if="isPartOpen('felt')">
              <h2 class="next">What the skin feels</h2>
              <FeltPart />
            </template>
            <template v-if="isPartOpen('scar')">
              <h2 class="next">Scar</h2>
              <ScarPart />
            </template>
            <template v-if="isPartOpen('tendon')">
              <h2 class="next">Tendon and muscle</h2>
              <LookPart group="tendon" />
            </template>
            <template v-if="isPartOpen('ownLook')">
              <header class="next">
                <h2>Own look</h2>
                <p class="soft">Both wrists side by side, as the patient sees them</p>
              </header>
              <LookPart group="own" />
            </template>
            <template v-if="isPartOpen('tasks')">
              <h2 class="next">Their own tasks</h2>
              <TasksPart />
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
            <button type="button" class="text-button import" @click="isImporting = true">
              Readings from a file
            </button>
            <ImportDialog v-if="isImporting" @done="imported" @close="isImporting = false" />
            <details v-if="visits.length > 0" class="earlier">
              <summary>Earlier visits and their notes</summary>
              <article v-for="one in visits" :key="one.id">
                <h3>
                  {{ dayText(one.evaluatedOn) }}
                  <span class="soft"
                    >{{ one.readings.length }} {{ one.readings.length === 1 ? 'reading' : 'readings' }}</span
                  >
                  <button type="button" class="text-button" @click="correct(one)">Correct it</button>
                </h3>
                <p v-for="earlier in one.before.filter(({ note }) => note !== '')" :key="earlier.id">
                  {{ earlier.note }}
                </p>
                <p v-for="(exception, at) in one.early ?? []" :key="at">
                  <strong>Before its time:</strong>
                  {{ exception.measures.map((name) => measureFacts(name).label.toLowerCase()).join(', ') }}:
                  {{ exception.why }}{{ exception.agreedBy && ` (agreed by ${exception.agreedBy})` }}
                </p>
                <p v-if="one.note"><strong v-if="one.before.length > 0">Addendum:</strong> {{ one.note }}</p>
              </article>
            </details>
          </section>
          <div v-if="bench.plan" class="beside">
            <GoalsPart />
            <HistoryPart />
          </div>
        </div>
        <aside class="side">
          <DrawnHand :motion="drawnMotion" />
          <SavingPart :is-flexor-tendon="isFlexorTendon" />
          <RangeFans v-if="rangeRows.some(({ measure }) => isDrawn(measure))" />
          <PainPart :is-irritability-open="isPartOpen('irritability')" />
        </aside>
      </div>
      <!-- Where the hand stands under the tables: the button that saves stays in sight. -->
      <div class="save-bar"><SaveAction /></div>
    </form>
  </div>
</template>

<style scoped src="./toggle.css"></style>

<style scoped>
.step {
  display: grid;
  grid-template-columns: 226px minmax(0, 1fr) 352px;
  gap: 12px;
  padding: 8px 18px 24px;
  align-items: start;
}
.middle,
.beside {
  display: grid;
  gap: 12px;
}
.beside {
  grid-template-columns: 1fr 1fr;
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
.import {
  margin-top: 8px;
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
kbd {
  padding: 0 5px;
  border: 1px solid var(--line);
  border-radius: 3px;
  font: inherit;
}
.save-bar {
  display: none;
}
@media (max-width: 1180px) {
  .save-bar {
    position: sticky;
    bottom: 0;
    z-index: 2;
    display: flex;
    flex-wrap: wrap;
    gap: 6px 14px;
    align-items: center;
    justify-content: end;
    padding: 8px 18px;
    border-top: 1px solid var(--line);
    background: var(--sheet);
  }
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
  .beside {
    grid-template-columns: 1fr;
  }
}
</style>
