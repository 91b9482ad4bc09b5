<script setup lang="ts">
import type { PictureView } from '@pledge/core'
import type { MeasuredHand, Stage } from '@pledge/figure'
import { computed, ref } from 'vue'
import FigureStage from '../../shared/figure/FigureStage.vue'
import type { Figure } from '../../shared/figure/useStage'

/** The hand as it was read today, the other side as a ghost; what nobody measured is hatched. */
const props = defineProps<{
  side: 'left' | 'right'
  reading: MeasuredHand
  ghost: MeasuredHand | null
  view: PictureView
  /** The hand alone, from close by. */
  isNear: boolean
  /** What is seen, for those who do not see it. */
  alternative: string
}>()

const isFailed = ref(false)
function prepare(stage: Stage, figure: Figure) {
  const { picture, unknown } = figure.measuredPicture(props.reading, props.ghost, props.view, props.isNear)
  stage.show(picture, props.side, { unknown })
}
const shows = computed(() =>
  JSON.stringify([props.side, props.reading, props.ghost, props.view, props.isNear]),
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
      :alternative="alternative"
      hint="Drag or arrow keys turn it, double click or Home turns it back."
      @failed="isFailed = true"
    />
    <figcaption><slot /></figcaption>
  </figure>
</template>

<style scoped>
.measured {
  margin: 0;
  padding: 10px;
}
.drawn {
  height: 220px;
}
figcaption {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 12px;
  margin-top: 6px;
  font-size: 14px;
}
</style>
