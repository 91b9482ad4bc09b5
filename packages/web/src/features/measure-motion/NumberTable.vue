<script setup lang="ts">
import {
  measureFacts,
  placeKey,
  type Digit,
  type MeasureName,
  type ReadingKind,
  type ReadingPlace,
  type Side,
} from '@pledge/core'
import { computed } from 'vue'
import BenchCell from './BenchCell.vue'
import { useCaseStore } from '../../shared/case/caseStore'
import { changeText, meaningTexts, strengthTexts, unitText } from './findingWords'
import { useBenchStore } from './benchStore'

/** Measures of one number, or of trials, row by row: both sides, what is short of the other side, what changed. */
const props = defineProps<{ rows: readonly { measure: MeasureName; digit: Digit | null }[] }>()
defineEmits<{ drawn: [place: ReadingPlace] }>()

const bench = useBenchStore()
const cases = useCaseStore()
const sides = computed<readonly Side[]>(() => [bench.injured, bench.other])
const kinds = computed<readonly (ReadingKind | null)[]>(() => {
  const [first] = props.rows
  const { kinds } = measureFacts(first!.measure)
  return kinds.length > 0 ? kinds : [null]
})
const isTrials = computed(() => measureFacts(props.rows[0]!.measure).shape === 'trials')
const lines = computed(() =>
  props.rows.map(({ measure, digit }) => {
    const facts = measureFacts(measure)
    const places = sides.value.map((side) =>
      kinds.value.map((kind): ReadingPlace | null =>
        kind === null || facts.kinds.includes(kind) ? { measure, digit, side, kind } : null,
      ),
    )
    const told = bench.numbersAt(places[0]![0]!)
    return { facts, digit, places, told, unit: unitText(facts.unit) }
  }),
)
const label = (digit: Digit | null, text: string) =>
  digit && (digit !== 'thumb' || text.startsWith('Girth')) ? `${digit} ${text.toLowerCase()}` : text
const wrongOf = (places: (ReadingPlace | null)[][]) =>
  places.flat().flatMap((place) => {
    const wrong = place && bench.wrongAt(place)
    return wrong ? [wrong.message] : []
  })
function strengthOf(place: ReadingPlace, otherKgf: number | null) {
  const cell = bench.cellAt(place)
  if (cell.name !== 'read' || !isTrials.value) return []
  const dominant = cases.data?.patient.dominantHand as 'left' | 'right' | 'both'
  return strengthTexts(
    cell.result as readonly number[],
    otherKgf,
    { dominant, side: bench.injured },
    place.measure === 'grip',
  )
}
const meaningOf = ({ places, told }: (typeof lines.value)[number]) =>
  told.value === null ? [] : meaningTexts(places[0]![0]!.measure, told.value, told.other)
/** Enter goes on to the next cell of this table. */
function move(place: ReadingPlace, step: 1 | -1, event: KeyboardEvent) {
  if (event.key !== 'Enter') return
  event.preventDefault()
  const table = (event.target as HTMLElement).closest('table')!
  const cells = [...table.querySelectorAll<HTMLInputElement>('[data-place]')]
  const next = cells[cells.findIndex((cell) => cell.dataset['place'] === placeKey(place)) + step]
  next?.focus()
  next?.select()
}
</script>

<template>
  <table>
    <colgroup>
      <col class="names" />
      <col :span="2 * kinds.length" :class="isTrials ? 'trials' : 'in'" />
      <col class="share" />
      <col />
    </colgroup>
    <thead>
      <tr>
        <td />
        <th
          v-for="(side, at) in sides"
          :key="side"
          :colspan="kinds.length"
          scope="colgroup"
          :class="{ injured: at === 0 }"
        >
          {{ side === 'left' ? 'Left' : 'Right' }} <span v-if="at === 0">injured</span>
        </th>
        <th scope="col" class="num">of other</th>
        <th scope="col">change</th>
      </tr>
      <tr v-if="kinds.length > 1" class="kinds">
        <td />
        <template v-for="(side, at) in sides" :key="side">
          <th v-for="kind in kinds" :key="`${side}${kind}`" scope="col" :class="{ injured: at === 0 }">
            {{ kind }}
          </th>
        </template>
        <td colspan="2" />
      </tr>
    </thead>
    <tbody>
      <tr v-for="line in lines" :key="`${line.places[0]![0]!.measure}${line.digit}`">
        <th scope="row">
          {{ label(line.digit, line.facts.label) }}
          <span v-if="line.unit && line.unit !== '°'">{{ line.unit }}</span>
        </th>
        <template v-for="(places, at) in line.places" :key="at">
          <td v-for="(place, column) in places" :key="column" class="in" :class="{ injured: at === 0 }">
            <BenchCell
              v-if="place"
              :place="place"
              @focusin="$emit('drawn', place)"
              @move="(step, event) => move(place, step, event)"
            />
          </td>
        </template>
        <td class="num tabular">
          <template v-if="line.told.percentOfOther !== null"
            >{{ Math.round(line.told.percentOfOther) }} %</template
          >
          <span v-else class="soft">–</span>
        </td>
        <td class="change">
          <p v-for="message in wrongOf(line.places)" :key="message" class="bad" role="alert">{{ message }}</p>
          <span
            v-for="one in [...strengthOf(line.places[0]![0]!, line.told.other), ...meaningOf(line)]"
            :key="one.text"
            class="line"
            :class="one.tone"
            >{{ one.text }}</span
          >
          <span
            v-if="line.told.sinceLast"
            :class="changeText(line.told.sinceLast, line.facts.unit, line.facts.decimals).tone"
            >{{ changeText(line.told.sinceLast, line.facts.unit, line.facts.decimals).text }}</span
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped src="./tables.css"></style>

<style scoped>
col.names {
  width: 142px;
}
col.in {
  width: 62px;
}
col.trials {
  width: 122px;
}
col.share {
  width: 58px;
}
thead span,
tbody th span,
.kinds th {
  font-weight: 400;
  color: var(--ink-soft);
}
tbody th {
  font-size: 15px;
  line-height: 1.2;
}
tbody th::first-letter {
  text-transform: uppercase;
}
tbody tr {
  border-top: 1px solid var(--line);
}
td {
  padding: 3px 4px;
}
.num {
  text-align: right;
  white-space: nowrap;
}
.change {
  font-size: 13px;
  line-height: 1.3;
}
.line {
  display: block;
}
</style>
