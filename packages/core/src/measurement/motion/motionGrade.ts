import { reaches, within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'
import { contradiction } from '../../anatomy/checked.js'

/** Normal sums a motion is compared with where the other side is not healthy. */
export const NORMAL_TOTALS = {
  finger: published(260, 'degrees', 'KLEINERT-VERDAN-1983', 'high'),
  thumb: published(140, 'degrees', 'AMA-2000', 'medium'),
} as const

/** Shares of the other side from which a grade is given; good begins above its own. */
export const TOTAL_MOTION_BANDS = {
  excellent: published(100, 'percent', 'KLEINERT-VERDAN-1983', 'high'),
  goodAbove: published(75, 'percent', 'KLEINERT-VERDAN-1983', 'high'),
  fair: published(50, 'percent', 'KLEINERT-VERDAN-1983', 'high'),
} as const

export type TotalMotionGrade = 'excellent' | 'good' | 'fair' | 'poor'
export interface GradedTotalMotion {
  readonly percent: number
  readonly grade: TotalMotionGrade
}

/**
 * Grade of a total active motion as a share of the other side: excellent 100 % and more, good above 75, fair 50 to 75,
 * poor below 50. The text is silent about exactly 50, and papers differ about exactly 75; both count as fair here.
 *
 * Source: KLEINERT-VERDAN-1983 (bands high).
 *
 * @param totalDeg - −30 to 330; `null` gives `null`
 * @param comparedDeg - the other side, or the normal sum, which has to be named where it is shown
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE`; `MEASUREMENT_INCONSISTENT` for a comparison that does not move
 * @example
 * totalMotionGrade(210, 265) // => { percent: 79.2…, grade: 'good' }
 */
export function totalMotionGrade(
  totalDeg: number | null,
  comparedDeg: number | null,
): GradedTotalMotion | null {
  if (totalDeg === null || comparedDeg === null) return null
  within(totalDeg, 'tam', [-30, 330], 'degrees')
  within(comparedDeg, 'other', [-30, 330], 'degrees')
  if (comparedDeg <= 0)
    contradiction('other', 'The other side does not move. Compare with the normal sum, and say so.')
  const percent = (100 * totalDeg) / comparedDeg
  const grade = reaches(percent, TOTAL_MOTION_BANDS.excellent.value)
    ? 'excellent'
    : !reaches(TOTAL_MOTION_BANDS.goodAbove.value, percent)
      ? 'good'
      : reaches(percent, TOTAL_MOTION_BANDS.fair.value)
        ? 'fair'
        : 'poor'
  return { percent, grade }
}
