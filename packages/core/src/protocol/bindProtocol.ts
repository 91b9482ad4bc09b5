import { CoreError } from '../errors.js'
import type { Arcs } from '../vocabulary/vocabulary.js'
import { mapRules, type Protocol, type Rule } from './protocol.js'
import { variableEndDeg } from './readRule.js'
import { shiftProtocol } from './shiftProtocol.js'

/** What makes a protocol this patient's: the variant, the values set per patient, and windows moved with a reason. */
export interface Binding {
  readonly variant: string | null
  readonly values: Readonly<Record<string, number>>
  /** `[days, after-day]`, applied in order. */
  readonly shifts: readonly (readonly [days: number, after: number])[]
}

export const UNBOUND: Binding = { variant: null, values: {}, shifts: [] }

/**
 * A protocol with one patient's variant, values and window shifts worked in. Values come first, then the variant's
 * shift, then the patient's own.
 *
 * @throws CoreError `DOCUMENT_INVALID` for a variant or value the protocol does not know, or a value out of its range
 */
export function bindProtocol(protocol: Protocol, binding: Binding): Protocol {
  const refuse = (path: string, message: string): never => {
    throw new CoreError('DOCUMENT_INVALID', path, message)
  }
  for (const [name, value] of Object.entries(binding.values)) {
    const known = Object.hasOwn(protocol.variables, name) ? protocol.variables[name]! : null
    if (!known)
      refuse(
        `vars.${name}`,
        `Expected a value ${protocol.id} knows (${namesOf(protocol.variables)}), found "${name}".`,
      )
    const [least, most] = known!.range
    if (!Number.isFinite(value) || value < least || value > most)
      refuse(`vars.${name}`, `Expected a number from ${least} to ${most}, found ${value}.`)
  }
  let bound = Object.keys(binding.values).length > 0 ? withValues(protocol, binding.values) : protocol
  if (binding.variant !== null) {
    const variant = Object.hasOwn(protocol.variants, binding.variant)
      ? protocol.variants[binding.variant]!
      : refuse(
          'variant',
          `Expected a variant of ${protocol.id} (${namesOf(protocol.variants)}), found "${binding.variant}".`,
        )
    bound = shiftProtocol(bound, variant.windowShiftDays, variant.after)
  }
  for (const [days, after] of binding.shifts) bound = shiftProtocol(bound, days, after)
  return bound
}

function namesOf(record: Readonly<Record<string, unknown>>): string {
  return Object.keys(record).join(', ') || 'none'
}

function withValues(protocol: Protocol, values: Readonly<Record<string, number>>): Protocol {
  const valued = (rule: Rule): Rule => {
    if (rule.variableEnds.length === 0) return rule
    const set = (of: 'arc' | 'beyond', arcs: Arcs | null): Arcs | null => {
      if (arcs === null) return null
      const ends = rule.variableEnds.filter((end) => end.of === of)
      return ends.reduce<Arcs>((changed, end) => {
        const value = values[end.variable] ?? protocol.variables[end.variable]!.value
        return { ...changed, [end.axis]: [variableEndDeg(end, value), changed[end.axis]![1]] }
      }, arcs)
    }
    return { ...rule, arc: set('arc', rule.arc), beyond: set('beyond', rule.beyond) }
  }
  return mapRules(protocol, valued)
}
