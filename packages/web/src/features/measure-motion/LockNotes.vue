<script setup lang="ts">
import { mdiLockOutline } from '@mdi/js'
import { measureFacts, type MeasureName } from '@pledge/core'
import { computed, ref } from 'vue'
import { useBenchStore, type Lock } from './benchStore'
import EarlyDialog from './EarlyDialog.vue'

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
  const found = new Map<string, { locks: Lock[]; isLimited: boolean }>()
  const shown = (bench.plan?.locks ?? []).filter(
    ({ measure, digits, state }) =>
      props.measures.includes(measure) &&
      !(state === 'locked' && bench.isEarly(measure)) &&
      (digits === null || digits.some((digit) => bench.shownDigits.includes(digit))),
  )
  for (const lock of shown) {
    const { form, told } = lock.verdict
    const text = lock.state === 'limited' && form ? form : (told[0] ?? 'Nobody has opened it.')
    const note = found.get(text) ?? { locks: [], isLimited: lock.state === 'limited' }
    note.locks.push(lock)
    found.set(text, note)
  }
  return [...found].map(([text, { locks, isLimited }]) => {
    const opens = lockedOf(locks.map(({ measure }) => measure))
    return {
      text,
      isLimited,
      names: namesOf(locks),
      opens: { locks: opens, names: namesOf(opens) },
      whyNot: opens.find(({ terms }) => !terms.isPossible)?.terms.why ?? null,
    }
  })
})
const namesOf = (locks: readonly Lock[]) => locks.map(nameOf).join('; ')
/** A measure is unlocked as a whole: with it, whatever else of it is locked for another cause. */
const lockedOf = (measures: readonly MeasureName[]) =>
  (bench.plan?.locks ?? []).filter(({ measure, state }) => state === 'locked' && measures.includes(measure))
const opening = ref<{ locks: readonly Lock[]; names: string } | null>(null)
const early = computed(() =>
  bench.early.filter(({ measures }) => measures.some((measure) => props.measures.includes(measure))),
)
</script>

<template>
  <div v-if="notes.length > 0" class="locks">
    <details v-for="note in notes" :key="note.text">
      <summary>
        <svg viewBox="0 0 24 24" aria-hidden="true"><path :d="mdiLockOutline" /></svg>
        {{ note.isLimited ? 'Only in this form:' : 'Locked:' }} {{ note.text }}
      </summary>
      <p>{{ note.names }}</p>
      <p v-if="!note.isLimited">
        <button v-if="note.whyNot === null" type="button" class="text-button" @click="opening = note.opens">
          Measure it all the same
        </button>
        <template v-else>{{ note.whyNot }}</template>
      </p>
    </details>
  </div>
  <p v-for="(one, at) in early" :key="at" class="early">
    <strong>Measured before its time:</strong> {{ one.why
    }}{{ one.agreedBy && ` (agreed by ${one.agreedBy}, ${one.document})` }}
  </p>
  <EarlyDialog v-if="opening" v-bind="opening" @close="opening = null" />
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
.early {
  margin: 6px 0 0;
  color: var(--ink);
}
</style>
