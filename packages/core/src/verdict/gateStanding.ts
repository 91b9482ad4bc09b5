import type { Criterion } from '../vocabulary/criterion.js'
import type { Said } from '../words/names.js'
import type { Rule, Target } from '../protocol/protocol.js'
import { standingOf, type CaseOnDay } from './caseOnDay.js'
import { entriesUpTo, neededBy } from './judgeAtom.js'
import { phaseOfGate } from './rulesOnAtom.js'
import { atomsOf } from './atoms.js'
import { judgeCase, toldCase } from './judgeCase.js'
import { IDLE_SIGNATURE, type Signature } from '../exercise/signature.js'
import { distinctCriteria, distinctSaid, isOpen } from './verdict.js'

/** How a gate of a protocol stands in a case today. */
export interface GateStanding {
  readonly gate: Rule
  /** Everything the gate names may be done today, at its limit. */
  readonly isOpen: boolean
  /** Its own criteria and the load base that are not met; once its day has come, those of the phases up to its own as well. */
  readonly missing: readonly Criterion[]
  /** What else keeps it shut once its day has come: a red flag, an order, a phase that is held, an end of the window. */
  readonly barredBy: readonly Said[]
}

/**
 * Whether each gate of a case's protocol is open: asked of the same engine as an exercise, each thing the gate names at its
 * limit, so that locks, orders, `until`, the load base, a school in doubt and bans of the phase all count.
 */
export function gateStandings(state: CaseOnDay): GateStanding[] {
  return state.protocol.gates.map((gate) => gateStanding(gate, state))
}

function gateStanding(gate: Rule, state: CaseOnDay): GateStanding {
  const standing = standingOf(state)
  const { effectiveDay, facts } = standing
  const hasCome = effectiveDay >= gate.from
  const probes = gate.targets.flatMap((target) => probesOf(gate, target))
  const { protocol } = state
  const needs = probes
    .flatMap(atomsOf)
    .flatMap((atom) => [
      ...(hasCome ? entriesUpTo(phaseOfGate(gate, atom, protocol), protocol, standing) : []),
      ...neededBy(gate, atom),
    ])
  const missing = distinctCriteria(needs.filter((criterion) => facts.status(criterion).name !== 'met'))
  const closed = probes.map((probe) => judgeCase(probe, state)).filter(({ kind }) => !isOpen(kind))
  // What is missing is told by itself; a stop that no record lifts is told besides.
  const barring = hasCome
    ? closed.filter(({ stop }) => stop?.missing?.length === 0 || missing.length === 0)
    : []
  const isOver = gate.until !== null && effectiveDay >= gate.until
  return {
    gate,
    isOpen: hasCome && !isOver && closed.length === 0,
    missing,
    barredBy: distinctSaid(barring.flatMap((one) => toldCase(one).reasons.map(({ text }) => text))),
  }
}

/** What a target of a gate lets one do, at its limit, each as a thing of its own. */
function probesOf(gate: Rule, target: Target): Signature[] {
  const as = (part: Partial<Signature>): Signature => ({
    ...IDLE_SIGNATURE,
    name: gate.id,
    posture: gate.posture,
    orthosis: gate.inOrthosis?.[0] ?? 'none',
    ...part,
  })
  switch (target.kind) {
    case 'motion':
      return [
        as({
          motions: [{ modes: target.modes, motions: [...target.motions], arc: gate.arc, res: gate.res }],
        }),
      ]
    case 'combo':
      return target.combos.flatMap((combo) =>
        (target.modes ?? ['A']).map((mode) => as({ combos: [{ combo, mode, res: gate.res }] })),
      )
    case 'grip':
      return target.grips.map((grip) => as({ grips: [{ grip, res: gate.res }] }))
    case 'kg':
      return [as({ kg: target.kg })]
    case 'test':
      return target.tests.map((test) => as({ tests: [test] }))
    case 'act':
      return target.acts.map((act) => as({ acts: [act] }))
    case 'stress':
      return target.stresses.map((stress) => as({ stress: [stress] }))
    case 'nerve':
      return target.nerves.flatMap((nerve) =>
        target.techniques.map((technique) => as({ nerve: [{ nerve, technique }] })),
      )
    case 'technique':
      return target.techniques.map((technique) => as({ technique: [technique] }))
  }
}
