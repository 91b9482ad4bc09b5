<script setup lang="ts">
import { isBoutTooLong, type DoseQuestion } from '@pledge/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import HealingRibbon from '../../shared/case/HealingRibbon.vue'
import { useCaseStore } from '../../shared/case/caseStore'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import VerdictMark from '../../shared/parts/VerdictMark.vue'
import { useSessionStore } from '../../shared/sessionStore'
import { reachOf } from '../../shared/figure/reachOf'
import { fingersText, midSentence, minutesText, VERDICT_WORDS } from '../../shared/words'
import { useClinicApi } from '../../shared/api/clinicApi'
import ReasonDialog from '../../shared/parts/ReasonDialog.vue'
import DoseSchoolsDialog from './DoseSchoolsDialog.vue'
import ExerciseFinder from './ExerciseFinder.vue'
import ExerciseInspector from './ExerciseInspector.vue'
import OverrideDialog from './OverrideDialog.vue'
import ScoreRow from './ScoreRow.vue'
import { useProgramStore } from './programStore'

const LABEL_WIDTH = 172
const api = useClinicApi()
const cases = useCaseStore()
const session = useSessionStore()
const program = useProgramStore()
const reach = computed(() => (cases.data ? reachOf(cases.data.evaluations, cases.data.episode.side) : {}))
const canEdit = computed(() => session.user?.role === 'therapist')
const chosen = computed(() => new Set(program.items.map((item) => item.exerciseId)))
const score = ref<HTMLElement>()
const width = ref(640)
let observer: ResizeObserver | undefined

onMounted(() => {
  if (cases.data) void program.open(cases.data.episode.id)
  observer = new ResizeObserver(([entry]) => {
    if (entry) width.value = Math.max(360, entry.contentRect.width)
  })
  if (score.value) observer.observe(score.value)
})
onBeforeUnmount(() => observer?.disconnect())
watch(
  () => cases.data?.revision,
  () => void program.judgeAgain(),
)

