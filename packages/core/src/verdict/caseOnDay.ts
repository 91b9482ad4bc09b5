import type { Criterion } from '../vocabulary/criterion.js'
import type { FactBook } from '../protocol/facts.js'
import { phaseOn, type PhaseStanding } from '../protocol/phaseOn.js'
import type { Protocol } from '../protocol/protocol.js'
import type { Digit, State } from '../vocabulary/vocabulary.js'
import { schoolInDoubt } from '../protocol/wrongSchool.js'
import type { Order } from '../protocol/order.js'

/** A protocol bound to a patient on one day: all that a verdict depends on besides the exercise. */
export interface CaseOnDay {
  /** With the patient's variant, values and window shifts worked in. */
  readonly protocol: Protocol
  /** Days since the anchor; negative while it lies ahead. */
  readonly day: number
  readonly facts: FactBook
  /** The injured digits; empty = not stated, so every digit counts as injured. */
  readonly digits: readonly Digit[]
  readonly states: readonly State[]
  readonly orders: readonly Order[]
  /** A red flag nobody has lifted: everything stops. */
  readonly redLock: boolean
  /** Days by which the therapist's review is overdue; 0: not overdue, or the caller keeps no reviews. */
  readonly reviewOverdueDays: number
}

/** Supposes that every criterion is met: for days ahead, never for a verdict of today. */
export const EVERYTHING_MET: FactBook = { status: () => ({ name: 'met' }) }

/** A record with some criteria met besides. */
export function withMet(facts: FactBook, met: readonly Criterion[]): FactBook {
  return {
    status: (criterion) =>
      met.some(({ text }) => text === criterion.text) ? { name: 'met' } : facts.status(criterion),
  }
}

/** A case in whose way nothing stands but time: for the first days of a protocol, never for a verdict of today. */
export function unhinderedCase(protocol: Protocol): CaseOnDay {
  return {
    protocol,
    day: 0,
    facts: EVERYTHING_MET,
    digits: [],
    states: [],
    orders: [],
    redLock: false,
    reviewOverdueDays: 0,
  }
}

/** Criteria that a live state contradicts, whatever was recorded. */
const CONTRADICTED: Readonly<Partial<Record<State, readonly string[]>>> = {
  'state.flare': ['state.quiet'],
  'state.acute_swelling': ['state.quiet', 'edema.stable', 'edema.moderate'],
}

/**
 * The facts as the live states leave them: a state that is on is met as a criterion, and a hand that flares or swells is
 * neither quiet nor stable. A state can close, never open early.
 */
export function factsInStates(facts: FactBook, states: readonly State[]): FactBook {
  if (states.length === 0) return facts
  const contradicted = new Set(states.flatMap((state) => CONTRADICTED[state] ?? []))
  return {
    status(criterion: Criterion) {
      if (contradicted.has(criterion.name)) return { name: 'notSo', value: false }
      if ((states as readonly string[]).includes(criterion.name)) return { name: 'met' }
      return facts.status(criterion)
    },
  }
}

/** Where a case stands in its protocol on its day, with its live states and a review that is overdue counted in. */
export interface CaseStanding extends PhaseStanding {
  /** The facts as the live states leave them. */
  readonly facts: FactBook
  /** A fact the school rests on does not hold, or nobody has answered it: nothing of the school opens. */
  readonly isSchoolInDoubt: boolean
}

/** A case on a day never changes: what holds for all that is asked of it is found once. */
const standings = new WeakMap<CaseOnDay, CaseStanding>()

/** The one answer to where a case stands: phase, gates, permissions, exceptions and verdicts all read it. */
export function standingOf(state: CaseOnDay): CaseStanding {
  let standing = standings.get(state)
  if (!standing) {
    const facts = factsInStates(state.facts, state.states)
    standing = {
      ...phaseOn(state.protocol, state.day, facts, state.reviewOverdueDays),
      facts,
      isSchoolInDoubt: schoolInDoubt(state.protocol, facts).length > 0,
    }
    standings.set(state, standing)
  }
  return standing
}

/**
 * What is supposed of the days ahead: facts and a review that is overdue stay as they are today; or every criterion is met and
 * a review done, so that only time is waited for (vocabulary 5.2.9). Live states, flags and orders stay in both.
 */
export type Supposing = 'asTheRecordStands' | 'byTimeAlone'

/** A case moved to another day is asked many times: made once. */
const moved = new WeakMap<CaseOnDay, Map<string, CaseOnDay>>()

/** A case some days later, under a supposition. Other cases it carries move along by `others`. */
export function daysLater<Case extends CaseOnDay>(
  state: Case,
  offset: number,
  supposing: Supposing,
  others: (state: Case) => Partial<Case> = () => ({}),
): Case {
  if (offset === 0 && supposing === 'asTheRecordStands') return state
  let days = moved.get(state) as Map<string, Case> | undefined
  if (!days) moved.set(state, (days = new Map<string, Case>()))
  const key = `${offset} ${supposing}`
  let then = days.get(key)
  if (!then) {
    const day = state.day + offset
    const overdue = state.reviewOverdueDays
    then =
      supposing === 'byTimeAlone'
        ? { ...state, day, facts: EVERYTHING_MET, reviewOverdueDays: 0, ...others(state) }
        : {
            ...state,
            day,
            reviewOverdueDays: overdue > 0 ? Math.max(0, overdue + offset) : 0,
            ...others(state),
          }
    days.set(key, then)
  }
  return then
}
