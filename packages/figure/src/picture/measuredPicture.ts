import type { PictureView, Pose } from '@pledge/core'
import { BONES, type Bone } from '../hand/bones.js'
import { figurePose } from '../pose/figurePose.js'
import type { Picture } from './pictureOf.js'

/**
 * A measured position: the patient's own reading, with the other side or the goal as a ghost behind it. What was not
 * measured is at rest and named in `unknown`, so that it can be drawn as unknown.
 *
 * @param reading - the joints that were read; empty when nothing was
 * @param ghost - the other side's or the goal's reading of the same joints; `null` when there is none
 */
export function measuredPicture(
  reading: Pose,
  ghost: Pose | null,
  view: PictureView,
): { picture: Picture; unknown: Bone[] } {
  const hasWrist = reading.wristFlexion !== undefined || reading.wristUlnarDeviation !== undefined
  const hasForearm = reading.forearmSupination !== undefined
  const unknown = BONES.filter((bone) => {
    if (bone === 'elbowEnd') return false
    if (bone === 'forearm') return !hasForearm && !hasWrist
    if (bone === 'hand' || bone.endsWith('Metacarpal')) return !hasWrist && !hasForearm
    return reading.mcpFlexion === undefined
  })
  const drawn = figurePose(reading)
  return {
    picture: {
      isBody: false,
      isNear: false,
      start: ghost ? figurePose(ghost) : drawn,
      shapes: [drawn],
      view,
      moving: [],
      followed: 'middle',
      inTurn: [],
      helper: 'none',
      push: 'none',
      props: [],
      worn: 'none',
      clipped: [],
      isAtRest: ghost === null,
      isToAndFro: false,
    },
    unknown,
  }
}
