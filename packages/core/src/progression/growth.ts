import type { CourseDose, CourseRung, DoseAxis } from './course.js'

/** Up to where an axis may grow: the end of its range, or the gate that never opens. */
function topOf({ range, loadSteps, gates }: CourseRung, axis: DoseAxis): number {
  const end = axis === 'load' ? loadSteps.at(-1)! : range[axis]![1]
  return gates
    .filter((gate) => gate.axis === axis && gate.fromDay === null)
    .reduce((top, { above }) => Math.min(top, above), end)
}

/** The axis that grows next: the first in its order that is not at its top; `null`: the last dose. */
export function growingAxis(rung: CourseRung, dose: CourseDose): DoseAxis | null {
  return rung.grows.find((axis) => (dose[axis] ?? 0) < topOf(rung, axis)) ?? null
}

/**
 * The dose one step up on an axis. A next load begins again with the fewest of what grows before it (double progression), a next set
 * with the fewest repetitions.
 *
 * Source: A9, A6; `course.md` 5, step 8.
 */
export function grownDose(rung: CourseRung, dose: CourseDose, axis: DoseAxis): CourseDose {
  const value = dose[axis] ?? 0
  const next =
    axis === 'load'
      ? rung.loadSteps.find((step) => step > value)!
      : Math.min(value + (rung.growsBy[axis] ?? 1), topOf(rung, axis))
  const before = rung.grows.slice(0, rung.grows.indexOf(axis))
  const back = axis === 'load' ? before : axis === 'sets' ? before.filter((one) => one === 'repetitions') : []
  const lowest = Object.fromEntries(back.map((one) => [one, rung.range[one]![0]]))
  return { ...dose, ...lowest, [axis]: next }
}

/** On each axis the lower of two doses of a rung. */
export function lowerDose(one: CourseDose, other: CourseDose): CourseDose {
  return Object.fromEntries(
    Object.entries(one).map(([axis, value]) => [axis, Math.min(value, other[axis as DoseAxis] ?? value)]),
  )
}
