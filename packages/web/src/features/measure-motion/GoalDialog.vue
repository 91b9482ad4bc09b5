<script setup lang="ts">
import { addDays, seriesFacts, seriesOf } from '@pledge/core'
import type { BenchAnswer } from '@pledge/contract'
import { ulid } from 'ulid'
import { computed, reactive } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import { useCaseStore } from '../../shared/case/caseStore'
import DialogForm from '../../shared/parts/DialogForm.vue'
import FormField from '../../shared/parts/FormField.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { useSending } from '../../shared/parts/useSending'
import { useBenchStore } from './benchStore'
import { unitText } from './findingWords'
import { seriesLabel, targetText } from './goalWords'

/** A goal: begun from one that fits the case, or from any measure; its words, its value and its day are the therapist's. */
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const cases = useCaseStore()
const bench = useBenchStore()
type Template = BenchAnswer['goalTemplates'][number]

const WEEKS = 6
const plan = computed(() => bench.plan!)
const form = reactive({
  id: ulid(),
  words: '',
  series: '',
  target: '',
  dueOn: addDays(cases.data!.today, 7 * WEEKS),
})
function begin(template: Template) {
  form.words = template.words
  form.series = template.series
  form.target = template.target === null ? '' : String(template.target)
}
const measures = computed(() => {
  const ids = [
    ...plan.value.goalTemplates.map(({ series }) => series),
    ...seriesOf(bench.bench.visits, bench.injured).map(({ id }) => id),
  ]
  return [...new Set(ids)].map((value) => ({ value, title: seriesLabel(value, plan.value.tasks) }))
})
const unit = computed(() => (form.series ? unitText(seriesFacts(form.series).unit).trim() : ''))
const template = computed(() =>
  plan.value.goalTemplates.find(({ words, series }) => words === form.words && series === form.series),
)
const { problem, isSaving, save } = useSending(
  () =>
    api.addGoal(cases.data!.episode.id, {
      ...form,
      words: form.words.trim(),
      target: form.target.trim() === '' ? null : Number(form.target.replace(',', '.')),
    }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    title="Set a goal"
    action="Set it"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <div class="begin" role="group" aria-label="Begin from">
      <button
        v-for="one in plan.goalTemplates"
        :key="one.words"
        type="button"
        :aria-pressed="one === template"
        @click="begin(one)"
      >
        {{ one.words }}
        <small v-if="one.target !== null">{{ targetText({ series: one.series, target: one.target }) }}</small>
      </button>
    </div>
    <TextInput v-model="form.words" label="What they want to do" :error="messageAt(problem, 'words')" />
    <FormField v-slot="{ id, describedBy, isWrong }" label="Told by" :error="messageAt(problem, 'series')">
      <v-select
        :id="id"
        v-model="form.series"
        :items="measures"
        :error="isWrong"
        :aria-describedby="describedBy"
      />
    </FormField>
    <div class="pair">
      <TextInput
        v-model="form.target"
        label="Value it takes"
        :suffix="unit"
        :error="messageAt(problem, 'target')"
      />
      <TextInput v-model="form.dueOn" label="By" type="date" :error="messageAt(problem, 'dueOn')" />
    </div>
    <p v-if="template" class="soft">
      {{ template.source === 'PLEDGE-DECISION' ? 'Common practice' : template.source }}, confidence
      {{ template.confidence }}, from memory. A value with which most people can do it, not a promise.
    </p>
  </DialogForm>
</template>

<style scoped>
.begin {
  display: grid;
  gap: 4px;
  max-height: 186px;
  overflow-y: auto;
}
.begin button {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 10px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  text-align: left;
}
.begin button[aria-pressed='true'] {
  border-color: var(--teal);
  background: var(--teal-wash);
}
small {
  color: var(--ink-soft);
  white-space: nowrap;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
p {
  font-size: 13px;
}
</style>
