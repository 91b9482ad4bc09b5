<script setup lang="ts">
import { mdiPause, mdiPlay } from '@mdi/js'
import { type Depicted, pictureKey, positionWords } from '@pledge/core'
import type { PictureMoment } from '@pledge/figure'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { fetchFigure, useStage, wantsLessMotion } from './useStage'

/**
 * An exercise as it is done, drawn from its joint angles for the patient's own side. It runs by itself, or in step with a
 * counter when it gets a `moment`. Where nothing can be drawn, stills stand in its place and nothing waits for them.
 */
const props = defineProps<{
  exercise: Depicted
  side: 'left' | 'right'
  language: 'en' | 'es'
  /** What the counter says now; asked for with every frame. */
  moment?: () => PictureMoment
}>()

/** Two pictures in place of the moving one: drawn here for who wants less motion, or made beforehand. */
const stills = ref<{ start: string; end: string; isOwn: boolean } | null>(null)
const frame = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const isPaused = ref(false)
const isStill = wantsLessMotion()
let began = 0
let pausedAt = 0

const { state, again, grab, drag, drop, turnBack, turnByKey } = useStage(
  frame,
  canvas,
  (stage, figure) => {
    stage.show(figure.pictureOf(props.exercise), props.side)
    began = performance.now()
    isPaused.value = false
  },
  (stage, figure) => {
    const now = isPaused.value ? pausedAt : performance.now()
    const moment = props.moment?.() ?? figure.loopMoment((now - began) / 1000, props.exercise.shapes.length)
    const shape = Math.min(moment.shape, props.exercise.shapes.length - 1)
    stage.draw(shape, moment.time, { ghost: true, arrow: true })
  },
  standStill,
)

const positions = computed(() => positionWords(props.exercise).map((said) => said[props.language]))
const WORDS = {
  en: {
    start: 'Start',
    end: 'End',
    then: 'then',
    still: 'Still pictures: this device cannot draw the moving one.',
    turn: 'Drag or arrow keys turn it, double tap or Home turns it back.',
    pause: 'Pause the picture',
    play: 'Move the picture',
    left: 'Left hand.',
    right: 'Right hand.',
  },
  es: {
    start: 'Inicio',
    end: 'Final',
    then: 'luego',
    still: 'Imágenes fijas: este aparato no puede dibujar la que se mueve.',
    turn: 'Arrastre o use las flechas para girarla; toque dos veces o pulse Inicio para volver.',
    pause: 'Detener la imagen',
    play: 'Mover la imagen',
    left: 'Mano izquierda.',
    right: 'Mano derecha.',
  },
} as const
const words = computed(() => WORDS[props.language])
/** The text alternative, from the same angles as the picture. */
const alternative = computed(() => {
  const [start, ...rest] = positions.value
  const told = start ? `${words.value.start}: ${start}.` : ''
  const ends = rest.length > 0 ? ` ${words.value.end}: ${rest.join(`; ${words.value.then} `)}.` : ''
  return `${words.value[props.side]} ${told}${ends}`.trim()
})

if (isStill) onMounted(() => void drawStills())
watch([() => props.exercise, () => props.side], () => {
  if (isStill) void drawStills()
  else if (state.value === 'failed') standStill()
  else again()
})

/** Less motion: start and end side by side. */
async function drawStills() {
  try {
    const { figure, mesh } = await fetchFigure()
    const draw = async (moment: 'start' | 'end') =>
      URL.createObjectURL(
        await figure.renderStill(mesh, props.exercise, props.side, { width: 512, height: 512 }, moment),
      )
    const drawn = { start: await draw('start'), end: await draw('end'), isOwn: true }
    dropStills()
    stills.value = drawn
  } catch {
    standStill()
  }
}

/** Stills from the server, made beforehand for a left hand. */
function standStill() {
  const key = pictureKey(props.exercise)
  stills.value = { start: `/stills/${key}-start.webp`, end: `/stills/${key}-end.webp`, isOwn: false }
}

function dropStills() {
  if (!stills.value?.isOwn) return
  URL.revokeObjectURL(stills.value.start)
  URL.revokeObjectURL(stills.value.end)
}
onBeforeUnmount(dropStills)

function pause() {
  if (isPaused.value) began += performance.now() - pausedAt
  else pausedAt = performance.now()
  isPaused.value = !isPaused.value
}
</script>

<template>
  <div class="hand-figure">
    <div
      ref="frame"
      class="frame"
      :class="{ turns: state === 'drawn' }"
      role="img"
      :aria-label="alternative"
      :title="state === 'drawn' ? words.turn : undefined"
      :tabindex="state === 'drawn' ? 0 : undefined"
      :data-figure="stills ? 'stills' : state"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="drop"
      @pointercancel="drop"
      @dblclick="turnBack"
      @keydown="turnByKey"
    >
      <canvas v-if="!isStill && !stills" ref="canvas" />
      <div v-if="stills" class="pair" :class="{ mirrored: !stills.isOwn && side === 'right' }">
        <span
          ><img :src="stills.start" alt="" /><small>{{ words.start }}</small></span
        >
        <span
          ><img :src="stills.end" alt="" /><small>{{ words.end }}</small></span
        >
      </div>
    </div>
    <slot />
    <p v-if="stills && !stills.isOwn" class="note">{{ words.still }}</p>
    <button
      v-if="state === 'drawn' && !moment"
      type="button"
      class="pause"
      :aria-label="isPaused ? words.play : words.pause"
      :title="isPaused ? words.play : words.pause"
      @click="pause"
    >
      <svg viewBox="0 0 24 24" aria-hidden="true"><path :d="isPaused ? mdiPlay : mdiPause" /></svg>
    </button>
  </div>
</template>

<style scoped>
.hand-figure {
  position: relative;
  min-height: 0;
}
.frame {
  position: relative;
  width: 100%;
  height: 100%;
  overflow: hidden;
  border-radius: 12px;
  background: var(--figure-ground);
  touch-action: pan-y;
}
.turns {
  cursor: grab;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.pair {
  display: grid;
  height: 100%;
  grid-template-columns: 1fr 1fr;
  gap: 4px;
  padding: 6px;
}
.pair span {
  display: grid;
  min-height: 0;
  grid-template-rows: minmax(0, 1fr) auto;
  text-align: center;
}
.pair img {
  width: 100%;
  height: 100%;
  min-height: 0;
  object-fit: contain;
}
.mirrored img {
  transform: scaleX(-1);
}
.pair small,
.note {
  color: var(--ink-soft);
  font-size: 14px;
}
.note {
  margin: 4px 2px 0;
}
.pause {
  position: absolute;
  right: 8px;
  bottom: 8px;
  display: grid;
  width: 34px;
  height: 34px;
  place-items: center;
  border: 1px solid var(--line);
  border-radius: 50%;
  background: var(--sheet);
  cursor: pointer;
}
.pause svg {
  width: 19px;
  fill: var(--teal);
}
</style>
