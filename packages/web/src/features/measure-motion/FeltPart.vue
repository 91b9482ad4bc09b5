<script setup lang="ts">
import {
  asTyped,
  digitOfZone,
  feltFinding,
  FILAMENT_MARKINGS,
  isFingertip,
  lastAt,
  placeKey,
  typedReading,
  ZONES,
  zoneWords,
  type FeltFinding,
  type FeltMeasure,
  type ReadingPlace,
  type Result,
  type Side,
  type Zone,
} from '@pledge/core'
import { computed, nextTick, ref } from 'vue'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import FormField from '../../shared/parts/FormField.vue'
import { dayText } from '../../shared/words'
import BenchCell from './BenchCell.vue'
import FeltHand from './FeltHand.vue'
import { useBenchStore } from './benchStore'

/** What the skin feels, zone by zone: choose what was felt, press where on the drawn hand; or zone by zone in the list. */
const bench = useBenchStore()

const TESTS: readonly { value: FeltMeasure; text: string }[] = [
  { value: 'filament', text: 'filament' },
  { value: 'twoPoint', text: 'two points, resting' },
  { value: 'twoPointMoving', text: 'two points, moving' },
  { value: 'comparedTouch', text: 'touch, of 10' },
]
const BRUSHES: Readonly<Record<FeltMeasure, readonly string[]>> = {
  filament: ['2.83', '3.61', '4.31', '4.56', '6.65', 'n'],
  twoPoint: ['5', '6', '8', '10', '12', '1', 'n'],
  twoPointMoving: ['3', '4', '6', '8', '1', 'n'],
  comparedTouch: ['10', '9', '8', '6', '4', '2'],
}
/** From felt as it should be to nothing felt; the list says it in words. */
const DEPTHS = ['#8fc4b8', '#e6cf95', '#cf9450', '#9c4f49', '#47303f'] as const
const test = ref<FeltMeasure>('filament')
const brush = ref('2.83')
const side = ref<Side>(bench.injured)
const view = ref<'palm' | 'back'>('palm')
const isWhole = ref(true)
const over = ref<Zone | null>(null)
const refusal = ref('')

const placeAt = (zone: Zone): ReadingPlace => ({
  measure: test.value,
  digit: null,
  side: side.value,
  kind: null,
  spot: zone,
})
const brushSays = computed(() => {
  const read = typedReading(test.value, brush.value)
  return read.name === 'read' ? feltFinding(test.value, read.result) : null
})
const shownBrush = (typed: string) => (typed === 'n' ? 'none' : typed === '1' ? 'one point' : typed)
function choose(next: FeltMeasure | null | undefined) {
  if (!next) return
  test.value = next
  brush.value = BRUSHES[next][0]!
  refusal.value = ''
}

/** What is known of a zone: today, else when it was last tested. */
function knownAt(zone: Zone): { result: Result; on: string | null } | null {
  const cell = bench.cellAt(placeAt(zone))
  if (cell.name === 'read') return { result: cell.result, on: null }
  const last = lastAt(bench.bench.visits, placeAt(zone))
  return last && { result: last.result, on: last.on }
}
const added = ref<readonly Zone[]>([])
/** A segment of a digit has two halves; palm, back and wrist are told as a whole. */
const SEGMENTS: readonly (readonly Zone[])[] = [
  ...new Map(
    ZONES.map((zone) => {
      const halves = segmentOf(zone)
      return [halves[0]!, halves]
    }),
  ).values(),
]
function segmentOf(zone: Zone): readonly Zone[] {
  if (digitOfZone(zone) === null) return [zone]
  const segment = zone.slice(0, zone.lastIndexOf('.'))
  return [`${segment}.radial` as Zone, `${segment}.ulnar` as Zone]
}
const cells = computed(
  () =>
    new Map(
      ZONES.map((zone) => {
        const known = knownAt(zone)
        return [zone, { known, finding: known && feltFinding(test.value, known.result) }] as const
      }),
    ),
)
/** Places the case asks for stand in the list before anything is felt there. */
const asked = computed(
  () => new Set((bench.plan?.items ?? []).flatMap(({ places }) => places.map((place) => placeKey(place)))),
)
const lines = computed(() =>
  SEGMENTS.flatMap((zones) => {
    const isShown = zones.some(
      (zone) =>
        asked.value.has(placeKey(placeAt(zone))) ||
        cells.value.get(zone)!.known ||
        bench.textAt(placeAt(zone)) !== '' ||
        added.value.includes(zone),
    )
    if (!isShown) return []
    const found = zones.flatMap((zone) => cells.value.get(zone)!.finding ?? [])
    const worst = found.reduce<FeltFinding | null>(
      (worst, one) => (worst && worst.depth >= one.depth ? worst : one),
      null,
    )
    const wrong = zones.map((zone) => bench.wrongAt(placeAt(zone))).find((cell) => cell !== null)
    return [{ zones, worst, wrong: wrong?.message ?? null, name: nameOf(zones) }]
  }),
)
/** A segment is called without its half: "index finger, tip, palm side". */
function nameOf(zones: readonly Zone[]): string {
  const { en } = zoneWords(zones[0]!)
  return zones.length === 1 ? en : en.slice(0, en.lastIndexOf(','))
}
const halfOf = (zone: Zone) => zoneWords(zone).en.split(', ').at(-1)!
const paint = computed(
  () =>
    new Map(
      [...cells.value].flatMap(([zone, { finding }]) => (finding ? [[zone, DEPTHS[finding.depth]]] : [])),
    ),
)
const alternative = computed(
  () =>
    `${side.value} hand from the ${view.value}. ${[...cells.value]
      .flatMap(([zone, { finding }]) => (finding ? [`${zoneWords(zone).en}: ${finding.words}`] : []))
      .join('; ')}`,
)

