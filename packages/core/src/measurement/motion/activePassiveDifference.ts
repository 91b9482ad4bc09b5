import { extensionDeficitDeg, type JointReading } from '../../anatomy/jointReading.js'
import { contradiction } from '../../anatomy/checked.js'

export interface ActivePassiveDifference {
  /** Passive flexion beyond active: a tendon that does not pull, adhesion, weakness, pain. Negative within error. */
  readonly flexionLagDeg: number
  /** Active deficit beyond the passive one. It is never stretched. */
  readonly extensionLagDeg: number
  /** Passive deficit: joint or soft tissue. */
  readonly flexionContractureDeg: number
  /** Active readings beyond the passive ones by more than measurement error: measure again. */
  readonly needsAnotherLook: boolean
}

/**
 * Lag told apart from contracture, of one joint on one day. Unknown while active or passive was not measured.
 *
 * @param mdcDeg - change that is beyond measurement error for this joint
 * @throws CoreError `MEASUREMENT_INCONSISTENT` where an end is swapped
 * @example
 * activePassiveDifference(r(80, 25), r(100, 0), 5) // => flexion lag 20, extension lag 25, contracture 0
 */
export function activePassiveDifference(
  active: JointReading | null,
  passive: JointReading | null,
  mdcDeg: number,
): ActivePassiveDifference | null {
  if (!active || !passive) return null
  for (const [path, reading] of [['active', active] as const, ['passive', passive] as const])
    if (reading.flexedEndDeg < reading.extendedEndDeg)
      contradiction(
        path,
        'The joint flexes less than it lacks in extension. Check that the two were not swapped.',
      )
  const flexionLagDeg = passive.flexedEndDeg - active.flexedEndDeg
  const extensionLagDeg = active.extendedEndDeg - passive.extendedEndDeg
  return {
    flexionLagDeg,
    extensionLagDeg,
    flexionContractureDeg: extensionDeficitDeg(passive),
    needsAnotherLook: flexionLagDeg < -mdcDeg || extensionLagDeg < -mdcDeg,
  }
}
