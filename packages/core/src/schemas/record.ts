import { array, lazy, mixed, number, object, string } from 'yup'
import { RED_FLAGS } from '../vocabulary/vocabulary.js'
import { CoreError } from '../errors.js'
import { HEALTH_QUESTIONS } from '../exercise/contraindications.js'
import { isMeasure, MEASURE_NAMES, READING_KINDS, SIDES } from '../measurement/readings/measures.js'
import { checkedReading, placeKey, type Reading } from '../measurement/readings/reading.js'
import { isSeriesId, seriesBounds } from '../measurement/readings/series.js'
import { HAND_EVENT_KINDS } from '../record/handHistory.js'
import { isEarlyPermission } from '../protocol/restrictions.js'
import { CRITERION_FLAGS, CRITERION_NUMBERS, CRITERION_ORDINALS, DIGITS } from '../vocabulary/vocabulary.js'
import { chosenDigits, doseSchema } from './program.js'
import { clinicalDay, optionalText, pastDay, text, TEXT_LIMITS, ulidText } from './fields.js'

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

const READING_KEYS = ['measure', 'digit', 'side', 'kind', 'spot', 'result']

/** How a reading looks, for who reads the document of the API; what it may be is checked by `checkedReading`. */
const READING_SHAPE = {
  type: 'object',
  properties: {
    measure: { type: 'string', enum: MEASURE_NAMES },
    digit: { anyOf: [{ type: 'string', enum: DIGITS }, { type: 'null' }] },
    side: { anyOf: [{ type: 'string', enum: SIDES }, { type: 'null' }] },
    kind: { anyOf: [{ type: 'string', enum: READING_KINDS }, { type: 'null' }] },
    spot: { type: 'string' },
    result: {},
  },
  required: ['measure', 'result'],
  additionalProperties: false,
}

/** One reading as core writes it, signs of the catalogue. Checked as a whole: a visit has a hundred and more of them. */
const reading = mixed<Reading>((input): input is Reading => typeof input === 'object' && input !== null)
  .required('Say what was measured.')
  .meta({ shape: READING_SHAPE })
  .test('possible', function (value) {
    const at = (field: string, message: string) =>
      this.createError({ path: `${this.path}.${field}`, message })
    const other = Object.keys(value).find((key) => !READING_KEYS.includes(key))
    if (other) return at(other, UNKNOWN)
    const { measure, digit = null, side = null, kind = null, spot, result } = value
    if (!isMeasure(measure)) return at('measure', 'Nothing of that name is measured here.')
    if (digit !== null && !DIGITS.includes(digit)) return at('digit', 'Choose a digit.')
    if (side !== null && !SIDES.includes(side)) return at('side', 'Choose the side.')
    if (kind !== null && !READING_KINDS.includes(kind)) return at('kind', 'Active or passive.')
    if (spot !== undefined && typeof spot !== 'string') return at('spot', 'Name the zone or the task.')
    try {
      checkedReading({ measure, digit, side, kind, ...(spot ? { spot } : {}), result })
      return true
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      return at('result', error.message)
    }
  })

/** Readings of one visit: both hands, every joint twice, and whatever else there is. */
const MOST_READINGS = 400

/** What was measured before its time, with the reason; while it heals also who of the surgeons agreed, and where that stands. */
const measuredEarly = object({
  measures: array()
    .of(string().oneOf(MEASURE_NAMES, 'Nothing of that name is measured here.').required())
    .min(1, 'Say what was measured early.')
    .required(),
  why: text('the reason', TEXT_LIMITS.outcome),
  agreedBy: optionalText(TEXT_LIMITS.name),
  document: optionalText(TEXT_LIMITS.line),
}).noUnknown(UNKNOWN)

/** One evaluation: what was measured and a note. Nothing measured is left out, never 0. */
export const newEvaluation = object({
  id: ulidText('the id'),
  evaluatedOn: pastDay('the day of the evaluation'),
  note: optionalText(),
  /** The visit it corrects as a whole; the note then says what was wrong. */
  amendsId: ulidText('the id of the visit it corrects').nullable().notRequired().default(null),
  early: array().of(measuredEarly.required()).max(20, 'At most 20 exceptions.').default([]),
  readings: array()
    .of(reading)
    .min(1, 'Measure at least one thing.')
    .max(MOST_READINGS, `At most ${MOST_READINGS} readings.`)
    .required()
    .test('once', 'Each thing is measured once a visit.', (list) => {
      const places = (list ?? []).map((one) => placeKey(one))
      return new Set(places).size === places.length
    }),
})
  .noUnknown(UNKNOWN)
  .test('told', 'Say in the note what is corrected, and why.', function ({ amendsId, note }) {
    return !amendsId || note !== ''
      ? true
      : this.createError({ path: 'note', message: 'Say in the note what is corrected, and why.' })
  })

/** A task of the patient's own, in their words. */
export const newTask = object({
  id: ulidText('the id'),
  words: text('the task', TEXT_LIMITS.line),
}).noUnknown(UNKNOWN)

/** A goal in plain words, tied to a measure with the value it takes, by a day. */
export const newGoal = object({
  id: ulidText('the id'),
  words: text('the goal', TEXT_LIMITS.why),
  series: string()
    .required('Choose what tells that it is reached.')
    .test('known', 'Nothing of that name is measured here.', (value) => isSeriesId(value ?? '')),
  target: number().typeError('Give the value it takes.').required('Give the value it takes.'),
  dueOn: clinicalDay('the day it is due').test(
    'ahead',
    'The day it is due lies in the past.',
    (value, { options }) => !value || value >= (options.context as { today: string }).today,
  ),
})
  .noUnknown(UNKNOWN)
  .test('possible', 'This value cannot be reached.', function ({ series, target }) {
    if (!series || !isSeriesId(series) || typeof target !== 'number') return true
    const [low, high] = seriesBounds(series)
    return target >= low && target <= high
      ? true
      : this.createError({ path: 'target', message: `From ${low} to ${high}.` })
  })

/** Something that happened to the hand besides the injury of the referral. */
export const newHandEvent = object({
  id: ulidText('the id'),
  kind: string().oneOf(HAND_EVENT_KINDS, 'Choose what happened.').required('Choose what happened.'),
  happenedOn: pastDay('the day it happened'),
  words: optionalText(TEXT_LIMITS.why),
  givenBy: text('who told it', TEXT_LIMITS.name),
}).noUnknown(UNKNOWN)
