import { criterion } from '../protocol/criterion.js'
import type { Phase } from '../protocol/protocol.js'
import { phaseOn } from '../protocol/phaseOn.js'
import { DIGIT_NAMES, inEach, ORTHOSIS_NAMES, type Language, type Said } from '../protocol/names.js'
import type { Arcs, Digit, Orthosis } from '../protocol/vocabulary.js'
import { assess, openingDay, verdictBasis } from '../verdict/assess.js'
import { EVERYTHING_MET, factsInStates, type CaseOnDay } from '../verdict/caseOnDay.js'
import { turningOffsets } from '../verdict/earliestDay.js'
import type { Signature } from '../verdict/signature.js'
import { isOpen, worseKind, type Reason, type Verdict, type VerdictKind } from '../verdict/verdict.js'
import type { Condition } from './condition.js'
import { choosableDigits, judgedDigits } from './chosenDigits.js'
import { CONTRAINDICATION_NAMES, isHealthQuestion } from './contraindications.js'
import type { Equipment } from './equipment.js'
import { otherHandUse, STRESS_LEVELS, type Contraindication, type Dose, type Exercise } from './exercise.js'
import { stressWords } from './exerciseNames.js'
import { nerveAsksMore } from './nerveCeiling.js'
import {
  cannotHelp,
  helpSignature,
  latestDay,
  togetherWith,
  type JudgedInjury,
  type OtherInjury,
} from './otherInjuries.js'
import { signatureOf, withDigitsFollowing } from './signatureOf.js'

/** A case with what the catalogue needs to know besides the protocol. */
export interface PatientCase extends CaseOnDay {
  readonly condition: Condition
  /** Those on record as present. */
  readonly contraindications: readonly Contraindication[]
  /** Whether somebody has asked for the others; what nobody asked is not known to be absent. */
  readonly isHealthAsked: boolean
  /** Things of the catalogue that are not at home; `null` = nobody has asked. */
  readonly notAtHome: readonly Equipment[] | null
  /** How the other hand is, where no episode tells: able, or hurt, operated or weak; `null` = nobody has asked. */
  readonly otherHand: 'well' | 'hurt' | null
  /** Other open injuries of the same person. */
  readonly otherInjuries: readonly OtherInjury[]
}

/**
 * The orthosis a phase keeps on always, where the exercise accepts it; otherwise without. An exercise that is never done
 * without is done in one the phase still has, else in the first it accepts.
 */
export function orthosisFor(exercise: Exercise, phase: Phase | null): Orthosis {
  const kept = alwaysWorn(phase).find((orthosis) => exercise.worn.includes(orthosis))
  if (kept) return kept
  if (exercise.worn.includes('none')) return 'none'
  const had = (phase?.wear ?? []).find(({ orthosis }) => exercise.worn.includes(orthosis))
  return had?.orthosis ?? exercise.worn[0] ?? 'none'
}

/**
 * The orthosis an exercise is done in on the case's day. One that is never done without is judged in each it accepts, and
 * the best answer counts: a hinged orthosis is put on for it, where the protocol asks for one. Of equals the one worn anyway.
 */
export function orthosisOn(exercise: Exercise, dose: Dose, state: PatientCase): Orthosis {
  const { phase } = phaseOn(
    state.protocol,
    state.day,
    factsInStates(state.facts, state.states),
    state.reviewOverdueDays,
  )
  const usual = orthosisFor(exercise, phase)
  if (exercise.worn.includes('none')) return usual
  const judged = [usual, ...exercise.worn].map((orthosis) => ({
    orthosis,
    kind: exerciseKind(exercise, dose, state, { orthosis }),
  }))
  return judged.reduce((best, one) =>
    one.kind !== best.kind && worseKind(one.kind, best.kind) === best.kind ? one : best,
  ).orthosis
}

/** How the exercise is to be done, where it differs from what the phase suggests. */
export interface HowDone {
  readonly orthosis?: Orthosis
  /** Joints the exercise leaves open, kept where the therapist says. */
  readonly posture?: Arcs | null
  /** The digits it is done with, as stated; `null` = every finger, or the thumb. */
  readonly digits?: readonly Digit[] | null
  /** The digits a therapist chose for the patient: they count only where the others rest meanwhile. */
  readonly chosen?: readonly Digit[] | null
}

/** The orthoses a phase keeps on always, also while exercising; yoke and wrist orthosis together are one. */
export function alwaysWorn(phase: Phase | null): Orthosis[] {
  const kept = (phase?.wear ?? [])
    .filter((wear) => wear.keep === 'always' && !wear.offFor.includes('exercise') && wear.orthosis !== 'none')
    .map((wear) => wear.orthosis)
  return kept.includes('RME') && kept.includes('WRO') ? ['RME_WRO', ...kept] : kept
}

