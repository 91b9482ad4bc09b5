import type { Criterion } from '../vocabulary/criterion.js'
import { rulesOf } from '../protocol/protocol.js'
import type { CaseOnDay, Supposing } from './caseOnDay.js'
import { distinctCriteria, isOpen, type VerdictKind } from './verdict.js'

/** How far ahead an opening is looked for. */
export const SEARCH_DAYS = 400

/** Days on which an answer does not change. */
export interface OpeningRun {
  readonly fromDay: number
  /** First day of the next run; `null`: to the end of the search. */
  readonly toDay: number | null
  readonly kind: VerdictKind
  /** What keeps it closed besides time: with these recorded it would be open. Empty where it is open, or waits for time. */
  readonly missing: readonly Criterion[]
}

/** What is asked when it opens: an exercise or a signature with all the injuries it concerns, on any day from today. */
export interface Asked {
  /** Days ahead on which the answer can change, today among them. */
  readonly turns: readonly number[]
  kindOn(offset: number, supposing: Supposing): VerdictKind
  /** The criteria that stand in the way on a day as the record stands, everything else met. */
  missingOn(offset: number): readonly Criterion[]
}

/**
 * The one answer to "from when": the runs of days on which what is asked is open, open with care, closed or never allowed.
 *
 * "By time alone" supposes every criterion met and a review done (vocabulary 5.2.9): a day not before which, never a promise.
 * "As the record stands" takes the facts as they are today. Both leave live states, red flags and orders as they are.
 *
 * @param today - the day of the case, in whose days the runs are told
 * @param span - days ahead, both ends included; by default from today as far as anything is looked for
 */
export function* openingRuns(
  asked: Asked,
  today: number,
  supposing: Supposing,
  span: readonly [number, number] = [0, SEARCH_DAYS],
): Generator<OpeningRun> {
  let run: Omit<OpeningRun, 'toDay'> | null = null
  for (const offset of turnsWithin(asked.turns, span)) {
    const kind = asked.kindOn(offset, supposing)
    const missing = missingOf(asked, offset, supposing, kind)
    if (run && run.kind === kind && isSame(run.missing, missing)) continue
    if (run) yield { ...run, toDay: today + offset }
    run = { fromDay: today + offset, kind, missing }
  }
  if (run) yield { ...run, toDay: null }
}

/**
 * Days from today to the first day on which what is asked opens by time alone; `null` where no day within the search brings
 * it.
 */
export function openingOffset(asked: Asked): number | null {
  for (const { fromDay, kind } of openingRuns(asked, 0, 'byTimeAlone')) if (isOpen(kind)) return fromDay
  return null
}

function turnsWithin(turns: readonly number[], [first, last]: readonly [number, number]): number[] {
  const within = turns.filter((offset) => offset > first && offset <= last)
  return [...new Set([first, ...within])].sort((a, b) => a - b)
}

/** Criteria are told where they are what is waited for: on a day that time alone would open. */
function missingOf(
  asked: Asked,
  offset: number,
  supposing: Supposing,
  kind: VerdictKind,
): readonly Criterion[] {
  if (kind !== 'not-yet' || supposing === 'byTimeAlone') return []
  return isOpen(asked.kindOn(offset, 'byTimeAlone')) ? distinctCriteria(asked.missingOn(offset)) : []
}

function isSame(a: readonly Criterion[], b: readonly Criterion[]): boolean {
  return a.length === b.length && a.every(({ text }, place) => text === b[place]!.text)
}

const turning = new WeakMap<CaseOnDay, readonly number[]>()

/** Days ahead on which anything in a case can change: starts and ends of windows, gates and orders; days gone by are negative. */
export function turningOffsets(state: CaseOnDay): readonly number[] {
  let offsets = turning.get(state)
  if (!offsets) {
    const { protocol, orders, day: today } = state
    const days = [
      today,
      ...protocol.phases.map((phase) => phase.days[0]),
      ...rulesOf(protocol).flatMap((rule) => [rule.from, rule.until]),
      ...orders.flatMap((order) => [order.fromDay, order.untilDay]),
    ]
    offsets = [...new Set(days.flatMap((day) => (day === null ? [] : [day - today])))].sort((a, b) => a - b)
    turning.set(state, offsets)
  }
  return offsets
}
