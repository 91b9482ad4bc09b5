<script setup lang="ts">
import { type PictureView, type Pose, poseWords, WRIST_MOTIONS, type WristMotion } from '@pledge/core'
import type { Stage } from '@pledge/figure'
import { computed, ref } from 'vue'
import FigureStage from '../../shared/figure/FigureStage.vue'
import type { Figure } from '../../shared/figure/useStage'

/** The hand at the reading that is being taken, the other side as a ghost; what nobody measured is hatched. */
const props = defineProps<{
  side: 'left' | 'right'
  motion: WristMotion
  /** Degrees in the motion's own direction, as it is read; `null` when it was not measured. */
  readingDeg: number | null
  otherDeg: number | null
}>()

/** The angle each motion turns, and from where it is seen best. */
const SHOWN: Readonly<
  Record<
    WristMotion,
    { angle: 'wristFlexion' | 'wristUlnarDeviation' | 'forearmSupination'; view: PictureView }
  >
> = {
  wristFlexion: { angle: 'wristFlexion', view: 'thumb' },
  wristExtension: { angle: 'wristFlexion', view: 'thumb' },
  radialDeviation: { angle: 'wristUlnarDeviation', view: 'back' },
  ulnarDeviation: { angle: 'wristUlnarDeviation', view: 'back' },
  pronation: { angle: 'forearmSupination', view: 'laid-front' },
  supination: { angle: 'forearmSupination', view: 'laid-front' },
}
const poseOf = (deg: number | null): Pose | null =>
  deg === null ? null : { ...NEUTRAL, [SHOWN[props.motion].angle]: deg * WRIST_MOTIONS[props.motion].signed }
/** A wrist is measured from neutral in the plane it does not move in. */
const NEUTRAL: Pose = { wristFlexion: 0, wristUlnarDeviation: 0, forearmSupination: 0 }

const isFailed = ref(false)
function prepare(stage: Stage, figure: Figure) {
  const { picture, unknown } = figure.measuredPicture(
    poseOf(props.readingDeg) ?? {},
    poseOf(props.otherDeg),
    SHOWN[props.motion].view,
  )
  stage.show(picture, props.side, { unknown })
}
const shows = computed(() => [props.side, props.motion, props.readingDeg, props.otherDeg].join(' '))

const label = computed(() => WRIST_MOTIONS[props.motion].label)
const told = computed(() =>
  props.readingDeg === null
    ? `${label.value}: not measured, drawn at rest`
    : `${label.value} ${props.readingDeg}°: ${poseWords(poseOf(props.readingDeg)!).en}`,
)
</script>

<template>
  <figure v-if="!isFailed" class="measured">
    <FigureStage
      class="drawn"
      :prepare="prepare"
      :shows="shows"
      :moment-now="() => ({ shape: 0, time: 1 })"
      :has-arrow="false"
      :alternative="told"
      hint="Drag or arrow keys turn it, double click or Home turns it back."
      @failed="isFailed = true"
    />
    <figcaption>
      <strong>{{ label }}</strong>
      <span class="tabular">{{ readingDeg === null ? 'not measured' : `${readingDeg}°` }}</span>
      <span v-if="otherDeg !== null" class="soft tabular">other side {{ otherDeg }}°, pale</span>
      <span class="soft">hatched: not measured here</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.measured {
  margin: 0;
  padding: 10px;
}
.drawn {
  height: 236px;
}
figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  margin-top: 6px;
  font-size: 14px;
}
</style>
