import {
  ANCHOR_WORDS,
  clinicalDayAt,
  goalProgress,
  goalTemplates,
  HAND_EVENT_WORDS,
  handHistory,
  seriesOf,
  type Catalogue,
  type ClinicalDay,
  type Measured,
} from '@pledge/core'
import type { BenchAnswer } from '@pledge/contract'
import type { EpisodeRecord, StandingRecord } from '../../data/episodeRecords.js'
import { visitsOf } from '../../record/episodeCase.js'

/** Tasks, goals with where they stand, and goals one may begin from. */
export function aimsJson(
  record: EpisodeRecord,
  about: Measured,
  users: ReadonlyMap<string, string>,
  today: ClinicalDay,
): Pick<BenchAnswer, 'tasks' | 'goals' | 'goalTemplates'> {
  const visits = visitsOf(record)
  const series = new Map(seriesOf(visits, about.side).map((one) => [one.id, one]))
  const tasks = record.tasks.map(({ id, words }) => ({ id, words }))
  return {
    tasks,
    goals: record.goals.map((goal) => ({
      ...goal,
      setBy: users.get(goal.recordedBy) ?? '',
      ...goalProgress(goal, series.get(goal.series) ?? null, today),
    })),
    goalTemplates: goalTemplates(about, tasks, visits),
  }
}

/** Everything on record that happened to the hand of an episode, with how long ago it was. */
export function historyOf(
  record: EpisodeRecord,
  catalogue: Catalogue,
  today: ClinicalDay,
): BenchAnswer['history'] {
  const { side } = record.episode
  const ofHand: readonly StandingRecord[] = [
    record,
    ...record.others.filter(({ episode }) => episode.side === side),
  ]
  const anchors = ofHand.flatMap(({ episode, school }) => {
    const condition = catalogue.conditions.get(episode.conditionId)?.name.en ?? episode.conditionId
    const anchor = catalogue.protocols.get(school.protocolId)?.anchor
    const detail = [episode.digits.join(', '), episode.surgeon].filter(Boolean).join('; ')
    const injury =
      episode.injuredOn && episode.injuredOn !== school.anchorOn
        ? [
            {
              id: episode.id,
              on: episode.injuredOn,
              what: `${condition}: injury`,
              detail: '',
              source: 'episode' as const,
            },
          ]
        : []
    return [
      {
        id: episode.id,
        on: school.anchorOn,
        what: `${condition}: ${anchor ? ANCHOR_WORDS[anchor] : 'day 0'}`,
        detail,
        source: 'episode' as const,
      },
      ...injury,
    ]
  })
  const slips = ofHand.flatMap((one) =>
    one.slips.map(({ id, slippedOn, why }) => ({
      id,
      on: slippedOn,
      what: 'Bent out of the orthosis',
      detail: why,
      source: 'slip' as const,
    })),
  )
  const flags = ofHand.flatMap((one) =>
    [...one.openFlags, ...one.liftedFlags.map(({ raised }) => raised)].map(({ id, flag, raisedAt }) => ({
      id,
      on: clinicalDayAt(raisedAt, one.episode.timeZone),
      what: catalogue.crossCutting.redFlags.get(flag)?.name ?? flag,
      detail: 'Red flag',
      source: 'flag' as const,
    })),
  )
  const events = record.events.map(({ id, happenedOn, kind, words, givenBy }) => ({
    id,
    on: happenedOn,
    what: HAND_EVENT_WORDS[kind],
    detail: [words, givenBy].filter(Boolean).join('; '),
    source: 'event' as const,
  }))
  return handHistory([...anchors, ...events, ...slips, ...flags], today)
}
