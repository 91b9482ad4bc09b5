import type { Arc, Axis } from './vocabulary.js'

/** Where a joint rests, in degrees: kept still elsewhere, it is held. Source: vocabulary 5.5.6, common practice. */
export const RESTING_RANGE: Readonly<Partial<Record<Axis, Arc>>> = {
  wrist: [-30, 15],
  forearm: [-30, 30],
  elbow: [30, 110],
  mcp: [0, 60],
  pip: [10, 70],
  dip: [0, 40],
}

/** Degrees below which a joint is hyperextended, which rules name apart. Source: derivation, common practice. */
export const HYPEREXTENDED_BELOW_DEG: Readonly<Partial<Record<Axis, number>>> = {
  mcp: -20,
  pip: -5,
  dip: -5,
  thumbMcp: -5,
  thumbIp: -5,
}
