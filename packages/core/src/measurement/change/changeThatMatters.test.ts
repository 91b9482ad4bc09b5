import { describe, expect, it } from 'vitest'
import { CHANGE_THAT_MATTERS, matteringChange } from './changeThatMatters.js'

describe('a change that matters', () => {
  // Source: the specification's table of 3.1 and its note on questionnaires.
  it('is as large as published', () => {
    expect(Object.values(CHANGE_THAT_MATTERS).map(({ value }) => value)).toEqual([
      5, 6.5, 19.5, 0.4, 10.8, 15.9, 11.5, 1.2, 2,
    ])
  })
  it.each([
    [6.4, false],
    [6.5, true],
    [-6.5, true],
    [-6.4, false],
  ])('grip of a healed wrist that changes by %d kgf matters: %s', (change, matters) =>
    expect(matteringChange('gripDistalRadius', change, 6).matters).toBe(matters),
  )
  it('may lie below the error, and then says so', () => {
    expect(matteringChange('grip', 5.5, 6)).toEqual({ matters: true, isBelowError: true })
    expect(matteringChange('gripDistalRadius', 6.6, 6)).toEqual({ matters: true, isBelowError: false })
    expect(matteringChange('dash', 12, null).isBelowError).toBe(true)
    expect(matteringChange('gripDistalRadius', 6.6, 6.5).isBelowError).toBe(false)
  })
  it('refuses what is no number', () => expect(() => matteringChange('grip', NaN, 6)).toThrow(/change/))
})
