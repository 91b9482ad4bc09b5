<script setup lang="ts">
import {
  CONTRAINDICATION_NAMES,
  DEMAND_NAMES,
  EVIDENCE_NAMES,
  FAMILY_NAMES,
  FORCE_NAMES,
  isOpen,
  REGION_NAMES,
  SLOT_NAMES,
  STOP_RULE_NAMES,
  stressWords,
  type LadderAxis,
  type Tendon,
} from '@pledge/core'
import { computed, ref } from 'vue'
import type { ExercisePageAnswer, RungAnswer } from '@pledge/contract'
import HouseEditDialog from '../../shared/house/HouseEditDialog.vue'
import HandFigure from '../../shared/figure/HandFigure.vue'
import RulesFold from '../../shared/parts/RulesFold.vue'
import LanguageChoice from '../../shared/parts/LanguageChoice.vue'
import VerdictMark from '../../shared/parts/VerdictMark.vue'
import { useSessionStore, type OpenCase } from '../../shared/sessionStore'
import {
  AIM_WORDS,
  dayText,
  doseText,
  fingersText,
  HOLD_LABELS,
  holdText,
  loadText,
  minutesText,
  OTHER_HAND_WORDS,
  VERDICT_WORDS,
} from '../../shared/words'
import AngleStrips from './AngleStrips.vue'
import SideChoice from './SideChoice.vue'

/** Everything about one exercise: what the patient reads, and what follows from its angles, force and dose. */
const props = defineProps<{ exercise: ExercisePageAnswer; openCase: OpenCase | null }>()
const emit = defineEmits<{ changed: [] }>()
const language = defineModel<'en' | 'es'>('language', { required: true })
const session = useSessionStore()
const isLead = computed(() => session.user?.role === 'lead')
const side = ref<'left' | 'right'>('left')
const changing = ref<'dose' | { conditionId: string } | null>(null)

