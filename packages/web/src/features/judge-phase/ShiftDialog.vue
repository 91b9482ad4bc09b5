<script setup lang="ts">
import { addDays, shiftedDay } from '@pledge/core'
import { ulid } from 'ulid'
import { computed, reactive } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import type { EpisodeAnswer } from '@pledge/contract'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import SurgeonsWord from '../../shared/parts/SurgeonsWord.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { dayText } from '../../shared/words'
import DialogForm from '../../shared/parts/DialogForm.vue'
import { useSending } from '../../shared/parts/useSending'

/** Moves the windows that still lie ahead, with the reason; shows beforehand what it does to each. */
const props = defineProps<{ data: EpisodeAnswer }>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const today = computed(() => Math.max(0, props.data.episode.day))
const form = reactive({
  id: ulid(),
  way: 'later' as 'later' | 'earlier',
  count: '7',
  afterDay: String(today.value),
  why: '',
  agreedBy: props.data.episode.surgeon,
  document: '',
})
const needsSurgeon = computed(() => form.way === 'earlier' && props.data.isHealing)
const days = computed(() => (form.way === 'later' ? 1 : -1) * Number(form.count))
const isReadable = computed(
  () => Number.isInteger(days.value) && days.value !== 0 && form.afterDay.trim() !== '',
)
const moved = computed(() => {
  if (!isReadable.value) return []
  const { phases, gates, episode } = props.data
  const starts = [
    ...phases.map((phase) => ({ name: `Phase: ${phase.name}`, day: phase.startDay })),
    ...gates.map((gate) => ({ name: gate.opens, day: gate.day })),
  ]
  return starts
    .map((start) => ({ ...start, then: shiftedDay(start.day, days.value, Number(form.afterDay)) }))
    .filter((start) => start.then !== start.day)
    .sort((a, b) => a.then - b.then)
    .map((start) => ({ ...start, date: dayText(addDays(episode.dayZeroOn, start.then)) }))
})
const { problem, isSaving, save } = useSending(
  () =>
    api.moveWindows(props.data.episode.id, {
      id: form.id,
      days: form.count.trim() === '' ? null : days.value,
      afterDay: form.afterDay.trim() === '' ? null : Number(form.afterDay),
      why: form.why,
      agreedBy: needsSurgeon.value ? form.agreedBy : '',
      document: needsSurgeon.value ? form.document : '',
    }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    title="Move the windows ahead"
    action="Move them"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <ChoiceInput
      v-model="form.way"
      label="They come"
      :choices="[
        { value: 'later', text: 'later' },
        { value: 'earlier', text: 'earlier' },
      ]"
    />
    <div class="pair">
      <TextInput v-model="form.count" label="By" suffix="days" :error="messageAt(problem, 'days')" />
      <TextInput
        v-model="form.afterDay"
        label="Only windows after day"
        :error="messageAt(problem, 'afterDay')"
      />
    </div>
    <div class="moved" aria-live="polite">
      <p v-if="moved.length === 0" class="soft">No window ahead moves.</p>
      <table v-else>
        <caption class="soft">
          What is open stays open. These move:
        </caption>
        <tbody>
          <tr v-for="one in moved" :key="one.name + one.day">
            <td>{{ one.name }}</td>
            <td class="tabular">
              day {{ one.day }} → <strong>{{ one.then }}</strong>
            </td>
            <td class="tabular soft">{{ one.date }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <SurgeonsWord
      v-if="needsSurgeon"
      v-model:agreed-by="form.agreedBy"
      v-model:document="form.document"
      :problem="problem"
    >
      While it heals, nothing opens earlier without the surgeon’s word. It is recorded with it.
    </SurgeonsWord>
    <TextInput v-model="form.why" label="Reason" :error="messageAt(problem, 'why')" />
  </DialogForm>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 12px;
  align-items: start;
}
.moved {
  max-height: 168px;
  overflow-y: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
caption {
  text-align: left;
  padding-bottom: 4px;
}
td {
  padding: 4px 8px 4px 0;
  border-top: 1px dotted var(--line);
  vertical-align: top;
}
td:not(:first-child) {
  white-space: nowrap;
}
</style>
