import { decided } from '../anatomy/constant.js'
import { extensionDeficitDeg } from '../anatomy/jointReading.js'
import { digitHinges, digitTotal } from '../measurement/readings/digitTotal.js'
import { knownEnds, numberOf, type HingeResult, type ReadingPlace } from '../measurement/readings/reading.js'
import {
  ARM_PARTS,
  FINGER_DIGITS,
  hingesOf,
  otherSideOf,
  measureFacts,
  type HingeMeasure,
  type MeasureName,
  type ReadingKind,
  type Side,
} from '../measurement/readings/measures.js'
import {
  bookOfVisit,
  hingeAt,
  hingePlace,
  lastAt,
  resultAt,
  type ReadingBook,
  type Visit,
} from '../measurement/readings/visits.js'
import {
  irritability,
  IRRITABILITY_QUESTIONS,
  IRRITABILITY_WORDS,
} from '../measurement/symptoms/irritability.js'
import { webTightness } from '../measurement/motion/tissueTightness.js'
import { shareOfOtherSide } from '../measurement/strength/otherSide.js'
import type { RecordedFact } from '../protocol/facts.js'
import { feltFinding } from '../measurement/readings/feltFindings.js'
import { type CriterionName, type Digit, type Motion, type Nerve } from '../vocabulary/vocabulary.js'
import type { Zone } from '../vocabulary/zones.js'
import { zoneWords } from '../words/zoneNames.js'

/** Whose readings they are, and what of the hand the school guards. */
export interface Measured {
  readonly side: Side
  /** The injured digits; none: the hand as a whole. */
  readonly digits: readonly Digit[]
  readonly handedness: 'left' | 'right' | 'both'
  /** Motions the school is about: their arcs are what "range of the other side" means. */
  readonly motions: readonly Motion[]
  /** Nerves the school is about: their skin is what feeling is tested on. */
  readonly nerves: readonly Nerve[]
}

/** A criterion told by what was measured, with the reading it rests on. */
export interface MeasuredFact extends RecordedFact {
  /** "ring DIP: lacks 15° by itself, 0° helped". */
  readonly told: string
}

/** A rise of swelling beyond these is one. Source: A3, editable. */
export const SWELLING_UP = {
  girthProximal: decided(3, 'mm'),
  girthPip: decided(3, 'mm'),
  figureOfEight: decided(1, 'cm'),
  handVolume: decided(15, 'ml'),
} as const

/** The joint each lag is read at. */
export const LAG_JOINT: Readonly<Partial<Record<CriterionName, HingeMeasure>>> = {
  'lag.dip': 'dip',
  'lag.pip': 'pip',
  'lag.mp': 'mcp',
  'lag.th_ip': 'thumbIp',
}
/** Criteria that readings tell. */
export const MEASURED_CRITERIA = [
  'pain.rest',
  'pain.act',
  'lag.dip',
  'lag.pip',
  'lag.mp',
  'lag.th_ip',
  'prom.pip.def',
  'arom.pct',
  'grip.pct',
  'edema.stable',
  'irrit',
  'sense.protective',
  'trend.down',
  'improved',
  'web.soft',
] as const satisfies readonly CriterionName[]
export type MeasuredCriterion = (typeof MEASURED_CRITERIA)[number]

/**
 * Criteria that readings tell only sometimes: a first girth has nothing to compare with, feeling may be examined, a trend takes days,
 * and a web that opens may still be hard to the touch.
 */
const SOMETIMES: readonly CriterionName[] = [
  'edema.stable',
  'sense.protective',
  'trend.down',
  'improved',
  'web.soft',
]
/** Whether readings always tell a criterion, sometimes, or never. */
export const MEASURED_HOW = ['always', 'sometimes', 'never'] as const
export function measuredHow(name: CriterionName): (typeof MEASURED_HOW)[number] {
  if (!isMeasured(name)) return 'never'
  return SOMETIMES.includes(name) ? 'sometimes' : 'always'
}

export function isMeasured(name: CriterionName): name is MeasuredCriterion {
  return (MEASURED_CRITERIA as readonly CriterionName[]).includes(name)
}

/**
 * Where a criterion is read, for this case: what the bench asks for. Swelling: the ways of which one at two visits is enough.
 */
