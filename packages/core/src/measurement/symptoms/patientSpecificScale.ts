import { within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

/** Changes of the mean and of one activity beyond error. */
export const PATIENT_SPECIFIC_MDC = {
  mean: published(2, 'points of 10', 'STRATFORD-1995', 'high'),
  single: published(3, 'points of 10', 'STRATFORD-1995', 'high'),
} as const

export interface PatientSpecificChange {
  /** Activities answered both times: only these count. */
  readonly activities: number
  readonly delta: number
}

/**
 * Change of the mean over activities the patient chose, 0 unable to 10 as before, of those answered both times. Unknown
 * with fewer than two. Source: STRATFORD-1995 (high).
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` with the activity in the path
 */
export function patientSpecificChange(
  before: Readonly<Record<string, number>>,
  now: Readonly<Record<string, number>>,
): PatientSpecificChange | null {
  for (const [when, scores] of [['before', before] as const, ['now', now] as const])
    for (const [activity, score] of Object.entries(scores)) within(score, `${when}.${activity}`, [0, 10])
  const both = Object.keys(before).filter((activity) => Object.hasOwn(now, activity))
  if (both.length < 2) return null
  const sum = both.reduce((total, activity) => total + now[activity]! - before[activity]!, 0)
  return { activities: both.length, delta: sum / both.length }
}

/** Largest ratings that are no change, a small and a moderate one. */
export const GLOBAL_RATING_BANDS = published([1, 3, 5] as const, 'points of 7', 'JAESCHKE-1989', 'high')

/** A rating of change from −7 to +7 in words. Shown with how long ago it began: memory shifts after a month. */
export function changeInWords(rating: number): 'none' | 'small' | 'moderate' | 'large' {
  within(rating, 'rating', [-7, 7])
  const size = Math.abs(rating)
  const [none, small, moderate] = GLOBAL_RATING_BANDS.value
  if (size <= none) return 'none'
  if (size <= small) return 'small'
  return size <= moderate ? 'moderate' : 'large'
}
