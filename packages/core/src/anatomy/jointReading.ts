import { contradiction, within } from './checked.js'

/**
 * Both ends of a hinge joint's motion in degrees: flexion +, neutral 0, hyperextension −. A joint that lacks 15° of
 * extension has `extendedEndDeg` 15; one that hyperextends by 12° has −12.
 */
export interface JointReading {
  readonly flexedEndDeg: number
  readonly extendedEndDeg: number
}

/** What is known about a joint: a reading, fused at an angle, absent, or `null` = not measured. */
export type JointState = JointReading | { readonly fusedAtDeg: number } | 'absent' | null

/** Readings outside `hard` are refused, outside `soft` asked about. Source: PLEDGE-DECISION (common practice). */
export const JOINT_READING_LIMITS = {
  mcp: { hard: [-60, 120], soft: [-45, 100] },
  pip: { hard: [-40, 130], soft: [-20, 115] },
  dip: { hard: [-40, 110], soft: [-20, 90] },
  thumbMcp: { hard: [-60, 90], soft: [-30, 75] },
  thumbIp: { hard: [-50, 110], soft: [-30, 90] },
  elbow: { hard: [-25, 165], soft: [-15, 150] },
} as const satisfies Record<string, { hard: readonly [number, number]; soft: readonly [number, number] }>
export type HingeJoint = keyof typeof JOINT_READING_LIMITS

/**
 * A reading that a joint can give.
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` outside the hard limits; `MEASUREMENT_INCONSISTENT` where it flexes less
 *   than it lacks in extension
 */
export function jointReading(joint: HingeJoint, reading: JointReading, path: string = joint): JointReading {
  const { hard } = JOINT_READING_LIMITS[joint]
  within(reading.flexedEndDeg, `${path}.flexedEndDeg`, hard, 'degrees')
  within(reading.extendedEndDeg, `${path}.extendedEndDeg`, hard, 'degrees')
  if (reading.flexedEndDeg < reading.extendedEndDeg)
    contradiction(
      `${path}.flexedEndDeg`,
      `The joint flexes to ${reading.flexedEndDeg}° but extends only to ${reading.extendedEndDeg}°. Check that the two were not swapped.`,
    )
  return reading
}

/** Ends of a joint's motion; a fused joint has one. Unknown for an absent joint or one not measured. */
export function endsOf(joint: JointState): JointReading | null {
  if (joint === null || joint === 'absent') return null
  return 'fusedAtDeg' in joint ? { flexedEndDeg: joint.fusedAtDeg, extendedEndDeg: joint.fusedAtDeg } : joint
}

/** Degrees short of neutral, 0 for a joint that reaches or passes it. */
export function extensionDeficitDeg({ extendedEndDeg }: Pick<JointReading, 'extendedEndDeg'>): number {
  return Math.max(0, extendedEndDeg)
}

/** Degrees beyond neutral, 0 for a joint that does not reach it. */
export function hyperextensionDeg({ extendedEndDeg }: Pick<JointReading, 'extendedEndDeg'>): number {
  return Math.max(0, -extendedEndDeg)
}
