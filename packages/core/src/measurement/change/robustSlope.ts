import { contradiction } from '../../anatomy/checked.js'

export interface RobustSlope {
  /** Units a day. */
  readonly slope: number
  readonly intercept: number
  /** 95 % interval; infinite with fewer than five visits, or where the data do not bound it. */
  readonly low: number
  readonly high: number
  readonly visits: number
}

/**
 * Slope through visits that one odd reading does not bend: the median of the slopes of all pairs, with Sen's interval.
 * Readings of one day count as their median. Recovery is curved: use windows of 28 to 42 days.
 *
 * With four points even a perfect trend has an exact two-sided p of 0.083: an interval needs five.
 * Source: THEIL-1950, SEN-1968 (high).
 *
 * @param days - of each reading, in any order
 * @throws CoreError `MEASUREMENT_INCONSISTENT` with fewer than two different days, or lists of different length
 */
export function robustSlope(days: readonly number[], values: readonly number[]): RobustSlope {
  if (days.length !== values.length)
    contradiction('y', `Expected a value for each day: ${days.length} days, ${values.length} values.`)
  const bad = [...days, ...values].find((one) => !Number.isFinite(one))
  if (bad !== undefined)
    contradiction('y', 'Expected numbers for every day and value. Leave out what was not measured.')
  const byDay = new Map<number, number[]>()
  days.forEach((day, index) => byDay.set(day, [...(byDay.get(day) ?? []), values[index]!]))
  const visits = [...byDay].map(([day, all]) => ({ day, value: median(all) })).sort((a, b) => a.day - b.day)
  if (visits.length < 2) contradiction('t', 'Expected visits on two days or more: one day has no slope.')
  const slopes = visits
    .flatMap((first, index) =>
      visits.slice(index + 1).map((later) => (later.value - first.value) / (later.day - first.day)),
    )
    .sort((a, b) => a - b)
  const slope = median(slopes)
  const intercept = median(visits.map(({ day, value }) => value - slope * day))
  return {
    slope,
    intercept,
    ...interval(
      visits.map(({ value }) => value),
      slopes,
    ),
    visits: visits.length,
  }
}

function interval(values: readonly number[], slopes: readonly number[]): { low: number; high: number } {
  const n = values.length
  const unbounded = { low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY }
  if (n < 5) return unbounded
  const counts = new Map<number, number>()
  values.forEach((value) => counts.set(value, (counts.get(value) ?? 0) + 1))
  const spread = (count: number) => count * (count - 1) * (2 * count + 5)
  const ties = [...counts.values()].reduce((sum, count) => sum + spread(count), 0)
  const reach = 1.96 * Math.sqrt((spread(n) - ties) / 18)
  // Half rounds down: the wider interval.
  const place = Math.ceil((slopes.length - reach) / 2 - 0.5)
  if (place < 1) return unbounded
  return { low: slopes[place - 1]!, high: slopes[slopes.length - place]! }
}

/** Middle value, or the mean of the two in the middle. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = Math.floor(sorted.length / 2)
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}
