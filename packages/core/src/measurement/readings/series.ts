import type { ClinicalDay } from '../../calendar/clinicalDay.js'
import { daysBetween } from '../../calendar/clinicalDay.js'
import { DIGITS, type Digit } from '../../vocabulary/vocabulary.js'
import { errorOfMeasure, type Measure as ErrorName } from '../change/measureErrors.js'
import { courseOf, type Course } from '../change/plateau.js'
import type { RobustSlope } from '../change/robustSlope.js'
import { isLook } from '../looks/looks.js'
import { twoJointResult } from '../motion/twoJointFormula.js'
import { digitHinges, digitTotal, wholeOf } from './digitTotal.js'
import {
  FINGER_DIGITS,
  isMeasure,
  measureFacts,
  type MeasureFacts,
  type MeasureName,
  type Side,
} from './measures.js'
import { checkedReading, knownEnds, numberOf, placeKey, placeOfKey, type HingeResult } from './reading.js'
import { bookOfVisit, lastAt, placeWords, resultAt, type Visit } from './visits.js'

export interface SeriesPoint {
  readonly on: ClinicalDay
  readonly by: string
  /** In the direction of the measure: extension is positive. */
  readonly value: number
}

/** A measure over the visits of a case. */
export interface Series {
  /** What is worked out of several readings, as `tam.ring`, `ends.ring` and `arc.wrist`; or the place of a reading with the end of a hinge: `pip.ring.left.active.flexed`. */
  readonly id: string
  readonly label: string
  readonly unit: MeasureFacts['unit']
  readonly isMoreBetter: boolean
  readonly error: ErrorName | null
  /** In the order of the visits. */
  readonly points: readonly SeriesPoint[]
}

