import { describe, expect, it } from 'vitest'
import { PROVOCATIVE_TESTS, provocativeTestResult } from './provocativeTests.js'

describe('provocative tests', () => {
  it('a positive test raises the probability, a negative one lowers it', () => {
    for (const name of Object.keys(PROVOCATIVE_TESTS) as (keyof typeof PROVOCATIVE_TESTS)[]) {
      if (name === 'scratchAtWrist' || name === 'snuffbox') continue
      expect(provocativeTestResult(name, true, 0.4).probability, name).toBeGreaterThan(0.4)
      expect(provocativeTestResult(name, false, 0.4).probability, name).toBeLessThan(0.4)
    }
    // Source: carpal compression, the specification's example: 79.0 and 30.3 %.
    expect(provocativeTestResult('carpalCompression', true, 0.5).probability).toBeCloseTo(0.79, 3)
    expect(provocativeTestResult('carpalCompression', false, 0.5).probability).toBeCloseTo(0.303, 3)
  })

  // Source: CHOA-2014: never positive in a healthy thumb base; SIMON-2017 and PARVIZI-1998: worth next to nothing.
  it('some settle it, and some tell next to nothing', () => {
    expect(provocativeTestResult('thumbBaseTraction', true, 0.3).likelihood.positiveRatio).toBeNull()
    for (const name of ['scratchAtWrist', 'snuffbox'] as const)
      expect(provocativeTestResult(name, true, 0.4).probability).toBeLessThanOrEqual(0.4)
  })
})
