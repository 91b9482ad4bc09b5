import { isOpen } from '@pledge/core'
import type { OpeningRunAnswer, OpeningsAnswer } from '@pledge/contract'

/** A stretch of days on which an exercise is closed. */
export interface ClosedStretch {
  readonly fromDay: number
  readonly toDay: number
  /** Waits for time or is never open; or time has come and a criterion is missing. */
  readonly waitsFor: 'time' | 'record'
}

/**
 * The ground of an exercise on the time axis: days gone by as time alone had it, from today as the record stands.
 *
 * @param lastDay - where the axis ends
 */
export function closedStretches(openings: OpeningsAnswer, today: number, lastDay: number): ClosedStretch[] {
  return [
    ...closedIn(openings.byTimeAlone, Math.min(0, today), today),
    ...closedIn(openings.asTheRecordStands, today, lastDay),
  ]
}

function closedIn(runs: readonly OpeningRunAnswer[], first: number, last: number): ClosedStretch[] {
  return runs.flatMap(({ fromDay, toDay, kind, missing }) => {
    const [from, to] = [Math.max(first, fromDay), Math.min(last, toDay ?? last)]
    return isOpen(kind) || from >= to
      ? []
      : [{ fromDay: from, toDay: to, waitsFor: missing.length > 0 ? ('record' as const) : ('time' as const) }]
  })
}

/** The first day from today on which an exercise is open in some runs; `null`: none. */
export function firstOpenDay(runs: readonly OpeningRunAnswer[], today: number): number | null {
  const run = runs.find(({ kind, toDay }) => isOpen(kind) && (toDay ?? Infinity) > today)
  return run ? Math.max(today, run.fromDay) : null
}
