<script setup lang="ts">
import { computed } from 'vue'

/** One plane of motion as a fan around neutral: this side now, the other side as a ghost, last time dashed. */
const props = defineProps<{
  title: string
  /** Names of the two directions, upward and downward. */
  ends: readonly [string, string]
  now: readonly [number | null, number | null]
  last: readonly [number | null, number | null]
  other: readonly [number | null, number | null]
  /** Which way neutral points. */
  upright?: boolean
}>()

const [cx, cy, radius] = [96, 92, 74]
function at(deg: number, r: number) {
  // Neutral lies to the right, or straight up for rotation; the first direction turns counter-clockwise.
  const turn = ((props.upright ? -90 : 0) - deg) * (Math.PI / 180)
  return `${cx + Math.cos(turn) * r} ${cy + Math.sin(turn) * r}`
}
function sector(up: number | null, down: number | null, r: number): string | null {
  if (up === null || down === null) return null
  const large = up + down > 180 ? 1 : 0
  return `M${cx} ${cy} L${at(up, r)} A${r} ${r} 0 ${large} 1 ${at(-down, r)} Z`
}
const ghost = computed(() => sector(props.other[0], props.other[1], radius))
const shown = computed(() =>
  sector(props.now[0] ?? props.last[0], props.now[1] ?? props.last[1], radius - 12),
)
const isNow = computed(() => props.now[0] !== null && props.now[1] !== null)
const total = computed(() =>
  props.now[0] !== null && props.now[1] !== null ? props.now[0] + props.now[1] : null,
)
const totalOther = computed(() =>
  props.other[0] !== null && props.other[1] !== null ? props.other[0] + props.other[1] : null,
)
const words = computed(
  () =>
    `${props.title}: ${total.value === null ? 'not measured today' : `${total.value}°`}${totalOther.value === null ? '' : ` of ${totalOther.value}° on the other side`}`,
)
</script>

<template>
  <figure class="fan">
    <svg viewBox="0 0 192 184" role="img" :aria-label="words">
      <path
        v-if="ghost"
        :d="ghost"
        fill="var(--paper-deep)"
        stroke="var(--ink-soft)"
        stroke-width="1"
        stroke-dasharray="3 3"
      />
      <path
        v-if="shown"
        :d="shown"
        :fill="isNow ? 'var(--teal)' : 'none'"
        :fill-opacity="isNow ? 0.28 : 0"
        stroke="var(--teal)"
        :stroke-width="isNow ? 2 : 1.4"
        :stroke-dasharray="isNow ? '' : '4 4'"
      />
      <template v-if="isNow">
        <path
          v-for="(deg, index) in last"
          v-show="deg !== null"
          :key="index"
          :d="`M${at((index === 0 ? 1 : -1) * (deg ?? 0), 30)} L${at((index === 0 ? 1 : -1) * (deg ?? 0), radius - 8)}`"
          stroke="var(--ochre)"
          stroke-width="2"
          stroke-dasharray="4 3"
        />
      </template>
      <path :d="`M${cx} ${cy} L${at(0, radius + 10)}`" stroke="var(--ink)" stroke-width="1.2" />
      <circle :cx="cx" :cy="cy" r="4" fill="var(--ink)" />
      <text :x="upright ? 4 : cx + 18" :y="upright ? 176 : 14">{{ ends[0] }}</text>
      <text :x="upright ? 188 : cx + 18" :y="upright ? 176 : 180" :text-anchor="upright ? 'end' : 'start'">
        {{ ends[1] }}
      </text>
    </svg>
    <figcaption>
      {{ title }}
      <strong v-if="total !== null" class="tabular">{{ total }}°</strong>
      <span v-if="totalOther !== null" class="soft tabular">{{
        total === null ? `other side ${totalOther}°` : ` of ${totalOther}°`
      }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.fan {
  margin: 0;
  text-align: center;
}
svg {
  width: 100%;
  max-width: 176px;
}
text {
  font: 15px var(--font);
  fill: var(--ink-soft);
}
figcaption .soft {
  white-space: pre;
}
figcaption {
  font-size: 13.5px;
}
</style>
