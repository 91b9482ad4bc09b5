<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { AuditAnswer } from '@pledge/contract'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { momentText } from '../../shared/words'

const api = useClinicApi()
const entries = ref<AuditAnswer[]>([])
const problem = ref<string | null>(null)
const wanted = ref('')
const onlyChanges = ref(false)
const WORDS: Readonly<Record<string, string>> = {
  signIn: 'signed in',
  'signIn.refused': 'sign-in refused',
  signOut: 'signed out',
  'caseload.read': 'read the caseload',
  'episode.read': 'read the record',
  'referral.create': 'took a referral',
  'patient.match': 'looked whether a patient is known',
  'permissions.read': 'read what may move',
  'bench.read': 'read what to measure',
  'evaluation.create': 'recorded an evaluation',
  'fact.record': 'recorded a criterion',
  'fact.withdraw': 'withdrew a criterion',
  'order.record': 'recorded a restriction',
  'order.withdraw': 'withdrew a restriction',
  'flag.raise': 'raised a red flag',
  'flag.lift': 'lifted a red flag',
  'draft.save': 'saved a draft',
  'draft.read': 'read the draft',
  'verdicts.read': 'read the verdicts',
  'program.sign': 'signed a program',
  'phone.code': 'made a pairing code',
  'phone.pair': 'was paired',
  'phone.pairRefused': 'pairing refused',
  'phone.revoke': 'took a phone back',
  'phone.readToday': 'read today’s exercises',
  'bout.log': 'logged a bout',
  'audit.read': 'read this list',
  'override.record': 'opened an exercise with a reason',
  'override.withdraw': 'took an exception back',
  'home.record': 'recorded what is at home',
  'house.preview': 'looked at what a change would do',
  'house.edit': 'changed the clinic’s catalogue',
  'house.takeBack': 'took a change of the catalogue back',
  'demo.load': 'loaded the demo',
  'user.add': 'added a person',
}
const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return entries.value.filter(
    (entry) =>
      (!onlyChanges.value || entry.isChange) &&
      `${entry.actor} ${WORDS[entry.action] ?? entry.action} ${entry.patient ?? ''}`
        .toLowerCase()
        .includes(word),
  )
})
onMounted(async () => {
  try {
    entries.value = await api.audit()
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'The list could not be read.'
  }
})
</script>

<template>
  <div class="page">
    <header>
      <div>
        <h1>Who did what</h1>
        <p class="soft">
          Every sign-in, every reading of a record and every change. Rows can be added, never changed.
        </p>
      </div>
      <label
        ><span class="sr-only">Filter</span
        ><input
          v-model="wanted"
          type="search"
          class="plain-field"
          placeholder="Filter: person, patient, action"
      /></label>
      <label class="check"><input v-model="onlyChanges" type="checkbox" /> changes only</label>
    </header>
    <NoticeBox v-if="problem" tone="stop">{{ problem }}</NoticeBox>
    <table v-else class="sheet">
      <thead>
        <tr>
          <th scope="col">When</th>
          <th scope="col">Who</th>
          <th scope="col">What</th>
          <th scope="col">Patient</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in shown" :key="entry.id">
          <td class="tabular">{{ momentText(entry.at) }}</td>
          <td>{{ entry.actor }}</td>
          <td :class="{ change: entry.isChange }">{{ WORDS[entry.action] ?? entry.action }}</td>
          <td>{{ entry.patient ?? '' }}</td>
        </tr>
      </tbody>
    </table>
    <p class="soft">The newest 300 rows.</p>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 12px;
  max-width: 1100px;
  margin: 0 auto;
  padding: 18px;
}
header {
  display: flex;
  align-items: flex-end;
  gap: 18px;
}
header > div {
  flex: 1;
}
h1 {
  font-size: 24px;
}
input[type='search'] {
  width: 280px;
}
.check {
  display: flex;
  align-items: center;
  gap: 6px;
  height: 36px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  padding: 7px 14px;
  text-align: left;
}
th {
  color: var(--ink-soft);
  font-size: 13.5px;
}
td {
  border-top: 1px solid var(--line);
}
.change {
  font-weight: 650;
}
</style>
