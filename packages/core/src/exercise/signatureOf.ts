import type {
  Combo,
  Grip,
  Mode,
  Motion,
  Orthosis,
  ResistanceClass,
  Arcs,
  Axis,
} from '../protocol/vocabulary.js'
import { axisOfMotion } from '../protocol/vocabulary.js'
import type { Signature, SignatureMotion } from '../verdict/signature.js'
import { ANGLE_NAMES, REST_ANGLES, type AngleName, type Dose, type Exercise, type Load } from './exercise.js'

/** A joint that changes by less than this does not count as moved. Source: derivation, common practice. */
export const MOVED_FROM_DEG = 5
/** A passive movement held longer than this is a stretch. Source: vocabulary 3, common practice. */
export const STRETCH_FROM_HOLD_SECONDS = 10

/** The motion in the increasing and in the decreasing direction of each angle. */
const DIRECTIONS: Readonly<Partial<Record<AngleName, readonly [Motion, Motion]>>> = {
  wristFlexion: ['wrist.flex', 'wrist.ext'],
  wristUlnarDeviation: ['wrist.uln', 'wrist.rad'],
  forearmSupination: ['forearm.sup', 'forearm.pron'],
  elbowFlexion: ['elbow.flex', 'elbow.ext'],
  shoulderFlexion: ['shoulder.flex', 'shoulder.ext'],
  mcpFlexion: ['mcp.flex', 'mcp.ext'],
  pipFlexion: ['pip.flex', 'pip.ext'],
  dipFlexion: ['dip.flex', 'dip.ext'],
  thumbMcpFlexion: ['thumbMcp.flex', 'thumbMcp.ext'],
  thumbIpFlexion: ['thumbIp.flex', 'thumbIp.ext'],
  thumbRadialAbduction: ['thumbCmc.ext', 'thumbCmc.flex'],
  thumbPalmarAbduction: ['thumbCmc.pabd', 'thumbCmc.add'],
  opposition: ['thumbCmc.opp', 'thumbCmc.opp'],
}
/** Angles below which the joint is hyperextended, which rules name apart. Source: derivation. */
const HYPEREXTENDED_BELOW: Readonly<Partial<Record<AngleName, readonly [number, Motion]>>> = {
  mcpFlexion: [-20, 'mcp.hyperext'],
  pipFlexion: [-5, 'pip.hyperext'],
  dipFlexion: [-5, 'dip.hyperext'],
  thumbMcpFlexion: [-5, 'thumbMcp.hyperext'],
  thumbIpFlexion: [-5, 'thumbIp.hyperext'],
}
const GRIP_OF_HAND: Readonly<Record<Exercise['grip'], Grip | null>> = {
  none: null,
  cylindrical: 'cyl',
  'full-fist': 'cyl',
  spherical: 'sph',
  'three-jaw': 'tripod',
  lateral: 'key',
  tip: 'tip',
}
const DIGIT_ANGLES: readonly AngleName[] = [
  'mcpFlexion',
  'pipFlexion',
  'dipFlexion',
  'thumbMcpFlexion',
  'thumbIpFlexion',
]

/**
 * What an exercise does to tissue at a dose and in an orthosis, from its joint angles and force alone: nothing of it
 * is typed twice. Source: derivation; the table of forces and the composites are design decisions to be reviewed.
 */
