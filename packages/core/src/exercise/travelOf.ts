import { HYPEREXTENDED_BELOW_DEG } from '../vocabulary/jointRanges.js'
import { blockOf, BY_MOTION_DEG } from '../vocabulary/orthosisHolds.js'
import type { Arcs, Axis, Joint, Motion, Orthosis } from '../vocabulary/vocabulary.js'
import { axisOfMotion, isWithin } from '../vocabulary/vocabulary.js'
import { ANGLE_NAMES, type AngleName, type Exercise } from './exercise.js'

/** A joint that changes by less than this does not count as moved. Source: derivation, common practice. */
export const MOVED_FROM_DEG = 5
/** The motion in the increasing and in the decreasing direction of each angle. */
const DIRECTIONS: Readonly<Partial<Record<AngleName, readonly [Motion, Motion]>>> = {
  wristFlexion: ['wrist.flex', 'wrist.ext'],
  wristUlnarDeviation: ['wrist.uln', 'wrist.rad'],
  forearmSupination: ['forearm.sup', 'forearm.pron'],
  elbowFlexion: ['elbow.flex', 'elbow.ext'],
  shoulderFlexion: ['shoulder.flex', 'shoulder.ext'],
  shoulderAbduction: ['shoulder.abd', 'shoulder.add'],
  shoulderInternalRotation: ['shoulder.ir', 'shoulder.er'],
  neckSideBend: ['neck.sidebend', 'neck.sidebend'],
  mcpFlexion: ['mcp.flex', 'mcp.ext'],
  fingerSpread: ['mcp.abd', 'mcp.add'],
  pipFlexion: ['pip.flex', 'pip.ext'],
  dipFlexion: ['dip.flex', 'dip.ext'],
  thumbMcpFlexion: ['thumbMcp.flex', 'thumbMcp.ext'],
  thumbIpFlexion: ['thumbIp.flex', 'thumbIp.ext'],
  thumbRadialAbduction: ['thumbCmc.ext', 'thumbCmc.flex'],
  thumbPalmarAbduction: ['thumbCmc.pabd', 'thumbCmc.add'],
  opposition: ['thumbCmc.opp', 'thumbCmc.opp'],
}
/**
 * The axis of the rules on which an angle is stated. Spread has none of its own, nor has the base of the thumb: rules state
 * neither in degrees.
 */
const STATED_AXES: readonly (readonly [AngleName, Axis])[] = ANGLE_NAMES.flatMap((name) => {
  const directions = DIRECTIONS[name]
  const axis = directions && name !== 'fingerSpread' ? axisOfMotion(directions[0]) : null
  return axis === null || axis === 'thumbCmc' ? [] : [[name, axis] as const]
})

/** The axis of the rules on which an angle is stated; `undefined` for one that has none. */
export function axisOfAngle(name: AngleName): Axis | undefined {
  return STATED_AXES.find(([angle]) => angle === name)?.[1]
}

/** Angles of fingers and thumb. */
export const DIGIT_ANGLES: readonly AngleName[] = [
  'mcpFlexion',
  'pipFlexion',
  'dipFlexion',
  'fingerSpread',
  'thumbMcpFlexion',
  'thumbIpFlexion',
  'thumbRadialAbduction',
  'thumbPalmarAbduction',
  'opposition',
]

export const isOfDigits = (name: AngleName) => DIGIT_ANGLES.includes(name)
export const isOfWrist = (name: AngleName) => !isOfDigits(name)

/**
 * A joint that is carried along within the block of the orthosis worn makes no motion of its own: opening to the roof of a dorsal
 * block bends the knuckle by some degrees. Source: derivation, common practice.
 */
export function isCarriedAlong(name: AngleName, exercise: Exercise, orthosis: Orthosis): boolean {
  const axis = axisOfAngle(name)
  const limit = axis && blockOf(orthosis, axis as Joint)
  const angles = [exercise.start, ...exercise.shapes].map((pose) => pose[name])
  if (!limit || angles.some((angle) => angle === undefined)) return false
  const [least, most] = [Math.min(...(angles as number[])), Math.max(...(angles as number[]))]
  return most - least <= BY_MOTION_DEG && isWithin([least, most], limit)
}