/**
 * The verdict of a catalogue exercise at a dose: the protocol's, tightened by the catalogue. Where the protocol opens
 * every atom by a rule, an unreached usual week or structure ceiling turns clear into "with care"; where it rests on a
 * default, it makes it "not yet". Contraindications always apply, and one that nobody has asked about makes it "with care";
 * what touches the wound needs it recorded as closed. The catalogue never opens anything.
 */
export function assessExercise(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  done: HowDone = {},
): Verdict {
  return tightened(exercise, dose, state, done, (signature, asked) => {
    const byProtocol = assess(signature, asked)
    return isOpen(byProtocol.kind)
      ? byProtocol
      : { ...byProtocol, fromDay: opensOn(exercise, signature, byProtocol.fromDay, asked) }
  })
}

/** The kind of verdict alone, without reasons and without the search for an opening day. */
export function exerciseKind(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  done: HowDone = {},
): VerdictKind {
  return tightened(exercise, dose, state, done, (signature, asked) => ({
    ...NOTHING_TOLD,
    ...verdictBasis(signature, asked),
  })).kind
}

const NOTHING_TOLD: Omit<Verdict, 'kind' | 'basis'> = {
  fromDay: null,
  missing: [],
  form: null,
  conditions: [],
  reasons: [],
  unlock: [],
}

type Ask = (signature: Signature, state: PatientCase) => Verdict

/**
 * The verdict with every injury of the person: another injury of this hand is asked as well; the other hand is where it does
 * the same movement. Where it only helps and may not, a helper is a condition.
 */
function tightened(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone, ask: Ask): Verdict {
  const worn = done.orthosis ?? orthosisOn(exercise, dose, state)
  const own = tightenedAlone(exercise, dose, state, { ...done, orthosis: worn }, ask)
  if (state.otherInjuries.length === 0) return own
  const use = otherHandUse(exercise)
  const judged = concernedBy(exercise, state).map((other): JudgedInjury => {
    const how =
      other.hand === 'same'
        ? { ...done, orthosis: worn }
        : { orthosis: orthosisOn(exercise, dose, other.state) }
    return { ...other, verdict: tightenedAlone(exercise, dose, other.state, how, ask) }
  })
  const verdict = togetherWith(own, state, judged)
  if (use === 'none' || use === 'the same' || !isOpen(verdict.kind)) return verdict
  const unable = cannotHelp(state.otherInjuries, (other) => ask(helpSignature(exercise, dose, use), other))
  if (unable.length === 0) return verdict
  const what = inEach((language) => unable.map((one) => one.state.condition.name[language]).join(', '))
  return withCare(verdict, 'catalogue.other-hand', {
    en: `Asks for the other hand, which may not do this yet (${what.en}): teach a helper, or choose another form.`,
    es: `Pide la otra mano, que aún no puede hacerlo (${what.es}): enseñe a un ayudante o elija otra forma.`,
  })
}

/** The other injuries an exercise is asked of as a whole: of this hand, and of the other where it does the same. */
function concernedBy(exercise: Exercise, state: PatientCase): OtherInjury[] {
  const isBoth = otherHandUse(exercise) === 'the same'
  return state.otherInjuries
    .filter(({ hand }) => hand === 'same' || isBoth)
    .map(({ hand, state: other }) => ({
      hand,
      state: {
        ...other,
        otherInjuries: [],
        // How this hand is, seen from there, is not asked a second time.
        otherHand: hand === 'other' ? 'well' : other.otherHand,
      },
    }))
}

/** Asked for on many days, an exercise at a dose has the same signature: derived once. */
const signatures = new WeakMap<Exercise, WeakMap<Dose, Map<Orthosis, Signature>>>()

function rememberedSignature(exercise: Exercise, dose: Dose, worn: Orthosis): Signature {
  let byDose = signatures.get(exercise)
  if (!byDose) signatures.set(exercise, (byDose = new WeakMap()))
  let byOrthosis = byDose.get(dose)
  if (!byOrthosis) byDose.set(dose, (byOrthosis = new Map()))
  let signature = byOrthosis.get(worn)
  if (!signature) byOrthosis.set(worn, (signature = signatureOf(exercise, dose, worn)))
  return signature
}

