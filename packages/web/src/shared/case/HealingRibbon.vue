<script setup lang="ts">
import { ANCHOR_WORDS, daysBetween } from '@pledge/core'
import { computed, onBeforeUnmount, onMounted, ref, useId } from 'vue'
import type { EpisodeAnswer } from '@pledge/contract'
import { dayText } from '../words'
import { ribbonScale } from './ribbonScale'

/** Weeks since surgery as one band: phases as stretches, their gates as pegs, visits and signatures, today's cursor. */
const props = defineProps<{ data: EpisodeAnswer; labelWidth?: number }>()

const box = ref<HTMLElement>()
const width = ref(900)
let observer: ResizeObserver | undefined
onMounted(() => {
  observer = new ResizeObserver(([entry]) => {
    if (entry) width.value = Math.max(320, entry.contentRect.width)
  })
  observer.observe(box.value!)
})
onBeforeUnmount(() => observer?.disconnect())

const left = computed(() => props.labelWidth ?? 132)
const scale = computed(() => ribbonScale(props.data.episode.day, width.value, left.value))
const day = computed(() => props.data.episode.day)
const idBase = useId()
const shortAnchor = computed(() => ANCHOR_WORDS[props.data.episode.anchor].replace('start of the ', ''))

const stretches = computed(() =>
  props.data.phases.map((phase, index) => {
    const from = scale.value.x(phase.startDay)
    const to = scale.value.x(phase.endDay ?? scale.value.lastDay)
    const wide = Math.max(0, to - from)
    return {
      ...phase,
      index,
      from,
      width: wide,
      label: fitted(phase.name, wide - 14),
      title: `${phase.name}: from day ${phase.startDay}, ${dayText(phase.startDate)}`,
    }
  }),
)
/** About the width of a letter of the ribbon, in pixels. */
const LETTER = 6.2
/** A name cut to its stretch, with a mark that something was cut; nothing where not even a word fits. */
function fitted(name: string, room: number): string {
  const letters = Math.floor(room / LETTER)
  if (name.length <= letters) return name
  return letters < 4 ? '' : `${name.slice(0, letters - 1).trimEnd()}…`
}
const visits = computed(() =>
  props.data.evaluations.map((one) => ({
    x: scale.value.x(daysBetween(props.data.episode.dayZeroOn, one.evaluatedOn)),
    title: `Evaluated ${dayText(one.evaluatedOn)}`,
  })),
)
const signatures = computed(() =>
  props.data.versions.map((one) => ({
    x: scale.value.x(daysBetween(props.data.episode.dayZeroOn, one.signedOn)),
    title: `Program ${one.number} signed ${dayText(one.signedOn)}`,
  })),
)
const ticks = computed(() =>
  Array.from({ length: Math.floor(scale.value.lastDay / 14) + 1 }, (_, index) => index * 2),
)
const summary = computed(() => {
  const current = props.data.phases.find((phase) => phase.state === 'current')
  return `Healing ribbon: day ${day.value} since surgery, ${current ? `in phase ${current.name}` : 'not started'}.`
})
const cursorX = computed(() => scale.value.x(Math.max(0, day.value)))
const cursorLabelX = computed(() => Math.min(Math.max(cursorX.value, left.value + 40), width.value - 42))
</script>

