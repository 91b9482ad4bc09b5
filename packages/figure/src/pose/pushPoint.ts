import type { PicturePush } from '@pledge/core'
import { Vector3 } from 'three'
import type { Bone } from '../hand/bones.js'
import type { HandFrames } from './handFrames.js'

/** How long the arrow of a push is, mm, and how far the arrow of a turn goes about the forearm, degrees. */
const PUSH_MM = 46
const TURN_DEG = 70
/** How far outside the forearm's axis the arrow of a turn runs, mm. */
const TURN_RADIUS_MM = 58

const RADIANS = Math.PI / 180

/** Where each push starts (bone and place in it, mm) and which way it goes, in the frame of the hand. */
const PUSHES: Readonly<
  Record<
    Exclude<PicturePush, 'none' | 'palm-up' | 'palm-down'>,
    { bone: Bone; at: readonly [number, number, number]; way: readonly [number, number, number] }
  >
> = {
  'to-back': { bone: 'middleProximal', at: [0, 6, -4], way: [0, 1, 0] },
  'to-palm': { bone: 'middleProximal', at: [0, -8, -4], way: [0, -1, 0] },
  'to-little': { bone: 'littleProximal', at: [-4, 0, 0], way: [-1, 0, 0] },
  'to-thumb': { bone: 'indexProximal', at: [4, 0, -20], way: [1, 0, 0] },
  'thumb-forward': { bone: 'thumbProximal', at: [0, 0, -10], way: [0.25, -1, 0] },
  dart: { bone: 'indexProximal', at: [2, 4, -10], way: [0.7, 0.7, 0] },
}

/** A point of the arrow that shows a push, from where it starts (0) to its end (1), in the frame of the forearm. */
export function pushPoint(push: Exclude<PicturePush, 'none'>, frames: HandFrames, time: number): Vector3 {
  if (push === 'palm-up' || push === 'palm-down') {
    const angle = (push === 'palm-up' ? 1 : -1) * (time - 0.5) * TURN_DEG * RADIANS
    return new Vector3(TURN_RADIUS_MM * Math.cos(angle), TURN_RADIUS_MM * Math.sin(angle), -92)
  }
  const { bone, at, way } = PUSHES[push]
  const from = new Vector3(...at).applyQuaternion(frames[bone].turn).add(frames[bone].at)
  const along = new Vector3(...way).normalize().applyQuaternion(frames.hand.turn)
  return from.addScaledVector(along, PUSH_MM * time)
}
