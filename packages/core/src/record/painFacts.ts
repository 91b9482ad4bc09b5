import { clinicalDayAt, daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'
import { numberOf } from '../measurement/readings/reading.js'
import type { Visit } from '../measurement/readings/visits.js'
import {
  PAIN_TREND_SAYS,
  painTrend,
  type DayPain,
  type PainTrendWord,
} from '../measurement/symptoms/painTrend.js'
import type { RecordedFact } from '../protocol/facts.js'
import type { CriterionName } from '../vocabulary/vocabulary.js'
import { worstPainOf, type BoutPain } from './boutAtHome.js'

/** Criteria that pain from day to day tells, where enough days have a score. */
export const PAIN_TREND_CRITERIA = ['trend.down', 'improved'] as const satisfies readonly CriterionName[]

/** Days before today whose pain a trend can rest on: a fortnight ago a week of scores, and the days before a worse week. */
export const PAIN_TREND_DAYS = 21

/** Conditions in which a plateau of pain already matters at ten days. Source: A3 (medium). */
const ACUTE_SPRAINS: readonly string[] = ['wrist-sprain', 'pip-collateral-sprain']

/** The pain of each day: the worst of its bouts, and at a visit that of motion and of the morning. */
export function painsByDay(
  bouts: readonly (BoutPain & { readonly startedAt: Date })[],
  visits: readonly Visit[],
  timeZone: string,
): DayPain[] {
  const atHome = bouts.flatMap((bout): DayPain[] => {
    const pain = worstPainOf(bout)
    return pain === null ? [] : [{ on: clinicalDayAt(bout.startedAt, timeZone), pain }]
  })
  const said = visits.flatMap(({ on, readings }) =>
    readings.flatMap(({ measure, result }): DayPain[] => {
      const pain = measure === 'painAct' || measure === 'painMorning' ? numberOf(result) : null
      return pain === null ? [] : [{ on, pain }]
    }),
  )
  return [...atHome, ...said]
}

/** What the trend of pain is told about. */
export interface PainCourse {
  readonly conditionId: string
  /** The date of day 0. */
  readonly dayZeroOn: ClinicalDay
}

/** How pain goes in a case. */
export function painTrendOf(
  pains: readonly DayPain[],
  { conditionId, dayZeroOn }: PainCourse,
  today: ClinicalDay,
): PainTrendWord {
  return painTrend(pains, today, daysBetween(dayZeroOn, today), ACUTE_SPRAINS.includes(conditionId))
}

/**
 * What pain from day to day says of "symptoms falling" and "better than at the start", as of today. A plateau or a rise speaks against
 * both, whoever said otherwise. A fall speaks for the first, unless a person said no or took their yes back: they may know of more
 * than pain. A slow fall, or too few days, leaves both to a person.
 *
 * Source: A3 of the rules for all; `review.md` 7 and 10.
 *
 * @param facts - told about the case, in the order of recording
 */
export function painFacts(
  pains: readonly DayPain[],
  facts: readonly RecordedFact[],
  course: PainCourse,
  today: ClinicalDay,
): readonly (RecordedFact & { readonly told: string })[] {
  const word = painTrendOf(pains, course, today)
  const said = { date: today, withdrawn: false, told: `pain from day to day: ${PAIN_TREND_SAYS[word]}` }
  if (word === 'plateau' || word === 'worsening')
    return PAIN_TREND_CRITERIA.map((what) => ({ ...said, what, value: false }))
  if (word !== 'low' && word !== 'onTrack' && word !== 'falling') return []
  const last = facts.findLast(({ what }) => what === 'trend.down')
  const isDenied = last !== undefined && (last.withdrawn || last.value === false)
  return isDenied ? [] : [{ ...said, what: 'trend.down', value: true }]
}
