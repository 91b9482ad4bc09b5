import { contradiction, within } from '../../anatomy/checked.js'

/** Two-sided normal quantiles of 95 and 90 %, as the literature rounds them. */
const [Z95, Z90] = [1.96, 1.645]

export interface MeasurementError {
  readonly sem: number
  /** Change that is real with 95 % confidence. */
  readonly mdc95: number
  readonly mdc90: number
}

function errorOf(sem: number): MeasurementError {
  return { sem, mdc95: Z95 * Math.SQRT2 * sem, mdc90: Z90 * Math.SQRT2 * sem }
}

/** The error behind a published change that is real with 95 % confidence. */
export function errorOfMdc95(mdc95: number): MeasurementError {
  return errorOf(within(mdc95, 'mdc95', [0, 10_000]) / (Z95 * Math.SQRT2))
}

/**
 * Error of one reading from the spread of people and the reliability of the method.
 *
 * @param sd - 0 or more
 * @param icc - 0–1
 * @example
 * measurementError(9, 0.9) // => SEM 2.846, MDC95 7.889
 */
export function measurementError(sd: number, icc: number): MeasurementError {
  within(sd, 'sd', [0, 10_000])
  within(icc, 'icc', [0, 1])
  return errorOf(sd * Math.sqrt(1 - icc))
}

/**
 * Error of a sum or difference of readings. Takes them as independent, which is optimistic: the same rater on the same day
 * errs in the same way.
 *
 * @param sems - of each reading
 * @param step - to which readings are recorded; adds step² / 12 a reading
 */
export function errorOfSum(sems: readonly number[], step = 0): MeasurementError {
  if (sems.length === 0) contradiction('sems', 'Expected at least one reading.')
  within(step, 'step', [0, 50])
  const variance = sems.reduce((sum, sem, index) => {
    within(sem, `sems.${index}`, [0, 1000])
    return sum + sem ** 2 + step ** 2 / 12
  }, 0)
  return errorOf(Math.sqrt(variance))
}

export type ChangeWord = 'real' | 'probably real' | 'within error'

/** Whether a change is beyond measurement error. Whether it matters is another question. */
export function changeWord(delta: number, { mdc95, mdc90 }: Omit<MeasurementError, 'sem'>): ChangeWord {
  const size = Math.abs(delta)
  if (size >= mdc95) return 'real'
  return size >= mdc90 ? 'probably real' : 'within error'
}

/** Share of a deficit that has been recovered, in percent; unknown where there was none. */
export function recoveredPercent(start: number, now: number, target: number): number | null {
  return target === start ? null : (100 * (now - start)) / (target - start)
}
