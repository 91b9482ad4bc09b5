import { questionOf } from '../dose/doseSchool.js'
import type { Dose, Exercise } from '../exercise/exercise.js'
import { NERVE_BUDGET, type Irritability } from '../nerve/nerveBudget.js'
import { recordedIrritability } from '../protocol/recordedIrritability.js'
import type { FactBook } from '../protocol/facts.js'

/** Slides of nerves a day over all variants of a program, beside the budget for the irritability on record. */
export interface NerveSlides {
  readonly perDay: number
  /** `null` where the irritability is not known. */
  readonly budget: number | null
  readonly irritability: Irritability | null
}

/** @returns `null` for a program without slides. Source: A5-NERVE (medium). */
export function nerveSlides(
  items: readonly { readonly exercise: Exercise; readonly dose: Dose }[],
  facts: FactBook,
): NerveSlides | null {
  const slides = items.filter(({ exercise }) => questionOf(exercise) === 'nerveDose')
  if (slides.length === 0) return null
  const irritability = recordedIrritability(facts)
  return {
    perDay: slides.reduce((sum, { dose }) => sum + dose.sets * dose.repetitions * dose.boutsPerDay, 0),
    budget: irritability && NERVE_BUDGET[irritability].value,
    irritability,
  }
}
