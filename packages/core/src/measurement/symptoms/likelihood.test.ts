import { describe, expect, it } from 'vitest'
import { testLikelihood } from './likelihood.js'

describe('what a test changes', () => {
  it('a test that tells nothing changes nothing; a perfect one settles it', () => {
    const useless = testLikelihood(0.5, 0.5, 0.3)
    expect([useless.afterPositive, useless.afterNegative]).toEqual([
      expect.closeTo(0.3, 12),
      expect.closeTo(0.3, 12),
    ])
    expect(testLikelihood(0.5, 1, 0.3)).toMatchObject({ positiveRatio: null, afterPositive: 1 })
    expect(() => testLikelihood(0.5, 0, 0.3)).toThrow(/healthy/)
  })
})
