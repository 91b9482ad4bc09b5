import {
  assessExercise,
  choosableDigits,
  inHandOrder,
  loadWaitsFor,
  minutesOfBout,
  orthosisOn,
  schooledPainCap,
  type Catalogue,
  type ChosenSchools,
  type Criterion,
  type Digit,
  type Dose,
  type Exercise,
  type Orthosis,
  type PatientCase,
  type Verdict,
} from '@pledge/core'
import type { DraftItem } from '@pledge/core/schemas'
import type { OverrideRow } from '../data/models.js'
import { overrideOf, type EpisodeRecord } from './episodeRecord.js'
import type { SignedItem } from './signedItem.js'

export interface JudgedItem {
  readonly itemId: string
  readonly exercise: Exercise
  readonly dose: Dose
  /** The digits chosen for the patient; `null`: as the exercise is. */
  readonly digits: readonly Digit[] | null
  readonly orthosis: Orthosis
  readonly minutesPerBout: number
  readonly verdict: Verdict
  /** The therapist's exception that covers a "not yet". */
  readonly override: OverrideRow | null
  /** What the chosen school of early load waits for before it; a warning. */
  readonly waitsFor: readonly Criterion[]
}

/**
 * A draft's items with their verdict at their own dose, in the orthosis the phase keeps on, in the order of the chosen
 * school and with its pain cap.
 */
export function judgedItems(
  items: readonly DraftItem[],
  state: PatientCase,
  catalogue: Catalogue,
  { schools = {}, record }: { schools?: ChosenSchools; record: EpisodeRecord },
): JudgedItem[] {
  const { doseSchools } = catalogue
  return items.flatMap(({ itemId, exerciseId, dose, digits: asked }) => {
    const listed = catalogue.exercises.get(exerciseId)
    if (!listed) return []
    const exercise = { ...listed, painCap: schooledPainCap(listed, doseSchools, schools) }
    const orthosis = orthosisOn(exercise, dose as Dose, state)
    const digits = asked ? inHandOrder(asked) : null
    const verdict = assessExercise(exercise, dose as Dose, state, { chosen: digits })
    return [
      {
        itemId,
        exercise,
        dose: dose as Dose,
        digits,
        orthosis,
        minutesPerBout: minutesOfBout(exercise, dose as Dose, 1, digits),
        verdict,
        override: overrideOf(record, exerciseId, verdict, digits),
        waitsFor: loadWaitsFor(exercise, doseSchools, schools, state.facts),
      },
    ]
  })
}

/** What is wrong with the digits chosen for an exercise; `null` where nothing is. */
export function digitsProblem(exercise: Exercise, digits: readonly Digit[] | null): string | null {
  const choosable = choosableDigits(exercise)
  if (!digits || digits.every((digit) => choosable.includes(digit))) return null
  return choosable.length === 0
    ? 'This exercise leaves no digits to choose.'
    : `Choose among ${choosable.join(', ')}.`
}

/** What a signature keeps of an item: everything. */
export function signedCopy({ verdict, override, waitsFor: _waitsFor, ...item }: JudgedItem): SignedItem {
  return {
    ...item,
    verdict: verdict.kind,
    conditions: verdict.conditions.map((one) => one.en),
    override: override && { id: override.id, why: override.why, by: override.recordedBy },
  }
}
