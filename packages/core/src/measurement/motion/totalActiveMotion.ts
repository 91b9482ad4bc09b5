import {
  endsOf,
  extensionDeficitDeg,
  hyperextensionDeg,
  jointReading,
  type HingeJoint,
  type JointState,
} from '../../anatomy/jointReading.js'

/** Joints of one digit, measured in one composite fist and one composite extension, all active or all passive. */
export interface DigitMotion {
  readonly mcp: JointState
  readonly pip: JointState
  readonly dip: JointState
}
/** A thumb has no PIP: its MCP and IP joints count. */
export interface ThumbMotion {
  readonly mcp: JointState
  readonly ip: JointState
}

export interface TotalMotion {
  readonly totalDeg: number | null
  /** Joints that make it unknown. */
  readonly missing: readonly string[]
}

interface Options {
  /** Subtracts hyperextension like a deficit. Off by default: the definition names it without a limit. */
  readonly isHyperextensionSubtracted?: boolean
}

/**
 * Total motion of a finger: flexion of MCP, PIP and DIP less what they lack in extension. Active readings give TAM,
 * passive ones TPM. Hyperextension counts as 0. A fused joint counts with its angle at both ends; a joint absent or not
 * measured makes the sum unknown, never smaller. Readings of single joints, not of a composite fist, overstate it.
 *
 * Source: KLEINERT-VERDAN-1983 (high).
 *
 * @throws CoreError for a reading no joint can give, with the joint in the path
 * @example
 * totalMotion({ mcp: r(85, 0), pip: r(95, 15), dip: r(50, 5) }).totalDeg // => 210
 */
export function totalMotion(digit: DigitMotion, options: Options = {}): TotalMotion {
  return sumOf(
    [
      ['mcp', 'mcp', digit.mcp],
      ['pip', 'pip', digit.pip],
      ['dip', 'dip', digit.dip],
    ],
    options,
  )
}

/** Total motion of a thumb: MCP and IP. Normal 130 to 140°. Source: KLEINERT-VERDAN-1983 (high). */
export function totalThumbMotion(thumb: ThumbMotion, options: Options = {}): TotalMotion {
  return sumOf(
    [
      ['mcp', 'thumbMcp', thumb.mcp],
      ['ip', 'thumbIp', thumb.ip],
    ],
    options,
  )
}

function sumOf(
  joints: readonly (readonly [name: string, joint: HingeJoint, state: JointState])[],
  { isHyperextensionSubtracted = false }: Options,
): TotalMotion {
  let totalDeg = 0
  const missing: string[] = []
  for (const [name, joint, state] of joints) {
    const ends = endsOf(state)
    if (!ends) {
      missing.push(name)
      continue
    }
    jointReading(joint, ends, name)
    const beyond = isHyperextensionSubtracted ? hyperextensionDeg(ends) : 0
    totalDeg += ends.flexedEndDeg - extensionDeficitDeg(ends) - beyond
  }
  return { totalDeg: missing.length > 0 ? null : totalDeg, missing }
}
