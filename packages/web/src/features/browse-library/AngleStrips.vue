<script setup lang="ts">
import { ANGLE_LABELS, ANGLE_WINDOWS, type AngleName } from '@pledge/core'
import { computed } from 'vue'
import type { ExercisePageAnswer } from '@pledge/contract'

/** How far each joint goes: from where it starts to where it ends, on the window of that joint, 0 marked. */
const props = defineProps<{ angles: ExercisePageAnswer['angles']; language: 'en' | 'es' }>()

const WIDTH = 190
const rows = computed(() =>
  props.angles.map(({ name, start, shapes }) => {
    const [least, most] = ANGLE_WINDOWS[name]
    const x = (degrees: number) => ((degrees - least) / (most - least)) * WIDTH
    const stated = [start, ...shapes].filter((one) => one !== null)
    return {
      name,
      label: ANGLE_LABELS[name][props.language],
      zero: x(0),
      low: x(Math.min(...stated)),
      high: x(Math.max(...stated)),
      start: start === null ? null : x(start),
      end: shapes.at(-1) === null ? null : x(shapes.at(-1)!),
      text: toldAs(name, start, shapes),
    }
  }),
)

/** "0° → 95°"; a joint that stays says so once. */
function toldAs(name: AngleName, start: number | null, shapes: readonly (number | null)[]): string {
  const unit = name === 'opposition' ? '' : '°'
  const told = [start, ...shapes].map((one) => (one === null ? 'any' : `${one}${unit}`))
  const steps = told.filter((one, place) => place === 0 || one !== told[place - 1])
  return steps.join(' → ')
}
</script>

<template>
  <table class="strips">
    <caption class="sr-only">
      Joint angles from start to end; bending is plus
    </caption>
    <tbody>
      <tr v-for="row in rows" :key="row.name">
        <th scope="row">{{ row.label }}</th>
        <td>
          <svg :width="WIDTH + 12" height="18" aria-hidden="true">
            <g transform="translate(6 0)">
              <line x1="0" :x2="WIDTH" y1="9" y2="9" class="track" />
              <line :x1="row.zero" :x2="row.zero" y1="4" y2="14" class="zero" />
              <line :x1="row.low" :x2="row.high" y1="9" y2="9" class="way" />
              <circle v-if="row.start !== null" :cx="row.start" cy="9" r="4" class="start" />
              <circle v-if="row.end !== null" :cx="row.end" cy="9" r="4.6" class="end" />
            </g>
          </svg>
        </td>
        <td class="tabular told">{{ row.text }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.strips {
  border-collapse: collapse;
  font-size: 14px;
}
th {
  padding: 2px 10px 2px 0;
  text-align: left;
  font-weight: 400;
  white-space: nowrap;
}
td {
  padding: 2px 0;
}
svg {
  display: block;
}
.told {
  padding-left: 8px;
  white-space: nowrap;
}
.track {
  stroke: var(--line);
  stroke-width: 2;
}
.zero {
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.way {
  stroke: var(--teal);
  stroke-width: 3;
}
.start {
  fill: var(--sheet);
  stroke: var(--teal);
  stroke-width: 1.8;
}
.end {
  fill: var(--teal);
}
</style>
