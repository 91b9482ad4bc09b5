<script setup lang="ts">
import { ulid } from 'ulid'
import { computed, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import type { CriterionAnswer } from '../../shared/api/types'
import { useCaseStore } from '../../shared/case/caseStore'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { dayAndYear, dayText, momentText } from '../../shared/words'
import CriterionList from './CriterionList.vue'
import OrderDialog from './OrderDialog.vue'
import PermissionMap from './PermissionMap.vue'
import ReasonDialog from './ReasonDialog.vue'
import RecordDialog from './RecordDialog.vue'
import SchoolDialog from './SchoolDialog.vue'
import SlipDialog from './SlipDialog.vue'

type Dialog =
  | { name: 'record'; criterion: CriterionAnswer }
  | { name: 'withdraw'; criterion: CriterionAnswer }
  | { name: 'order' }
  | { name: 'school' }
  | { name: 'slip' }
  | { name: 'withdrawOrder'; id: string; label: string }
  | { name: 'lift'; id: string; flag: string; needsSurgeon: boolean }

const api = useClinicApi()
const cases = useCaseStore()
const session = useSessionStore()
const dialog = ref<Dialog | null>(null)
const flagToRaise = ref<string | null>(null)
const data = computed(() => cases.data!)
const isTherapist = computed(() => session.user?.role === 'therapist')
const current = computed(() => data.value.phases.find((phase) => phase.state === 'current') ?? null)
const next = computed(
  () => data.value.phases.find((phase) => phase.id === data.value.standing.nextPhaseId) ?? null,
)
const isTimeCome = computed(() => next.value !== null && data.value.episode.day >= next.value.startDay)
const missing = computed(() => next.value?.entry.filter((criterion) => criterion.status !== 'met') ?? [])
/** What the open phases rest on: withdrawing or forgetting one of these closes them again. */
const restsOn = computed(() => {
  const open = data.value.phases.filter((phase) => phase.state === 'passed' || phase.state === 'current')
  const all = [
    ...open.flatMap((phase) => phase.entry),
    ...data.value.criteria.filter(
      (criterion) => criterion.latest !== null || criterion.status !== 'neverRecorded',
    ),
  ]
  return all.filter(
    (criterion, place) =>
      all.findIndex((one) => one.what === criterion.what) === place &&
      !missing.value.some((one) => one.what === criterion.what),
  )
})
const others = computed(() => {
  const shown = new Set([...missing.value, ...restsOn.value].map((criterion) => criterion.what))
  return data.value.criteria.filter((criterion) => !shown.has(criterion.what))
})
const raisable = computed(() =>
  data.value.raisableFlags.map(({ flag, name }) => ({ value: flag, title: name })),
)

async function finish() {
  dialog.value = null
  await cases.reload()
}
async function raise() {
  if (!flagToRaise.value) return
  await api.raiseFlag(data.value.episode.id, { id: ulid(), flag: flagToRaise.value })
  flagToRaise.value = null
  await cases.reload()
}
const canRecord = (criterion: CriterionAnswer) =>
  isTherapist.value || (!criterion.isSurgeons && session.user?.role === 'assistant')
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
          <v-btn v-if="isTherapist" size="small" @click="dialog = { name: 'school' }"
            >Choose another school</v-btn
          ></NoticeBox
        >
        <NoticeBox v-if="data.unanswered.length > 0" tone="wait"
          ><strong>This school rests on facts nobody has recorded.</strong> Until then no program is signed
          and everything on the phone is paused.
          <CriterionList
            :criteria="data.unanswered"
            :can-record="canRecord"
            :can-withdraw="isTherapist"
            @record="dialog = { name: 'record', criterion: $event }"
            @withdraw="dialog = { name: 'withdraw', criterion: $event }"
        /></NoticeBox>
        <NoticeBox v-if="data.standing.frozen" tone="care"
          ><strong>Frozen.</strong> The last review was {{ data.episode.daysSinceReview }} days ago. An
          evaluation or a newly signed program counts as a review.</NoticeBox
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
            {{ missing.length === 1 ? 'One criterion is' : `${missing.length} criteria are` }} missing:
          </p>
          <CriterionList
            :criteria="missing"
            :can-record="canRecord"
            :can-withdraw="isTherapist"
            @record="dialog = { name: 'record', criterion: $event }"
            @withdraw="dialog = { name: 'withdraw', criterion: $event }"
          />
        </template>
      </section>
      <section class="sheet gates">
        <h2>Loads, tests and activities</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">From</th>
              <th scope="col">Opens</th>
              <th scope="col">State</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="gate in data.gates" :key="gate.rule" :class="{ closed: !gate.isOpen }">
              <td class="tabular">
                day {{ gate.day }}<span class="soft"> · {{ dayText(gate.date) }}</span>
              </td>
              <td>{{ gate.opens }}</td>
              <td>
                <strong v-if="gate.isOpen" class="open">open</strong>
                <template v-else
                  ><strong class="shut">closed</strong
                  ><span v-if="gate.missing.length > 0" class="soft"
                    >: {{ gate.missing.map((one) => one.meaning).join('; ') }}</span
                  ></template
                >
              </td>
            </tr>
          </tbody>
        </table>
        <p class="soft small">
          Loading needs besides: pain while moving 3 or less, swelling not up. Windows are defaults (common
          practice); the surgeon’s order and licensed practice come first.
        </p>
      </section>
    </div>
    <aside class="side">
      <section class="sheet part">
        <h2>Recorded</h2>
        <CriterionList
          :criteria="restsOn"
          :can-record="canRecord"
          :can-withdraw="isTherapist"
          @record="dialog = { name: 'record', criterion: $event }"
          @withdraw="dialog = { name: 'withdraw', criterion: $event }"
        />
        <details v-if="others.length > 0">
          <summary>{{ others.length }} more for later phases</summary>
          <CriterionList
            :criteria="others"
            :can-record="canRecord"
            :can-withdraw="isTherapist"
            @record="dialog = { name: 'record', criterion: $event }"
            @withdraw="dialog = { name: 'withdraw', criterion: $event }"
          />
        </details>
      </section>
      <section class="sheet part">
        <header class="with-act">
          <h2>School</h2>
          <v-btn v-if="isTherapist" variant="outlined" size="small" @click="dialog = { name: 'school' }"
            >Change</v-btn
          >
        </header>
        <p>
          {{ data.episode.protocol
          }}<template v-if="data.episode.variant">, {{ data.episode.variant }}</template>
        </p>
        <p v-for="one in data.schools.slice(1)" :key="one.chosenOn + one.protocolId" class="soft small">
          {{ one.protocolId }} since {{ dayText(one.chosenOn) }}, {{ one.chosenBy }}: {{ one.why }}
        </p>
        <template v-if="data.clock">
          <header class="with-act">
            <p><strong>Day counter</strong></p>
            <v-btn v-if="isTherapist" variant="outlined" size="small" @click="dialog = { name: 'slip' }"
              >It slipped</v-btn
            >
          </header>
          <p class="soft small">Counts anew: {{ data.clock.restartIf.toLowerCase() }}.</p>
          <p v-for="slip in data.clock.slips" :key="slip.slippedOn + slip.why" class="small">
            Slipped {{ dayText(slip.slippedOn) }}, {{ slip.creditDays }} days credited: {{ slip.why }}
          </p>
        </template>
      </section>
      <section class="sheet part">
        <header class="with-act">
          <h2>Surgeon’s orders</h2>
          <v-btn v-if="isTherapist" variant="outlined" size="small" @click="dialog = { name: 'order' }"
            >Add</v-btn
          >
        </header>
        <p v-if="data.orders.length === 0" class="soft">None in force.</p>
        <ul>
          <li v-for="order in data.orders" :key="order.id" class="order">
            <div>
              <strong>{{ order.label }}</strong> until
              {{ order.untilOn ? dayAndYear(order.untilOn) : 'withdrawn' }}<br /><small class="soft"
                ><template v-if="order.document">{{ order.document }} · </template>{{ order.why }} ·
                {{ order.givenBy }}, {{ dayText(order.dated) }}</small
              >
            </div>
            <button
              v-if="isTherapist"
              class="link"
              @click="dialog = { name: 'withdrawOrder', id: order.id, label: order.label }"
            >
              Withdraw
            </button>
          </li>
        </ul>
      </section>
      <section class="sheet part">
        <h2>Red flags</h2>
        <ul>
          <li v-for="flag in data.flags" :key="flag.id" class="flag">
            <div>
              <strong>{{ flag.name }}</strong><br /><small class="soft"
                >{{ flag.fromPhone ? 'from the phone' : 'raised here' }},
                {{ momentText(flag.raisedAt) }}</small
              >
            </div>
            <v-btn
              v-if="isTherapist"
              size="small"
              color="error"
              @click="
                dialog = { name: 'lift', id: flag.id, flag: flag.name, needsSurgeon: flag.needsSurgeon }
              "
              >Lift it</v-btn
            >
          </li>
        </ul>
        <p v-if="data.flags.length === 0" class="soft">None open.</p>
        <div class="raise">
          <v-select
            v-model="flagToRaise"
            :items="raisable"
            placeholder="Raise a red flag"
            aria-label="Raise a red flag"
          />
          <v-btn color="error" variant="outlined" :disabled="!flagToRaise" @click="raise">Stop all</v-btn>
        </div>
      </section>
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
    <ReasonDialog
      v-else-if="dialog?.name === 'withdrawOrder'"
      :title="`Withdraw: ${dialog.label}`"
      explanation="What it closed is judged by the protocol again from now on. The order stays on record."
      label="Why it no longer holds, and who said so"
      action="Withdraw it"
      path="why"
      :send="
        ({ id, text }) =>
          api.withdrawOrder(data.episode.id, dialog?.name === 'withdrawOrder' ? dialog.id : '', {
            id,
            why: text,
          })
      "
      @done="finish"
      @close="dialog = null"
    />
    <ReasonDialog
      v-else-if="dialog?.name === 'lift'"
      :title="`Lift: ${dialog.flag}`"
      explanation="Exercises open again as the protocol says. What you write here stays on record."
      label="What was found and decided"
      action="Lift the flag"
      path="outcome"
      :answer-label="
        dialog.needsSurgeon ? 'Who of the surgeons or the emergency department answered' : undefined
      "
      :send="
        ({ id, text, answeredBy }) =>
          api.liftFlag(data.episode.id, dialog?.name === 'lift' ? dialog.id : '', {
            id,
            outcome: text,
            answeredBy,
          })
      "
      @done="finish"
      @close="dialog = null"
    />
    <SchoolDialog v-else-if="dialog?.name === 'school'" :data="data" @done="finish" @close="dialog = null" />
    <SlipDialog
      v-else-if="dialog?.name === 'slip' && data.clock"
      :episode-id="data.episode.id"
      :today="data.today"
      :restart-if="data.clock.restartIf"
      @done="finish"
      @close="dialog = null"
    />
    <OrderDialog
      v-else-if="dialog?.name === 'order'"
      :episode-id="data.episode.id"
      :today="data.today"
      :surgeon="data.episode.surgeon"
      @done="finish"
      @close="dialog = null"
    />
  </div>
</template>

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
.next,
.gates,
.part {
  padding: 14px 16px;
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
h2 {
  font-size: 16.5px;
}
.next header {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin-bottom: 4px;
}
table {
  width: 100%;
  margin-top: 6px;
  border-collapse: collapse;
  font-size: 14px;
}
th {
  text-align: left;
  font-weight: 600;
  color: var(--ink-soft);
  padding: 4px 8px 4px 0;
}
td {
  padding: 5px 8px 5px 0;
  border-top: 1px dotted var(--line);
  vertical-align: top;
}
td:first-child {
  white-space: nowrap;
}
.open {
  color: var(--moss);
}
.shut {
  color: var(--plum);
}
.small {
  margin-top: 8px;
  font-size: 13px;
}
details {
  margin-top: 8px;
}
summary {
  cursor: pointer;
  color: var(--teal);
}
.with-act {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.order,
.flag {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px dotted var(--line);
}
.link {
  border: 0;
  background: none;
  color: var(--ink-soft);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
.raise {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}
@media (max-width: 1020px) {
  .step {
    grid-template-columns: 1fr;
  }
}
</style>
