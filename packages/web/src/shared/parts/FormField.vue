<script setup lang="ts">
import { useId } from 'vue'

/** A labelled field with its refusal beside it. The slot takes the ids, so that a screen reader says all three. */
defineProps<{ label: string; error?: string | null; hint?: string | undefined }>()
const id = useId()
</script>

<template>
  <div class="field">
    <label :for="id" class="label">{{ label }}</label>
    <slot :id="id" :described-by="error || hint ? `${id}-note` : undefined" :is-wrong="Boolean(error)" />
    <p v-if="error" :id="`${id}-note`" class="note wrong" role="alert">{{ error }}</p>
    <p v-else-if="hint" :id="`${id}-note`" class="note">{{ hint }}</p>
  </div>
</template>

<style scoped>
.field {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
.label {
  font-size: 13.5px;
  font-weight: 600;
}
.note {
  font-size: 13px;
  color: var(--ink-soft);
}
.wrong {
  color: var(--brick);
  font-weight: 600;
}
</style>