const text = computed(() => props.exercise.text[language.value])
const TENDON_WORDS: Readonly<Record<Tendon, string>> = {
  FDP: 'deep flexor FDP',
  FDS: 'superficial flexor FDS',
  EDC: 'extensors EDC',
  FPL: 'thumb flexor FPL',
  EPL: 'thumb extensor EPL',
}
/** The longest travel any exercise comes to, so that bars compare between pages. */
const FULL_TRAVEL_MM = 45
const wornWords = computed(() => {
  const only = props.exercise.worn.map((one) => one[language.value])
  if (only.length > 0) return only.join(', ')
  return {
    en: 'whatever leaves its joints free, or nothing',
    es: 'lo que deje libres sus articulaciones, o nada',
  }[language.value]
})
const travel = computed(() =>
  Object.entries(props.exercise.travelMm)
    .filter(([, mm]) => mm >= 0.5)
    .map(([tendon, mm]) => ({
      name: TENDON_WORDS[tendon as Tendon],
      mm: Math.round(mm),
      share: Math.min(100, (mm / FULL_TRAVEL_MM) * 100),
    })),
)
const AXIS_STEP: Readonly<Record<LadderAxis, string>> = {
  force: 'who moves',
  load: 'load',
  range: 'how far',
  posture: 'posture',
  hold: 'hold',
  repetitions: 'how often',
  demand: 'what it asks of tissue',
  stress: 'what is stressed',
  equipment: 'with what',
}
/** The ladder, hardest first: what lies above, this exercise with its dose, what lies below; each step with what changes. */
const rungs = computed(() => {
  const { id, text: words, dose, holdKind, harder, easier } = props.exercise
  const told = (way: 'harder' | 'easier', list: readonly RungAnswer[]) =>
    list.map((rung) => ({ ...rung, way, note: rung.step.map((axis) => AXIS_STEP[axis]).join(', ') }))
  const name = { en: words.en.name, es: words.es.name }
  return [
    ...told('harder', harder),
    { id, way: 'this', name, note: doseText(dose, holdKind) },
    ...told('easier', easier),
  ]
})
/** "MCP ends at 42°": where a yoke holds one finger otherwise. */
const mended = computed(() =>
  Object.entries(props.exercise.depicted.mendedFinger ?? {})
    .map(([name, deg]) => `${name.replace('Flexion', '').toUpperCase()} ends at ${deg}°`)
    .join(', '),
)
const GOING: Partial<Record<ExercisePageAnswer['turns'], string>> = {
  'digits in turn': 'one after the other',
  'digits in each repetition': 'one after the other in each repetition',
}
/** Which digits do it, and what the others do meanwhile; `null` where no digit has a part of its own. */
const digitsTold = computed(() => {
  const { turns, digits, choosableDigits, oneAtATime } = props.exercise
  if (digits.length > 0) return fingersText(digits)
  if (turns === 'neighbors in turn') return 'neighboring pairs, one after the other'
  if (choosableDigits.length === 0) return null
  const going = GOING[turns] ?? (oneAtATime ? 'one at a time' : 'together')
  const others = {
    'others rest': ', the others rest',
    'others have a part': ', the others are held or go along',
  }
  return `${going}${oneAtATime ? others[oneAtATime] : ''}; chosen for each patient`
})
const DOSE_ROWS = [
  ['sets', 'Sets', ''],
  ['repetitions', 'Repetitions', ''],
  ['holdSeconds', 'Hold', 's'],
  ['boutsPerDay', 'Times a day', ''],
] as const
const doseRows = computed(() =>
  DOSE_ROWS.map(([key, label, unit]) => {
    const [low, high] = props.exercise.range[key]
    const words = (value: number) => (unit !== 's' ? String(value) : value === 0 ? 'none' : holdText(value))
    return {
      key,
      label: key === 'holdSeconds' ? HOLD_LABELS[props.exercise.holdKind] : label,
      usual: words(props.exercise.dose[key]),
      within: low === high ? words(low) : `${words(low)} to ${words(high)}`,
    }
  }),
)
/** What another dose makes of it: a heavier class of load, or another part in the eyes of the rules. */
const doseChanges = computed(() =>
  props.exercise.doseChanges.map(({ field, from, words }) => {
    const known = props.exercise.signature.map(({ en }) => en)
    const other = words.map(({ en }) => en).filter((part) => !known.includes(part))
    if (field === 'holdSeconds') return { from: `hold from ${holdText(from)}`, becomes: other.join('; ') }
    const classes = [...new Set(other.join(' ').match(/R\d/g) ?? [])]
    return {
      from: loadText(props.exercise.load?.unit ?? null, from),
      becomes: `counts as ${classes.join(', ') || other.join('; ')}`,
    }
  }),
)
const isUnusual = computed(
  () =>
    props.openCase !== null &&
    !props.exercise.weeks.some(({ conditionId }) => conditionId === props.openCase!.conditionId),
)
const weeks = computed(() =>
  [...props.exercise.weeks].sort(
    (a, b) => (a.week ?? 99) - (b.week ?? 99) || a.condition.en.localeCompare(b.condition.en),
  ),
)
</script>