export function placesOf(criterion: MeasuredCriterion, about: Measured): ReadingPlace[] {
  const { side } = about
  const other: Side = otherSideOf(side)
  const of = (
    measure: MeasureName,
    digit: Digit | null,
    on: Side | null,
    kind: ReadingKind | null,
  ): ReadingPlace => ({
    measure,
    digit,
    side: on,
    kind,
  })
  switch (criterion) {
    case 'pain.rest':
      return [of('painRest', null, null, null)]
    case 'pain.act':
    case 'trend.down':
    case 'improved':
      return [of('painAct', null, null, null)]
    case 'irrit':
      return IRRITABILITY_MEASURES.map((measure) => of(measure, null, null, null))
    case 'lag.dip':
    case 'lag.pip':
    case 'lag.mp':
    case 'lag.th_ip': {
      const joint = LAG_JOINT[criterion]!
      return digitsWith(joint, about).flatMap((digit) => [
        of(joint, digit, side, 'active'),
        of(joint, digit, side, 'passive'),
      ])
    }
    case 'prom.pip.def':
      return digitsWith('pip', about).map((digit) => of('pip', digit, side, 'passive'))
    case 'arom.pct':
      return arcsOf(about).flatMap((arc) =>
        [side, other].flatMap((on) => arc.measures.map((measure) => of(measure, arc.digit, on, 'active'))),
      )
    case 'grip.pct':
      return [of('grip', null, side, null), of('grip', null, other, null)]
    case 'web.soft':
      return [side, other].map((on) => of('thumbPalmarAbduction', 'thumb', on, 'passive'))
    case 'edema.stable':
      return about.digits.length > 0
        ? about.digits.map((digit) => of('girthProximal', digit, side, null))
        : [of('figureOfEight', null, side, null)]
    case 'sense.protective':
      return testZones(about).map((spot) => ({ ...of('filament', null, side, null), spot }))
  }
}

/** The skin each nerve supplies alone, where its feeling is tested: common practice. */
const NERVE_ZONES: Readonly<Record<Exclude<Nerve, 'digital'>, readonly Zone[]>> = {
  median: ['thumb.tip.front.radial', 'index.tip.front.radial', 'middle.tip.front.radial'],
  ulnar: ['little.tip.front.ulnar', 'heelLittle'],
  radial: ['webBack'],
}

/** Where feeling is tested in a case: the own skin of its nerves; of a digital nerve both halves of the tips of the injured digits. */
export function testZones({ nerves, digits }: Measured): Zone[] {
  return nerves.flatMap((nerve) =>
    nerve === 'digital'
      ? digits.flatMap((digit): Zone[] => [`${digit}.tip.front.radial`, `${digit}.tip.front.ulnar`])
      : NERVE_ZONES[nerve],
  )
}

/**
 * What each visit's readings say of the criteria, in the order of the visits. Several digits: the worst, and nothing while one of
 * them was not measured. A lag whose passive end was not measured is taken as large as the active deficit: it cannot be larger.
 *
 * Sources: A3, A7; `vocabulary.md`, table of criteria; measures M-07, M-17, M-32.
 */
export function measuredFacts(
  visits: readonly Visit[],
  about: Measured,
): readonly (readonly MeasuredFact[])[] {
  return visits.map((visit, place) => {
    const before = visits.slice(0, place)
    const book = bookOfVisit(visit)
    return MEASURED_CRITERIA.flatMap((what): MeasuredFact[] => {
      const found = FINDERS[what](book, before, about)
      return found ? [{ what, ...found, date: visit.on, withdrawn: false }] : []
    })
  })
}

type Found = Pick<MeasuredFact, 'value' | 'told'> | null
type Finder = (now: ReadingBook, before: readonly Visit[], about: Measured) => Found

const FINDERS: Readonly<Record<MeasuredCriterion, Finder>> = {
  'pain.rest': painOf('painRest'),
  'pain.act': painOf('painAct'),
  'lag.dip': lagOf('dip'),
  'lag.pip': lagOf('pip'),
  'lag.mp': lagOf('mcp'),
  'lag.th_ip': lagOf('thumbIp'),
  'prom.pip.def': (now, before, about) =>
    worstOf(digitsPresent('pip', now, before, about), (digit) => {
      const passive = hingeOf(now, before, 'pip', digit, about.side, 'passive')
      return passive === null ? null : { value: passive, told: `${digit} PIP lacks ${passive}° helped` }
    }),
  'arom.pct': rangeShare,
  'grip.pct': gripShare,
  'edema.stable': swelling,
  irrit: irritable,
  'sense.protective': protectiveFeeling,
  // Told from day to day, at home too: `painFacts`.
  'trend.down': () => null,
  improved: () => null,
  'web.soft': shortWeb,
}

function painOf(measure: 'painRest' | 'painAct'): Finder {
  return (now) => {
    const value = numberOf(resultAt(now, { measure, digit: null, side: null, kind: null }))
    return value === null ? null : { value, told: `${value} of 10` }
  }
}