/** Which joints an exercise moves in an orthosis, and which way. */
export function travelOf(exercise: Exercise, orthosis: Orthosis = 'none') {
  const rising = new Set<AngleName>()
  const falling = new Set<AngleName>()
  for (const shape of exercise.shapes) {
    for (const name of ANGLE_NAMES) {
      if (isCarriedAlong(name, exercise, orthosis)) continue
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
    const axis = axisOfAngle(name)
    const limit = axis && HYPEREXTENDED_BELOW_DEG[axis]
    if (limit === undefined || !exercise.shapes.some((shape) => (shape[name] ?? 0) < limit)) return []
    return [`${axis as Joint}.hyperext` as const]
  })
  const dart: Motion[] = isDartThrow ? ['wrist.dtm'] : []
  return {
    moved,
    /** Start to end and back again: both directions of every joint that moves. */
    both: (keep: (name: AngleName) => boolean = () => true): Motion[] => {
      const names = [...moved].filter(keep)
      return unique([...dart, ...directionsOf(names, 0), ...directionsOf(names, 1), ...hyperextended])
    },
    /** The muscle that lowers a load works against the way it goes. */
    towardsStart: (): Motion[] =>
      unique([...dart, ...directionsOf(falling, 0), ...directionsOf(rising, 1), ...hyperextended]),
    towardsEnd: (keep: (name: AngleName) => boolean = () => true): Motion[] =>
      unique([
        ...dart,
        ...directionsOf([...rising].filter(keep), 0),
        ...directionsOf([...falling].filter(keep), 1),
        ...hyperextended,
      ]),
  }
}

/** Motions that rules limit on the axis of another angle: spreading at a bent knuckle, the dart throw by how far the wrist bends. */
const GOES_WITH: Readonly<Partial<Record<AngleName, readonly Motion[]>>> = {
  mcpFlexion: ['mcp.abd', 'mcp.add'],
  wristFlexion: ['wrist.dtm'],
}

/** The arc through which each moved joint travels, from the stated angles only: an unstated joint has none. */
export function arcsOf(exercise: Exercise, motions: readonly Motion[]): Arcs | null {
  const arcs: Partial<Record<Axis, readonly [number, number]>> = {}
  for (const [name, axis] of STATED_AXES) {
    const directions = [...DIRECTIONS[name]!, ...(GOES_WITH[name] ?? [])]
    if (!directions.some((motion) => motions.includes(motion))) continue
    const angles = [exercise.start, ...exercise.shapes].map((pose) => pose[name])
    if (angles.some((angle) => angle === undefined)) continue
    arcs[axis] = [Math.min(...(angles as number[])), Math.max(...(angles as number[]))]
  }
  return Object.keys(arcs).length > 0 ? arcs : null
}

/** Where the joints that do not move are kept; unstated joints stay unknown. */
export function postureOf(exercise: Exercise, moved: ReadonlySet<AngleName>): Arcs | null {
  const posture: Partial<Record<Axis, readonly [number, number]>> = {}
  const isHeldAtEnd = exercise.force === 'placed then held'
  for (const [name, axis] of STATED_AXES) {
    const angle = exercise.start[name]
    // What is placed is held at the end: there the wrist stands by then.
    const held = isHeldAtEnd && isOfWrist(name) ? exercise.shapes.at(-1)?.[name] : undefined
    if (angle === undefined || (moved.has(name) && held === undefined)) continue
    const angles =
      held === undefined ? [exercise.start, ...exercise.shapes].map((pose) => pose[name]!) : [held]
    posture[axis] = [Math.min(...angles), Math.max(...angles)]
  }
  return Object.keys(posture).length > 0 ? posture : null
}

function unique(motions: readonly Motion[]): Motion[] {
  return [...new Set(motions)]
}
