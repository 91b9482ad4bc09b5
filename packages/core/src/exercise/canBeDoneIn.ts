import { keepsStill, movesIn, ORTHOSES_OF_DIGITS, standsIn } from '../vocabulary/orthosisHolds.js'
import {
  arcEntries,
  axisOfMotion,
  GRIP_MOTIONS,
  isFingerMotion,
  type Digit,
  type Joint,
  type Orthosis,
} from '../vocabulary/vocabulary.js'
import type { Exercise } from './exercise.js'
import { rememberedSignature } from './rememberedSignature.js'

/** Fingers that go together: none of them bends alone or is held for another. */
const TIES_FINGERS: readonly Orthosis[] = ['BUDDY', 'RMF', 'RME', 'RME_WRO']

const known = new WeakMap<Exercise, Map<Orthosis, boolean>>()

/**
 * Whether an exercise can be done in an orthosis: no joint that moves or grips is held there, its arcs lie within the limits, and
 * the entry does not ask for others. Source: derivation, table of orthoses.
 *
 * @param digits - those it is done with; `null`: every finger, or the thumb
 * @param injured - the digits the orthosis is on; empty: not stated, so on all
 */
export function canBeDoneIn(
  exercise: Exercise,
  orthosis: Orthosis,
  digits: readonly Digit[] | null = null,
  injured: readonly Digit[] = [],
): boolean {
  if (exercise.worn && !exercise.worn.includes(orthosis)) return false
  if (orthosis === 'none' || exercise.worn) return true
  const moved = digits ?? exercise.digits ?? null
  const isOnOthers = moved !== null && injured.length > 0 && !moved.some((one) => injured.includes(one))
  if (isOnOthers && ORTHOSES_OF_DIGITS.includes(orthosis)) return true
  let can = known.get(exercise)
  if (!can) known.set(exercise, (can = new Map()))
  let answer = can.get(orthosis)
  if (answer === undefined) can.set(orthosis, (answer = leavesFree(orthosis, exercise)))
  return answer
}

function leavesFree(orthosis: Orthosis, exercise: Exercise): boolean {
  const { motions, grips, posture, combos } = rememberedSignature(exercise, exercise.dose, orthosis)
  const isOfOneFinger = exercise.oneAtATime !== undefined || combos.some(({ combo }) => combo === 'blocked')
  const movesFingers = motions.some((part) => part.motions.some(isFingerMotion))
  if (TIES_FINGERS.includes(orthosis) && isOfOneFinger && movesFingers && exercise.region !== 'thumb')
    return false
  if (!arcEntries(posture).every(([axis, arc]) => standsIn(orthosis, axis as Joint, arc))) return false
  const moves = motions.every((part) =>
    part.motions.every((motion) => {
      const axis = axisOfMotion(motion)
      return movesIn(orthosis, motion, (axis && part.arc?.[axis]) ?? null)
    }),
  )
  return (
    moves &&
    grips.every(({ grip }) =>
      GRIP_MOTIONS[grip].every((motion) => !keepsStill(orthosis, motion.split('.')[0] as Joint)),
    )
  )
}
