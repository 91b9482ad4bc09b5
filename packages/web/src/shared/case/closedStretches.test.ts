import { describe, expect, it } from 'vitest'
import { closedStretches, firstOpenDay } from './closedStretches'

const run = (
  fromDay: number,
  toDay: number | null,
  kind: 'clear' | 'with-care' | 'not-yet' | 'never',
  missing: string[] = [],
) => ({
  fromDay,
  toDay,
  kind,
  missing,
})
const openings = {
  byTimeAlone: [run(0, 28, 'not-yet'), run(28, 60, 'clear'), run(60, null, 'never')],
  asTheRecordStands: [
    run(20, 28, 'not-yet'),
    run(28, 42, 'not-yet', ['surgeon']),
    run(42, 60, 'with-care'),
    run(60, null, 'never'),
  ],
}

describe('the ground of an exercise on the time axis', () => {
  it('is what time alone had until today, then what the record lets, by what it waits for', () => {
    expect(closedStretches(openings, 20, 112)).toEqual([
      { fromDay: 0, toDay: 20, waitsFor: 'time' },
      { fromDay: 20, toDay: 28, waitsFor: 'time' },
      { fromDay: 28, toDay: 42, waitsFor: 'record' },
      { fromDay: 60, toDay: 112, waitsFor: 'time' },
    ])
  })

  it('begins before day 0 for a case that has not started', () => {
    expect(
      closedStretches(
        {
          byTimeAlone: [run(-3, null, 'clear')],
          asTheRecordStands: [run(-3, 0, 'not-yet'), run(0, null, 'clear')],
        },
        -3,
        112,
      ),
    ).toEqual([{ fromDay: -3, toDay: 0, waitsFor: 'time' }])
  })
})

describe('the first open day', () => {
  it.each([
    ['by time alone', openings.byTimeAlone, 20, 28],
    ['as the record stands', openings.asTheRecordStands, 20, 42],
    ['of what is open today', openings.byTimeAlone, 40, 40],
    ['of what never opens again', openings.byTimeAlone, 70, null],
  ])('%s', (_what, runs, today, day) => {
    expect(firstOpenDay(runs, today)).toBe(day)
  })
})
