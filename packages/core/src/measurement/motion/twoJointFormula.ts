import { reaches } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'
import { extensionDeficitDeg, jointReading, type JointReading } from '../../anatomy/jointReading.js'

/** Normal sum of active PIP and DIP flexion. */
export const NORMAL_IP_ARC = published(175, 'degrees', 'STRICKLAND-GLOGOVAC-1980', 'high')

/** Shares of the normal arc from which a result is excellent, good, fair. */
export const TWO_JOINT_BANDS = {
  original: published([85, 70, 50] as const, 'percent', 'STRICKLAND-GLOGOVAC-1980', 'high'),
  adjusted: published([75, 50, 25] as const, 'percent', 'STRICKLAND-1985', 'high'),
} as const

export type TwoJointGrade = 'excellent' | 'good' | 'fair' | 'poor'
export interface GradedTwoJoints {
  readonly arcDeg: number
  readonly percent: number
  readonly original: TwoJointGrade
  readonly adjusted: TwoJointGrade
}

/**
 * Result after a flexor tendon repair: active flexion of PIP and DIP less their deficits, as a share of 175°. Of a finger
 * only; hyperextension counts as 0, more than 100 % is possible. Graded on the unrounded share; papers that grade on
 * degrees differ near the borders. Unknown while one joint was not measured.
 *
 * @throws CoreError for a reading no joint can give
 */
export function twoJointResult(pip: JointReading | null, dip: JointReading | null): GradedTwoJoints | null {
  if (!pip || !dip) return null
  jointReading('pip', pip, 'pip')
  jointReading('dip', dip, 'dip')
  const arcDeg = pip.flexedEndDeg + dip.flexedEndDeg - extensionDeficitDeg(pip) - extensionDeficitDeg(dip)
  const percent = (100 * arcDeg) / NORMAL_IP_ARC.value
  const graded = ([excellent, good, fair]: readonly [number, number, number]): TwoJointGrade =>
    reaches(percent, excellent)
      ? 'excellent'
      : reaches(percent, good)
        ? 'good'
        : reaches(percent, fair)
          ? 'fair'
          : 'poor'
  return {
    arcDeg,
    percent,
    original: graded(TWO_JOINT_BANDS.original.value),
    adjusted: graded(TWO_JOINT_BANDS.adjusted.value),
  }
}
