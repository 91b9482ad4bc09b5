/** Short hands for the JSON schemas of answers: an answer drops every property its schema does not list. */
export const str = { type: 'string' } as const
export const num = { type: 'number' } as const
export const whole = { type: 'integer' } as const
export const bool = { type: 'boolean' } as const
export const maybe = <T extends { type: string }>(schema: T) => ({ ...schema, nullable: true }) as const
export const list = <T>(items: T) => ({ type: 'array', items }) as const
export const obj = <T extends Record<string, unknown>>(properties: T) =>
  ({ type: 'object', properties }) as const
/** Keys of the answer's own choosing, all of one shape. */
export const map = <T>(values: T) => ({ type: 'object', additionalProperties: values }) as const

/** A text in every language of the product. */
export const said = obj({ en: str, es: str })
export const openerReply = obj({ kind: str, text: str, giver: str, what: str, date: maybe(str) })
export const verdictReply = obj({
  kind: str,
  fromDay: maybe(whole),
  fromDate: maybe(str),
  missing: list(obj({ what: str, meaning: str })),
  form: maybe(str),
  conditions: list(str),
  reasons: list(obj({ rule: str, atom: str, text: str, source: str })),
  openers: list(openerReply),
  explanation: obj({ en: str, es: str }),
})
export const doseReply = obj({
  sets: whole,
  repetitions: whole,
  holdSeconds: whole,
  boutsPerDay: whole,
  load: maybe(num),
})
/** How an exercise may be dosed. */
export const dosingReply = {
  dose: doseReply,
  range: map(list(num)),
  load: maybe(obj({ unit: str, steps: list(num) })),
} as const
/** Runs of days on which something is open or closed, under each of the two suppositions. */
const runsReply = list(obj({ fromDay: whole, toDay: maybe(whole), kind: str, missing: list(str) }))
export const openingsReply = obj({ byTimeAlone: runsReply, asTheRecordStands: runsReply })
/** What a picture is drawn from. */
export const depictedReply = obj({
  family: str,
  region: str,
  start: map(num),
  shapes: list(map(num)),
  mendedFinger: map(num),
  force: str,
  grip: str,
  equipment: list(str),
  side: str,
  turns: str,
  picture: obj({ view: str, digits: list(str), helper: str, push: str, props: list(str) }),
})
const exerciseWords = {
  name: str,
  reason: str,
  steps: list(str),
  shouldFeel: str,
  shouldNotFeel: str,
  mistake: str,
} as const
export const exerciseTextReply = obj(exerciseWords)
/** For the therapist, with what has to be so before it is begun. */
export const exerciseTeachingReply = obj({ ...exerciseWords, before: str })
