import { catalogueDays } from '../exercise/catalogueClock.js'
import { canBeDoneIn, leavesWay } from '../exercise/canBeDoneIn.js'
import { judgedDigits } from '../exercise/chosenDigits.js'
import { otherHandUse, type Dose, type Exercise } from '../exercise/exercise.js'
import type { Criterion } from '../vocabulary/criterion.js'
import { inEach } from '../words/names.js'
import type { Orthosis } from '../vocabulary/vocabulary.js'
import { together, type Part } from './assess.js'
import { contactDays } from './contactRules.js'
import { standingOf, type Supposing } from './caseOnDay.js'
import {
  catalogueReason,
  judgeEntry,
  missingInEntry,
  toldEntry,
  unlockEntry,
  type HowDone,
  type Worn,
} from './judgeEntry.js'
import { openingRuns, SEARCH_DAYS, turningOffsets, type Asked, type OpeningRun } from './openingRuns.js'
import { cannotHelp, helpSignature, namedPart } from './otherInjuries.js'
import { patientLater, withRecorded, type OtherInjury, type PatientCase } from './patientCase.js'
import { alwaysWorn } from './restraints.js'
import type { Phase } from '../protocol/protocol.js'
import { distinctCriteria, isOpen, isWorse, worseKind, type Verdict, type VerdictKind } from './verdict.js'

/**
 * The verdict of a catalogue exercise at a dose: the protocol's of every injury it concerns, tightened by the catalogue
 * (`restraintsOn`), with the conditions under which it is done. Another injury of this hand is asked as well; one of the
 * other hand is where it does the same movement, and where it only helps and may not, a helper is a condition.
 */
export function assessExercise(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  done: HowDone = {},
): Verdict {
  const verdict = assessedAs(exercise, dose, state, done)
  const usual = inUsualOrthosis(exercise, state, done)
  if (!usual) return verdict
  const best = assessedAs(exercise, dose, state, usual)
  return isWorse(best.kind, verdict.kind) ? best : verdict
}

/**
 * An orthosis that somebody names and neither the phase nor any rule of it nor the entry knows frees nothing (vocabulary 5.5.3): it
 * is asked besides in those there are. `null`: none is named, or a known one.
 */
function inUsualOrthosis(exercise: Exercise, state: PatientCase, done: HowDone): HowDone | null {
  const { orthosis, ...usual } = done
  return orthosis === undefined || orthosesAround(exercise, standingOf(state).phase).includes(orthosis)
    ? null
    : usual
}

function assessedAs(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone): Verdict {
  const parts = exerciseParts(exercise, dose, state, done).map(({ other, part }) =>
    other ? namedPart(other, part) : part,
  )
  const verdict = together(parts, askedOfExercise(exercise, dose, state, done), state.day)
  const unable = isOpen(verdict.kind) ? withoutHelp(exercise, dose, state) : []
  if (unable.length === 0) return verdict
  const what = inEach((language) => unable.map((one) => one.state.condition.name[language]).join(', '))
  const says = {
    en: `Asks for the other hand, which may not do this yet (${what.en}): teach a helper, or choose another form.`,
    es: `Pide la otra mano, que aún no puede hacerlo (${what.es}): enseñe a un ayudante o elija otra forma.`,
  }
  return {
    ...verdict,
    kind: 'with-care',
    conditions: [...verdict.conditions, says],
    reasons: [...verdict.reasons, catalogueReason('catalogue.other-hand', says)],
  }
}

/** What each injury that an exercise is asked of says today: `other` is `null` for the case that was asked for. */
export function exerciseParts(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  done: HowDone = {},
): { readonly other: OtherInjury | null; readonly part: Part }[] {
  return injuriesJudged(exercise, dose, state, done).map(({ other, entry }) => ({
    other,
    part: { ...toldEntry(entry), state: entry.state, unlock: (missing) => unlockEntry(entry, missing) },
  }))
}

/** The kind of verdict alone, without words and without the search for an opening day. */
export function exerciseKind(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  done: HowDone = {},
): VerdictKind {
  if (state.otherInjuries.length === 0 && !done.orthosis) return bestWorn(exercise, dose, state, done).kind
  const usual = inUsualOrthosis(exercise, state, done)
  const kind = kindAsDone(exercise, dose, state, done)
  return usual ? worseKind(kind, exerciseKind(exercise, dose, state, usual)) : kind
}

function kindAsDone(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone): VerdictKind {
  const kind = injuriesJudged(exercise, dose, state, done)
    .map(({ entry }) => entry.kind)
    .reduce(worseKind)
  return isOpen(kind) && withoutHelp(exercise, dose, state).length > 0 ? 'with-care' : kind
}

