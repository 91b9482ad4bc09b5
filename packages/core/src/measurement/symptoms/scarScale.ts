import { within } from '../../anatomy/checked.js'
import { decided } from '../../anatomy/constant.js'

/** What an observer rates of a scar, each 0 as normal skin to 10; our own scale, not a published one. */
export const SCAR_ITEMS = [
  'stiffness',
  'thickness',
  'redness',
  'colorDifference',
  'stuckToDeepLayer',
  'tenderness',
] as const
export type ScarItem = (typeof SCAR_ITEMS)[number]

/** Nothing is known about its error: a smaller change of the sum is called unclear. */
export const SCAR_CLEAR_CHANGE = decided(12, 'points of 60', 'low')

/**
 * Sum of the six ratings, 0 to 60. Unknown while one was not rated. Itch and pain are the patient's, and kept apart.
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` with the item in the path
 */
export function scarTotal(ratings: Readonly<Record<ScarItem, number | null>>): number | null {
  let total = 0
  let isWhole = true
  for (const item of SCAR_ITEMS) {
    const rating = ratings[item]
    if (rating === null) isWhole = false
    else total += within(rating, item, [0, 10])
  }
  return isWhole ? total : null
}

/** How a scar changed by its sums: less is better. Unknown where a sum is. */
export function scarChange(before: number | null, now: number | null): 'better' | 'worse' | 'unclear' | null {
  if (before === null || now === null) return null
  within(before, 'before', [0, 60])
  within(now, 'now', [0, 60])
  if (Math.abs(now - before) < SCAR_CLEAR_CHANGE.value) return 'unclear'
  return now < before ? 'better' : 'worse'
}
