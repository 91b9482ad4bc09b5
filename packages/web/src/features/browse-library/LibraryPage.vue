<script setup lang="ts">
import { VERDICT_KINDS, type VerdictKind } from '@pledge/core'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { ExercisePageAnswer, LibraryAnswer } from '@pledge/contract'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import VerdictMark from '../../shared/parts/VerdictMark.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { VERDICT_WORDS } from '../../shared/words'
import ExercisePage from './ExercisePage.vue'
import { choicesOf, FACET_LABELS, FACETS, found, NOT_NARROWED, type Narrowed } from './libraryFilter'

/** Every exercise of the catalogue, found by words or narrowed by what it is for; one of them with everything about it. */
const api = useClinicApi()
const session = useSessionStore()
const route = useRoute()
const router = useRouter()
const library = ref<LibraryAnswer | null>(null)
const page = ref<ExercisePageAnswer | null>(null)
const problem = ref<string | null>(null)
const search = ref('')
const kinds = ref<VerdictKind[]>([])
const caseId = ref<string | null>(session.openCases.at(-1)?.id ?? null)
const openCase = computed(() => session.openCases.find(({ id }) => id === caseId.value) ?? null)
/** Read for a case, the library shows what is usual after its injury first. */
const narrowed = ref<Narrowed>({ ...NOT_NARROWED, condition: openCase.value?.conditionId ?? '' })
const language = ref<'en' | 'es'>('en')
const searchBox = ref<HTMLInputElement>()
const listBox = ref<HTMLElement>()

const shown = computed(() =>
  library.value ? found(library.value, search.value, narrowed.value, kinds.value) : [],
)
const facets = computed(() =>
  library.value
    ? FACETS.map((facet) => ({
        facet,
        label: FACET_LABELS[facet],
        choices: choicesOf(facet, library.value!, narrowed.value),
      }))
    : [],
)
const counts = computed(() =>
  VERDICT_KINDS.map((kind) => ({
    kind,
    count: library.value ? found(library.value, search.value, narrowed.value, [kind]).length : 0,
  })).filter(({ count }) => count > 0),
)
const isNarrowed = computed(
  () => search.value !== '' || kinds.value.length > 0 || FACETS.some((facet) => narrowed.value[facet] !== ''),
)
const selected = computed(() => {
  const wanted = route.params['exerciseId']
  return typeof wanted === 'string' && wanted !== '' ? wanted : (shown.value[0]?.id ?? null)
})

async function read() {
  problem.value = null
  try {
    library.value = await api.libraryExercises(caseId.value)
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'The library could not be read.'
  }
}
async function readPage() {
  if (selected.value === null) return
  try {
    page.value = await api.libraryExercise(selected.value, caseId.value)
  } catch (error) {
    page.value = null
    problem.value = error instanceof ApiProblem ? error.message : 'The exercise could not be read.'
  }
}
watch(caseId, read, { immediate: true })
watch(openCase, (next) => narrow('condition', next?.conditionId ?? ''))
watch([selected, caseId], readPage, { immediate: true })

function select(id: string) {
  void router.replace({ name: 'library', params: { exerciseId: id } })
}
async function move(by: 1 | -1) {
  const place = shown.value.findIndex(({ id }) => id === selected.value)
  const next = shown.value[Math.min(shown.value.length - 1, Math.max(0, place + by))]
  if (!next) return
  select(next.id)
  await nextTick()
  listBox.value?.querySelector('[aria-current="true"]')?.scrollIntoView({ block: 'nearest' })
}
function toggleKind(kind: VerdictKind) {
  kinds.value = kinds.value.includes(kind)
    ? kinds.value.filter((one) => one !== kind)
    : [...kinds.value, kind]
}
function widen() {
  search.value = ''
  narrowed.value = { ...NOT_NARROWED }
  kinds.value = []
}
function narrow(facet: keyof Narrowed, value: string) {
  narrowed.value = { ...narrowed.value, [facet]: value }
}
/** Keys work from anywhere but a field: / finds, j and k or the arrows move. */
function pressKey(event: KeyboardEvent) {
  const place = event.target as HTMLElement
  const isSearch = place === searchBox.value
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (!isSearch && /^(INPUT|SELECT|TEXTAREA)$/.test(place.tagName)) return
  if (document.querySelector('.v-overlay--active')) return
  const keys: Record<string, () => unknown> = {
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    ...(isSearch
      ? { Escape: () => (search.value = '') }
      : { '/': () => searchBox.value?.focus(), j: () => move(1), k: () => move(-1) }),
  }
  const act = keys[event.key]
  if (!act) return
  event.preventDefault()
  void act()
}
onMounted(() => window.addEventListener('keydown', pressKey))
onBeforeUnmount(() => window.removeEventListener('keydown', pressKey))
</script>

