<script setup lang="ts">
import {
  againstBand,
  ageInYears,
  daysBetween,
  expectedBandOf,
  seriesCourse,
  seriesIdOf,
  seriesOf,
  type Visit,
} from '@pledge/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useCaseStore } from '../../shared/case/caseStore'
import { ribbonScale } from '../../shared/case/ribbonScale'
import { dayText } from '../../shared/words'
import { useSessionStore } from '../../shared/sessionStore'
import { useBenchStore } from './benchStore'
import { unitText } from './findingWords'
import { seriesLabel } from './goalWords'

/** One measure over the visits, on the axis of the healing ribbon, with what can be said of where it goes. */
const props = defineProps<{
  today: string
  dayZeroOn: string
  /** The cell one is in: its measure is shown. */
  focused: string | null
}>()
const bench = useBenchStore()
const cases = useCaseStore()
const session = useSessionStore()

const HEIGHT = 132
const [TOP, BOTTOM, LABEL_WIDTH] = [12, 22, 132]
const frame = ref<HTMLElement>()
const width = ref(1244)
let watcher: ResizeObserver | null = null
const isOpen = ref(false)
// The strip comes once something was measured: then its width is watched.
watch(frame, (found) => {
  watcher?.disconnect()
  if (!found) return
  watcher = new ResizeObserver(([entry]) => (width.value = entry!.contentRect.width))
  watcher.observe(found)
})
onBeforeUnmount(() => watcher?.disconnect())

