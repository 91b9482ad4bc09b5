import { describe, expect, it } from 'vitest'
import { slidesLeft } from './nerveBudget.js'

describe('the budget of a day', () => {
  // Source: A5: 5, 20 and 45 slides a day over all variants.
  it('variants of a slide share the budget of the day', () => {
    expect(
      (['high', 'mod', 'low'] as const).map((irritability) => slidesLeft(irritability, { a: 3, b: 1 })),
    ).toEqual([1, 16, 41])
    expect(slidesLeft('high', { a: 9 })).toBe(0)
    expect(() => slidesLeft('low', { a: -1 })).toThrow(/done\.a/)
  })
})