/** The protocol's verdict of one injury, tightened by the catalogue. */
function tightenedAlone(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  done: HowDone & { readonly orthosis: Orthosis },
  ask: Ask,
): Verdict {
  const facts = factsInStates(state.facts, state.states)
  const standing = phaseOn(state.protocol, state.day, facts, state.reviewOverdueDays)
  const worn = done.orthosis
  const derived = withDigitsFollowing(rememberedSignature(exercise, dose, worn), state.protocol)
  const chosen = judgedDigits(exercise, done.chosen ?? null)
  const signature = {
    ...derived,
    digits: done.digits ?? chosen ?? derived.digits,
    posture: { ...done.posture, ...derived.posture },
  }
  const byProtocol = ask(signature, state)
  const barring = exercise.contraindications.filter((word) => state.contraindications.includes(word))
  if (barring.length > 0) {
    const text = {
      en: `Barred by a contraindication on record: ${named(barring, 'en')}.`,
      es: `No se hace por una contraindicación registrada: ${named(barring, 'es')}.`,
    }
    return refused('never', byProtocol, null, reason('catalogue.contraindication', text))
  }
  if (!isOpen(byProtocol.kind)) return byProtocol
  if (touchesWound(exercise) && facts.status(WOUND_CLOSED).name !== 'met') {
    const day = Math.max(state.day, clockOf(exercise, state)?.day ?? 0)
    const text = {
      en: 'Nothing is rubbed before somebody has seen the wound closed.',
      es: 'No se frota nada antes de que alguien vea la herida cerrada.',
    }
    const why = reason('catalogue.wound', text)
    return { ...refused('not-yet', byProtocol, day, why), missing: [WOUND_CLOSED] }
  }
  const always = alwaysWorn(standing.phase)
  if (always.length > 0 && worn === 'none' && byProtocol.basis === 'default') {
    const wear = standing.phase!.wear.find((one) => one.orthosis === always.at(-1))!
    const opens = state.protocol.phases.find(
      (phase) => phase.days[0] >= state.day && !alwaysWorn(phase).includes(wear.orthosis),
    )
    const text = {
      en: `Needs ${ORTHOSIS_NAMES[wear.orthosis].en} off, and in this phase it stays on: ${wear.text.en}`,
      es: `Pide quitar ${ORTHOSIS_NAMES[wear.orthosis].es}, y en esta fase se queda puesta: ${wear.text.es}`,
    }
    return refused('not-yet', byProtocol, opens?.days[0] ?? null, reason('catalogue.orthosis', text))
  }
  let verdict = byProtocol
  const clock = clockOf(exercise, state)
  if (clock && state.day < clock.day) {
    if (byProtocol.basis === 'default')
      return refused('not-yet', byProtocol, clock.day, reason(clock.rule, clock.text))
    const week = Math.floor(clock.day / 7)
    verdict = withCare(verdict, clock.rule, {
      en: `Earlier than the catalogue's usual week ${week}: ${clock.text.en}`,
      es: `Antes de la semana habitual del catálogo, la ${week}: ${clock.text.es}`,
    })
  }
  const nerve = nerveAsksMore(exercise, state.condition, facts)
  if (nerve) {
    if (byProtocol.basis === 'default') {
      const why = reason('catalogue.nerve', nerve.says)
      const refusal = refused('not-yet', byProtocol, nerve.needs ? state.day : null, why)
      return { ...refusal, missing: nerve.needs ? [nerve.needs] : [] }
    }
    verdict = withCare(verdict, 'catalogue.nerve', nerve.says)
  }
  return asSet(exercise, state, besideInjured(exercise, chosen, state, verdict))
}

/** Where only uninjured digits were chosen, the injured ones must not come along. */
function besideInjured(
  exercise: Exercise,
  chosen: readonly Digit[] | null,
  state: PatientCase,
  verdict: Verdict,
): Verdict {
  const injured = choosableDigits(exercise).filter((digit) => state.digits.includes(digit))
  if (chosen === null || injured.length === 0 || injured.some((digit) => chosen.includes(digit)))
    return verdict
  const kept = inEach((language) => injured.map((digit) => DIGIT_NAMES[digit][language]).join(', '))
  return withCare(verdict, 'catalogue.other-digits', {
    en: `Not with what is injured (${kept.en}): that rests as its orthosis or the protocol keeps it and does not come along.`,
    es: `No con lo lesionado (${kept.es}): descansa como lo tienen la ortesis o el protocolo y no acompaña el movimiento.`,
  })
}

/** What has to be asked or found before an open exercise is done: conditions, never bans. */
function asSet(exercise: Exercise, state: PatientCase, verdict: Verdict): Verdict {
  return withoutOtherHand(
    exercise,
    state,
    withoutThings(exercise, state, askedFirst(exercise, state, verdict)),
  )
}

