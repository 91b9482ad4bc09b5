import type { Criterion } from '../protocol/criterion.js'
import type { FactBook } from '../protocol/facts.js'
import type { Protocol } from '../protocol/protocol.js'
import type { Digit, State } from '../protocol/vocabulary.js'
import type { Order } from './order.js'

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
