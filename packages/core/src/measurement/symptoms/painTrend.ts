import { daysBetween, type ClinicalDay } from '../../calendar/clinicalDay.js'
import { published } from '../../anatomy/constant.js'

/** Pain in the first six weeks must fall until it is low; later it may stay, but not above it. Source: A3 (medium). */
export const PAIN_TREND = {
  lowUpTo: published(3, 'of 10', 'THOMEE-1997', 'medium'),
  worseBy: published(2, 'of 10', 'THOMEE-1997', 'medium'),
  fallsBy: published(1, 'of 10', 'THOMEE-1997', 'medium'),
  fallDays: published(10, 'days', 'THOMEE-1997', 'medium'),
  plateauDays: published(14, 'days', 'THOMEE-1997', 'medium'),
  sprainDays: published(10, 'days', 'THOMEE-1997', 'medium'),
  mustFallDays: published(42, 'days', 'THOMEE-1997', 'medium'),
} as const
/** Days of a week, and of those how many have to have a score. */
const [WEEK, LEAST_SCORES] = [7, 3]

export type PainTrendWord = 'unknown' | 'worsening' | 'low' | 'plateau' | 'onTrack' | 'slow' | 'falling'

/** The highest pain of a day: at a visit, in a bout or the next morning. */
export interface DayPain {
  readonly on: ClinicalDay
  /** 0–10. */
  readonly pain: number
}

/**
 * How pain goes from week to week, by the median of the highest pain of each day over seven days, of which three need a score.
 * First that fits: worsening (three days in a row two points above the week before), unknown, low, plateau, then in the first six
 * weeks on track or slow by ten days, later falling.
 *
 * Source: `review.md` 7; A3 of the rules for all (medium).
 *
 * @param day - days since day 0
 * @param isAcuteSprain - a plateau already matters at ten days
 */
export function painTrend(
  pains: readonly DayPain[],
  today: ClinicalDay,
  day: number,
  isAcuteSprain = false,
): PainTrendWord {
  const highest = new Map<number, number>()
  for (const { on, pain } of pains) {
    const ago = daysBetween(on, today)
    if (ago >= 0) highest.set(ago, Math.max(pain, highest.get(ago) ?? 0))
  }
  const between = (from: number, to: number) =>
    Array.from({ length: from - to + 1 }, (_, at) => highest.get(from - at)).filter(
      (one) => one !== undefined,
    )
  const median = (values: readonly number[]) => {
    if (values.length < LEAST_SCORES) return null
    const sorted = [...values].sort((a, b) => a - b)
    const middle = sorted.length / 2
    return sorted.length % 2 === 1 ? sorted[Math.floor(middle)]! : (sorted[middle - 1]! + sorted[middle]!) / 2
  }
  /** The week that ended so many days ago. */
  const week = (ago: number) => median(between(ago + WEEK - 1, ago))
  const isWorse = (ago: number) => {
    const before = median(between(ago + 9, ago + 3))
    const last = between(ago + 2, ago)
    return (
      before !== null &&
      last.length === LEAST_SCORES &&
      last.every((pain) => pain >= before + PAIN_TREND.worseBy.value)
    )
  }
  if (isWorse(0) || isWorse(1)) return 'worsening'
  const now = week(0)
  if (now === null) return 'unknown'
  if (now <= PAIN_TREND.lowUpTo.value) return 'low'
  const fallen = (days: number) => {
    const then = week(days)
    return then === null ? null : then - now
  }
  const sinceFortnight = fallen(isAcuteSprain ? PAIN_TREND.sprainDays.value : PAIN_TREND.plateauDays.value)
  if (sinceFortnight !== null && sinceFortnight < PAIN_TREND.fallsBy.value) return 'plateau'
  if (day >= PAIN_TREND.mustFallDays.value) return sinceFortnight === null ? 'unknown' : 'falling'
  const sinceTen = fallen(PAIN_TREND.fallDays.value)
  if (sinceTen === null) return 'unknown'
  return sinceTen >= PAIN_TREND.fallsBy.value ? 'onTrack' : 'slow'
}

/** The trend in words. */
export const PAIN_TREND_SAYS: Readonly<Record<PainTrendWord, string>> = {
  unknown: 'Too few days with a score to tell a trend.',
  worsening:
    'Worse: two points above the week before, three days running. Step back, and talk to the surgeon.',
  low: 'At most 3 from day to day.',
  plateau: 'Not fallen by a point in a fortnight: review the plan.',
  onTrack: 'On track: fallen by a point in ten days.',
  slow: 'Slow: fallen by less than a point in ten days.',
  falling: 'Still falling.',
}
