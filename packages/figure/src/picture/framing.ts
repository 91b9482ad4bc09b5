import type { PictureProp } from '@pledge/core'
import { Matrix4, Quaternion, Vector3 } from 'three'
import { type Bone, type Digit, DIGITS } from '../hand/bones.js'
import { bodyFrames } from '../pose/bodyFrames.js'
import type { FigurePose } from '../pose/figurePose.js'
import { fingertip, type HandFrames, handFrames } from '../pose/handFrames.js'
import { GAZES } from './gazes.js'
import { type Picture, poseAt } from './pictureOf.js'

/** The piece of the world a picture shows, mm: where one looks from, its middle, and half its height. */
export interface Framing {
  readonly from: Vector3
  readonly up: Vector3
  readonly right: Vector3
  readonly center: Vector3
  readonly halfMm: number
}

/** How much of the forearm belongs to the picture of a hand, mm from the wrist. */
const FOREARM_SHOWN_MM = 74
/** Room around what is framed: a share of it, and mm. */
const MARGIN = 1.12
const MARGIN_MM = { hand: 14, body: 60 }
/** No hand is drawn larger than this: half the picture's height, mm. */
const LEAST_HALF_MM = { hand: 84, near: 52 }
/** How far a held thing reaches beyond the hand on the thumb's side, and a bag below it, mm. */
const REACHES_MM: Readonly<Partial<Record<PictureProp, number>>> = { hammer: 185, weight: 78, rod: 90 }
const BAG_MM = 290
/** The trunk's edges that belong to a picture of the body, mm. */
const TRUNK = [
  [-205, 1000],
  [205, 1000],
  [-205, 1380],
  [205, 1380],
] as const
const HEAD_TOP_MM = 200
/** Moments of the movement that have to fit. */
const MOMENTS = [0, 0.33, 0.66, 1]

/** Hands that lie against each other stay where they are; the forearms move. */
export const isHandFixed = (picture: Picture) => picture.view === 'hands-together'

/** The turn that brings the hand, wherever its wrist is, upright into the frame of the forearm. */
export function handTurnFrom(pose: FigurePose): Quaternion {
  const { hand, forearm } = handFrames(pose)
  return forearm.turn.clone().multiply(hand.turn.clone().invert())
}

/** From the frame the forearm lies in to the one that is looked at. */
export function armPlacement(picture: Picture, pose: FigurePose): Matrix4 {
  if (isHandFixed(picture)) return new Matrix4().makeRotationFromQuaternion(handTurnFrom(pose))
  if (!picture.isBody) return new Matrix4()
  const { forearm } = bodyFrames(pose.body)
  return new Matrix4().compose(forearm.at, forearm.turn, new Vector3(1, 1, 1))
}

/** Where gravity pulls, in the frame the forearm lies in. */
export function downFor(picture: Picture, pose: FigurePose): Vector3 {
  if (!picture.isBody) return new Vector3(-1, 0, 0)
  return new Vector3(0, -1, 0).applyQuaternion(bodyFrames(pose.body).forearm.turn.clone().invert())
}

/**
 * The frame that holds all a movement passes through, so that nothing leaves the picture.
 *
 * @param aspect - width by height
 */
export function framingOf(picture: Picture, aspect: number): Framing {
  const { from, up, right } = axesOf(picture)
  const points = pointsOf(picture)
  const range = (direction: Vector3) => {
    const along = points.map((point) => point.dot(direction))
    return [Math.min(...along), Math.max(...along)] as const
  }
  const [x, y] = [range(right), range(up)]
  const margin = picture.isBody ? MARGIN_MM.body : MARGIN_MM.hand
  const half = (ends: readonly [number, number]) => ((ends[1] - ends[0]) / 2 + margin) * MARGIN
  const least = picture.isNear ? LEAST_HALF_MM.near : LEAST_HALF_MM.hand
  const deep = points.reduce((sum, point) => sum + point.dot(from), 0) / points.length
  return {
    from,
    up,
    right,
    center: right
      .clone()
      .multiplyScalar((x[0] + x[1]) / 2)
      .addScaledVector(up, (y[0] + y[1]) / 2)
      .addScaledVector(from, deep),
    halfMm: Math.max(least, half(y), half(x) / aspect),
  }
}