/** Both halves of a segment are painted at once unless somebody tests them apart. */
const meant = (zone: Zone) => (isWhole.value ? segmentOf(zone) : [zone])
function press(zone: Zone) {
  if (!canTest(zone)) {
    refusal.value = 'Two points are told apart on the pads of the fingertips.'
    return
  }
  refusal.value = ''
  const isSame = bench.textAt(placeAt(zone)) === brush.value
  for (const one of meant(zone)) {
    bench.enter(placeAt(one))
    bench.type(placeAt(one), isSame ? '' : brush.value)
  }
  bench.leave()
}
const canTest = (zone: Zone) =>
  (test.value !== 'twoPoint' && test.value !== 'twoPointMoving') || isFingertip(zone)
const choices = computed(() =>
  SEGMENTS.filter(([first]) => canTest(first!) && !lines.value.some(({ zones }) => zones[0] === first)).map(
    (zones) => ({ value: zones[0]!, title: nameOf(zones) }),
  ),
)
const list = ref<HTMLElement>()
async function add(zone: Zone | null) {
  if (!zone) return
  // The list begins anew with each place, and gives the focus to its cell.
  added.value = [...added.value, zone]
  await nextTick()
  list.value?.querySelector<HTMLInputElement>(`[data-place="${placeKey(placeAt(zone))}"]`)?.focus()
}
const before = (zone: Zone) => {
  const last = lastAt(bench.bench.visits, placeAt(zone))
  const other = bench.otherTyped(placeAt(zone))
  return [
    last ? `${shownBrush(asTyped(test.value, last.result))} on ${dayText(last.on)}` : '',
    other === null ? '' : `other side ${shownBrush(other)}`,
  ].filter(Boolean)
}
/** What was found before, once where both halves were alike. */
const beforeOf = (zones: readonly Zone[]) => [...new Set(zones.flatMap((zone) => before(zone)))].join('; ')
const isKit = computed(() => test.value === 'filament')
/** Of the injured side: only there exercises are barred by it. */
const unprotected = computed(() =>
  side.value === bench.injured ? lines.value.filter(({ worst }) => worst?.isUnprotected) : [],
)
</script>

