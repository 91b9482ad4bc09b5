<script setup lang="ts">
import type { DoseRange, HouseEdit } from '@pledge/core'
import { ulid } from 'ulid'
import { computed, reactive, ref, watch } from 'vue'
import { useClinicApi } from '../api/clinicApi'
import { ApiProblem, messageAt } from '../api/problem'
import type { ExercisePageAnswer, HousePreviewAnswer } from '@pledge/contract'
import DialogForm from '../parts/DialogForm.vue'
import NoticeBox from '../parts/NoticeBox.vue'
import SurgeonsWord from '../parts/SurgeonsWord.vue'
import TextInput from '../parts/TextInput.vue'
import { useSending } from '../parts/useSending'

/** What this clinic does otherwise: the new value, the open cases it would change, the reason; then it is saved. */
type Subject =
  | { kind: 'phase'; protocolId: string; phaseId: string; day: number }
  | { kind: 'gate'; protocolId: string; key: string; day: number }
  | { kind: 'dose'; exercise: Pick<ExercisePageAnswer, 'id' | 'dose' | 'range'> }
  | { kind: 'week'; exerciseId: string; conditionId: string; week: number }
const props = defineProps<{ subject: Subject; shipped?: number }>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()

const FIELDS = [
  ['sets', 'Sets'],
  ['repetitions', 'Repetitions'],
  ['holdSeconds', 'Hold, s'],
  ['boutsPerDay', 'Times a day'],
] as const
const dosed = props.subject.kind === 'dose' ? props.subject.exercise : null
const asked = 'week' in props.subject ? props.subject.week : 'day' in props.subject ? props.subject.day : null
const form = reactive({
  id: ulid(),
  value: asked === null ? '' : String(asked),
  dose: Object.fromEntries(
    FIELDS.map(([key]) => {
      const [low, high] = dosed?.range[key] ?? ['', '']
      return [key, { usual: String(dosed?.dose[key] ?? ''), low: String(low), high: String(high) }]
    }),
  ),
  why: '',
  agreedBy: '',
  document: '',
})
const number = (text: string) => (text.trim() === '' ? null : Number(text))
/** The change as typed; `null` while something is empty. */
const edit = computed<HouseEdit | null>(() => (dosed ? typedDose(dosed) : typedNumber(number(form.value))))
function typedNumber(value: number | null): HouseEdit | null {
  const { subject } = props
  if (value === null || subject.kind === 'dose') return null
  const { kind } = subject
  if (kind === 'week')
    return { kind, exerciseId: subject.exerciseId, conditionId: subject.conditionId, week: value }
  return kind === 'phase'
    ? { kind, protocolId: subject.protocolId, phaseId: subject.phaseId, day: value }
    : { kind, protocolId: subject.protocolId, key: subject.key, day: value }
}
function typedDose({ id, dose }: Pick<ExercisePageAnswer, 'id' | 'dose'>): HouseEdit | null {
  const typed = FIELDS.map(([key]) => [key, form.dose[key]!] as const)
  if (typed.some(([, one]) => [one.usual, one.low, one.high].some((text) => number(text) === null)))
    return null
  return {
    kind: 'dose',
    exerciseId: id,
    dose: { ...dose, ...Object.fromEntries(typed.map(([key, one]) => [key, Number(one.usual)])) },
    range: Object.fromEntries(
      typed.map(([key, one]) => [key, [Number(one.low), Number(one.high)]]),
    ) as unknown as DoseRange,
  }
}
const isChanged = computed(() => {
  const { subject } = props
  if (subject.kind === 'dose')
    return FIELDS.some(([key]) => {
      const one = form.dose[key]!
      const { dose, range } = subject.exercise
      return (
        number(one.usual) !== dose[key] ||
        number(one.low) !== range[key][0] ||
        number(one.high) !== range[key][1]
      )
    })
  return number(form.value) !== asked
})

