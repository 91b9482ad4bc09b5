import { minutesOfBout } from '../dose/minutes.js'
import { loadWaitsFor, schooledPainCap, type ChosenSchools, type SchoolQuestion } from '../dose/doseSchool.js'
import { choosableDigits, inHandOrder } from '../exercise/chosenDigits.js'
import type { Dose, Exercise } from '../exercise/exercise.js'
import type { Criterion } from '../vocabulary/criterion.js'
import type { Digit, Orthosis } from '../vocabulary/vocabulary.js'
import { unansweredSelection, wrongSchool } from '../protocol/wrongSchool.js'
import { assessExercise, orthosisOn } from '../verdict/assessExercise.js'
import { standingOf } from '../verdict/caseOnDay.js'
import { coveringOverride, type RecordedOverride } from '../verdict/override.js'
import type { PatientCase } from '../verdict/patientCase.js'
import { isOpen, type Verdict } from '../verdict/verdict.js'
import type { SignedItem } from './signedItem.js'

/** An item as a therapist drafts it. */
export interface DraftedItem {
  readonly itemId: string
  readonly exercise: Exercise
  readonly dose: Dose
  readonly digits: readonly Digit[] | null
}

export interface JudgedItem<Override extends RecordedOverride = RecordedOverride> extends DraftedItem {
  readonly orthosis: Orthosis
  readonly minutesPerBout: number
  readonly verdict: Verdict
  /** The therapist's exception that covers a "not yet". */
  readonly override: Override | null
  /** What the chosen school of early load waits for before it; a warning. */
  readonly waitsFor: readonly Criterion[]
}

/** A drafted item with its verdict at its own dose, in the orthosis of the day, with the pain cap of the chosen school. */
export function judgedItem<Override extends RecordedOverride>(
  { itemId, exercise: listed, dose, digits: asked }: DraftedItem,
  state: PatientCase,
  {
    schools,
    chosen,
    overrides,
  }: {
    readonly schools: readonly SchoolQuestion[]
    readonly chosen: ChosenSchools
    readonly overrides: readonly Override[]
  },
): JudgedItem<Override> {
  const exercise = { ...listed, painCap: schooledPainCap(listed, schools, chosen) }
  const digits = asked ? inHandOrder(asked) : null
  const verdict = assessExercise(exercise, dose, state, { chosen: digits })
  return {
    itemId,
    exercise,
    dose,
    digits,
    orthosis: orthosisOn(exercise, dose, state, { chosen: digits }),
    minutesPerBout: minutesOfBout(exercise, dose, 1, digits),
    verdict,
    override: coveringOverride(overrides, exercise.id, verdict, digits),
    waitsFor: loadWaitsFor(exercise, schools, chosen, state.facts),
  }
}

/** Why a program may not be signed. */
export type SigningBar =
  | { readonly name: 'empty' }
  | { readonly name: 'wrongSchool' | 'schoolUnanswered'; readonly criteria: readonly Criterion[] }
  | {
      readonly name: 'closed'
      readonly items: readonly { readonly index: number; readonly item: JudgedItem }[]
    }

/**
 * What bars the signing of a program; `null`: nothing does. It needs at least one exercise, a school that fits and whose facts
 * are answered, and every item open today or covered by an exception.
 */
export function signingBar(items: readonly JudgedItem[], state: PatientCase): SigningBar | null {
  if (items.length === 0) return { name: 'empty' }
  const { facts } = standingOf(state)
  const wrong = wrongSchool(state.protocol, facts)
  if (wrong.length > 0) return { name: 'wrongSchool', criteria: wrong }
  const unanswered = unansweredSelection(state.protocol, facts)
  if (unanswered.length > 0) return { name: 'schoolUnanswered', criteria: unanswered }
  const closed = items.flatMap((item, index) =>
    !isOpen(item.verdict.kind) && item.override === null ? [{ index, item }] : [],
  )
  return closed.length > 0 ? { name: 'closed', items: closed } : null
}

/** What a signature keeps of an item: everything. */
export function signedItem({
  verdict,
  override,
  waitsFor: _waitsFor,
  ...item
}: JudgedItem<
  RecordedOverride & { readonly id: string; readonly why: string; readonly recordedBy: string }
>): SignedItem {
  return {
    ...item,
    verdict: verdict.kind,
    conditions: verdict.conditions.map((one) => one.en),
    override: override && { id: override.id, why: override.why, by: override.recordedBy },
  }
}

/** What is wrong with what was chosen for an exercise, by field; empty where nothing is. */
export function choiceProblems(
  exercise: Exercise,
  dose: Dose,
  digits: readonly Digit[] | null,
): { readonly path: string; readonly message: string }[] {
  const choosable = choosableDigits(exercise)
  if (digits && !digits.every((digit) => choosable.includes(digit)))
    return [
      {
        path: 'digits',
        message:
          choosable.length === 0
            ? 'This exercise leaves no digits to choose.'
            : `Choose among ${choosable.join(', ')}.`,
      },
    ]
  const steps = exercise.load?.steps ?? null
  if (steps === null)
    return dose.load === null ? [] : [{ path: 'dose.load', message: 'This exercise has no load.' }]
  return dose.load !== null && steps.includes(dose.load)
    ? []
    : [{ path: 'dose.load', message: `Choose a load: ${steps.join(', ')}.` }]
}
