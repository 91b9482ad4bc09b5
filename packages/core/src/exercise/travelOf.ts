import type { Arcs, Axis, Motion } from '../vocabulary/vocabulary.js'
import { axisOfMotion } from '../vocabulary/vocabulary.js'
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
/** Angles below which the joint is hyperextended, which rules name apart. Source: derivation. */
const HYPEREXTENDED_BELOW: Readonly<Partial<Record<AngleName, readonly [number, Motion]>>> = {
  mcpFlexion: [-20, 'mcp.hyperext'],
  pipFlexion: [-5, 'pip.hyperext'],
  dipFlexion: [-5, 'dip.hyperext'],
  thumbMcpFlexion: [-5, 'thumbMcp.hyperext'],
  thumbIpFlexion: [-5, 'thumbIp.hyperext'],
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

/** Which joints an exercise moves, and which way. */
export function travelOf(exercise: Exercise) {
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

/**
 * The axis of the rules on which an angle is stated. Spread has none of its own, nor has the base of the thumb: rules state
 * neither in degrees.
 */
const STATED_AXES: readonly (readonly [AngleName, Axis])[] = ANGLE_NAMES.flatMap((name) => {
  const directions = DIRECTIONS[name]
  const axis = directions && name !== 'fingerSpread' ? axisOfMotion(directions[0]) : null
  return axis === null || axis === 'thumbCmc' ? [] : [[name, axis] as const]
})

/**
 * The arc through which each moved joint travels, from the stated angles only: an unstated joint has none. Fingers that
 * spread do so at a knuckle bent as far as stated.
 */
export function arcsOf(exercise: Exercise, motions: readonly Motion[]): Arcs | null {
  const arcs: Partial<Record<Axis, readonly [number, number]>> = {}
  for (const [name, axis] of STATED_AXES) {
    const directions = [...DIRECTIONS[name]!, ...(name === 'mcpFlexion' ? DIRECTIONS.fingerSpread! : [])]
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
    posture[axis] = [held ?? angle, held ?? angle]
  }
  return Object.keys(posture).length > 0 ? posture : null
}

function unique(motions: readonly Motion[]): Motion[] {
  return [...new Set(motions)]
}
