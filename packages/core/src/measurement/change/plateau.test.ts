import { describe, expect, it } from 'vitest'
import { courseOf } from './plateau.js'
import { robustSlope } from './robustSlope.js'

describe('the course of a series', () => {
  it.each([
    ['improving', [0, 7, 14, 21, 28, 35], [30, 38, 43, 52, 50, 58]],
    ['declining', [0, 7, 14, 21, 28, 35], [58, 50, 52, 43, 38, 30]],
    ['insufficient', [0, 7, 14, 21], [30, 38, 43, 52]],
    ['insufficient', [0, 5, 10, 15, 20], [30, 38, 43, 52, 60]],
    ['plateau', [0, 7, 14, 21, 28, 35, 42], [62, 62, 61, 63, 62, 61, 62]],
  ])('%s: %j, %j', (course, days, values) => expect(courseOf(days, values, 7).course).toBe(course))
  it('a shorter reach of error turns a plateau into not knowing', () => {
    const days = [0, 7, 14, 21, 28, 35, 42]
    expect(courseOf(days, [62, 62, 61, 63, 62, 61, 62], 2).course).toBe('uncertain')
  })
  it('a plateau needs five visits over 21 days', () => {
    const flat = (days: number[]) =>
      courseOf(
        days,
        days.map(() => 60),
        7,
      ).course
    expect(flat([0, 5, 10, 15, 21])).toBe('plateau')
    expect(flat([0, 5, 10, 15, 20])).toBe('insufficient')
    expect(flat([0, 7, 14, 21])).toBe('insufficient')
    // The span counts from the first visit, not from day 0.
    expect(flat([100, 105, 110, 115, 120])).toBe('insufficient')
  })
  it('a drift that reaches the error within the horizon is no plateau', () => {
    // Slopes of +0.25 and −0.25 a day bound the interval: 7 over 28 days.
    const days = [0, 4, 8, 12, 16, 20, 24]
    const values = [0, 1, 0, 1, 0, 1, 0]
    const { low, high } = robustSlope(days, values)
    expect(courseOf(days, values, Math.max(-low, high) * 28).course).toBe('uncertain')
    expect(courseOf(days, values, Math.max(-low, high) * 28 + 0.01).course).toBe('plateau')
  })
})
