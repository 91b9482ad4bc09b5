import { CoreError } from '../errors.js'

/** Slack of comparisons with a threshold, in favor of reaching it: (1 − 27/30) · 100 is 9.999999999999998. */
const SLACK = 1e-9

/** Whether a computed value reaches a threshold, floating point aside. */
export function reaches(value: number, threshold: number): boolean {
  return value >= threshold - SLACK
}

/**
 * A finite number within bounds.
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` with the path, the bounds and what to do
 */
export function within(
  value: number,
  path: string,
  [low, high]: readonly [number, number],
  unit = '',
): number {
  if (!Number.isFinite(value) || value < low || value > high)
    throw new CoreError(
      'MEASUREMENT_OUT_OF_RANGE',
      path,
      `Expected ${path} from ${low} to ${high}${unit && ` ${unit}`}, found ${value}. Check what was typed.`,
    )
  return value
}

/** A whole number within bounds; refuses like `within`. */
export function wholeWithin(
  value: number,
  path: string,
  bounds: readonly [number, number],
  unit = '',
): number {
  within(value, path, bounds, unit)
  if (!Number.isInteger(value))
    throw new CoreError(
      'MEASUREMENT_OUT_OF_RANGE',
      path,
      `Expected a whole number for ${path}, found ${value}. Leave out the fraction.`,
    )
  return value
}

/** Refuses readings that cannot be true together. */
export function contradiction(path: string, message: string): never {
  throw new CoreError('MEASUREMENT_INCONSISTENT', path, message)
}