function lagOf(joint: HingeMeasure): Finder {
  const { label } = measureFacts(joint)
  return (now, before, about) =>
    worstOf(digitsPresent(joint, now, before, about), (digit) => {
      const active = hingeOf(now, before, joint, digit, about.side, 'active')
      if (active === null) return null
      const passive = hingeOf(now, before, joint, digit, about.side, 'passive')
      const place = digit === 'thumb' ? label : `${digit} ${label}`
      return {
        value: Math.max(0, active - (passive ?? 0)),
        told:
          passive === null
            ? `${place} lacks ${active}° by itself; helped not measured`
            : `${place} lacks ${active}° by itself, ${passive}° helped`,
      }
    })
}

/** Degrees short of neutral of a joint, as measured today or fused. */
function hingeOf(
  now: ReadingBook,
  before: readonly Visit[],
  joint: HingeMeasure,
  digit: Digit,
  side: Side,
  kind: ReadingKind,
): number | null {
  const result = hingeAt(now, before, hingePlace(joint, digit, side, kind))
  const { extendedEndDeg } = knownEnds(result)
  return extendedEndDeg === null ? null : extensionDeficitDeg({ extendedEndDeg })
}

/** The worst of several digits; unknown while one of them is. */
function worstOf(
  digits: readonly Digit[],
  read: (digit: Digit) => { value: number; told: string } | null,
): Found {
  const found = digits.map(read)
  if (found.length === 0 || found.some((one) => one === null)) return null
  return found.reduce((worst, one) => (one!.value > worst!.value ? one : worst))
}

function digitsWith(joint: HingeMeasure, { digits }: Measured): readonly Digit[] {
  const all: readonly Digit[] = joint === 'thumbIp' || joint === 'thumbMcp' ? ['thumb'] : FINGER_DIGITS
  return all.filter((digit) => digits.length === 0 || digits.includes(digit))
}

/** Digits whose joint is there: of one that is gone there is nothing to measure. */
function digitsPresent(joint: HingeMeasure, now: ReadingBook, before: readonly Visit[], about: Measured) {
  return digitsWith(joint, about).filter(
    (digit) => hingeAt(now, before, hingePlace(joint, digit, about.side, 'active')) !== 'absent',
  )
}

/** An arc of motion that is compared with the other side. */
interface Arc {
  readonly name: string
  readonly digit: Digit | null
  readonly measures: readonly MeasureName[]
}

/** The arcs a school guards; of fingers and thumb the total motion of the injured digits. */
function arcsOf(about: Measured): Arc[] {
  const guards = (pattern: RegExp) => about.motions.some((motion) => pattern.test(motion))
  const digits = [
    ...(guards(/^(mcp|pip|dip)\./) ? digitsWith('pip', about) : []),
    ...(guards(/^thumb/) ? digitsWith('thumbIp', about) : []),
  ]
  return [
    ...ARM_PARTS.flatMap(({ arcs }) => arcs)
      .filter((arc) => arc.guards && guards(arc.guards))
      .map(({ name, measures }) => ({ name, digit: null, measures })),
    ...digits.map((digit) => ({ name: digit, digit, measures: hingesOf(digit) })),
  ]
}

/** The smallest share of the other side among the arcs that are guarded; unknown while one of them is. */
function rangeShare(now: ReadingBook, before: readonly Visit[], about: Measured): Found {
  const other: Side = otherSideOf(about.side)
  const shares = arcsOf(about).map((arc) => {
    const [own, theirs] = [arcDeg(arc, now, before, about.side, false), arcDeg(arc, now, before, other, true)]
    return own === null || theirs === null || theirs <= 0
      ? null
      : { value: (100 * own) / theirs, told: `${arc.name} ${own}° of ${theirs}° on the other side` }
  })
  if (shares.length === 0 || shares.some((share) => share === null)) return null
  return shares.reduce((least, share) => (share!.value < least!.value ? share : least))
}

/** The healthy side is often measured once only: its last reading counts. */
function arcDeg(
  { digit, measures }: Arc,
  now: ReadingBook,
  before: readonly Visit[],
  side: Side,
  isLastEnough: boolean,
): number | null {
  const books = [now, ...(isLastEnough ? [...before].reverse().map(bookOfVisit) : [])]
  for (const book of books) {
    const deg = digit
      ? digitTotal(digit, digitHinges(digit, side, 'active', book, before)).totalDeg
      : sumOf(
          measures.map((measure) =>
            endsSum(resultAt(book, { measure, digit, side, kind: 'active' }), measure),
          ),
        )
    if (deg !== null) return deg
  }
  return null
}

function endsSum(result: ReturnType<typeof resultAt>, measure: MeasureName): number | null {
  if (result === null) return null
  if (typeof result === 'number') return result * measureFacts(measure).signed
  const { flexedEndDeg, extendedEndDeg } = knownEnds(result as HingeResult)
  return flexedEndDeg === null || extendedEndDeg === null ? null : flexedEndDeg - Math.max(0, extendedEndDeg)
}

