<script setup lang="ts">
/** Which hand is drawn. */
const side = defineModel<'left' | 'right'>({ required: true })
const SIDES = [
  { side: 'left', text: 'Left hand' },
  { side: 'right', text: 'Right hand' },
] as const
</script>

<template>
  <p class="sides">
    <button
      v-for="one in SIDES"
      :key="one.side"
      type="button"
      :aria-pressed="side === one.side"
      @click="side = one.side"
    >
      {{ one.text }}
    </button>
  </p>
</template>

<style scoped>
.sides {
  display: flex;
  gap: 6px;
}
button {
  padding: 4px 12px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
[aria-pressed='true'] {
  border-color: var(--teal);
  background: var(--teal-wash);
  font-weight: 650;
}
</style>
