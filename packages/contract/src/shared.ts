import { FELT_WORDS, READING_KINDS } from '@pledge/core'
import type {
  AngleName,
  Aim,
  Anchor,
  Contraindication,
  Depicted,
  Digit,
  HoldKind,
  MeasureName,
  Mode,
  Orthosis,
  Result,
  VerdictKind,
} from '@pledge/core'
import { Type, type Static } from 'typebox'
import { bool, list, map, maybe, num, obj, str, table, whole, word, words } from './shapes.js'

export const side = words(['left', 'right'])
export const verdictKind = words(['clear', 'with-care', 'not-yet', 'never'] satisfies VerdictKind[])
export const digits = list(word<Digit>())
export const aims = list(word<Aim>())
export const anchor = word<Anchor>()
export const orthosis = word<Orthosis>()
export const holdKind = word<HoldKind>()
export const mode = word<Mode>()
export const contraindication = word<Contraindication>()
/** A text in every language of the product. */
export const said = obj({ en: str, es: str })
export const source = obj({ key: str, confidence: str, text: str })
export const meant = obj({ what: str, meaning: str })

/** What was found: both ends of a hinge joint, one number, or trials; signs of the catalogue. */
const result = Type.Unsafe<Result>({
  anyOf: [
    { type: 'number' },
    { type: 'string', enum: ['absent', ...FELT_WORDS] },
    { type: 'array', items: { type: 'number' } },
    {
      type: 'object',
      properties: {
        fusedAtDeg: { type: 'number' },
        flexedEndDeg: { type: 'number', nullable: true },
        extendedEndDeg: { type: 'number', nullable: true },
      },
      additionalProperties: false,
    },
  ],
})
/** Where a reading belongs. */
const place = {
  measure: word<MeasureName>(),
  digit: maybe(word<Digit>()),
  side: maybe(side),
  kind: maybe(words(READING_KINDS)),
  /** A zone of the skin, or the id of one of the patient's tasks. */
  spot: Type.Optional(str),
}
export const readingPlace = obj(place)
export const reading = obj({ ...place, result })

/** One thing that would open what is not yet open. */
export const opener = obj({
  kind: words(['day', 'criterion', 'form', 'decision']),
  text: str,
  giver: words(['', 'surgeon', 'therapist']),
  what: str,
  date: maybe(str),
})
export const verdict = obj({
  kind: verdictKind,
  fromDay: maybe(whole),
  fromDate: maybe(str),
  missing: list(meant),
  form: maybe(str),
  conditions: list(str),
  /** What a person is told, sentence by sentence: what waits for what, then why. */
  told: list(str),
  /** The rules it rests on, with the atoms they speak of. */
  reasons: list(obj({ rule: str, atom: str, text: str, source: str })),
  openers: list(opener),
  explanation: said,
})
/** Days on which nothing changes; `toDay` is the first day of the next run, `null` where there is none. */
export const openingRun = obj({ fromDay: whole, toDay: maybe(whole), kind: verdictKind, missing: list(str) })
/** When something is open: by time alone from day 0, and as the record stands from today. */
export const openings = obj({ byTimeAlone: list(openingRun), asTheRecordStands: list(openingRun) })
export const dose = obj({
  sets: whole,
  repetitions: whole,
  holdSeconds: whole,
  boutsPerDay: whole,
  load: maybe(num),
})
const range = Type.Unsafe<[number, number]>(list(num))
/** How an exercise may be dosed. */
export const dosing = {
  dose,
  range: table(['sets', 'repetitions', 'holdSeconds', 'boutsPerDay'], range),
  load: maybe(obj({ unit: str, steps: list(num) })),
}
const drawn = Type.Partial(
  obj({
    family: str,
    region: str,
    start: map<AngleName, typeof num>(num),
    shapes: list(map<AngleName, typeof num>(num)),
    mendedFinger: map<AngleName, typeof num>(num),
    force: str,
    grip: str,
    equipment: list(str),
    side: str,
    turns: str,
    picture: Type.Partial(obj({ view: str, digits: list(str), helper: str, push: str, props: list(str) })),
    worn: list(str),
  }),
)
/** What a picture is drawn from; a copy signed long ago may lack what came later. */
export const depicted = Type.Unsafe<Depicted>(drawn)
const told = { name: str, reason: str, steps: list(str), shouldFeel: str, shouldNotFeel: str, mistake: str }
export const exerciseText = obj(told)
/** For the therapist, with what has to be so before it is begun. */
export const exerciseTeaching = obj({ ...told, before: str })
/** A therapist's exception: it never changes the verdict, both are shown. */
const exception = { id: str, why: str, by: str, on: str, agreedBy: str, document: str }
export const overrideAnswer = obj(exception)
export const overrideOf = obj({ ...exception, exercise: str })
/** What an exception would take, and why there is none. */
export const overrideTerms = obj({ isPossible: bool, needsSurgeon: bool, why: str })
export const stored = obj({ id: str })
export const numbered = obj({ id: str, number: whole })

export type VerdictAnswer = Static<typeof verdict>
export type OpenerAnswer = Static<typeof opener>
export type OpeningRunAnswer = Static<typeof openingRun>
export type OpeningsAnswer = Static<typeof openings>
export type OverrideAnswer = Static<typeof overrideAnswer>
