import { array, number, object, string, type InferType } from 'yup'
import { RED_FLAGS } from '../vocabulary/vocabulary.js'
import { painScore, ulidText } from './fields.js'

const UNKNOWN = 'This field is not known here.'

/** Reasons a patient may give for leaving an exercise out. */
export const SKIP_REASONS = ['cannot', 'unclear', 'noTime', 'noThing', 'other'] as const

function instant(what: string) {
  return string()
    .required(`Give ${what}.`)
    .matches(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,3})?Z$/, `Give ${what} as a time in UTC.`)
    .test(
      'exists',
      'This time does not exist.',
      (value) => value === undefined || !Number.isNaN(Date.parse(value)),
    )
}

/** What was really done in one sitting, as the phone sends it. Its id is made on the phone. */
export const newBoutLog = object({
  id: ulidText('the id'),
  programVersionId: ulidText('the program'),
  startedAt: instant('the start'),
  endedAt: instant('the end'),
  painBefore: painScore(),
  painWorst: painScore(),
  painAfter: painScore(),
  endedBy: string().oneOf(['done', 'left', 'stop'], 'Say how it ended.').required('Say how it ended.'),
  redFlags: array()
    .of(string().oneOf(RED_FLAGS, 'Not a red flag.').required())
    .max(RED_FLAGS.length)
    .required(),
  items: array()
    .of(
      object({
        itemId: ulidText('the item'),
        outcome: string()
          .oneOf(['done', 'hurt', 'skipped', 'notReached'], 'Say what became of it.')
          .required(),
        repetitionsDone: number().integer().min(0, 'At least 0.').max(2000, 'At most 2000.').required(),
        reason: string()
          .oneOf(['', ...SKIP_REASONS], 'Not a reason.')
          .ensure(),
      }).noUnknown(UNKNOWN),
    )
    .min(1, 'A bout has at least one exercise.')
    .max(20, 'At most 20 exercises.')
    .required()
    .test(
      'once',
      'Each item stands once.',
      (list) => new Set((list ?? []).map((item) => item.itemId)).size === (list ?? []).length,
    ),
})
  .noUnknown(UNKNOWN)
  .test('order', ({ startedAt, endedAt }, context) =>
    Date.parse(startedAt) <= Date.parse(endedAt)
      ? true
      : context.createError({ path: 'endedAt', message: 'The end lies before the start.' }),
  )
export type NewBoutLog = InferType<typeof newBoutLog>
