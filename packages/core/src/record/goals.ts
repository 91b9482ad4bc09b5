import { reaches } from '../anatomy/checked.js'
import { daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'
import { errorOfMeasure } from '../measurement/change/measureErrors.js'
import { seriesCourse, seriesFacts, type Series } from '../measurement/readings/series.js'

/** What the patient wants to do again, tied to a measure with the value it takes, by a day. */
export interface Goal {
  readonly id: string
  readonly words: string
  /** The series it is read from: `tam.ring`, `grip..left.`, `pip.ring.left.active.flexed`. */
  readonly series: string
  /** In the unit and direction of the series. */
  readonly target: number
  readonly setOn: ClinicalDay
  readonly dueOn: ClinicalDay
}

/** Where a goal stands: never measured, reached, coming at this rate, not coming at this rate, too few readings, or past its day. */
export type GoalState = 'notMeasured' | 'reached' | 'onWay' | 'behind' | 'tooFew' | 'overdue'

export interface GoalProgress {
  readonly state: GoalState
  readonly first: number | null
  readonly latest: number | null
  readonly latestOn: ClinicalDay | null
  /** Share of the way from the first reading to the target, 0 to 100; `null` where there is no way to go or nothing was read. */
  readonly percent: number | null
  /** What a week must bring until the day it is due, in the direction of the series; `null` once reached or due. */
  readonly neededPerWeek: number | null
  /** What a week brought over the last six weeks, with its 95 % interval; `null` with too few readings. */
  readonly perWeek: { readonly by: number; readonly low: number; readonly high: number } | null
  /** Reached or missed by less than the error of a reading: another reading may say otherwise. */
  readonly isWithinError: boolean
}

/**
 * Where a goal stands on a day, by the readings of its series. On its way: the upper end of what the last six weeks brought a week is
 * enough. It is a comparison of rates, no forecast.
 *
 * @param series - `null` where nothing of it was ever read
 */
export function goalProgress(goal: Goal, series: Series | null, today: ClinicalDay): GoalProgress {
  const [first, latest] = [series?.points[0] ?? null, series?.points.at(-1) ?? null]
  const { isMoreBetter, error } = seriesFacts(goal.series)
  const turned = isMoreBetter ? 1 : -1
  const NOTHING = { percent: null, neededPerWeek: null, perWeek: null, isWithinError: false }
  if (!series || !first || !latest)
    return { ...NOTHING, state: 'notMeasured', first: null, latest: null, latestOn: null }
  const missing = (goal.target - latest.value) * turned
  const way = (goal.target - first.value) * turned
  const isReached = reaches(latest.value * turned, goal.target * turned)
  const read = { first: first.value, latest: latest.value, latestOn: latest.on }
  const percent = isReached ? 100 : way > 0 ? Math.max(0, Math.min(100, 100 * (1 - missing / way))) : null
  const isWithinError = error !== null && Math.abs(missing) < errorOfMeasure(error, 'same').mdc95
  const { perWeek } = seriesCourse(series)
  const known = { ...read, percent, perWeek, isWithinError }
  if (isReached) return { ...known, state: 'reached', neededPerWeek: null }
  const weeks = daysBetween(today, goal.dueOn) / 7
  if (weeks <= 0) return { ...known, state: 'overdue', neededPerWeek: null }
  const neededPerWeek = (missing / weeks) * turned
  if (!perWeek) return { ...known, state: 'tooFew', neededPerWeek }
  const best = turned === 1 ? perWeek.high : -perWeek.low
  return { ...known, state: reaches(best, missing / weeks) ? 'onWay' : 'behind', neededPerWeek }
}
