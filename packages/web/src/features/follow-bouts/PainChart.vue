<script setup lang="ts">
import {
  CategoryScale,
  Chart,
  LinearScale,
  LineElement,
  PointElement,
  Tooltip,
  type ChartData,
  type ChartOptions,
} from 'chart.js'
import { computed } from 'vue'
import { Line } from 'vue-chartjs'
import type { BoutAnswer } from '@pledge/contract'
import { momentText } from '../../shared/words'

/** Worst pain and pain before of each bout, oldest on the left, with the line at which a bout stops. */
const props = defineProps<{ bouts: readonly BoutAnswer[]; stopPain: number }>()
Chart.register(CategoryScale, LinearScale, LineElement, PointElement, Tooltip)
Chart.defaults.font.family = "'Atkinson Hyperlegible Next Variable', sans-serif"

const style = getComputedStyle(document.documentElement)
const color = (name: string) => style.getPropertyValue(name).trim()
const oldestFirst = computed(() => [...props.bouts].reverse())
const data = computed<ChartData<'line', (number | null)[]>>(() => ({
  labels: oldestFirst.value.map((bout) => momentText(bout.endedAt)),
  datasets: [
    {
      label: 'worst',
      data: oldestFirst.value.map((bout) => bout.painWorst),
      borderColor: color('--ink'),
      backgroundColor: color('--ink'),
      borderWidth: 2,
      pointRadius: 3.5,
      spanGaps: false,
    },
    {
      label: 'before',
      data: oldestFirst.value.map((bout) => bout.painBefore),
      borderColor: color('--ink-soft'),
      backgroundColor: color('--sheet'),
      borderWidth: 1.4,
      borderDash: [4, 3],
      pointRadius: 3,
      spanGaps: false,
    },
    {
      label: 'stop',
      data: oldestFirst.value.map(() => props.stopPain),
      borderColor: color('--brick'),
      borderWidth: 1,
      borderDash: [2, 4],
      pointRadius: 0,
    },
  ],
}))
const options = computed<ChartOptions<'line'>>(() => ({
  animation: false,
  maintainAspectRatio: false,
  scales: {
    y: {
      min: 0,
      max: 10,
      ticks: { stepSize: 2, color: color('--ink-soft') },
      grid: { color: color('--line') },
    },
    x: { ticks: { maxTicksLimit: 6, maxRotation: 0, color: color('--ink-soft') }, grid: { display: false } },
  },
}))
</script>

<template>
  <figure class="chart">
    <div class="canvas">
      <Line
        :data="data"
        :options="options"
        :aria-label="`Worst pain of the last ${bouts.length} bouts, newest first: ${bouts.map((bout) => bout.painWorst ?? 'not asked').join(', ')}`"
        role="img"
      />
    </div>
    <figcaption class="soft">
      <i class="worst" /> worst during the bout <i class="before" /> before <i class="stop" /> stops the bout
      ({{ stopPain }})
    </figcaption>
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
}
.canvas {
  height: 200px;
}
figcaption {
  display: flex;
  align-items: center;
  gap: 6px;
  font-size: 13px;
}
i {
  width: 20px;
  height: 0;
  margin-left: 10px;
  border-top: 2px solid var(--ink);
}
i.before {
  border-top: 2px dashed var(--ink-soft);
}
i.stop {
  border-top: 2px dotted var(--brick);
}
</style>
