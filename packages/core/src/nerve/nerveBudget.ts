import { wholeWithin } from '../anatomy/checked.js'
import { decided } from '../anatomy/constant.js'

/** Slides of a nerve a day over all variants, by irritability. Source: A5-NERVE (medium). */
export const NERVE_BUDGET = {
  high: decided(5, 'a day'),
  mod: decided(20, 'a day'),
  low: decided(45, 'a day'),
} as const
export type Irritability = keyof typeof NERVE_BUDGET

/**
 * Slides left today. Variants of one nerve share the budget: ten at the elbow and ten at the wrist are twenty.
 *
 * @param done - slides of each variant today, whole numbers
 * @returns never below 0
 */
export function slidesLeft(irritability: Irritability, done: Readonly<Record<string, number>>): number {
  const sum = Object.entries(done).reduce(
    (total, [variant, slides]) => total + wholeWithin(slides, `done.${variant}`, [0, 1000]),
    0,
  )
  return Math.max(0, NERVE_BUDGET[irritability].value - sum)
}