<template>
  <article class="sheet-page">
    <header>
      <div>
        <p class="eyebrow">
          {{ REGION_NAMES[exercise.region]?.en }} · {{ FAMILY_NAMES[exercise.family].en }} ·
          {{ exercise.aims.map((aim) => AIM_WORDS[aim]).join(', ') }}
        </p>
        <h1 :lang="language">{{ text.name }}</h1>
        <p :lang="language" class="reason">{{ text.reason }}</p>
      </div>
      <LanguageChoice v-model="language" label="Language of the patient’s words" />
    </header>

    <section v-if="exercise.verdict && openCase" class="verdict" :class="exercise.verdict.kind">
      <p>
        <VerdictMark :kind="exercise.verdict.kind" />
        <strong>{{ VERDICT_WORDS[exercise.verdict.kind] }}</strong> today for {{ openCase.label
        }}<template v-if="!isOpen(exercise.verdict.kind) && exercise.verdict.fromDate"
          >, not before {{ dayText(exercise.verdict.fromDate) }} (day
          {{ exercise.verdict.fromDay }})</template
        >
      </p>
      <p v-if="isUnusual" class="unusual">
        <strong>Not usual after this injury:</strong> the catalogue names no week for it there. What the
        protocol says of its motions is all that is known.
      </p>
      <ul>
        <li v-for="one in exercise.verdict.told.slice(0, 4)" :key="one">{{ one }}</li>
        <li v-for="one in exercise.verdict.missing" :key="one.what">It takes besides: {{ one.meaning }}.</li>
      </ul>
      <RulesFold :reasons="exercise.verdict.reasons" />
    </section>

    <div class="columns">
      <section>
        <div :lang="language">
          <h2 lang="en">What the patient reads</h2>
          <ol class="steps">
            <li v-for="step in text.steps" :key="step">{{ step }}</li>
          </ol>
          <dl>
            <dt lang="en">Should feel</dt>
            <dd>{{ text.shouldFeel }}</dd>
            <dt lang="en">Make sure</dt>
            <dd>{{ text.shouldNotFeel }}</dd>
            <dt lang="en">Mistake</dt>
            <dd>{{ text.mistake }}</dd>
            <dt lang="en">Before it</dt>
            <dd>{{ text.before }}</dd>
            <template v-if="exercise.equipment.length > 0">
              <dt lang="en">With</dt>
              <dd>
                <span v-for="thing in exercise.equipment" :key="thing.name.en" class="line"
                  >{{ thing.name[language]
                  }}<template v-if="thing.home">
                    <span lang="en">, at home:</span> {{ thing.home[language] }}</template
                  ></span
                >
              </dd>
            </template>
            <dt lang="en">Worn</dt>
            <dd>{{ wornWords }}</dd>
          </dl>
        </div>
        <h2>
          Dose
          <button v-if="isLead" class="text-button" @click="changing = 'dose'">Change for this clinic</button>
        </h2>
        <table class="dose">
          <thead>
            <tr>
              <th scope="col"><span class="sr-only">Part of the dose</span></th>
              <th scope="col">usual</th>
              <th scope="col">may be set</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in doseRows" :key="row.key">
              <th scope="row">{{ row.label }}</th>
              <td class="tabular">{{ row.usual }}</td>
              <td class="tabular soft">{{ row.within }}</td>
            </tr>
            <tr v-if="exercise.load">
              <th scope="row">Load</th>
              <td class="tabular">{{ loadText(exercise.load.unit, exercise.dose.load) }}</td>
              <td class="tabular soft">{{ exercise.load.steps.join(', ') }}</td>
            </tr>
          </tbody>
        </table>
        <p class="fact">
          <span>Takes</span> {{ minutesText(exercise.minutesPerBout) }} a bout<template
            v-if="exercise.endRangeMinutesPerDay > 0"
            >, {{ minutesText(exercise.endRangeMinutesPerDay) }} a day at the end of the range</template
          >
        </p>
        <p class="fact">
          <span>Stop above</span> pain {{ exercise.painCap }} of 10, or {{ exercise.maxRise }} above rest
        </p>
        <p class="fact"><span>In a bout</span> {{ SLOT_NAMES[exercise.slot].en }}</p>
        <p class="fact"><span>Asks of tissue</span> {{ DEMAND_NAMES[exercise.demand].en }}</p>
        <p class="fact"><span>Known by</span> {{ EVIDENCE_NAMES[exercise.evidence].en }}</p>
        <h2>Usual first week</h2>
        <p class="soft small">Weeks open nothing by themselves: the protocol does.</p>
        <ul class="weeks">
          <li v-for="one in weeks" :key="one.conditionId">
            <span class="tabular">{{ one.week === null ? 'by symptoms' : `week ${one.week}` }}</span>
            {{ one.condition.en }}
            <button v-if="isLead" class="text-button" @click="changing = { conditionId: one.conditionId }">
              Change
            </button>
          </li>
        </ul>
      </section>
      <section>
        <h2>What follows from its angles</h2>
        <HandFigure class="picture" :exercise="exercise.depicted" :side="side" :language="language" />
        <SideChoice v-model="side" class="side-choice" />
        <AngleStrips :angles="exercise.angles" language="en" />
        <ol class="positions" :lang="language">
          <li v-for="(one, index) in exercise.positions" :key="index">{{ one[language] }}</li>
        </ol>
        <p class="fact"><span>Moved</span> {{ FORCE_NAMES[exercise.force].en }}</p>
        <p v-if="exercise.depicted.mendedFinger" class="fact"><span>The mended finger</span> {{ mended }}</p>
        <p v-if="digitsTold" class="fact"><span>Digits</span> {{ digitsTold }}</p>
        <p v-if="exercise.otherHand !== 'none'" class="fact">
          <span>The other hand</span> {{ OTHER_HAND_WORDS[exercise.otherHand] }}
        </p>
        <p class="fact">
          <span>The rules see</span>
          <span class="parts" :lang="language"
            ><span v-for="part in exercise.signature" :key="part.en">{{ part[language] }}</span
            ><span v-if="exercise.signature.length === 0" lang="en">no motion</span></span
          >
        </p>
        <p v-for="one in doseChanges" :key="one.from" class="fact">
          <span>{{ one.from }}</span> <span class="parts">{{ one.becomes }}</span>
        </p>
        <table v-if="travel.length > 0" class="bars">
          <caption>
            Tendon travel, a model (± 50 %)
          </caption>
          <tbody>
            <tr v-for="one in travel" :key="one.name">
              <th scope="row">{{ one.name }}</th>
              <td><span class="bar" :style="{ width: `${one.share}%` }" /></td>
              <td class="tabular">{{ one.mm }} mm</td>
            </tr>
          </tbody>
        </table>
        <p v-if="exercise.nerve" class="fact">
          <span>Nerve</span> {{ exercise.nerve.nerve }}: {{ exercise.nerve.technique }}, strain about
          {{ exercise.nerve.strainPercent.toFixed(1) }} %
        </p>
        <h2>Ladder</h2>
        <ul class="ladder">
          <li v-for="rung in rungs" :key="rung.id" :class="{ here: rung.way === 'this' }">
            <span class="way">{{ rung.way }}</span>
            <strong v-if="rung.way === 'this'">{{ rung.name[language] }}</strong>
            <router-link v-else :to="{ name: 'library', params: { exerciseId: rung.id } }">{{
              rung.name[language]
            }}</router-link>
            <small v-if="rung.note">{{ rung.note }}</small>
          </li>
        </ul>
        <h2>Reaches</h2>
        <ul class="stress">
          <li v-for="one in exercise.stress" :key="`${one.structure} ${one.mode}`">
            {{ stressWords(one, 'en') }}
          </li>
        </ul>
        <template v-if="exercise.contraindications.length > 0">
          <h2>Barred by</h2>
          <p>{{ exercise.contraindications.map((word) => CONTRAINDICATION_NAMES[word].en).join(', ') }}</p>
        </template>
        <template v-if="exercise.careWith.length > 0">
          <h2>With care, the skin looked at</h2>
          <p>{{ exercise.careWith.map((word) => CONTRAINDICATION_NAMES[word].en).join(', ') }}</p>
        </template>
        <h2>Stop when</h2>
        <ul class="stop">
          <li v-for="rule in exercise.stop" :key="rule">{{ STOP_RULE_NAMES[rule].en }}</li>
        </ul>
        <h2>Rests on</h2>
        <ul class="stop">
          <li v-for="one in exercise.sources" :key="one.key">
            {{ one.text }} <small>{{ one.confidence }} confidence</small>
          </li>
        </ul>
        <p class="soft small">Not reviewed by a clinician.</p>
      </section>
    </div>
    <HouseEditDialog
      v-if="changing"
      :subject="
        changing === 'dose'
          ? { kind: 'dose', exercise }
          : {
              kind: 'week',
              exerciseId: exercise.id,
              conditionId: changing.conditionId,
              week:
                weeks.find((one) => changing !== 'dose' && one.conditionId === changing?.conditionId)?.week ??
                0,
            }
      "
      @done="((changing = null), emit('changed'))"
      @close="changing = null"
    />
  </article>