<template>
  <div class="part">
    <div class="hand">
      <FeltHand
        :side="side"
        :view="view"
        :paint="paint"
        :alternative="alternative"
        @pick="press"
        @over="over = $event"
      />
      <p class="under">
        <span class="toggle" role="group" aria-label="Seen from">
          <button
            v-for="one in ['palm', 'back'] as const"
            :key="one"
            type="button"
            :aria-pressed="view === one"
            @click="view = one"
          >
            {{ one }}
          </button>
        </span>
        <span class="toggle" role="group" aria-label="Hand">
          <button
            v-for="one in [bench.injured, bench.other]"
            :key="one"
            type="button"
            :aria-pressed="side === one"
            @click="side = one"
          >
            {{ one }}
          </button>
        </span>
      </p>
      <p class="soft over">{{ over ? zoneWords(over).en : 'Press where it was felt.' }}</p>
    </div>
    <div class="told">
      <ChoiceInput
        :model-value="test"
        label="Test"
        hide-label
        :choices="TESTS"
        @update:model-value="choose"
      />
      <div class="brushes" role="group" aria-label="What was felt">
        <button
          v-for="one in BRUSHES[test]"
          :key="one"
          type="button"
          class="tabular"
          :aria-pressed="brush === one"
          @click="brush = one"
        >
          {{ shownBrush(one) }}
        </button>
        <label v-if="isKit"
          ><span class="sr-only">Another marking of the kit</span>
          <select v-model="brush">
            <option v-for="one in FILAMENT_MARKINGS" :key="one" :value="String(one)">{{ one }}</option>
            <option value="n">none</option>
          </select></label
        >
        <span v-if="brushSays" class="says"
          ><i class="swatch" :style="{ background: DEPTHS[brushSays.depth] }" /> {{ brushSays.words }}</span
        >
      </div>
      <label class="halves"
        ><input v-model="isWhole" type="checkbox" /> both halves of a segment at once</label
      >
      <p v-if="refusal" class="bad" role="alert">{{ refusal }}</p>
      <p v-if="unprotected.length > 0" class="means">
        No protective feeling in {{ unprotected.length }} {{ unprotected.length === 1 ? 'place' : 'places' }}:
        no heat, no cold, no tight wrap; skin looked at daily. Once saved, exercises follow it.
      </p>
      <FormField v-slot="{ id }" label="Another place">
        <v-autocomplete
          :id="id"
          :key="added.length"
          :model-value="null"
          :items="choices"
          @update:model-value="add"
        />
      </FormField>
    </div>
    <ul ref="list">
      <li v-for="line in lines" :key="line.zones[0]">
        <span class="zone">{{ line.name }}</span>
        <span class="cells">
          <label v-for="zone in line.zones" :key="zone"
            ><BenchCell :place="placeAt(zone)" />
            <small v-if="line.zones.length > 1" aria-hidden="true">{{ halfOf(zone) }}</small></label
          >
        </span>
        <span v-if="line.wrong" class="bad" role="alert">{{ line.wrong }}</span>
        <span v-else class="finding"
          ><template v-if="line.worst"
            ><i class="swatch" :style="{ background: DEPTHS[line.worst.depth] }" />
            {{ line.worst.words }}</template
          >
          <small class="soft tabular">{{ beforeOf(line.zones) }}</small></span
        >
      </li>
    </ul>
  </div>
</template>

<style scoped src="./toggle.css"></style>
<style scoped>
.part {
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
.under {
  display: flex;
  justify-content: space-between;
  margin-top: 6px;
}
.under .toggle {
  margin-left: 0;
}
.over {
  min-height: 36px;
  margin-top: 4px;
  font-size: 13px;
  line-height: 1.3;
}
.told :deep(.option) {
  min-height: 32px;
  padding: 0 10px;
  font-size: 14px;
}
.brushes {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  align-items: center;
  margin-top: 8px;
}
.brushes button,
.brushes select {
  min-width: 40px;
  height: 32px;
  padding: 0 9px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.brushes button[aria-pressed='true'] {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--sheet);
}
.says {
  font-size: 14px;
}
.swatch {
  display: inline-block;
  width: 13px;
  height: 13px;
  border: 1px solid var(--ink-soft);
  border-radius: 3px;
  vertical-align: -2px;
}
.halves {
  display: block;
  margin: 6px 0;
  font-size: 13.5px;
}
ul {
  grid-column: 1 / -1;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 180px minmax(0, 1.3fr);
  gap: 2px 14px;
  align-items: center;
  padding: 3px 0;
  border-top: 1px solid var(--line);
  font-size: 13.5px;
  line-height: 1.25;
}
.cells {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
small {
  display: block;
  font-size: 11.5px;
  line-height: 1.2;
  color: var(--ink-soft);
}
.zone::first-letter {
  text-transform: uppercase;
}
.bad {
  color: var(--brick);
  font-weight: 600;
  font-size: 13.5px;
}
.means {
  margin: 6px 0;
  padding-left: 9px;
  border-left: 3px solid var(--brick);
  font-size: 14px;
}
@media (max-width: 1180px) {
  .part {
    grid-template-columns: 1fr;
  }
}
</style>
