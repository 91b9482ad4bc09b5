import { LOAD_BASE_CRITERIA, type Criterion } from '../vocabulary/criterion.js'
import { NERVE_QUIET_ENOUGH } from '../exercise/nerveCeiling.js'
import { contactCriteria } from './contactRules.js'
import type { Protocol } from '../protocol/protocol.js'
import type { PatientCase } from './patientCase.js'
import { distinctCriteria } from './verdict.js'

/** The criteria of a school, of its phases, rules and gates; a criterion can stand in it more than once. */
export function criteriaOfProtocol({ select, phases, gates }: Protocol): Criterion[] {
  return [
    ...select,
    ...phases.flatMap((phase) => phase.entry),
    ...phases.flatMap((phase) => [...phase.allow, ...phase.caution].flatMap((rule) => rule.needs)),
    ...gates.flatMap((gate) => gate.needs),
  ]
}

/**
 * Every criterion that can be named as missing for an exercise in a case: those of the school, of its phases, rules and gates, the load
 * base, and what the catalogue asks of the wound, of feeling and of the nerve. All of them are recorded on the Phase screen.
 */
export function criteriaOfCase({ protocol, condition }: PatientCase): Criterion[] {
  return distinctCriteria([
    ...criteriaOfProtocol(protocol),
    ...LOAD_BASE_CRITERIA,
    ...(condition.nerveCeilings.length > 0 ? [NERVE_QUIET_ENOUGH] : []),
    ...condition.listed.flatMap(({ asks }) => asks ?? []),
    ...contactCriteria(protocol.anchor, condition.isNumb),
  ])
}