const preview = ref<HousePreviewAnswer | null>(null)
const refusal = ref<unknown>(null)
let turns = 0
let timer: ReturnType<typeof setTimeout> | undefined
/** Asks what the change would do a moment after the last key. */
watch(
  () => JSON.stringify(edit.value),
  () => {
    clearTimeout(timer)
    preview.value = null
    refusal.value = null
    if (!edit.value || !isChanged.value) return
    timer = setTimeout(() => void ask(edit.value!), 300)
  },
)
async function ask(wanted: HouseEdit) {
  const turn = (turns += 1)
  try {
    const answer = await api.previewHouseEdit(wanted)
    if (turn === turns) preview.value = answer
  } catch (error) {
    if (turn === turns) refusal.value = error
  }
}
const refusalText = computed(() =>
  refusal.value === null
    ? null
    : refusal.value instanceof ApiProblem
      ? refusal.value.message
      : 'It could not be checked. Try again.',
)
const { problem, isSaving, save } = useSending(
  async () => {
    if (!preview.value || !edit.value)
      throw new ApiProblem(400, 'INPUT_INVALID', refusalText.value ?? 'Change the value first.')
    await api
      .saveHouseEdit({
        id: form.id,
        edit: edit.value,
        why: form.why,
        agreedBy: preview.value.needsSurgeon ? form.agreedBy : '',
        document: preview.value.needsSurgeon ? form.document : '',
        seenEpisodes: preview.value.affected.map(({ episodeId }) => episodeId),
      })
      .catch(async (error: unknown) => {
        // Other cases than those listed: the list is shown anew before anything is saved.
        if (error instanceof ApiProblem && error.code === 'EDITED_MEANWHILE') await ask(edit.value!)
        throw error
      })
  },
  () => emit('done'),
)
const title = computed(
  () =>
    ({
      phase: 'When this phase begins here',
      gate: 'When this opens here',
      dose: 'The usual dose here',
      week: 'The usual first week here',
    })[props.subject.kind],
)
</script>

<template>
  <DialogForm
    :title="title"
    action="Save for this clinic"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <table v-if="subject.kind === 'dose'" class="dose">
      <thead>
        <tr>
          <td />
          <th scope="col">usual</th>
          <th scope="col">least</th>
          <th scope="col">most</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="[key, label] in FIELDS" :key="key">
          <th scope="row">{{ label }}</th>
          <td v-for="part in ['usual', 'low', 'high'] as const" :key="part">
            <input
              v-model="form.dose[key]![part]"
              inputmode="numeric"
              class="plain-field tabular"
              :aria-label="`${label}, ${part === 'usual' ? 'usual' : part === 'low' ? 'least' : 'most'}`"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <TextInput
      v-else
      v-model="form.value"
      :label="subject.kind === 'week' ? 'Week' : 'Day'"
      :hint="shipped === undefined ? '' : `as shipped: day ${shipped}`"
      :error="messageAt(refusal, 'day') ?? messageAt(refusal, 'week')"
    />
    <NoticeBox v-if="refusalText && !messageAt(refusal, 'day') && !messageAt(refusal, 'week')" tone="stop">{{
      refusalText
    }}</NoticeBox>
    <div v-if="preview" class="effects" aria-live="polite">
      <p>
        <strong>{{ preview.after }}</strong> instead of {{ preview.before
        }}<template v-if="preview.shipped !== preview.before"> (as shipped: {{ preview.shipped }})</template>
      </p>
      <p v-if="preview.affected.length === 0" class="soft">No open case changes.</p>
      <template v-else>
        <p>
          {{ preview.affected.length }} open
          {{ preview.affected.length === 1 ? 'case changes' : 'cases change' }}:
        </p>
        <ul>
          <li v-for="one in preview.affected" :key="one.episodeId">
            <strong>{{ one.patient }}</strong>, {{ one.side }}
            <span class="soft">({{ one.therapist }})</span>
            <small v-for="change in one.changes" :key="change">{{ change }}</small>
          </li>
        </ul>
      </template>
    </div>
    <SurgeonsWord
      v-if="preview?.needsSurgeon"
      v-model:agreed-by="form.agreedBy"
      v-model:document="form.document"
      :problem="problem"
    >
      This opens earlier while the injury heals: it takes the surgeons’ word, with a document.
    </SurgeonsWord>
    <TextInput v-model="form.why" label="Reason" :error="messageAt(problem, 'why')" />
  </DialogForm>
</template>

<style scoped>
.dose {
  border-collapse: collapse;
}
.dose th {
  padding: 3px 12px 3px 0;
  text-align: left;
  font-weight: 400;
}
.dose thead th {
  font-size: 13px;
  color: var(--ink-soft);
}
.dose td {
  padding: 3px 8px 3px 0;
}
.dose input {
  width: 84px;
  text-align: right;
}
.effects {
  max-height: 200px;
  overflow-y: auto;
  padding: 10px 12px;
  border-radius: 5px;
  background: var(--paper-deep);
  font-size: 14px;
}
.effects li {
  padding-top: 5px;
}
.effects small {
  display: block;
  padding-left: 10px;
}
</style>
