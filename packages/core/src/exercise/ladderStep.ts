import { resistanceOf } from './resistanceOf.js'
import { ANGLE_NAMES, DEMANDS, STRESS_LEVELS, type Exercise } from './exercise.js'

/** On what a rung differs from the one below. */
export const LADDER_AXES = [
  'force',
  'load',
  'range',
  'posture',
  'hold',
  'repetitions',
  'demand',
  'stress',
  'equipment',
] as const
export type LadderAxis = (typeof LADDER_AXES)[number]

/**
 * The axes on which two rungs of a ladder differ, read from their own facts: who moves, the load, how far and in which
 * posture, how long, how often, how much it asks of tissue, with what. Several mean a large step. Empty: the same exercise
 * in other words.
 */
export function ladderStep(easier: Exercise, harder: Exercise): LadderAxis[] {
  const axes: LadderAxis[] = []
  if (easier.force !== harder.force) axes.push('force')
  const res = (one: Exercise) => resistanceOf(one.load, one.dose.load) ?? 0
  if (res(easier) !== res(harder) || easier.load?.unit !== harder.load?.unit) axes.push('load')
  if (differs(easier, harder, travelOf)) axes.push('range')
  if (differs(easier, harder, (one) => one.start)) axes.push('posture')
  if (easier.dose.holdSeconds !== harder.dose.holdSeconds) axes.push('hold')
  if (easier.dose.sets * easier.dose.repetitions !== harder.dose.sets * harder.dose.repetitions)
    axes.push('repetitions')
  if (DEMANDS.indexOf(easier.demand) !== DEMANDS.indexOf(harder.demand)) axes.push('demand')
  if (stressOf(easier) !== stressOf(harder)) axes.push('stress')
  if (easier.equipment.join() !== harder.equipment.join()) axes.push('equipment')
  return axes
}

type Angles = Readonly<Partial<Record<(typeof ANGLE_NAMES)[number], number>>>

function differs(a: Exercise, b: Exercise, anglesOf: (exercise: Exercise) => Angles): boolean {
  const [first, second] = [anglesOf(a), anglesOf(b)]
  return ANGLE_NAMES.some((name) => first[name] !== second[name])
}

/** The furthest each joint goes from where it starts. */
function travelOf({ start, shapes }: Exercise): Angles {
  return Object.fromEntries(
    ANGLE_NAMES.flatMap((name) => {
      const from = start[name]
      if (from === undefined) return []
      const changes = shapes.map((pose) => (pose[name] ?? from) - from)
      return [[name, changes.reduce((most, one) => (Math.abs(one) > Math.abs(most) ? one : most), 0)]]
    }),
  )
}

function stressOf({ stress }: Exercise): number {
  return Math.max(0, ...stress.map(({ level }) => STRESS_LEVELS.indexOf(level)))
}
