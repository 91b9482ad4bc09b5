import type { Combo, Grip, Mode, Orthosis, ResistanceClass } from '../vocabulary/vocabulary.js'
import type { Signature } from './signature.js'
import { axisOfAngle, isCarriedAlong } from './travelOf.js'
import { ANGLE_NAMES, REST_ANGLES, type AngleName, type Dose, type Exercise, type Pose } from './exercise.js'

/** A position kept this long is held: a wrist fully bent, an elbow bent beyond a right angle. Source: derivation, common practice. */
export const HELD_FROM_SECONDS = 5
/** Bending by muscle that counts as pulling a tendon against a bent wrist. Source: derivation, common practice. */
const BOWSTRING_FROM_DEG = 30
/** Steps in which the way between two poses is looked at: 5 % of it each. */
const STEPS_BETWEEN = 20

/** The angle of a joint in a pose, at rest where nobody states it. */
interface At {
  (name: AngleName): number
  readonly isStated: (name: AngleName) => boolean
}

interface Shape {
  /** The joints that make it: one of them has to move, or to work against something. */
  readonly by: readonly AngleName[]
  readonly isMade: (at: At) => boolean
}
const FINGER_JOINTS = ['mcpFlexion', 'pipFlexion', 'dipFlexion'] as const
const THUMB_JOINTS = ['thumbMcpFlexion', 'thumbIpFlexion', 'opposition'] as const

/** What a composite is in angles: degrees, flexion +. Source: derivation; the limits are common practice, low confidence. */
const MADE_OF: Readonly<Partial<Record<Combo, Shape>>> = {
  fist: {
    by: FINGER_JOINTS,
    isMade: (at) => at('mcpFlexion') >= 45 && at('pipFlexion') >= 45 && at('dipFlexion') >= 20,
  },
  hook: { by: FINGER_JOINTS, isMade: (at) => at('mcpFlexion') <= 20 && at('pipFlexion') >= 45 },
  straight_fist: {
    by: FINGER_JOINTS,
    isMade: (at) => at('mcpFlexion') >= 45 && at('pipFlexion') >= 45 && at('dipFlexion') <= 10,
  },
  tabletop: {
    by: FINGER_JOINTS,
    isMade: (at) => at('mcpFlexion') >= 45 && at('pipFlexion') <= 20 && at('dipFlexion') <= 20,
  },
  intrinsic_minus: {
    by: FINGER_JOINTS,
    isMade: (at) => at('mcpFlexion') <= -15 && at('pipFlexion') >= 45,
  },
  orl_stretch: { by: FINGER_JOINTS, isMade: (at) => at('pipFlexion') <= 15 && at('dipFlexion') >= 20 },
  cx_ext_wf: {
    by: ['wristFlexion', ...FINGER_JOINTS],
    isMade: (at) => at('wristFlexion') <= -20 && at('mcpFlexion') <= 15 && at('pipFlexion') <= 20,
  },
  cx_flex_wf: {
    by: ['wristFlexion', ...FINGER_JOINTS],
    isMade: (at) => at('wristFlexion') >= 20 && at('mcpFlexion') >= 45 && at('pipFlexion') >= 45,
  },
  cx_ext_th: {
    by: ['wristFlexion', ...THUMB_JOINTS],
    isMade: (at) => at('wristFlexion') <= -20 && at('thumbMcpFlexion') <= 10 && at('thumbIpFlexion') <= 10,
  },
  cx_flex_th: {
    by: THUMB_JOINTS,
    isMade: (at) => at('thumbMcpFlexion') >= 30 && at('thumbIpFlexion') >= 30 && at('opposition') >= 6,
  },
  cx_flex_th_wf: {
    by: ['wristFlexion', ...THUMB_JOINTS],
    isMade: (at) => at('wristFlexion') >= 15 && at('thumbMcpFlexion') >= 20 && at('thumbIpFlexion') >= 20,
  },
  cx_flex_th_uln: {
    by: ['wristUlnarDeviation', ...THUMB_JOINTS],
    isMade: (at) => at('wristUlnarDeviation') >= 10 && at('thumbMcpFlexion') >= 20,
  },
  cx_ulnar_full: {
    by: ['elbowFlexion', 'wristFlexion', ...FINGER_JOINTS],
    isMade: (at) =>
      at('elbowFlexion') >= 90 &&
      at('wristFlexion') <= -30 &&
      at('mcpFlexion') <= 15 &&
      at('pipFlexion') <= 20 &&
      // An arm at the side leaves the nerve slack.
      !(at.isStated('shoulderAbduction') && at('shoulderAbduction') < 45),
  },
}
/** Composites of positions that are kept, where the hold is long enough: whatever else moves. */
const HELD: Readonly<Partial<Record<Combo, (at: At) => boolean>>> = {
  phalen_hold: (at) => at('wristFlexion') >= 60,
  elbow_flexion_hold: (at) => at('elbowFlexion') >= 90,
}
export const HELD_COMBOS = Object.keys(HELD) as Combo[]
const isIntrinsicStretch = (at: At) => at('mcpFlexion') <= 10 && at('pipFlexion') >= 60
const isAdducted = (at: At) => at('thumbPalmarAbduction') <= 15 || at('thumbMcpFlexion') <= -10
const PINCHES: readonly (Grip | null)[] = ['key', 'tip', 'tripod']
/** Modes in which muscles bend the fingers, wholly or in part. */
const BY_MUSCLE: readonly Mode[] = ['A', 'AA', 'PH', 'I', 'R']

