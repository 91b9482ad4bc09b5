<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { useClinicApi } from '../../shared/api/clinicApi'
import type { PermissionMapAnswer, VerdictAnswer } from '@pledge/contract'
import { useCaseStore } from '../../shared/case/caseStore'
import ChoiceInput from '../../shared/parts/ChoiceInput.vue'
import RulesFold from '../../shared/parts/RulesFold.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import VerdictMark from '../../shared/parts/VerdictMark.vue'
import { dayText, VERDICT_COLORS, VERDICT_WORDS } from '../../shared/words'

/** What may be done today at the injured part: a row a motion, a column a mode, with why and what would open it. */
type Loading = { name: 'loading' } | { name: 'ready' } | { name: 'failed'; message: string }
const props = defineProps<{ episodeId: string }>()
const api = useClinicApi()
const cases = useCaseStore()
const map = ref<PermissionMapAnswer | null>(null)
const loading = ref<Loading>({ name: 'loading' })
const inside = ref<'worn' | 'none'>('worn')
/** Whether the single motions are shown though one cause keeps all of them shut. */
const isTold = ref(false)
const isMapShown = computed(() => !map.value?.barredBy || isTold.value)
const chosen = ref<{ row: string; mode: string } | null>(null)

let newest = 0
/** An answer that a later question has overtaken is dropped: it may call open what has been closed since. */
async function load() {
  newest += 1
  const mine = newest
  try {
    const answer = await api.permissions(props.episodeId, inside.value)
    if (mine !== newest) return
    map.value = answer
    loading.value = { name: 'ready' }
  } catch {
    if (mine === newest) loading.value = { name: 'failed', message: 'The map could not be read. Try again.' }
  }
}
onMounted(load)
watch([inside, () => cases.data?.revision], load)

const hasOrthosis = computed(() => inside.value === 'none' || map.value?.orthosis !== 'none')
const answer = computed(() => {
  if (!map.value || !chosen.value) return null
  const row = map.value.rows.find((one) => one.motion === chosen.value!.row)
  const cell = row?.cells.find((one) => one.mode === chosen.value!.mode)
  const mode = map.value.modes.find((one) => one.mode === chosen.value!.mode)
  return row && cell && mode
    ? { name: `${row.name.charAt(0).toUpperCase()}${row.name.slice(1)}, ${mode.name}`, verdict: cell.verdict }
    : null
})
function short(verdict: VerdictAnswer): string {
  if (verdict.kind !== 'not-yet') return { clear: 'clear', 'with-care': 'care', never: 'never' }[verdict.kind]
  if (verdict.form) return 'limited'
  if (verdict.fromDate === null) return 'decide'
  const missing = verdict.missing.length > 0 ? ` +${verdict.missing.length}` : ''
  return `${dayText(verdict.fromDate)}${missing}`
}
function said(row: string, mode: string, verdict: VerdictAnswer): string {
  const from = verdict.fromDate && !verdict.form ? ', not before' : ''
  return `${row}, ${mode}: ${VERDICT_WORDS[verdict.kind]}${from} ${short(verdict)}`
}
</script>

