<script setup lang="ts">
import { ulid } from 'ulid'
import { reactive } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import TextInput from '../../shared/parts/TextInput.vue'
import DialogForm from '../../shared/parts/DialogForm.vue'
import { useSending } from '../../shared/parts/useSending'

/** The orthosis slipped: the days count anew from that day, less what the therapist credits. */
const props = defineProps<{ episodeId: string; today: string; restartIf: string }>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const form = reactive({ id: ulid(), slippedOn: props.today, creditDays: '0', why: '' })
const { problem, isSaving, save } = useSending(
  () =>
    api.addSlip(props.episodeId, {
      ...form,
      creditDays: form.creditDays.trim() === '' ? null : Number(form.creditDays),
    }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    title="The days count anew"
    action="Count anew"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <p class="soft">{{ restartIf }}. Phases and gates go back with the day counter.</p>
    <TextInput
      v-model="form.slippedOn"
      label="Day it happened"
      type="date"
      :error="messageAt(problem, 'slippedOn')"
    />
    <TextInput
      v-model="form.creditDays"
      label="Days that still count (0 = from the start)"
      :error="messageAt(problem, 'creditDays')"
    />
    <TextInput
      v-model="form.why"
      label="What happened, and why days are credited"
      :error="messageAt(problem, 'why')"
    />
  </DialogForm>
</template>
