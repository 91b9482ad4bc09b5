import { contradiction } from '../../anatomy/checked.js'
import { gripKgf, type ForceUnit } from './forceUnits.js'

export interface GripTrials {
  readonly meanKgf: number
  /** Sample SD, divisor n − 1; unknown with one trial. */
  readonly sdKgf: number | null
  /** Spread of the trials in percent of their mean: a spread, never a word about effort. */
  readonly variationPercent: number | null
  /** Norms are means of three trials: fewer or more are not comparable. */
  readonly isComparableWithNorms: boolean
}

/**
 * Mean and spread of one to five trials with the same instrument, position and unit. Source: MATHIOWETZ-1984 (high).
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` for a negative or impossible force; `MEASUREMENT_INCONSISTENT` without trials
 */
export function gripTrials(trials: readonly number[], unit: ForceUnit): GripTrials {
  if (trials.length < 1 || trials.length > 5)
    contradiction('trials', `Expected one to five trials, found ${trials.length}.`)
  const kgf = trials.map((trial, index) => gripKgf(trial, unit, `trials.${index}`))
  const meanKgf = mean(kgf)
  const sdKgf = sampleSd(kgf)
  return {
    meanKgf,
    sdKgf,
    variationPercent: sdKgf === null || meanKgf === 0 ? null : (100 * sdKgf) / meanKgf,
    isComparableWithNorms: trials.length === 3,
  }
}

export interface HandlePositions {
  /** Handle position with the highest force, 1–5; the first of equals. */
  readonly peak: number
  readonly sd: number
  /** From the strongest to the weakest, in percent of the strongest; unknown where every one is 0. */
  readonly dropPercent: number | null
}

/**
 * Five handle positions. A flat curve is seen with real weakness as well: it carries no label. Source: BECHTOL-1954,
 * STOKES-1983 (high).
 */
export function handlePositions(values: readonly number[], unit: ForceUnit = 'kgf'): HandlePositions {
  if (values.length !== 5) contradiction('values', `Expected five positions, found ${values.length}.`)
  values.forEach((value, index) => gripKgf(value, unit, `values.${index}`))
  const [most, least] = [Math.max(...values), Math.min(...values)]
  return {
    peak: values.indexOf(most) + 1,
    sd: sampleSd(values)!,
    dropPercent: most === 0 ? null : (100 * (most - least)) / most,
  }
}

export function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

/** Sample standard deviation; `null` with fewer than two values. */
export function sampleSd(values: readonly number[]): number | null {
  if (values.length < 2) return null
  const middle = mean(values)
  return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1))
}
