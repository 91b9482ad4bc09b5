import { describe, expect, it } from 'vitest'
import { PROVOCATIVE_TESTS, provocativeTestResult } from './provocativeTests.js'

describe('provocative tests', () => {
  it('a positive test raises the probability, a negative one lowers it', () => {
    for (const name of Object.keys(PROVOCATIVE_TESTS) as (keyof typeof PROVOCATIVE_TESTS)[]) {
      expect(provocativeTestResult(name, true, 0.4).probability, name).toBeGreaterThan(0.4)
      expect(provocativeTestResult(name, false, 0.4).probability, name).toBeLessThan(0.4)
    }
    // Source: carpal compression, the specification's example: 79.0 and 30.3 %.
    expect(provocativeTestResult('carpalCompression', true, 0.5).probability).toBeCloseTo(0.79, 3)
    expect(provocativeTestResult('carpalCompression', false, 0.5).probability).toBeCloseTo(0.303, 3)
  })
})
