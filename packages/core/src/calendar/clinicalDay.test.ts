import { describe, expect, it } from 'vitest'
import { addDays, clinicalDayAt, daysBetween, isClinicalDay, ageInYears } from './clinicalDay.js'

describe('clinical days', () => {
  it.each([
    ['2031-02-25', '2031-04-11', 45],
    ['2031-04-11', '2031-04-11', 0],
    ['2031-04-11', '2031-04-10', -1],
    // Over the change of summer time, over a leap day, over a year's end.
    ['2031-03-29', '2031-03-31', 2],
    ['2032-02-28', '2032-03-01', 2],
    ['2031-12-31', '2032-01-01', 1],
  ])('from %s to %s are %i', (from, to, days) => {
    expect(daysBetween(from, to)).toBe(days)
    expect(addDays(from, days)).toBe(to)
  })

  it.each([['2031-02-29'], ['2031-13-01'], ['2031-00-10'], ['31-01-01'], ['2031-1-1'], [''], ['tomorrow']])(
    '"%s" is no day',
    (text) => {
      expect(isClinicalDay(text)).toBe(false)
    },
  )

  it('an instant falls on the day of the clinic, not of the server', () => {
    const late = new Date('2031-04-11T23:30:00Z')
    expect(clinicalDayAt(late, 'UTC')).toBe('2031-04-11')
    expect(clinicalDayAt(late, 'Europe/Lisbon')).toBe('2031-04-12')
    expect(clinicalDayAt(late, 'America/Bogota')).toBe('2031-04-11')
  })
})

it('an age is in whole years: the day before the birthday is one less', () => {
  expect(ageInYears('1970-05-01', '2031-04-30')).toBe(60)
  expect(ageInYears('1970-05-01', '2031-05-01')).toBe(61)
  expect(ageInYears('2000-02-29', '2031-02-28')).toBe(30)
  expect(ageInYears('2000-02-29', '2031-03-01')).toBe(31)
})
