import type { Protocol, Rule } from '../protocol/protocol.js'
import type { Atom } from './atoms.js'
import { ruleSpeaksOf } from './matching.js'

/** The rules of a protocol that speak about an atom, its form apart. */
export interface RulesOnAtom {
  readonly never: readonly Rule[]
  /** By phase. */
  readonly forbid: readonly (readonly Rule[])[]
  /** Allow and caution rules with the phase that brings them, and gates with the phase they belong to. */
  readonly permissions: readonly { readonly rule: Rule; readonly phaseIndex: number }[]
}

const found = new WeakMap<Protocol, Map<string, RulesOnAtom>>()

/** Rules by what they speak about, remembered for each protocol: a protocol never changes. */
export function rulesOnAtom(protocol: Protocol, atom: Atom): RulesOnAtom {
  let known = found.get(protocol)
  if (!known) found.set(protocol, (known = new Map()))
  const key = keyOf(atom)
  let rules = known.get(key)
  if (!rules) {
    const speaking = (list: readonly Rule[]) => list.filter((rule) => ruleSpeaksOf(rule, atom))
    rules = {
      never: speaking(protocol.never),
      forbid: protocol.phases.map((phase) => speaking(phase.forbid)),
      permissions: [
        ...protocol.phases.flatMap((phase, phaseIndex) =>
          speaking([...phase.allow, ...phase.caution]).map((rule) => ({ rule, phaseIndex })),
        ),
        ...speaking(protocol.gates).map((rule) => ({ rule, phaseIndex: phaseOfGate(rule, atom, protocol) })),
      ],
    }
    known.set(key, rules)
  }
  return rules
}

/**
 * The phase in whose days a gate lies: until the case stands there, the gate opens nothing (vocabulary 5.5.1). Light use of the hand
 * waits for no phase where no tissue heals: days count from the first visit or a flare.
 */
export function phaseOfGate(gate: Rule, atom: Atom, { phases, anchor }: Protocol): number {
  const isLightUse = atom.kind === 'act' && atom.act === 'adl_light'
  if (isLightUse && (anchor === 'first_visit' || anchor === 'flare_start')) return -1
  return Math.max(
    0,
    phases.findLastIndex(({ days }) => days[0] <= gate.from),
  )
}

function keyOf(atom: Atom): string {
  switch (atom.kind) {
    case 'motion':
      return `motion ${atom.mode} ${atom.motion}`
    case 'combo':
      return `combo ${atom.mode} ${atom.combo}`
    case 'grip':
      return `grip ${atom.grip}`
    case 'kg':
      return 'kg'
    case 'test':
      return `test ${atom.test}`
    case 'act':
      return `act ${atom.act}`
    case 'stress':
      return `stress ${atom.stress}`
    case 'nerve':
      return `nerve ${atom.nerve} ${atom.technique}`
    case 'technique':
      return `technique ${atom.technique}`
  }
}