/** How an exercise is done, as far as it makes composites. */
interface Done {
  /** The mode in which it goes. */
  readonly mode: Mode
  /** The mode in which it comes back; `null` where nobody moves it back as part of the exercise. */
  readonly back: Mode | null
  readonly grip: Grip | null
  readonly res: ResistanceClass | null
  /** In what it is done: joints it carries along make no motion of their own. */
  readonly orthosis: Orthosis
}

/**
 * A composite, the mode of the motion that makes it, and its joints that the exercise tells about by itself: where they are kept,
 * how they move, what they grip. Only of the others it brings a motion along.
 */
export interface MadeCombo {
  readonly combo: Combo
  readonly mode: Mode
  readonly told: readonly AngleName[]
}

/**
 * Composites at any pose an exercise passes through: where it starts, each shape and the straight way between, unstated joints at
 * rest. One that the way there leaves behind is made on the way back. Held is where it ends.
 */
export function combosOf(exercise: Exercise, dose: Dose, done: Done): MadeCombo[] {
  const way = wayOf(exercise).map(angleIn)
  const moves = (name: AngleName) => exercise.shapes.some((shape) => shape[name] !== exercise.start[name])
  // What is stretched is stretched, kept or not, but for a shape that stretches nothing; else a joint that is kept, gripped with or
  // loaded tells by itself.
  const isKept = (name: AngleName) => !moves(name) || isCarriedAlong(name, exercise, done.orthosis)
  const isTold = (name: AngleName, combo?: Combo) =>
    (done.mode !== 'S' || combo === 'tabletop') &&
    ((exercise.start[name] !== undefined && (isAgainstLoad(done) ? moves(name) : isKept(name))) ||
      (done.grip !== null && isOfFingers(name)))
  const made = (combo: Combo, by: readonly AngleName[], mode = done.mode): MadeCombo => ({
    combo,
    mode,
    told: by.filter((name) => isTold(name, combo)),
  })
  const shaped = Object.entries(MADE_OF).flatMap(([name, { by, isMade }]): MadeCombo[] => {
    if (!isAgainstLoad(done) && !by.some(moves)) return []
    const combo = name as Combo
    const is = way.map(isMade)
    const comesAbout = is.some((now, place) => now && (place === 0 ? is.every(Boolean) : !is[place - 1]))
    const isKeptUnderLoad = is.includes(true) && isAgainstLoad(done)
    const leaves = is.some((now, place) => now && is[place + 1] === false)
    const modes = new Set([
      ...(comesAbout || isKeptUnderLoad ? [done.mode] : []),
      ...(leaves && done.back ? [done.back] : []),
    ])
    return [...modes].map((mode) => made(combo, by, mode))
  })
  const ends = exercise.shapes.map(angleIn)
  const held = Object.entries(HELD).filter(
    ([, isMade]) => dose.holdSeconds >= HELD_FROM_SECONDS && ends.some(isMade),
  )
  const isMoved = done.mode === 'P' || done.mode === 'S'
  const isPinch = PINCHES.includes(done.grip) && way.some(isAdducted)
  return [
    ...(exercise.force.startsWith('active wrist') && goesOppositeWays(exercise)
      ? [
          {
            combo: 'tenodesis' as const,
            mode: done.mode,
            told: ANGLE_NAMES.filter((name) => name in exercise.start),
          },
        ]
      : []),
    ...shaped,
    ...held.map(([combo]) => made(combo as Combo, ['wristFlexion', 'elbowFlexion'])),
    ...(isMoved && FINGER_JOINTS.some(moves) && way.some(isIntrinsicStretch)
      ? [made('intr_stretch', FINGER_JOINTS)]
      : []),
    ...(pullsAcrossBentWrist(exercise, way, done)
      ? [made('bowstring', ['wristFlexion', ...FINGER_JOINTS])]
      : []),
    ...(isClench(done, shaped) ? [made('clench', [])] : []),
    ...(isPinch ? [made('cmc_adduction_pinch', [])] : []),
  ]
}

