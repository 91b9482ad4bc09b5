<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp } from '@mdi/js'
import {
  type AngleLimits,
  ANGLE_LABELS,
  clippedAngles,
  isOpen,
  type Dose,
  type Digit,
  takesTurns,
} from '@pledge/core'
import { computed, ref } from 'vue'
import type { ExerciseAnswer, OpeningsAnswer, OverrideAnswer, VerdictAnswer } from '@pledge/contract'
import { firstOpenDay } from '../../shared/case/closedStretches'
import HandFigure from '../../shared/figure/HandFigure.vue'
import VerdictMark from '../../shared/parts/VerdictMark.vue'
import {
  dayText,
  doseText,
  HOLD_LABELS,
  holdText,
  loadText,
  minutesText,
  VERDICT_WORDS,
} from '../../shared/words'
import type { DraftItem } from './programStore'

/** One exercise: its verdict with the reason, its dose, its minutes, the patient's words. */
const props = defineProps<{
  exercise: ExerciseAnswer
  item: DraftItem | null
  verdict: VerdictAnswer
  /** When it is open at the item's dose. */
  openings: OpeningsAnswer
  minutesPerBout: number | null
  canEdit: boolean
  errorAt: (field: string) => string | null
  /** The exception that covers the verdict at the item's dose. */
  override: OverrideAnswer | null
  /** Whether a therapist may open it with a reason. */
  canOverride: boolean
  /** The cap of pain under the chosen school, where it is lower than the exercise's own. */
  painCap: number
  /** The dose the chosen schools give it. */
  schoolDose: Dose | null
  waitsFor: readonly string[]
  /** The injured side, which is drawn. */
  side: 'left' | 'right'
  injured: readonly Digit[]
  /** How far the patient's joints went when last measured. */
  reach: AngleLimits
}>()
const emit = defineEmits<{
  add: []
  remove: []
  up: []
  down: []
  select: [id: string]
  dose: [change: Partial<Dose>]
  digit: [digit: Digit]
  override: []
  takeBack: [id: string]
}>()

type Field = 'sets' | 'repetitions' | 'holdSeconds' | 'boutsPerDay'
const FIELDS: readonly { key: Field; label: string; unit: string }[] = [
  { key: 'sets', label: 'Sets', unit: '' },
  { key: 'repetitions', label: 'Repetitions', unit: '' },
  { key: 'holdSeconds', label: 'Hold', unit: 's' },
  { key: 'boutsPerDay', label: 'Times a day', unit: '' },
]
const dose = computed(() => props.item?.dose ?? props.exercise.dose)
const unusual = (key: Field) =>
  dose.value[key] < props.exercise.range[key][0] || dose.value[key] > props.exercise.range[key][1]
