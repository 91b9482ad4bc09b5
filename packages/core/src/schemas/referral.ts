import { array, boolean, lazy, mixed, number, object, string, type InferType } from 'yup'
import { daysBetween } from '../calendar/clinicalDay.js'
import { RESTRICTION_NAMES } from '../protocol/restrictions.js'
import { CRITERION_FLAGS, CRITERION_NUMBERS, DIGITS } from '../vocabulary/vocabulary.js'
import {
  birthDay,
  clinicalDay,
  isDay,
  optionalText,
  pastDay,
  recentDay,
  text,
  TEXT_LIMITS,
  ulidText,
} from './fields.js'

/** An injury longer ago is a typing error. */
const OLDEST_INJURY_YEARS = 5

/** A surgeon's restriction with its last day. */
export const newRestriction = object({
  restriction: string().oneOf(RESTRICTION_NAMES, 'Choose a restriction.').required('Choose a restriction.'),
  untilOn: clinicalDay('the day it ends').nullable().notRequired().default(null),
  why: text('the reason', TEXT_LIMITS.why),
}).noUnknown('This field is not known here.')

const selectionAnswer = object({
  what: string()
    .oneOf([...CRITERION_FLAGS, ...CRITERION_NUMBERS], 'Not a criterion Pledge knows.')
    .required('Say what is answered.'),
  value: lazy((value) =>
    typeof value === 'number'
      ? number().min(0, 'At least 0.').max(360, 'At most 360.').required()
      : mixed<boolean>((input): input is boolean => typeof input === 'boolean').required('Answer yes or no.'),
  ),
}).noUnknown('This field is not known here.')

/** Values set per patient, as the angle at which a block starts. */
function patientValues() {
  return lazy((value: unknown) =>
    object(
      Object.fromEntries(
        Object.keys((value ?? {}) as object).map((name) => [
          name,
          number()
            .typeError('Write a number.')
            .min(-180, 'At least -180.')
            .max(180, 'At most 180.')
            .required(),
        ]),
      ),
    ).default({}),
  )
}

/** The choice of another school for an episode. Validate with `{ context: { today } }`. */
export const newSchoolChoice = object({
  id: ulidText('the id'),
  protocolId: text('the school', 40),
  variant: string().nullable().default(null).max(40, 'At most 40 characters.'),
  values: patientValues(),
  /** Facts the school rests on, as answered. */
  selection: array().of(selectionAnswer).max(20, 'At most 20 answers.').required(),
  anchorOn: recentDay('day 0', OLDEST_INJURY_YEARS),
  why: text('why another school', TEXT_LIMITS.outcome),
}).noUnknown('This field is not known here.')

/** A bend out of the orthosis that makes the days count anew. */
export const newSlip = object({
  id: ulidText('the id'),
  slippedOn: pastDay('the day it slipped'),
  creditDays: number()
    .typeError('Write whole days.')
    .integer('Write whole days.')
    .min(0, 'At least 0 days.')
    .max(400, 'At most 400 days.')
    .required('Write how many days still count, 0 for none.'),
  why: text('what happened', TEXT_LIMITS.outcome),
}).noUnknown('This field is not known here.')

/** Whether the other hand can help. */
export const OTHER_HANDS = ['well', 'hurt', 'notAsked'] as const

/** Things at home to exercise with; `null`: nobody has asked. */
function thingsAtHome() {
  return array().of(text('the thing', 60)).max(100).nullable().default(null)
}
function otherHand() {
  return string().oneOf(OTHER_HANDS, 'Choose well, hurt or not asked.').default('notAsked')
}

/** What is at home to exercise with, and whether the other hand can help. */
export const newHomeCheck = object({
  id: ulidText('the id'),
  things: thingsAtHome(),
  otherHand: otherHand(),
}).noUnknown('This field is not known here.')

/** A name and a date of birth by which a patient may be known already. */
export const knownPerson = object({
  name: text("the patient's name", TEXT_LIMITS.name),
  birthDate: birthDay(),
}).noUnknown('This field is not known here.')

/** A new patient, or another episode of one who is known, with one episode. Validate with `{ context: { today } }`. */
export const newReferral = object({
  name: text("the patient's name", TEXT_LIMITS.name),
  birthDate: birthDay(),
  /** The person who has this name and date of birth already; `null`: somebody else; left out where nobody has. */
  samePersonAs: string().nullable().max(26, 'Not a person Pledge knows.'),
  dominantHand: string()
    .oneOf(['left', 'right', 'both'], 'Choose the dominant hand.')
    .required('Choose the dominant hand.'),
  language: string().oneOf(['en', 'es'], 'Choose a language.').required('Choose a language.'),
  hasLatexAllergy: boolean().typeError('Answer yes or no.').required('Answer yes or no.'),
  hasAdhesiveAllergy: boolean().typeError('Answer yes or no.').required('Answer yes or no.'),
  things: thingsAtHome(),
  otherHand: otherHand(),
  conditionId: text('the condition', 60),
  protocolId: text('the school', 40),
  side: string().oneOf(['left', 'right'], 'Choose the side.').required('Choose the side.'),
  variant: string().nullable().default(null).max(40, 'At most 40 characters.'),
  values: patientValues(),
  digits: array()
    .of(string().oneOf(DIGITS, 'Choose digits.').required())
    .max(5, 'At most 5 digits.')
    .required(),
  /** Facts that make the school eligible, as answered: yes or no, or a number. */
  selection: array().of(selectionAnswer).max(20, 'At most 20 answers.').required(),
  /** Day of injury or onset; unknown where it does not matter. */
  injuredOn: recentDay('the day of injury', OLDEST_INJURY_YEARS)
    .notRequired()
    .nullable()
    .default(null)
    .test(
      'afterBirth',
      'The injury lies before the date of birth.',
      (value, { parent }) =>
        !isDay(value) || !isDay(parent.birthDate) || daysBetween(parent.birthDate, value) >= 0,
    ),
  /** Day 0 of the school: surgery, injury, procedure, start of the orthosis, first visit or start of the flare. */
  anchorOn: recentDay('day 0', OLDEST_INJURY_YEARS)
    .test(
      'afterInjury',
      'Day 0 lies before the injury. Check both dates.',
      (value, { parent }) =>
        !isDay(value) || !isDay(parent.injuredOn) || daysBetween(parent.injuredOn, value) >= 0,
    )
    .test(
      'afterBirth',
      'Day 0 lies before the date of birth.',
      (value, { parent }) =>
        !isDay(value) || !isDay(parent.birthDate) || daysBetween(parent.birthDate, value) >= 0,
    ),
  surgeon: text("the surgeon's name", TEXT_LIMITS.name),
  letterOn: pastDay('the date of the letter'),
  clearances: array()
    .of(string().oneOf(CRITERION_FLAGS, 'Not a clearance.').required())
    .max(40, 'At most 40 clearances.')
    .required(),
  restrictions: array().of(newRestriction).max(10, 'At most 10 restrictions.').required(),
  work: optionalText(TEXT_LIMITS.line),
  note: optionalText(),
}).noUnknown('This field is not known here.')

export type NewReferral = InferType<typeof newReferral>