/**
 * When an exercise at a dose is open: runs of days in the days of the case that was asked for, all injuries together (see
 * `openingRuns`). Where the orthosis is not stated it is chosen anew for each day.
 *
 * @param span - first and last day of the case; by default from its own day as far as anything is looked for
 */
export function exerciseOpenings(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  supposing: Supposing,
  { done = {}, span }: { done?: HowDone; span?: readonly [number, number] } = {},
): OpeningRun[] {
  const [first, last] = span ?? [state.day, state.day + SEARCH_DAYS]
  const asked = askedOfExercise(exercise, dose, state, done)
  return [...openingRuns(asked, state.day, supposing, [first - state.day, last - state.day])]
}

function askedOfExercise(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone): Asked {
  const on = (offset: number, supposing: Supposing) => patientLater(state, offset, supposing)
  const injuries = [state, ...state.otherInjuries.map((other) => other.state)]
  return {
    turns: injuries.flatMap((one) => [
      ...turningOffsets(one),
      ...[...catalogueDays(exercise, one.condition, one.protocol), ...contactDays(exercise)].map(
        (day) => day - one.day,
      ),
    ]),
    kindOn: (offset, supposing) => exerciseKind(exercise, dose, on(offset, supposing), done),
    missingOn: (offset) => {
      const then = on(offset, 'asTheRecordStands')
      // The orthosis that everything met would put on may be another than the one the record has on now.
      const orthosis = done.orthosis ?? orthosisOn(exercise, dose, on(offset, 'byTimeAlone'), done)
      const usual = inUsualOrthosis(exercise, then, done)
      const needs = [done, ...(usual ? [usual] : [])].flatMap(
        (how) => missingFor(exercise, dose, then, how) ?? [],
      )
      return (
        (needs.length > 0 ? needs : missingFor(exercise, dose, then, done)) ??
        missingFor(exercise, dose, then, { ...done, orthosis }) ??
        closedIn(exercise, dose, then, done).flatMap(({ entry }) => missingInEntry(entry))
      )
    },
  }
}

/**
 * The criteria that stand in the way of an exercise on a day that time alone would open: with these recorded, and none less, it
 * is open. What bars it is recorded first; where that is not enough, because an orthosis stays on or a rule holds as long as
 * the phase lasts, the next phase's entry.
 *
 * @returns `null` where nothing recorded opens it: a red flag, an order
 */
function missingFor(
  exercise: Exercise,
  dose: Dose,
  then: PatientCase,
  done: HowDone,
): readonly Criterion[] | null {
  const closedWith = (met: readonly Criterion[]) => closedIn(exercise, dose, withRecorded(then, met), done)
  let met: Criterion[] = []
  for (;;) {
    const closed = closedWith(met)
    if (closed.length === 0)
      return met.filter((one) => closedWith(met.filter((other) => other !== one)).length > 0)
    const asked = closed.flatMap(({ entry }) => missingInEntry(entry))
    const next = closed.flatMap(({ state }) => standingOf(state).next?.phase.entry ?? [])
    const news = [asked, next].map((list) => list.filter((one) => !met.some(({ text }) => text === one.text)))
    const more = news.find((list) => list.length > 0)
    if (!more) return null
    met = distinctCriteria([...met, ...more])
  }
}

/** The injuries that keep an exercise closed. */
function closedIn(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone) {
  return injuriesJudged(exercise, dose, state, done).filter(({ entry }) => !isOpen(entry.kind))
}

/** One injury that an exercise is asked of, and how it is done there. */
interface Concerned {
  /** `null`: the case that was asked for. */
  readonly other: OtherInjury | null
  readonly state: PatientCase
  readonly how: Worn
}

/** The injuries an exercise is asked of as a whole: the case's own, others of this hand, and of the other where it does the same. */
function concerning(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone): Concerned[] {
  const worn = done.orthosis ?? orthosisOn(exercise, dose, state, done)
  const own: Concerned = { other: null, state, how: { ...done, orthosis: worn } }
  if (state.otherInjuries.length === 0) return [own]
  const isBoth = otherHandUse(exercise) === 'the same'
  const others = state.otherInjuries.filter(({ hand }) => hand === 'same' || isBoth)
  return [own, ...others.map((other) => concerned(exercise, dose, other, done))]
}

/**
 * How it is done for another injury: in the orthosis of that injury, which is on besides that of the first, where nobody said what
 * is worn.
 */
function concerned(exercise: Exercise, dose: Dose, other: OtherInjury, done: HowDone): Concerned {
  const state = besides(other)
  const asked = other.hand === 'same' ? done : {}
  return {
    other,
    state,
    how: { ...asked, orthosis: asked.orthosis ?? orthosisOn(exercise, dose, state, asked) },
  }
}