/** Where the patient stops short of what the exercise asks: "wrist 40° of 65°". */
const isAsFar = ref(false)
const shortOf = computed(() => {
  const { start, shapes } = props.exercise.depicted
  return clippedAngles([start, ...shapes], props.reach).map(
    ({ angle, askedDeg, drawnDeg }) => `${ANGLE_LABELS[angle].en} ${drawnDeg}° of ${askedDeg}°`,
  )
})
/** By itself, so that another dose does not begin the picture anew. */
const chosen = computed(() => props.item?.digits ?? null)
/** Digits that go one after the other: the first of them is drawn. */
const drawnDigits = computed(() =>
  chosen.value && props.exercise.isOneAtATime ? chosen.value.slice(0, 1) : chosen.value,
)
const isChoosing = ref(false)
/** Where all go together and nobody chose, one line is enough. */
const areDigitsQuiet = computed(
  () =>
    props.exercise.choosableDigits.length > 0 &&
    !props.exercise.isOneAtATime &&
    !isChoosing.value &&
    chosen.value === null,
)
/** One digit goes at a time, nobody said which, and they do not all take turns. */
const isDigitOpen = computed(
  () => props.exercise.isOneAtATime && !takesTurns(props.exercise.depicted) && chosen.value === null,
)
const digitsNote = computed(() => {
  const count = chosen.value?.length ?? 0
  if (isDigitOpen.value) return 'choose which: otherwise the patient is not told'
  if (count === 1) return 'this one only'
  const way = props.exercise.isOneAtATime ? 'one after the other' : 'together'
  if (count === 0) return `none chosen: all, ${way}`
  return props.exercise.isOneAtATime ? `${way}, each the whole dose` : way
})
const openable = computed(() => isOpen(props.verdict.kind) || props.override !== null)
const isOffSchool = computed(
  () => props.schoolDose !== null && FIELDS.some(({ key }) => props.schoolDose![key] !== dose.value[key]),
)
function change(key: Field, typed: string) {
  // An emptied field is no number: the dose stays until there is one again.
  if (typed.trim() === '' || !Number.isFinite(Number(typed))) return
  emit('dose', { [key]: Number(typed) })
}
/** What the runs say besides the day that time alone gives. */
const asRecorded = computed(() => {
  const { fromDay } = props.verdict
  if (fromDay === null) return ''
  const opens = firstOpenDay(props.openings.asTheRecordStands, -Infinity)
  if (opens === null) return 'As the record stands it stays closed.'
  return opens === fromDay ? 'As the record stands, too.' : `As the record stands: from day ${opens}.`
})
const tone = computed(
  () => ({ clear: 'good', 'with-care': 'care', 'not-yet': 'wait', never: 'stop' })[props.verdict.kind],
)
</script>

