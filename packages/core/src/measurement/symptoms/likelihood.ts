import { contradiction, within } from '../../anatomy/checked.js'

export interface Likelihood {
  /** Unknown (shown as above 50) for a test that is never positive in the healthy. */
  readonly positiveRatio: number | null
  readonly negativeRatio: number
  readonly afterPositive: number
  readonly afterNegative: number
}

/**
 * What a test changes: likelihood ratios and the probability after a positive and a negative result. Ratios of two tests
 * of the same nerve are not independent and are never multiplied. A record, not a diagnosis.
 *
 * @param sensitivity - 0–1
 * @param specificity - 0–1
 * @param prior - between 0 and 1
 */
export function testLikelihood(sensitivity: number, specificity: number, prior: number): Likelihood {
  within(sensitivity, 'se', [0, 1])
  within(specificity, 'sp', [0, 1])
  within(prior, 'prior', [0, 1])
  if (prior === 0 || prior === 1)
    contradiction('prior', 'A certainty does not change. Write a prior between 0 and 1.')
  if (specificity === 0)
    contradiction('sp', 'A test that is positive in every healthy person tells nothing. Check the value.')
  const odds = prior / (1 - prior)
  const after = (ratio: number) => (odds * ratio) / (1 + odds * ratio)
  const positiveRatio = specificity === 1 ? null : sensitivity / (1 - specificity)
  const negativeRatio = (1 - sensitivity) / specificity
  return {
    positiveRatio,
    negativeRatio,
    afterPositive: positiveRatio === null ? (sensitivity > 0 ? 1 : prior) : after(positiveRatio),
    afterNegative: after(negativeRatio),
  }
}
