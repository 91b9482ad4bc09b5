<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import { ApiProblem, messageAt, type FieldProblem } from '../../shared/api/problem'
import DialogForm from '../../shared/parts/DialogForm.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import SurgeonsWord from '../../shared/parts/SurgeonsWord.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { useBenchStore, type Lock } from './benchStore'

/** Something is measured before its time, with the reason; while it heals also with the surgeon's word. It is sent with the visit. */
const props = defineProps<{ locks: readonly Lock[]; names: string }>()
const emit = defineEmits<{ close: [] }>()
const bench = useBenchStore()
const cases = useCaseStore()

const needsSurgeon = computed(() => props.locks.some(({ terms }) => terms.needsSurgeon))
const told = computed(() => [...new Set(props.locks.flatMap(({ verdict }) => verdict.told))].slice(0, 4))
const form = reactive({ why: '', agreedBy: cases.data?.episode.surgeon ?? '', document: '' })
const problem = ref<ApiProblem | null>(null)

function open() {
  const ofSurgeon: FieldProblem[] = needsSurgeon.value
    ? [
        { path: 'agreedBy', message: form.agreedBy.trim() ? '' : 'Write who of the surgeons agreed.' },
        { path: 'document', message: form.document.trim() ? '' : 'Say which letter or message allows it.' },
      ]
    : []
  const errors = [
    { path: 'why', message: form.why.trim() ? '' : 'Say why it is measured now.' },
    ...ofSurgeon,
  ].filter(({ message }) => message !== '')
  if (errors.length > 0) {
    problem.value = new ApiProblem(400, 'INPUT_INVALID', 'Fill in what is marked.', errors)
    return
  }
  bench.measureEarly({
    measures: [...new Set(props.locks.map(({ measure }) => measure))],
    why: form.why.trim(),
    agreedBy: needsSurgeon.value ? form.agreedBy.trim() : '',
    document: needsSurgeon.value ? form.document.trim() : '',
  })
  emit('close')
}
</script>

<template>
  <DialogForm
    title="Measure it before its time"
    action="Unlock it for this visit"
    :problem="problem"
    :is-saving="false"
    @send="open"
    @close="emit('close')"
  >
    <NoticeBox tone="wait">
      <p>
        <strong>{{ names }}</strong>
      </p>
      <p v-for="one in told" :key="one">{{ one }}</p>
    </NoticeBox>
    <p>The verdict stays “not yet”, and opens no exercise. Your name and reason stand with the visit.</p>
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