const rows = computed(() =>
  program.items.map((item) => {
    const exercise = program.byId.get(item.exerciseId)
    const judged = program.judged.get(item.itemId)
    const verdict = judged?.verdict ?? exercise?.verdict
    const override = judged?.override ?? null
    const minutes = judged?.minutesPerBout ?? null
    return {
      item,
      exercise,
      verdict,
      name: exercise?.text.name ?? item.exerciseId,
      openings: judged?.openings ?? exercise?.openings ?? null,
      minutes,
      minutesPerDay: (minutes ?? 0) * item.dose.boutsPerDay,
      override,
      isRefused: override === null && (verdict?.kind === 'not-yet' || verdict?.kind === 'never'),
      isPaused:
        cases.data?.program?.items.find((one) => one.exerciseId === item.exerciseId)?.isPaused ?? false,
    }
  }),
)
const mostMinutes = computed(() => Math.max(1, ...rows.value.map((row) => row.minutesPerDay)))
const burden = computed(() => program.answer?.burden ?? null)
const tooLong = computed(() => {
  const limits = cases.data?.limits
  if (!limits) return false
  const { boutMinutes: minutes, boutExercises: exercises } = limits
  return isBoutTooLong(burden.value ?? { minutesPerBout: 0 }, program.items.length, { minutes, exercises })
})
const shownVerdict = computed(() => {
  const { selected, selectedItem } = program
  if (!selected) return null
  return (selectedItem && program.judged.get(selectedItem.itemId)?.verdict) || selected.verdict
})
const judgedItem = computed(() =>
  program.selectedItem ? (program.judged.get(program.selectedItem.itemId) ?? null) : null,
)
const shownOverride = computed(() =>
  program.selectedItem ? (judgedItem.value?.override ?? null) : (program.selected?.override ?? null),
)
const shownTerms = computed(() =>
  program.selectedItem ? judgedItem.value?.overrideTerms : program.selected?.overrideTerms,
)
const isDosing = ref(false)
const isOverriding = ref(false)
const takenBack = ref<string | null>(null)
const QUESTION_WORDS: Readonly<Record<DoseQuestion, string>> = {
  stretchHold: 'stretch',
  nerveDose: 'nerve',
  earlyLoad: 'strength',
  painCap: 'pain',
  boutOrder: 'order',
}
/** The chosen schools in a few words. */
const schoolWords = computed(() => {
  const chosen = (program.answer?.questions ?? []).flatMap(({ question, chosen: id, schools }) => {
    const school = schools.find((one) => one.id === id)
    return school ? [`${QUESTION_WORDS[question]} ${midSentence(school.name)}`] : []
  })
  return chosen.length > 0 ? chosen.join(', ') : 'as the catalogue has it'
})
const IRRITABILITY = { low: 'low', mod: 'moderate', high: 'high' }
const nerveNote = computed(() => {
  const slides = program.answer?.nerveSlides
  if (!slides) return null
  if (slides.budget === null)
    return `${slides.perDay} nerve slides a day. How irritable the nerve is has not been recorded: do that under Phase.`
  return slides.perDay > slides.budget
    ? `${slides.perDay} nerve slides a day over all variants; ${IRRITABILITY[slides.irritability!]} irritability allows ${slides.budget} (common practice).`
    : null
})
async function overridden() {
  isOverriding.value = false
  takenBack.value = null
  await cases.reload()
  await program.judgeAgain()
}
function isSame(a: object, b: object): boolean {
  const sorted = (one: object) => JSON.stringify(Object.entries(one).sort())
  return sorted(a) === sorted(b)
}
/** Whether what is signed already says the same as the draft. */
const isAsSigned = computed(() => {
  const signed = cases.data?.program?.items
  if (!signed || signed.length !== program.items.length) return false
  if (!isSame(cases.data!.program!.schools, program.schools)) return false
  return program.items.every(
    (item, index) =>
      signed[index]?.exerciseId === item.exerciseId &&
      JSON.stringify(signed[index]?.digits) === JSON.stringify(item.digits) &&
      JSON.stringify(signed[index]?.dose) === JSON.stringify(item.dose),
  )
})
const saveWord = computed(() => {
  switch (program.state.name) {
    case 'unsaved':
    case 'saving':
      return 'saving…'
    case 'saved':
    case 'signed':
      return program.items.length === 0 ? 'nothing chosen yet' : 'draft saved'
    case 'signing':
      return 'signing…'
    default:
      return ''
  }
})
async function sign() {
  if (await program.sign()) await cases.reload()
}
async function openTheirs() {
  if (cases.data) await program.open(cases.data.episode.id)
}
</script>

