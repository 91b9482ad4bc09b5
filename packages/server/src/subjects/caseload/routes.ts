import {
  daysBehind,
  daysBetween,
  isReviewDue,
  standingOf,
  worstPainOf,
  type Catalogue,
  type ClinicalDay,
} from '@pledge/core'
import type { CaseloadRow } from '@pledge/contract'
import type { FastifyPluginAsync } from 'fastify'
import { todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import type { EpisodeRecord } from '../../data/episodeRecords.js'
import { caseOn, reviewedOn } from '../../record/episodeCase.js'
import { signedItemsToday } from '../../record/programItems.js'

/** Open episodes, those that need somebody first. Mounted at `/api/caseload`. */
export const caseload: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context
  serve(app, 'caseload', async ({ request }) => {
    const today = todayOf(context)
    const [ids, users] = await Promise.all([data.records.openIds(), data.users.names()])
    const records = await data.records.ofAll(ids)
    const cases = records.map((record) =>
      summary(record, request.catalogue, today, clock.now(), users.get(record.episode.therapistId) ?? ''),
    )
    await data.journal.note(told(context, request, 'caseload.read'), null)
    return { today, cases: cases.sort((a, b) => urgency(a) - urgency(b) || a.day - b.day) }
  })
}

const URGENCY: readonly CaseloadRow['attention'][number]['kind'][] = [
  'redFlag',
  'paused',
  'reviewDue',
  'behind',
  'held',
  'unsigned',
]

function urgency({ attention }: { attention: CaseloadRow['attention'] }): number {
  const ranks = attention.map(({ kind }) => URGENCY.indexOf(kind))
  return ranks.length > 0 ? Math.min(...ranks) : URGENCY.length
}

function summary(
  record: EpisodeRecord,
  catalogue: Catalogue,
  today: ClinicalDay,
  now: Date,
  therapist: string,
) {
  const { episode, patient } = record
  const state = caseOn(record, catalogue, today, now)
  const standing = standingOf(state)
  const lastBout = record.bouts.at(-1)
  const painRecent = record.bouts.slice(-14).flatMap((bout) => {
    const worst = worstPainOf(bout)
    return worst === null ? [] : [{ at: bout.endedAt.toISOString(), worst }]
  })
  const paused = signedItemsToday(record, state).filter(({ isPaused }) => isPaused)
  const attention: CaseloadRow['attention'] = []
  if (record.openFlags.length > 0)
    attention.push({ kind: 'redFlag', text: 'Red flag: everything is stopped' })
  else if (paused.length > 0)
    attention.push({
      kind: 'paused',
      text: `${paused.length} of ${record.versions.at(-1)!.items.length} exercises paused on the phone`,
    })
  const lastReview = reviewedOn(record)
  const { freezeAfterDays, behindScheduleDays } = catalogue.crossCutting
  if (standing.frozen)
    attention.push({
      kind: 'reviewDue',
      text: `Frozen: last review ${daysBetween(lastReview, today)} days ago`,
    })
  else if (isReviewDue(lastReview, today, freezeAfterDays))
    attention.push({ kind: 'reviewDue', text: `Review due: last on ${lastReview}` })
  const behind = daysBehind(standing, state.day)
  if (standing.next && behind > behindScheduleDays)
    attention.push({
      kind: 'behind',
      text: `${behind} days behind: ${standing.next.phase.name.en} still waits. Talk it over with the surgeon`,
    })
  else if (standing.heldBy.length > 0 && standing.next)
    attention.push({
      kind: 'held',
      text: `${standing.next.phase.name.en} waits for ${standing.heldBy.length} ${standing.heldBy.length === 1 ? 'criterion' : 'criteria'}`,
    })
  if (record.versions.length === 0) attention.push({ kind: 'unsigned', text: 'No program signed yet' })
  return {
    episodeId: episode.id,
    patient: patient.name,
    side: episode.side,
    condition: state.condition.name.en,
    therapist,
    day: state.day,
    phase: standing.phase && {
      id: standing.phase.id,
      name: standing.phase.name.en,
      number: standing.index + 1,
      of: state.protocol.phases.length,
    },
    lastBoutAt: lastBout?.endedAt.toISOString() ?? null,
    painRecent,
    lastPain: painRecent.at(-1)?.worst ?? null,
    attention,
  }
}