/** A right hand is the left one mirrored across the picture; light, arrow and letters are not. */
export function mirrorOf({ right, center }: Framing, side: 'left' | 'right'): Matrix4 {
  const mirror = new Matrix4()
  if (side === 'left') return mirror
  const { x, y, z } = right
  mirror.set(
    ...[1 - 2 * x * x, -2 * x * y, -2 * x * z, 0],
    ...[-2 * x * y, 1 - 2 * y * y, -2 * y * z, 0],
    ...[-2 * x * z, -2 * y * z, 1 - 2 * z * z, 0],
    ...[0, 0, 0, 1],
  )
  return mirror.setPosition(center.clone().sub(center.clone().applyMatrix4(mirror)))
}

/** Where a fingertip is seen, in a frame 1 high with its middle at 0, and how near it is (larger is nearer), mm. */
export interface Landmark {
  readonly x: number
  readonly y: number
  readonly nearness: number
}

/** Where each fingertip is seen at a moment; what a picture is checked by. */
export function landmarks(
  picture: Picture,
  side: 'left' | 'right',
  shape: number,
  time: number,
  aspect = 1,
): Record<Digit, Landmark> {
  const framing = framingOf(picture, aspect)
  const pose = poseAt(picture, shape, time)
  const frames = handFrames(pose)
  const placed = new Matrix4().multiplyMatrices(mirrorOf(framing, side), armPlacement(picture, pose))
  const seen = (digit: Digit): Landmark => {
    const off = fingertip(frames, digit).applyMatrix4(placed).sub(framing.center)
    return {
      x: off.dot(framing.right) / (2 * framing.halfMm),
      y: off.dot(framing.up) / (2 * framing.halfMm),
      nearness: off.dot(framing.from),
    }
  }
  return Object.fromEntries(DIGITS.map((digit) => [digit, seen(digit)])) as Record<Digit, Landmark>
}

/** Where one looks from, up and right of the exercise's own view. */
function axesOf(picture: Picture): Pick<Framing, 'from' | 'up' | 'right'> {
  const gaze = GAZES[picture.view]
  const turn = new Quaternion()
  if (gaze.turnsWithForearm)
    turn.setFromAxisAngle(new Vector3(0, 0, 1), (picture.start.forearmSupination * Math.PI) / 180)
  const from = new Vector3(...gaze.from).applyQuaternion(turn).normalize()
  const up = new Vector3(...gaze.up).applyQuaternion(turn)
  up.addScaledVector(from, -up.dot(from)).normalize()
  return { from, up, right: new Vector3().crossVectors(up, from) }
}

/** Points the picture has to hold over the whole movement. */
function pointsOf(picture: Picture): Vector3[] {
  const points: Vector3[] = []
  for (const shape of picture.shapes.keys())
    for (const time of MOMENTS) {
      const pose = poseAt(picture, shape, time)
      const placed = armPlacement(picture, pose)
      points.push(...handPoints(picture, handFrames(pose), pose).map((point) => point.applyMatrix4(placed)))
      if (picture.isBody) {
        const { elbow, head } = bodyFrames(pose.body)
        points.push(elbow, head.at.clone().add(new Vector3(0, HEAD_TOP_MM, 0)))
      }
    }
  if (picture.isBody) points.push(...TRUNK.map(([x, y]) => new Vector3(x, y, 0)))
  return points
}

function handPoints(picture: Picture, frames: HandFrames, pose: FigurePose): Vector3[] {
  if (picture.isNear && picture.followed !== 'hand') {
    // Only the digit that moves, and a little of the hand it belongs to.
    const digit = picture.followed
    const base = frames[(digit === 'thumb' ? 'thumbMetacarpal' : `${digit}Proximal`) as Bone].at
    return [fingertip(frames, digit), base.clone(), base.clone().lerp(frames.hand.at, 0.35)]
  }
  const points = [
    ...DIGITS.map((digit) => fingertip(frames, digit)),
    frames.indexProximal.at.clone(),
    frames.littleProximal.at.clone(),
  ]
  // From close by the forearm stays outside.
  if (!picture.isBody && !picture.isNear)
    for (const x of [-28, 28]) points.push(new Vector3(x, 0, FOREARM_SHOWN_MM))
  const reach = Math.max(0, ...picture.props.map((name) => REACHES_MM[name] ?? 0))
  if (reach > 0) points.push(new Vector3(reach, -22, -70).applyQuaternion(frames.hand.turn))
  if (picture.props.includes('bag'))
    points.push(frames.hand.at.clone().addScaledVector(downFor(picture, pose), BAG_MM))
  return points
}
