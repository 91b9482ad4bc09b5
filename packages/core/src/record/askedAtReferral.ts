import type { Condition } from '../exercise/condition.js'
import { giverOf, type Criterion } from '../vocabulary/criterion.js'
import type { Protocol } from '../protocol/protocol.js'

/** Which digits a referral must name: fingers where finger joints are guarded, the thumb where only it is. */
export type DigitsAsked = 'fingers' | 'thumb' | 'none'

/** @param condition - of the protocol; one that names no digits guards them all */
export function digitsAsked(protocol: Protocol, condition: Pick<Condition, 'namesDigits'>): DigitsAsked {
  if (!condition.namesDigits) return 'none'
  const guarded = [...protocol.guard, ...(protocol.guard.size === 0 ? protocol.strengthMotions : [])]
  if (guarded.some((motion) => /^(mcp|pip|dip)\./.test(motion))) return 'fingers'
  return guarded.some((motion) => motion.startsWith('thumb')) ? 'thumb' : 'none'
}

/** Clearances that a referral letter may bring for this school: the surgeon's flags its phases, gates and selection name. */
export function surgeonsClearances(protocol: Protocol): Criterion[] {
  const all = [
    ...protocol.select,
    ...protocol.phases.flatMap((phase) => phase.entry),
    ...protocol.phases.flatMap((phase) => [...phase.allow, ...phase.caution].flatMap((rule) => rule.needs)),
    ...protocol.gates.flatMap((gate) => gate.needs),
  ]
  return all.filter(
    (criterion, place) =>
      criterion.kind === 'flag' &&
      giverOf(criterion.text) === 'surgeon' &&
      all.findIndex((other) => other.text === criterion.text) === place,
  )
}

/** Whether days count anew after the orthosis slipped. */
export function hasSlipClock(protocol: Protocol): boolean {
  return protocol.clock !== null
}
