import { array, lazy, mixed, number, object, string } from 'yup'
import { RED_FLAGS } from '../vocabulary/vocabulary.js'
import { CoreError } from '../errors.js'
import { HEALTH_QUESTIONS } from '../exercise/contraindications.js'
import { WRIST_MOTION_NAMES, signedDeg, type WristMotion } from '../measurement/motion/wristMotion.js'
import { isEarlyPermission } from '../protocol/restrictions.js'
import { CRITERION_FLAGS, CRITERION_NUMBERS, CRITERION_ORDINALS } from '../vocabulary/vocabulary.js'
import { chosenDigits, doseSchema } from './program.js'
import { clinicalDay, optionalText, painScore, pastDay, text, TEXT_LIMITS, ulidText } from './fields.js'

const UNKNOWN = 'This field is not known here.'

/** How a clearance or finding came to us. */
export const FACT_WAYS = ['letter', 'phone', 'inPerson', 'film', 'examined', 'measured'] as const

/** A criterion recorded by a named person: what, who gave it, when and how. */
export const newFact = object({
  id: ulidText('the id'),
  what: string()
    .oneOf([...CRITERION_FLAGS, ...CRITERION_NUMBERS, 'irrit'], 'Not a criterion Pledge knows.')
    .required('Say what is recorded.'),
  value: lazy((value) =>
    typeof value === 'number'
      ? number().min(0, 'At least 0.').max(360, 'At most 360.').required()
      : typeof value === 'string'
        ? string().oneOf(CRITERION_ORDINALS.irrit, 'Choose low, moderate or high.').required()
        : mixed<boolean>((input): input is boolean => typeof input === 'boolean').required(
            'Say whether it holds.',
          ),
  ),
  dated: pastDay('the date it was given'),
  givenBy: text('who gave it', TEXT_LIMITS.name),
  how: string().oneOf(FACT_WAYS, 'Choose how it came.').required('Choose how it came.'),
  note: optionalText(TEXT_LIMITS.outcome),
}).noUnknown(UNKNOWN)

export const factWithdrawal = object({
  id: ulidText('the id'),
  why: text('why it no longer holds', TEXT_LIMITS.outcome),
}).noUnknown(UNKNOWN)

export const newOrder = object({
  id: ulidText('the id'),
  restriction: string().required('Choose a restriction.'),
  untilOn: clinicalDay('the day it ends').nullable().notRequired().default(null),
  givenBy: text('who gave it', TEXT_LIMITS.name),
  dated: pastDay('the date it was given'),
  why: text('the reason', TEXT_LIMITS.why),
  /** What an order that opens something early rests on. */
  document: optionalText(TEXT_LIMITS.line),
})
  .noUnknown(UNKNOWN)
  .test('documented', 'Say which letter or message allows it.', function (value) {
    const opens = isEarlyPermission(value.restriction ?? '')
    return !opens || value.document !== ''
      ? true
      : this.createError({ path: 'document', message: 'Say which letter or message allows it.' })
  })

export const flagLift = object({
  id: ulidText('the id'),
  outcome: text('what was found and decided', TEXT_LIMITS.outcome),
  answeredBy: optionalText(TEXT_LIMITS.name),
}).noUnknown(UNKNOWN)

/** Later windows of the school moved by a therapist, with the reason. What opens earlier names the surgeon's word. */
export const newWindowShift = object({
  id: ulidText('the id'),
  days: number()
    .typeError('Write whole days.')
    .integer('Write whole days.')
    .min(-28, 'At most 28 days earlier.')
    .max(84, 'At most 84 days later.')
    .test('moves', 'Write at least one day.', (value) => value !== 0)
    .required('Write by how many days.'),
  /** Only windows later than this day move. */
  afterDay: number()
    .typeError('Write whole days.')
    .integer('Write whole days.')
    .min(0, 'At least day 0.')
    .max(1000, 'At most day 1000.')
    .required('Write the day after which windows move.'),
  why: text('the reason', TEXT_LIMITS.outcome),
  agreedBy: optionalText(TEXT_LIMITS.name),
  document: optionalText(TEXT_LIMITS.line),
}).noUnknown(UNKNOWN)

/** The answers about health that bar exercises: what is so; the rest was asked and is not so. */
export const newHealthCheck = object({
  id: ulidText('the id'),
  present: array()
    .of(string().oneOf(HEALTH_QUESTIONS, 'Not a question Pledge asks.').required())
    .max(HEALTH_QUESTIONS.length)
    .required(),
  note: optionalText(TEXT_LIMITS.outcome),
}).noUnknown(UNKNOWN)

/** A therapist's exception for one exercise of one patient, with the reason. */
export const newOverride = object({
  id: ulidText('the id'),
  exerciseId: text('the exercise', 60),
  dose: doseSchema.required('Say at which dose.'),
  digits: chosenDigits,
  why: text('the reason', TEXT_LIMITS.outcome),
  agreedBy: optionalText(TEXT_LIMITS.name),
  document: optionalText(TEXT_LIMITS.line),
}).noUnknown(UNKNOWN)

export const newFlag = object({
  id: ulidText('the id'),
  flag: string().oneOf(RED_FLAGS, 'Not a red flag.').required('Choose the red flag.'),
}).noUnknown(UNKNOWN)

const reading = object({
  motion: string().oneOf(WRIST_MOTION_NAMES, 'Not a motion of wrist or forearm.').required(),
  side: string().oneOf(['left', 'right'], 'Choose the side.').required(),
  kind: string().oneOf(['active', 'passive'], 'Active or passive.').required(),
  /** As the therapist reads it: positive in the motion's own direction. */
  readingDeg: number()
    .typeError('Write whole degrees.')
    .integer('Write whole degrees.')
    .required('Write whole degrees.')
    .test('possible', function (value) {
      const { motion } = this.parent as { motion?: string }
      if (value === undefined || !WRIST_MOTION_NAMES.includes(motion as WristMotion)) return true
      try {
        signedDeg(motion as WristMotion, value)
        return true
      } catch (error) {
        return this.createError({
          message: error instanceof CoreError ? error.message : 'Check the reading.',
        })
      }
    }),
}).noUnknown(UNKNOWN)

/** One evaluation: readings of both sides and pain. Nothing measured is `null`, never 0. */
export const newEvaluation = object({
  id: ulidText('the id'),
  evaluatedOn: pastDay('the day of the evaluation'),
  painRest: painScore(),
  painAct: painScore(),
  note: optionalText(),
  readings: array()
    .of(reading)
    .max(24, 'At most 24 readings.')
    .required()
    .test('once', 'Each motion is measured once a side.', (list) => {
      const names = (list ?? []).map(({ motion, side, kind }) => `${motion} ${side} ${kind}`)
      return new Set(names).size === names.length
    }),
})
  .noUnknown(UNKNOWN)
  .test('notEmpty', 'Measure at least one motion or one pain score.', (value) => {
    return value.readings.length > 0 || value.painRest !== null || value.painAct !== null
  })
