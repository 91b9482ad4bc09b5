<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { ProtocolPageAnswer, SchoolsAnswer } from '@pledge/contract'
import HouseEditDialog from '../../shared/house/HouseEditDialog.vue'
import LanguageChoice from '../../shared/parts/LanguageChoice.vue'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import { useSessionStore } from '../../shared/sessionStore'
import VerdictMark from '../../shared/parts/VerdictMark.vue'
import RuleLine from './RuleLine.vue'
import SchoolsAxis from './SchoolsAxis.vue'

/** The protocols to read: the schools of a condition on one axis, one of them phase by phase in sentences. */
const api = useClinicApi()
const session = useSessionStore()
const route = useRoute()
const router = useRouter()
const conditions = ref<SchoolsAnswer[]>([])
const page = ref<ProtocolPageAnswer | null>(null)
const problem = ref<string | null>(null)
const wanted = ref('')
const phaseId = ref('')
const language = ref<'en' | 'es'>('en')
const searchBox = ref<HTMLInputElement>()
const isLead = computed(() => session.user?.role === 'lead')
type Moving =
  | { kind: 'phase'; phaseId: string; day: number; shipped: number }
  | { kind: 'gate'; key: string; day: number; shipped: number }
const moving = ref<Moving | null>(null)

const selected = computed(() => {
  const id = route.params['protocolId']
  if (typeof id === 'string' && id !== '') return id
  return session.openCases.at(-1)?.protocolId ?? conditions.value[0]?.schools[0]?.id ?? null
})
const condition = computed(() =>
  conditions.value.find(({ schools }) => schools.some(({ id }) => id === selected.value)),
)
const listed = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  const fitting = conditions.value.filter(({ name, schools }) =>
    [name.en, name.es, ...schools.flatMap(({ id, title, school }) => [id, title, school])]
      .join(' ')
      .toLowerCase()
      .includes(word),
  )
  return fitting.sort((a, b) => a.name[language.value].localeCompare(b.name[language.value]))
})
const phase = computed(
  () => page.value?.phases.find(({ id }) => id === phaseId.value) ?? page.value?.phases[0] ?? null,
)
const inPhase = (day: number) =>
  phase.value !== null &&
  day >= phase.value.startDay &&
  (phase.value.endDay === null || day < phase.value.endDay)
const gates = computed(() => page.value?.gates.filter(({ rule }) => inPhase(rule.from)) ?? [])
/** What opens in the phase, by day. */
const openings = computed(() => {
  const own = page.value?.openings.filter((one) => one.phaseId === phase.value?.id) ?? []
  return [...new Set(own.map(({ fromDay }) => fromDay))].map((day) => ({
    day,
    exercises: own.filter(({ fromDay }) => fromDay === day),
  }))
})
const neverOpen = computed(() => page.value?.openings.filter((one) => one.fromDay === null) ?? [])
const groups = computed(() => {
  const of = (kind: string) => phase.value?.rules.filter((rule) => rule.kind === kind) ?? []
  return [
    { title: 'Open', rules: of('allow') },
    { title: 'With care', rules: of('caution') },
    { title: 'Not in this phase', rules: of('forbid') },
  ].filter(({ rules }) => rules.length > 0)
})
const isEarlierToo = computed(() => (page.value?.phases[0]?.id ?? '') !== phase.value?.id)

async function readAll() {
  problem.value = null
  try {
    conditions.value = await api.libraryProtocols()
    await readPage()
  } catch (error) {
    problem.value = error instanceof ApiProblem ? error.message : 'The protocols could not be read.'
  }
}
async function readPage() {
  if (!selected.value) return
  try {
    page.value = await api.libraryProtocol(selected.value)
    if (!page.value.phases.some(({ id }) => id === phaseId.value))
      phaseId.value = page.value.phases[0]?.id ?? ''
  } catch (error) {
    page.value = null
    problem.value = error instanceof ApiProblem ? error.message : 'The protocol could not be read.'
  }
}
onMounted(readAll)
watch(selected, (_next, before) => {
  if (before !== null) void readPage()
})

function select(protocolId: string) {
  void router.replace({ name: 'protocols', params: { protocolId } })
}
function step(by: 1 | -1) {
  const phases = page.value?.phases ?? []
  const place = phases.findIndex(({ id }) => id === phase.value?.id)
  phaseId.value = phases[Math.min(phases.length - 1, Math.max(0, place + by))]?.id ?? ''
}
function stepSchool(by: 1 | -1) {
  const schools = condition.value?.schools ?? []
  const place = schools.findIndex(({ id }) => id === selected.value)
  const next = schools[Math.min(schools.length - 1, Math.max(0, place + by))]
  if (next) select(next.id)
}
/** Left and right walk through the phases, up and down through the schools, / finds a condition. */
function pressKey(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  if (/^(INPUT|SELECT|TEXTAREA)$/.test((event.target as HTMLElement).tagName)) return
  if (document.querySelector('.v-overlay--active')) return
  const keys: Record<string, () => void> = {
    ArrowRight: () => step(1),
    ArrowLeft: () => step(-1),
    j: () => stepSchool(1),
    k: () => stepSchool(-1),
    '/': () => searchBox.value?.focus(),
  }
  const act = keys[event.key]
  if (!act) return
  event.preventDefault()
  act()
}
onMounted(() => window.addEventListener('keydown', pressKey))
onBeforeUnmount(() => window.removeEventListener('keydown', pressKey))
</script>