const isOfFingers = (name: AngleName) => (FINGER_JOINTS as readonly AngleName[]).includes(name)

function isAgainstLoad({ mode }: Done): boolean {
  return mode === 'I' || mode === 'R'
}

function angleIn(pose: Pose): At {
  return Object.assign((name: AngleName) => pose[name] ?? REST_ANGLES[name], {
    isStated: (name: AngleName) => pose[name] !== undefined,
  })
}

/** Every pose on the way, in order: start, straight lines, each shape. */
function wayOf({ start, shapes }: Exercise): Pose[] {
  const stops = [start, ...shapes]
  return [
    start,
    ...shapes.flatMap((end, place) =>
      Array.from({ length: STEPS_BETWEEN }, (_, step) =>
        step + 1 === STEPS_BETWEEN ? end : partOfTheWay(stops[place]!, end, (step + 1) / STEPS_BETWEEN),
      ),
    ),
  ]
}

function partOfTheWay(from: Pose, to: Pose, part: number): Pose {
  const names = Object.keys(from) as AngleName[]
  return Object.fromEntries(names.map((name) => [name, from[name]! + part * (to[name]! - from[name]!)]))
}

/** A squeeze at the third class of resistance or above, whatever is held. */
function isClench(done: Done, shaped: readonly MadeCombo[]): boolean {
  const isFist = shaped.some(({ combo }) => combo === 'fist')
  return isAgainstLoad(done) && (done.res ?? 5) >= 3 && (done.grip === 'cyl' || isFist)
}

/** Fingers that pull or grip while the wrist is bent press their tendons against the roof of the carpal tunnel. */
function pullsAcrossBentWrist(exercise: Exercise, path: readonly At[], done: Done): boolean {
  const bent = path.filter((at) => at('wristFlexion') >= 15)
  if (bent.length === 0) return false
  if (done.grip !== null) return true
  if (!BY_MUSCLE.includes(done.mode) || exercise.force.startsWith('active wrist')) return false
  return FINGER_JOINTS.some((name) => {
    const angles = bent.map((at) => at(name))
    const bends = Math.max(...angles) - Math.min(...angles) >= BOWSTRING_FROM_DEG
    const staysBent = isAgainstLoad(done) && exercise.start[name] !== undefined && Math.min(...angles) >= 45
    return bends || staysBent
  })
}

/** Wrist and digits together: the wrist extends while the fingers bend, or the other way round. */
function goesOppositeWays({ start, shapes }: Exercise): boolean {
  return shapes.some((shape) => {
    const change = (name: AngleName) => (shape[name] ?? 0) - (start[name] ?? 0)
    const digits = ['mcpFlexion', 'pipFlexion', 'thumbMcpFlexion', 'thumbIpFlexion'] as const
    return digits.some((name) => change(name) * change('wristFlexion') < 0)
  })
}

/**
 * A composite in the mode it is made in. Tenodesis is the work of the wrist: active, but for a hinged orthosis that leads
 * the hand. A straight fist pressed by the other hand is a fist: the two flexors do not slide on each other by themselves.
 */
export function madeBy(
  { combo, mode, told: names }: MadeCombo,
  orthosis: Orthosis,
  res: ResistanceClass | null,
): Signature['combos'][number] {
  const told = names.flatMap((name) => axisOfAngle(name) ?? [])
  if (combo === 'tenodesis') return { combo, mode: orthosis === 'TEN' ? 'P' : 'A', res, told }
  return { combo: combo === 'straight_fist' && mode === 'P' ? 'fist' : combo, mode, res, told }
}
