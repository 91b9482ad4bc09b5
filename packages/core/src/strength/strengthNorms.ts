import { within } from '../anatomy/checked.js'
import type { Constant } from '../anatomy/constant.js'
import { forceIn, type ForceUnit } from './forceUnits.js'
import { NORMS_1985 } from './norms1985.js'

/** One age band: mean and SD of each hand in lbf. */
export interface Norm {
  readonly fromAge: number
  readonly toAge: number | null
  readonly right: readonly [mean: number, sd: number]
  readonly left: readonly [mean: number, sd: number]
}
export const STRENGTH_TESTS = ['grip', 'tip', 'key', 'palmar'] as const
export type StrengthTest = (typeof STRENGTH_TESTS)[number]

export interface ComparedWithNorm {
  /** Distance from the mean of the age band in SD. */
  readonly z: number
  readonly percentile: number
  readonly percentOfNorm: number
  readonly confidence: Constant['confidence']
}

/** Palmar pinch from 55 on was partly put together from memory. */
const PALMAR_UNSURE_FROM_AGE = 55

/**
 * A force against people of the same sex and age, right hand or left (not dominant or not). Unknown below 20 years, and
 * where the sex is not in the table: no guess is made.
 *
 * Source: MATHIOWETZ-1985.
 *
 * @param age - whole years
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE`
 */
export function comparedWithNorm(
  test: StrengthTest,
  sex: string,
  age: number,
  side: 'right' | 'left',
  value: number,
  unit: ForceUnit,
): ComparedWithNorm | null {
  within(age, 'age', [0, 120], 'years')
  const lbf = within(forceIn('lbf', value, unit), 'value', [0, 265], 'lbf')
  if (sex !== 'male' && sex !== 'female') return null
  const norm = NORMS_1985[test][sex].find(
    ({ fromAge, toAge }) => age >= fromAge && (toAge === null || age < toAge + 1),
  )
  if (!norm) return null
  const [mean, sd] = norm[side]
  const z = (lbf - mean) / sd
  return {
    z,
    percentile: 100 * normalShare(z),
    percentOfNorm: (100 * lbf) / mean,
    confidence: test === 'palmar' && age >= PALMAR_UNSURE_FROM_AGE ? 'low' : 'medium',
  }
}

/** Share of a normal distribution below z, by the error function's continued approximation (error below 1.5e-7). */
export function normalShare(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2)
  const poly =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const tail = (poly * Math.exp((-z * z) / 2)) / 2
  return z < 0 ? tail : 1 - tail
}
