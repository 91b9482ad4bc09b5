import { within } from '../../anatomy/checked.js'
import type { Constant } from '../../anatomy/constant.js'
import { forceIn, type ForceUnit } from './forceUnits.js'
import type { Norms } from './norm.js'
import { NORMS_1985 } from './norms1985.js'
import { NORMS_2011 } from './norms2011.js'

export const STRENGTH_TESTS = ['grip', 'tip', 'key', 'palmar'] as const
export type StrengthTest = (typeof STRENGTH_TESTS)[number]

/**
 * Tables of norms by year of publication, each with the tests it knows. Both are means of three trials; the older one is
 * a little high for adults under 35 of today, and instruments differ.
 */
export const NORM_TABLES = {
  '1985': {
    grip: [NORMS_1985.grip],
    tip: [NORMS_1985.tip],
    key: [NORMS_1985.key],
    palmar: [NORMS_1985.palmar, NORMS_1985.palmarFrom55],
  },
  '2011': { grip: [NORMS_2011] },
} as const satisfies Record<string, Partial<Record<StrengthTest, readonly Constant<Norms>[]>>>
export type NormTable = keyof typeof NORM_TABLES

export interface ComparedWithNorm {
  /** Named wherever the comparison is shown. */
  readonly table: NormTable
  /** Distance from the mean of the age band in SD. */
  readonly z: number
  readonly percentile: number
  readonly percentOfNorm: number
  readonly confidence: Constant['confidence']
}

/**
 * A mean of three trials against people of the same sex and age, right hand or left (not dominant or not). Unknown where
 * the sex is not in the table and for a test the table does not have: no guess is made.
 *
 * @param age - whole years, not under the youngest people of the table
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE`
 * @example
 * comparedWithNorm('grip', 'female', 52, 'right', 48, 'lbf') // => z −1.53, 72.9 % of the norm
 */
export function comparedWithNorm(
  test: StrengthTest,
  sex: string,
  age: number,
  side: 'right' | 'left',
  value: number,
  unit: ForceUnit,
  table: NormTable = '1985',
): ComparedWithNorm | null {
  const tests: Partial<Record<StrengthTest, readonly Constant<Norms>[]>> = NORM_TABLES[table]
  const bands = tests[test] ?? []
  const youngest = Math.min(...bands.flatMap(({ value: norms }) => norms.male.map(({ fromAge }) => fromAge)))
  within(age, 'age', [Number.isFinite(youngest) ? youngest : 0, 120], 'years')
  within(forceIn('lbf', value, unit), 'value', [0, 265], 'lbf')
  if (sex !== 'male' && sex !== 'female') return null
  for (const { value: norms, unit: unitOfTable, confidence } of bands) {
    const norm = norms[sex].find(
      ({ fromAge, toAge }) => age >= fromAge && (toAge === null || age < toAge + 1),
    )
    if (!norm) continue
    const force = forceIn(unitOfTable as ForceUnit, value, unit)
    const [mean, sd] = norm[side]
    const z = (force - mean) / sd
    return { table, z, percentile: 100 * normalShare(z), percentOfNorm: (100 * force) / mean, confidence }
  }
  return null
}

/** Share of a normal distribution below z, by the error function's continued approximation (error below 1.5e-7). */
export function normalShare(z: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(z)) / Math.SQRT2)
  const poly =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const tail = (poly * Math.exp((-z * z) / 2)) / 2
  return z < 0 ? tail : 1 - tail
}
