<script setup lang="ts">
import { mdiLockOutline } from '@mdi/js'
import { measureFacts } from '@pledge/core'
import { computed } from 'vue'
import { useBenchStore, type Lock } from './benchStore'

/** What the repair forbids to be measured today, said once a cause, with what opens it. */
const props = defineProps<{ measures: readonly string[] }>()
const bench = useBenchStore()

const nameOf = ({ measure, digits, kind, end }: Lock) => {
  const { label } = measureFacts(measure)
  const way = end === 'flexed' ? 'bending' : end === 'extended' ? 'straightening' : ''
  const whose = digits && digits.length < 4 && digits[0] !== 'thumb' ? ` (${digits.join(', ')})` : ''
  return [kind, label, way].filter(Boolean).join(' ') + whose
}
const notes = computed(() => {
  const found = new Map<string, { names: string[]; isLimited: boolean }>()
  const shown = (bench.plan?.locks ?? []).filter(
    ({ measure, digits }) =>
      props.measures.includes(measure) &&
      (digits === null || digits.some((digit) => bench.shownDigits.includes(digit))),
  )
  for (const lock of shown) {
    const { form, told } = lock.verdict
    const text = lock.state === 'limited' && form ? form : (told[0] ?? 'Nobody has opened it.')
    const note = found.get(text) ?? { names: [], isLimited: lock.state === 'limited' }
    note.names.push(nameOf(lock))
    found.set(text, note)
  }
  return [...found].map(([text, { names, isLimited }]) => ({ text, isLimited, names }))
})
</script>

<template>
  <div v-if="notes.length > 0" class="locks">
    <details v-for="note in notes" :key="note.text">
      <summary>
        <svg viewBox="0 0 24 24" aria-hidden="true"><path :d="mdiLockOutline" /></svg>
        {{ note.isLimited ? 'Only in this form:' : 'Locked:' }} {{ note.text }}
      </summary>
      <p>{{ note.names.join('; ') }}</p>
    </details>
  </div>
</template>

<style scoped>
.locks {
  margin-top: 8px;
  padding: 6px 10px;
  border-left: 4px solid var(--plum);
  border-radius: 0 5px 5px 0;
  background: var(--plum-wash);
}
summary {
  padding: 4px 0;
  font-size: 14px;
  line-height: 1.35;
  cursor: pointer;
}
summary svg {
  width: 15px;
  margin-right: 2px;
  vertical-align: -2px;
  fill: var(--plum);
}
p {
  margin: 2px 0 4px 20px;
  font-size: 13px;
  color: var(--ink-soft);
}
</style>
