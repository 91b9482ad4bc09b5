import { mapRules, type Protocol, type Rule } from './protocol.js'

/** Where a day lies after a shift: only days later than `after` move, and none of them to before it. */
export function shiftedDay(day: number, days: number, after: number): number {
  return day > after ? Math.max(0, after, day + days) : day
}

/**
 * A protocol with its windows moved: every start, end, `from` and `until` later than a day moves by a number of days.
 * Starts never cross day 0, and nothing that lay later than `after` comes to lie before it: a shift cannot open the past.
 *
 * @param days - how far; negative brings windows forward
 * @param after - only windows later than this day move
 */
export function shiftProtocol(protocol: Protocol, days: number, after: number): Protocol {
  const moved = (day: number) => shiftedDay(day, days, after)
  const movedRule = (rule: Rule): Rule => ({
    ...rule,
    from: moved(rule.from),
    until: rule.until === null ? null : moved(rule.until),
  })
  const withRules = mapRules(protocol, movedRule)
  return {
    ...withRules,
    phases: withRules.phases.map((phase) => ({
      ...phase,
      days: [moved(phase.days[0]), phase.days[1] === null ? null : moved(phase.days[1])],
    })),
  }
}
