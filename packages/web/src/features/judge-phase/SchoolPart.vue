<script setup lang="ts">
import { computed, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { useCaseStore } from '../../shared/case/caseStore'
import { useSessionStore } from '../../shared/sessionStore'
import { dayText, midSentence } from '../../shared/words'
import ReasonDialog from '../../shared/parts/ReasonDialog.vue'
import SchoolDialog from './SchoolDialog.vue'
import ShiftDialog from './ShiftDialog.vue'
import SlipDialog from './SlipDialog.vue'

/** The school the case follows, the windows moved in it, and the counter that a slip sets back. */
const isChoosing = defineModel<boolean>('choosing', { required: true })
const api = useClinicApi()
const cases = useCaseStore()
const session = useSessionStore()
const data = computed(() => cases.data!)
const isTherapist = computed(() => session.user?.role === 'therapist')
const isMoving = ref(false)
const isSlipping = ref(false)
const takenBack = ref<{ id: string; words: string } | null>(null)

const moveWords = (days: number) =>
  `${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days > 0 ? 'later' : 'earlier'}`

async function finish() {
  isChoosing.value = false
  isMoving.value = false
  isSlipping.value = false
  takenBack.value = null
  await cases.reload()
}
</script>

<template>
  <section class="sheet part">
    <header class="with-act">
      <h2>School</h2>
      <v-btn v-if="isTherapist" variant="outlined" size="small" @click="isChoosing = true">Change</v-btn>
    </header>
    <p>
      {{ data.episode.protocol }}<template v-if="data.episode.variant">, {{ data.episode.variant }}</template>
    </p>
    <p v-for="one in data.schools.slice(1)" :key="one.chosenOn + one.protocolId" class="soft small">
      {{ one.protocolId }} since {{ dayText(one.chosenOn) }}, {{ one.chosenBy }}: {{ one.why }}
    </p>
    <header class="with-act below">
      <h3>Windows</h3>
      <v-btn v-if="isTherapist" variant="outlined" size="small" @click="isMoving = true">Move them</v-btn>
    </header>
    <p v-if="data.shifts.length === 0" class="soft">As the school has them.</p>
    <ul v-else>
      <li v-for="shift in data.shifts" :key="shift.id" class="entry">
        <div>
          <strong>{{ moveWords(shift.days) }}</strong> after day {{ shift.afterDay }}<br /><small class="soft"
            >{{ shift.why
            }}<template v-if="shift.document"> · {{ shift.agreedBy }}, {{ shift.document }}</template> ·
            {{ shift.recordedBy }}, {{ dayText(shift.recordedOn) }}</small
          >
        </div>
        <button
          v-if="isTherapist"
          class="link"
          @click="takenBack = { id: shift.id, words: moveWords(shift.days) }"
        >
          Take back
        </button>
      </li>
    </ul>
    <template v-if="data.clock">
      <header class="with-act below">
        <h3>Day counter</h3>
        <v-btn v-if="isTherapist" variant="outlined" size="small" @click="isSlipping = true"
          >It slipped</v-btn
        >
      </header>
      <p class="soft">Counts anew: {{ midSentence(data.clock.restartIf) }}.</p>
      <p v-for="slip in data.clock.slips" :key="slip.slippedOn + slip.why" class="small">
        Slipped {{ dayText(slip.slippedOn) }}, {{ slip.creditDays }} days credited: {{ slip.why }}
      </p>
    </template>
    <SchoolDialog v-if="isChoosing" :data="data" @done="finish" @close="isChoosing = false" />
    <ShiftDialog v-if="isMoving" :data="data" @done="finish" @close="isMoving = false" />
    <SlipDialog
      v-if="isSlipping && data.clock"
      :episode-id="data.episode.id"
      :today="data.today"
      :restart-if="data.clock.restartIf"
      @done="finish"
      @close="isSlipping = false"
    />
    <ReasonDialog
      v-if="takenBack"
      :title="`Take back: windows ${takenBack.words}`"
      explanation="The windows go back to where they were. The move stays on record."
      label="Why"
      action="Take it back"
      path="why"
      :send="({ id, text }) => api.moveBack(data.episode.id, takenBack!.id, { id, why: text })"
      @done="finish"
      @close="takenBack = null"
    />
  </section>
</template>

<style scoped src="./parts.css"></style>
<style scoped>
h3 {
  font-size: 14.5px;
}
.below {
  margin-top: 12px;
}
</style>
