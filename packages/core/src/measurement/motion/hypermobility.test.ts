import { describe, expect, it } from 'vitest'
import { hypermobility, HYPERMOBILITY_SIGNS, type HypermobilitySign } from './hypermobility.js'

/** The first signs present, the next not tested, the rest absent. */
const looked = (present: number, notTested = 0) =>
  Object.fromEntries(
    HYPERMOBILITY_SIGNS.map((sign, index) => [
      sign,
      index < present ? true : index < present + notTested ? null : false,
    ]),
  ) as Record<HypermobilitySign, boolean | null>

describe('general hypermobility', () => {
  // Source: HYPERMOBILITY-2017, from memory: 6 before puberty, 5 to 50 years, 4 above.
  it.each([
    ['child', 5, false],
    ['child', 6, true],
    ['adult', 4, false],
    ['adult', 5, true],
    ['over50', 3, false],
    ['over50', 4, true],
  ] as const)('of the group %s with %i signs: %s', (group, signs, isHypermobile) =>
    expect(hypermobility(looked(signs), group)).toEqual({ signs, notTested: 0, isHypermobile }),
  )
  it('is unknown where the injured limb could make the difference, and known where it could not', () => {
    expect(hypermobility(looked(3, 3), 'adult').isHypermobile).toBeNull()
    expect(hypermobility(looked(3, 1), 'adult').isHypermobile).toBe(false)
    expect(hypermobility(looked(5, 4), 'adult').isHypermobile).toBe(true)
  })
  it('refuses a group it does not know', () =>
    expect(() => hypermobility(looked(1), 'dog' as never)).toThrow(/child, adult, over50/))
})
