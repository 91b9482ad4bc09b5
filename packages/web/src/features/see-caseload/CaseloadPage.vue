<script setup lang="ts">
import { mdiAccountPlusOutline } from '@mdi/js'
import type { CaseloadAnswer, CaseloadRow } from '@pledge/contract'
import { CASELOAD_ROWS } from '@pledge/core/schemas'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { agoText, weekOf } from '../../shared/words'
import PainTrace from './PainTrace.vue'

const api = useClinicApi()
const session = useSessionStore()
const router = useRouter()
/** The newest answer stays while the next one is waited for. */
const answer = ref<CaseloadAnswer | null>(null)
const failure = ref('')
const search = ref('')
const whose = ref<'mine' | 'all'>('all')
const rows = ref<number>(CASELOAD_ROWS.first)
const selected = ref(0)
const searchField = ref<HTMLInputElement>()
const now = new Date()

const shown = computed(() => answer.value?.cases ?? [])
const hidden = computed(() => (answer.value?.total ?? 0) - shown.value.length)
const hiddenWords = computed(() => {
  const waiting = (answer.value?.urgent ?? 0) - shown.value.length
  const rest = `${hidden.value} less urgent ${hidden.value === 1 ? 'one is' : 'ones are'} not shown`
  return waiting > 0 ? `${rest}; ${waiting} of them need somebody too` : rest
})
const isFiltered = computed(() => search.value.trim() !== '' || whose.value === 'mine')

/** What a reason to act leads to: the step where it is dealt with. */
const STEP_OF = {
  redFlag: 'phase',
  paused: 'program',
  reviewDue: 'evaluate',
  behind: 'phase',
  held: 'phase',
  unsigned: 'program',
} as const
const ACTION_OF = {
  redFlag: 'Look into it',
  paused: 'See what is paused',
  reviewDue: 'Evaluate',
  behind: 'See the phase',
  held: 'Record criteria',
  unsigned: 'Write the program',
} as const
const MARK_OF = {
  redFlag: 'brick',
  paused: 'plum',
  reviewDue: 'ochre',
  behind: 'ochre',
  held: 'plum',
  unsigned: 'ochre',
} as const

const TYPING_MS = 200
let typing: ReturnType<typeof setTimeout> | undefined
/** The question that is being answered; what an earlier one brings is too old. */
let asking: Promise<void> = Promise.resolve()
let asked = 0

function read(): Promise<void> {
  clearTimeout(typing)
  typing = undefined
  const mine = (asked += 1)
  const query = { whose: whose.value, text: search.value.trim(), rows: rows.value }
  asking = api.caseload(query).then(
    (found) => {
      if (mine !== asked) return
      answer.value = found
      failure.value = ''
      selected.value = Math.min(selected.value, Math.max(0, found.cases.length - 1))
    },
    (error: unknown) => {
      if (mine !== asked) return
      failure.value = error instanceof ApiProblem ? error.message : 'The caseload could not be read.'
    },
  )
  return asking
}
function readAnew() {
  rows.value = CASELOAD_ROWS.first
  selected.value = 0
  return read()
}
watch(whose, readAnew)
watch(search, () => {
  clearTimeout(typing)
  typing = setTimeout(() => void readAnew(), TYPING_MS)
})
function readMore() {
  rows.value = Math.min(rows.value + CASELOAD_ROWS.first, CASELOAD_ROWS.most)
  return read()
}
/** Opens what the filter finds as it stands now, also where it was typed a moment ago. */
async function open() {
  await (typing === undefined ? asking : readAnew())
  const row = shown.value[selected.value]
  if (row && failure.value === '') await router.push(target(row))
}
function target(row: CaseloadRow) {
  const first = row.attention[0]
  return { name: first ? STEP_OF[first.kind] : 'home', params: { id: row.episodeId } }
}
function onKey(event: KeyboardEvent) {
  const isTyping = event.target instanceof HTMLInputElement
  if (event.key === '/' && !isTyping) {
    event.preventDefault()
    searchField.value?.focus()
  }
  if (event.key === 'Escape' && isTyping) searchField.value?.blur()
  if (isTyping && event.key !== 'Enter') return
  if (event.key === 'j') selected.value = Math.min(shown.value.length - 1, selected.value + 1)
  if (event.key === 'k') selected.value = Math.max(0, selected.value - 1)
  const isOwn = event.target instanceof HTMLAnchorElement || event.target instanceof HTMLButtonElement
  if (event.key === 'Enter' && !isOwn) void open()
}
onMounted(() => {
  void read()
  window.addEventListener('keydown', onKey)
})
onBeforeUnmount(() => {
  clearTimeout(typing)
  window.removeEventListener('keydown', onKey)
})
</script>

