import type { AngleName, Exercise, Pose } from './exercise.js'
import { REST_ANGLES } from './exercise.js'
import { exerciseKind, type PatientCase } from './assessExercise.js'
import type { VerdictKind } from '../verdict/verdict.js'

/** A joint an exercise leaves open although how it is kept decides about the exercise. */
export interface OpenJoint {
  readonly joint: 'wrist' | 'fingers'
  /** Where the joint was put to find out, in degrees. */
  readonly pose: Pose
  readonly protocol: string
  readonly day: number
  readonly asWritten: VerdictKind
  readonly inThatPose: VerdictKind
}

const DIGITS_MOVED_BY: readonly AngleName[] = [
  'mcpFlexion',
  'pipFlexion',
  'dipFlexion',
  'thumbMcpFlexion',
  'thumbIpFlexion',
  'thumbRadialAbduction',
  'thumbPalmarAbduction',
  'opposition',
]

/**
 * The postures in which an open wrist or open fingers may be kept: at rest, and as far as makes a composite of wrist and
 * fingers. Bent fingers stay short of what is a fist by itself.
 */
const OPEN_POSTURES = {
  wrist: [{ wristFlexion: REST_ANGLES.wristFlexion }, { wristFlexion: -40 }, { wristFlexion: 40 }],
  fingers: [
    { mcpFlexion: 0, pipFlexion: 0, dipFlexion: 0 },
    { mcpFlexion: 45, pipFlexion: 45, dipFlexion: 15 },
  ],
} as const

/**
 * The wrist of an exercise of the digits, or the fingers of an exercise of the wrist, where the entry leaves them open
 * and the verdict in a given case depends on how they are kept. Such an entry has to state them, in its angles and in
 * its steps.
 *
 * @param states - cases of the exercise's conditions, on the days on which something changes
 */
export function openJointsThatMatter(exercise: Exercise, states: readonly PatientCase[]): OpenJoint[] {
  const asked = (['wrist', 'fingers'] as const).filter((joint) =>
    joint === 'wrist'
      ? exercise.start.wristFlexion === undefined && moves(exercise, DIGITS_MOVED_BY)
      : exercise.start.mcpFlexion === undefined && moves(exercise, ['wristFlexion']),
  )
  return states.flatMap((state) => {
    if (asked.length === 0) return []
    const asWritten = exerciseKind(exercise, exercise.dose, state)
    return asked.flatMap((joint) =>
      OPEN_POSTURES[joint].flatMap((pose): OpenJoint[] => {
        const inThatPose = exerciseKind(keptAt(exercise, pose), exercise.dose, state)
        return inThatPose === asWritten
          ? []
          : [{ joint, pose, protocol: state.protocol.id, day: state.day, asWritten, inThatPose }]
      }),
    )
  })
}

function moves({ start, shapes }: Exercise, names: readonly AngleName[]): boolean {
  return names.some((name) => shapes.some((shape) => shape[name] !== start[name]))
}

function keptAt(exercise: Exercise, pose: Pose): Exercise {
  return {
    ...exercise,
    start: { ...pose, ...exercise.start },
    shapes: exercise.shapes.map((shape) => ({ ...pose, ...shape })),
  }
}
