import type { Dose, Exercise } from '../exercise/exercise.js'
import type { Digit, Orthosis } from '../vocabulary/vocabulary.js'
import { assessExercise, orthosisOn } from '../verdict/assessExercise.js'
import { coveringOverride, type RecordedOverride } from '../verdict/override.js'
import type { PatientCase } from '../verdict/patientCase.js'
import { isOpen, VERDICT_KINDS, type Verdict, type VerdictKind } from '../verdict/verdict.js'

/** An item of a signed program: a copy of everything it prescribed, so that the catalogue never changes a record. */
export interface SignedItem {
  readonly itemId: string
  readonly exercise: Exercise
  readonly dose: Dose
  /** The digits chosen for the patient; `null`: as the exercise is. */
  readonly digits: readonly Digit[] | null
  readonly orthosis: Orthosis
  readonly minutesPerBout: number
  readonly verdict: VerdictKind
  readonly conditions: readonly string[]
  /** The exception that opened it, where its verdict was not yet; absent in programs signed before there were any. */
  readonly override?: { readonly id: string; readonly why: string; readonly by: string } | null
}

export interface ItemToday<Override extends RecordedOverride = RecordedOverride> {
  readonly item: SignedItem
  /** What is worn while it is done today. */
  readonly orthosis: Orthosis
  readonly verdict: Verdict
  /** The therapist's exception that covers a "not yet" of today. */
  readonly override: Override | null
  /** Paused on the phone: not open and no exception covers it, or its verdict is worse than when it was signed. */
  readonly isPaused: boolean
}

/**
 * The items of a signed program with today's verdict, each judged by its own copy of the exercise. What was signed without an orthosis
 * is done inside one that stays on again, where it can be.
 */
export function itemsToday<Override extends RecordedOverride>(
  items: readonly SignedItem[],
  state: PatientCase,
  overrides: readonly Override[],
): ItemToday<Override>[] {
  return items.map((item) => {
    const chosen = item.digits
    const orthosis =
      item.orthosis === 'none' ? orthosisOn(item.exercise, item.dose, state, { chosen }) : item.orthosis
    const verdict = assessExercise(item.exercise, item.dose, state, { orthosis, chosen })
    const override = coveringOverride(overrides, item.exercise.id, verdict, item.digits)
    const isWorse = VERDICT_KINDS.indexOf(verdict.kind) > VERDICT_KINDS.indexOf(item.verdict)
    const isBarred = !isOpen(verdict.kind) || isWorse
    return { item, orthosis, verdict, override, isPaused: isBarred && override === null }
  })
}
