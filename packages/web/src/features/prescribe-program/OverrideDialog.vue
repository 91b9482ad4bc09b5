<script setup lang="ts">
import type { Digit, Dose } from '@pledge/core'
import { ulid } from 'ulid'
import { reactive } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import type { ExerciseAnswer, VerdictAnswer } from '@pledge/contract'
import DialogForm from '../../shared/parts/DialogForm.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import SurgeonsWord from '../../shared/parts/SurgeonsWord.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { useSending } from '../../shared/parts/useSending'
import { fingersText } from '../../shared/words'

/** A therapist opens a "not yet" for this patient, with the reason; while it heals also with the surgeon's word. */
const props = defineProps<{
  episodeId: string
  exercise: ExerciseAnswer
  dose: Dose
  digits: readonly Digit[] | null
  verdict: VerdictAnswer
  needsSurgeon: boolean
  surgeon: string
}>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const form = reactive({ id: ulid(), why: '', agreedBy: props.surgeon, document: '' })
const { problem, isSaving, save } = useSending(
  () =>
    api.addOverride(props.episodeId, {
      id: form.id,
      exerciseId: props.exercise.id,
      dose: props.dose,
      digits: props.digits?.slice() ?? null,
      why: form.why,
      agreedBy: props.needsSurgeon ? form.agreedBy : '',
      document: props.needsSurgeon ? form.document : '',
    }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    :title="`Open “${exercise.text.name}” before its time`"
    action="Open it for this patient"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <NoticeBox tone="wait">
      <p v-for="one in verdict.told.slice(0, 4)" :key="one">{{ one }}</p>
    </NoticeBox>
    <p>
      The verdict stays “not yet”; your name and reason stand beside it. The exception covers this exercise at
      this dose<template v-if="digits"> with the {{ fingersText(digits) }} only</template>, and ends when
      anything else bars it: a red flag, an order, a heavier load.
    </p>
    <SurgeonsWord
      v-if="needsSurgeon"
      v-model:agreed-by="form.agreedBy"
      v-model:document="form.document"
      :problem="problem"
    >
      The injury still heals: this takes the surgeon’s word, with a document.
    </SurgeonsWord>
    <TextInput v-model="form.why" label="Reason" :error="messageAt(problem, 'why')" />
  </DialogForm>
</template>
