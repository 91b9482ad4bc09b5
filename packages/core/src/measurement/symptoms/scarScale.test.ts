import { describe, expect, it } from 'vitest'
import { SCAR_ITEMS, scarChange, scarTotal, type ScarItem } from './scarScale.js'

const scar = (rating: number, changes: Partial<Record<ScarItem, number | null>> = {}) => ({
  ...(Object.fromEntries(SCAR_ITEMS.map((item) => [item, rating])) as Record<ScarItem, number>),
  ...changes,
})

describe('a scar', () => {
  it('is rated from normal skin, 0, to 60', () => {
    expect([scarTotal(scar(0)), scarTotal(scar(10)), scarTotal(scar(3, { redness: 8 }))]).toEqual([0, 60, 23])
  })
  it('has no sum while one item was not rated, but a wrong one is still refused', () => {
    expect(scarTotal(scar(3, { tenderness: null }))).toBeNull()
    expect(() => scarTotal(scar(3, { stiffness: null, redness: 11 }))).toThrow(/redness/)
  })
  // Source: PLEDGE-DECISION: a fifth of the scale.
  it.each([
    [30, 18, 'better'],
    [30, 19, 'unclear'],
    [30, 41, 'unclear'],
    [30, 42, 'worse'],
  ] as const)('from %i to %i is %s', (before, now, word) => expect(scarChange(before, now)).toBe(word))
  it('has no change without both sums', () =>
    expect([scarChange(null, 3), scarChange(3, null)]).toEqual([null, null]))
  it('refuses a sum beyond the scale', () => expect(() => scarChange(61, 3)).toThrow(/before/))
})
