<script setup lang="ts">
import { computed } from 'vue'

/** Worst pain of the last bouts as a small trace, 0 at the bottom and 10 at the top; the stop line at 8. */
const props = defineProps<{ pains: readonly number[] }>()
const [width, height] = [92, 26]
const y = (pain: number) => height - 3 - (pain / 10) * (height - 6)
const points = computed(() => {
  const step = props.pains.length > 1 ? (width - 8) / (props.pains.length - 1) : 0
  return props.pains.map((pain, index) => ({ x: 4 + index * step, y: y(pain) }))
})
</script>

<template>
  <svg
    :width="width"
    :height="height"
    role="img"
    :aria-label="`Worst pain of the last bouts: ${pains.join(', ')}`"
  >
    <line
      x1="0"
      :x2="width"
      :y1="y(8)"
      :y2="y(8)"
      stroke="var(--brick)"
      stroke-width="0.8"
      stroke-dasharray="2 3"
    />
    <line x1="0" :x2="width" :y1="y(0)" :y2="y(0)" stroke="var(--line)" />
    <polyline
      :points="points.map((p) => `${p.x},${p.y}`).join(' ')"
      fill="none"
      stroke="var(--ink-soft)"
      stroke-width="1.6"
    />
    <circle
      v-if="points.length > 0"
      :cx="points.at(-1)!.x"
      :cy="points.at(-1)!.y"
      r="2.6"
      fill="var(--ink)"
    />
  </svg>
</template>
