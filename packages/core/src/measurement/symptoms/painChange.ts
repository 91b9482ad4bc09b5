import { reaches, wholeWithin } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

/** Falls of pain that matter to patients. */
export const PAIN_CHANGE = {
  points: published(2, 'points of 10', 'FARRAR-2001', 'high'),
  percent: published(30, 'percent', 'FARRAR-2001', 'high'),
  /** Up to here 30 % is less than one point: too small to tell. */
  tooSmallUpTo: published(3, 'points of 10', 'FARRAR-2001', 'high'),
} as const

export interface PainChange {
  /** Before less now: better is positive. */
  readonly fell: number
  /** In percent of before; unknown where there was no pain. */
  readonly fellPercent: number | null
  readonly reachesPoints: boolean
  readonly reachesPercent: boolean | null
  readonly isTooSmallToTell: boolean
}

/**
 * Change of pain on the scale from 0 to 10, whole numbers. Source: FARRAR-2001 (high).
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE`
 */
export function painChange(before: number, now: number): PainChange {
  wholeWithin(before, 'before', [0, 10])
  wholeWithin(now, 'now', [0, 10])
  const fell = before - now
  const fellPercent = before === 0 ? null : (100 * fell) / before
  return {
    fell,
    fellPercent,
    reachesPoints: fell >= PAIN_CHANGE.points.value,
    reachesPercent: fellPercent === null ? null : reaches(fellPercent, PAIN_CHANGE.percent.value),
    isTooSmallToTell: before <= PAIN_CHANGE.tooSmallUpTo.value,
  }
}
