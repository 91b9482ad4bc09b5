import { describe, expect, it } from 'vitest'
import { shareOfOtherSide } from './otherSide.js'

describe('share of the other hand', () => {
  it('the rule of ten percent holds for the grip of right-handers only', () => {
    expect(shareOfOtherSide(30, 40, 'both', true)!.adjustedPercent).toBe(75)
    expect(shareOfOtherSide(30, 40, 'right', true, 'pinch')!.adjustedPercent).toBe(75)
    expect([shareOfOtherSide(30, 0, 'right', true), shareOfOtherSide(30, null, 'right', true)]).toEqual([
      null,
      null,
    ])
  })
})
