import { wholeWithin } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'
import { CoreError } from '../../errors.js'

export type SensationBand =
  | 'normal'
  | 'diminished light touch'
  | 'diminished protective sensation'
  | 'loss of protective sensation'
  | 'untestable'

/** Handle markings of the filaments of a full kit. Source: BELL-KROTOSKI-1995 (high). */
export const FILAMENT_MARKINGS = [
  1.65, 2.36, 2.44, 2.83, 3.22, 3.61, 3.84, 4.08, 4.17, 4.31, 4.56, 4.74, 4.93, 5.07, 5.18, 5.46, 5.88, 6.1,
  6.45, 6.65,
] as const

/** Last marking of each band. */
export const FILAMENT_BANDS = {
  normal: published(2.83, 'marking', 'BELL-KROTOSKI-1995', 'high'),
  lightTouch: published(3.61, 'marking', 'BELL-KROTOSKI-1995', 'high'),
  protective: published(4.31, 'marking', 'WEINSTEIN-1993', 'high'),
} as const

export interface FilamentFinding {
  /** By definition the marking is log10 of ten times the force in mg; kits print slightly other numbers. */
  readonly forceGf: number | null
  readonly band: SensationBand
  /** Heat, cold, pressure of an orthosis and resistance one cannot feel become dangerous. */
  readonly isUnprotected: boolean
}

/**
 * The lightest filament felt, with its band.
 *
 * @param marking - of the 20 of a kit; `null` = none felt
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` for another marking
 */
export function filamentFinding(marking: number | null): FilamentFinding {
  if (marking === null) return { forceGf: null, band: 'untestable', isUnprotected: true }
  if (!(FILAMENT_MARKINGS as readonly number[]).includes(marking))
    throw new CoreError(
      'MEASUREMENT_OUT_OF_RANGE',
      'marking',
      `Expected a marking of the kit (${FILAMENT_MARKINGS.join(', ')}), found ${marking}.`,
    )
  const { normal, lightTouch, protective } = FILAMENT_BANDS
  const band: SensationBand =
    marking <= normal.value
      ? 'normal'
      : marking <= lightTouch.value
        ? 'diminished light touch'
        : marking <= protective.value
          ? 'diminished protective sensation'
          : 'loss of protective sensation'
  return { forceGf: 10 ** (marking - 4), band, isUnprotected: marking > protective.value }
}

/** Last millimeters that are normal and fair. */
export const TWO_POINT_LIMITS = {
  static: published([5, 10] as const, 'mm', 'ASHT-1992', 'high'),
  moving: published([3, 6] as const, 'mm', 'DELLON-1981', 'medium'),
} as const

export type TwoPointClass = 'normal' | 'fair' | 'poor' | 'protective' | 'anaesthetic'

/**
 * Two-point discrimination at the fingertip. Static: below 6 mm normal, to 10 fair, to 15 and beyond poor; one
 * point only is protective. Moving: to 3 normal, to 6 fair, beyond poor.
 *
 * @param felt - whole mm from 2 to 25, or what was felt instead
 */
export function twoPointClass(
  felt: number | 'one point' | 'none',
  kind: 'static' | 'moving' = 'static',
): TwoPointClass {
  if (felt === 'one point') return 'protective'
  if (felt === 'none') return 'anaesthetic'
  wholeWithin(felt, 'mm', [2, 25], 'mm')
  const [normal, fair] = TWO_POINT_LIMITS[kind].value
  if (felt <= normal) return 'normal'
  if (felt <= fair) return 'fair'
  return 'poor'
}

/**
 * Touch compared with the healthy side, 1 to 10, as the patient puts it: usable at home. Source: STRAUCH-1997 (medium).
 *
 * @param score - whole number, 10 = as on the healthy side
 * @returns share of normal in percent
 */
export function comparedTouchPercent(score: number): number {
  return 10 * wholeWithin(score, 'score', [1, 10])
}
