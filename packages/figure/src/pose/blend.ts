import { FINGERS, type Finger } from '../hand/bones.js'
import type { FingerAngles } from './handAngles.js'
import type { FigurePose } from './figurePose.js'

const between = (from: number, to: number, share: number) => from + (to - from) * share
/** Slow at both ends, as one moves with care. */
export const eased = (t: number) => {
  const x = Math.min(1, Math.max(0, t))
  return x * x * (3 - 2 * x)
}

/** Shares of a movement's time in which fingers and thumb move when a fist closes; together the thumb would run through the index. */
const FINGERS_UNTIL = 0.7
const THUMB_FROM = 0.5
/** How much bend of MCP and PIP together makes a fist the thumb must wait for, degrees. */
const FIST_BEND_DEG = 140

const bend = (pose: FigurePose) =>
  Math.max(...FINGERS.map((finger) => pose.fingers[finger].mcp + pose.fingers[finger].pip))

/**
 * The pose between two others.
 *
 * @param time - 0 at the first, 1 at the second; speed is eased
 * @param inTurn - the fingers of this order follow each other instead of moving at once
 */
export function blend(
  from: FigurePose,
  to: FigurePose,
  time: number,
  inTurn: readonly Finger[] = [],
): FigurePose {
  const [closes, opens] = [
    bend(to) >= FIST_BEND_DEG && bend(from) < FIST_BEND_DEG,
    bend(from) >= FIST_BEND_DEG,
  ]
  const isFist = closes || (opens && bend(to) < FIST_BEND_DEG)
  const forward = closes || !isFist
  const stage = (start: number, end: number) =>
    forward ? eased((time - start) / (end - start)) : eased((time - (1 - end)) / (end - start))
  const fingerShare = isFist ? stage(0, FINGERS_UNTIL) : eased(time)
  const thumbShare = isFist ? stage(THUMB_FROM, 1) : eased(time)
  const share = eased(time)
  const fingerAt = (finger: Finger): FingerAngles => {
    const place = inTurn.indexOf(finger)
    const own =
      place < 0 || inTurn.length < 2 ? fingerShare : eased((time * (inTurn.length + 1)) / 2 - place / 2)
    const [a, b] = [from.fingers[finger], to.fingers[finger]]
    return {
      mcp: between(a.mcp, b.mcp, own),
      pip: between(a.pip, b.pip, own),
      dip: between(a.dip, b.dip, own),
      spread: between(a.spread, b.spread, own),
    }
  }
  const both = <K extends string>(
    a: Readonly<Record<K, number>>,
    b: Readonly<Record<K, number>>,
    by: number,
  ) =>
    Object.fromEntries((Object.keys(a) as K[]).map((key) => [key, between(a[key], b[key], by)])) as Record<
      K,
      number
    >
  return {
    forearmSupination: between(from.forearmSupination, to.forearmSupination, share),
    wristFlexion: between(from.wristFlexion, to.wristFlexion, share),
    wristUlnarDeviation: between(from.wristUlnarDeviation, to.wristUlnarDeviation, share),
    fingers: Object.fromEntries(FINGERS.map((finger) => [finger, fingerAt(finger)])) as FigurePose['fingers'],
    thumb: both({ ...from.thumb }, { ...to.thumb }, thumbShare),
    body: both({ ...from.body }, { ...to.body }, share),
  }
}
