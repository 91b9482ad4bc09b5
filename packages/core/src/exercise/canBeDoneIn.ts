import { keepsStill, movesIn, ORTHOSES_OF_DIGITS, standsIn } from '../vocabulary/orthosisHolds.js'
import {
  arcEntries,
  axisOfMotion,
  GRIP_MOTIONS,
  isFingerMotion,
  jointOfMotion,
  type Digit,
  type Joint,
  type Mode,
  type Motion,
  type Orthosis,
} from '../vocabulary/vocabulary.js'
import type { Protocol } from '../protocol/protocol.js'
import type { Exercise } from './exercise.js'
import { rememberedSignature } from './rememberedSignature.js'

/** Fingers that go together: none of them bends alone or is held for another. */
const TIES_FINGERS: readonly Orthosis[] = ['BUDDY', 'RMF', 'RME', 'RME_WRO']

/** On which hand an orthosis is asked about. */
export interface OnHand {
  readonly protocol: Protocol
  /** Those an exercise is done with; `null`: every finger, or the thumb. */
  readonly digits?: readonly Digit[] | null
  /** The digits the orthosis is on; empty: not stated, so on all. */
  readonly injured?: readonly Digit[]
}

const known = new WeakMap<Protocol, WeakMap<Exercise, Map<Orthosis, boolean>>>()

/**
 * Whether an exercise can be done in an orthosis: no joint that moves or grips is held there, its arcs lie within the limits, and
 * the entry does not ask for others. A joint the table says is held moves where the school itself has it moved in that orthosis: it
 * is opened there, or leaves way on one side. Source: derivation, table of orthoses.
 */
export function canBeDoneIn(exercise: Exercise, orthosis: Orthosis, on: OnHand): boolean {
  return exercise.worn ? exercise.worn.includes(orthosis) : leavesWay(exercise, orthosis, on)
}

/** Whether an orthosis leaves an exercise its way, whatever the entry asks to be worn: also where another is worn besides. */
export function leavesWay(
  exercise: Exercise,
  orthosis: Orthosis,
  { protocol, digits = null, injured = [] }: OnHand,
): boolean {
  if (orthosis === 'none') return true
  const moved = digits ?? exercise.digits ?? null
  const isOnOthers = moved !== null && injured.length > 0 && !moved.some((one) => injured.includes(one))
  if (isOnOthers && ORTHOSES_OF_DIGITS.includes(orthosis)) return true
  let can = known.get(protocol)
  if (!can) known.set(protocol, (can = new WeakMap()))
  let answers = can.get(exercise)
  if (!answers) can.set(exercise, (answers = new Map()))
  let answer = answers.get(orthosis)
  if (answer === undefined) answers.set(orthosis, (answer = leavesFree(orthosis, exercise, protocol)))
  return answer
}

/** Whether a school moves a joint in an orthosis by a rule that names both. */
function isMovedIn(protocol: Protocol, orthosis: Orthosis, mode: Mode, motion: Motion): boolean {
  return protocol.phases.some(({ allow, caution }) =>
    [...allow, ...caution].some(
      ({ inOrthosis, targets }) =>
        inOrthosis?.includes(orthosis) &&
        targets.some(
          (target) => target.kind === 'motion' && target.modes.includes(mode) && target.motions.has(motion),
        ),
    ),
  )
}

function leavesFree(orthosis: Orthosis, exercise: Exercise, protocol: Protocol): boolean {
  const { motions, grips, posture, combos } = rememberedSignature(exercise, exercise.dose, orthosis)
  const isOfOneFinger = exercise.oneAtATime !== undefined || combos.some(({ combo }) => combo === 'blocked')
  const movesFingers = motions.some((part) => part.motions.some(isFingerMotion))
  if (TIES_FINGERS.includes(orthosis) && isOfOneFinger && movesFingers && exercise.region !== 'thumb')
    return false
  if (!arcEntries(posture).every(([axis, arc]) => standsIn(orthosis, axis as Joint, arc))) return false
  const moves = motions.every((part) =>
    part.motions.every((motion) => {
      const axis = axisOfMotion(motion)
      return (
        movesIn(orthosis, motion, (axis && part.arc?.[axis]) ?? null) ||
        (keepsStill(orthosis, jointOfMotion(motion)) &&
          part.modes.every((mode) => isMovedIn(protocol, orthosis, mode, motion)))
      )
    }),
  )
  return (
    moves &&
    grips.every(({ grip }) =>
      GRIP_MOTIONS[grip].every((motion) => !keepsStill(orthosis, jointOfMotion(motion))),
    )
  )
}
