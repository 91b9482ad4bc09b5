import type { PictureView, Pose } from '@pledge/core'
import { BONES, type Bone, FINGERS, type Finger } from '../hand/bones.js'
import { type FigurePose, figurePose } from '../pose/figurePose.js'
import type { Picture } from './pictureOf.js'

/** Joints that were read, each finger by itself; what is left out was not. Degrees, signs of the catalogue. */
export interface MeasuredHand {
  readonly pose?: Pose
  readonly fingers?: Readonly<Partial<Record<Finger, { mcp?: number; pip?: number; dip?: number }>>>
  readonly thumb?: {
    readonly mcp?: number
    readonly ip?: number
    readonly radial?: number
    readonly palmar?: number
  }
}

/**
 * A measured position: the patient's own reading, with the other side or the goal as a ghost behind it. What was not
 * measured is at rest and named in `unknown`, so that it can be drawn as unknown.
 *
 * @param reading - the joints that were read; empty when nothing was
 * @param isNear - the hand alone, from close by
 * @param ghost - the other side's or the goal's reading of the same joints; `null` when there is none
 */
export function measuredPicture(
  reading: MeasuredHand,
  ghost: MeasuredHand | null,
  view: PictureView,
  isNear = false,
): { picture: Picture; unknown: Bone[] } {
  const { pose = {} } = reading
  const hasForearm = pose.forearmSupination !== undefined
  const hasWrist = pose.wristFlexion !== undefined || pose.wristUlnarDeviation !== undefined
  const isHandKnown = hasForearm || hasWrist || reading.fingers !== undefined || reading.thumb !== undefined
  const unknown = BONES.filter((bone) => {
    if (bone === 'elbowEnd') return false
    if (bone === 'forearm' || bone === 'hand') return !isHandKnown
    return bone.startsWith('thumb')
      ? isThumbUnknown(bone, reading)
      : isFingerUnknown(bone, reading, isHandKnown)
  })
  const drawn = measuredPose(reading)
  return {
    picture: {
      isBody: false,
      isNear,
      start: ghost ? measuredPose(ghost) : drawn,
      shapes: [drawn],
      view,
      moving: [],
      followed: isNear ? 'hand' : 'middle',
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

function isThumbUnknown(bone: Bone, { pose = {}, thumb = {} }: MeasuredHand): boolean {
  if (bone === 'thumbMetacarpal') return thumb.radial === undefined && thumb.palmar === undefined
  const [hinge, stated] =
    bone === 'thumbProximal' ? (['mcp', 'thumbMcpFlexion'] as const) : (['ip', 'thumbIpFlexion'] as const)
  return thumb[hinge] === undefined && pose[stated] === undefined
}

const SEGMENT_HINGES = { Proximal: 'mcp', Middle: 'pip', Distal: 'dip' } as const
function isFingerUnknown(
  bone: Bone,
  { pose = {}, fingers = {} }: MeasuredHand,
  isHandKnown: boolean,
): boolean {
  const finger = FINGERS.find((one) => bone.startsWith(one))!
  const segment = bone.slice(finger.length)
  if (segment === 'Metacarpal') return !isHandKnown
  const hinge = SEGMENT_HINGES[segment as keyof typeof SEGMENT_HINGES]
  return fingers[finger]?.[hinge] === undefined && pose[`${hinge}Flexion`] === undefined
}

function measuredPose({ pose = {}, fingers = {}, thumb = {} }: MeasuredHand): FigurePose {
  const rest = figurePose(pose)
  const own = FINGERS.map((finger) => [finger, { ...rest.fingers[finger], ...fingers[finger] }] as const)
  return {
    ...rest,
    fingers: Object.fromEntries(own) as FigurePose['fingers'],
    thumb: { ...rest.thumb, ...thumb },
  }
}
