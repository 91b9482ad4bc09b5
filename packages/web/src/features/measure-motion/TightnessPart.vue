<script setup lang="ts">
import {
  numberOf,
  TIGHTNESS_MEANS,
  TIGHTNESS_TESTS,
  type Digit,
  type MeasureName,
  type ReadingPlace,
} from '@pledge/core'
import { computed } from 'vue'
import BenchCell from './BenchCell.vue'
import { useBenchStore } from './benchStore'

/** Which structure is tight: one joint measured with its neighbour in two positions, passively. */
const bench = useBenchStore()
const fingers = computed(() => bench.shownDigits.filter((digit) => digit !== 'thumb'))
const placeOf = (measure: MeasureName, digit: Digit): ReadingPlace => ({
  measure,
  digit,
  side: bench.injured,
  kind: 'passive',
})
const lines = computed(() =>
  TIGHTNESS_TESTS.map((test) => ({
    ...test,
    digits: fingers.value.map((digit) => {
      const places = test.pair.map((measure) => placeOf(measure, digit))
      const [first, second] = places.map((place) => {
        const cell = bench.cellAt(place)
        return cell.name === 'read' ? numberOf(cell.result) : null
      })
      const finding = test.find(first ?? null, second ?? null)
      const wrong = places.map((place) => bench.wrongAt(place)).find((cell) => cell !== null)
      const missing = test.how.filter((_, at) => [first, second][at] === null)
      return { digit, places, finding, missing, wrong: wrong?.message ?? null }
    }),
  })),
)
</script>

<template>
  <div v-for="test in lines" :key="test.id" class="test">
    <h3>{{ test.says }}</h3>
    <div v-for="one in test.digits" :key="one.digit" class="row">
      <strong>{{ one.digit }}</strong>
      <label v-for="(place, at) in one.places" :key="place.measure"
        ><span>{{ test.how[at] }}</span> <BenchCell :place="place"
      /></label>
      <p v-if="one.wrong" class="bad" role="alert">{{ one.wrong }}</p>
      <p v-else-if="one.finding">
        <b class="tabular">{{ Math.abs(one.finding.differenceDeg) }}° apart.</b>
        {{ TIGHTNESS_MEANS[one.finding.tissue] }}
      </p>
      <p v-else-if="one.missing.length === 1" class="soft">Still to measure: with {{ one.missing[0] }}.</p>
    </div>
  </div>
</template>

<style scoped>
h3 {
  font-size: 14.5px;
  font-weight: 600;
}
.test + .test {
  margin-top: 10px;
}
.row {
  display: grid;
  grid-template-columns: 64px 150px 170px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}
label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 62px;
  gap: 6px;
  align-items: center;
  font-size: 13.5px;
}
p {
  font-size: 13.5px;
  line-height: 1.35;
}
.bad {
  color: var(--brick);
  font-weight: 600;
}
</style>
