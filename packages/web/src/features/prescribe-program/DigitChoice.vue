<script setup lang="ts">
import type { ExerciseAnswer } from '@pledge/contract'
import { takesTurns, type Digit } from '@pledge/core'
import { computed, ref } from 'vue'

/** With which digits an exercise is done. */
const props = defineProps<{
  exercise: ExerciseAnswer
  chosen: readonly Digit[] | null
  injured: readonly Digit[]
  canEdit: boolean
  error: string | null
}>()
const emit = defineEmits<{ digit: [digit: Digit] }>()

const isChoosing = ref(false)
/** Where all go together and nobody chose, one line is enough. */
const areDigitsQuiet = computed(
  () => !props.exercise.isOneAtATime && !isChoosing.value && props.chosen === null,
)
/** One digit goes at a time, nobody said which, and they do not all take turns. */
const isDigitOpen = computed(
  () => props.exercise.isOneAtATime && !takesTurns(props.exercise.depicted) && props.chosen === null,
)
const digitsNote = computed(() => {
  const count = props.chosen?.length ?? 0
  if (isDigitOpen.value) return 'choose which: otherwise the patient is not told'
  if (count === 1) return 'this one only'
  const way = props.exercise.isOneAtATime ? 'one after the other' : 'together'
  if (count === 0) return `none chosen: all, ${way}`
  return props.exercise.isOneAtATime ? `${way}, each the whole dose` : way
})
</script>

<template>
  <p v-if="areDigitsQuiet" class="sum">
    <span>Digits</span>
    <span
      >all, together
      <button v-if="canEdit" type="button" class="text-button" @click="isChoosing = true">
        Choose
      </button></span
    >
  </p>
  <fieldset v-else class="digits">
    <legend>With which digits</legend>
    <span class="chips">
      <label v-for="digit in exercise.choosableDigits" :key="digit" :class="{ on: chosen?.includes(digit) }">
        <input
          type="checkbox"
          class="sr-only"
          :checked="chosen?.includes(digit) ?? false"
          :disabled="!canEdit"
          @change="emit('digit', digit)"
        />{{ digit }}<span v-if="injured.includes(digit)" class="sr-only"> (injured)</span
        ><i v-if="injured.includes(digit)" aria-hidden="true" />
      </label>
    </span>
    <small v-if="error" class="wrong" role="alert">{{ error }}</small>
    <small v-else :class="isDigitOpen ? 'odd' : 'soft'">{{ digitsNote }}</small>
  </fieldset>
</template>

<style scoped>
.digits {
  min-width: 0;
  margin: 0;
  padding: 4px 0 6px;
  border: 0;
  border-bottom: 1px dotted var(--line);
}
.digits legend {
  padding: 0;
}
.digits small {
  font-size: 12.5px;
}
.digits .odd {
  color: var(--ochre);
  font-weight: 600;
}
.digits .wrong {
  color: var(--brick);
  font-weight: 600;
}
.chips {
  display: flex;
  gap: 4px;
  margin: 3px 0 2px;
}
.chips label {
  position: relative;
  flex: 1;
  padding: 5px 2px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13.5px;
  text-align: center;
  cursor: pointer;
}
.chips .on {
  border-color: var(--teal);
  background: var(--teal);
  color: var(--sheet);
  font-weight: 600;
}
.chips label:focus-within {
  outline: 2px solid var(--teal);
  outline-offset: 2px;
}
/* An injured digit carries a bar below its name. */
.chips i {
  position: absolute;
  right: 6px;
  bottom: 2px;
  left: 6px;
  height: 3px;
  background: var(--ochre);
}
.chips .on i {
  background: var(--sheet);
}
</style>
