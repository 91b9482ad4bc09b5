<script setup lang="ts">
import { ulid } from 'ulid'
import { reactive } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import type { EpisodeAnswer } from '@pledge/contract'
import HomeFields from '../../shared/case/HomeFields.vue'
import DialogForm from '../../shared/parts/DialogForm.vue'
import { useSending } from '../../shared/parts/useSending'

/** Asks again what is at home and how the other hand is; the last answer counts. */
const props = defineProps<{ data: EpisodeAnswer }>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const { home } = props.data
const form = reactive({
  id: ulid(),
  things: home && home.things !== null ? [...home.thingIds] : (null as string[] | null),
  otherHand: home?.otherHand ?? ('notAsked' as string),
})
const { problem, isSaving, save } = useSending(
  () => api.addHome(props.data.episode.id, { ...form }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    title="At home, and the other hand"
    action="Record it"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <HomeFields
      v-model:things="form.things"
      v-model:other-hand="form.otherHand"
      :error="messageAt(problem, 'things')"
    />
  </DialogForm>
</template>
