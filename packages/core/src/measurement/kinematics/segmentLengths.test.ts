import { describe, expect, it } from 'vitest'
import { type Ray, segmentLengths } from './segmentLengths.js'

describe('lengths of the segments', () => {
  const lengths = (digit: Ray) => {
    const { proximalPhalanx, middlePhalanx, distalPhalanx } = segmentLengths(digit, 190)
    return [proximalPhalanx, middlePhalanx!, distalPhalanx] as const
  }
  // Source: BUCHHOLZ-1992: the segments of the middle ray add up to 0.990 of the hand.
  it('the middle ray is as long as the published sum', () => {
    const { metacarpal } = segmentLengths('middle', 100 * 1.9)
    expect((metacarpal + lengths('middle').reduce((sum, one) => sum + one, 0)) / 190).toBeCloseTo(0.99, 9)
    expect(segmentLengths('thumb', 190).middlePhalanx).toBeNull()
  })
})