<template>
  <div ref="box" class="ribbon">
    <svg :width="width" height="92" role="img" :aria-label="summary">
      <defs>
        <pattern
          :id="`${idBase}-held`"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="6" height="6" fill="transparent" />
          <rect width="1.4" height="6" fill="var(--plum)" opacity="0.45" />
        </pattern>
        <clipPath v-for="stretch in stretches" :id="`${idBase}-${stretch.index}`" :key="stretch.id">
          <rect :x="stretch.from" y="22" :width="Math.max(0, stretch.width - 8)" height="30" />
        </clipPath>
      </defs>
      <text x="0" y="42" class="name">Healing ribbon</text>
      <text x="0" y="78" class="soft-text">weeks since {{ shortAnchor }}</text>
      <g v-for="stretch in stretches" :key="stretch.id">
        <title>{{ stretch.title }}</title>
        <rect
          :x="stretch.from"
          y="22"
          :width="stretch.width"
          height="30"
          :fill="`var(--stretch-${(stretch.index % 5) + 1})`"
        />
        <rect
          v-if="stretch.state === 'held'"
          :x="stretch.from"
          y="22"
          :width="stretch.width"
          height="30"
          :fill="`url(#${idBase}-held)`"
        />
        <rect
          v-if="stretch.state === 'current'"
          :x="stretch.from"
          y="49"
          :width="stretch.width"
          height="3"
          fill="var(--moss)"
        />
        <text
          :x="stretch.from + 7"
          y="41"
          class="phase"
          :class="stretch.state"
          :clip-path="`url(#${idBase}-${stretch.index})`"
        >
          {{ stretch.label }}
        </text>
      </g>
      <g v-for="week in ticks" :key="week">
        <text
          :x="scale.x(week * 7)"
          y="78"
          class="tick tabular"
          :text-anchor="week === 0 ? 'start' : 'middle'"
        >
          {{ week }}
        </text>
      </g>
      <g v-for="stretch in stretches.filter((one) => one.index > 0)" :key="`peg-${stretch.id}`">
        <title>
          {{ stretch.state === 'passed' || stretch.state === 'current' ? 'Open' : 'Not open' }}:
          {{ stretch.title }}
        </title>
        <line :x1="stretch.from" :x2="stretch.from" y1="20" y2="58" :class="['bar', stretch.state]" />
        <circle
          :cx="stretch.from"
          cy="59"
          r="4.6"
          :fill="stretch.state === 'passed' || stretch.state === 'current' ? 'var(--moss)' : 'var(--paper)'"
          :stroke="stretch.state === 'passed' || stretch.state === 'current' ? 'var(--moss)' : 'var(--plum)'"
          stroke-width="1.8"
        />
      </g>
      <g v-for="(visit, index) in visits" :key="`visit-${index}`">
        <title>{{ visit.title }}</title>
        <path :d="`M${visit.x - 4} 12 h8 l-4 6 z`" fill="var(--ink-soft)" />
      </g>
      <g v-for="(signature, index) in signatures" :key="`signature-${index}`">
        <title>{{ signature.title }}</title>
        <rect
          :x="signature.x + 4"
          y="11"
          width="6"
          height="6"
          fill="none"
          stroke="var(--ink-soft)"
          stroke-width="1.4"
        />
      </g>
      <line :x1="cursorX" :x2="cursorX" y1="16" y2="66" stroke="var(--teal)" stroke-width="2.4" />
      <rect :x="cursorLabelX - 38" y="0" width="76" height="18" rx="3" fill="var(--teal)" />
      <text :x="cursorLabelX" y="13" class="today tabular" text-anchor="middle">
        {{ day < 0 ? 'not started' : `today, day ${day}` }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.ribbon {
  width: 100%;
  min-width: 0;
  overflow: hidden;
}
text {
  font-family: var(--font);
  font-size: 12.5px;
  fill: var(--ink);
}
.name {
  font-weight: 650;
  font-size: 13.5px;
}
.soft-text,
.tick {
  fill: var(--ink-soft);
}
.phase.ahead,
.phase.held {
  fill: var(--ink-soft);
}
.phase.current {
  font-weight: 700;
}
.today {
  fill: var(--sheet);
  font-size: 11.5px;
  font-weight: 650;
}
.bar {
  stroke: var(--plum);
  stroke-width: 1.2;
  stroke-dasharray: 4 3;
}
.bar.passed,
.bar.current {
  stroke: var(--moss);
  stroke-dasharray: none;
}
</style>
