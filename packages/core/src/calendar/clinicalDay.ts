import { CoreError } from '../errors.js'

/**
 * A clinical day: an ISO date (`2031-04-11`) in the clinic's time zone. Days are counted on the calendar,
 * never by 24 hours, so that a change of summer time moves no healing window.
 */
export type ClinicalDay = string

const PATTERN = /^(\d{4})-(\d{2})-(\d{2})$/
const MS_PER_DAY = 86_400_000

function midnightUtc(day: ClinicalDay, path: string): number {
  const parts = PATTERN.exec(day)
  if (parts) {
    const [year, month, date] = [Number(parts[1]), Number(parts[2]), Number(parts[3])]
    const instant = new Date(Date.UTC(year, month - 1, date))
    if (year >= 1000 && instant.getUTCMonth() === month - 1 && instant.getUTCDate() === date) {
      return instant.getTime()
    }
  }
  throw new CoreError('DATE_INVALID', path, 'Write a date that exists, as year-month-day: 2031-04-11.')
}

/** Whether a text is a date that exists. `2031-02-30` does not. */
export function isClinicalDay(text: string): boolean {
  try {
    midnightUtc(text, '')
    return true
  } catch {
    return false
  }
}

/**
 * Calendar days from one clinical day to another; negative when `to` comes first.
 *
 * @throws CoreError `DATE_INVALID` for a date that does not exist
 * @example
 * daysBetween('2031-02-25', '2031-04-11') // => 45
 */
export function daysBetween(from: ClinicalDay, to: ClinicalDay): number {
  return Math.round((midnightUtc(to, 'to') - midnightUtc(from, 'from')) / MS_PER_DAY)
}

/**
 * The clinical day a number of calendar days later (or earlier, when negative).
 *
 * @throws CoreError `DATE_INVALID` for a date that does not exist
 */
export function addDays(day: ClinicalDay, days: number): ClinicalDay {
  return new Date(midnightUtc(day, 'day') + days * MS_PER_DAY).toISOString().slice(0, 10)
}

/** Making one takes longer than using it: kept for each time zone. */
const calendars = new Map<string, Intl.DateTimeFormat>()

function calendarOf(timeZone: string): Intl.DateTimeFormat {
  let calendar = calendars.get(timeZone)
  if (!calendar) {
    calendar = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
    })
    calendars.set(timeZone, calendar)
  }
  return calendar
}

/**
 * The clinical day on which an instant falls in a time zone.
 *
 * @param instant - a moment, handed in by the caller: core reads no clock
 * @param timeZone - IANA name, `Europe/Lisbon`
 */
export function clinicalDayAt(instant: Date, timeZone: string): ClinicalDay {
  const parts = calendarOf(timeZone).formatToParts(instant)
  const part = (type: string) => parts.find((p) => p.type === type)?.value ?? ''
  return `${part('year')}-${part('month')}-${part('day')}`
}

/** Whole years from a birth date to a day; who was born on February 29 turns a year older on March 1. */
export function ageInYears(birthDate: ClinicalDay, on: ClinicalDay): number {
  const years = Number(on.slice(0, 4)) - Number(birthDate.slice(0, 4))
  return on.slice(5) < birthDate.slice(5) ? years - 1 : years
}
