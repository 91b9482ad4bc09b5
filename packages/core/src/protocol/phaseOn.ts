import type { Criterion } from '../vocabulary/criterion.js'
import type { FactBook } from './facts.js'
import type { Phase, Protocol } from './protocol.js'
import { HEALING_ANCHORS } from '../vocabulary/vocabulary.js'

/** Where a case stands in its protocol on a day. */
export interface PhaseStanding {
  /** -1 when the protocol has not started: the anchor lies ahead, or the first phase's criteria are missing. */
  readonly index: number
  readonly phase: Phase | null
  /** The day the windows are read on: earlier than today when the case is frozen. */
  readonly effectiveDay: number
  readonly frozen: boolean
  /** Criteria that hold a phase whose day has come. */
  readonly heldBy: readonly Criterion[]
  readonly next: {
    readonly phase: Phase
    readonly earliestDay: number
    readonly missing: readonly Criterion[]
  } | null
}

/**
 * The phase a case is in. Phase k is current when its day has come, all its entry criteria are met and the phase
 * before it was opened; time alone opens nothing. Once a review is overdue a protective phase freezes: windows are then
 * read on the day it was due.
 *
 * @param day - days since the anchor; negative while the anchor lies ahead
 * @param overdueDays - days by which the review is overdue (`reviewOverdueDays`); 0 freezes nothing
 */
export function phaseOn(protocol: Protocol, day: number, facts: FactBook, overdueDays = 0): PhaseStanding {
  const unmet = (phase: Phase) => phase.entry.filter((criterion) => facts.status(criterion).name !== 'met')
  const openedOn = (onDay: number) => {
    let index = -1
    for (const phase of protocol.phases) {
      if (onDay < phase.days[0] || unmet(phase).length > 0) break
      index += 1
    }
    return index
  }
  const overdue = overdueDays > 0 && HEALING_ANCHORS.includes(protocol.anchor)
  const frozenDay = overdue ? day - overdueDays : day
  const lastIndex = protocol.phases.length - 1
  // The last phase protects nothing any more: it never freezes.
  const frozen = overdue && openedOn(frozenDay) < lastIndex
  const effectiveDay = frozen ? frozenDay : day
  const index = openedOn(effectiveDay)
  const nextPhase = protocol.phases[index + 1]
  const next = nextPhase
    ? { phase: nextPhase, earliestDay: Math.max(day, nextPhase.days[0]), missing: unmet(nextPhase) }
    : null
  const timeHasCome = nextPhase !== undefined && effectiveDay >= nextPhase.days[0]
  return {
    index,
    phase: protocol.phases[index] ?? null,
    effectiveDay,
    frozen,
    heldBy: timeHasCome ? (next?.missing ?? []) : [],
    next,
  }
}

/**
 * Days by which a review is overdue, 0 if it is not.
 *
 * @param daysSinceReview - `null` when the caller keeps no reviews: then none is due
 */
export function reviewOverdueDays(daysSinceReview: number | null, freezeAfterDays: number): number {
  return daysSinceReview === null ? 0 : Math.max(0, daysSinceReview - freezeAfterDays)
}

/**
 * Days a case lies behind: past the planned start of the next phase without its criteria, counted from the day the patient
 * came where that is later. 0 while no phase waits. Source: A1, common practice.
 *
 * @param cameOnDay - day of the course on which the patient came
 */
export function daysBehind(standing: PhaseStanding, day: number, cameOnDay: number): number {
  const { next, heldBy } = standing
  return next && heldBy.length > 0 ? Math.max(0, day - Math.max(next.phase.days[0], cameOnDay)) : 0
}

/** Whether the phase that waits should have begun before the patient came: then nobody is late, what is already so is asked. */
export function isReferredLate({ next, heldBy }: PhaseStanding, cameOnDay: number): boolean {
  return next !== null && heldBy.length > 0 && next.phase.days[0] < cameOnDay
}
