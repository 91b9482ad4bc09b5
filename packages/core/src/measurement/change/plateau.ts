import { contradiction } from '../../anatomy/checked.js'
import { decided } from '../../anatomy/constant.js'
import { robustSlope, type RobustSlope } from './robustSlope.js'

/** Over how long a plateau is judged, and what it needs. */
export const PLATEAU = {
  horizon: decided(28, 'days'),
  leastVisits: decided(5, 'visits'),
  leastSpan: decided(21, 'days'),
} as const

export type Course = 'improving' | 'declining' | 'plateau' | 'uncertain' | 'insufficient'

/**
 * Where a series goes, as an equivalence test: improving or declining where the interval of the slope excludes 0, a
 * plateau where over 28 days neither end reaches a real change, else uncertain. Most short series are uncertain, and that
 * is the honest answer. Larger is taken as better: give pain, edema and lag with their sign turned.
 *
 * @param mdc - change beyond measurement error, above 0
 */
export function courseOf(
  days: readonly number[],
  values: readonly number[],
  mdc: number,
): { readonly course: Course; readonly slope: RobustSlope } {
  if (!(mdc > 0)) contradiction('mdc', 'Expected a measurement error above 0. Look it up for this measure.')
  const slope = robustSlope(days, values)
  const span = Math.max(...days) - Math.min(...days)
  const horizon = PLATEAU.horizon.value
  if (slope.visits < PLATEAU.leastVisits.value || span < PLATEAU.leastSpan.value)
    return { course: 'insufficient', slope }
  if (slope.high < 0) return { course: 'declining', slope }
  if (slope.low > 0) return { course: 'improving', slope }
  const isFlat = slope.high * horizon < mdc && slope.low * horizon > -mdc
  return { course: isFlat ? 'plateau' : 'uncertain', slope }
}