<template>
  <div class="page">
    <div class="bar">
      <div>
        <h1>Caseload</h1>
        <p class="soft" role="status">
          <template v-if="answer"
            ><strong>{{ answer.urgent }}</strong> of {{ answer.total }} open episodes need somebody, most
            urgent first</template
          >
          <template v-else>Reading the open episodes</template>
        </p>
      </div>
      <label class="search">
        <span class="sr-only">Filter by patient, phase or therapist</span>
        <input
          ref="searchField"
          v-model="search"
          type="search"
          maxlength="200"
          placeholder="Filter: patient, phase, therapist   /"
        />
      </label>
      <div class="whose" role="group" aria-label="Whose patients">
        <button :class="{ on: whose === 'all' }" :aria-pressed="whose === 'all'" @click="whose = 'all'">
          All
        </button>
        <button :class="{ on: whose === 'mine' }" :aria-pressed="whose === 'mine'" @click="whose = 'mine'">
          Mine
        </button>
      </div>
      <v-btn
        v-if="session.user?.role === 'therapist'"
        :to="{ name: 'newReferral' }"
        :prepend-icon="mdiAccountPlusOutline"
        >New referral</v-btn
      >
    </div>
    <NoticeBox v-if="failure !== ''" tone="stop"
      >{{ failure }} <a href="" @click.prevent="read">Try again</a></NoticeBox
    >
    <ul v-else-if="answer" class="rows">
      <li v-if="shown.length === 0" class="empty soft">
        {{
          isFiltered
            ? 'No episode fits this filter.'
            : 'No open episode yet. A new referral opens the first one.'
        }}
      </li>
      <li
        v-for="(row, index) in shown"
        :key="row.episodeId"
        class="row"
        :class="{ selected: index === selected }"
        @mouseenter="selected = index"
      >
        <span class="edge" :class="row.attention[0] ? MARK_OF[row.attention[0].kind] : 'none'" />
        <div class="who">
          <router-link :to="target(row)" class="patient">{{ row.patient }}</router-link>
          <span class="soft">{{ row.side }} side · {{ row.condition }}</span>
          <span class="soft therapist">{{ row.therapist }}</span>
        </div>
        <div class="when tabular">
          <strong>day {{ row.day }}</strong
          ><span class="soft">week {{ weekOf(row.day) }}</span>
        </div>
        <div class="phase">
          <span>{{ row.phase ? row.phase.name : 'Not started' }}</span>
          <span
            v-if="row.phase"
            class="stretches"
            role="img"
            :aria-label="`phase ${row.phase.number} of ${row.phase.of}`"
          >
            <i v-for="number in row.phase.of" :key="number" :class="{ done: number <= row.phase.number }" />
          </span>
        </div>
        <div class="pain">
          <template v-if="row.painRecent.length > 0">
            <PainTrace :pains="row.painRecent.map((one) => one.worst)" />
            <span class="tabular"
              >pain <strong>{{ row.lastPain }}</strong>/10</span
            >
          </template>
          <span v-else class="soft">no pain logged</span>
        </div>
        <div class="bout">
          <span>{{ row.lastBoutAt ? agoText(row.lastBoutAt, now) : 'never' }}</span><span class="soft"
            >last bout</span
          >
        </div>
        <div class="why">
          <p v-for="reason in row.attention" :key="reason.kind" :class="MARK_OF[reason.kind]">
            {{ reason.text }}
          </p>
          <p v-if="row.attention.length === 0" class="soft">On course</p>
        </div>
        <router-link :to="target(row)" class="act">{{
          row.attention[0] ? ACTION_OF[row.attention[0].kind] : 'Open'
        }}</router-link>
      </li>
    </ul>
    <div v-else class="rows" aria-busy="true"><div v-for="index in 5" :key="index" class="bone" /></div>
    <p v-if="hidden > 0 && failure === ''" class="more">
      <button v-if="shown.length < CASELOAD_ROWS.most" @click="readMore">
        Show {{ Math.min(hidden, CASELOAD_ROWS.first) }} more
      </button>
      <span class="soft">{{ hiddenWords }}</span>
    </p>
    <p class="keys soft">
      Keys: <kbd>j</kbd> <kbd>k</kbd> move, <kbd>Enter</kbd> opens, <kbd>/</kbd> filters
    </p>
  </div>
