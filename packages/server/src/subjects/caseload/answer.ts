import { needsOf, standingOf, worstPainOf, type Catalogue, type ClinicalDay } from '@pledge/core'
import type { CaseloadRow } from '@pledge/contract'
import type { StandingRecord } from '../../data/episodeRecords.js'
import { caseOn, reviewedOn } from '../../record/episodeCase.js'
import { signedItemsToday } from '../../record/programItems.js'

/** Bouts whose pain a row shows. */
export const TRACED_BOUTS = 14

/** A row of the caseload as far as it rests on the record; its therapist's name is added when it is asked for. */
export interface JudgedRow extends Omit<CaseloadRow, 'therapist'> {
  readonly therapistId: string
}

/** An open episode with all that it needs somebody for. */
export function judgedRow(
  record: StandingRecord,
  catalogue: Catalogue,
  today: ClinicalDay,
  now: Date,
): JudgedRow {
  const { episode, patient, versions } = record
  const state = caseOn(record, catalogue, today, now)
  const { phase, index } = standingOf(state)
  const painRecent = record.bouts.slice(-TRACED_BOUTS).flatMap((bout) => {
    const worst = worstPainOf(bout)
    return worst === null ? [] : [{ at: bout.endedAt.toISOString(), worst }]
  })
  const items = versions.length > 0 ? signedItemsToday(record, state) : null
  return {
    episodeId: episode.id,
    patient: patient.name,
    side: episode.side,
    condition: state.condition.name.en,
    therapistId: episode.therapistId,
    day: state.day,
    phase: phase && {
      id: phase.id,
      name: phase.name.en,
      number: index + 1,
      of: state.protocol.phases.length,
    },
    lastBoutAt: record.bouts.at(-1)?.endedAt.toISOString() ?? null,
    painRecent,
    lastPain: painRecent.at(-1)?.worst ?? null,
    attention: needsOf(
      state,
      { today, lastReviewOn: reviewedOn(record), openedOn: episode.openedOn, items },
      catalogue.crossCutting,
    ),
  }
}
