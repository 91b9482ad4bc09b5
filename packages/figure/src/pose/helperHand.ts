import type { HelperPlace } from '@pledge/core'
import { Matrix4, Vector3 } from 'three'
import type { Bone, Finger } from '../hand/bones.js'
import type { HandAngles } from './handAngles.js'
import { type HandFrames, handFrames, lengthMm, pad } from './handFrames.js'

/** The other hand: its own angles, and where it stands so that it holds or lies on what it is meant to. */
export interface HelperHand {
  readonly frames: HandFrames
  /** Places the helping hand, made as a left hand, mirrored into the frame of the exercised one. */
  readonly placed: Matrix4
}

const finger = (mcp: number, pip: number, dip: number) => ({ mcp, pip, dip, spread: 0 })
const still = { forearmSupination: 0, wristFlexion: 0, wristUlnarDeviation: 0 }
const PINCH: HandAngles = {
  ...still,
  wristFlexion: -10,
  fingers: {
    index: finger(48, 44, 20),
    middle: finger(58, 62, 30),
    ring: finger(66, 74, 38),
    little: finger(70, 80, 40),
  },
  thumb: { radial: 0, palmar: 48, turn: 40, mcp: 12, ip: 6 },
}
const FLAT: HandAngles = {
  ...still,
  wristFlexion: -28,
  fingers: {
    index: finger(14, 10, 6),
    middle: finger(14, 10, 6),
    ring: finger(14, 10, 6),
    little: finger(14, 10, 6),
  },
  thumb: { radial: 30, palmar: 20, turn: 0, mcp: 8, ip: 5 },
}
const CLASP: HandAngles = {
  ...still,
  fingers: {
    index: finger(50, 55, 25),
    middle: finger(54, 58, 28),
    ring: finger(58, 60, 30),
    little: finger(60, 62, 30),
  },
  thumb: { radial: 5, palmar: 50, turn: 30, mcp: 15, ip: 25 },
}

const POINT: HandAngles = {
  ...still,
  wristFlexion: -12,
  fingers: {
    index: finger(32, 24, 10),
    middle: finger(58, 70, 35),
    ring: finger(66, 80, 40),
    little: finger(70, 84, 42),
  },
  thumb: { radial: 6, palmar: 40, turn: 10, mcp: 18, ip: 25 },
}

interface Hold {
  readonly pose: HandAngles
  /** Where it holds, in the frame of the exercised hand. */
  readonly at: Vector3
  /** From the held thing to the helper's palm. */
  readonly palmward: Vector3
  /** Where the helper's fingers point. */
  readonly fingerward: Vector3
}

const on = (frames: HandFrames, bone: Bone, x: number, y: number, z: number) =>
  new Vector3(x, y, z).applyQuaternion(frames[bone].turn).add(frames[bone].at)
const axis = (frames: HandFrames, bone: Bone, x: number, y: number, z: number) =>
  new Vector3(x, y, z).applyQuaternion(frames[bone].turn)

/** Helpers come from beyond the fingertips and the back of the hand, so that they hide as little as they can. */
function holdAt(
  place: Exclude<HelperPlace, 'none' | 'same-palm' | 'same-back'>,
  frames: HandFrames,
  led: Finger,
): Hold {
  const half = (segment: 'Proximal' | 'Middle') => -lengthMm(led, segment) / 2
  const pinch = (bone: Bone, along: number, fingerward: Vector3): Hold => ({
    pose: PINCH,
    at: on(frames, bone, 0, 0, along),
    palmward: axis(frames, bone, 0, 0, -1),
    fingerward,
  })
  const fromBack = axis(frames, 'hand', -0.5, -0.75, 0.35)
  const rub = (at: Vector3, palmward: Vector3, fingerward: Vector3): Hold => ({
    pose: POINT,
    at,
    palmward,
    fingerward,
  })
  switch (place) {
    case 'tip':
      return pinch(`${led}Distal`, -12, fromBack)
    case 'middle-bone':
      return pinch(`${led}Middle`, half('Middle'), axis(frames, 'hand', -0.45, -0.85, 0.1))
    case 'first-bone':
      return pinch(`${led}Proximal`, half('Proximal'), axis(frames, 'hand', -0.45, -0.85, 0.1))
    case 'thumb-tip':
      return pinch('thumbDistal', -12, axis(frames, 'hand', -0.7, 0.2, 0.6))
    case 'thumb-first-bone':
      return pinch('thumbProximal', -16, axis(frames, 'hand', -0.6, 0.2, -0.7))
    case 'thumb-hand-bone':
      return pinch('thumbMetacarpal', -22, axis(frames, 'hand', -0.5, 0.2, -0.8))
    case 'finger-pads':
      return lying(
        on(frames, 'middleMiddle', 0, -9, 4),
        axis(frames, 'middleMiddle', 0, -1, 0),
        axis(frames, 'middleMiddle', -1, 0, 0),
      )
    case 'finger-backs':
      return lying(
        on(frames, 'middleMiddle', 0, 9, 4),
        axis(frames, 'middleMiddle', 0, 1, 0),
        axis(frames, 'middleMiddle', -1, 0, 0),
      )
    case 'palm':
      return lying(
        on(frames, 'middleProximal', 0, -13, 2),
        axis(frames, 'hand', 0, -1, 0),
        axis(frames, 'hand', -1, 0, -0.5),
      )
    case 'back':
      return lying(
        on(frames, 'hand', 0, 16, -70),
        axis(frames, 'hand', 0, 1, 0),
        axis(frames, 'hand', -1, 0, -0.7),
      )
    case 'little-edge':
      return lying(
        on(frames, 'littleMetacarpal', -13, 0, -22),
        axis(frames, 'hand', -1, 0, 0),
        axis(frames, 'hand', 0, -0.4, -1),
      )
    case 'index-edge':
      return lying(
        on(frames, 'indexMetacarpal', 13, 0, -46),
        axis(frames, 'hand', 1, 0, 0),
        axis(frames, 'hand', 0, -0.4, -1),
      )
    case 'rub-palm':
      return rub(
        on(frames, 'hand', -4, -30, -62),
        axis(frames, 'hand', 0.35, -1, 0),
        axis(frames, 'hand', -0.8, 0.35, -0.35),
      )
    case 'rub-back':
      return rub(
        on(frames, 'hand', 2, 15, -62),
        axis(frames, 'hand', 0.3, 1, 0),
        axis(frames, 'hand', -0.8, -0.35, -0.35),
      )
    case 'rub-finger':
      return rub(
        on(frames, `${led}Proximal`, 0, -12, -6),
        axis(frames, 'hand', 0.35, -1, 0),
        axis(frames, 'hand', -0.8, 0.35, -0.35),
      )
    case 'rub-forearm':
      return lying(
        on(frames, 'forearm', 0, -24, 60),
        axis(frames, 'forearm', 0.2, -1, 0),
        axis(frames, 'forearm', -0.35, 0, 1),
      )
    case 'forearm':
      return {
        pose: CLASP,
        at: on(frames, 'forearm', 0, 0, 34),
        palmward: axis(frames, 'forearm', 0.8, 0.6, 0),
        fingerward: axis(frames, 'forearm', -0.6, 0.8, 0),
      }
  }
}
const lying = (at: Vector3, palmward: Vector3, fingerward: Vector3): Hold => ({
  pose: FLAT,
  at,
  palmward,
  fingerward,
})

