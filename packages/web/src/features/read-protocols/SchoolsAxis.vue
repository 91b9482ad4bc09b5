<script setup lang="ts">
import { ANCHOR_WORDS } from '@pledge/core'
import { computed } from 'vue'
import type { ProtocolPageAnswer, SchoolsAnswer } from '@pledge/contract'
import { lastDayOf, openCounts, shareOf, weeksNamed } from './schoolAxis'

/** The schools of a condition on one axis of weeks: phases as stretches, gates as pegs; of the chosen one, how much is open. */
const props = defineProps<{
  schools: SchoolsAnswer['schools']
  selected: string
  phaseId: string
  language: 'en' | 'es'
  openings: ProtocolPageAnswer['openings']
}>()
const emit = defineEmits<{ select: [id: string]; phase: [id: string] }>()

const isOneAnchor = computed(() => new Set(props.schools.map(({ anchor }) => anchor)).size === 1)
/** A stretch too narrow for a word stays without one; its name stands in its title and below. */
const NARROW_PERCENT = 4
const isWide = ({ startDay, endDay }: { startDay: number; endDay: number | null }) =>
  shareOf(endDay ?? lastDay.value, lastDay.value) - shareOf(startDay, lastDay.value) > NARROW_PERCENT
const titleOf = ({ name, startDay, endDay }: SchoolsAnswer['schools'][number]['phases'][number]) =>
  `${name[props.language]}: day ${startDay} ${endDay === null ? 'onwards' : `to ${endDay - 1}`}`
const lastDay = computed(() => lastDayOf(props.schools))
const at = (day: number) => `${shareOf(day, lastDay.value)}%`
const width = (from: number, to: number | null) =>
  `${shareOf(to ?? lastDay.value, lastDay.value) - shareOf(from, lastDay.value)}%`
const pegs = (gates: SchoolsAnswer['schools'][number]['gates']) => {
  const days = [...new Set(gates.map(({ day }) => day))]
  return days.map((day) => ({
    day,
    title: `Day ${day}: ${gates
      .filter((gate) => gate.day === day)
      .map(({ peg }) => peg)
      .join(', ')}`,
  }))
}
const counts = computed(() => openCounts(props.openings))
const HEIGHT = 46
const most = computed(() => Math.max(1, props.openings.length))
/** The steps as an area, in percent of the axis by pixels of height. */
const area = computed(() => {
  let path = `M0 ${HEIGHT}`
  let level = HEIGHT
  for (const { day, count } of counts.value) {
    const x = shareOf(day, lastDay.value)
    path += ` L${x} ${level}`
    level = HEIGHT - (count / most.value) * (HEIGHT - 4)
    path += ` L${x} ${level}`
  }
  return `${path} L100 ${level} L100 ${HEIGHT} Z`
})
const told = computed(() => {
  const places = counts.value.filter((one, index, all) => {
    const next = all[index + 1]
    return !next || shareOf(next.day, lastDay.value) - shareOf(one.day, lastDay.value) > 4
  })
  return places.map(({ day, count }) => ({
    day,
    count,
    top: HEIGHT - (count / most.value) * (HEIGHT - 4),
  }))
})
</script>