<template>
  <div class="protocols">
    <aside aria-label="Conditions">
      <label class="search">
        <span class="sr-only">Find a condition or a school</span>
        <input
          ref="searchBox"
          v-model="wanted"
          type="search"
          class="plain-field"
          placeholder="Find a condition"
        />
      </label>
      <ul>
        <li v-for="one in listed" :key="one.id">
          <router-link
            v-if="one.schools[0]"
            replace
            :to="{ name: 'protocols', params: { protocolId: one.schools[0].id } }"
            class="condition"
            :aria-current="one.id === condition?.id ? 'true' : undefined"
            >{{ one.name[language]
            }}<span class="soft tabular" :title="`${one.schools.length} schools`">{{
              one.schools.length
            }}</span></router-link
          >
        </li>
        <li v-if="conditions.length > 0 && listed.length === 0" class="soft none">No condition fits.</li>
      </ul>
      <router-link to="/house" class="house">What this clinic does otherwise</router-link>
    </aside>
    <section class="main">
      <NoticeBox v-if="problem" tone="stop">
        {{ problem }} <a href="" @click.prevent="readAll">Try again</a>
      </NoticeBox>
      <template v-if="page && condition && phase">
        <header>
          <div>
            <h1>{{ condition.name[language] }}</h1>
            <p class="soft">
              {{ condition.schools.length === 1 ? 'One school' : `${condition.schools.length} schools` }} on
              one axis of weeks; rings are gates. Every day is the earliest by time alone.
            </p>
          </div>
          <LanguageChoice v-model="language" label="Language of the sentences" />
        </header>
        <div class="sheet">
          <SchoolsAxis
            :schools="condition.schools"
            :selected="page.id"
            :phase-id="phase.id"
            :language="language"
            :openings="page.openings"
            @select="select"
            @phase="phaseId = $event"
          />
        </div>
        <div class="columns">
          <section>
            <h2>
              <span :lang="language">{{ phase.name[language] }}</span>
              <span class="soft tabular"
                >day {{ phase.startDay }}
                {{ phase.endDay === null ? 'onwards' : `to ${phase.endDay - 1}` }}</span
              >
              <span v-if="phase.startDay !== phase.shippedStartDay" class="changed"
                >shipped: day {{ phase.shippedStartDay }}</span
              >
              <button
                v-if="isLead && isEarlierToo"
                class="text-button"
                @click="
                  moving = {
                    kind: 'phase',
                    phaseId: phase.id,
                    day: phase.startDay,
                    shipped: phase.shippedStartDay,
                  }
                "
              >
                Change the day
              </button>
            </h2>
            <p>{{ phase.goals }}.</p>
            <p v-if="phase.entry.length > 0" class="soft">
              Begins once recorded:
              <span :lang="language">{{ phase.entry.map((one) => one[language]).join('; ') }}</span>.
            </p>
            <p v-for="one in phase.wear" :key="one.en" class="worn" :lang="language">{{ one[language] }}</p>
            <p v-if="page.sources.length > 0" class="soft small rests">
              Each rule rests on
              <template v-for="(one, place) in page.sources" :key="one.key"
                >{{ place === 0 ? '' : place === page.sources.length - 1 ? ' and ' : ', '
                }}<abbr :title="one.text">{{ one.key }}</abbr> ({{ one.confidence }})</template
              >, from memory.
            </p>
            <template v-for="group in groups" :key="group.title">
              <h3>{{ group.title }}</h3>
              <ul>
                <RuleLine v-for="rule in group.rules" :key="rule.id" :rule="rule" :language="language" />
              </ul>
            </template>
            <p v-if="isEarlierToo" class="soft small">
              What an earlier phase opened stays open unless barred here.
            </p>
          </section>
          <section>
            <h2>Exercises that open in this phase</h2>
            <ul class="openings">
              <li v-for="group in openings" :key="group.day ?? -1">
                <span class="tabular">day {{ group.day }}</span>
                <ul>
                  <li v-for="one in group.exercises" :key="one.id">
                    <VerdictMark :kind="one.isWithCare ? 'with-care' : 'clear'" :size="11" />
                    <router-link :to="{ name: 'library', params: { exerciseId: one.id } }" :lang="language"
                      >{{ one.name[language]
                      }}<span v-if="one.isWithCare" class="sr-only" lang="en">, with care</span></router-link
                    >
                  </li>
                </ul>
              </li>
              <li v-if="openings.length === 0" class="soft none">None more.</li>
            </ul>
            <p v-if="neverOpen.length > 0" class="soft small">
              Never by time in this school: {{ neverOpen.map((one) => one.name[language]).join(', ') }}.
            </p>
            <h2>Gates in this phase</h2>
            <ul>
              <RuleLine
                v-for="{ rule, shippedDay } in gates"
                :key="rule.id"
                :rule="rule"
                :language="language"
              >
                <span class="gate-day tabular"
                  >day {{ rule.from }}
                  <span v-if="rule.from !== shippedDay" class="changed">shipped: {{ shippedDay }}</span>
                  <button
                    v-if="isLead"
                    class="text-button"
                    @click="moving = { kind: 'gate', key: rule.key, day: rule.from, shipped: shippedDay }"
                  >
                    Change
                  </button></span
                >
              </RuleLine>
              <li v-if="gates.length === 0" class="soft">None.</li>
            </ul>
            <template v-if="page.never.length > 0">
              <h2>Never</h2>
              <ul>
                <RuleLine v-for="rule in page.never" :key="rule.id" :rule="rule" :language="language" />
              </ul>
            </template>
            <template v-if="page.select.length > 0">
              <h2>Fits when</h2>
              <p :lang="language">{{ page.select.map((one) => one[language]).join('; ') }}.</p>
            </template>
            <h2>Look out for</h2>
            <ul class="plain">
              <li v-for="one in page.red" :key="one.en" :lang="language">{{ one[language] }}</li>
              <li v-for="one in page.yellow" :key="one">{{ one }}</li>
            </ul>
            <h2>Rests on</h2>
            <p class="soft">{{ page.evidence }}</p>
            <ul class="plain">
              <li v-for="one in page.sources" :key="one.key">
                {{ one.text }} <small>{{ one.confidence }} confidence</small>
              </li>
            </ul>
            <p class="soft small">
              Not reviewed by a clinician. The surgeon’s order and local rules come first.
            </p>
          </section>
        </div>
      </template>
      <div v-else-if="!problem" class="waiting" aria-busy="true"><span class="sr-only">Reading</span></div>
    </section>
    <HouseEditDialog
      v-if="moving && page"
      :subject="
        moving.kind === 'phase'
          ? { kind: 'phase', protocolId: page.id, phaseId: moving.phaseId, day: moving.day }
          : { kind: 'gate', protocolId: page.id, key: moving.key, day: moving.day }
      "
      :shipped="moving.shipped"
      @done="((moving = null), readAll())"
      @close="moving = null"
    />
  </div>