const seenFromHere = {
  same: new WeakMap<PatientCase, PatientCase>(),
  other: new WeakMap<PatientCase, PatientCase>(),
}

/** Another injury seen from the case that was asked for: how this hand is, is not asked a second time. */
function besides({ hand, state }: OtherInjury): PatientCase {
  let seen = seenFromHere[hand].get(state)
  if (!seen) {
    seen = { ...state, otherInjuries: [], otherHand: hand === 'other' ? 'well' : state.otherHand }
    seenFromHere[hand].set(state, seen)
  }
  return seen
}

function injuriesJudged(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone) {
  return concerning(exercise, dose, state, done).map((one) => ({
    ...one,
    entry: judgeEntry(exercise, dose, one.state, one.how),
  }))
}

/** The injuries of the other hand for which it may not help as the exercise asks. */
function withoutHelp(exercise: Exercise, dose: Dose, state: PatientCase): readonly OtherInjury[] {
  const use = otherHandUse(exercise)
  if (state.otherInjuries.length === 0 || use === 'none' || use === 'the same') return []
  return cannotHelp(state.otherInjuries, helpSignature(exercise, dose, use))
}

/**
 * The orthosis an exercise is done in on the case's day: of those the phase has in which it can be done, and without, the one with
 * the best answer. Of equals the one that stays on anyway, then one that comes off for exercise, then none: what is worn always
 * is not taken off for nothing.
 */
export function orthosisOn(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone = {}): Orthosis {
  return bestWorn(exercise, dose, state, done).orthosis
}

/** An orthosis and what is answered in it. */
interface BestWorn {
  readonly orthosis: Orthosis
  readonly kind: VerdictKind
}

function bestWorn(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone): BestWorn {
  // Asked again and again while a verdict is put into words and its days are looked for.
  const isAsIs = !done.digits && !done.chosen && !done.posture
  const known = isAsIs ? worn.get(state)?.get(exercise)?.get(dose) : undefined
  if (known) return known
  const chosen = bestOrthosis(exercise, dose, state, done)
  if (isAsIs) {
    let byExercise = worn.get(state)
    if (!byExercise) worn.set(state, (byExercise = new WeakMap()))
    let byDose = byExercise.get(exercise)
    if (!byDose) byExercise.set(exercise, (byDose = new WeakMap()))
    byDose.set(dose, chosen)
  }
  return chosen
}

const worn = new WeakMap<PatientCase, WeakMap<Exercise, WeakMap<Dose, BestWorn>>>()

function bestOrthosis(exercise: Exercise, dose: Dose, state: PatientCase, done: HowDone): BestWorn {
  const { phase } = standingOf(state)
  const digits = done.digits ?? judgedDigits(exercise, done.chosen ?? null)
  const on = { protocol: state.protocol, digits, injured: state.digits }
  const names = keptAlways(phase)
  // Worn one inside the other, day and night: what is done in one has to go in the other.
  const can = (orthosis: Orthosis) =>
    canBeDoneIn(exercise, orthosis, on) &&
    (!names.includes(orthosis) ||
      names.every((other) => other === orthosis || leavesWay(exercise, other, on)))
  const possible = orthosesAround(exercise, phase).filter(can)
  const [first = 'none', ...others] = possible
  const inIt = (orthosis: Orthosis): BestWorn => ({
    orthosis,
    kind: exerciseKind(exercise, dose, state, { ...done, orthosis }),
  })
  let best = inIt(first)
  for (const orthosis of others) {
    if (best.kind === 'clear') break
    const next = inIt(orthosis)
    if (isWorse(best.kind, next.kind)) best = next
  }
  return best
}

function keptAlways(phase: Phase | null): Orthosis[] {
  return (phase?.wear ?? []).flatMap(({ keep, orthosis }) => (keep === 'always' ? [orthosis] : []))
}

/** The orthoses an exercise may be meant to be done in, what stays on first: those the phase has, none, those its rules and the entry name. */
function orthosesAround(exercise: Exercise, phase: Phase | null): Orthosis[] {
  const stays = alwaysWorn(phase)?.orthosis
  const rules = [...(phase?.allow ?? []), ...(phase?.caution ?? [])]
  return [
    ...new Set<Orthosis>([
      ...(stays ? [stays] : []),
      ...keptAlways(phase),
      'none',
      ...(phase?.wear ?? []).flatMap(({ keep, orthosis }) => (keep === 'night' ? [] : [orthosis])),
      ...rules.flatMap(({ inOrthosis }) => inOrthosis ?? []),
      ...(exercise.worn ?? []),
    ]),
  ]
}
