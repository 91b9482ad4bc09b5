import { describe, expect, it } from 'vitest'
import { boneHealingPhase, softTissuePhase, USUAL_UNION_WEEKS } from './boneHealing.js'

describe('a broken bone', () => {
  it.each([
    [0, 'inflammation'],
    [6, 'inflammation'],
    [7, 'softCallus'],
    [20, 'softCallus'],
    [21, 'hardCallus'],
    [83, 'hardCallus'],
    [84, 'remodeling'],
  ])('a bone on day %i is in %s', (day, phase) => expect(boneHealingPhase(day)).toBe(phase))

  // Source: TEXTBOOK-PRACTICE, biomechanics.md B-16.
  it('is found stable by its own weeks', () => {
    expect(Object.values(USUAL_UNION_WEEKS).map(({ value }) => value)).toEqual([
      [3, 4],
      [4, 6],
      [6, 8],
      [8, 12],
      [12, 24],
    ])
  })
})

describe('soft tissue', () => {
  it.each([
    [0, 'inflammation'],
    [4, 'inflammation'],
    [5, 'fibroplasia'],
    [20, 'fibroplasia'],
    [21, 'remodeling'],
    [3650, 'remodeling'],
  ])('on day %i is in %s', (day, phase) => expect(softTissuePhase(day)).toBe(phase))
  it('has no phase before the injury', () => expect(() => softTissuePhase(-1)).toThrow(/day/))
})