<template>
  <section class="inspector" :aria-label="exercise.text.name">
    <header>
      <h2>{{ exercise.text.name }}</h2>
      <p class="verdict" :class="verdict.kind">
        <VerdictMark :kind="verdict.kind" /> {{ VERDICT_WORDS[verdict.kind] }}
      </p>
    </header>
    <p class="soft reason">{{ exercise.text.reason }}</p>
    <HandFigure
      class="picture"
      :exercise="exercise.depicted"
      :side="side"
      language="en"
      :worn="exercise.orthosis"
      :injured="injured"
      :chosen="drawnDigits"
      v-bind="isAsFar ? { limits: reach } : {}"
    />
    <label v-if="shortOf.length > 0" class="as-far">
      <input v-model="isAsFar" type="checkbox" />
      Draw it as far as this patient goes: {{ shortOf.join(', ') }}
    </label>

    <div class="why" :class="tone">
      <p v-if="verdict.kind === 'not-yet'">
        <strong v-if="verdict.fromDate"
          >By time alone: not before {{ dayText(verdict.fromDate) }} (day {{ verdict.fromDay }}).</strong
        >
        <strong v-else>By time alone: no day can be given.</strong>
        {{ asRecorded }}
      </p>
      <template v-if="verdict.missing.length > 0">
        <p>It takes besides:</p>
        <ul class="missing">
          <li v-for="one in verdict.openers.filter((opener) => opener.kind === 'criterion')" :key="one.what">
            {{ one.text }} <small class="soft">{{ one.giver === 'surgeon' ? 'surgeon' : 'you' }}</small>
          </li>
        </ul>
      </template>
      <p v-for="one in verdict.openers.filter((opener) => opener.kind === 'decision')" :key="one.text">
        {{ one.text }}
      </p>
      <p v-if="verdict.form">
        <strong>{{ verdict.form.charAt(0).toUpperCase() + verdict.form.slice(1) }}.</strong>
      </p>
      <ul class="texts">
        <li v-for="(one, index) in verdict.reasons.slice(0, 3)" :key="index">{{ one.text }}</li>
      </ul>
      <p v-if="exercise.instead && !openable" class="instead">
        Open today instead:
        <button type="button" @click="emit('select', exercise.instead.id)">
          {{ exercise.instead.name }}
        </button>
        <small class="soft">{{
          exercise.instead.rungsDown === null
            ? 'same aim, same part'
            : exercise.instead.rungsDown === 1
              ? 'one rung below'
              : `${exercise.instead.rungsDown} rungs below`
        }}</small>
      </p>
      <details v-if="verdict.reasons.length > 0">
        <summary>Rules and sources</summary>
        <p v-for="(one, index) in verdict.reasons" :key="index" class="rule">
          <code>{{ one.rule }}</code><template v-if="one.atom"> on {{ one.atom }}</template
          ><br />{{ one.source }}
        </p>
      </details>
    </div>

    <div v-if="override" class="exception">
      <p>
        <strong>Opened with a reason</strong> by {{ override.by }}, {{ dayText(override.on) }}:
        {{ override.why }}
        <small v-if="override.document">{{ override.agreedBy }}, {{ override.document }}</small>
      </p>
      <button v-if="canEdit" type="button" class="text-button" @click="emit('takeBack', override.id)">
        Take the exception back
      </button>
    </div>
    <button
      v-else-if="canEdit && canOverride"
      type="button"
      class="text-button open-anyway"
      @click="emit('override')"
    >
      Open it with a reason…
    </button>

    <template v-if="item">
      <h3>Dose</h3>
      <p v-if="waitsFor.length > 0" class="school-note">
        Your school of early load waits for: {{ waitsFor.join('; ') }}.
      </p>
      <p v-if="isOffSchool && schoolDose" class="school-note">
        Other than the chosen school: {{ doseText(schoolDose, exercise.holdKind) }}.
        <button v-if="canEdit" type="button" class="text-button" @click="emit('dose', schoolDose)">
          Dose it so
        </button>
      </p>
      <p v-if="areDigitsQuiet" class="sum">
        <span>Digits</span>
        <span
          >all, together
          <button v-if="canEdit" type="button" class="text-button" @click="isChoosing = true">
            Choose
          </button></span
        >
      </p>
      <fieldset v-else-if="exercise.choosableDigits.length > 0" class="digits">
        <legend>With which digits</legend>
        <span class="chips">
          <label
            v-for="digit in exercise.choosableDigits"
            :key="digit"
            :class="{ on: chosen?.includes(digit) }"
          >
            <input
              type="checkbox"
              class="sr-only"
              :checked="chosen?.includes(digit) ?? false"
              :disabled="!canEdit"
              @change="emit('digit', digit)"
            />{{ digit }}<span v-if="injured.includes(digit)" class="sr-only"> (injured)</span
            ><i v-if="injured.includes(digit)" aria-hidden="true" />
          </label>
        </span>
        <small v-if="errorAt('digits')" class="wrong" role="alert">{{ errorAt('digits') }}</small>
        <small v-else :class="isDigitOpen ? 'odd' : 'soft'">{{ digitsNote }}</small>
      </fieldset>
      <div v-for="field in FIELDS" :key="field.key" class="dose-row">
        <label :for="`dose-${field.key}`">{{
          field.key === 'holdSeconds' ? HOLD_LABELS[exercise.holdKind] : field.label
        }}</label>
        <span class="entry">
          <input
            :id="`dose-${field.key}`"
            type="number"
            class="tabular"
            :value="dose[field.key]"
            :disabled="!canEdit"
            :aria-invalid="errorAt(`dose.${field.key}`) !== null"
            :aria-describedby="`dose-${field.key}-note`"
            @change="change(field.key, ($event.target as HTMLInputElement).value)"
          />
          <span class="unit">{{ field.unit }}</span>
        </span>
        <small
          :id="`dose-${field.key}-note`"
          :class="{ wrong: errorAt(`dose.${field.key}`), odd: unusual(field.key) }"
          :role="errorAt(`dose.${field.key}`) ? 'alert' : undefined"
        >
          {{
            errorAt(`dose.${field.key}`) ??
            `usual ${exercise.range[field.key][0] === exercise.range[field.key][1] ? exercise.range[field.key][0] : `${exercise.range[field.key][0]}–${exercise.range[field.key][1]}`}${unusual(field.key) ? ': outside' : ''}`
          }}
        </small>
      </div>
      <div v-if="exercise.load" class="dose-row">
        <label for="dose-load">Load</label>
        <select
          id="dose-load"
          :value="dose.load"
          :disabled="!canEdit"
          @change="emit('dose', { load: Number(($event.target as HTMLSelectElement).value) })"
        >
          <option v-for="step in exercise.load.steps" :key="step" :value="step">
            {{ loadText(exercise.load.unit, step) }}
          </option>
        </select>
        <small v-if="errorAt('dose.load')" class="wrong" role="alert">{{ errorAt('dose.load') }}</small>
      </div>
      <p class="sum">
        <span>Minutes a bout</span
        ><strong class="tabular">{{ minutesPerBout === null ? '…' : minutesText(minutesPerBout) }}</strong>
      </p>
      <p class="sum">
        <span>Minutes a day</span
        ><strong class="tabular">{{
          minutesPerBout === null ? '…' : minutesText(minutesPerBout * dose.boutsPerDay)
        }}</strong>
      </p>
      <p class="sum">
        <span>Stop above</span><strong class="tabular">pain {{ painCap }} of 10</strong>
      </p>
      <div v-if="canEdit" class="acts">
        <v-btn variant="outlined" size="small" :prepend-icon="mdiArrowUp" @click="emit('up')">Earlier</v-btn>
        <v-btn variant="outlined" size="small" :prepend-icon="mdiArrowDown" @click="emit('down')"
          >Later</v-btn
        >
        <v-btn variant="text" size="small" color="error" @click="emit('remove')">Take out</v-btn>
      </div>
    </template>
    <template v-else>
      <p class="sum">
        <span>Usual dose</span
        ><strong class="tabular"
          >{{ exercise.dose.sets > 1 ? `${exercise.dose.sets} × ` : '' }}{{ exercise.dose.repetitions }}×{{
            holdText(exercise.dose.holdSeconds)
          }}, {{ exercise.dose.boutsPerDay }} a day</strong
        >
      </p>
      <v-btn v-if="canEdit && openable" block @click="emit('add')">Add to the program</v-btn>
    </template>

    <h3>What the patient reads</h3>
    <ol class="steps">
      <li v-for="step in exercise.text.steps" :key="step">{{ step }}</li>
    </ol>
    <dl class="words">
      <dt>Should feel</dt>
      <dd>{{ exercise.text.shouldFeel }}</dd>
      <dt>Make sure</dt>
      <dd>{{ exercise.text.shouldNotFeel }}</dd>
      <dt>Mistake</dt>
      <dd>{{ exercise.text.mistake }}</dd>
      <dt>Before it</dt>
      <dd>{{ exercise.text.before }}</dd>
      <template v-if="exercise.equipment.length > 0">
        <dt>With</dt>
        <dd>
          <span v-for="thing in exercise.equipment" :key="thing.name" class="thing"
            >{{ thing.name }}<template v-if="thing.home"> (at home: {{ thing.home }})</template></span
          >
        </dd>
      </template>
    </dl>
    <p class="soft source">
      {{ exercise.sources.map((one) => `${one.key}, ${one.confidence} confidence`).join('; ') }}. Not reviewed
      by a clinician.
    </p>
  </section>
