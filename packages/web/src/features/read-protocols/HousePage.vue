<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { HouseEditAnswer } from '@pledge/contract'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { dayAndYear } from '../../shared/words'

/** Every change this clinic made to the shipped catalogue, newest first, with the reason and what it rests on. */
const api = useClinicApi()
const edits = ref<HouseEditAnswer[] | null>(null)
const problem = ref<string | null>(null)
async function read() {
  problem.value = null
  try {
    edits.value = await api.houseEdits()
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'The list could not be read.'
  }
}
onMounted(read)
</script>

<template>
  <div class="page">
    <header>
      <h1>What this clinic does otherwise</h1>
      <p class="soft">
        Changes to the shipped windows and doses. They stay on record; a new change replaces an older one of
        the same thing. The clinic lead makes them under
        <router-link to="/protocols">Protocols</router-link> and
        <router-link to="/library">Library</router-link>.
      </p>
    </header>
    <NoticeBox v-if="problem" tone="stop"
      >{{ problem }} <a href="" @click.prevent="read">Try again</a></NoticeBox
    >
    <p v-else-if="edits && edits.length === 0" class="none sheet">
      Nothing: everything is as it was shipped.
    </p>
    <table v-else-if="edits" class="sheet">
      <thead>
        <tr>
          <th scope="col">No.</th>
          <th scope="col">What</th>
          <th scope="col">Before</th>
          <th scope="col">Now</th>
          <th scope="col">Reason</th>
          <th scope="col">Who</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="edit in edits" :key="edit.id">
          <td class="tabular">{{ edit.number }}</td>
          <td>{{ edit.what }}</td>
          <td class="tabular">{{ edit.before }}</td>
          <td class="tabular">
            <strong>{{ edit.isTakenBack ? 'taken back' : edit.after }}</strong>
          </td>
          <td>
            {{ edit.why }}<small v-if="edit.document"><br />{{ edit.agreedBy }}, {{ edit.document }}</small>
          </td>
          <td>
            {{ edit.by }}<br /><small>{{ dayAndYear(edit.on) }}</small>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  gap: 14px;
  max-width: 1160px;
  margin: 0 auto;
  padding: 18px;
}
h1 {
  font-size: 24px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  padding: 8px 12px;
  text-align: left;
  vertical-align: top;
}
th {
  font-size: 13.5px;
  color: var(--ink-soft);
}
td {
  border-top: 1px solid var(--line);
}
small {
  color: var(--ink-soft);
  font-size: 13px;
}
.none {
  padding: 18px;
}
</style>
