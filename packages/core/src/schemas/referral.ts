import { array, boolean, object, string, type InferType } from 'yup'
import { daysBetween } from '../calendar/clinicalDay.js'
import { RESTRICTION_NAMES } from '../protocol/restrictions.js'
import {
  birthDay,
  clinicalDay,
  isDay,
  optionalText,
  pastDay,
  recentDay,
  text,
  TEXT_LIMITS,
} from './fields.js'

/** Clearances a referral letter may bring with it. */
export const REFERRAL_CLEARANCES = [
  'ord.therapy',
  'ord.rom',
  'ord.passive',
  'ord.resist',
  'ord.load',
  'fix.stable',
] as const
/** An injury longer ago is a typing error. */
const OLDEST_INJURY_YEARS = 5

/** A surgeon's restriction with its last day. */
export const newRestriction = object({
  restriction: string().oneOf(RESTRICTION_NAMES, 'Choose a restriction.').required('Choose a restriction.'),
  untilOn: clinicalDay('the day it ends').nullable().notRequired().default(null),
  why: text('the reason', TEXT_LIMITS.why),
}).noUnknown('This field is not known here.')

/** A new patient with one episode. Validate with `{ context: { today } }`. */
export const newReferral = object({
  name: text("the patient's name", TEXT_LIMITS.name),
  birthDate: birthDay(),
  dominantHand: string()
    .oneOf(['left', 'right', 'both'], 'Choose the dominant hand.')
    .required('Choose the dominant hand.'),
  language: string().oneOf(['en', 'es'], 'Choose a language.').required('Choose a language.'),
  hasLatexAllergy: boolean().typeError('Answer yes or no.').required('Answer yes or no.'),
  hasAdhesiveAllergy: boolean().typeError('Answer yes or no.').required('Answer yes or no.'),
  conditionId: text('the condition', 60),
  protocolId: text('the school', 40),
  side: string().oneOf(['left', 'right'], 'Choose the side.').required('Choose the side.'),
  injuredOn: recentDay('the day of injury', OLDEST_INJURY_YEARS).test(
    'afterBirth',
    'The injury lies before the date of birth.',
    (value, { parent }) =>
      !isDay(value) || !isDay(parent.birthDate) || daysBetween(parent.birthDate, value) >= 0,
  ),
  surgeryOn: recentDay('the day of surgery', OLDEST_INJURY_YEARS).test(
    'afterInjury',
    'The surgery lies before the injury. Check both dates.',
    (value, { parent }) =>
      !isDay(value) || !isDay(parent.injuredOn) || daysBetween(parent.injuredOn, value) >= 0,
  ),
  surgeon: text("the surgeon's name", TEXT_LIMITS.name),
  letterOn: pastDay('the date of the letter'),
  clearances: array().of(string().oneOf(REFERRAL_CLEARANCES, 'Not a clearance.').required()).required(),
  restrictions: array().of(newRestriction).max(10, 'At most 10 restrictions.').required(),
  work: optionalText(TEXT_LIMITS.line),
  note: optionalText(),
}).noUnknown('This field is not known here.')

export type NewReferral = InferType<typeof newReferral>
