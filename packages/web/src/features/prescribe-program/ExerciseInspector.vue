<script setup lang="ts">
import { mdiArrowDown, mdiArrowUp } from '@mdi/js'
import { type AngleLimits, ANGLE_LABELS, clippedAngles, isOpen, type Dose, type Digit } from '@pledge/core'
import { computed, ref } from 'vue'
import type { ExerciseAnswer, OpeningsAnswer, OverrideAnswer, VerdictAnswer } from '@pledge/contract'
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
import DigitChoice from './DigitChoice.vue'
import PatientWords from './PatientWords.vue'
import type { DraftItem } from './programStore'
import VerdictWhy from './VerdictWhy.vue'

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
const openable = computed(() => isOpen(props.verdict.kind) || props.override !== null)
const isOffSchool = computed(
  () => props.schoolDose !== null && FIELDS.some(({ key }) => props.schoolDose![key] !== dose.value[key]),
)
function change(key: Field, typed: string) {
  // An emptied field is no number: the dose stays until there is one again.
  if (typed.trim() === '' || !Number.isFinite(Number(typed))) return
  emit('dose', { [key]: Number(typed) })
}
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

    <VerdictWhy
      :verdict="verdict"
      :openings="openings"
      :instead="openable ? null : exercise.instead"
      @select="emit('select', $event)"
    />

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
      <DigitChoice
        v-if="exercise.choosableDigits.length > 0"
        :exercise="exercise"
        :chosen="chosen"
        :injured="injured"
        :can-edit="canEdit"
        :error="errorAt('digits')"
        @digit="emit('digit', $event)"
      />
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

    <PatientWords :exercise="exercise" />
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
</style>
