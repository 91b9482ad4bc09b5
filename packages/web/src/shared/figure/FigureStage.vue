<script setup lang="ts">
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
}>()
const emit = defineEmits<{ drawn: []; failed: [] }>()

const frame = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const { state, again, grab, drag, drop, turnBack, turnByKey } = useStage(
  frame,
  canvas,
  props.prepare,
  props.momentNow,
  { ghost: true, arrow: props.hasArrow },
  () => emit('failed'),
)
watch(() => props.shows, again)
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
    @pointermove="drag"
    @pointerup="drop"
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