export function signatureOf(exercise: Exercise, dose: Dose, orthosis: Orthosis): Signature {
  const res = resistanceOf(exercise.load, dose.load)
  const isFirm = exercise.demand === 'stretchFirm'
  const isLong = dose.holdSeconds > STRETCH_FROM_HOLD_SECONDS
  const travel = travelOf(exercise)
  const motions: SignatureMotion[] = []
  const move = (
    modes: readonly Mode[],
    directions: readonly Motion[],
    resistance: ResistanceClass | null = null,
  ) => {
    if (directions.length > 0)
      motions.push({ modes, motions: directions, arc: arcsOf(exercise, directions), res: resistance })
  }
  let comboMode: Mode = 'A'
  switch (exercise.force) {
    case 'active':
      move(['A'], travel.both())
      break
    case 'active-assisted':
      move(['AA'], travel.both())
      if (isFirm || isLong) {
        move(['S'], travel.towardsEnd())
        comboMode = 'S'
      } else comboMode = 'AA'
      break
    case 'passive by other hand':
      if (isFirm || isLong) {
        move(['S'], travel.towardsEnd())
        comboMode = 'S'
      } else {
        move(['P'], travel.both())
        comboMode = 'P'
      }
      break
    case 'gravity':
      comboMode = isFirm || isLong ? 'S' : 'P'
      move([comboMode], travel.towardsEnd())
      break
    case 'gravity + other hand':
    case 'body weight':
      move(['S'], travel.towardsEnd())
      comboMode = 'S'
      break
    case 'active wrist, passive fingers':
      move(
        ['A'],
        travel.both((name) => !DIGIT_ANGLES.includes(name)),
      )
      move(
        ['P'],
        travel.both((name) => DIGIT_ANGLES.includes(name)),
      )
      break
    case 'isometric':
      comboMode = 'I'
      break
    case 'resisted':
      move(['R'], travel.towardsEnd(), res)
      comboMode = 'R'
      break
    case 'support only':
      break
  }
  for (const written of exercise.written.motions) motions.push({ ...written, res: written.res ?? res })
  const grip =
    exercise.force === 'resisted' || exercise.force === 'isometric' ? GRIP_OF_HAND[exercise.grip] : null
  const isMoving = motions.length > 0
  const isResisting = comboMode === 'I' || comboMode === 'R'
  return {
    name: exercise.text.en.name,
    motions,
    orthosis,
    digits: null,
    posture: postureOf(exercise, travel.moved),
    combos: isMoving
      ? combosOf(exercise, dose).map((combo) => ({ combo, mode: comboMode, res: isResisting ? res : null }))
      : [],
    grips: grip ? [{ grip, res: res ?? 5 }] : [],
    kg: exercise.written.kg ?? (exercise.load?.unit === 'kg' && dose.load ? dose.load : null),
    tests: [],
    acts: [...exercise.written.acts, ...(exercise.load?.unit === 'bodyWeight' ? (['wb'] as const) : [])],
    stress: [],
    by: exercise.force.includes('other hand') || exercise.force === 'active-assisted' ? 'self' : null,
    nerve: [],
    technique: exercise.written.technique,
  }
}

/**
 * Resistance class of a load: weight 0 R0, to 0.5 kg R1, 1 R2, 2.5 R3, 5 R4, more R5; effort to 25 % R1, 40 R2, 60 R3,
 * 80 R4, more R5; house step 1 R1, 2 R2, 3 R3, 4–5 R4, 6 R5; body weight R4. Unknown is unrestricted.
 */
export function resistanceOf(load: Load | null, amount: number | null): ResistanceClass | null {
  if (load === null) return null
  if (load.unit === 'bodyWeight') return 4
  if (amount === null) return 5
  const bounds = { kg: [0, 0.5, 1, 2.5, 5], percentEffort: [0, 25, 40, 60, 80], houseStep: [0, 1, 2, 3, 5] }[
    load.unit
  ]
  const place = bounds.findIndex((bound) => amount <= bound + 1e-9)
  return (place < 0 ? 5 : place) as ResistanceClass
}

