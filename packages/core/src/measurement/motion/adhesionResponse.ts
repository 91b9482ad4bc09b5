import { reaches, within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

export const ADHESION = {
  absentUpTo: published(5, 'degrees', 'GROTH-2004', 'high'),
  respondsFrom: published(10, 'percent', 'GROTH-2004', 'high'),
} as const

export type AdhesionClass = 'absent' | 'responsive' | 'unresponsive'
export interface AdhesionResponse {
  /** How much of the active–passive difference went away; unknown where there was none. */
  readonly resolvedPercent: number | null
  readonly class: AdhesionClass
  /** The change is smaller than measurement error: the word has to be shown with this. */
  readonly isWithinError: boolean
}

/**
 * How adhesions answer, by the active–passive difference in flexion (PIP and DIP) at two visits. Up to 5° absent; a fall
 * of 10 % or more responsive; less unresponsive: a candidate for the next rung of force, if time and surgeon allow.
 *
 * @param mdcDeg - of the sum; 10 % of 40° is 4°, less than the error of two joints
 */
export function adhesionResponse(previousDeg: number, nowDeg: number, mdcDeg: number): AdhesionResponse {
  within(previousDeg, 'previous', [-60, 240], 'degrees')
  within(nowDeg, 'now', [-60, 240], 'degrees')
  const resolvedPercent = previousDeg <= 0 ? null : (100 * (previousDeg - nowDeg)) / previousDeg
  const word = reaches(ADHESION.absentUpTo.value, nowDeg)
    ? 'absent'
    : resolvedPercent !== null && reaches(resolvedPercent, ADHESION.respondsFrom.value)
      ? 'responsive'
      : 'unresponsive'
  return { resolvedPercent, class: word, isWithinError: !reaches(previousDeg - nowDeg, mdcDeg) }
}
