import { describe, expect, it } from 'vitest'
import { FUNCTIONAL_ARCS, functionalCoverage } from './functionalCoverage.js'

describe('functional coverage', () => {
  it('coverage lies between 0 and 100, is whole where the arc holds it, and names its arcs', () => {
    for (const { value } of Object.values(FUNCTIONAL_ARCS)) {
      expect(functionalCoverage(value, value)).toBe(100)
      expect(functionalCoverage([value[1], value[1] + 10], value)).toBe(0)
    }
    // The same wrist is whole by one source and not by another.
    expect(functionalCoverage([-38, 35], FUNCTIONAL_ARCS['wrist, Palmer'].value)).toBe(100)
  })

  it('an arc without width covers nothing, and is no mistake', () =>
    expect(functionalCoverage([50, 50], [36, 86])).toBe(0))
})