function sumOf(parts: readonly (number | null)[]): number | null {
  return parts.some((part) => part === null) ? null : parts.reduce<number>((sum, part) => sum + part!, 0)
}

/** The lower of the plain share and that by the rule of ten percent. */
function gripShare(now: ReadingBook, before: readonly Visit[], about: Measured): Found {
  const other: Side = otherSideOf(about.side)
  const place = (side: Side): ReadingPlace => ({ measure: 'grip', digit: null, side, kind: null })
  const own = numberOf(resultAt(now, place(about.side)))
  const theirs = numberOf(resultAt(now, place(other)) ?? lastAt(before, place(other))?.result ?? null)
  if (own === null) return null
  const share = shareOfOtherSide(own, theirs, about.handedness, about.handedness === about.side)
  if (!share) return null
  return {
    value: Math.min(share.rawPercent, share.adjustedPercent),
    told: `${own.toFixed(1)} kg, the other hand ${theirs!.toFixed(1)} kg`,
  }
}

/** Whether swelling rose since the last visit that measured the same; unknown at the first. */
function swelling(now: ReadingBook, before: readonly Visit[], about: Measured): Found {
  const changes = (Object.keys(SWELLING_UP) as (keyof typeof SWELLING_UP)[]).flatMap((measure) => {
    const { digits, unit, label } = measureFacts(measure)
    return (digits ?? [null]).flatMap((digit) => {
      const place: ReadingPlace = { measure, digit, side: about.side, kind: null }
      const [own, last] = [numberOf(resultAt(now, place)), lastAt(before, place)]
      const then = numberOf(last?.result ?? null)
      if (own === null || then === null) return []
      const where = digit ? `${digit} ${label.toLowerCase()}` : label
      const rise = own - then
      return [
        {
          isUp: rise > SWELLING_UP[measure].value,
          told: `${where} ${rise > 0 ? '+' : ''}${+rise.toFixed(1)} ${unit} since ${last!.on}`,
        },
      ]
    })
  })
  if (changes.length === 0) return null
  const up = changes.find(({ isUp }) => isUp)
  return { value: !up, told: (up ?? changes[0]!).told }
}

/** A web that is short speaks against one that was released; one that opens is still felt by a person. */
function shortWeb(now: ReadingBook, before: readonly Visit[], about: Measured): Found {
  const place = (side: Side): ReadingPlace => ({
    measure: 'thumbPalmarAbduction',
    digit: 'thumb',
    side,
    kind: 'passive',
  })
  const [ownPlace, otherPlace] = [place(about.side), place(otherSideOf(about.side))]
  const own = numberOf(resultAt(now, ownPlace))
  const theirs = numberOf(resultAt(now, otherPlace) ?? lastAt(before, otherPlace)?.result ?? null)
  if (webTightness(own, theirs)?.tissue !== 'web') return null
  return { value: false, told: `thumb opens to ${own}° helped, ${theirs}° on the other hand` }
}

const IRRITABILITY_MEASURES = ['irritProvoked', 'irritSettles', 'irritNight'] as const

/** Irritability by the three questions and the pain of the visit. */
function irritable(now: ReadingBook): Found {
  const said = (measure: MeasureName) =>
    numberOf(resultAt(now, { measure, digit: null, side: null, kind: null }))
  const answers = {
    provoked: said('irritProvoked'),
    settles: said('irritSettles'),
    night: said('irritNight'),
    worstPain: said('painAct'),
  }
  const value = irritability(answers)
  if (value === null) return null
  const { provoked, settles, night } = IRRITABILITY_QUESTIONS
  const words = [
    provoked.answers[answers.provoked!],
    settles.answers[answers.settles!],
    `night: ${night.answers[answers.night!]}`,
  ]
  return { value, told: `${IRRITABILITY_WORDS[value]}: ${words.join(', ')}` }
}

/** Whether every place of the nerve feels what protects it; unknown while one was not tested. Source: A12. */
function protectiveFeeling(now: ReadingBook, _before: readonly Visit[], about: Measured): Found {
  const felt = placesOf('sense.protective', about).map((place) => {
    const result = resultAt(now, place)
    return result === null ? null : { zone: place.spot as Zone, ...feltFinding('filament', result) }
  })
  if (felt.length === 0 || felt.some((one) => one === null)) return null
  const worst = felt.reduce((worst, one) => (one!.depth > worst!.depth ? one : worst))!
  return { value: !worst.isUnprotected, told: `${zoneWords(worst.zone).en}: ${worst.words}` }
}
