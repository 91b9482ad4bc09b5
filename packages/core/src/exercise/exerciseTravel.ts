import { REST_ANGLES, type AngleName, type Exercise, type Pose } from './exercise.js'
import type { BeddedNerve, NerveMoves } from '../nerve/nerveBed.js'
import { classifiedNerveMove, type ClassifiedNerveMove } from '../nerve/nerveMove.js'
import {
  TENDONS,
  tendonExcursionMm,
  type JointChange,
  type Tendon,
  type TendonJoint,
} from '../tissue/tendonExcursion.js'

/** An exercise by its angles alone: the start, and one pose or several shapes in order. */
export type Postures = Pick<Exercise, 'start' | 'shapes'>

const FINGER_JOINTS: readonly (readonly [AngleName, TendonJoint, 1 | -1])[] = [
  ['wristFlexion', 'wrist', 1],
  ['mcpFlexion', 'mcp', 1],
  ['pipFlexion', 'pip', 1],
  ['dipFlexion', 'dip', 1],
]
const THUMB_JOINTS: readonly (readonly [AngleName, TendonJoint, 1 | -1])[] = [
  ['wristFlexion', 'wrist', 1],
  // A thumb brought in to the hand flexes its CMC joint.
  ['thumbRadialAbduction', 'cmc', -1],
  ['thumbMcpFlexion', 'mcp', 1],
  ['thumbIpFlexion', 'ip', 1],
]
const IS_THUMBS: Readonly<Record<Tendon, boolean>> = {
  FDP: false,
  FDS: false,
  EDC: false,
  FPL: true,
  EPL: true,
}

const angleIn = (pose: Pose, angle: AngleName) => pose[angle] ?? REST_ANGLES[angle]

function placeOf(tendon: Tendon, pose: Pose): number {
  const joints = IS_THUMBS[tendon] ? THUMB_JOINTS : FINGER_JOINTS
  const flexed: JointChange = Object.fromEntries(
    joints.map(([angle, joint, sign]) => [joint, sign * angleIn(pose, angle)]),
  )
  return tendonExcursionMm(tendon, flexed)
}

/**
 * How far each tendon travels in an exercise, in mm, from its angles: between the two postures in which it lies furthest
 * apart. What an exercise does not state stays at rest. A model: the order of exercises is right, the millimeters are not.
 */
export function tendonTravelMm({ start, shapes }: Postures): Readonly<Record<Tendon, number>> {
  const poses = [start, ...shapes]
  return Object.fromEntries(
    TENDONS.map((tendon) => {
      const places = poses.map((pose) => placeOf(tendon, pose))
      return [tendon, Math.max(...places) - Math.min(...places)]
    }),
  ) as Record<Tendon, number>
}

/** The most the two finger flexors slide on each other between two postures of an exercise, in mm. */
export function differentialTravelMm({ start, shapes }: Postures): number {
  const places = [start, ...shapes].map((pose) => placeOf('FDP', pose) - placeOf('FDS', pose))
  return Math.max(...places) - Math.min(...places)
}

/** Motions of a nerve's bed that poses can tell, with the sign of the bed's own. The height of the shoulder they cannot. */
const NERVE_ANGLES = [
  ['neckSideBend', 'neckSideBendAway', -1],
  ['shoulderAbduction', 'shoulderAbduction', 1],
  ['shoulderInternalRotation', 'shoulderExternalRotation', -1],
  ['elbowFlexion', 'elbowFlexion', 1],
  ['forearmSupination', 'forearmSupination', 1],
  ['wristFlexion', 'wristFlexion', 1],
  ['wristUlnarDeviation', 'wristUlnarDeviation', 1],
  ['mcpFlexion', 'fingerMcpFlexion', 1],
  ['pipFlexion', 'fingerIpFlexion', 1],
  ['thumbMcpFlexion', 'thumbFlexion', 1],
] as const

const WORST_FIRST: readonly ClassifiedNerveMove['class'][] = [
  'tensioner',
  'unbalanced',
  'single',
  'slider',
  'none',
]

/** What an exercise does to a nerve: each step from one posture to the next, named by the worst of them. */
export function nerveMoveOf(nerve: BeddedNerve, { start, shapes }: Postures): ClassifiedNerveMove {
  const steps = shapes.map((pose, index) => {
    const before = index === 0 ? start : shapes[index - 1]!
    const moves: NerveMoves = Object.fromEntries(
      NERVE_ANGLES.map(([angle, motion, sign]) => [
        motion,
        sign * (angleIn(pose, angle) - angleIn(before, angle)),
      ]),
    )
    return classifiedNerveMove(nerve, moves)
  })
  return steps.reduce((worst, step) =>
    WORST_FIRST.indexOf(step.class) < WORST_FIRST.indexOf(worst.class) ? step : worst,
  )
}