/** Where the helper's own hand holds, and its axes there: made as a left hand. */
function ownHold(
  pose: HandAngles,
  frames: HandFrames,
): { at: Vector3; palmward: Vector3; fingerward: Vector3 } {
  if (pose === PINCH) {
    const [thumb, index] = [pad(frames, 'thumb'), pad(frames, 'index')]
    const at = thumb.clone().add(index).multiplyScalar(0.5)
    const fingerward = at.clone().sub(frames.hand.at)
    return { at, palmward: axis(frames, 'hand', -1, 0, 0), fingerward }
  }
  if (pose === FLAT)
    return {
      at: on(frames, 'middleProximal', 0, -13, -10),
      palmward: axis(frames, 'hand', 0, 1, 0),
      fingerward: axis(frames, 'middleProximal', 0, 0, -1),
    }
  if (pose === POINT)
    return {
      at: pad(frames, 'index'),
      palmward: axis(frames, 'hand', 0, 1, 0),
      fingerward: axis(frames, 'indexDistal', 0, 0, -1).add(axis(frames, 'hand', 0, 0, -1)),
    }
  return {
    at: on(frames, 'hand', 0, -44, -80),
    palmward: axis(frames, 'hand', 0, 1, 0),
    fingerward: axis(frames, 'hand', 0, 0, -1),
  }
}

/** Columns: fingerward, palmward made square to it, and their cross. */
function basis(fingerward: Vector3, palmward: Vector3): Matrix4 {
  const f = fingerward.clone().normalize()
  const p = palmward.clone().addScaledVector(f, -palmward.dot(f)).normalize()
  return new Matrix4().makeBasis(f, p, new Vector3().crossVectors(f, p))
}

const MIRROR = new Matrix4().makeScale(-1, 1, 1)

/** Both hands do the same, palm to palm or back to back: the other is the mirror image across the plane they share. */
function acrossPalm(place: 'same-palm' | 'same-back', frames: HandFrames): Matrix4 {
  const side = place === 'same-palm' ? -1 : 1
  const normal = axis(frames, 'hand', 0, side, 0)
  const spot = on(frames, 'middleProximal', 0, side * 14, 0)
  const { x, y, z } = normal
  const far = 2 * spot.dot(normal)
  return new Matrix4().set(
    ...[1 - 2 * x * x, -2 * x * y, -2 * x * z, far * x],
    ...[-2 * x * y, 1 - 2 * y * y, -2 * y * z, far * y],
    ...[-2 * x * z, -2 * y * z, 1 - 2 * z * z, far * z],
    ...[0, 0, 0, 1],
  )
}

/**
 * The helping hand for one pose of the exercised one. It is the other hand: a left hand is made, mirrored, and set so that
 * its pinch, palm or clasp lies where it helps.
 */
export function helperHand(place: HelperPlace, frames: HandFrames, led: Finger): HelperHand | null {
  if (place === 'none') return null
  if (place === 'same-palm' || place === 'same-back') return { frames, placed: acrossPalm(place, frames) }
  const hold = holdAt(place, frames, led)
  const own = handFrames(hold.pose)
  const mine = ownHold(hold.pose, own)
  const mirrored = (vector: Vector3) => vector.clone().applyMatrix4(MIRROR)
  const turn = basis(hold.fingerward, hold.palmward).multiply(
    basis(mirrored(mine.fingerward), mirrored(mine.palmward)).invert(),
  )
  const moved = hold.at.clone().sub(mirrored(mine.at).applyMatrix4(turn))
  const placed = new Matrix4().makeTranslation(moved).multiply(turn).multiply(MIRROR)
  return { frames: own, placed }
}
