import type { SchoolsAnswer } from '@pledge/contract'

type School = Pick<SchoolsAnswer['schools'][number], 'phases' | 'gates'>

/** Days an axis shows after the last thing that begins. */
const TAIL_DAYS = 21

/** The last day of the axis that all schools of a condition share: whole weeks, a little after the last beginning. */
export function lastDayOf(schools: readonly School[]): number {
  const starts = schools.flatMap(({ phases, gates }) => [
    ...phases.map(({ startDay }) => startDay),
    ...gates.map(({ day }) => day),
  ])
  return Math.ceil((Math.max(0, ...starts) + TAIL_DAYS) / 7) * 7
}

/** Weeks named on an axis: not more than fit beside one another. */
export function weeksNamed(lastDay: number): number[] {
  const weeks = lastDay / 7
  const step = [1, 2, 4, 8, 13].find((one) => weeks / one <= 16) ?? 26
  return Array.from({ length: Math.floor(weeks / step) + 1 }, (_, index) => index * step)
}

/** A day as a share of the axis, in percent. */
export function shareOf(day: number, lastDay: number): number {
  return (Math.min(Math.max(day, 0), lastDay) / lastDay) * 100
}

/** How many exercises are open from each day on: steps that only rise. */
export function openCounts(
  openings: readonly { fromDay: number | null }[],
): { day: number; count: number }[] {
  const days = openings.flatMap(({ fromDay }) => (fromDay === null ? [] : [fromDay])).sort((a, b) => a - b)
  return [...new Set(days)].map((day) => ({ day, count: days.filter((one) => one <= day).length }))
}
