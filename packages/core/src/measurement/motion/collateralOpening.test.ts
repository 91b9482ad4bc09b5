import { describe, expect, it } from 'vitest'
import { opensLikeATear } from './collateralOpening.js'

describe('the stressed collateral ligament of the thumb', () => {
  // Source: HEYMAN-1993, from memory: above 30 to 35° in flexion, or 15° more than the other side.
  it.each([
    [31, 31, true],
    [30, 30, false],
    [26, 10, true],
    [25, 10, false],
    [20, null, null],
    [31, null, true],
    [0, 0, false],
  ])('opening by %i°, the other by %s°: %s', (opening, other, isTorn) =>
    expect(opensLikeATear(opening, other)).toBe(isTorn),
  )
  it('refuses an angle no thumb has', () => {
    expect(() => opensLikeATear(91, null)).toThrow(/opening/)
    expect(() => opensLikeATear(20, -1)).toThrow(/other/)
  })
})