</template>

<style scoped>
.page {
  max-width: 1400px;
  margin: 0 auto;
  padding: 18px;
}
.bar {
  display: flex;
  align-items: flex-end;
  gap: 14px;
  margin-bottom: 16px;
}
.bar > div:first-child {
  flex: 1;
}
h1 {
  font-size: 24px;
  line-height: 1.2;
}
.search input {
  width: 300px;
  height: 36px;
  padding: 0 12px;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.search input::placeholder {
  color: var(--ink-soft);
}
.whose {
  display: flex;
}
.whose button {
  height: 36px;
  padding: 0 14px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}
.whose button:first-child {
  border-radius: 5px 0 0 5px;
  border-right: 0;
}
.whose button:last-child {
  border-radius: 0 5px 5px 0;
}
.whose button.on {
  background: var(--ink);
  color: var(--paper);
}
.rows {
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 6px;
}
.row {
  position: relative;
  display: grid;
  grid-template-columns: minmax(180px, 1.2fr) 74px minmax(150px, 0.9fr) 178px 92px minmax(190px, 1.3fr) 152px;
  grid-template-rows: auto;
  align-items: center;
  gap: 14px;
  min-height: 78px;
  padding: 10px 16px 10px 22px;
  border-bottom: 1px solid var(--line);
}
.row:last-child {
  border-bottom: 0;
}
.row.selected {
  background: var(--paper);
}
.edge {
  position: absolute;
  left: 0;
  top: 10px;
  bottom: 10px;
  width: 5px;
  border-radius: 0 3px 3px 0;
}
.edge.brick {
  background: var(--brick);
}
.edge.plum {
  background: var(--plum);
}
.edge.ochre {
  background: var(--ochre);
}
.who,
.when,
.bout,
.phase,
.why {
  display: flex;
  flex-direction: column;
  gap: 2px;
  min-width: 0;
}
.patient {
  font-size: 16.5px;
  font-weight: 650;
  color: var(--ink) !important;
  text-decoration: none;
}
.patient:hover {
  text-decoration: underline;
}
.who .soft,
.when .soft,
.bout .soft {
  font-size: 13.5px;
}
.stretches {
  display: flex;
  gap: 3px;
  margin-top: 4px;
}
.stretches i {
  width: 22px;
  height: 5px;
  border-radius: 2px;
  background: var(--line);
}
.stretches i.done {
  background: var(--moss);
}
.pain {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 13.5px;
}
.why p {
  font-weight: 600;
  font-size: 14px;
}
.why .brick {
  color: var(--brick);
}
.why .plum {
  color: var(--plum);
}
.why .ochre {
  color: var(--ochre);
}
.why .soft {
  font-weight: 400;
}
.act {
  justify-self: end;
  padding: 7px 12px;
  border: 1px solid var(--teal);
  border-radius: 5px;
  font-size: 14px;
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}
.act:hover {
  background: var(--teal-wash);
}
.empty {
  padding: 28px;
}
.more {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-top: 12px;
}
.more button {
  height: 36px;
  padding: 0 14px;
  border: 1px solid var(--teal);
  border-radius: 5px;
  background: var(--sheet);
  color: var(--teal);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
.more button:hover {
  background: var(--teal-wash);
}
.bone {
  height: 58px;
  margin: 10px;
  border-radius: 5px;
  background: var(--paper-deep);
}
.keys {
  margin-top: 10px;
  font-size: 13px;
}
kbd {
  padding: 1px 6px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--sheet);
  font: inherit;
}
@media (max-width: 1180px) {
  .row {
    grid-template-columns: minmax(160px, 1fr) 74px minmax(140px, 1fr) 152px;
  }
  .pain,
  .bout {
    display: none;
  }
  .why {
    grid-column: 1 / 4;
  }
}
</style>
