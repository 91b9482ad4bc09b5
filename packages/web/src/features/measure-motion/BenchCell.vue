<script setup lang="ts">
import { measureFacts, placeKey, placeWords, type ReadingPlace } from '@pledge/core'
import { computed } from 'vue'
import { unitText } from './findingWords'
import { useBenchStore } from './benchStore'

/**
 * One reading. `=` takes the other side, `*` the last reading, Enter goes on like Tab; what is locked is told beside the table, not
 * in the cell.
 */
const props = defineProps<{ place: ReadingPlace }>()
const emit = defineEmits<{ move: [step: 1 | -1, event: KeyboardEvent] }>()

const bench = useBenchStore()
const key = computed(() => placeKey(props.place))
const facts = computed(() => measureFacts(props.place.measure))
const text = computed(() => bench.textAt(props.place))
const cell = computed(() => bench.cellAt(props.place))
const isWrong = computed(() => bench.wrongAt(props.place) !== null)
const isLocked = computed(() => bench.isLocked(props.place))
const lasting = computed(() => bench.lastingAt(props.place))
const form = computed(() =>
  facts.value.shape === 'hinge'
    ? 'deficit slash flexion, degrees'
    : facts.value.shape === 'trials'
      ? 'three trials in kg'
      : unitText(facts.value.unit).trim() === '°'
        ? 'degrees'
        : unitText(facts.value.unit).trim(),
)
const label = computed(() => `${placeWords(props.place)}, ${form.value}`)

function typed(event: Event) {
  bench.type(props.place, (event.target as HTMLInputElement).value)
}
function pressed(event: KeyboardEvent) {
  if (event.key === 'Tab' || event.key === 'Enter') return emit('move', event.shiftKey ? -1 : 1, event)
  const copied =
    event.key === '='
      ? bench.otherTyped(props.place)
      : event.key === '*'
        ? bench.lastTyped(props.place)
        : null
  if (event.key !== '=' && event.key !== '*') return
  event.preventDefault()
  if (copied) bench.type(props.place, copied)
}
</script>

<template>
  <input
    v-if="!isLocked"
    :value="text"
    class="cell tabular"
    :class="[
      cell.name === 'read' ? 'read' : isWrong ? 'wrong' : '',
      {
        unusual: cell.name === 'read' && cell.isUnusual,
      },
    ]"
    :data-place="key"
    inputmode="text"
    autocomplete="off"
    :placeholder="lasting ?? bench.lastTyped(place) ?? ''"
    :aria-label="label"
    :aria-invalid="isWrong"
    @focus="bench.enter(place)"
    @blur="bench.leave()"
    @input="typed"
    @keydown="pressed"
  />
  <span v-else class="locked" role="img" :aria-label="`${placeWords(place)}: locked`">
    <svg viewBox="0 0 24 24" aria-hidden="true"><path :d="mdiLockOutline" /></svg>
  </span>
</template>

<script lang="ts">
import { mdiLockOutline } from '@mdi/js'
</script>

<style scoped>
.cell,
.locked {
  width: 100%;
  min-width: 0;
  height: 32px;
  padding: 0 6px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 16px;
  text-align: center;
}
.cell::placeholder {
  color: var(--ink-soft);
  opacity: 0.85;
}
.cell:focus {
  outline: 2px solid var(--teal);
  outline-offset: 1px;
}
.cell.read {
  font-weight: 650;
}
.cell.wrong {
  border: 2px solid var(--brick);
  color: var(--brick);
}
.cell.unusual {
  border: 2px solid var(--ochre);
}
.locked {
  display: flex;
  align-items: center;
  justify-content: center;
  border-style: dashed;
  background: var(--plum-wash);
}
.locked svg {
  width: 16px;
  fill: var(--plum);
}
</style>
