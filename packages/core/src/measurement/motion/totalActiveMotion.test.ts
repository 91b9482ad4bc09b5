import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type JointState } from '../../anatomy/jointReading.js'
import { totalMotion, totalThumbMotion } from './totalActiveMotion.js'

const r = (flexedEndDeg: number, extendedEndDeg: number) => ({ flexedEndDeg, extendedEndDeg })
const finger = (changes: Partial<Record<'mcp' | 'pip' | 'dip', JointState>> = {}) => ({
  mcp: r(90, 0),
  pip: r(100, 0),
  dip: r(70, 0),
  ...changes,
})

describe('the total motion of a finger', () => {
  // Source: KLEINERT-VERDAN-1983; normal 260.
  it.each([
    ['a healthy finger', finger(), 260],
    ['a PIP extension deficit', finger({ pip: r(95, 20) }), 235],
    ['a hyperextending MCP joint', finger({ mcp: r(90, -30) }), 260],
    ['a DIP joint fused at 30°', finger({ dip: { fusedAtDeg: 30 } }), 190],
    ['a DIP joint fused straight', finger({ dip: { fusedAtDeg: 0 } }), 190],
  ])('of %s', (_who, digit, total) => expect(totalMotion(digit).totalDeg).toBe(total))

  it('takes hyperextension off only when asked to', () => {
    const digit = finger({ mcp: r(90, -20), pip: r(100, -12) })
    expect(totalMotion(digit, { isHyperextensionSubtracted: true }).totalDeg).toBe(228)
    expect(totalMotion(digit).totalDeg).toBe(260)
  })

  const joint = (high: number) =>
    fc
      .tuple(fc.integer({ min: 0, max: high }), fc.integer({ min: -20, max: high }))
      .filter(([flex, ext]) => flex >= ext)
  it('never shrinks with more flexion, never grows with more deficit', () => {
    fc.assert(
      fc.property(joint(100), fc.integer({ min: 0, max: 20 }), ([flex, ext], more) => {
        const total = (flexed: number, extended: number) =>
          totalMotion(finger({ pip: r(flexed, extended) })).totalDeg!
        expect(total(flex + more, ext)).toBe(total(flex, ext) + more)
        if (ext + more <= flex) expect(total(flex, ext + more)).toBeLessThanOrEqual(total(flex, ext))
      }),
    )
  })

  it('is unknown, not smaller, when a joint was not measured or is not there, and says which', () => {
    for (const missing of ['mcp', 'pip', 'dip'] as const)
      for (const state of [null, 'absent'] as const)
        expect(totalMotion(finger({ [missing]: state }))).toEqual({ totalDeg: null, missing: [missing] })
    expect(totalThumbMotion({ mcp: r(50, 0), ip: null })).toEqual({ totalDeg: null, missing: ['ip'] })
  })

  it('suspects a swap when a joint flexes less than its deficit', () => {
    expect(() => totalMotion(finger({ pip: r(15, 40) }))).toThrow(/swapped/)
  })
})
