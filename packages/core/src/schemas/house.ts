import { array, lazy, number, object, string, type ObjectSchema } from 'yup'
import type { HouseEdit } from '../house/houseCatalogue.js'
import { optionalText, text, TEXT_LIMITS, ulidText } from './fields.js'
import { doseSchema } from './program.js'

const UNKNOWN = 'This field is not known here.'

function wholeDay() {
  return number().typeError('Write a whole day.').integer('Write a whole day.').required('Write the day.')
}
function range() {
  return array()
    .of(number().typeError('Write a whole number.').integer('Write a whole number.').required())
    .length(2, 'Give the least and the most.')
    .required()
}

const EDITS = {
  phase: object({
    kind: string().oneOf(['phase']).required(),
    protocolId: text('the protocol', 60),
    phaseId: text('the phase', 60),
    day: wholeDay(),
  }).noUnknown(UNKNOWN),
  gate: object({
    kind: string().oneOf(['gate']).required(),
    protocolId: text('the protocol', 60),
    key: text('the gate', 80),
    day: wholeDay(),
  }).noUnknown(UNKNOWN),
  dose: object({
    kind: string().oneOf(['dose']).required(),
    exerciseId: text('the exercise', 60),
    dose: doseSchema.required(),
    range: object({
      sets: range(),
      repetitions: range(),
      holdSeconds: range(),
      boutsPerDay: range(),
    }).noUnknown(UNKNOWN),
  }).noUnknown(UNKNOWN),
  week: object({
    kind: string().oneOf(['week']).required(),
    exerciseId: text('the exercise', 60),
    conditionId: text('the condition', 60),
    week: number()
      .typeError('Write a whole week.')
      .integer('Write a whole week.')
      .required('Write the week.'),
  }).noUnknown(UNKNOWN),
}
type EditKind = keyof typeof EDITS

/** One thing a clinic does otherwise; whether it fits the catalogue, `houseCatalogue` checks. */
const houseEdit = lazy((value: unknown): ObjectSchema<HouseEdit> => {
  const kind = (value as { kind?: unknown } | null)?.kind
  const schema =
    typeof kind === 'string' && Object.hasOwn(EDITS, kind)
      ? EDITS[kind as EditKind]
      : object({ kind: string().oneOf(Object.keys(EDITS), 'Choose what is changed.').required() })
  return schema as unknown as ObjectSchema<HouseEdit>
})

export const houseEditPreview = object({ edit: houseEdit }).noUnknown(UNKNOWN)

export const newHouseEdit = object({
  id: ulidText('the id'),
  edit: houseEdit,
  why: text('the reason', TEXT_LIMITS.outcome),
  agreedBy: optionalText(TEXT_LIMITS.name),
  document: optionalText(TEXT_LIMITS.line),
  /** The cases that were listed as changed before saving: others since then are shown first. */
  seenEpisodes: array().of(ulidText('the case')).max(5000).required(),
}).noUnknown(UNKNOWN)
