import { UNBOUND, bindProtocol, type Binding } from '../protocol/bindProtocol.js'
import type { Protocol } from '../protocol/protocol.js'
import type { Motion } from '../vocabulary/vocabulary.js'
import { openingDay } from './assess.js'
import { unhinderedCase } from './caseOnDay.js'
import { IDLE_SIGNATURE, type Signature } from '../exercise/signature.js'

/** First days a school opens, with every criterion met: what tells schools apart. `null`: never by time. */
export interface SchoolPreview {
  readonly motion: Motion
  readonly activeFromDay: number | null
  readonly passiveFromDay: number | null
  readonly stretchFromDay: number | null
  readonly lightGripFromDay: number | null
  readonly heavyWorkFromDay: number | null
}

/** Guarded motions by how well they tell a school, best first. */
const TELLING: readonly Motion[] = [
  'pip.flex',
  'mcp.flex',
  'dip.flex',
  'thumbIp.flex',
  'thumbMcp.flex',
  'thumbCmc.pabd',
  'wrist.flex',
  'forearm.sup',
  'elbow.flex',
]

/** The first days of a school for a side-by-side comparison, without orthosis and through the full range. */
export function schoolPreview(protocol: Protocol, binding: Binding = UNBOUND): SchoolPreview {
  const bound = bindProtocol(protocol, binding)
  const motion =
    TELLING.find((one) => bound.guard.has(one)) ??
    TELLING.find((one) => bound.strengthMotions.has(one)) ??
    'wrist.flex'
  const state = unhinderedCase(bound)
  const from = (signature: Partial<Signature>) => openingDay({ ...IDLE_SIGNATURE, ...signature }, state)
  const moved = (mode: 'A' | 'P' | 'S') =>
    from({ motions: [{ modes: [mode], motions: [motion], arc: null, res: null }] })
  return {
    motion,
    activeFromDay: moved('A'),
    passiveFromDay: moved('P'),
    stretchFromDay: moved('S'),
    lightGripFromDay: from({ grips: [{ grip: 'cyl', res: 1 }] }),
    heavyWorkFromDay: from({ acts: ['work_manual'] }),
  }
}
