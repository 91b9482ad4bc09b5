import { array, number, object, string, type InferType } from 'yup'
import { DOSE_QUESTIONS } from '../dose/doseSchool.js'
import { DOSE_LIMITS } from '../exercise/readExercise.js'
import { DIGITS } from '../vocabulary/vocabulary.js'
import { text, ulidText } from './fields.js'

const UNKNOWN = 'This field is not known here.'

function whole(what: string, [low, high]: readonly [number, number]) {
  const message = `${what}: a whole number from ${low} to ${high}.`
  return number().typeError(message).integer(message).min(low, message).max(high, message).required(message)
}

/** A dose as a therapist sets it. */
export const doseSchema = object({
  sets: whole('Sets', DOSE_LIMITS.sets),
  repetitions: whole('Repetitions', DOSE_LIMITS.repetitions),
  holdSeconds: whole('Hold, in seconds', DOSE_LIMITS.holdSeconds),
  boutsPerDay: whole('Times a day', DOSE_LIMITS.boutsPerDay),
  load: number()
    .typeError('Choose a load.')
    .min(0, 'Choose a load.')
    .max(200, 'Choose a load.')
    .nullable()
    .default(null),
}).noUnknown(UNKNOWN)

/** The digits chosen for the patient; `null`: as the exercise is. */
export const chosenDigits = array()
  .of(string().oneOf(DIGITS, 'Choose digits.').required())
  .min(1, 'Choose at least one digit, or leave it as the exercise is.')
  .max(DIGITS.length, 'Each digit once.')
  .nullable()
  .default(null)

export const draftItem = object({
  itemId: ulidText('the id'),
  exerciseId: text('the exercise', 60),
  dose: doseSchema,
  digits: chosenDigits,
}).noUnknown(UNKNOWN)

/** A draft as a whole; `version` is the one it was read at, 0 for the first. */
export const draftSave = object({
  version: number().integer().min(0).required('Say which version was edited.'),
  items: array()
    .of(draftItem)
    .max(20, 'At most 20 exercises.')
    .required()
    .test(
      'once',
      'Each exercise stands once.',
      (list) => new Set((list ?? []).map((item) => item.exerciseId)).size === (list ?? []).length,
    ),
  /** The chosen school of dosing by question; a question left out is dosed as the catalogue has it. */
  schools: object(
    Object.fromEntries(DOSE_QUESTIONS.map((question) => [question, string().max(60).optional()])),
  )
    .noUnknown(UNKNOWN)
    .default({}),
}).noUnknown(UNKNOWN)

export const programSigning = object({
  id: ulidText('the id'),
  version: number().integer().min(1).required('Say which version is signed.'),
}).noUnknown(UNKNOWN)

export const signIn = object({
  login: string().required('Write your sign-in name.').max(80, 'At most 80 characters.'),
  password: string().required('Write your password.').max(200, 'At most 200 characters.'),
}).noUnknown(UNKNOWN)

export const pairing = object({
  code: string()
    .required('Write the code.')
    .matches(/^\s*\d{4}\s?-?\d{4}\s*$/, 'The code has 8 digits.'),
}).noUnknown(UNKNOWN)

export type DraftItem = InferType<typeof draftItem>
