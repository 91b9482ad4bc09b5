import { describe, expect, it } from 'vitest'
import { NORMAL_IP_ARC, twoJointResult } from './twoJointFormula.js'

const r = (flexedEndDeg: number, extendedEndDeg: number) => ({ flexedEndDeg, extendedEndDeg })

describe('the two-joint formula', () => {
  // 85, 70, 50 % and 75, 50, 25 % of 175°.
  it.each([
    [148.75, 'excellent', 'excellent'],
    [148, 'good', 'excellent'],
    [131.25, 'good', 'excellent'],
    [131, 'good', 'good'],
    [122.5, 'good', 'good'],
    [122, 'fair', 'good'],
    [87.5, 'fair', 'good'],
    [87, 'poor', 'fair'],
    [43.75, 'poor', 'fair'],
    [43, 'poor', 'poor'],
  ])('an arc of %d° of both IP joints is %s, adjusted %s', (arc, original, adjusted) => {
    const half = arc / 2
    expect(twoJointResult(r(half, 0), r(half, 0))).toMatchObject({ original, adjusted })
  })
  it('of both IP joints is unknown with one of them, and hyperextension counts as nothing', () => {
    expect(twoJointResult(r(90, 0), null)).toBeNull()
    expect(twoJointResult(r(100, -10), r(75, -10))!.percent).toBe(100)
  })

  it('has a normal arc of 175°', () => expect(NORMAL_IP_ARC.value).toBe(175))
})
