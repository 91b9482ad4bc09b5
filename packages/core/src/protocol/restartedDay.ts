import { daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'
import type { Protocol } from './protocol.js'

/** A recorded bend out of the orthosis, with what a therapist credited of the days before it. */
export interface Slip {
  readonly on: ClinicalDay
  /** Days that count all the same, given by a therapist with a reason; 0 starts the count anew. */
  readonly creditDays: number
}

/**
 * The day of the protocol when slips are counted: after a slip the count starts again on that day, at the protocol's
 * restart day plus what was credited. A protocol without such a clock counts plain days. Slips after today do not
 * count yet, and credit never brings more days than had passed.
 */
export function restartedDay(
  protocol: Protocol,
  anchor: ClinicalDay,
  slips: readonly Slip[],
  today: ClinicalDay,
): number {
  let [start, credit] = [anchor, 0]
  if (protocol.clock) {
    const counted = slips
      .filter((slip) => daysBetween(slip.on, today) >= 0 && daysBetween(anchor, slip.on) >= 0)
      .sort((a, b) => daysBetween(b.on, a.on))
    for (const slip of counted) {
      const before = daysBetween(start, slip.on) + credit
      credit = Math.min(before, protocol.clock.restartTo + Math.max(0, slip.creditDays))
      start = slip.on
    }
  }
  return daysBetween(start, today) + credit
}
