<script setup lang="ts">
import { ulid } from 'ulid'
import { computed, reactive } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { messageAt } from '../../shared/api/problem'
import type { EpisodeAnswer } from '@pledge/contract'
import TextInput from '../../shared/parts/TextInput.vue'
import DialogForm from '../../shared/parts/DialogForm.vue'
import { useSending } from '../../shared/parts/useSending'

/** Every question in one look: what is ticked is so, the rest was asked and is not so. */
const props = defineProps<{ data: EpisodeAnswer }>()
const emit = defineEmits<{ done: []; close: [] }>()
const api = useClinicApi()
const form = reactive({
  id: ulid(),
  present: [...(props.data.health?.present ?? [])],
  note: props.data.health?.note ?? '',
})
const action = computed(() => (form.present.length === 0 ? 'None of these' : 'Record it'))
const { problem, isSaving, save } = useSending(
  () => api.addHealth(props.data.episode.id, { ...form }),
  () => emit('done'),
)
</script>

<template>
  <DialogForm
    title="Does the patient have any of these?"
    :action="action"
    :problem="problem"
    :is-saving="isSaving"
    @send="save"
    @close="emit('close')"
  >
    <ul class="questions">
      <li v-for="one in data.healthQuestions" :key="one.word">
        <label class="question">
          <input v-model="form.present" type="checkbox" :value="one.word" />
          <span>{{ one.name }}</span>
        </label>
      </li>
    </ul>
    <p class="soft">What is not ticked is recorded as asked and not so.</p>
    <TextInput v-model="form.note" label="Note" :error="messageAt(problem, 'note')" />
  </DialogForm>
</template>

<style scoped>
.questions {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(215px, 1fr));
  gap: 6px 14px;
}
.question {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 40px;
  cursor: pointer;
}
.question input {
  width: 19px;
  height: 19px;
  flex: none;
  accent-color: var(--teal);
}
.question span {
  line-height: 1.25;
}
.question span::first-letter {
  text-transform: uppercase;
}
</style>
