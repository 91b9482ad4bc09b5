<script setup lang="ts" generic="T extends string | number | boolean">
import { useId } from 'vue'

/** A few choices side by side, one chosen: quicker than a list that opens. Arrow keys move, as in any radio group. */
defineProps<{
  label: string
  choices: readonly { value: T; text: string }[]
  error?: string | null
  hideLabel?: boolean
}>()
const value = defineModel<T | null>()
const name = useId()
</script>

<template>
  <fieldset class="choice">
    <legend :class="hideLabel ? 'sr-only' : 'legend'">{{ label }}</legend>
    <div class="row">
      <label
        v-for="choice in choices"
        :key="String(choice.value)"
        class="option"
        :class="{ chosen: value === choice.value }"
      >
        <input v-model="value" type="radio" :name="name" :value="choice.value" class="sr-only" />
        {{ choice.text }}
      </label>
    </div>
    <p v-if="error" class="wrong" role="alert">{{ error }}</p>
  </fieldset>
</template>

<style scoped>
.choice {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
.legend {
  font-size: 13.5px;
  font-weight: 600;
  padding: 0;
  margin-bottom: 4px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.option {
  position: relative;
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  padding: 0 14px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: var(--sheet);
  cursor: pointer;
}
.option.chosen {
  background: var(--teal);
  border-color: var(--teal);
  color: var(--sheet);
  font-weight: 600;
}
.option:focus-within {
  outline: 2px solid var(--teal);
  outline-offset: 2px;
}
.wrong {
  margin-top: 4px;
  font-size: 13px;
  font-weight: 600;
  color: var(--brick);
}
</style>