</template>

<style scoped>
.as-far {
  display: flex;
  align-items: baseline;
  gap: 8px;
  margin: -4px 0 10px;
  font-size: 14px;
  cursor: pointer;
}
.picture {
  height: 230px;
  margin-bottom: 10px;
}
.instead {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  margin: 8px 0;
}
.instead button {
  padding: 0;
  border: 0;
  background: none;
  color: var(--teal);
  font: inherit;
  font-weight: 600;
  text-align: left;
  text-decoration: underline;
  cursor: pointer;
}
.exception,
.school-note {
  margin-top: 10px;
  padding: 8px 12px;
  border-radius: 5px;
  background: var(--ochre-wash);
  font-size: 14px;
}
.exception small {
  display: block;
}
.open-anyway {
  margin-top: 8px;
  font-size: 14px;
}
.thing {
  display: block;
}
.inspector {
  padding: 14px 16px 24px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
}
h2 {
  font-size: 18px;
  line-height: 1.2;
}
h3 {
  margin: 16px 0 4px;
  font-size: 14px;
  color: var(--ink-soft);
}
.verdict {
  display: flex;
  align-items: center;
  gap: 6px;
  font-weight: 650;
  white-space: nowrap;
}
.verdict.clear {
  color: var(--moss);
}
.verdict.with-care {
  color: var(--ochre);
}
.verdict.not-yet {
  color: var(--plum);
}
.verdict.never {
  color: var(--brick);
}
.reason {
  margin-top: 2px;
  font-size: 14px;
}
.why {
  margin-top: 10px;
  padding: 9px 12px;
  border-left: 4px solid var(--line);
  border-radius: 0 5px 5px 0;
  font-size: 14px;
  line-height: 1.4;
}
.why.good {
  border-color: var(--moss);
  background: var(--moss-wash);
}
.why.care {
  border-color: var(--ochre);
  background: var(--ochre-wash);
}
.why.wait {
  border-color: var(--plum);
  background: var(--plum-wash);
}
.why.stop {
  border-color: var(--brick);
  background: var(--brick-wash);
}
.missing li {
  padding-left: 14px;
  position: relative;
}
.missing li::before {
  content: '';
  position: absolute;
  left: 1px;
  top: 7px;
  width: 6px;
  height: 6px;
  border: 1.5px solid var(--plum);
  border-radius: 50%;
}
summary {
  margin-top: 4px;
  cursor: pointer;
  color: var(--teal);
}
.rule {
  margin-top: 4px;
  font-size: 12.5px;
  overflow-wrap: anywhere;
}
.digits {
  min-width: 0;
  margin: 0;
  padding: 4px 0 6px;
  border: 0;
  border-bottom: 1px dotted var(--line);
}
.digits legend {
  padding: 0;
}
.digits small {
  font-size: 12.5px;
}
.digits .odd {
  color: var(--ochre);
  font-weight: 600;
}
.digits .wrong {
  color: var(--brick);
  font-weight: 600;
}
.chips {
  display: flex;
  gap: 4px;
  margin: 3px 0 2px;
}
.chips label {
  position: relative;
  flex: 1;
  padding: 5px 2px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  font-size: 13.5px;
  text-align: center;
  cursor: pointer;
}
.chips .on {
  border-color: var(--teal);
  background: var(--teal);
  color: var(--sheet);
  font-weight: 600;
}
.chips label:focus-within {
  outline: 2px solid var(--teal);
  outline-offset: 2px;
}
/* An injured digit carries a bar below its name. */
.chips i {
  position: absolute;
  right: 6px;
  bottom: 2px;
  left: 6px;
  height: 3px;
  background: var(--ochre);
}
.chips .on i {
  background: var(--sheet);
}
.dose-row {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 10px;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px dotted var(--line);
}
.dose-row small {
  grid-column: 1 / -1;
  font-size: 12.5px;
  color: var(--ink-soft);
}
.dose-row .odd {
  color: var(--ochre);
  font-weight: 600;
}
.dose-row .wrong {
  color: var(--brick);
  font-weight: 600;
}
.entry {
  display: flex;
  align-items: center;
  gap: 5px;
}
.entry input,
select {
  width: 86px;
  height: 34px;
  padding: 0 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-weight: 650;
  text-align: right;
}
select {
  width: auto;
}
.unit {
  width: 10px;
  color: var(--ink-soft);
}
.sum {
  display: flex;
  justify-content: space-between;
  padding: 6px 0;
  border-bottom: 1px dotted var(--line);
}
.acts {
  display: flex;
  gap: 6px;
  margin-top: 10px;
}
.inspector > .v-btn {
  margin-top: 10px;
}
.steps {
  list-style: decimal;
  padding-left: 20px;
  font-size: 14px;
}
.steps li {
  padding: 2px 0;
}
.words {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 3px 8px;
  margin-top: 6px;
  font-size: 14px;
}
dt {
  color: var(--ink-soft);
}
.source {
  margin-top: 10px;
  font-size: 12.5px;
}
</style>
