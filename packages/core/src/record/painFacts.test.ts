import { describe, expect, it } from 'vitest'
import { addDays } from '../calendar/clinicalDay.js'
import type { RecordedFact } from '../protocol/facts.js'
import { painFacts, painsByDay } from './painFacts.js'

const TODAY = '2026-03-30'
const course = { conditionId: 'de-quervain', dayZeroOn: addDays(TODAY, -30) }
/** One score a day, the last of them today. */
const scores = (...pains: number[]) =>
  pains.map((pain, at) => ({ on: addDays(TODAY, at + 1 - pains.length), pain }))
const week = (pain: number, days = 7) => Array.from({ length: days }, () => pain)
const said = (value: boolean, withdrawn = false): RecordedFact => ({
  what: 'trend.down',
  value,
  date: addDays(TODAY, -2),
  withdrawn,
})
const told = (pains: ReturnType<typeof scores>, facts: readonly RecordedFact[] = []) =>
  painFacts(pains, facts, course, TODAY).map(({ what, value }) => `${what}=${value}`)

describe('pain from day to day as a criterion (A3)', () => {
  it('speaks for a falling trend: a point in ten days, or low', () => {
    expect(told(scores(...week(6), ...week(5, 4), ...week(4)))).toEqual(['trend.down=true'])
    expect(told(scores(...week(2)))).toEqual(['trend.down=true'])
  })

  it('says nothing where the fall is slow, or too few days have a score', () => {
    expect(told(scores(...week(6, 4), ...week(5, 17)))).toEqual([])
    expect(told(scores(6, 4))).toEqual([])
  })

  it('speaks against it on a plateau and a rise, whoever said otherwise', () => {
    const against = ['trend.down=false', 'improved=false']
    expect(told(scores(...week(5, 21)), [said(true)])).toEqual(against)
    expect(told(scores(...week(2, 12), 5, 5, 6), [said(true)])).toEqual(against)
  })

  it('does not overrule who knows of more than pain', () => {
    const low = scores(...week(2))
    expect(told(low, [said(false)])).toEqual([])
    expect(told(low, [said(true, true)])).toEqual([])
    expect(told(low, [said(false), said(true)])).toEqual(['trend.down=true'])
  })

  it('in an acute sprain a plateau matters at ten days', () => {
    const flat = scores(...week(6, 4), ...week(5, 17))
    expect(told(flat)).toEqual([])
    const sprain = { ...course, conditionId: 'wrist-sprain' }
    expect(painFacts(flat, [], sprain, TODAY).map(({ value }) => value)).toEqual([false, false])
  })

  it('takes the day of a bout from the clinic’s clock, and the worst of pain during and after', () => {
    const bout = { startedAt: new Date('2026-03-29T22:30:00Z'), painWorst: 3, painAfter: 5 }
    const visit = {
      on: TODAY,
      by: 'noor',
      readings: [{ measure: 'painMorning' as const, digit: null, side: null, kind: null, result: 4 }],
    }
    expect(painsByDay([bout], [visit], 'Europe/Madrid')).toEqual([
      { on: '2026-03-30', pain: 5 },
      { on: '2026-03-30', pain: 4 },
    ])
    const silent = { ...bout, painWorst: null, painAfter: null }
    expect(painsByDay([silent], [], 'Europe/Madrid')).toEqual([])
  })
})
