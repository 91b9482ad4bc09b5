<script setup lang="ts">
import {
  irritability,
  IRRITABILITY_QUESTIONS,
  IRRITABILITY_WORDS,
  lastAt,
  numberOf,
  PAIN_TREND_SAYS,
  painsByDay,
  painTrendOf,
  type MeasureName,
  type ReadingPlace,
} from '@pledge/core'
import { computed, ref } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import PainScale from '../../shared/parts/PainScale.vue'
import { useBenchStore } from './benchStore'
import { painTexts } from './findingWords'

/** Pain at its times, how it goes from week to week, and irritability by its three questions: computed, not picked. */
defineProps<{ isIrritabilityOpen: boolean }>()
const bench = useBenchStore()
const cases = useCaseStore()

const PAINS = [
  { measure: 'painRest', label: 'At rest' },
  { measure: 'painAct', label: 'While moving' },
  { measure: 'painNight', label: 'At night' },
  { measure: 'painLater', label: 'One to two hours after exercise' },
  { measure: 'painMorning', label: 'The next morning' },
] as const
const isAllPain = ref(false)
const pains = computed(() => (isAllPain.value ? PAINS : PAINS.slice(0, 2)))
const painPlace = (measure: MeasureName): ReadingPlace => ({ measure, digit: null, side: null, kind: null })
const painOf = (measure: MeasureName) => {
  const cell = bench.cellAt(painPlace(measure))
  return cell.name === 'read' ? numberOf(cell.result) : null
}
function painSince(measure: MeasureName): string | null {
  const [now, last] = [painOf(measure), lastAt(bench.bench.visits, painPlace(measure))]
  const before = numberOf(last?.result ?? null)
  return now === null || !last || before === null ? null : painTexts(before, now, last.on)
}
/** The worst pain of each day: at home, at the visits, and as it is said now. */
const trend = computed(() => {
  const { data } = cases
  if (!data) return null
  const bouts = data.bouts.map((bout) => ({ ...bout, startedAt: new Date(bout.startedAt) }))
  const now = painOf('painAct')
  const pains = [
    ...painsByDay(bouts, bench.bench.visits, data.episode.timeZone),
    ...(now === null ? [] : [{ on: data.today, pain: now }]),
  ]
  if (pains.length === 0) return null
  const { conditionId, anchorOn } = data.episode
  return PAIN_TREND_SAYS[painTrendOf(pains, { conditionId, dayZeroOn: anchorOn }, data.today)]
})
function setPain(measure: MeasureName, score: number | null) {
  bench.enter(painPlace(measure))
  bench.type(painPlace(measure), score === null ? '' : String(score))
}

/** The three questions where the case asks how irritable it is, or somebody opened them. */
const IRRITABILITY = [
  { measure: 'irritProvoked', ...IRRITABILITY_QUESTIONS.provoked },
  { measure: 'irritSettles', ...IRRITABILITY_QUESTIONS.settles },
  { measure: 'irritNight', ...IRRITABILITY_QUESTIONS.night },
] as const
const irritable = computed(() => {
  const level = irritability({
    provoked: painOf('irritProvoked'),
    settles: painOf('irritSettles'),
    night: painOf('irritNight'),
    worstPain: painOf('painAct'),
  })
  return level && IRRITABILITY_WORDS[level]
})
const choicesOf = (answers: readonly string[]) => answers.map((text, value) => ({ value, text }))
</script>

<template>
  <section class="sheet pains">
    <h2>Pain, worst of the last 24 hours</h2>
    <div v-for="one in pains" :key="one.measure" :data-place="`${one.measure}...`">
      <PainScale
        :model-value="painOf(one.measure)"
        :label="one.label"
        :labels="['none', 'worst']"
        @update:model-value="setPain(one.measure, $event)"
      />
      <p v-if="painSince(one.measure)" class="soft">{{ painSince(one.measure) }}</p>
    </div>
    <template v-if="isIrritabilityOpen">
      <h2>
        Irritability<template v-if="irritable">: {{ irritable }}</template>
      </h2>
      <div v-for="one in IRRITABILITY" :key="one.measure" :data-place="`${one.measure}...`">
        <ChoiceInput
          :model-value="painOf(one.measure)"
          :label="one.asks"
          :choices="choicesOf(one.answers)"
          @update:model-value="setPain(one.measure, $event ?? null)"
        />
      </div>
    </template>
    <p v-if="trend" class="soft">{{ trend }}</p>
    <button v-if="!isAllPain" type="button" class="text-button" @click="isAllPain = true">
      Night, later, next morning
    </button>
  </section>
</template>

<style scoped>
.pains {
  display: grid;
  gap: 12px;
  padding: 12px 14px;
}
h2 {
  font-size: 16.5px;
}
.soft {
  font-size: 13.5px;
}
</style>
