<script setup lang="ts">
import { ulid } from 'ulid'
import { computed, reactive, watch } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import type { CriterionAnswer } from '@pledge/contract'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import PainScale from '../../shared/parts/PainScale.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import DialogForm from '../../shared/parts/DialogForm.vue'
import { useSending } from '../../shared/parts/useSending'
import { HOW_WORDS } from './words'

/** Records that a criterion holds, or does not: what, who gave it, when and how. */
const props = defineProps<{
  criterion: CriterionAnswer
  episodeId: string
  today: string
  surgeon: string
  me: string
}>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const form = reactive({
  id: ulid(),
  value: null as boolean | number | string | null,
  dated: '',
  givenBy: '',
  how: null as string | null,
  note: '',
})

const { problem, isSaving, save } = useSending(
  () => api.addFact(props.episodeId, { ...form, what: props.criterion.name }),
  () => emit('done'),
)

watch(
  () => props.criterion,
  (criterion) => {
    Object.assign(form, {
      id: ulid(),
      value: criterion.kind === 'yesNo' ? true : null,
      dated: props.today,
      givenBy: criterion.isSurgeons ? props.surgeon : props.me,
      how: criterion.usualWay,
      note: '',
    })
    problem.value = null
  },
  { immediate: true },
)
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
function readNumber(text: string | null | undefined): number | null {
  const value = Number((text ?? '').replace(',', '.'))
  return (text ?? '').trim() === '' || !Number.isFinite(value) ? null : value
}
const ways = computed(() =>
  (props.criterion.isSurgeons
    ? ['letter', 'phone', 'inPerson', 'film']
    : ['examined', 'measured', 'phone']
  ).map((value) => ({ value, text: HOW_WORDS[value] ?? value })),
)
</script>

<template>
  <DialogForm
    :title="capital(criterion.meaning)"
    action="Record it"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <PainScale
      v-if="criterion.kind === 'pain'"
      v-model="form.value as number | null"
      label="Score"
      :labels="['none', 'worst']"
      :error="messageAt(problem, 'value')"
    />
    <ChoiceInput
      v-else-if="criterion.kind === 'level'"
      v-model="form.value as string | null"
      label="How easily is it set off?"
      :choices="[
        { value: 'low', text: 'Low: strong load, settles in 10 min' },
        { value: 'mod', text: 'Moderate: ordinary use, up to 1 h' },
        { value: 'high', text: 'High: a touch, or wakes at night' },
      ]"
      :error="messageAt(problem, 'value')"
    />
    <TextInput
      v-else-if="criterion.kind === 'number'"
      :model-value="form.value === null ? '' : String(form.value)"
      :label="capital(criterion.question)"
      :error="messageAt(problem, 'value')"
      @update:model-value="form.value = readNumber($event)"
    />
    <ChoiceInput
      v-else
      v-model="form.value as boolean | null"
      label="Is it so?"
      :choices="[
        { value: true, text: 'Yes, it holds' },
        { value: false, text: 'No' },
      ]"
      :error="messageAt(problem, 'value')"
    />
    <TextInput
      v-model="form.givenBy"
      :label="criterion.isSurgeons ? 'Given by' : 'Found by'"
      :error="messageAt(problem, 'givenBy')"
    />
    <ChoiceInput v-model="form.how" label="How" :choices="ways" :error="messageAt(problem, 'how')" />
    <TextInput v-model="form.dated" label="Date" type="date" :error="messageAt(problem, 'dated')" />
    <TextInput v-model="form.note" label="Note (optional)" :error="messageAt(problem, 'note')" />
    <p v-if="criterion.staleAfterDays" class="soft">
      Counts for {{ criterion.staleAfterDays }} days, then it is measured again.
    </p>
  </DialogForm>
</template>
