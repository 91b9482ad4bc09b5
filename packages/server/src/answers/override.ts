import { clinicalDayAt, coveringOverride, type OverrideTerms, type Verdict } from '@pledge/core'
import type { EpisodeRecord, StoredOverride } from '../data/episodeRecords.js'

/** A therapist's exception as the interface reads it: who, when, why, and what it rests on. */
export function overrideJson(override: StoredOverride, users: ReadonlyMap<string, string>, timeZone: string) {
  return {
    id: override.id,
    why: override.why,
    by: users.get(override.recordedBy) ?? '',
    on: clinicalDayAt(override.recordedAt, timeZone),
    agreedBy: override.agreedBy,
    document: override.document,
  }
}

/** The exception that covers a verdict of an exercise as it is, as the interface reads it; `null` where none does. */
export function overrideIn(
  record: EpisodeRecord,
  exerciseId: string,
  verdict: Verdict,
  users: ReadonlyMap<string, string>,
) {
  const override = coveringOverride(record.overrides, exerciseId, verdict, null)
  return override && overrideJson(override, users, record.episode.timeZone)
}

/** What an exception would take, as the interface reads it. */
export function termsJson(terms: OverrideTerms) {
  return terms.isPossible
    ? { isPossible: true, needsSurgeon: terms.needsSurgeon, why: '' }
    : { isPossible: false, needsSurgeon: false, why: terms.why.en }
}
