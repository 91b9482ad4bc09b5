<script setup lang="ts">
import type { VerdictKind } from '@pledge/core'
import { VERDICT_COLORS } from '../words'

/** The shape of a verdict: filled disc, half disc, ring, bar. Always beside its word. */
defineProps<{ kind: VerdictKind; size?: number }>()
</script>

<template>
  <svg :width="size ?? 14" :height="size ?? 14" viewBox="0 0 14 14" aria-hidden="true" class="mark">
    <circle v-if="kind === 'clear'" cx="7" cy="7" r="6" :fill="VERDICT_COLORS[kind]" />
    <g v-else-if="kind === 'with-care'">
      <circle cx="7" cy="7" r="5.2" fill="none" :stroke="VERDICT_COLORS[kind]" stroke-width="1.6" />
      <path d="M7 1.8 a5.2 5.2 0 0 0 0 10.4 z" :fill="VERDICT_COLORS[kind]" />
    </g>
    <circle
      v-else-if="kind === 'not-yet'"
      cx="7"
      cy="7"
      r="5.2"
      fill="none"
      :stroke="VERDICT_COLORS[kind]"
      stroke-width="1.6"
    />
    <rect v-else x="1" y="4.6" width="12" height="4.8" :fill="VERDICT_COLORS[kind]" />
  </svg>
</template>

<style scoped>
.mark {
  flex: none;
}
</style>
