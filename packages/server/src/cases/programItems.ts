import {
  assessExercise,
  minutesOfBout,
  orthosisOn,
  type Catalogue,
  type Dose,
  type Exercise,
  type Orthosis,
  type PatientCase,
  type Verdict,
} from '@pledge/core'
import type { DraftItem } from '@pledge/core/schemas'
import type { SignedItem } from './signedItem.js'

export interface JudgedItem {
  readonly itemId: string
  readonly exercise: Exercise
  readonly dose: Dose
  readonly orthosis: Orthosis
  readonly minutesPerBout: number
  readonly verdict: Verdict
}

/** A draft's items with their verdict at their own dose, in the orthosis the phase keeps on. */
export function judgedItems(
  items: readonly DraftItem[],
  state: PatientCase,
  catalogue: Catalogue,
): JudgedItem[] {
  return items.flatMap(({ itemId, exerciseId, dose }) => {
    const exercise = catalogue.exercises.get(exerciseId)
    if (!exercise) return []
    const orthosis = orthosisOn(exercise, exercise.dose, state)
    const verdict = assessExercise(exercise, dose as Dose, state, { orthosis })
    return [
      {
        itemId,
        exercise,
        dose: dose as Dose,
        orthosis,
        minutesPerBout: minutesOfBout(exercise, dose as Dose),
        verdict,
      },
    ]
  })
}

/** What a signature keeps of an item: everything. */
export function signedCopy({ verdict, ...item }: JudgedItem): SignedItem {
  return { ...item, verdict: verdict.kind, conditions: verdict.conditions.map((one) => one.en) }
}
