import { ACT_NAMES, type Said } from '../words/names.js'
import type { Protocol } from '../protocol/protocol.js'
import type { Act } from '../vocabulary/vocabulary.js'
import type { MilestoneRule } from '../rules/crossCutting.js'
import { openingDay } from './assess.js'
import { unhinderedCase } from './caseOnDay.js'
import { IDLE_SIGNATURE } from '../exercise/signature.js'

/** A return to daily life, work or sport under one protocol. */
export interface Milestone {
  readonly act: Act
  readonly name: Said
  /** First day its gate lets it begin, were every criterion met; `null`: never by time. */
  readonly fromDay: number | null
  /** What it asks besides the day. */
  readonly needs: string
}

/** The returns to daily life, work and sport of a protocol as bound to a patient, the earliest first. */
export function milestones(protocol: Protocol, rules: readonly MilestoneRule[]): Milestone[] {
  const days = (milestone: Milestone) => milestone.fromDay ?? Number.POSITIVE_INFINITY
  const state = unhinderedCase(protocol)
  return rules
    .map(({ act, needs }) => ({
      act,
      name: ACT_NAMES[act],
      fromDay: openingDay({ ...IDLE_SIGNATURE, acts: [act] }, state),
      needs,
    }))
    .sort((a, b) => days(a) - days(b))
}
