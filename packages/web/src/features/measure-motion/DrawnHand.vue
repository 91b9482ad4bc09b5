<script setup lang="ts">
import { bookOf, poseWords, WRIST_MOTIONS, type WristMotion } from '@pledge/core'
import { computed, ref } from 'vue'
import { useBenchStore } from './benchStore'
import { angleAt, handOf, viewOfDigits, viewOfMotion, wristOf, type HandEnd } from './drawnReading'
import MeasuredHand from './MeasuredHand.vue'

/** The hand as it was read today, the other side pale behind it: the digits, or the motion of the wrist one is at. */
const props = defineProps<{ motion: WristMotion | null }>()

const bench = useBenchStore()
const end = ref<HandEnd>('closed')
const book = computed(() => bookOf(bench.readings))
const shown = computed<WristMotion | null>(
  () => props.motion ?? (bench.shownDigits.length > 0 ? null : 'wristExtension'),
)
const picture = computed(() => (shown.value ? ofMotion(shown.value) : ofDigits()))

function ofMotion(motion: WristMotion) {
  const [own, theirs] = [angleAt(book.value, motion, bench.injured), bench.otherAngle(motion)]
  const reading = wristOf(motion, own)
  return {
    reading,
    ghost: theirs === null ? null : wristOf(motion, theirs),
    view: viewOfMotion(motion),
    isNear: false,
    title: WRIST_MOTIONS[motion].label,
    value: own === null ? 'not measured' : `${own * WRIST_MOTIONS[motion].signed}°`,
    words: reading.pose ? poseWords(reading.pose).en : '',
  }
}
function ofDigits() {
  const ghost = handOf(bench.shownDigits, end.value, (digit) => bench.hingesAt(digit, bench.other, 'active'))
  return {
    reading: handOf(bench.shownDigits, end.value, (digit) => bench.hingesAt(digit, bench.injured, 'active')),
    ghost: Object.keys(ghost).length > 0 ? ghost : null,
    view: viewOfDigits(bench.shownDigits),
    isNear: true,
    title: end.value === 'closed' ? 'As far as it bends, active' : 'As far as it straightens, active',
    value: '',
    words: '',
  }
}
</script>

<template>
  <section class="sheet">
    <MeasuredHand
      :side="bench.injured"
      :reading="picture.reading"
      :ghost="picture.ghost"
      :view="picture.view"
      :is-near="picture.isNear"
      :alternative="`${picture.title} ${picture.value}${picture.words && `: ${picture.words}`}`"
    >
      <strong>{{ picture.title }}</strong>
      <span v-if="picture.value" class="tabular">{{ picture.value }}</span>
      <span v-if="!shown" class="toggle" role="group" aria-label="Drawn">
        <button type="button" :aria-pressed="end === 'closed'" @click="end = 'closed'">bent</button>
        <button type="button" :aria-pressed="end === 'open'" @click="end = 'open'">straight</button>
      </span>
      <span class="soft">pale: other side; hatched: not measured</span>
    </MeasuredHand>
  </section>
</template>

<style scoped src="./toggle.css"></style>
