import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { closestTenDegrees, fingertipPosition, malrotationShiftMm, pulpToPalmMm } from './fingertip.js'
import { type Ray, segmentLengths } from './segmentLengths.js'

describe('the fingertip in space', () => {
  const lengths = (digit: Ray) => {
    const { proximalPhalanx, middlePhalanx, distalPhalanx } = segmentLengths(digit, 190)
    return [proximalPhalanx, middlePhalanx!, distalPhalanx] as const
  }
  it('reaches as far as its bones are long when straight, and never further', () => {
    const [a, b, c] = lengths('middle')
    expect(fingertipPosition([a, b, c], [0, 0, 0], 0)).toEqual({ distalMm: a + b + c, palmarMm: 0 })
    fc.assert(
      fc.property(
        fc.integer({ min: -30, max: 110 }),
        fc.integer({ min: -20, max: 120 }),
        fc.integer({ min: -20, max: 90 }),
        (x, y, z) => {
          const tip = fingertipPosition([a, b, c], [x, y, z], 0)
          expect(Math.hypot(tip.distalMm, tip.palmarMm)).toBeLessThanOrEqual(a + b + c + 1e-9)
        },
      ),
    )
  })
  // Source: the specification's example: straight 113.8, hook 34.7, full fist 3.8 mm.
  it('comes closer to the palm from straight over hook to fist', () => {
    const gap = (...angles: [number, number, number]) => pulpToPalmMm(lengths('middle'), angles, 190)
    expect([gap(0, 0, 0), gap(0, 100, 70), gap(90, 100, 70)].map((mm) => Math.round(mm * 10) / 10)).toEqual([
      113.8, 34.7, 3.8,
    ])
  })
  it('ten degrees that buy most come first, and a joint at its end is left out', () => {
    const best = closestTenDegrees(lengths('index'), [30, 60, 30], 190)
    expect(best.map(({ closerMm }) => closerMm)).toEqual(
      [...best.map(({ closerMm }) => closerMm)].sort((a, b) => b - a),
    )
    expect(best).toHaveLength(3)
    expect(closestTenDegrees(lengths('index'), [95, 60, 30], 190).map(({ joint }) => joint)).not.toContain(
      'mcp',
    )
  })
  it('malrotation displaces more the further the tip', () =>
    expect(malrotationShiftMm(90, 10)).toBeGreaterThan(malrotationShiftMm(60, 10)))
})
