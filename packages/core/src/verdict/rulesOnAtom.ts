import type { Protocol, Rule } from '../protocol/protocol.js'
import * as words from '../vocabulary/vocabulary.js'
import type { Atom } from './atoms.js'
import { ruleBars, ruleSpeaksOf } from './matching.js'

/** The rules of a protocol that speak about an atom, its form apart. */
export interface RulesOnAtom {
  readonly never: readonly Rule[]
  /** By phase. */
  readonly forbid: readonly (readonly Rule[])[]
  /** Allow and caution rules with the phase that brings them, and gates with the phase they belong to. */
  readonly permissions: readonly Permission[]
}

export interface Permission {
  readonly rule: Rule
  readonly phaseIndex: number
  /** Grips through which a gate speaks about a motion: only in an exercise that has one of them. `null`: it speaks by itself. */
  readonly throughGrips: readonly words.Grip[] | null
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
    const barring = (list: readonly Rule[]) => list.filter((rule) => ruleBars(rule, atom))
    rules = {
      never: barring(protocol.never),
      forbid: protocol.phases.map((phase) => barring(phase.forbid)),
      permissions: [
        ...protocol.phases.flatMap((phase, phaseIndex) =>
          speaking([...phase.allow, ...phase.caution]).map((rule) => ({
            rule,
            phaseIndex,
            throughGrips: null,
          })),
        ),
        ...protocol.gates.flatMap((rule): Permission[] => {
          const grips = ruleSpeaksOf(rule, atom) ? null : gripsBringing(rule, atom)
          if (grips?.length === 0) return []
          return [{ rule, phaseIndex: phaseOfGate(rule, atom, protocol), throughGrips: grips }]
        }),
      ],
    }
    known.set(key, rules)
  }
  return rules
}

/** The grips a gate names that bring a loaded motion along (vocabulary 5.5.11). */
function gripsBringing(gate: Rule, atom: Atom): words.Grip[] {
  if ((atom.kind !== 'motion' && atom.kind !== 'combo') || (atom.mode !== 'I' && atom.mode !== 'R')) return []
  return gate.gripsNamed.filter((grip) =>
    atom.kind === 'combo'
      ? words.GRIP_COMBOS.includes(atom.combo)
      : words.GRIP_MOTIONS[grip].includes(atom.motion),
  )
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

/** An atom never changes either: its key is put together once. */
const keys = new WeakMap<Atom, string>()

function keyOf(atom: Atom): string {
  let key = keys.get(atom)
  if (key === undefined) keys.set(atom, (key = writtenKey(atom)))
  return key
}

function writtenKey(atom: Atom): string {
  switch (atom.kind) {
    case 'motion':
      return `motion ${atom.mode} ${atom.motion}`
    case 'combo':
      return `combo ${atom.mode} ${atom.combo}`
    case 'hold':
      return `hold ${atom.motion}`
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
