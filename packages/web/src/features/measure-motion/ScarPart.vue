<script setup lang="ts">
import {
  lastAt,
  measureFacts,
  numberOf,
  SCAR_ITEMS,
  SCAR_MEASURES,
  SCAR_RATED,
  SCAR_SAID,
  scarChange,
  scarTotal,
  type MeasureName,
  type ReadingPlace,
  type ScarItem,
} from '@pledge/core'
import { computed } from 'vue'
import { dayText } from '../../shared/words'
import BenchCell from './BenchCell.vue'
import { useBenchStore } from './benchStore'

/** The scar as the therapist rates it, 0 as skin around it to 10, and what the patient says of itch and pain. */
const bench = useBenchStore()
const placeOf = (measure: MeasureName): ReadingPlace => ({
  measure,
  digit: null,
  side: bench.injured,
  kind: null,
})
const SHOWN = [...SCAR_RATED, ...SCAR_SAID]

const sumOf = (read: (place: ReadingPlace) => number | null) =>
  scarTotal(
    Object.fromEntries(SCAR_ITEMS.map((item) => [item, read(placeOf(SCAR_MEASURES[item]))])) as Record<
      ScarItem,
      number | null
    >,
  )
const now = computed(() =>
  sumOf((place) => {
    const cell = bench.cellAt(place)
    return cell.name === 'read' ? numberOf(cell.result) : null
  }),
)
const last = computed(() => {
  const dated = lastAt(bench.bench.visits, placeOf(SCAR_RATED[0]!))
  const sum = sumOf((place) => numberOf(lastAt(bench.bench.visits, place)?.result ?? null))
  return dated && sum !== null ? { on: dated.on, sum } : null
})
const change = computed(() => (last.value ? scarChange(last.value.sum, now.value) : null))
const wrong = computed(() => SHOWN.map((one) => bench.wrongAt(placeOf(one))?.message).filter(Boolean))
</script>

<template>
  <p class="soft">0 as the skin around it, 10 the worst</p>
  <div class="grid">
    <label v-for="measure in SHOWN" :key="measure"
      ><span class="name">{{ measureFacts(measure).label.replace('Scar: ', '') }}</span>
      <BenchCell :place="placeOf(measure)"
    /></label>
  </div>
  <p v-for="message in wrong" :key="message" class="bad" role="alert">{{ message }}</p>
  <p v-if="now !== null" class="tabular">
    <strong>{{ now }} of 60</strong
    ><template v-if="last">
      , {{ last.sum }} on {{ dayText(last.on)
      }}{{ change ? `: ${change === 'unclear' ? 'too small a change to tell' : change}` : '' }}</template
    >. <span class="soft">Our own scale; its error is not known.</span>
  </p>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 6px 18px;
  margin: 6px 0;
}
label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 54px;
  gap: 8px;
  align-items: center;
  font-size: 14px;
}
.name {
  display: block;
}
.name::first-letter {
  text-transform: uppercase;
}
p {
  font-size: 13.5px;
}
.bad {
  color: var(--brick);
  font-weight: 600;
}
</style>
