<script setup lang="ts">
import { computed, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import type { CriterionAnswer } from '@pledge/contract'
import { useCaseStore } from '../../shared/case/caseStore'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { dayText } from '../../shared/words'
import CriterionList from './CriterionList.vue'
import FlagsPart from './FlagsPart.vue'
import GatesPart from './GatesPart.vue'
import HealthPart from './HealthPart.vue'
import OrdersPart from './OrdersPart.vue'
import PermissionMap from './PermissionMap.vue'
import ReasonDialog from '../../shared/parts/ReasonDialog.vue'
import RecordDialog from './RecordDialog.vue'
import SchoolPart from './SchoolPart.vue'

type Dialog =
  { name: 'record'; criterion: CriterionAnswer } | { name: 'withdraw'; criterion: CriterionAnswer }

const api = useClinicApi()
const cases = useCaseStore()
const session = useSessionStore()
const dialog = ref<Dialog | null>(null)
const isChoosingSchool = ref(false)
const data = computed(() => cases.data!)
const isTherapist = computed(() => session.user?.role === 'therapist')
const current = computed(() => data.value.phases.find((phase) => phase.state === 'current') ?? null)
const next = computed(
  () => data.value.phases.find((phase) => phase.id === data.value.standing.nextPhaseId) ?? null,
)
const isTimeCome = computed(() => next.value !== null && data.value.episode.day >= next.value.startDay)
const eachOnce = (all: readonly CriterionAnswer[]) =>
  all.filter((criterion, place) => all.findIndex((one) => one.what === criterion.what) === place)
/** What the next phase lacks; of a patient who came late, what every phase lacks whose day has come. */
const missing = computed(() => {
  const { episode, phases } = data.value
  const asked = phases.filter((phase) =>
    episode.cameLateOnDay === null
      ? phase === next.value
      : phase.state !== 'passed' && phase.startDay <= episode.day,
  )
  return eachOnce(asked.flatMap((phase) => phase.entry)).filter((criterion) => criterion.status !== 'met')
})
/** What the open phases rest on: withdrawing or forgetting one of these closes them again. */
const restsOn = computed(() => {
  const open = data.value.phases.filter((phase) => phase.state === 'passed' || phase.state === 'current')
  const all = [
    ...open.flatMap((phase) => phase.entry),
    ...data.value.criteria.filter(
      (criterion) => criterion.latest !== null || criterion.status !== 'neverRecorded',
    ),
  ]
  return eachOnce(all).filter((criterion) => !missing.value.some((one) => one.what === criterion.what))
})
const others = computed(() => {
  const shown = new Set([...missing.value, ...restsOn.value].map((criterion) => criterion.what))
  return data.value.criteria.filter((criterion) => !shown.has(criterion.what))
})
async function finish() {
  dialog.value = null
  await cases.reload()
}
const canRecord = (criterion: CriterionAnswer) =>
  isTherapist.value || (!criterion.isSurgeons && session.user?.role === 'assistant')
/** Every list of criteria is recorded in and withdrawn from in the same way. */
const listed = computed(() => ({
  canRecord,
  canWithdraw: isTherapist.value,
  onRecord: (criterion: CriterionAnswer) => (dialog.value = { name: 'record', criterion }),
  onWithdraw: (criterion: CriterionAnswer) => (dialog.value = { name: 'withdraw', criterion }),
}))
</script>

<template>
  <div v-if="cases.data" class="step">
    <div class="main">
      <section class="sheet now">
        <div class="headline">
          <div>
            <p class="eyebrow">
              {{
                current ? `Phase ${data.phases.indexOf(current) + 1} of ${data.phases.length}` : 'Not started'
              }}
            </p>
            <h2>{{ current?.name ?? 'No phase is open' }}</h2>
          </div>
          <p v-if="current" class="goal"><span class="soft">Goal</span> {{ current.goals }}</p>
        </div>
        <p v-for="text in current?.wear ?? []" :key="text"><span class="soft">Orthosis</span> {{ text }}</p>
        <p v-for="why in current?.forbids ?? []" :key="why" class="forbid">{{ why }}</p>
        <NoticeBox v-if="data.wrongSchool.length > 0" tone="stop"
          ><strong>This school does not fit:</strong> {{ data.wrongSchool.join('; ') }}. Waiting does not
          help. No program is signed and everything on the phone is paused until the school is changed or the
          fact corrected.
          <v-btn v-if="isTherapist" size="small" @click="isChoosingSchool = true"
            >Choose another school</v-btn
          ></NoticeBox
        >
        <NoticeBox v-if="data.unanswered.length > 0" tone="wait"
          ><strong>This school rests on facts nobody has recorded.</strong> Until then no program is signed
          and everything on the phone is paused. <CriterionList :criteria="data.unanswered" v-bind="listed"
        /></NoticeBox>
        <NoticeBox v-if="data.standing.frozen" tone="care"
          ><strong>Frozen.</strong> The last review was {{ data.episode.daysSinceReview }} days ago. An
          evaluation or a newly signed program counts as a review.</NoticeBox
        >
        <NoticeBox
          v-if="data.episode.cameLateOnDay !== null && next && data.episode.daysBehind === 0"
          tone="care"
          ><strong>Came on day {{ data.episode.cameLateOnDay }}.</strong> {{ next.name }} would have begun on
          {{ dayText(next.startDate) }}. Record below what is already so; each phase opens as soon as its
          criteria are met.</NoticeBox
        >
        <NoticeBox v-if="data.episode.daysBehind > 0 && next" tone="care"
          ><strong>{{ data.episode.daysBehind }} days behind.</strong> {{ next.name }} was planned for
          {{ dayText(next.startDate) }} and still waits. Talk it over with the surgeon.</NoticeBox
        >
      </section>
      <PermissionMap :episode-id="data.episode.id" />
      <section v-if="next" class="sheet next">
        <header>
          <h2>{{ current ? 'Next' : 'To start' }}: {{ next.name }}</h2>
          <p v-if="isTimeCome" class="soft">
            its day has come (day {{ next.startDay }}, {{ dayText(next.startDate) }})
          </p>
          <p v-else class="soft">
            not before day {{ next.startDay }}, {{ dayText(next.startDate) }}: in
            {{ next.startDay - data.episode.day }} days
          </p>
        </header>
        <p v-if="missing.length === 0">
          Every criterion is met. {{ isTimeCome ? '' : 'It opens by itself on that day.' }}
        </p>
        <template v-else>
          <p class="soft">
            <template v-if="data.episode.cameLateOnDay !== null"
              >Already so? For every phase whose day has come:</template
            >
            <template v-else
              >{{
                missing.length === 1 ? 'One criterion is' : `${missing.length} criteria are`
              }}
              missing:</template
            >
          </p>
          <CriterionList :criteria="missing" v-bind="listed" />
        </template>
      </section>
      <GatesPart />
    </div>
    <aside class="side">
      <section class="sheet part">
        <h2>Recorded</h2>
        <CriterionList :criteria="restsOn" v-bind="listed" />
        <details v-if="others.length > 0">
          <summary>{{ others.length }} more for later phases</summary>
          <CriterionList :criteria="others" v-bind="listed" />
        </details>
      </section>
      <SchoolPart v-model:choosing="isChoosingSchool" />
      <OrdersPart />
      <HealthPart />
      <FlagsPart :class="{ first: data.flags.length > 0 }" />
    </aside>
    <RecordDialog
      v-if="dialog?.name === 'record'"
      :criterion="dialog.criterion"
      :episode-id="data.episode.id"
      :today="data.today"
      :surgeon="data.episode.surgeon"
      :me="session.user?.name ?? ''"
      @done="finish"
      @close="dialog = null"
    />
    <ReasonDialog
      v-else-if="dialog?.name === 'withdraw'"
      :title="`Withdraw: ${dialog.criterion.meaning}`"
      explanation="Phases and exercises that rest on it close at once, and are paused on the patient’s phone at its next contact. The entry stays on record as withdrawn."
      label="Why it no longer holds"
      action="Withdraw it"
      path="why"
      :send="
        ({ id, text }) =>
          api.withdrawFact(data.episode.id, dialog?.name === 'withdraw' ? dialog.criterion.latest!.id : '', {
            id,
            why: text,
          })
      "
      @done="finish"
      @close="dialog = null"
    />
  </div>
</template>

<style scoped src="./parts.css"></style>
<style scoped>
.step {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(360px, 1fr);
  gap: 14px;
  padding: 8px 18px 24px;
  align-items: start;
}
.main,
.side {
  display: grid;
  gap: 14px;
}
.now,
.next {
  padding: 14px 16px;
}
.first {
  order: -1;
}
.now {
  display: grid;
  gap: 8px;
}
.headline {
  display: flex;
  justify-content: space-between;
  gap: 20px;
}
.headline h2 {
  font-size: 20px;
}
.goal {
  max-width: 38ch;
  text-align: right;
}
.forbid {
  position: relative;
  padding-left: 22px;
}
.forbid::before {
  content: '';
  position: absolute;
  left: 2px;
  top: 8px;
  width: 13px;
  height: 5px;
  background: var(--brick);
}
.next header {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin-bottom: 4px;
}
details {
  margin-top: 8px;
}
summary {
  cursor: pointer;
  color: var(--teal);
}
@media (max-width: 1020px) {
  .step {
    grid-template-columns: 1fr;
  }
}
</style>
