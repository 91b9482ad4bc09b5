import type { ReadingPlace } from './reading.js'
import { numberOf } from './reading.js'
import { datedChange, type DatedChange } from './change.js'
import type { Bench } from './digitFindings.js'
import { otherSideOf, measureFacts } from './measures.js'
import { firstAt, lastAt, raterOf, resultAt, type DatedResult, type ReadingBook } from './visits.js'

/** What a reading of one number, or of several trials by their mean, tells. In the direction of the measure: extension is positive. */
export interface NumberFindings {
  readonly value: number | null
  /** The other side today, else when it was last measured. */
  readonly other: number | null
  /** Share of the other side; `null` where either is missing or the other is not above 0. */
  readonly percentOfOther: number | null
  /** Difference to the other side: how much is missing, or how much more there is. */
  readonly shortOfOther: number | null
  readonly sinceLast: DatedChange | null
  readonly sinceStart: DatedChange | null
}

/** Compares a reading with the other side, with last time and with the start. Unknown stays unknown. */
export function numberFindings(place: ReadingPlace, now: ReadingBook, bench: Bench): NumberFindings {
  const { signed, error, isMoreBetter } = measureFacts(place.measure)
  const own = (result: ReturnType<typeof resultAt>) => {
    const number = numberOf(result)
    return number === null ? null : number * signed
  }
  const otherPlace: ReadingPlace = { ...place, side: place.side && otherSideOf(place.side) }
  const value = own(resultAt(now, place))
  const other =
    place.side === null
      ? null
      : (own(resultAt(now, otherPlace)) ?? own(lastAt(bench.visits, otherPlace)?.result ?? null))
  const [last, first] = [lastAt(bench.visits, place), firstAt(bench.visits, place)]
  const since = (then: DatedResult | null): DatedChange | null => {
    const before = own(then?.result ?? null)
    if (!then || before === null || value === null) return null
    return datedChange(value - before, then.on, error, raterOf(then.by, bench.by), isMoreBetter)
  }
  return {
    value,
    other,
    percentOfOther: value === null || other === null || other <= 0 ? null : (100 * value) / other,
    shortOfOther: value === null || other === null ? null : other - value,
    sinceLast: since(last),
    sinceStart: first && last && first.on !== last.on ? since(first) : null,
  }
}