<template>
  <div v-if="cases.data" class="step">
    <aside class="left" aria-label="Exercises of the condition">
      <ExerciseFinder
        :exercises="program.ranked"
        :chosen="chosen"
        :selected="program.selectedId"
        @select="program.selectedId = $event"
        @add="program.add($event)"
      />
    </aside>
    <section class="middle" aria-label="The program on the healing ribbon">
      <div ref="score" class="score">
        <HealingRibbon :data="cases.data" :label-width="LABEL_WIDTH" />
        <p v-if="program.state.name === 'reading'" class="empty soft">Reading the program…</p>
        <p v-else-if="rows.length === 0" class="empty soft">
          No exercise chosen yet. Add those marked “clear” or “with care” from the list on the left.
        </p>
        <ul v-else>
          <li
            v-for="row in rows"
            :key="row.item.itemId"
            class="row"
            :class="{ selected: row.item.exerciseId === program.selectedId }"
          >
            <button
              class="label"
              :style="{ width: `${LABEL_WIDTH - 8}px` }"
              @click="program.selectedId = row.item.exerciseId"
            >
              <span class="name">{{ row.name }}</span>
              <small v-if="row.item.digits" class="with">{{ fingersText(row.item.digits) }}</small>
              <small v-if="row.isPaused" class="paused">paused on the phone</small>
              <small v-else-if="row.verdict" class="state"
                ><VerdictMark :kind="row.verdict.kind" :size="10" /> {{ VERDICT_WORDS[row.verdict.kind]
                }}<template v-if="row.override">, opened</template></small
              >
            </button>
            <ScoreRow
              :data="cases.data"
              :width="width"
              :label-width="LABEL_WIDTH"
              :item="row.item"
              :name="row.name"
              :load-unit="row.exercise?.load?.unit ?? null"
              :openings="row.openings"
              :is-selected="row.item.exerciseId === program.selectedId"
              :is-refused="row.isRefused"
              :minutes-per-day="row.minutesPerDay"
              :most-minutes="mostMinutes"
            />
          </li>
        </ul>
        <p v-if="rows.length > 0" class="key soft">
          <i class="tint" /> closed by time <i class="held" /> waits for the record <i class="block" /> signed
          <i class="open" /> draft <i class="tick" /> done at home <i class="dot" /> hurt
        </p>
      </div>
      <footer class="foot">
        <div class="notices">
          <NoticeBox v-if="program.state.name === 'overtaken'" tone="stop"
            >{{ program.state.message }} <a href="" @click.prevent="openTheirs">Open theirs</a></NoticeBox
          >
          <NoticeBox v-else-if="program.state.name === 'failed'" tone="stop">{{
            program.state.message
          }}</NoticeBox>
          <NoticeBox v-else-if="program.state.name === 'signed'" tone="good"
            >Signed as program {{ program.state.number }}. The phone takes it over at its next
            contact.</NoticeBox
          >
          <NoticeBox v-else-if="nerveNote" tone="care">{{ nerveNote }}</NoticeBox>
          <NoticeBox v-else-if="tooLong" tone="care"
            >More than {{ cases.data!.limits.boutExercises }} exercises or
            {{ cases.data!.limits.boutMinutes }} minutes in a bout: few patients keep that up (common
            practice).</NoticeBox
          >
        </div>
        <p class="burden">
          <template v-if="burden && rows.length > 0">
            <strong>{{ rows.length }}</strong> {{ rows.length === 1 ? 'exercise' : 'exercises' }} ·
            <strong class="tabular">{{ minutesText(burden.minutesPerBout) }}</strong> a bout ·
            <strong class="tabular">{{ minutesText(burden.minutesPerDay) }}</strong> a day in up to
            {{ burden.boutsPerDay }} bouts
          </template>
          <br /><span class="soft">{{ saveWord }}</span>
          <span v-if="rows.length > 0" class="soft">
            · dosing: {{ schoolWords }}
            <button v-if="canEdit" type="button" class="text-button" @click="isDosing = true">
              Schools
            </button></span
          >
        </p>
        <v-btn
          v-if="canEdit"
          :loading="program.state.name === 'signing'"
          :disabled="rows.length === 0 || isAsSigned || program.state.name === 'overtaken'"
          @click="sign"
        >
          {{
            isAsSigned
              ? `Signed as program ${cases.data.program?.number}`
              : `Sign program ${(cases.data.program?.number ?? 0) + 1}`
          }}
        </v-btn>
      </footer>
    </section>
    <aside class="right" aria-label="The selected exercise">
      <ExerciseInspector
        v-if="program.selected && shownVerdict"
        :key="program.selected.id"
        :exercise="program.selected"
        :item="program.selectedItem"
        :side="cases.data!.episode.side"
        :injured="cases.data!.episode.digits"
        :reach="reach"
        :verdict="shownVerdict"
        :openings="judgedItem?.openings ?? program.selected.openings"
        :minutes-per-bout="
          program.selectedItem
            ? (program.judged.get(program.selectedItem.itemId)?.minutesPerBout ?? null)
            : null
        "
        :can-edit="canEdit"
        :override="shownOverride"
        :can-override="shownTerms?.isPossible ?? false"
        :pain-cap="judgedItem?.painCap ?? program.selected.painCap"
        :school-dose="judgedItem?.schoolDose ?? null"
        :waits-for="judgedItem?.waitsFor ?? []"
        :error-at="(field) => program.errorAt(program.selected!.id, field)"
        @select="program.selectedId = $event"
        @add="program.add(program.selected!.id)"
        @remove="program.remove(program.selected!.id)"
        @up="program.move(program.selected!.id, -1)"
        @down="program.move(program.selected!.id, 1)"
        @dose="program.setDose(program.selected!.id, $event)"
        @digit="program.toggleDigit(program.selected!.id, $event)"
        @override="isOverriding = true"
        @take-back="takenBack = $event"
      />
    </aside>
    <DoseSchoolsDialog
      v-if="isDosing && program.answer"
      :questions="program.answer.questions"
      :is-saving="program.state.name === 'saving'"
      @choose="(question, school) => program.chooseSchool(question, school)"
      @close="isDosing = false"
    />
    <OverrideDialog
      v-if="isOverriding && program.selected && shownVerdict"
      :episode-id="cases.data.episode.id"
      :exercise="program.selected"
      :dose="program.selectedItem?.dose ?? program.selected.dose"
      :digits="program.selectedItem?.digits ?? null"
      :verdict="shownVerdict"
      :needs-surgeon="shownTerms?.needsSurgeon ?? false"
      :surgeon="cases.data.episode.surgeon"
      @done="overridden"
      @close="isOverriding = false"
    />
    <ReasonDialog
      v-if="takenBack"
      title="Take the exception back"
      explanation="The exercise pauses on the phone at its next contact. The exception stays on record."
      label="Why"
      action="Take it back"
      path="why"
      :send="({ id, text }) => api.takeBackOverride(cases.data!.episode.id, takenBack!, { id, why: text })"
      @done="overridden"
      @close="takenBack = null"
    />
  </div>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: 262px minmax(0, 1fr) 318px;
  height: calc(100vh - 139px);
  min-height: 480px;
}
.left {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-right: 1px solid var(--line);
}
.left > * {
  min-height: 0;
}
.right {
  overflow-y: auto;
  border-left: 1px solid var(--line);
  background: var(--sheet);
}
.middle {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
}
.score {
  flex: 1;
  overflow-x: hidden;
  overflow-y: auto;
  margin: 8px 12px 0;
}
.row {
  position: relative;
  border-top: 1px solid var(--line);
}
.row.selected {
  background: var(--teal-wash);
}
.label {
  position: absolute;
  left: 0;
  top: 0;
  bottom: 0;
  display: flex;
  flex-direction: column;
  justify-content: center;
  padding: 0 4px 0 6px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.name {
  font-size: 13.5px;
  font-weight: 600;
  line-height: 1.2;
}
.label small {
  display: flex;
  align-items: center;
  gap: 5px;
  font-size: 12.5px;
  color: var(--ink-soft);
}
.label .with {
  color: var(--ink);
}
.label .paused {
  color: var(--brick);
  font-weight: 650;
}
.empty {
  padding: 40px 24px;
  text-align: center;
}
.key {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  padding: 8px 6px;
  border-top: 1px solid var(--line);
  font-size: 12.5px;
}
.key i {
  display: inline-block;
  width: 16px;
  height: 10px;
  margin-left: 8px;
}
.tint {
  background: var(--plum-wash);
  border: 1px solid var(--line);
}
.held {
  background: repeating-linear-gradient(
    135deg,
    var(--plum-wash) 0 3px,
    color-mix(in srgb, var(--plum) 45%, var(--plum-wash)) 3px 4px
  );
  border: 1px solid var(--line);
}
.block {
  background: var(--teal);
}
.open {
  border: 1.6px solid var(--teal);
}
.key .tick {
  width: 2px;
  background: var(--moss);
}
.key .dot {
  width: 9px;
  height: 9px;
  border-radius: 50%;
  background: var(--brick);
}
.foot {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px 14px;
  align-items: center;
  padding: 10px 14px;
  border-top: 1px solid var(--line);
  background: var(--sheet);
}
.notices {
  grid-column: 1 / -1;
}
.notices:empty {
  display: none;
}
@media (max-width: 1100px) {
  .step {
    grid-template-columns: 220px minmax(0, 1fr);
    height: auto;
  }
  .right {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--line);
  }
}
</style>