<template>
  <section class="sheet map">
    <header>
      <h2>What may move today</h2>
      <ChoiceInput
        v-if="hasOrthosis"
        v-model="inside"
        label="Judged"
        hide-label
        :choices="[
          {
            value: 'worn',
            text: map && map.orthosis !== 'none' ? `inside ${map.orthosisName}` : 'with the orthosis',
          },
          { value: 'none', text: 'without' },
        ]"
      />
    </header>
    <NoticeBox v-if="loading.name === 'failed'" tone="stop">{{ loading.message }}</NoticeBox>
    <div v-else-if="!map" class="bones" aria-hidden="true" />
    <template v-else>
      <NoticeBox v-if="map.barredBy" tone="wait"
        ><strong>Nothing here moves today.</strong> {{ map.barredBy }}
        <button type="button" class="text-button" :aria-expanded="isTold" @click="isTold = !isTold">
          {{ isTold ? 'Hide the single motions' : 'Show the single motions' }}
        </button></NoticeBox
      >
      <div v-if="isMapShown" class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col"><span class="sr-only">Motion</span></th>
              <th v-for="mode in map.modes" :key="mode.mode" scope="col">{{ mode.name }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in map.rows" :key="row.motion">
              <th scope="row">{{ row.name }}</th>
              <td v-for="(cell, index) in row.cells" :key="cell.mode">
                <button
                  type="button"
                  class="cell"
                  :class="{ on: chosen?.row === row.motion && chosen.mode === cell.mode }"
                  :aria-label="said(row.name, map.modes[index]!.name, cell.verdict)"
                  :aria-pressed="chosen?.row === row.motion && chosen.mode === cell.mode"
                  @click="chosen = { row: row.motion, mode: cell.mode }"
                >
                  <VerdictMark :kind="cell.verdict.kind" />
                  <small class="tabular" :style="{ color: VERDICT_COLORS[cell.verdict.kind] }">{{
                    short(cell.verdict)
                  }}</small>
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-if="answer && isMapShown" class="why" aria-live="polite">
        <p>
          <strong>{{ answer.name }}: {{ VERDICT_WORDS[answer.verdict.kind] }}.</strong>
          {{ answer.verdict.told.slice(0, 3).join(' ') }}
        </p>
        <ul v-if="answer.verdict.openers.length > 0" class="openers">
          <li v-for="one in answer.verdict.openers" :key="one.text">
            <template v-if="one.kind === 'day'"
              >its day, {{ one.date ? dayText(one.date) : one.text }}</template
            >
            <template v-else>{{ one.text }}</template>
            <small v-if="one.giver" class="soft">
              · {{ one.giver === 'surgeon' ? 'the surgeon gives it' : 'you record it' }}</small
            >
          </li>
        </ul>
        <RulesFold :reasons="answer.verdict.reasons" />
      </div>
      <p v-else-if="isMapShown" class="soft small">
        Full range, lightest load. Choose a cell for its reason and what would open it. “limited”: a smaller
        form is open today; “+2”: criteria still missing.
      </p>
    </template>
  </section>
</template>

<style scoped>
.map {
  display: grid;
  gap: 8px;
  padding: 14px 16px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}
h2 {
  font-size: 16.5px;
}
.bones {
  height: 180px;
  border-radius: 5px;
  background: var(--line);
  opacity: 0.5;
}
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
thead th {
  padding: 2px 4px 6px;
  font-size: 12.5px;
  font-weight: 600;
  line-height: 1.15;
  color: var(--ink-soft);
  text-align: center;
  vertical-align: bottom;
}
tbody th {
  padding: 2px 8px 2px 0;
  font-weight: 400;
  text-align: left;
  border-top: 1px dotted var(--line);
}
tbody th::first-letter {
  text-transform: uppercase;
}
td {
  padding: 0;
  border-top: 1px dotted var(--line);
  text-align: center;
}
.cell {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 1px;
  width: 100%;
  min-height: 42px;
  padding: 3px 2px;
  border: 1px solid transparent;
  border-radius: 4px;
  background: none;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.cell:hover {
  border-color: var(--line);
}
.cell.on {
  border-color: var(--teal);
  background: var(--teal-wash);
}
.cell small {
  font-size: 11.5px;
  line-height: 1.1;
  white-space: nowrap;
}
.why {
  display: grid;
  gap: 5px;
  padding: 10px 12px;
  border-left: 4px solid var(--teal);
  background: var(--paper-deep);
}
.openers li {
  position: relative;
  padding-left: 18px;
}
.openers li::before {
  content: '';
  position: absolute;
  left: 2px;
  top: 6px;
  width: 8px;
  height: 8px;
  border: 2px solid var(--plum);
  border-radius: 50%;
}
.small {
  font-size: 13px;
}
</style>
