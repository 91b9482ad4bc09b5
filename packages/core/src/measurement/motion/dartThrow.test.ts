import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dartThrow } from './dartThrow.js'

describe('the dart throw', () => {
  it('the dart throw keeps the length of a posture and has its axes where they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -80, max: 80, noNaN: true }),
        fc.double({ min: -40, max: 40, noNaN: true }),
        fc.integer({ min: 0, max: 90 }),
        (flexion, ulnar, plane) => {
          const seen = dartThrow(flexion, ulnar, plane)!
          expect(Math.hypot(seen.alongDeg, seen.acrossDeg)).toBeCloseTo(Math.hypot(flexion, ulnar), 9)
        },
      ),
    )
    expect(dartThrow(-40, 0, 0)!.alongDeg).toBeCloseTo(40, 12)
    expect(dartThrow(0, -20, 90)!.alongDeg).toBeCloseTo(20, 12)
    expect(dartThrow(null, 3)).toBeNull()
  })
})
