import type { Condition } from '../exercise/condition.js'
import type { Equipment } from '../exercise/equipment.js'
import type { Contraindication } from '../exercise/exercise.js'
import type { Criterion } from '../vocabulary/criterion.js'
import type { Protocol } from '../protocol/protocol.js'
import { daysLater, unhinderedCase, withMet, type CaseOnDay, type Supposing } from './caseOnDay.js'

/** A case with what the catalogue needs to know besides the protocol. */
export interface PatientCase extends CaseOnDay {
  readonly condition: Condition
  /** Those on record as present. */
  readonly contraindications: readonly Contraindication[]
  /** Whether somebody has asked for the others; what nobody asked is not known to be absent. */
  readonly isHealthAsked: boolean
  /** Things of the catalogue that are not at home; `null` = nobody has asked. */
  readonly notAtHome: readonly Equipment[] | null
  /** How the other hand is, where no episode tells: able, or hurt, operated or weak; `null` = nobody has asked. */
  readonly otherHand: 'well' | 'hurt' | null
  /** Other open injuries of the same person. */
  readonly otherInjuries: readonly OtherInjury[]
}

/** Another open injury of the same person, with a protocol of its own. */
export interface OtherInjury {
  readonly hand: 'same' | 'other'
  /** Looked at by itself: its own list of other injuries is not followed. */
  readonly state: PatientCase
}

/** A patient's case some days later, with those of the other injuries. */
export function patientLater(state: PatientCase, offset: number, supposing: Supposing): PatientCase {
  return daysLater(state, offset, supposing, ({ otherInjuries }) => ({
    otherInjuries: otherInjuries.map((other) => ({
      ...other,
      state: patientLater(other.state, offset, supposing),
    })),
  }))
}

/** A patient of a condition in whose way nothing stands but time: for reading a protocol, never for a verdict of today. */
export function unhinderedPatient(protocol: Protocol, condition: Condition): PatientCase {
  return {
    ...unhinderedCase(protocol),
    condition,
    contraindications: [],
    isHealthAsked: true,
    notAtHome: null,
    otherHand: 'well',
    otherInjuries: [],
  }
}

/** A patient's case with some criteria met besides and a review done, in all injuries. */
export function withRecorded(state: PatientCase, met: readonly Criterion[]): PatientCase {
  return {
    ...state,
    facts: withMet(state.facts, met),
    reviewOverdueDays: 0,
    otherInjuries: state.otherInjuries.map((other) => ({ ...other, state: withRecorded(other.state, met) })),
  }
}
