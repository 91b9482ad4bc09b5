<script setup lang="ts">
import type { Zone } from '@pledge/core'
import type { Stage } from '@pledge/figure'
import { computed } from 'vue'
import FigureStage from '../../shared/figure/FigureStage.vue'
import type { Figure } from '../../shared/figure/useStage'

/** The flat hand from its palm or its back, its skin painted by zone. A press paints, dragging turns. */
const props = defineProps<{
  side: 'left' | 'right'
  view: 'palm' | 'back'
  paint: ReadonlyMap<Zone, string>
  alternative: string
}>()
defineEmits<{ pick: [zone: Zone]; over: [zone: Zone | null] }>()

const FLAT = {
  fingers: {
    index: { mcp: 0, pip: 0, dip: 0 },
    middle: { mcp: 0, pip: 0, dip: 0 },
    ring: { mcp: 0, pip: 0, dip: 0 },
    little: { mcp: 0, pip: 0, dip: 0 },
  },
  thumb: { mcp: 0, ip: 0, radial: 40, palmar: 10 },
  pose: { wristFlexion: 0, fingerSpread: 8 },
} as const

function prepare(stage: Stage, figure: Figure) {
  const { picture } = figure.measuredPicture(FLAT, null, props.view)
  stage.show(picture, props.side)
}
const shows = computed(() => `${props.side} ${props.view}`)
</script>

<template>
  <FigureStage
    class="felt"
    :prepare="prepare"
    :shows="shows"
    :paint="paint"
    :moment-now="() => ({ shape: 0, time: 1 })"
    :has-arrow="false"
    :alternative="alternative"
    hint="Press a patch of skin to paint it; drag to turn the hand."
    @zone="$emit('pick', $event)"
    @over="$emit('over', $event)"
  />
</template>

<style scoped>
.felt {
  height: 340px;
}
</style>
