import { REST_ANGLES, type Exercise } from '../exercise/exercise.js'
import { DIGIT_ANGLES } from '../exercise/travelOf.js'
import { exerciseOpenings } from './assessExercise.js'
import type { PatientCase } from './patientCase.js'
import type { VerdictKind } from './verdict.js'

/** An exercise of the digits that does not state its wrist although the verdict depends on it. */
export interface OpenWrist {
  readonly protocol: string
  /** First day on which it matters. */
  readonly day: number
  /** Where the wrist was put to find out, in degrees of flexion. */
  readonly wristFlexionDeg: number
  readonly asWritten: VerdictKind
  readonly withWristThere: VerdictKind
}

/** At rest, and as far back or bent as makes a composite with straight or closed fingers. */
const TRIED_DEG = [REST_ANGLES.wristFlexion, -40, 40]

/**
 * Whether the verdict of an exercise of the digits hangs on a wrist that its entry leaves open: then it has to state the
 * wrist, in its angles and in its steps. An unstated joint is unknown to the rules, and the patient may hold it anywhere.
 *
 * @param states - a patient of each protocol of its conditions in whose way nothing stands but time (`unhinderedPatient`)
 * @param lastDay - the last day that matters
 * @returns one finding a protocol; none where the wrist is stated, or moved, or decides nothing
 */
export function openWristsThatDecide(
  exercise: Exercise,
  states: readonly PatientCase[],
  lastDay: number,
): OpenWrist[] {
  const movesDigits = DIGIT_ANGLES.some((name) =>
    exercise.shapes.some((shape) => shape[name] !== exercise.start[name]),
  )
  if (exercise.start.wristFlexion !== undefined || !movesDigits) return []
  return states.flatMap((state) => {
    const kindsOn = (one: Exercise) => {
      const span = [state.day, lastDay] as const
      const runs = exerciseOpenings(one, one.dose, state, 'asTheRecordStands', { span })
      return (day: number) => runs.findLast(({ fromDay }) => fromDay <= day)!.kind
    }
    const written = kindsOn(exercise)
    for (const wristFlexionDeg of TRIED_DEG) {
      const there = kindsOn(withWristAt(exercise, wristFlexionDeg))
      for (let day = state.day; day <= lastDay; day += 1) {
        if (written(day) !== there(day))
          return {
            protocol: state.protocol.id,
            day,
            wristFlexionDeg,
            asWritten: written(day),
            withWristThere: there(day),
          }
      }
    }
    return []
  })
}

function withWristAt(exercise: Exercise, wristFlexion: number): Exercise {
  return {
    ...exercise,
    start: { ...exercise.start, wristFlexion },
    shapes: exercise.shapes.map((shape) => ({ ...shape, wristFlexion })),
  }
}
