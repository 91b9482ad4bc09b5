import {
  COURSE_NUMBERS,
  FLARING_SCHOOLS,
  type ContingencyMode,
  type CourseDose,
  type CourseInput,
  type CourseRung,
} from './course.js'

export interface Contingency {
  readonly mode: ContingencyMode
  /** As planned before any flare. */
  readonly reserved: readonly number[]
  readonly used: readonly number[]
  /** All weeks of the block that are easy. */
  readonly weeks: readonly number[]
  readonly reserveLeft: number
  readonly isExhausted: boolean
  /** Used weeks for which no reserve was left. */
  readonly withoutReserve: readonly number[]
}

/**
 * Which weeks of a block are easy: the reserve for bad weeks, and the bad weeks themselves. A used week takes itself or the next
 * reserved one, which is worked then; the end never moves.
 *
 * Source: A4 (medium); `course.md` 4.
 */
export function contingencyOf({
  day,
  blockFromDay,
  horizonWeeks,
  protocols,
  contingency,
}: CourseInput): Contingency {
  const mode =
    contingency.mode ?? (protocols.some((id) => FLARING_SCHOOLS.includes(id)) ? 'reserveAtEnd' : 'none')
  const reserved = reservedWeeks(mode, horizonWeeks, contingency.weeks)
  const used = [...contingency.used].sort((a, b) => a - b)
  const taken = new Set<number>()
  const withoutReserve: number[] = []
  for (const week of used) {
    const found =
      reserved.includes(week) && !taken.has(week)
        ? week
        : reserved.find((one) => one > week && !taken.has(one))
    if (found === undefined) withoutReserve.push(week)
    else taken.add(found)
  }
  const left = reserved.filter((week) => !taken.has(week))
  const today = Math.floor((day - blockFromDay) / 7) + 1
  const reserveLeft = left.filter((week) => week >= today).length
  return {
    mode,
    reserved,
    used,
    weeks: [...new Set([...used, ...left])].sort((a, b) => a - b),
    reserveLeft,
    isExhausted: withoutReserve.length > 0 || (used.length > 0 && reserveLeft === 0),
    withoutReserve,
  }
}

function reservedWeeks(mode: ContingencyMode, horizon: number, listed: readonly number[]): number[] {
  const every = COURSE_NUMBERS.weeksPerReserve.value
  const count = Math.max(1, Math.floor((horizon + every / 2) / every))
  const each = (week: (place: number) => number) => Array.from({ length: count }, (_, at) => week(at))
  switch (mode) {
    case 'none':
      return []
    case 'weeks':
      return [...listed].sort((a, b) => a - b)
    case 'reserveAtEnd':
      return each((at) => horizon - count + 1 + at)
    case 'spread':
      return each((at) => Math.floor((2 * (at + 1) * horizon + count) / (2 * count)))
  }
}

/** The dose of an easy week: half, of the first that can be halved; `null`: it rests. Source: A3 step-back, common practice. */
export function easyDose({ isTimed }: CourseRung, dose: CourseDose): CourseDose | null {
  const order = isTimed
    ? (['minutes', 'boutsPerDay'] as const)
    : (['repetitions', 'sets', 'holdSeconds', 'boutsPerDay'] as const)
  const axis = order.find((one) => (dose[one] ?? 0) >= 2)
  return axis ? { ...dose, [axis]: Math.floor(dose[axis]! / 2) } : null
}
