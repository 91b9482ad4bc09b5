import { within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

/** How much stronger the dominant hand of a right-hander grips; of the weaker or the stronger hand is not told. */
export const DOMINANCE_FACTOR = published(1.1, 'times', 'PETERSEN-1989', 'medium')

export interface ShareOfOtherSide {
  readonly rawPercent: number
  /** Against what the other hand would have to have, by the rule of ten percent. */
  readonly adjustedPercent: number
}

/**
 * Grip as a share of the other hand. The rule of ten percent holds for right-handers' grip; left-handers, people with
 * both hands alike, and pinch are taken as they are. Unknown where the other hand is injured, painful or at 0.
 *
 * @param isInjuredDominant - whether the injured hand is the dominant one
 */
export function shareOfOtherSide(
  injuredKgf: number,
  otherKgf: number | null,
  handedness: 'right' | 'left' | 'both',
  isInjuredDominant: boolean,
  test: 'grip' | 'pinch' = 'grip',
): ShareOfOtherSide | null {
  within(injuredKgf, 'injured', [0, 120], 'kgf')
  if (otherKgf === null) return null
  within(otherKgf, 'other', [0, 120], 'kgf')
  if (otherKgf === 0) return null
  const applies = handedness === 'right' && test === 'grip'
  const expected = !applies ? 1 : isInjuredDominant ? DOMINANCE_FACTOR.value : 1 / DOMINANCE_FACTOR.value
  return {
    rawPercent: (100 * injuredKgf) / otherKgf,
    adjustedPercent: (100 * injuredKgf) / (otherKgf * expected),
  }
}
