import { wholeWithin } from '../anatomy/checked.js'
import { decided } from '../anatomy/constant.js'
import { criterion } from '../protocol/criterion.js'
import type { FactBook } from '../protocol/facts.js'

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

/** The irritability on record; `null` when nobody recorded it or it is too old to count. */
export function recordedIrritability(facts: FactBook): Irritability | null {
  const status = (text: string) => facts.status(criterion(text)).name
  if (status('irrit<=low') === 'met') return 'low'
  if (status('irrit<=mod') === 'met') return 'mod'
  return status('irrit<=mod') === 'notSo' ? 'high' : null
}
