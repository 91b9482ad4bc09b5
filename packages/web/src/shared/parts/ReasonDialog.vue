<script setup lang="ts">
import { ulid } from 'ulid'
import { ref } from 'vue'
import { messageAt } from '../api/problem'
import TextInput from './TextInput.vue'
import DialogForm from './DialogForm.vue'
import { useSending } from './useSending'

/** Asks for the reason of something that takes effect at once: a withdrawal, the lifting of a red flag. */
const props = defineProps<{
  title: string
  explanation: string
  label: string
  action: string
  /** Asks besides whose word it rests on. */
  answerLabel?: string | undefined
  send: (body: { id: string; text: string; answeredBy: string }) => Promise<unknown>
  path: string
}>()
const emit = defineEmits<{ done: []; close: [] }>()
const id = ulid()
const text = ref('')
const answeredBy = ref('')
const { problem, isSaving, save } = useSending(
  () => props.send({ id, text: text.value, answeredBy: answeredBy.value }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    :title="title"
    :action="action"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <p>{{ explanation }}</p>
    <TextInput v-model="text" :label="label" long :error="messageAt(problem, path)" />
    <TextInput
      v-if="answerLabel"
      v-model="answeredBy"
      :label="answerLabel"
      :error="messageAt(problem, 'answeredBy')"
    />
  </DialogForm>
</template>
