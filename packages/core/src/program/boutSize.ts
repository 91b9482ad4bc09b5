import type { Burden } from '../dose/minutes.js'
import type { BoutLimits } from '../rules/crossCutting.js'

/** Whether a bout holds more than few patients keep up: too many minutes, or too many exercises. A warning. Source: A16, common practice. */
export function isBoutTooLong(
  { minutesPerBout }: Pick<Burden, 'minutesPerBout'>,
  exercises: number,
  limits: BoutLimits,
): boolean {
  return minutesPerBout > limits.minutes || exercises > limits.exercises
}
