<script setup lang="ts">
import { daysBetween } from '@pledge/core'
import { computed, useId } from 'vue'
import type { EpisodeAnswer, OpeningsAnswer } from '@pledge/contract'
import { closedStretches, firstOpenDay } from '../../shared/case/closedStretches'
import { ribbonScale } from '../../shared/case/ribbonScale'
import { holdText, loadText } from '../../shared/words'
import type { DraftItem } from './programStore'

/** One exercise on the ribbon's axis: when it is closed, what is signed, what is drafted, what was done. */
const props = defineProps<{
  data: EpisodeAnswer
  width: number
  labelWidth: number
  item: DraftItem
  name: string
  loadUnit: string | null
  openings: OpeningsAnswer | null
  isSelected: boolean
  isRefused: boolean
  minutesPerDay: number
  mostMinutes: number
}>()

const HEIGHT = 58
const hatch = useId()
/** How far ahead a draft is drawn: to the next review. */
const AHEAD_DAYS = 14
const day = computed(() => props.data.episode.day)
const scale = computed(() => ribbonScale(day.value, props.width, props.labelWidth))
const signed = computed(
  () => props.data.program?.items.find((item) => item.exerciseId === props.item.exerciseId) ?? null,
)
const signedFrom = computed(() =>
  props.data.program ? daysBetween(props.data.episode.dayZeroOn, props.data.program.signedOn) : 0,
)
const closed = computed(() =>
  props.openings ? closedStretches(props.openings, day.value, scale.value.lastDay) : [],
)
/** The block's height tells the minutes a day, against the longest of the program. */
const blockHeight = computed(() => 20 + (22 * props.minutesPerDay) / Math.max(1, props.mostMinutes))
const dose = computed(() => {
  const { sets, repetitions, holdSeconds, boutsPerDay } = props.item.dose
  const load = loadText(props.loadUnit, props.item.dose.load)
  return `${sets > 1 ? `${sets}×` : ''}${repetitions}${holdSeconds > 0 ? `×${holdText(holdSeconds)}` : ''} ${boutsPerDay}/d${load ? ` ${load}` : ''}`
})
const ticks = computed(() =>
  props.data.bouts.flatMap((bout) => {
    const done = bout.items.find((one) => one.name === props.name)
    if (!done || done.outcome === 'notReached') return []
    const days =
      (Date.parse(bout.endedAt) - Date.parse(`${props.data.episode.dayZeroOn}T00:00:00Z`)) / 86_400_000
    return [{ x: scale.value.x(days), outcome: done.outcome }]
  }),
)
const box = computed(() => {
  const from = scale.value.x(day.value)
  const to = scale.value.x(day.value + AHEAD_DAYS)
  return { from, width: Math.max(4, to - from) }
})
const past = computed(() => {
  if (!signed.value) return null
  const from = scale.value.x(signedFrom.value)
  return { from, width: Math.max(2, box.value.from - from) }
})
const opening = computed(() => {
  if (!props.openings) return 'opening not known'
  const { byTimeAlone, asTheRecordStands } = props.openings
  const [byTime, asRecorded] = [byTimeAlone, asTheRecordStands].map((runs) => firstOpenDay(runs, day.value))
  if (asRecorded === day.value) return 'open today'
  const time = byTime === null ? 'no day opens it by time alone' : `by time alone from day ${byTime}`
  return `${time}, ${asRecorded === null ? 'closed as the record stands' : `as the record stands from day ${asRecorded}`}`
})
const label = computed(
  () => `${props.name}: ${dose.value}, ${opening.value}${signed.value ? ', signed' : ', draft only'}`,
)
</script>

<template>
  <svg
    :width="width"
    :height="HEIGHT"
    class="score-row"
    :class="{ selected: isSelected }"
    role="img"
    :aria-label="label"
  >
    <defs>
      <pattern :id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="6" height="6" fill="var(--plum-wash)" />
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--plum)" stroke-width="1.2" opacity="0.45" />
      </pattern>
    </defs>
    <rect
      v-for="stretch in closed"
      :key="stretch.fromDay"
      :x="scale.x(stretch.fromDay)"
      y="5"
      :width="scale.x(stretch.toDay) - scale.x(stretch.fromDay)"
      :height="HEIGHT - 10"
      :fill="stretch.waitsFor === 'record' ? `url(#${hatch})` : 'var(--plum-wash)'"
    />
    <line
      v-for="phase in data.phases.slice(1)"
      :key="phase.id"
      :x1="scale.x(phase.startDay)"
      :x2="scale.x(phase.startDay)"
      y1="0"
      :y2="HEIGHT"
      :stroke="phase.state === 'passed' || phase.state === 'current' ? 'var(--moss)' : 'var(--plum)'"
      :stroke-dasharray="phase.state === 'passed' || phase.state === 'current' ? '' : '4 3'"
      stroke-width="1"
      opacity="0.65"
    />
    <rect
      v-if="past"
      :x="past.from"
      :y="HEIGHT - 6 - blockHeight"
      :width="past.width"
      :height="blockHeight"
      fill="var(--teal)"
      opacity="0.35"
    />
    <rect
      :x="box.from"
      :y="HEIGHT - 6 - blockHeight"
      :width="box.width"
      :height="blockHeight"
      :fill="signed && !isRefused ? 'var(--teal)' : 'var(--sheet)'"
      :stroke="isRefused ? 'var(--brick)' : 'var(--teal)'"
      stroke-width="1.6"
      rx="1.5"
    />
    <text :x="box.from + box.width + 6" :y="HEIGHT - 14" class="dose tabular">{{ dose }}</text>
    <g v-for="(tick, index) in ticks" :key="index">
      <line
        v-if="tick.outcome === 'done'"
        :x1="tick.x"
        :x2="tick.x"
        y1="7"
        y2="14"
        stroke="var(--moss)"
        stroke-width="2"
      />
      <circle v-else-if="tick.outcome === 'hurt'" :cx="tick.x" cy="10" r="3.6" fill="var(--brick)" />
      <line v-else :x1="tick.x - 3" :x2="tick.x + 3" y1="10" y2="10" stroke="var(--ochre)" stroke-width="2" />
    </g>
    <line :x1="box.from" :x2="box.from" y1="0" :y2="HEIGHT" stroke="var(--teal)" stroke-width="2.2" />
  </svg>
</template>

<style scoped>
.score-row {
  display: block;
}
.dose {
  font: 650 12.5px var(--font);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
