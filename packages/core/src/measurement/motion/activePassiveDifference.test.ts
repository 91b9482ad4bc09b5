import { describe, expect, it } from 'vitest'
import { activePassiveDifference } from './activePassiveDifference.js'

const r = (flexedEndDeg: number, extendedEndDeg: number) => ({ flexedEndDeg, extendedEndDeg })

describe('lag and contracture', () => {
  it('asks for another look only beyond the error', () => {
    const look = (active: ReturnType<typeof r>, passive: ReturnType<typeof r>) =>
      activePassiveDifference(active, passive, 5)!.needsAnotherLook
    expect(look(r(85, 0), r(80, 0))).toBe(false)
    expect(look(r(86, 0), r(80, 0))).toBe(true)
    expect(look(r(80, -6), r(80, 0))).toBe(true)
    expect(activePassiveDifference(null, r(80, 0), 5)).toBeNull()
    expect(() => activePassiveDifference(r(10, 20), r(80, 0), 5)).toThrow(/swapped/)
  })
  it('a passive deficit is a contracture, a hyperextending joint has none', () => {
    expect(activePassiveDifference(r(80, 25), r(80, 15), 5)).toMatchObject({
      extensionLagDeg: 10,
      flexionContractureDeg: 15,
    })
    expect(activePassiveDifference(r(80, 0), r(80, -15), 5)!.flexionContractureDeg).toBe(0)
  })
})
