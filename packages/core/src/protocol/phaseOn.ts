import type { Criterion } from './criterion.js'
import type { FactBook } from './facts.js'
import type { Phase, Protocol } from './protocol.js'
import { HEALING_ANCHORS } from './vocabulary.js'

/** Days without a therapist's review after which a protective phase no longer moves on. Source: A1, common practice. */
export const FREEZE_AFTER_DAYS = 14

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
 * before it was opened; time alone opens nothing. Without a review for 14 days a protective phase freezes: windows
 * are then read on the last reviewed day plus 14.
 *
 * @param day - days since the anchor; negative while the anchor lies ahead
 * @param daysSinceReview - `null` when the caller keeps no reviews: then nothing freezes
 */
export function phaseOn(
  protocol: Protocol,
  day: number,
  facts: FactBook,
  daysSinceReview: number | null = null,
): PhaseStanding {
  const unmet = (phase: Phase) => phase.entry.filter((criterion) => facts.status(criterion).name !== 'met')
  const openedOn = (onDay: number) => {
    let index = -1
    for (const phase of protocol.phases) {
      if (onDay < phase.days[0] || unmet(phase).length > 0) break
      index += 1
    }
    return index
  }
  const overdue =
    daysSinceReview !== null &&
    daysSinceReview > FREEZE_AFTER_DAYS &&
    HEALING_ANCHORS.includes(protocol.anchor)
  const frozenDay = overdue ? Math.min(day, day - daysSinceReview + FREEZE_AFTER_DAYS) : day
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
