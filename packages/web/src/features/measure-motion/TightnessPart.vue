<script setup lang="ts">
import {
  numberOf,
  stillFiles,
  TIGHTNESS_MEANS,
  TIGHTNESS_PICTURES,
  TIGHTNESS_TESTS,
  tightnessPlaces,
} from '@pledge/core'
import { computed } from 'vue'
import BenchCell from './BenchCell.vue'
import { useBenchStore } from './benchStore'

/** Which structure is tight: one joint measured passively with its neighbor in two positions, each of them drawn. */
const bench = useBenchStore()
const tests = computed(() =>
  TIGHTNESS_TESTS.map((test) => ({
    ...test,
    pictures: TIGHTNESS_PICTURES[test.id].map((picture, at) => ({
      source: `/stills/${stillFiles(picture)[0]}`,
      // Drawn for a left hand.
      isMirrored: (test.isAgainstOther && at === 1 ? bench.other : bench.injured) === 'right',
    })),
    digits: bench.shownDigits
      .filter((digit) => test.digits.includes(digit))
      .map((digit) => {
        const places = tightnessPlaces(test, digit, bench.injured)
        const numbers = places.map((place) => {
          const cell = bench.cellAt(place)
          return cell.name === 'read' ? numberOf(cell.result) : null
        })
        const wrong = places.map((place) => bench.wrongAt(place)).find((cell) => cell !== null)
        return {
          digit,
          places,
          finding: test.find(numbers[0] ?? null, numbers[1] ?? null),
          missing: test.how.filter((_, at) => numbers[at] === null),
          wrong: wrong?.message ?? null,
        }
      }),
  })).filter(({ digits }) => digits.length > 0),
)
</script>

<template>
  <section v-for="test in tests" :key="test.id" class="test">
    <h3>{{ test.says }}</h3>
    <div class="positions">
      <figure v-for="(picture, at) in test.pictures" :key="at">
        <div class="frame" :class="{ mirrored: picture.isMirrored }">
          <img :src="picture.source" alt="" />
        </div>
        <figcaption>{{ test.how[at] }}</figcaption>
      </figure>
    </div>
    <div class="rows">
      <div v-for="one in test.digits" :key="one.digit" class="row">
        <strong>{{ one.digit }}</strong>
        <label v-for="(place, at) in one.places" :key="at"
          ><span>{{ test.how[at] }}</span> <BenchCell :place="place"
        /></label>
        <p v-if="one.wrong" class="bad" role="alert">{{ one.wrong }}</p>
        <p v-else-if="one.finding">
          <b class="tabular">{{ Math.abs(one.finding.differenceDeg) }}° apart.</b>
          {{ TIGHTNESS_MEANS[one.finding.tissue] }}
        </p>
        <p v-else-if="one.missing.length === 1" class="soft">Still to measure: {{ one.missing[0] }}.</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.test {
  display: grid;
  grid-template-columns: 226px minmax(0, 1fr);
  gap: 4px 14px;
  padding: 8px 0;
  align-items: start;
}
.test + .test {
  border-top: 1px solid var(--line);
}
h3 {
  grid-column: 1 / -1;
  font-size: 14.5px;
  font-weight: 600;
}
.positions {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
figure {
  margin: 0;
}
.frame {
  height: 112px;
  border-radius: 8px;
  background: var(--figure-ground);
  overflow: hidden;
}
/* The hand without most of its forearm. */
img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: contain;
  transform: scale(1.4);
  transform-origin: 50% 12%;
}
.mirrored {
  transform: scaleX(-1);
}
figcaption {
  font-size: 13px;
  text-align: center;
}
.row {
  display: grid;
  grid-template-columns: 52px repeat(2, auto) 1fr;
  gap: 4px 12px;
  align-items: center;
  padding: 3px 0;
}
label {
  display: grid;
  grid-template-columns: auto 62px;
  gap: 6px;
  align-items: center;
  font-size: 13.5px;
  white-space: nowrap;
}
p {
  grid-column: 2 / -1;
  font-size: 13.5px;
  line-height: 1.35;
}
.bad {
  color: var(--brick);
  font-weight: 600;
}
@media (max-width: 800px) {
  .test {
    grid-template-columns: 1fr;
  }
}
</style>
