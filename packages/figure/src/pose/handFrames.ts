import { Quaternion, Vector3 } from 'three'
import { BIND_POSE } from '../hand/bindPose.js'
import { BONES, FINGERS, type Bone, type Digit, type Finger } from '../hand/bones.js'
import type { FingerAngles, HandAngles, ThumbAngles } from './handAngles.js'

/** A bone's place and turn, for computing with. */
export interface Frame {
  readonly at: Vector3
  readonly turn: Quaternion
}
export type HandFrames = Readonly<Record<Bone, Frame>>

const RADIANS = Math.PI / 180
const [X, Y, Z] = [new Vector3(1, 0, 0), new Vector3(0, 1, 0), new Vector3(0, 0, 1)]
const about = (axis: Vector3, degrees: number) => new Quaternion().setFromAxisAngle(axis, degrees * RADIANS)
/** Flexion turns a bone's −z toward the palm. */
const flexed = (degrees: number) => about(X, -degrees)
/** On a left hand this turns a bone's −z toward the thumb. */
const toThumb = (degrees: number) => about(Y, -degrees)

const BIND = Object.fromEntries(
  BONES.map((bone) => {
    const { at, turn } = BIND_POSE[bone]
    return [bone, { at: new Vector3(...at), turn: new Quaternion(...turn) }]
  }),
) as unknown as HandFrames

/**
 * How each finger's plane of flexion lies, in degrees, so that straight fingers lie side by side and a fist converges:
 * yaw to the thumb, roll that lets it flex toward the thumb, pitch at MCP 0, adduction to the thumb that fades with
 * flexion, and the flexion of its metacarpal in a full fist. Found by trial on this mesh; for the drawing only.
 */
const PLANE: Readonly<
  Record<Finger, { yaw: number; roll: number; pitch: number; adduction: number; cmc: number }>
> = {
  index: { yaw: 2, roll: -4, pitch: -1, adduction: -6, cmc: 0 },
  middle: { yaw: -2, roll: 0, pitch: -1, adduction: 1, cmc: 0 },
  ring: { yaw: -8, roll: 6, pitch: -2, adduction: 8, cmc: 5 },
  little: { yaw: -13, roll: 12, pitch: -4, adduction: 13, cmc: 12 },
}
/** Which way a finger goes when it spreads from the middle finger: toward the thumb, away from it, or not at all. */
const SPREADS: Readonly<Record<Finger, number>> = { index: 1, middle: 0, ring: -0.75, little: -1.6 }

/** Flexion of MCP and PIP together at which the metacarpals of ring and little finger have come forward wholly, degrees. */
const FULL_FIST_DEG = 190

/** The thumb as it was modelled, in the angles of `ThumbAngles`: what a bone is turned by is counted from here. */
const THUMB_BIND = { mcp: -9.7, ip: -6.1 }
/** From these angles on, the metacarpal's direction is measured by the tangents of both abductions. */
const THUMB_ZERO = { radial: 7, palmar: 3 }

/**
 * Forward kinematics of a left forearm and hand, mm. The elbow end lies still with its −z to the hand, its +x up when the
 * thumb points up (forearm 0); pronation and supination turn the forearm about that axis, the wrist turns the hand, and
 * each segment's −z runs to the next joint, so that the angle between two drawn segments is the asked one.
 */
export function handFrames(angles: HandAngles): HandFrames {
  const forearm: Frame = { at: new Vector3(), turn: about(Z, angles.forearmSupination) }
  const hand: Frame = {
    at: forearm.at,
    turn: forearm.turn
      .clone()
      .multiply(toThumb(-angles.wristUlnarDeviation))
      .multiply(flexed(angles.wristFlexion)),
  }
  const frames: Record<string, Frame> = { elbowEnd: BIND.elbowEnd, forearm, hand }
  for (const finger of FINGERS) Object.assign(frames, fingerFrames(finger, angles.fingers[finger], hand))
  Object.assign(frames, thumbFrames(angles.thumb, hand))
  return frames as HandFrames
}

/** Where a point of the hand as modelled comes to when its bone goes from one frame to another. */
function carried(point: Vector3, from: Frame, to: Frame): Vector3 {
  return point
    .clone()
    .sub(from.at)
    .applyQuaternion(from.turn.clone().invert())
    .applyQuaternion(to.turn)
    .add(to.at)
}

