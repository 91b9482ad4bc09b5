import { describe, expect, it } from 'vitest'
import { painChange } from './painChange.js'

describe('change of pain', () => {
  it.each([
    [7, 5, true, false],
    [6, 4, true, true],
    [10, 7, true, true],
    [5, 4, false, false],
  ])('pain from %i to %i: two points %s, thirty percent %s', (before, now, points, percent) =>
    expect(painChange(before, now)).toMatchObject({ reachesPoints: points, reachesPercent: percent }),
  )
  it('is too small to tell from 3 down', () =>
    expect([3, 4].map((before) => painChange(before, 1).isTooSmallToTell)).toEqual([true, false]))
})
