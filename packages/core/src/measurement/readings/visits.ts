import type { ClinicalDay } from '../../calendar/clinicalDay.js'
import type { Rater } from '../change/measureErrors.js'
import { placeKey, type HingeResult, type Reading, type ReadingPlace, type Result } from './reading.js'
import { measureFacts, READING_KINDS, type HingeMeasure, type Side } from './measures.js'
import type { Digit } from '../../vocabulary/vocabulary.js'
import { isZone } from '../../vocabulary/zones.js'
import { zoneWords } from '../../words/zoneNames.js'

/** What was measured on one day by one person. */
export interface Visit {
  readonly on: ClinicalDay
  /** Who measured: an error between two raters is larger than within one. */
  readonly by: string
  readonly readings: readonly Reading[]
}

/** Readings by their place. */
export type ReadingBook = ReadonlyMap<string, Result>

export function bookOf(readings: readonly Reading[]): ReadingBook {
  return new Map(readings.map((reading) => [placeKey(reading), reading.result]))
}

export function resultAt(book: ReadingBook, place: ReadingPlace): Result | null {
  return book.get(placeKey(place)) ?? null
}

/** A reading with when and by whom. */
export interface DatedResult {
  readonly result: Result
  readonly on: ClinicalDay
  readonly by: string
}

const books = new WeakMap<Visit, ReadingBook>()
/** The readings of a visit by their place, made once. */
export function bookOfVisit(visit: Visit): ReadingBook {
  let book = books.get(visit)
  if (!book) books.set(visit, (book = bookOf(visit.readings)))
  return book
}

/** The last reading at a place; `null` where there is none. Visits are in the order of their dates. */
export function lastAt(visits: readonly Visit[], place: ReadingPlace): DatedResult | null {
  return foundAt([...visits].reverse(), place)
}

/** The first reading at a place: what it was at the start. */
export function firstAt(visits: readonly Visit[], place: ReadingPlace): DatedResult | null {
  return foundAt(visits, place)
}

function foundAt(visits: readonly Visit[], place: ReadingPlace): DatedResult | null {
  const key = placeKey(place)
  for (const visit of visits) {
    const result = bookOfVisit(visit).get(key)
    if (result !== undefined) return { result, on: visit.on, by: visit.by }
  }
  return null
}

/** Where a reading comes from, seen by who measures now. */
export function raterOf(by: string, now: string): Rater {
  return by === now ? 'same' : 'other'
}

/** The place of a hinge of a digit. */
export function hingePlace(
  measure: HingeMeasure,
  digit: Digit,
  side: Side,
  kind: (typeof READING_KINDS)[number],
): ReadingPlace {
  return { measure, digit, side, kind }
}

/**
 * What a hinge is today: as read; else absent or fused where it was found so once, whichever way it was moved. A joint that is gone
 * or fused stays so and is typed once.
 */
export function hingeAt(now: ReadingBook, visits: readonly Visit[], place: ReadingPlace): HingeResult | null {
  const read = resultAt(now, place) as HingeResult | null
  if (read !== null) return read
  const ways = READING_KINDS.map((kind) => ({ ...place, kind }))
  for (const way of ways) {
    const found = resultAt(now, way) as HingeResult | null
    if (isLasting(found)) return found
  }
  const dated = ways
    .map((way) => lastAt(visits, way))
    .filter((one) => one !== null)
    .sort((a, b) => (a.on < b.on ? 1 : -1))
  const last = (dated[0]?.result ?? null) as HingeResult | null
  return isLasting(last) ? last : null
}

/** Absent or fused: no reading of a day. */
export function isLasting(result: HingeResult | null): boolean {
  return result === 'absent' || (result !== null && 'fusedAtDeg' in result)
}

/** How a measure of a place is called, with digit, side and way: "ring PIP, left, active". */
export function placeWords({ measure, digit, side, kind, spot }: ReadingPlace): string {
  const { label } = measureFacts(measure)
  // "ring PIP", "ring girth, proximal phalanx".
  const inside = /^[A-Z][a-z]/.test(label) ? label.charAt(0).toLowerCase() + label.slice(1) : label
  const what = digit && digit !== 'thumb' ? `${digit} ${inside}` : label
  const zone = spot && isZone(spot) ? zoneWords(spot).en : null
  return [what, zone, side, kind].filter((part) => part !== null).join(', ')
}
