import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FORCE_UNITS, forceIn } from './forceUnits.js'

describe('units of force', () => {
  it('forces survive any way round through the units', () => {
    const unit = fc.constantFrom(...FORCE_UNITS)
    fc.assert(
      fc.property(fc.double({ min: 0, max: 500, noNaN: true }), unit, unit, (value, a, b) => {
        expect(forceIn(a, forceIn(b, value, a), b)).toBeCloseTo(value, 9)
      }),
    )
    // Exact by definition.
    expect(forceIn('N', 1, 'lbf')).toBeCloseTo(4.4482216152605, 12)
  })
})