function withoutThings(exercise: Exercise, state: PatientCase, verdict: Verdict): Verdict {
  const lacking = (state.notAtHome ?? []).filter(({ id }) => exercise.equipment.includes(id))
  if (lacking.length === 0) return verdict
  const names = inEach((language) => lacking.map((thing) => thingWords(thing, language)).join(', '))
  return withCare(verdict, 'catalogue.equipment', {
    en: `Not at home yet: ${names.en}. Give it along, or show what does the same.`,
    es: `Aún no está en casa: ${names.es}. Entréguelo o muestre con qué se reemplaza.`,
  })
}

function thingWords({ name, home }: Equipment, language: Language): string {
  if (!home) return name[language]
  return `${name[language]} (${language === 'en' ? 'or' : 'o'} ${home[language]})`
}

function withoutOtherHand(exercise: Exercise, state: PatientCase, verdict: Verdict): Verdict {
  if (otherHandUse(exercise) === 'none' || state.otherHand === 'well') return verdict
  // An injury of its own with a protocol tells more than the answer given once.
  if (state.otherInjuries.some(({ hand }) => hand === 'other')) return verdict
  return withCare(
    verdict,
    'catalogue.other-hand',
    state.otherHand === 'hurt'
      ? {
          en: 'Asks for the other hand, which is hurt too: teach a helper, or choose another form.',
          es: 'Pide la otra mano, que también está lesionada: enseñe a un ayudante o elija otra forma.',
        }
      : {
          en: 'Asks for the other hand, and nobody has asked yet whether it can.',
          es: 'Pide la otra mano, y falta preguntar si puede.',
        },
  )
}

function withCare(verdict: Verdict, rule: string, text: Said): Verdict {
  return {
    ...verdict,
    kind: 'with-care',
    conditions: [...verdict.conditions, text],
    reasons: [...verdict.reasons, reason(rule, text)],
  }
}

/** What would bar the exercise and nobody has asked about is asked before it is done. */
function askedFirst(exercise: Exercise, state: PatientCase, verdict: Verdict): Verdict {
  const open = state.isHealthAsked ? [] : exercise.contraindications.filter(isHealthQuestion)
  if (open.length === 0) return verdict
  return withCare(verdict, 'catalogue.health', {
    en: `Not asked yet, and it would bar this exercise: ${named(open, 'en')}.`,
    es: `Falta preguntar, y lo impediría: ${named(open, 'es')}.`,
  })
}

function named(words: readonly Contraindication[], language: 'en' | 'es'): string {
  return words.map((word) => CONTRAINDICATION_NAMES[word][language]).join(', ')
}

/** What only a closed wound allows. An unrecorded wound is an open one. */
const WOUND_WORDS = ['openWound', 'sutures', 'infection']
const WOUND_CLOSED = criterion('wound.ok')
const touchesWound = (exercise: Exercise) =>
  exercise.contraindications.some((word) => WOUND_WORDS.includes(word))

function refused(kind: 'never' | 'not-yet', verdict: Verdict, fromDay: number | null, why: Reason): Verdict {
  return { ...verdict, kind, fromDay, missing: [], form: null, conditions: [], reasons: [why], unlock: [] }
}

const NO_SUBJECT: Said = { en: '', es: '' }

function reason(rule: string, text: Said): Reason {
  return { rule, atom: '', subject: NO_SUBJECT, text, source: 'catalogue, common practice (medium)' }
}

/** The day from which the catalogue's own clock (usual week, ceilings) is satisfied, and what sets it. */
function clockOf(exercise: Exercise, state: PatientCase): { day: number; rule: string; text: Said } | null {
  const usual = usualWeek(exercise, state)
  const ceiling = ceilingWeek(exercise, state.condition)
  if (ceiling !== null && ceiling.week > (usual ?? 0)) {
    return { day: ceiling.week * 7, rule: 'catalogue.ceiling', text: ceiling.text }
  }
  if (usual === null || usual === 0) return null
  const text = {
    en: `after this injury the exercise usually starts in week ${usual} (day ${usual * 7}).`,
    es: `tras esta lesión el ejercicio suele empezar en la semana ${usual} (día ${usual * 7}).`,
  }
  return { day: usual * 7, rule: 'catalogue.gate', text }
}

