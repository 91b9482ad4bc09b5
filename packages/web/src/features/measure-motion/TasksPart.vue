<script setup lang="ts">
import {
  lastAt,
  numberOf,
  PATIENT_SPECIFIC_MDC,
  patientSpecificChange,
  placeKey,
  type ReadingPlace,
} from '@pledge/core'
import { ulid } from 'ulid'
import { computed, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import { useCaseStore } from '../../shared/case/caseStore'
import PainScale from '../../shared/parts/PainScale.vue'
import ReasonDialog from '../../shared/parts/ReasonDialog.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { useSending } from '../../shared/parts/useSending'
import { dayText } from '../../shared/words'
import { useBenchStore } from './benchStore'

/** What the patient cannot do as before, in their own words, each 0 to 10: their own measure of what therapy is for. */
const bench = useBenchStore()
const cases = useCaseStore()
const api = useClinicApi()

const MOST_TASKS = 5
const tasks = computed(() => bench.plan?.tasks ?? [])
const placeOf = (spot: string): ReadingPlace => ({
  measure: 'task',
  digit: null,
  side: null,
  kind: null,
  spot,
})
const scoreOf = (spot: string) => {
  const cell = bench.cellAt(placeOf(spot))
  return cell.name === 'read' ? numberOf(cell.result) : null
}
function score(spot: string, value: number | null) {
  bench.enter(placeOf(spot))
  bench.type(placeOf(spot), value === null ? '' : String(value))
}
const lastOf = (spot: string) => {
  const last = lastAt(bench.bench.visits, placeOf(spot))
  return last && { on: last.on, score: numberOf(last.result)! }
}
/** Against the last time, of the tasks scored both times. Source: M-19. */
const change = computed(() => {
  const both = tasks.value.flatMap(({ id }) => {
    const [now, last] = [scoreOf(id), lastOf(id)]
    return now !== null && last ? [{ id, now, before: last.score }] : []
  })
  const scores = (which: 'now' | 'before') => Object.fromEntries(both.map((one) => [one.id, one[which]]))
  return patientSpecificChange(scores('before'), scores('now'))
})
const mean = computed(() => {
  const scores = tasks.value.map(({ id }) => scoreOf(id)).filter((one) => one !== null)
  return scores.length > 0 && scores.length === tasks.value.length
    ? scores.reduce((sum, one) => sum + one, 0) / scores.length
    : null
})

const words = ref('')
let id = ulid()
const { problem, isSaving, save } = useSending(
  () => api.addTask(cases.data!.episode.id, { id, words: words.value }),
  async () => {
    words.value = ''
    id = ulid()
    await bench.lookUp()
  },
)
const leaving = ref<{ id: string; words: string } | null>(null)
async function left() {
  leaving.value = null
  await bench.lookUp()
}
</script>

<template>
  <p v-if="tasks.length === 0" class="soft">
    Ask for three things they cannot do as before: “What do you miss most?” Each is scored every few visits.
  </p>
  <div v-for="task in tasks" :key="task.id" class="task" :data-place="placeKey(placeOf(task.id))">
    <PainScale
      :model-value="scoreOf(task.id)"
      :label="task.words"
      :labels="['cannot do it', 'as before']"
      is-ability
      @update:model-value="score(task.id, $event)"
    />
    <p class="soft tabular">
      <template v-if="lastOf(task.id)"
        >{{ lastOf(task.id)!.score }} of 10 on {{ dayText(lastOf(task.id)!.on) }}</template
      >
      <button type="button" class="text-button" @click="leaving = task">No longer ask</button>
    </p>
  </div>
  <p v-if="mean !== null" class="tabular">
    <strong>Mean {{ mean.toFixed(1) }} of 10</strong
    ><template v-if="change">
      , {{ change.delta >= 0 ? '+' : '−' }}{{ Math.abs(change.delta).toFixed(1) }} over
      {{ change.activities }}
      {{
        Math.abs(change.delta) >= PATIENT_SPECIFIC_MDC.mean.value
          ? 'tasks: a change that matters'
          : 'tasks: within error'
      }}</template
    >
  </p>
  <div v-if="tasks.length < MOST_TASKS" class="new">
    <TextInput
      v-model="words"
      label="A task, in their words"
      :error="messageAt(problem, 'words')"
      @keydown.enter.prevent="save"
    />
    <v-btn variant="outlined" :loading="isSaving" @click="save">Add</v-btn>
  </div>
  <ReasonDialog
    v-if="leaving"
    title="No longer ask for this task"
    :explanation="`“${leaving.words}” keeps the scores it has.`"
    label="Why"
    action="Take it off"
    path="why"
    :send="(body) => api.takeBackTask(cases.data!.episode.id, leaving!.id, { id: body.id, why: body.text })"
    @done="left"
    @close="leaving = null"
  />
</template>

<style scoped>
.task {
  max-width: 520px;
  padding: 6px 0;
}
.task p {
  display: flex;
  justify-content: space-between;
  font-size: 13px;
}
p {
  font-size: 14px;
}
.new {
  display: grid;
  grid-template-columns: minmax(0, 420px) auto;
  gap: 8px;
  align-items: end;
  margin-top: 6px;
}
</style>
