import { reaches } from '../anatomy/checked.js'
import { decided, published, type Constant } from '../anatomy/constant.js'
import { PATIENT_SPECIFIC_MDC } from '../measurement/symptoms/patientSpecificScale.js'
import { otherSideOf, type MeasureName, type ReadingKind } from '../measurement/readings/measures.js'
import { seriesFacts, seriesOf } from '../measurement/readings/series.js'
import { lastAt, type Visit } from '../measurement/readings/visits.js'
import { numberOf, placeKey } from '../measurement/readings/reading.js'
import type { Digit } from '../vocabulary/vocabulary.js'
import type { Measured } from './measuredFacts.js'
import { handMeasures, measuredDigits } from './whatToMeasure.js'

/** A goal a therapist may begin from: a task in plain words, what tells that it is reached, and the value it takes. */
export interface GoalTemplate {
  readonly words: string
  readonly series: string
  /** `null` where it depends on a reading nobody took: then it is typed. */
  readonly target: number | null
  readonly source: string
  readonly confidence: Constant['confidence']
}

const deg = (value: number, source: string, confidence: Constant['confidence']) =>
  published(value, 'degrees', source, confidence)

/** What a task takes of a joint. A target is where it begins to be possible for most people, never a promise. */
export const TASK_NEEDS = {
  holdHandle: published(25, 'mm', 'BUCK-GRAMCKO-1976', 'medium'),
  holdMug: deg(60, 'HUME-1990', 'high'),
  gripFirmly: deg(86, 'HUME-1990', 'high'),
  flatHand: decided(20, 'degrees', 'low'),
  thumbHolds: decided(6, 'stages', 'low'),
  thumbOpens: deg(45, 'ASHT-1992', 'medium'),
  wristBack: deg(40, 'RYU-1991', 'high'),
  wristBent: deg(40, 'RYU-1991', 'high'),
  palmDown: deg(50, 'MORREY-1981', 'high'),
  palmUp: deg(50, 'MORREY-1981', 'high'),
  handToMouth: deg(130, 'MORREY-1981', 'high'),
  reachOut: deg(30, 'MORREY-1981', 'high'),
  painAtNight: decided(2, 'points of 10', 'low'),
  gripShare: decided(80, 'percent of the other hand', 'low'),
} as const

/** Goals that fit the digits and joints a case is about, and the patient's own tasks; none that is reached already. */
export function goalTemplates(
  about: Measured,
  tasks: readonly { readonly id: string; readonly words: string }[],
  visits: readonly Visit[],
): GoalTemplate[] {
  const { side } = about
  const at = (measure: MeasureName, digit: Digit | null = null, kind: ReadingKind | null = null) =>
    placeKey({ measure, digit, side, kind })
  const made = (words: string, series: string, { value, source, confidence }: Constant): GoalTemplate => ({
    words,
    series,
    target: value,
    source,
    confidence,
  })
  const N = TASK_NEEDS
  const ofDigits = measuredDigits(about).flatMap((digit) =>
    digit === 'thumb'
      ? [
          made('Pick up coins and do up buttons with the thumb', at('opposition', 'thumb'), N.thumbHolds),
          made(
            'Take hold of a bottle: the thumb opens wide',
            at('thumbPalmarAbduction', 'thumb', 'active'),
            N.thumbOpens,
          ),
        ]
      : [
          made(
            `Hold a broom handle, ${digit} finger around it`,
            at('fingertipToCrease', digit),
            N.holdHandle,
          ),
          made(`Hold a mug with the ${digit} finger`, `${at('pip', digit, 'active')}.flexed`, N.holdMug),
          made(
            `Grip thin things with the ${digit} finger`,
            `${at('pip', digit, 'active')}.flexed`,
            N.gripFirmly,
          ),
          made(
            `Hand into a pocket or a glove: the ${digit} finger straightens`,
            `${at('pip', digit, 'active')}.lacks`,
            N.flatHand,
          ),
        ],
  )
  const hand = new Set(handMeasures(about))
  const ofHand = [
    hand.has('wristExtension') &&
      made('Push a door, lean on a table: wrist back', at('wristExtension', null, 'active'), N.wristBack),
    hand.has('wristFlexion') &&
      made('Wash and dress: wrist bent', at('wristFlexion', null, 'active'), N.wristBent),
    hand.has('pronation') &&
      made('Pour from a jug, turn a key: palm down', at('pronation', null, 'active'), N.palmDown),
    hand.has('supination') &&
      made('Take change in the palm, wash the face', at('supination', null, 'active'), N.palmUp),
    hand.has('elbow') && made('Hand to the mouth', `${at('elbow', null, 'active')}.flexed`, N.handToMouth),
    hand.has('elbow') && made('Reach out to a shelf', `${at('elbow', null, 'active')}.lacks`, N.reachOut),
  ].filter((one) => one !== false)
  const otherGrip = numberOf(
    lastAt(visits, { measure: 'grip', digit: null, side: otherSideOf(side), kind: null })?.result ?? null,
  )
  const strength: GoalTemplate = {
    words: 'Carry shopping and open jars with this hand',
    series: at('grip'),
    target: otherGrip === null ? null : Math.round((otherGrip * N.gripShare.value) / 10) / 10,
    source: N.gripShare.source,
    confidence: N.gripShare.confidence,
  }
  const all = [...tasks.map((task) => taskTemplate(task, visits)), ...ofDigits, ...ofHand, strength, sleep()]
  const latest = new Map(seriesOf(visits, side).map(({ id, points }) => [id, points.at(-1)!.value]))
  return all.filter(({ series, target }) => {
    const value = latest.get(series)
    const turned = seriesFacts(series).isMoreBetter ? 1 : -1
    return value === undefined || target === null || !reaches(value * turned, target * turned)
  })
}

function sleep(): GoalTemplate {
  const { value, source, confidence } = TASK_NEEDS.painAtNight
  return {
    words: 'Sleep through the night',
    series: placeKey({ measure: 'painNight', digit: null, side: null, kind: null }),
    target: value,
    source,
    confidence,
  }
}

/** A task of the patient's own, three points above where it began: more than its error. */
function taskTemplate({ id, words }: { id: string; words: string }, visits: readonly Visit[]): GoalTemplate {
  const place = { measure: 'task', digit: null, side: null, kind: null, spot: id } as const
  const now = numberOf(lastAt(visits, place)?.result ?? null)
  const { value, source, confidence } = PATIENT_SPECIFIC_MDC.single
  return {
    words,
    series: placeKey(place),
    target: now === null ? null : Math.min(10, now + value),
    source,
    confidence,
  }
}
