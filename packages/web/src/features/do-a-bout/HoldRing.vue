<script setup lang="ts">
/** A ring that fills while a stage lasts, with the seconds left in it. */
defineProps<{ share: number; text: string }>()
const RING = 2 * Math.PI * 74
</script>

<template>
  <svg viewBox="0 0 168 168" aria-hidden="true">
    <circle cx="84" cy="84" r="74" fill="var(--sheet)" stroke="var(--line)" stroke-width="12" />
    <circle
      cx="84"
      cy="84"
      r="74"
      fill="none"
      stroke="var(--teal)"
      stroke-width="12"
      stroke-linecap="round"
      :stroke-dasharray="RING"
      :stroke-dashoffset="RING * (1 - share)"
      transform="rotate(-90 84 84)"
    />
    <text x="84" y="97" text-anchor="middle" class="tabular">{{ text }}</text>
  </svg>
</template>

<style scoped>
text {
  font: 750 36px var(--font);
  fill: var(--ink);
}
</style>
