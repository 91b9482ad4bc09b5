<script setup lang="ts">
import { bookOf, lastAt, numberOf, WRIST_MOTIONS, type WristMotion } from '@pledge/core'
import { computed } from 'vue'
import { useBenchStore } from './benchStore'
import { activeMotion, angleAt } from './drawnReading'
import RangeFan from './RangeFan.vue'

/** The planes of wrist and forearm of which something is known: today, last time, the other side. */
const bench = useBenchStore()
const PLANES: readonly {
  title: string
  motions: readonly [WristMotion, WristMotion]
  ends: readonly [string, string]
  upright: boolean
}[] = [
  {
    title: 'Flexion arc',
    motions: ['wristExtension', 'wristFlexion'],
    ends: ['extension', 'flexion'],
    upright: false,
  },
  {
    title: 'Deviation arc',
    motions: ['radialDeviation', 'ulnarDeviation'],
    ends: ['radial', 'ulnar'],
    upright: false,
  },
  {
    title: 'Rotation arc',
    motions: ['supination', 'pronation'],
    ends: ['supination', 'pronation'],
    upright: true,
  },
]
const readAs = (measure: WristMotion, deg: number | null) =>
  deg === null ? null : deg * WRIST_MOTIONS[measure].signed
const book = computed(() => bookOf(bench.readings))
const fans = computed(() =>
  PLANES.map((plane) => {
    const pair = (read: (measure: WristMotion) => number | null) =>
      plane.motions.map((measure) => readAs(measure, read(measure))) as [number | null, number | null]
    return {
      ...plane,
      now: pair((measure) => angleAt(book.value, measure, bench.injured)),
      last: pair((measure) =>
        numberOf(lastAt(bench.bench.visits, activeMotion(measure, bench.injured))?.result ?? null),
      ),
      other: pair((measure) => bench.otherAngle(measure)),
    }
  }).filter(({ now, last, other }) => [...now, ...last, ...other].some((deg) => deg !== null)),
)
</script>

<template>
  <section v-if="fans.length > 0" class="sheet fans">
    <RangeFan
      v-for="fan in fans"
      :key="fan.title"
      :title="fan.title"
      :ends="fan.ends"
      :now="fan.now"
      :last="fan.last"
      :other="fan.other"
      :upright="fan.upright"
    />
    <p class="legend soft">
      <i class="key now" /> today <i class="key last" /> last time <i class="key ghost" /> other side
    </p>
  </section>
</template>

<style scoped>
.fans {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  padding: 12px 8px 8px;
}
.legend {
  grid-column: 1 / -1;
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 6px;
  margin-top: 6px;
  font-size: 13px;
}
.key {
  width: 18px;
  height: 10px;
  margin-left: 10px;
}
.key.now {
  border: 1.5px solid var(--teal);
  background: color-mix(in srgb, var(--teal) 28%, transparent);
}
.key.last {
  height: 0;
  border-top: 2px dashed var(--ochre);
}
.key.ghost {
  border: 1px dashed var(--ink-soft);
  background: var(--paper-deep);
}
</style>