function fingerFrames(finger: Finger, asked: FingerAngles, hand: Frame): Record<string, Frame> {
  const { yaw, roll, pitch, adduction, cmc } = PLANE[finger]
  const share = Math.min(1, Math.max(0, (asked.mcp + asked.pip) / FULL_FIST_DEG))
  const bound = BIND[`${finger}Metacarpal`]
  const metacarpal: Frame = {
    at: carried(bound.at, BIND.hand, hand),
    turn: hand.turn
      .clone()
      .multiply(bound.turn)
      .multiply(flexed(cmc * share)),
  }
  const forward = bound.turn
    .clone()
    .multiply(flexed(cmc * share))
    .multiply(bound.turn.clone().invert())
  const base = hand.turn
    .clone()
    .multiply(forward)
    .multiply(toThumb(yaw))
    .multiply(about(Z, roll))
    .multiply(flexed(pitch))
  const inward = adduction * Math.cos(asked.mcp * RADIANS) + SPREADS[finger] * asked.spread
  const proximal: Frame = {
    at: carried(BIND[`${finger}Proximal`].at, bound, metacarpal),
    turn: base.multiply(flexed(asked.mcp)).multiply(toThumb(inward)),
  }
  const middle = next(proximal, lengthMm(finger, 'Proximal'), asked.pip)
  const distal = next(middle, lengthMm(finger, 'Middle'), asked.dip)
  return {
    [`${finger}Metacarpal`]: metacarpal,
    [`${finger}Proximal`]: proximal,
    [`${finger}Middle`]: middle,
    [`${finger}Distal`]: distal,
  }
}

const next = (from: Frame, lengthMm: number, flexionDeg: number): Frame => ({
  at: new Vector3(0, 0, -lengthMm).applyQuaternion(from.turn).add(from.at),
  turn: from.turn.clone().multiply(flexed(flexionDeg)),
})

function thumbFrames(asked: ThumbAngles, hand: Frame): Record<string, Frame> {
  const bound = BIND.thumbMetacarpal
  const direction = new Vector3(
    Math.tan((THUMB_ZERO.radial + asked.radial) * RADIANS),
    -Math.tan((THUMB_ZERO.palmar + asked.palmar) * RADIANS),
    -1,
  ).normalize()
  const asModelled = new Vector3(0, 0, -1).applyQuaternion(bound.turn)
  const swing = new Quaternion().setFromUnitVectors(asModelled, direction)
  const metacarpal: Frame = {
    at: carried(bound.at, BIND.hand, hand),
    turn: hand.turn.clone().multiply(swing).multiply(bound.turn).multiply(about(Z, -asked.turn)),
  }
  const hinge = (from: Frame, fromBone: Bone, bone: Bone, flexionDeg: number): Frame => ({
    at: carried(BIND[bone].at, BIND[fromBone], from),
    turn: from.turn
      .clone()
      .multiply(BIND[fromBone].turn.clone().invert())
      .multiply(BIND[bone].turn)
      .multiply(flexed(flexionDeg)),
  })
  const proximal = hinge(metacarpal, 'thumbMetacarpal', 'thumbProximal', asked.mcp - THUMB_BIND.mcp)
  const distal = hinge(proximal, 'thumbProximal', 'thumbDistal', asked.ip - THUMB_BIND.ip)
  return { thumbMetacarpal: metacarpal, thumbProximal: proximal, thumbDistal: distal }
}

/** Length of a segment of the drawn hand between its joint centers, mm. */
export function lengthMm(digit: Digit, segment: 'Metacarpal' | 'Proximal' | 'Middle'): number {
  const order =
    digit === 'thumb' ? ['Metacarpal', 'Proximal', 'Distal'] : ['Metacarpal', 'Proximal', 'Middle', 'Distal']
  const to = order[order.indexOf(segment) + 1]
  return BIND[`${digit}${segment}` as Bone].at.distanceTo(BIND[`${digit}${to}` as Bone].at)
}

/** From the last joint to the very tip of the drawn digit, mm. */
export const TIP_MM: Readonly<Record<Digit, number>> = {
  thumb: 24.3,
  index: 21.5,
  middle: 23.7,
  ring: 22.5,
  little: 20.6,
}
/** Half the thickness of a fingertip, from its bone's axis to the pad, mm. */
export const PAD_MM: Readonly<Record<Digit, number>> = {
  thumb: 8.5,
  index: 6.5,
  middle: 6.8,
  ring: 6.5,
  little: 5.8,
}

/** The tip of a digit, mm, in the frame the hand is in. */
export function fingertip(frames: HandFrames, digit: Digit): Vector3 {
  return onDistal(frames, digit, TIP_MM[digit], 0)
}
/** The middle of the pad of a digit. */
export function pad(frames: HandFrames, digit: Digit): Vector3 {
  return onDistal(frames, digit, TIP_MM[digit] * 0.66, PAD_MM[digit])
}
function onDistal(frames: HandFrames, digit: Digit, alongMm: number, palmarMm: number): Vector3 {
  const { at, turn } = frames[`${digit}Distal` as Bone]
  return new Vector3(0, -palmarMm, -alongMm).applyQuaternion(turn).add(at)
}

/** The bones of the hand as it was modelled, from which the skin is carried. */
export const BIND_FRAMES = BIND
