import { describe, expect, it } from 'vitest'
import { changeInWords, patientSpecificChange } from './patientSpecificScale.js'

describe('activities the patient chose', () => {
  it('counts only activities answered both times, and needs two', () => {
    expect(patientSpecificChange({ a: 1, b: 2 }, { b: 5, c: 9 })).toBeNull()
    expect(patientSpecificChange({ a: 1, b: 2, c: 3 }, { a: 3, c: 3 })).toEqual({ activities: 2, delta: 1 })
    expect(() => patientSpecificChange({ a: 11, b: 2 }, { a: 1, b: 2 })).toThrow(/before\.a/)
  })
  it.each([
    [0, 'none'],
    [-1, 'none'],
    [2, 'small'],
    [-3, 'small'],
    [4, 'moderate'],
    [5, 'moderate'],
    [-6, 'large'],
    [7, 'large'],
  ])('a rating of %i is %s', (rating, word) => expect(changeInWords(rating)).toBe(word))
})