function travelOf(exercise: Exercise) {
  const rising = new Set<AngleName>()
  const falling = new Set<AngleName>()
  for (const shape of exercise.shapes) {
    for (const name of ANGLE_NAMES) {
      const change = (shape[name] ?? 0) - (exercise.start[name] ?? 0)
      const threshold = name === 'opposition' ? 1 : MOVED_FROM_DEG
      if (change >= threshold) rising.add(name)
      if (change <= -threshold) falling.add(name)
    }
  }
  const moved = new Set([...rising, ...falling])
  const isDartThrow = exercise.shapes.some((shape) => {
    const bend = (shape.wristFlexion ?? 0) - (exercise.start.wristFlexion ?? 0)
    const sideways = (shape.wristUlnarDeviation ?? 0) - (exercise.start.wristUlnarDeviation ?? 0)
    return Math.abs(bend) >= 10 && Math.abs(sideways) >= 10 && Math.sign(bend) === Math.sign(sideways)
  })
  const isPartOfDart = (name: AngleName) =>
    isDartThrow && (name === 'wristFlexion' || name === 'wristUlnarDeviation')
  const directionsOf = (names: Iterable<AngleName>, way: 0 | 1) =>
    [...names].filter((name) => !isPartOfDart(name)).flatMap((name) => DIRECTIONS[name]?.[way] ?? [])
  const hyperextended = [...moved].flatMap((name) => {
    const limit = HYPEREXTENDED_BELOW[name]
    return limit && exercise.shapes.some((shape) => (shape[name] ?? 0) < limit[0]) ? [limit[1]] : []
  })
  const dart: Motion[] = isDartThrow ? ['wrist.dtm'] : []
  return {
    moved,
    /** Start to end and back again: both directions of every joint that moves. */
    both: (keep: (name: AngleName) => boolean = () => true): Motion[] => {
      const names = [...moved].filter(keep)
      return unique([...dart, ...directionsOf(names, 0), ...directionsOf(names, 1), ...hyperextended])
    },
    towardsEnd: (): Motion[] =>
      unique([...dart, ...directionsOf(rising, 0), ...directionsOf(falling, 1), ...hyperextended]),
  }
}

/** The arc through which each moved joint travels, from the stated angles only: an unstated joint has none. */
function arcsOf(exercise: Exercise, motions: readonly Motion[]): Arcs | null {
  const arcs: Partial<Record<Axis, readonly [number, number]>> = {}
  for (const name of ANGLE_NAMES) {
    const directions = DIRECTIONS[name]
    if (!directions || !directions.some((motion) => motions.includes(motion))) continue
    const axis = axisOfMotion(directions[0])
    const angles = [exercise.start, ...exercise.shapes].map((pose) => pose[name])
    // The thumb base and opposition are not stated in degrees of one axis.
    if (axis === null || axis === 'thumbCmc' || angles.some((angle) => angle === undefined)) continue
    arcs[axis] = [Math.min(...(angles as number[])), Math.max(...(angles as number[]))]
  }
  return Object.keys(arcs).length > 0 ? arcs : null
}

/** Where the joints that do not move are kept; unstated joints stay unknown. */
function postureOf(exercise: Exercise, moved: ReadonlySet<AngleName>): Arcs | null {
  const posture: Partial<Record<Axis, readonly [number, number]>> = {}
  for (const name of ANGLE_NAMES) {
    const angle = exercise.start[name]
    const directions = DIRECTIONS[name]
    if (angle === undefined || !directions || moved.has(name)) continue
    const axis = axisOfMotion(directions[0])
    if (axis !== null && axis !== 'thumbCmc') posture[axis] = [angle, angle]
  }
  return Object.keys(posture).length > 0 ? posture : null
}

/** Composites at the end poses, unstated joints at rest. */
function combosOf(exercise: Exercise, dose: Dose): Combo[] {
  const found = new Set<Combo>()
  if (exercise.force === 'active wrist, passive fingers') return ['tenodesis']
  for (const shape of exercise.shapes) {
    const at = (name: AngleName) => shape[name] ?? REST_ANGLES[name]
    const [wrist, mcp, pip, dip] = [at('wristFlexion'), at('mcpFlexion'), at('pipFlexion'), at('dipFlexion')]
    if (mcp >= 45 && pip >= 45 && dip >= 20) found.add('fist')
    if (mcp <= 20 && pip >= 45) found.add('hook')
    if (mcp >= 45 && pip >= 45 && dip <= 10) found.add('straight_fist')
    if (mcp >= 45 && pip <= 20 && dip <= 20) found.add('tabletop')
    if (wrist <= -20 && mcp <= 15 && pip <= 20) found.add('cx_ext_wf')
    if (wrist >= 20 && mcp >= 45 && pip >= 45) found.add('cx_flex_wf')
    if (wrist >= 60 && dose.holdSeconds >= 5) found.add('phalen_hold')
  }
  return [...found]
}

function unique(motions: readonly Motion[]): Motion[] {
  return [...new Set(motions)]
}