<template>
  <div class="library">
    <aside class="finder" aria-label="Find an exercise">
      <label class="search">
        <span class="sr-only">Find an exercise: words in English or Spanish</span>
        <input
          ref="searchBox"
          v-model="search"
          type="search"
          class="plain-field"
          placeholder="Find: nerve wrist, masilla, FDP…"
          aria-keyshortcuts="/"
        />
      </label>
      <div class="facets">
        <label v-for="{ facet, label, choices } in facets" :key="facet" :class="{ on: narrowed[facet] }">
          <span>{{ label }}</span>
          <select
            class="plain-field"
            :value="narrowed[facet]"
            @change="narrow(facet, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">any</option>
            <option v-for="one in choices" :key="one.value" :value="one.value">
              {{ one.name }} ({{ one.count }})
            </option>
          </select>
        </label>
      </div>
      <div class="for-case">
        <label v-if="session.openCases.length > 0"
          ><span>Verdict today for</span>
          <select v-model="caseId" class="plain-field">
            <option :value="null">nobody</option>
            <option v-for="one in session.openCases" :key="one.id" :value="one.id">{{ one.label }}</option>
          </select>
        </label>
        <p v-else class="soft">Open a case to see each verdict for it.</p>
        <router-link to="/figure-sheet" class="all-pictures">All pictures on one sheet</router-link>
        <div v-if="caseId" class="kinds">
          <button
            v-for="{ kind, count } in counts"
            :key="kind"
            :aria-pressed="kinds.includes(kind)"
            @click="toggleKind(kind)"
          >
            <VerdictMark :kind="kind" :size="12" /> {{ VERDICT_WORDS[kind] }} {{ count }}
          </button>
        </div>
      </div>
      <p class="count" role="status">
        <strong class="tabular">{{ shown.length }}</strong> of {{ library?.exercises.length ?? '…' }}
        exercises
        <button v-if="isNarrowed" @click="widen">show all</button>
        <span v-else class="keys"><kbd>/</kbd> find <kbd>j</kbd> <kbd>k</kbd> move</span>
      </p>
      <ul ref="listBox" class="list" tabindex="-1">
        <li v-for="one in shown" :key="one.id">
          <router-link
            :to="{ name: 'library', params: { exerciseId: one.id } }"
            replace
            class="row"
            :aria-current="one.id === selected ? 'true' : undefined"
          >
            <VerdictMark v-if="one.kind" :kind="one.kind" />
            <span class="text"
              ><span class="name">{{ one.name[language] }}</span
              ><small>{{ one.reason[language] }}</small></span
            >
          </router-link>
        </li>
        <li v-if="library && shown.length === 0" class="soft empty">
          No exercise fits. Take a word or a choice away.
        </li>
      </ul>
    </aside>
    <section class="page" aria-live="off">
      <NoticeBox v-if="problem" tone="stop">
        {{ problem }} <a href="" @click.prevent="read().then(readPage)">Try again</a>
      </NoticeBox>
      <ExercisePage
        v-if="page"
        v-model:language="language"
        :exercise="page"
        :open-case="openCase"
        @changed="read().then(readPage)"
      />
      <div v-else-if="!problem" class="waiting" aria-busy="true"><span class="sr-only">Reading</span></div>
    </section>
  </div>
</template>

<style scoped>
.library {
  display: grid;
  grid-template-columns: 348px minmax(0, 1fr);
  height: calc(100vh - 46px);
}
.finder {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.search {
  padding: 12px 12px 6px;
}
.search input,
select {
  width: 100%;
}
select {
  height: 34px;
  padding: 0 8px;
}
.facets {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 5px 10px;
  padding: 0 12px;
  font-size: 13.5px;
}
.facets label,
.for-case label {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr);
  align-items: center;
  gap: 4px;
  color: var(--ink-soft);
}
.facets label.on select {
  border-color: var(--teal);
  background: var(--teal-wash);
  font-weight: 600;
}
.for-case {
  margin: 8px 12px 0;
  padding-top: 8px;
  border-top: 1px solid var(--line);
  font-size: 13.5px;
}
.for-case label {
  grid-template-columns: auto minmax(0, 1fr);
  gap: 8px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-top: 6px;
}
.kinds button {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  padding: 3px 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.kinds button[aria-pressed='true'] {
  border-color: var(--teal);
  background: var(--teal-wash);
  font-weight: 650;
}
.count {
  display: flex;
  align-items: baseline;
  gap: 5px;
  padding: 8px 12px 4px;
  font-size: 13.5px;
  color: var(--ink-soft);
}
.count button {
  margin-left: auto;
  border: 0;
  background: none;
  color: var(--teal);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
.keys {
  margin-left: auto;
}
kbd {
  padding: 0 5px;
  border: 1px solid var(--line);
  border-radius: 3px;
  background: var(--paper);
  font: inherit;
  font-size: 12px;
}
.list {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.row {
  display: flex;
  gap: 10px;
  padding: 7px 12px;
  border-top: 1px solid var(--line);
  color: var(--ink) !important;
  text-decoration: none;
}
.row svg {
  margin-top: 3px;
}
.row[aria-current='true'] {
  background: var(--teal-wash);
  box-shadow: inset 3px 0 0 var(--teal);
}
.text {
  display: flex;
  flex-direction: column;
  min-width: 0;
  line-height: 1.25;
}
small {
  font-size: 12.5px;
  color: var(--ink-soft);
}
.empty {
  padding: 16px 12px;
}
.page {
  min-width: 0;
  overflow-y: auto;
}
.page > :deep(.notice) {
  margin: 18px;
}
.waiting {
  height: 320px;
  margin: 18px;
  border-radius: 6px;
  background: var(--paper-deep);
}
@media (max-width: 900px) {
  .library {
    grid-template-columns: 1fr;
    height: auto;
  }
  .list {
    max-height: 280px;
  }
}
</style>
