import type { Criterion } from '../vocabulary/criterion.js'
import type { FactBook } from './facts.js'
import type { Protocol } from './protocol.js'

/**
 * Selection facts of a school that are known not to hold: waiting never mends them, another school does. A fact nobody
 * recorded is not among them; see `unansweredSelection`.
 */
export function wrongSchool(protocol: Protocol, facts: FactBook): Criterion[] {
  return protocol.select.filter((criterion) => ['notSo', 'withdrawn'].includes(facts.status(criterion).name))
}

/** Selection facts nobody has answered: until then the school is not offered. */
export function unansweredSelection(protocol: Protocol, facts: FactBook): Criterion[] {
  return protocol.select.filter((criterion) =>
    ['neverRecorded', 'stale'].includes(facts.status(criterion).name),
  )
}

/** Selection facts that do not hold as far as anybody knows: while there are any, nothing of the school opens. */
export function schoolInDoubt(protocol: Protocol, facts: FactBook): Criterion[] {
  return protocol.select.filter((criterion) => facts.status(criterion).name !== 'met')
}