/** The visits with what is typed now as the last of them. */
const visits = computed<Visit[]>(() => [
  ...bench.bench.visits,
  ...(bench.readings.length > 0
    ? [{ on: bench.amending?.on ?? props.today, by: bench.bench.by, readings: bench.readings }]
    : []),
])
const all = computed(() => seriesOf(visits.value, bench.injured))
const chosen = ref<string | null>(null)
watch(
  () => props.focused,
  (key) => {
    if (key) chosen.value = seriesIdOf(key)
  },
)
const series = computed(() => all.value.find(({ id }) => id === chosen.value) ?? all.value[0] ?? null)
const course = computed(() => (series.value ? seriesCourse(series.value) : null))
const unit = computed(() => (series.value ? unitText(series.value.unit) : ''))
const perWeek = (value: number) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(1)}${unit.value}`
const said = computed(() => {
  if (!series.value || !course.value) return ''
  const { course: word, perWeek: slope } = course.value
  const rate = slope ? ` ${perWeek(slope.by)} a week` : ''
  const range =
    slope && Number.isFinite(slope.low) && Number.isFinite(slope.high)
      ? ` (${perWeek(slope.low)} to ${perWeek(slope.high)})`
      : ''
  switch (word) {
    case 'improving':
      return `Improving:${rate}${range}.`
    case 'declining':
      return `Getting worse:${rate}${range}.`
    case 'plateau':
      return 'Plateau: over four weeks no change beyond the error.'
    case 'uncertain':
      return `Uncertain:${rate}${range}; more visits will tell.`
    default:
      return `${rate ? `So far${rate}. ` : ''}Too few visits to tell: five over three weeks.`
  }
})

/** The goal that is told by this measure: where it has to be, and by when. */
const goal = computed(() => bench.plan?.goals.find((one) => one.series === series.value?.id) ?? null)
/** The range of published groups, where one fits; of low confidence only where the clinic shows such. */
const bandAbout = computed(() => {
  const { data } = cases
  return data
    ? {
        protocolId: data.episode.protocolId,
        side: bench.injured,
        dayZeroOn: props.dayZeroOn,
        age: ageInYears(data.patient.birthDate, props.today),
      }
    : null
})
const band = computed(() => {
  if (!series.value || !bandAbout.value) return null
  const found = expectedBandOf(series.value.id, bandAbout.value, visits.value)
  return found && (found.confidence !== 'low' || session.showsLowBands) ? found : null
})
const STANDS = {
  below: 'below the range of published groups',
  within: 'within the range of published groups',
  above: 'above the range of published groups',
}
const stands = computed(() => {
  const latest = series.value?.points.at(-1)
  if (!band.value || !latest || !bandAbout.value) return ''
  const where = againstBand(series.value!.id, latest, bandAbout.value, visits.value)
  return where ? ` Today ${STANDS[where]}.` : ''
})
const scale = computed(() => ribbonScale(daysBetween(props.dayZeroOn, props.today), width.value, LABEL_WIDTH))
/** As far as the axis goes. */
const bandShown = computed(() => {
  const { lastDay } = scale.value
  const anchors = band.value?.anchors ?? []
  const inside = anchors.filter(({ day }) => day <= lastDay)
  const [from, to] = [inside.at(-1), anchors[inside.length]]
  if (!from || !to || from.day === lastDay) return inside
  const share = (lastDay - from.day) / (to.day - from.day)
  const between = (key: 'low' | 'middle' | 'high') => from[key] + share * (to[key] - from[key])
  return [...inside, { day: lastDay, low: between('low'), middle: between('middle'), high: between('high') }]
})
const bandPath = computed(() => {
  const at = (key: 'low' | 'high') => bandShown.value.map((one) => `${scale.value.x(one.day)} ${y(one[key])}`)
  return `M${[...at('high'), ...at('low').reverse()].join('L')}Z`
})
const bandMiddle = computed(
  () => `M${bandShown.value.map((one) => `${scale.value.x(one.day)} ${y(one.middle)}`).join('L')}`,
)
const span = computed(() => {
  const values = [
    ...(series.value?.points ?? []).map(({ value }) => value),
    ...(goal.value ? [goal.value.target] : []),
    ...bandShown.value.flatMap(({ low, high }) => [low, high]),
  ]
  const reach = course.value?.whisker ?? 0
  const [low, high] = [Math.min(...values) - reach, Math.max(...values) + reach]
  const step = [1, 2, 5, 10, 20, 50, 100, 200].find((one) => (high - low) / one <= 4) ?? 500
  return {
    low: Math.floor(low / step) * step,
    high: Math.max(Math.ceil(high / step), Math.floor(low / step) + 1) * step,
    step,
  }
})
const y = (value: number) =>
  TOP + ((span.value.high - value) / (span.value.high - span.value.low)) * (HEIGHT - TOP - BOTTOM)
const marks = computed(() =>
  (series.value?.points ?? []).map((point) => ({
    ...point,
    x: scale.value.x(daysBetween(props.dayZeroOn, point.on)),
    isAnother: point.by !== bench.bench.by,
  })),
)
const path = computed(() =>
  marks.value.map(({ x, value }, at) => `${at === 0 ? 'M' : 'L'}${x} ${y(value)}`).join(' '),
)
const lines = computed(() => {
  const { low, high, step } = span.value
  return Array.from({ length: Math.round((high - low) / step) + 1 }, (_, at) => low + at * step)
})
</script>

<template>
  <section v-if="series && course" ref="frame" class="trend">
    <header>
      <button type="button" class="text-button" :aria-expanded="isOpen" @click="isOpen = !isOpen">
        Over time
      </button>
      <select
        :value="series.id"
        aria-label="Measure over time"
        @change="chosen = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="one in all" :key="one.id" :value="one.id">
          {{ seriesLabel(one.id, bench.plan?.tasks ?? []) }}
        </option>
      </select>
      <p>
        <span class="tabular">{{ series.points.at(-1)!.value }}{{ unit }}</span> {{ said }}{{ stands }}
      </p>
    </header>
    <template v-if="isOpen">
      <svg :width="width" :height="HEIGHT" role="img" :aria-label="`${series.label} over time. ${said}`">
        <g v-for="line in lines" :key="line">
          <line :x1="LABEL_WIDTH" :x2="width - 10" :y1="y(line)" :y2="y(line)" class="grid" />
          <text :x="LABEL_WIDTH - 8" :y="y(line) + 4" text-anchor="end">{{ line }}{{ unit }}</text>
        </g>
        <g v-if="bandShown.length > 1" class="band">
          <path :d="bandPath" />
          <path :d="bandMiddle" class="middle" />
        </g>
        <line
          :x1="scale.x(daysBetween(dayZeroOn, today))"
          :x2="scale.x(daysBetween(dayZeroOn, today))"
          :y1="TOP - 8"
          :y2="HEIGHT - BOTTOM + 6"
          class="today"
        />
        <g v-for="(mark, at) in marks" :key="at">
          <line
            v-if="course.whisker !== null"
            :x1="mark.x"
            :x2="mark.x"
            :y1="y(mark.value - course.whisker)"
            :y2="y(mark.value + course.whisker)"
            class="whisker"
          />
        </g>
        <g v-if="goal" class="goal">
          <line
            :x1="LABEL_WIDTH"
            :x2="scale.x(daysBetween(dayZeroOn, goal.dueOn))"
            :y1="y(goal.target)"
            :y2="y(goal.target)"
          />
          <circle :cx="scale.x(daysBetween(dayZeroOn, goal.dueOn))" :cy="y(goal.target)" r="4" />
          <text
            :x="Math.min(width - 60, scale.x(daysBetween(dayZeroOn, goal.dueOn)) + 8)"
            :y="y(goal.target) + 4"
          >
            goal
          </text>
        </g>
        <path :d="path" class="line" />
        <g v-for="(mark, at) in marks" :key="at">
          <rect
            v-if="mark.isAnother"
            :x="mark.x - 4"
            :y="y(mark.value) - 4"
            width="8"
            height="8"
            class="point"
          />
          <circle v-else :cx="mark.x" :cy="y(mark.value)" r="4.5" class="point" />
        </g>
        <text :x="LABEL_WIDTH" :y="HEIGHT - 3">
          bars: error of one reading, 95 %; squares: another therapist
        </text>
      </svg>
      <p v-if="band" class="soft caption">
        Pale: range seen in published groups after {{ band.group }}, as a share {{ band.reference }}. People
        differ; it is no forecast.
        <span
          >From memory, confidence {{ band.confidence }};
          {{
            band.source === 'PLEDGE-DECISION'
              ? 'our own synthesis of several groups.'
              : `source ${band.source}.`
          }}</span
        >
      </p>
      <details>
        <summary>As a table</summary>
        <table>
          <thead>
            <tr>
              <th scope="col">day</th>
              <th scope="col">date</th>
              <th scope="col">{{ series.label }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(point, at) in series.points" :key="at">
              <td class="tabular">{{ daysBetween(dayZeroOn, point.on) }}</td>
              <td>{{ dayText(point.on) }}</td>
              <td class="tabular">{{ point.value }}{{ unit }}</td>
            </tr>
          </tbody>
        </table>
      </details>
    </template>
  </section>
</template>

<style scoped>
.trend {
  min-width: 0;
  margin: 0 18px 4px;
  overflow: hidden;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
}
header .text-button {
  min-width: 118px;
  font-weight: 600;
  text-align: left;
}
select {
  max-width: 300px;
  height: 30px;
  padding: 0 8px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
}
header p {
  font-size: 14px;
}
header p span {
  font-weight: 650;
}
svg {
  display: block;
  margin-top: 4px;
}
text {
  font: 12.5px var(--font);
  fill: var(--ink-soft);
}
.grid {
  stroke: var(--line);
}
.today {
  stroke: var(--teal);
  stroke-width: 1.5;
}
.goal line {
  stroke: var(--moss);
  stroke-width: 1.5;
  stroke-dasharray: 6 4;
}
.goal circle {
  fill: var(--moss);
}
.goal text {
  fill: var(--moss);
  font-weight: 600;
}
.band path {
  fill: var(--teal-wash);
}
.band .middle {
  fill: none;
  stroke: var(--ink-soft);
  stroke-dasharray: 3 4;
}
.caption {
  margin-top: 2px;
  font-size: 13px;
}
.whisker {
  stroke: var(--ink-soft);
  stroke-width: 1.5;
  opacity: 0.55;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.point {
  fill: var(--ink);
}
summary {
  padding: 4px 0;
  font-size: 13.5px;
  color: var(--teal);
  cursor: pointer;
}
th,
td {
  padding: 1px 14px 1px 0;
  font-size: 13.5px;
  text-align: left;
}
</style>
