import { Matrix4, Quaternion, Vector3 } from 'three'
import type { Frame } from './handFrames.js'

/** Joints above the forearm, in degrees and with the signs of the catalogue. */
export interface BodyAngles {
  readonly elbowFlexion: number
  readonly shoulderFlexion: number
  readonly shoulderAbduction: number
  readonly shoulderInternalRotation: number
  /** Toward the exercised arm +. */
  readonly neckSideBend: number
}

/** Sizes of the drawn upper body, mm; y up, it looks along +z, its own left is +x. For the drawing only. */
export const BODY_MM = {
  shoulder: { x: 160, y: 1372, z: -5 },
  upperArm: 285,
  forearm: 250,
  neckBase: { x: 0, y: 1425, z: -12 },
  neck: 86,
} as const

export interface BodyFrames {
  readonly shoulder: Frame
  /** Where the forearm and hand are hung: the frame `handFrames` counts from, its origin at the wrist. */
  readonly forearm: Frame
  readonly elbow: Vector3
  readonly neck: Frame
  readonly head: Frame
}

const RADIANS = Math.PI / 180
const about = (x: number, y: number, z: number, degrees: number) =>
  new Quaternion().setFromAxisAngle(new Vector3(x, y, z), degrees * RADIANS)
/** With the upper arm hanging and the elbow at 90° the forearm points forward and its +x, the thumb's side, up. */
const FORWARD = new Quaternion().setFromRotationMatrix(
  new Matrix4().makeBasis(new Vector3(0, 1, 0), new Vector3(1, 0, 0), new Vector3(0, 0, -1)),
)
/** Shares of a side bend that the neck takes; the head takes the rest. */
const NECK_SHARE = 0.55

/** Forward kinematics of the left arm and the head, mm. */
export function bodyFrames(angles: BodyAngles): BodyFrames {
  // The shoulder blade goes along: from 30° to 90° of abduction the joint rises and moves in.
  const lifted = Math.min(1, Math.max(0, (angles.shoulderAbduction - 30) / 60))
  const { shoulder: at, neckBase } = BODY_MM
  const shoulder: Frame = {
    at: new Vector3(at.x - 10 * lifted, at.y + 22 * lifted, at.z),
    turn: about(0, 0, 1, angles.shoulderAbduction)
      .multiply(about(1, 0, 0, -angles.shoulderFlexion))
      .multiply(about(0, 1, 0, -angles.shoulderInternalRotation)),
  }
  const elbow = new Vector3(0, -BODY_MM.upperArm, 0).applyQuaternion(shoulder.turn).add(shoulder.at)
  const turn = shoulder.turn
    .clone()
    .multiply(about(1, 0, 0, 90 - angles.elbowFlexion))
    .multiply(FORWARD)
  const forearm: Frame = {
    at: new Vector3(0, 0, -BODY_MM.forearm).applyQuaternion(turn).add(elbow),
    turn,
  }
  const neck: Frame = {
    at: new Vector3(neckBase.x, neckBase.y, neckBase.z),
    turn: about(0, 0, 1, -angles.neckSideBend * NECK_SHARE),
  }
  const head: Frame = {
    at: new Vector3(0, BODY_MM.neck, 0).applyQuaternion(neck.turn).add(neck.at),
    turn: about(0, 0, 1, -angles.neckSideBend),
  }
  return { shoulder, forearm, elbow, neck, head }
}
