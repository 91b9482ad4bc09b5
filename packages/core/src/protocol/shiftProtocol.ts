import type { Protocol, Rule } from './protocol.js'

/**
 * A protocol with its windows moved: every start, end, `from` and `until` later than a day moves by a number of days.
 * Starts never cross day 0.
 *
 * @param days - how far; negative brings windows forward
 * @param after - only windows later than this day move
 */
export function shiftProtocol(protocol: Protocol, days: number, after: number): Protocol {
  const moved = (day: number) => (day > after ? Math.max(0, day + days) : day)
  const movedRule = (rule: Rule): Rule => ({
    ...rule,
    from: moved(rule.from),
    until: rule.until === null ? null : moved(rule.until),
  })
  return {
    ...protocol,
    never: protocol.never.map(movedRule),
    gates: protocol.gates.map(movedRule),
    phases: protocol.phases.map((phase) => ({
      ...phase,
      days: [moved(phase.days[0]), phase.days[1] === null ? null : moved(phase.days[1])],
      allow: phase.allow.map(movedRule),
      caution: phase.caution.map(movedRule),
      forbid: phase.forbid.map(movedRule),
    })),
  }
}