/** What is worked out of several readings of one visit. */
interface Derived {
  readonly id: string
  readonly label: string
  readonly error: ErrorName
  readonly bounds: readonly [number, number]
  readonly of: (visit: Visit, before: readonly Visit[], side: Side) => number | null
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
function totalSeries(digit: Digit): Derived {
  return {
    id: `tam.${digit}`,
    label: `${capital(digit)}, total active motion`,
    error: 'totalActiveMotion',
    bounds: [0, 360],
    of: (visit, before, side) =>
      digitTotal(digit, digitHinges(digit, side, 'active', bookOfVisit(visit), before)).totalDeg,
  }
}
/** PIP and DIP of a finger: what the two-joint formula for flexor tendons is worked out of. */
function endSeries(digit: Digit): Derived {
  return {
    id: `ends.${digit}`,
    label: `${capital(digit)}, PIP and DIP, active`,
    error: 'fingerEndArc',
    bounds: [0, 240],
    of(visit, before, side) {
      const { pip, dip } = digitHinges(digit, side, 'active', bookOfVisit(visit), before)
      return twoJointResult(wholeOf(pip ?? null), wholeOf(dip ?? null))?.arcDeg ?? null
    },
  }
}
function arcSeries(
  id: string,
  label: string,
  error: ErrorName,
  measures: readonly [MeasureName, MeasureName],
): Derived {
  return {
    id,
    label,
    error,
    bounds: [0, 240],
    of(visit, _before, side) {
      const ends = measures.map((measure) => {
        const number = numberOf(resultAt(bookOfVisit(visit), { measure, digit: null, side, kind: 'active' }))
        return number === null ? null : number * measureFacts(measure).signed
      })
      return ends.some((end) => end === null) ? null : ends[0]! + ends[1]!
    },
  }
}
const DERIVED: readonly Derived[] = [
  ...DIGITS.map(totalSeries),
  ...FINGER_DIGITS.map(endSeries),
  arcSeries('arc.wrist', 'Wrist, bent to straight, active', 'wristArc', ['wristFlexion', 'wristExtension']),
  arcSeries('arc.forearm', 'Forearm, turned in and out, active', 'forearmArc', ['pronation', 'supination']),
]
const DERIVED_BY_ID = new Map(DERIVED.map((one) => [one.id, one]))

/** The last value of a series of the injured side as it was measured on a side; `null` where it never was. */
export function lastOfSeries(id: string, visits: readonly Visit[], side: Side): number | null {
  const derived = DERIVED_BY_ID.get(id)
  if (!derived) return numberOf(lastAt(visits, { ...placeOfKey(id), side })?.result ?? null)
  return visits.reduce<number | null>(
    (last, visit, at) => derived.of(visit, visits.slice(0, at), side) ?? last,
    null,
  )
}

/**
 * Every series that the visits of a case hold of one side: total active motion of each digit, both ends of each hinge, and every
 * number. What was measured most often comes first.
 */
export function seriesOf(visits: readonly Visit[], side: Side): Series[] {
  const found = new Map<string, Series & { points: SeriesPoint[] }>()
  const add = (id: string, visit: Visit, value: number | null) => {
    if (value === null) return
    const series = found.get(id) ?? { ...seriesFacts(id), points: [] }
    series.points.push({ on: visit.on, by: visit.by, value })
    found.set(id, series)
  }
  visits.forEach((visit, at) => {
    for (const { id, of } of DERIVED) add(id, visit, of(visit, visits.slice(0, at), side))
    for (const reading of visit.readings) {
      if (reading.side !== null && reading.side !== side) continue
      // What is looked at is a word, not a number.
      if (isLook(reading.measure)) continue
      const { shape, signed } = measureFacts(reading.measure)
      const key = placeKey(reading)
      if (shape !== 'hinge') {
        const number = numberOf(reading.result)
        add(key, visit, number === null ? null : number * signed)
        continue
      }
      const { flexedEndDeg, extendedEndDeg } = knownEnds(reading.result as HingeResult)
      add(`${key}.flexed`, visit, flexedEndDeg)
      add(`${key}.lacks`, visit, extendedEndDeg)
    }
  })
  return [...found.values()].sort((a, b) => b.points.length - a.points.length)
}

const HINGE_END = /\.(flexed|lacks)$/

/** What a series is, by its id. */
export function seriesFacts(id: string): Omit<Series, 'points'> {
  const derived = DERIVED_BY_ID.get(id)
  if (derived) return { id, label: derived.label, unit: 'degrees', isMoreBetter: true, error: derived.error }
  const end = HINGE_END.exec(id)?.[1]
  const place = placeOfKey(id.replace(HINGE_END, ''))
  const { unit, isMoreBetter, error } = measureFacts(place.measure)
  const label = capital(placeWords({ ...place, side: null }))
  if (end === 'flexed') return { id, label: `${label}, bends to`, unit, isMoreBetter: true, error }
  if (end === 'lacks') return { id, label: `${label}, lacks`, unit, isMoreBetter: false, error }
  return { id, label, unit, isMoreBetter, error }
}

/** Whether an id names a series that readings of a side can make: what a goal may be tied to. */
export function isSeriesId(id: string): boolean {
  if (DERIVED_BY_ID.has(id)) return true
  const end = HINGE_END.exec(id)?.[1]
  const place = placeOfKey(id.replace(HINGE_END, ''))
  if (!isMeasure(place.measure)) return false
  const { shape, hard, signed } = measureFacts(place.measure)
  if ((shape === 'hinge') !== (end !== undefined)) return false
  try {
    const likely = shape === 'hinge' ? { flexedEndDeg: 0, extendedEndDeg: 0 } : hard[0] * signed
    checkedReading({ ...place, result: shape === 'trials' ? [hard[0]] : likely })
    return true
  } catch {
    return false
  }
}

/** The least and greatest value a series can have. */
export function seriesBounds(id: string): readonly [number, number] {
  return DERIVED_BY_ID.get(id)?.bounds ?? measureFacts(placeOfKey(id.replace(HINGE_END, '')).measure).hard
}

/** The series a cell belongs to: the flexed end of a hinge, else the number. */
export function seriesIdOf(key: string): string {
  return measureFacts(placeOfKey(key).measure).shape === 'hinge' ? `${key}.flexed` : key
}

/** Recovery is curved: a course is told from the last six weeks. */
const WINDOW_DAYS = 42

export interface SeriesCourse {
  readonly course: Course
  /** A week, in the direction of the measure, with its 95 % interval; `null` with fewer than two days. */
  readonly perWeek: { readonly by: number; readonly low: number; readonly high: number } | null
  /** Half the width of a reading's own error, 95 %; `null` where no error is known. */
  readonly whisker: number | null
}

/**
 * Where a series goes over its last six weeks, against the error of its measure. A measure without an error has no course.
 *
 * Source: measures M-33, M-34.
 */
export function seriesCourse(series: Series): SeriesCourse {
  const last = series.points.at(-1)
  const error = series.error && errorOfMeasure(series.error, 'same')
  const whisker = error && 1.96 * error.sem
  const recent = series.points.filter(({ on }) => daysBetween(on, last!.on) <= WINDOW_DAYS)
  const days = recent.map(({ on }) => daysBetween(recent[0]!.on, on))
  if (!error || new Set(days).size < 2) return { course: 'insufficient', perWeek: null, whisker }
  const turned = series.isMoreBetter ? 1 : -1
  const { course, slope } = courseOf(
    days,
    recent.map(({ value }) => value * turned),
    error.mdc95,
  )
  return { course, perWeek: inWeeks(slope, turned), whisker }
}

function inWeeks({ slope, low, high }: RobustSlope, turned: 1 | -1): NonNullable<SeriesCourse['perWeek']> {
  const [from, to] = turned === 1 ? [low, high] : [-high, -low]
  return { by: 7 * slope * turned, low: 7 * from, high: 7 * to }
}
