<script setup lang="ts">
import type { Zone } from '@pledge/core'
import type { PictureMoment, Stage } from '@pledge/figure'
import { ref, watch } from 'vue'
import { type Figure, useStage } from './useStage'

/** A frame in which something is drawn: it has a text alternative, and is turned by dragging and by keys. */
const props = defineProps<{
  /** What to show once the stage stands, and again whenever `shows` changes. */
  prepare: (stage: Stage, figure: Figure) => void
  shows: unknown
  momentNow: (figure: Figure) => PictureMoment
  hasArrow: boolean
  alternative: string
  hint: string
  /** Zones of the skin in a color of their own. With it, a press tells which zone was meant. */
  paint?: ReadonlyMap<Zone, string>
}>()
const emit = defineEmits<{ drawn: []; failed: []; zone: [zone: Zone]; over: [zone: Zone | null] }>()

const frame = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const { state, again, repaint, zoneAt, grab, drag, drop, turnBack, turnByKey } = useStage(
  frame,
  canvas,
  (stage, figure) => {
    props.prepare(stage, figure)
    if (props.paint) stage.paint(props.paint)
  },
  props.momentNow,
  { ghost: true, arrow: props.hasArrow },
  () => emit('failed'),
)
watch(() => props.shows, again)
watch(
  () => props.paint,
  (colors) => colors && repaint(colors),
)
/** A press that did not turn the figure means the skin under it. */
function release(event: PointerEvent) {
  const hasTurned = drop()
  const zone = props.paint && !hasTurned ? zoneAt(event) : null
  if (zone) emit('zone', zone)
}
function move(event: PointerEvent) {
  drag(event)
  if (props.paint && event.buttons === 0) emit('over', zoneAt(event))
}
watch(state, (now) => now === 'drawn' && emit('drawn'))
</script>

<template>
  <div
    ref="frame"
    class="frame"
    role="img"
    tabindex="0"
    :aria-label="alternative"
    :title="hint"
    :data-figure="state"
    @pointerdown="grab"
    @pointermove="move"
    @pointerup="release"
    @pointerleave="paint && emit('over', null)"
    @pointercancel="drop"
    @dblclick="turnBack"
    @keydown="turnByKey"
  >
    <canvas ref="canvas" />
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  width: 100%;
  height: 100%;
  overflow: hidden;
  border-radius: 12px;
  background: var(--figure-ground);
  cursor: grab;
  touch-action: pan-y;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
</style>
