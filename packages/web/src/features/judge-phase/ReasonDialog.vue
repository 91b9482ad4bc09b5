<script setup lang="ts">
import { ulid } from 'ulid'
import { ref } from 'vue'
import { ApiProblem, messageAt } from '../../shared/api/problem'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import TextInput from '../../shared/parts/TextInput.vue'

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
const problem = ref<unknown>(null)
const isSaving = ref(false)

async function save() {
  isSaving.value = true
  problem.value = null
  try {
    await props.send({ id, text: text.value, answeredBy: answeredBy.value })
    emit('done')
  } catch (error) {
    problem.value = error
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <v-dialog :model-value="true" :aria-label="title" max-width="520" @update:model-value="emit('close')">
    <v-card>
      <form class="form" novalidate @submit.prevent="save">
        <h2>{{ title }}</h2>
        <p>{{ explanation }}</p>
        <TextInput v-model="text" :label="label" long :error="messageAt(problem, path)" />
        <TextInput
          v-if="answerLabel"
          v-model="answeredBy"
          :label="answerLabel"
          :error="messageAt(problem, 'answeredBy')"
        />
        <NoticeBox v-if="problem" tone="stop">{{
          problem instanceof ApiProblem ? problem.message : 'Not saved. Try again.'
        }}</NoticeBox>
        <div class="acts">
          <v-btn variant="text" @click="emit('close')">Cancel</v-btn>
          <v-btn type="submit" :loading="isSaving">{{ action }}</v-btn>
        </div>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 14px;
  padding: 20px;
}
h2 {
  font-size: 18px;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
