import type { ClosedReason, CourseDose, CourseRung } from './course.js'

export type RungStatus =
  | {
      readonly isOpen: true
      readonly kind: 'clear' | 'with-care' | 'conditional'
      readonly criteria: readonly string[]
    }
  | {
      readonly isOpen: false
      readonly reason: ClosedReason
      readonly missing: readonly string[]
      readonly earliestDay: number | null
    }

const sorted = (criteria: readonly string[]) =>
  criteria.length < 2 ? criteria : [...new Set(criteria)].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0))
const closed = (
  reason: ClosedReason,
  missing: readonly string[] = [],
  earliestDay: number | null = null,
): RungStatus => ({ isOpen: false, reason, missing: sorted(missing), earliestDay })

/**
 * Whether a rung is open at a dose on a day: by its window, then by the gates that the dose passes, then by criteria that are recorded by
 * then, which nobody can know of today. A day in no window is closed.
 *
 * Source: `course.md` 3.
 *
 * @param inherited - criteria that what the item waited for was reached with
 */
export function rungStatus(
  rung: CourseRung,
  dose: CourseDose,
  day: number,
  today: number,
  inherited: readonly string[],
): RungStatus {
  const window = rung.windows.find(({ fromDay, toDay }) => fromDay <= day && (toDay === null || day < toDay))
  if (!window) return closed('unknown')
  if (window.kind === 'never') return closed('never')
  const isNotYet = window.kind === 'not-yet'
  if (isNotYet) {
    const { earliestDay, missing } = window
    if (earliestDay === null) return closed('decision', missing)
    if (earliestDay > day) return closed('time', missing, earliestDay)
    if (missing.length === 0) return closed('decision')
  }
  const counting = rung.gates.filter(({ axis, above }) => (dose[axis] ?? 0) > above)
  const ofGates = [...counting.flatMap(({ missing }) => missing), ...inherited]
  const shut = counting.filter(({ fromDay }) => fromDay === null || day < fromDay)
  if (shut.length > 0) {
    const days = shut.map(({ fromDay }) => fromDay)
    return closed('gate', ofGates, days.includes(null) ? null : Math.max(...(days as number[])))
  }
  const criteria = sorted(isNotYet ? [...window.missing, ...ofGates] : ofGates)
  if (criteria.length === 0)
    return { isOpen: true, kind: window.kind === 'with-care' ? 'with-care' : 'clear', criteria }
  if (day === today) return closed('criteria', criteria)
  return { isOpen: true, kind: 'conditional', criteria }
}