</template>

<style scoped>
.openings > .none {
  display: block;
}
.rests {
  margin-top: 10px;
}
.protocols {
  display: grid;
  grid-template-columns: 232px minmax(0, 1fr);
  height: calc(100vh - 46px);
}
aside {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-right: 1px solid var(--line);
  background: var(--sheet);
}
.search {
  padding: 12px 12px 8px;
}
.search input {
  width: 100%;
}
aside ul {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.condition {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 6px 12px;
  border-top: 1px solid var(--line);
  color: var(--ink) !important;
  font-size: 14.5px;
  line-height: 1.25;
  text-decoration: none;
}
.condition[aria-current='true'] {
  background: var(--teal-wash);
  box-shadow: inset 3px 0 0 var(--teal);
  font-weight: 650;
}
.house {
  padding: 10px 12px;
  border-top: 1px solid var(--line);
  font-size: 14px;
}
.none {
  padding: 12px;
}
.main {
  min-width: 0;
  overflow-y: auto;
  padding: 14px 20px 40px;
}
header > :last-child {
  flex: none;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: flex-start;
  gap: 20px;
  margin-bottom: 10px;
}
h1 {
  font-size: 22px;
  line-height: 1.2;
}
h2 {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 10px;
  margin: 18px 0 4px;
  font-size: 16px;
}
h2 .soft {
  font-size: 14px;
  font-weight: 400;
}
h3 {
  margin: 14px 0 2px;
  font-size: 14px;
  color: var(--ink-soft);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 0 32px;
}
.worn {
  margin-top: 6px;
  padding: 6px 10px;
  border-left: 3px solid var(--line);
  font-size: 14px;
}
.openings > li {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr);
  gap: 8px;
  padding: 3px 0;
}
.openings > li > .tabular {
  color: var(--ink-soft);
}
.openings ul {
  columns: 2;
  column-gap: 16px;
}
.openings ul li {
  display: flex;
  align-items: baseline;
  gap: 6px;
  break-inside: avoid;
  line-height: 1.25;
}
.openings a {
  display: inline-block;
  padding: 4px 0;
  font-size: 14.5px;
  text-decoration: none;
}
.openings a:hover {
  text-decoration: underline;
}
small,
.small {
  font-size: 13px;
  color: var(--ink-soft);
}
.gate-day {
  text-align: right;
  white-space: nowrap;
}
.changed {
  padding: 0 6px;
  border-radius: 3px;
  background: var(--ochre-wash);
  color: var(--ochre);
  font-size: 12.5px;
  font-weight: 650;
}
.plain li {
  padding: 2px 0;
}
.waiting {
  height: 320px;
  border-radius: 6px;
  background: var(--paper-deep);
}
@media (max-width: 1080px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 820px) {
  .protocols {
    grid-template-columns: 1fr;
    height: auto;
  }
  aside ul {
    max-height: 200px;
  }
}
</style>
