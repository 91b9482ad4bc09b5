import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { differentialGlideMm, motionForGlideDeg, tendonExcursionMm, TENDONS } from './tendonExcursion.js'

describe('travel of a tendon', () => {
  const change = fc.record({
    wrist: fc.integer({ min: -70, max: 70 }),
    mcp: fc.integer({ min: -30, max: 90 }),
    pip: fc.integer({ min: -10, max: 110 }),
    dip: fc.integer({ min: -10, max: 80 }),
  })
  it('travel adds up over joints and turns its sign with the motion', () => {
    fc.assert(
      fc.property(fc.constantFrom(...TENDONS), change, (tendon, of) => {
        const parts = Object.entries(of).map(([joint, degrees]) =>
          tendonExcursionMm(tendon, { [joint]: degrees }),
        )
        expect(parts.reduce((sum, part) => sum + part, 0)).toBeCloseTo(tendonExcursionMm(tendon, of), 9)
        const back = Object.fromEntries(Object.entries(of).map(([joint, degrees]) => [joint, 0 - degrees]))
        expect(tendonExcursionMm(tendon, back)).toBeCloseTo(-tendonExcursionMm(tendon, of), 9)
      }),
    )
  })
  // Source: the published table of positions (AN-1983), mm.
  it.each([
    ['tabletop', { mcp: 90 }, 17.4, 18.7, 13.5],
    ['hook', { pip: 100, dip: 70 }, 18.8, 10.8, 7.6],
    ['straight fist', { mcp: 90, pip: 100 }, 31.2, 29.5, 18.4],
    ['full fist', { mcp: 90, pip: 100, dip: 70 }, 36.2, 29.5, 21.1],
  ])('%s', (_position, of, deep, superficial, extensor) => {
    const found = (['FDP', 'FDS', 'EDC'] as const).map((tendon) => tendonExcursionMm(tendon, of))
    expect(found.map((mm) => Math.round(mm * 10) / 10)).toEqual([deep, superficial, extensor])
  })
  // Source: Wehbé and Hunter 1985 (from memory): the flexors slide on each other most in the hook fist.
  it('the two flexors slide on each other most in the hook fist', () => {
    const glides = [
      { mcp: 90 },
      { pip: 100, dip: 70 },
      { mcp: 90, pip: 100 },
      { mcp: 90, pip: 100, dip: 70 },
    ].map(differentialGlideMm)
    expect(Math.max(...glides)).toBe(glides[1])
  })
  it('the motion for a glide gives that glide', () => {
    const degrees = motionForGlideDeg(4, 7.9)
    expect(tendonExcursionMm('FDP', { pip: degrees })).toBeCloseTo(4, 9)
  })
})
