import { within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

/** Opening of the flexed MCP joint of the thumb to the radial side that speaks for a torn ulnar collateral ligament. */
export const COLLATERAL_OPENING = {
  alone: published(30, 'degrees', 'HEYMAN-1993', 'high'),
  beyondOtherSide: published(15, 'degrees', 'HEYMAN-1993', 'high'),
} as const

/**
 * Whether a stress test of the thumb's ulnar collateral ligament, done by somebody who may do it, speaks for a tear: above
 * 30° in flexion, or above 15° more than the other side. No accuracy is known; the surgeon judges. Unknown where the other
 * side was not measured and the opening alone does not tell.
 *
 * @param openingDeg - 0–90, joint in flexion
 */
export function opensLikeATear(openingDeg: number, otherSideDeg: number | null): boolean | null {
  within(openingDeg, 'opening', [0, 90], 'degrees')
  if (otherSideDeg !== null) within(otherSideDeg, 'other', [0, 90], 'degrees')
  if (openingDeg > COLLATERAL_OPENING.alone.value) return true
  if (otherSideDeg === null) return null
  return openingDeg - otherSideDeg > COLLATERAL_OPENING.beyondOtherSide.value
}