<template>
  <div class="axis">
    <div v-for="school in schools" :key="school.id" class="row" :class="{ chosen: school.id === selected }">
      <button class="label" :aria-pressed="school.id === selected" @click="emit('select', school.id)">
        <strong>{{ school.school }}</strong>
        <small v-if="!isOneAnchor || school.isChanged"
          ><template v-if="!isOneAnchor">from {{ ANCHOR_WORDS[school.anchor] }}</template>
          <em v-if="school.isChanged">changed here</em></small
        >
      </button>
      <div class="track">
        <component
          :is="school.id === selected ? 'button' : 'span'"
          v-for="(phase, index) in school.phases"
          :key="phase.id"
          class="stretch"
          :class="{ current: school.id === selected && phase.id === phaseId }"
          :style="{
            left: at(phase.startDay),
            width: width(phase.startDay, phase.endDay),
            background: `var(--stretch-${(index % 5) + 1})`,
          }"
          :aria-pressed="school.id === selected ? phase.id === phaseId : undefined"
          :title="titleOf(phase)"
          :aria-label="school.id === selected ? titleOf(phase) : undefined"
          @click="school.id === selected ? emit('phase', phase.id) : emit('select', school.id)"
        >
          {{ isWide(phase) ? phase.name[language] : '' }}
        </component>
        <span
          v-for="peg in pegs(school.gates)"
          :key="peg.day"
          class="peg"
          :style="{ left: at(peg.day) }"
          :title="peg.title"
        />
      </div>
    </div>
    <div class="row open">
      <p class="label">
        <small>exercises open, by time alone, of {{ openings.length }}</small>
      </p>
      <div class="track counts">
        <svg
          viewBox="0 0 100 46"
          preserveAspectRatio="none"
          width="100%"
          :height="HEIGHT"
          role="img"
          :aria-label="told.map((one) => `${one.count} from day ${one.day}`).join(', ')"
        >
          <path :d="area" fill="var(--moss-wash)" />
        </svg>
        <span
          v-for="one in told"
          :key="one.day"
          class="number tabular"
          :style="{ left: at(one.day), top: `${Math.max(0, one.top - 13)}px` }"
          >{{ one.count }}</span
        >
      </div>
    </div>
    <div class="row weeks" aria-hidden="true">
      <p class="label">
        <small>weeks{{ isOneAnchor ? ` since ${ANCHOR_WORDS[schools[0]!.anchor]}` : '' }}</small>
      </p>
      <div class="track">
        <span
          v-for="week in weeksNamed(lastDay)"
          :key="week"
          class="tabular"
          :style="{ left: at(week * 7) }"
          >{{ week }}</span
        >
      </div>
    </div>
  </div>
</template>

<style scoped>
.axis {
  padding: 10px 14px 4px;
}
.row {
  display: grid;
  grid-template-columns: 176px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  padding: 2px 0;
}
.label {
  display: flex;
  flex-direction: column;
  padding: 3px 8px;
  border: 1px solid transparent;
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  line-height: 1.2;
  text-align: left;
}
button.label {
  cursor: pointer;
}
.chosen .label {
  border-color: var(--teal);
  background: var(--teal-wash);
}
small {
  font-size: 12.5px;
  color: var(--ink-soft);
}
em {
  color: var(--ochre);
  font-style: normal;
  font-weight: 650;
}
.track {
  position: relative;
  height: 38px;
}
.stretch {
  position: absolute;
  top: 3px;
  height: 26px;
  padding: 0 7px;
  border: 0;
  border-right: 1px solid var(--paper);
  color: var(--ink);
  font: inherit;
  font-size: 12.5px;
  line-height: 26px;
  text-align: left;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
  cursor: pointer;
}
.row:not(.chosen) .stretch {
  top: 7px;
  height: 18px;
  line-height: 18px;
}
.stretch.current {
  box-shadow: inset 0 -3px 0 var(--teal);
  font-weight: 700;
}
.peg {
  position: absolute;
  top: 30px;
  width: 8px;
  height: 8px;
  margin-left: -4px;
  border: 1.6px solid var(--plum);
  border-radius: 50%;
  background: var(--sheet);
}
.counts {
  height: 48px;
}
.counts svg {
  display: block;
}
.number {
  position: absolute;
  padding-left: 3px;
  border-left: 1.5px solid var(--moss);
  color: var(--moss);
  font-size: 12px;
  font-weight: 650;
  line-height: 1.1;
}
.weeks {
  padding: 0;
}
.weeks .track {
  height: 18px;
}
.weeks .tabular {
  position: absolute;
  transform: translateX(-50%);
  font-size: 12.5px;
  color: var(--ink-soft);
}
.weeks .tabular:first-child {
  transform: none;
}
</style>
