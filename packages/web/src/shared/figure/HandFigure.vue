<script setup lang="ts">
import { mdiPause, mdiPlay } from '@mdi/js'
import {
  type AngleLimits,
  type Depicted,
  type Digit,
  type Orthosis,
  positionWords,
  stillFiles,
} from '@pledge/core'
import type { PictureMoment, Stage } from '@pledge/figure'
import { computed, ref, watch } from 'vue'
import FigureStage from './FigureStage.vue'
import { type Figure, wantsLessMotion } from './useStage'

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
  /** The injured digits: where one finger stands for one, it is the patient's own. */
  injured?: readonly Digit[]
  /** The digits that move for this patient; left out or `null`: as the exercise is. */
  chosen?: readonly Digit[] | null
  /** What is worn while it is done. */
  worn?: Orthosis
  /** The patient's own ends of motion, where the picture is to stop at them. */
  limits?: AngleLimits
}>()

/**
 * What stands in the frame: the moving picture; two stills for who wants less motion or where nothing can be drawn; or the
 * positions in words where there are no stills of this exercise.
 */
const shown = ref<'moving' | 'stills' | 'words'>(wantsLessMotion() ? 'stills' : 'moving')
const wantsLess = wantsLessMotion()
const isDrawn = ref(false)
const isPaused = ref(false)
let began = 0
let pausedAt = 0

function prepare(stage: Stage, figure: Figure) {
  stage.show(figure.pictureOf(props.exercise, props.limits, props.injured, props.chosen), props.side, {
    ...(props.worn ? { worn: props.worn } : {}),
  })
  began = performance.now()
  isPaused.value = false
}
function momentNow(figure: Figure): PictureMoment {
  const now = isPaused.value ? pausedAt : performance.now()
  const { shape, time } =
    props.moment?.() ?? figure.loopMoment((now - began) / 1000, props.exercise.shapes.length)
  return { shape: Math.min(shape, props.exercise.shapes.length - 1), time }
}
function fail() {
  isDrawn.value = false
  shown.value = 'stills'
}

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

/** Changes when something else is to be drawn. */
const shows = computed(() => [
  props.exercise,
  props.side,
  props.worn,
  props.limits,
  props.injured,
  props.chosen,
])
watch(shows, () => {
  if (shown.value === 'words') shown.value = 'stills'
})
/** Nothing moves: a rest, a hold or rubbing. One still tells it. */
const isAtRest = computed(() => {
  const { start, shapes } = props.exercise
  return shapes.every((shape) => JSON.stringify(shape) === JSON.stringify(start))
})
/** Made beforehand for a left hand, under the name of these very angles. */
const stills = computed(() => {
  const files = stillFiles(props.exercise)
  const label = (place: number) =>
    place === 0 ? words.value.start : files.length === 2 ? words.value.end : String(place)
  return isAtRest.value
    ? [{ source: `/stills/${files[0]}`, label: '' }]
    : files.map((file, place) => ({ source: `/stills/${file}`, label: label(place) }))
})

function pause() {
  if (isPaused.value) began += performance.now() - pausedAt
  else pausedAt = performance.now()
  isPaused.value = !isPaused.value
}
</script>

<template>
  <div class="hand-figure">
    <FigureStage
      v-if="shown === 'moving'"
      :prepare="prepare"
      :shows="shows"
      :moment-now="momentNow"
      :has-arrow="true"
      :alternative="alternative"
      :hint="words.turn"
      @drawn="isDrawn = true"
      @failed="fail"
    />
    <div v-else class="frame" role="img" :aria-label="alternative" :data-figure="shown">
      <div v-if="shown === 'stills'" class="pair" :class="{ mirrored: side === 'right' }">
        <span v-for="{ source, label } in stills" :key="source">
          <img :src="source" alt="" @error="shown = 'words'" /><small>{{ label }}</small>
        </span>
      </div>
      <p v-else class="in-words">{{ alternative }}</p>
    </div>
    <slot />
    <p v-if="shown !== 'moving' && !wantsLess" class="note">{{ words.still }}</p>
    <button
      v-if="isDrawn && !moment"
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
  height: 100%;
  overflow: hidden;
  border-radius: 12px;
  background: var(--figure-ground);
}
.pair {
  display: grid;
  height: 100%;
  grid-auto-columns: minmax(0, 1fr);
  grid-auto-flow: column;
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
.in-words {
  padding: 14px 16px;
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