function usualWeek(exercise: Exercise, state: PatientCase): number | null {
  const own = exercise.gateWeeks[state.condition.id]
  if (own === undefined) return null
  const school = state.condition.schoolWeeks[state.protocol.id]?.[exercise.demand]
  // A school's week replaces only the condition's common one: an entry that starts earlier by itself stays earlier.
  return school === undefined ? own : Math.min(own, school)
}

function ceilingWeek(exercise: Exercise, condition: Condition): { week: number; text: Said } | null {
  let latest: { week: number; text: Said } | null = null
  for (const stress of exercise.stress) {
    const exceeds = (weekIndex: number) => {
      const limit = condition.ceilings[weekIndex]!.limits.find(
        (one) => one.structure === stress.structure && one.mode === stress.mode,
      )
      return limit !== undefined && STRESS_LEVELS.indexOf(stress.level) > STRESS_LEVELS.indexOf(limit.level)
    }
    const lastExceeded = condition.ceilings.findLastIndex((_, index) => exceeds(index))
    const opens = lastExceeded < 0 ? undefined : condition.ceilings[lastExceeded + 1]
    if (opens && opens.fromWeek > (latest?.week ?? 0)) {
      const text = {
        en: `${stressWords(stress, 'en')} is usual from week ${opens.fromWeek}.`,
        es: `${stressWords(stress, 'es')} es habitual desde la semana ${opens.fromWeek}.`,
      }
      latest = { week: opens.fromWeek, text }
    }
  }
  return latest
}

/**
 * The day protocol and catalogue together would let it begin: the protocol's, and where the protocol then rests on a
 * default, not before the catalogue's own clock.
 */
function opensOn(
  exercise: Exercise,
  signature: Signature,
  fromDay: number | null,
  state: PatientCase,
): number | null {
  if (fromDay === null) return null
  const then = assess(signature, { ...state, day: fromDay, facts: EVERYTHING_MET, reviewOverdueDays: 0 })
  const clock = clockOf(exercise, state)
  return then.basis === 'default' && clock ? Math.max(fromDay, clock.day) : fromDay
}

export interface CalendarRun {
  readonly fromDay: number
  readonly kind: VerdictKind
}

/**
 * The verdicts of an exercise from the case's day on, as runs of days on which nothing changes, with the facts as they
 * stand: what a time axis draws.
 *
 * @param lastDay - the last day that matters; runs begin on it or before
 */
export function exerciseCalendar(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  lastDay: number,
): CalendarRun[] {
  const clock = [
    ...state.condition.ceilings.map(({ fromWeek }) => fromWeek * 7),
    (usualWeek(exercise, state) ?? 0) * 7,
  ]
  const injuries = [state, ...state.otherInjuries.map((other) => other.state)]
  const days = [...injuries.flatMap(turningOffsets).map((offset) => state.day + offset), ...clock]
  const runs: CalendarRun[] = []
  for (const fromDay of [...new Set(days)].sort((a, b) => a - b)) {
    if (fromDay < state.day || fromDay > lastDay) continue
    const kind = exerciseKind(exercise, dose, onDay(state, fromDay))
    if (runs.at(-1)?.kind !== kind) runs.push({ fromDay, kind })
  }
  return runs
}

/** A case moved to another day is asked many times: made once. */
const moved = new WeakMap<PatientCase, Map<number, PatientCase>>()

function onDay(state: PatientCase, day: number): PatientCase {
  if (day === state.day) return state
  let days = moved.get(state)
  if (!days) moved.set(state, (days = new Map()))
  let then = days.get(day)
  if (!then) {
    const otherInjuries = state.otherInjuries.map((other) => ({
      ...other,
      state: onDay(other.state, other.state.day + day - state.day),
    }))
    days.set(day, (then = { ...state, day, otherInjuries }))
  }
  return then
}

/**
 * First day on which an exercise at a dose could begin, were every criterion met: the latest of all injuries it is asked of, in
 * the days of the case that was asked for; `null`: never by time.
 */
export function exerciseOpeningDay(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  orthosis: Orthosis,
): number | null {
  return latestDay([
    openingAlone(exercise, dose, state, orthosis),
    ...concernedBy(exercise, state).map((other) => {
      const worn = other.hand === 'same' ? orthosis : orthosisOn(exercise, dose, other.state)
      const day = openingAlone(exercise, dose, other.state, worn)
      return day === null ? null : day - other.state.day + state.day
    }),
  ])
}

function openingAlone(exercise: Exercise, dose: Dose, state: PatientCase, orthosis: Orthosis): number | null {
  const signature = withDigitsFollowing(signatureOf(exercise, dose, orthosis), state.protocol)
  return opensOn(exercise, signature, openingDay(signature, state), state)
}
