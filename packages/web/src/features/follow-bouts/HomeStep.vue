<script setup lang="ts">
import { mdiCellphoneKey } from '@mdi/js'
import { computed, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { BoutAnswer } from '@pledge/contract'
import { useCaseStore } from '../../shared/case/caseStore'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { doseText, momentText } from '../../shared/words'
import PainChart from './PainChart.vue'

const api = useClinicApi()
const cases = useCaseStore()
const session = useSessionStore()
const code = ref<{ code: string; expiresAt: string } | null>(null)
const problem = ref<string | null>(null)
const address = `${location.origin}/phone`
const phones = computed(() => cases.data?.devices.filter((device) => !device.isRevoked) ?? [])
const ENDED: Readonly<Record<BoutAnswer['endedBy'], string>> = {
  done: 'finished',
  left: 'left early',
  stop: 'stopped',
}
const OUTCOME: Readonly<Record<string, string>> = {
  done: 'done',
  hurt: '“That hurts”',
  skipped: 'left out',
  notReached: 'not reached',
}
const SKIP: Readonly<Record<string, string>> = {
  cannot: 'cannot do it',
  unclear: 'unclear how',
  noTime: 'no time',
  noThing: 'thing not at hand',
  other: 'other reason',
}

async function makeCode() {
  problem.value = null
  try {
    code.value = await api.pairingCode(cases.data!.episode.id)
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'No code could be made. Try again.'
  }
}
async function revoke(deviceId: string) {
  await api.revokeDevice(cases.data!.episode.id, deviceId)
  await cases.reload()
}
const minutesOf = (bout: BoutAnswer) =>
  Math.max(1, Math.round((Date.parse(bout.endedAt) - Date.parse(bout.startedAt)) / 60_000))
const troubles = (bout: BoutAnswer) =>
  bout.items.filter((item) => item.outcome === 'hurt' || item.outcome === 'skipped')
const doneOf = (bout: BoutAnswer) => bout.items.filter((item) => item.outcome === 'done').length
</script>

<template>
  <div v-if="cases.data" class="step">
    <section class="sheet part">
      <header>
        <h2>Bouts at home</h2>
        <span class="soft">arrive here by themselves, newest first</span>
      </header>
      <p v-if="cases.data.bouts.length === 0" class="soft">
        No bout yet. Pair the patient’s phone, then the first one appears here within seconds.
      </p>
      <ol v-else class="bouts">
        <li
          v-for="bout in cases.data.bouts"
          :key="bout.id"
          class="bout"
          :class="bout.endedBy"
          :data-bout="bout.id"
        >
          <div class="when">
            <strong class="tabular">{{ momentText(bout.endedAt) }}</strong>
            <span class="soft">{{ minutesOf(bout) }} min · program {{ bout.programNumber }}</span>
          </div>
          <div class="what">
            <span
              >{{ doneOf(bout) }} of {{ bout.items.length }} exercises done,
              <em :class="bout.endedBy">{{ ENDED[bout.endedBy] }}</em></span
            >
            <span v-for="item in troubles(bout)" :key="item.itemId" class="trouble"
              >{{ item.name }}: {{ OUTCOME[item.outcome] }} after {{ item.repetitionsDone }} of
              {{ item.repetitionsAsked
              }}<template v-if="item.reason"> ({{ SKIP[item.reason] ?? item.reason }})</template></span
            >
          </div>
          <div class="pain tabular">
            <span class="soft">pain</span>
            <span>{{ bout.painBefore ?? '–' }}</span>
            <span class="soft">→</span>
            <strong :class="{ high: (bout.painWorst ?? 0) >= 8 }">{{ bout.painWorst ?? '–' }}</strong>
            <span class="soft">→</span>
            <span>{{ bout.painAfter ?? '–' }}</span>
          </div>
        </li>
      </ol>
      <p class="soft small">Pain reads: before → worst → after, 0 to 10.</p>
    </section>
    <aside class="side">
      <section v-if="cases.data.bouts.length > 0" class="sheet part">
        <h2>Pain by bout</h2>
        <PainChart :bouts="cases.data.bouts" :stop-pain="cases.data.limits.stopPain" />
      </section>
      <section class="sheet part">
        <h2>On the phone</h2>
        <p v-if="!cases.data.program" class="soft">No program is signed yet.</p>
        <ul v-else>
          <li v-for="item in cases.data.program.items" :key="item.itemId" class="item">
            <span
              >{{ item.name }}<small class="soft"> {{ doseText(item.dose) }}</small></span
            >
            <strong :class="item.isPaused ? 'paused' : 'runs'">{{
              item.isPaused ? 'paused' : 'open'
            }}</strong>
          </li>
        </ul>
      </section>
      <section class="sheet part">
        <header><h2>Patient’s phone</h2></header>
        <ul>
          <li v-for="phone in phones" :key="phone.id" class="item">
            <span
              >Paired {{ momentText(phone.pairedAt)
              }}<small class="soft"> last seen {{ momentText(phone.seenAt) }}</small></span
            >
            <button v-if="session.user?.role === 'therapist'" class="link" @click="revoke(phone.id)">
              Take back
            </button>
          </li>
        </ul>
        <p v-if="phones.length === 0" class="soft">No phone is paired.</p>
        <div v-if="code" class="code">
          <p>
            On the phone, open <strong>{{ address }}</strong> and enter
          </p>
          <p class="digits tabular" data-code>{{ code.code }}</p>
          <p class="soft">Works once, until {{ momentText(code.expiresAt) }}.</p>
        </div>
        <v-btn v-else variant="outlined" :prepend-icon="mdiCellphoneKey" @click="makeCode"
          >Make a pairing code</v-btn
        >
        <NoticeBox v-if="problem" tone="stop">{{ problem }}</NoticeBox>
      </section>
    </aside>
  </div>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(360px, 1fr);
  gap: 14px;
  padding: 8px 18px 24px;
  align-items: start;
}
.side {
  display: grid;
  gap: 14px;
}
.part {
  padding: 14px 16px;
}
header {
  display: flex;
  align-items: baseline;
  gap: 12px;
}
h2 {
  font-size: 16.5px;
  margin-bottom: 4px;
}
.bout {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) auto;
  gap: 14px;
  padding: 9px 0 9px 12px;
  border-bottom: 1px solid var(--line);
  border-left: 4px solid transparent;
}
.bout.stop {
  border-left-color: var(--brick);
}
.when,
.what {
  display: flex;
  flex-direction: column;
}
.when .soft {
  font-size: 13px;
}
em {
  font-style: normal;
}
em.stop {
  color: var(--brick);
  font-weight: 650;
}
em.left {
  color: var(--ochre);
}
.trouble {
  font-size: 14px;
  color: var(--brick);
}
.pain {
  display: flex;
  gap: 5px;
  align-items: baseline;
  align-self: start;
  white-space: nowrap;
}
.pain strong {
  font-size: 17px;
}
.high {
  color: var(--brick);
}
.small {
  margin-top: 8px;
  font-size: 13px;
}
.item {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 5px 0;
  border-bottom: 1px dotted var(--line);
}
.item small {
  display: block;
  font-size: 13px;
}
.paused {
  color: var(--brick);
}
.runs {
  color: var(--moss);
}
.code {
  padding: 12px 0;
}
.digits {
  font-size: 34px;
  font-weight: 750;
  letter-spacing: 0.04em;
}
.link {
  border: 0;
  background: none;
  color: var(--brick);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}
.part > .v-btn {
  margin-top: 8px;
}
@media (max-width: 1020px) {
  .step {
    grid-template-columns: 1fr;
  }
}
</style>