</template>

<style scoped>
.picture {
  height: 320px;
}
.side-choice {
  margin: 6px 0 10px;
}
.sheet-page {
  max-width: 1040px;
  padding: 16px 22px 40px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 20px;
  align-items: flex-start;
}
h1 {
  font-size: 24px;
  line-height: 1.2;
}
h2 {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin: 18px 0 6px;
  font-size: 14.5px;
  color: var(--ink-soft);
}
.reason {
  font-size: 16px;
}
.verdict {
  margin-top: 12px;
  padding: 9px 14px;
  border-left: 4px solid var(--plum);
  border-radius: 0 5px 5px 0;
  background: var(--plum-wash);
}
.verdict p {
  display: flex;
  align-items: center;
  gap: 6px;
}
.verdict .unusual {
  display: block;
}
.verdict.clear {
  border-color: var(--moss);
  background: var(--moss-wash);
}
.verdict.with-care {
  border-color: var(--ochre);
  background: var(--ochre-wash);
}
.verdict.never {
  border-color: var(--brick);
  background: var(--brick-wash);
}
.verdict small,
small {
  color: var(--ink-soft);
  font-size: 12.5px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0 34px;
}
.steps {
  padding-left: 20px;
  list-style: decimal;
}
.steps li {
  padding: 2px 0;
}
dl {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 4px 10px;
  margin-top: 8px;
}
dt {
  color: var(--ink-soft);
}
.line {
  display: block;
}
.fact {
  display: grid;
  grid-template-columns: 122px minmax(0, 1fr);
  gap: 10px;
  padding: 3px 0;
}
.fact > span:first-child {
  color: var(--ink-soft);
}
.parts > span {
  display: block;
}
.bars {
  width: 100%;
  margin: 6px 0;
  border-collapse: collapse;
}
caption {
  text-align: left;
  font-size: 13px;
  color: var(--ink-soft);
}
.bars th,
.dose th {
  font-weight: 400;
  text-align: left;
  white-space: nowrap;
  padding: 3px 12px 3px 0;
}
.bars td:nth-child(2) {
  width: 100%;
}
.bars td:last-child {
  white-space: nowrap;
  text-align: right;
  padding-left: 8px;
}
.bar {
  display: block;
  height: 8px;
  border-radius: 2px;
  background: var(--teal);
}
.positions {
  margin: 4px 0 6px;
  padding-left: 20px;
  list-style: decimal;
  font-size: 14px;
}
.dose {
  border-collapse: collapse;
}
.dose td,
.dose thead th {
  padding: 3px 18px 3px 0;
  text-align: left;
}
.dose td:nth-child(2) {
  font-weight: 650;
}
.dose thead th {
  font-size: 13px;
  color: var(--ink-soft);
}
.ladder li {
  display: grid;
  grid-template-columns: 54px minmax(0, 1fr);
  gap: 0 8px;
  padding: 4px 0;
}
.ladder .way {
  font-size: 13px;
  color: var(--ink-soft);
}
.ladder small {
  grid-column: 2;
}
.ladder .here {
  padding: 6px 8px;
  margin: 0 -8px;
  border-radius: 4px;
  background: var(--paper-deep);
}
.weeks li {
  display: flex;
  gap: 10px;
  padding: 2px 0;
}
.weeks .tabular {
  flex: none;
  width: 88px;
  color: var(--ink-soft);
}
.stress li,
.stop li {
  padding: 2px 0;
}
.small {
  font-size: 13px;
}
.text-button {
  margin-left: auto;
  font-size: 13.5px;
}
@media (max-width: 1080px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
