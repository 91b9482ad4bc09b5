import { describe, expect, it } from 'vitest'
import { addDays } from '../../calendar/clinicalDay.js'
import { painTrend, type DayPain } from './painTrend.js'

const TODAY = '2031-04-11'
/** One score a day, the last of them today; `null`: none. */
const daily = (...scores: (number | null)[]): DayPain[] =>
  scores.flatMap((pain, at) => (pain === null ? [] : [{ on: addDays(TODAY, at - scores.length + 1), pain }]))
const week = (pain: number) => Array<number>(7).fill(pain)

// Source: review.md 7; A3.
describe('pain from week to week', () => {
  it.each<[string, DayPain[], number, string]>([
    ['nothing known', [], 20, 'unknown'],
    ['two days in a week are too few', daily(6, 5), 20, 'unknown'],
    ['three days are a week', daily(2, 3, 3), 20, 'low'],
    ['at most 3', daily(...week(3)), 20, 'low'],
    ['a fall of one in ten days', daily(...week(6), 6, 6, 6, ...week(5)), 20, 'onTrack'],
    ['no fall in ten days, the fortnight unknown', daily(...Array<number>(13).fill(5)), 20, 'slow'],
    ['less than one in a fortnight', daily(...week(5), ...week(5), ...week(5)), 20, 'plateau'],
    ['less than one in a fortnight, later', daily(...week(5), ...week(5), ...week(5)), 60, 'plateau'],
    ['a fall after six weeks', daily(...week(7), ...week(6), ...week(5)), 60, 'falling'],
    ['no week before to compare with', daily(...week(5)), 20, 'unknown'],
    ['two above the week before, three days running', daily(...week(3), 5, 5, 6), 20, 'worsening'],
    ['so until yesterday', daily(...week(3), 5, 5, 6, null), 20, 'worsening'],
    ['two days only', daily(...week(3), 5, 6), 20, 'low'],
  ])('%s', (_case, pains, day, word) => {
    expect(painTrend(pains, TODAY, day)).toBe(word)
  })
  it('of an acute sprain is a plateau after ten days', () => {
    const pains = daily(...Array<number>(13).fill(5))
    expect(painTrend(pains, TODAY, 20, true)).toBe('plateau')
    expect(painTrend(pains, TODAY, 20)).toBe('slow')
  })
  it('counts the worst of a day, and nothing of days to come', () => {
    const twice = [...daily(2, 2, 2), { on: TODAY, pain: 9 }, { on: addDays(TODAY, 1), pain: 9 }]
    expect(painTrend(twice, TODAY, 20)).toBe('low')
    expect(painTrend([...twice, { on: addDays(TODAY, -1), pain: 9 }], TODAY, 20)).not.toBe('low')
  })
})
