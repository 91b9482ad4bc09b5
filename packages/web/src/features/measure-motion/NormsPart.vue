<script setup lang="ts">
import {
  ageInYears,
  comparedWithNorm,
  CoreError,
  gripTrials,
  measureFacts,
  NORM_TABLES,
  type MeasureName,
  type NormTable,
  type StrengthTest,
} from '@pledge/core'
import { computed, ref } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import { useBenchStore } from './benchStore'
import { keepNormColumn, keptNormColumn, type NormColumn } from './benchDraft'

/**
 * Strength against a published table: a second comparison beside the other hand. Whose column it is, is chosen here and not kept in the
 * record; the table's name is always said.
 */
const bench = useBenchStore()
const cases = useCaseStore()
const episodeId = computed(() => cases.data?.episode.id ?? '')
const column = ref<NormColumn | null>(keptNormColumn(episodeId.value))
const table = ref<NormTable>('1985')
const COLUMNS = [
  { column: 'female', text: 'women' },
  { column: 'male', text: 'men' },
] as const
const TESTS: readonly { measure: MeasureName; test: StrengthTest }[] = [
  { measure: 'grip', test: 'grip' },
  { measure: 'keyPinch', test: 'key' },
  { measure: 'tipPinch', test: 'tip' },
  { measure: 'threePointPinch', test: 'palmar' },
]
function choose(next: NormColumn) {
  column.value = column.value === next ? null : next
  keepNormColumn(episodeId.value, column.value)
}
const age = computed(() => {
  const { data } = cases
  return data ? ageInYears(data.patient.birthDate, data.today) : null
})

/** Means of three trials of today, each hand with its own column of the table. */
const lines = computed(() => {
  if (column.value === null || age.value === null) return []
  return TESTS.filter(({ test }) => test in NORM_TABLES[table.value]).flatMap(({ measure, test }) =>
    [bench.injured, bench.other].flatMap((side) => {
      const cell = bench.cellAt({ measure, digit: null, side, kind: null })
      if (cell.name !== 'read' || !Array.isArray(cell.result)) return []
      const { meanKgf, isComparableWithNorms } = gripTrials(cell.result as number[], 'kgf')
      if (!isComparableWithNorms) return []
      const where = `${measureFacts(measure).label}, ${side}`
      try {
        const found = comparedWithNorm(test, column.value!, age.value!, side, meanKgf, 'kgf', table.value)
        return found ? [{ where, ...found }] : []
      } catch (error) {
        if (!(error instanceof CoreError)) throw error
        return []
      }
    }),
  )
})
const youngest = computed(() => age.value !== null && age.value < 20)
const z = (value: number) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(1)}`
</script>

<template>
  <div class="norms">
    <p v-if="youngest" class="soft">The published tables begin at 20 years.</p>
    <template v-else>
      <span id="norm-column" class="soft">Beside the other hand, compare with published</span>
      <span class="toggle" role="group" aria-labelledby="norm-column">
        <button
          v-for="one in COLUMNS"
          :key="one.column"
          type="button"
          :aria-pressed="column === one.column"
          @click="choose(one.column)"
        >
          {{ one.text }}
        </button>
      </span>
      <span v-if="column" class="toggle" role="group" aria-label="Table">
        <button
          v-for="one in ['1985', '2011'] as const"
          :key="one"
          type="button"
          :aria-pressed="table === one"
          @click="table = one"
        >
          {{ one }}
        </button>
      </span>
      <ul v-if="lines.length > 0">
        <li v-for="one in lines" :key="one.where">
          <strong>{{ one.where }}:</strong>
          <span class="tabular"
            >{{ Math.round(one.percentOfNorm) }} % of the mean of their age, {{ z(one.z) }} SD</span
          >
        </li>
      </ul>
      <p v-if="lines.length > 0" class="soft">
        Table of {{ table }}, right hand and left hand, not dominant or other; from memory, confidence
        {{ [...new Set(lines.map(({ confidence }) => confidence))].join(' and ') }}.
      </p>
      <p v-if="column && lines.length === 0" class="soft">
        Three trials of a hand are compared{{ table === '2011' ? '; this table knows grip only' : '' }}.
      </p>
    </template>
  </div>
</template>

<style scoped src="./toggle.css"></style>

<style scoped>
.norms {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  margin-top: 8px;
  font-size: 13.5px;
}
ul {
  flex-basis: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  padding: 2px 0;
}
</style>
