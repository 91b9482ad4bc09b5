import { number, string, type AnyObject, type NumberSchema, type StringSchema } from 'yup'
import { addDays, daysBetween, isClinicalDay } from '../calendar/clinicalDay.js'

/** Longest texts, shared by form, route and column. */
export const TEXT_LIMITS = { name: 120, line: 200, why: 300, outcome: 500, note: 2000 } as const
/** Nobody is older. */
const OLDEST_YEARS = 120

/** The context every schema of dates is validated with: core reads no clock. */
export interface TodayContext {
  readonly today: string
}

function todayOf(context: unknown): string {
  const { today } = (context ?? {}) as Partial<TodayContext>
  if (!today) throw new Error('Validate dates with { context: { today } }.')
  return today
}

export function text(what: string, longest: number = TEXT_LIMITS.line): StringSchema<string> {
  return string()
    .typeError(`Write ${what}.`)
    .trim()
    .required(`Write ${what}.`)
    .max(longest, `At most ${longest} characters.`)
}

export function optionalText(longest: number = TEXT_LIMITS.note): StringSchema<string> {
  return string().typeError('Write a text.').ensure().trim().max(longest, `At most ${longest} characters.`)
}

export function clinicalDay(what: string): StringSchema<string> {
  return string()
    .typeError(`Give ${what} as a date.`)
    .required(`Give ${what}.`)
    .test('exists', 'This date does not exist.', (value) => (value ?? null) === null || isClinicalDay(value!))
}

/** A day that has come: not after today. */
export function pastDay(what: string): StringSchema<string> {
  return clinicalDay(what).test('notAhead', `${capital(what)} lies in the future.`, (value, { options }) => {
    return !isDay(value) || daysBetween(value, todayOf(options.context)) >= 0
  })
}

/** A day that has come, and not so long ago that it must be a typing error. */
export function recentDay(what: string, years: number): StringSchema<string> {
  return pastDay(what).test(
    'notAges',
    `${capital(what)} lies more than ${years} years back. Check the year.`,
    (value, { options }) => {
      return !isDay(value) || daysBetween(value, todayOf(options.context)) <= years * 366
    },
  )
}

export function birthDay(): StringSchema<string> {
  return pastDay('the date of birth').test(
    'notTooOld',
    `Nobody is older than ${OLDEST_YEARS}. Check the year.`,
    (value, { options }) => {
      return !isDay(value) || value > addDays(todayOf(options.context), -Math.round(OLDEST_YEARS * 365.25))
    },
  )
}

/** Pain on the numeric rating scale, 0–10. */
export function painScore(): NumberSchema<number | null, AnyObject, undefined, ''> {
  return number()
    .typeError('Pain is a whole number from 0 to 10.')
    .integer('Pain is a whole number from 0 to 10.')
    .min(0, 'Pain is a whole number from 0 to 10.')
    .max(10, 'Pain is a whole number from 0 to 10.')
    .nullable()
    .defined('Give a score, or null when it was not asked.')
}

/** An id made where the thing was made: a ULID. */
export function ulidText(what: string): StringSchema<string> {
  return string()
    .required(`Give ${what}.`)
    .matches(/^[0-7][0-9A-HJKMNP-TV-Z]{25}$/, `${capital(what)} is no id.`)
}

export function isDay(value: unknown): value is string {
  return typeof value === 'string' && isClinicalDay(value)
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}
