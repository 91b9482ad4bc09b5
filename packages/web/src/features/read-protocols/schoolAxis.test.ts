import { describe, expect, it } from 'vitest'
import { lastDayOf, openCounts, shareOf, weeksNamed } from './schoolAxis'

const phase = (startDay: number) => ({ id: 'P', name: { en: '', es: '' }, startDay, endDay: null })

describe('the axis of schools', () => {
  it('ends a little after the last beginning, on a whole week', () => {
    expect(lastDayOf([{ phases: [phase(0), phase(84)], gates: [{ day: 98, peg: '' }] }])).toBe(119)
    expect(lastDayOf([{ phases: [phase(0)], gates: [] }])).toBe(21)
    expect(lastDayOf([])).toBe(21)
  })
  it('names no more weeks than fit', () => {
    expect(weeksNamed(105)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15])
    expect(weeksNamed(119)).toEqual([0, 2, 4, 6, 8, 10, 12, 14, 16])
    expect(weeksNamed(400 * 7).length).toBeLessThanOrEqual(17)
  })
  it('keeps a day on the axis', () => {
    expect(shareOf(50, 100)).toBe(50)
    expect(shareOf(-3, 100)).toBe(0)
    expect(shareOf(300, 100)).toBe(100)
  })
  it('counts what is open from each day on; what never opens is not counted', () => {
    const days = [28, 0, 0, null, 28, 42].map((fromDay) => ({ fromDay }))
    expect(openCounts(days)).toEqual([
      { day: 0, count: 2 },
      { day: 28, count: 4 },
      { day: 42, count: 5 },
    ])
    expect(openCounts([])).toEqual([])
  })
})
