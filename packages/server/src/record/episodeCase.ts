import {
  CoreError,
  criteriaOfProtocol,
  foundHealth,
  hoursStillCounted,
  lastReviewOn,
  measuredFacts,
  motionsOfConcern,
  painFacts,
  PAIN_TREND_CRITERIA,
  PAIN_TREND_DAYS,
  painsByDay,
  patientCaseOf,
  worstPainOf,
  type CaseRecord,
  type Catalogue,
  type ClinicalDay,
  type CriterionName,
  type DayPain,
  type LoggedPain,
  type Measured,
  type PatientCase,
  type Protocol,
  type RecordedFact,
  type Visit,
} from '@pledge/core'
import type { StandingRecord, StoredEvaluation } from '../data/episodeRecords.js'
import type { FactRow } from '../data/rows.js'

/** The case that core judges, on a day, with the patient's other injuries. */
export function caseOn(
  record: StandingRecord,
  catalogue: Catalogue,
  today: ClinicalDay,
  now: Date,
): PatientCase {
  const ofEpisode = (one: StandingRecord, others: CaseRecord['others'] = []) =>
    caseRecordOf(one, catalogue, today, now, others)
  const others = record.others.map((other) => ({
    hand: other.episode.side === record.episode.side ? ('same' as const) : ('other' as const),
    record: ofEpisode(other),
  }))
  return patientCaseOf(ofEpisode(record, others), catalogue, today)
}

/** An episode's rows in the words of core. */
function caseRecordOf(
  record: StandingRecord,
  catalogue: Catalogue,
  today: ClinicalDay,
  now: Date,
  others: NonNullable<CaseRecord['others']>,
): CaseRecord {
  const { episode, patient, school } = record
  const protocol = catalogue.protocols.get(school.protocolId)
  const condition = catalogue.conditions.get(episode.conditionId)
  if (!protocol || !condition)
    throw new CoreError('PROTOCOL_UNKNOWN', 'protocolId', `The catalogue no longer has ${school.protocolId}.`)
  return {
    protocol,
    condition,
    binding: {
      variant: school.variant,
      values: school.patientValues as Record<string, number>,
      shifts: record.shifts.map((shift) => [shift.days, shift.afterDay] as const),
    },
    counted: {
      anchorOn: school.anchorOn,
      slips: record.slips.map((slip) => ({ on: slip.slippedOn, creditDays: slip.creditDays })),
    },
    digits: episode.digits,
    facts: sourcedFacts(record, protocol, today),
    loggedPain: loggedPain(record, now),
    orders: record.orders.map((order) => ({
      ...order,
      why: `${order.why} (${order.givenBy}, ${order.dated})`,
      document: order.document || null,
    })),
    isLocked: record.openFlags.length > 0,
    lastReviewOn: reviewedOn(record),
    contraindications: [
      ...(patient.hasLatexAllergy ? (['latex'] as const) : []),
      ...(patient.hasAdhesiveAllergy ? (['adhesive'] as const) : []),
      ...(record.health?.present ?? []),
      ...foundHealth(visitsOf(record), episode.side).map(({ word }) => word),
    ],
    isHealthAsked: record.health !== null,
    things: record.home?.things ?? null,
    otherHand: !record.home || record.home.otherHand === 'notAsked' ? null : record.home.otherHand,
    others,
  }
}

/** The last day a therapist reviewed the case. */
export function reviewedOn({ episode, evaluations, versions }: StandingRecord): ClinicalDay {
  return lastReviewOn({
    openedOn: episode.openedOn,
    evaluatedOn: evaluations.map((one) => one.evaluatedOn),
    signedOn: versions.map((one) => one.signedOn),
  })
}

/** A fact with what it rests on: a row somebody wrote, the readings of a visit, or pain from day to day. */
export interface SourcedFact extends RecordedFact {
  readonly seq: number
  readonly source:
    | { readonly kind: 'told'; readonly row: FactRow }
    | { readonly kind: 'measured'; readonly visit: StoredEvaluation; readonly reading: string }
    | { readonly kind: 'logged'; readonly reading: string }
}

/** What the bench knows of a record besides its readings. */
export function measuredOf({ episode, patient }: StandingRecord, protocol: Protocol): Measured {
  return {
    side: episode.side,
    digits: episode.digits,
    handedness: patient.dominantHand,
    motions: [...motionsOfConcern(protocol)],
    nerves: [...protocol.guardNerve],
  }
}

/** The visits of a record as core reads them. */
export function visitsOf({ evaluations }: StandingRecord): Visit[] {
  return evaluations.map(({ evaluatedOn, recordedBy, readings }) => ({
    on: evaluatedOn,
    by: recordedBy,
    readings,
  }))
}

/** The pain of each day of a record, at home and at its visits. */
export function painsOf(record: StandingRecord): DayPain[] {
  return painsByDay(record.bouts, visitsOf(record), record.episode.timeZone)
}

/**
 * Facts that were told and what the readings of each visit tell, in the order the database gave them; last what pain from day to day
 * tells today. A withdrawal holds from the
 * day of what it withdraws on, whatever day the clock of its server showed.
 */
export function sourcedFacts(record: StandingRecord, protocol: Protocol, today: ClinicalDay): SourcedFact[] {
  const datedOf = new Map(record.facts.map((row) => [row.id, row.dated]))
  const facts = record.facts.map((row) => {
    const target = (row.correctsId && datedOf.get(row.correctsId)) || row.dated
    return {
      seq: row.seq,
      what: row.what as RecordedFact['what'],
      value: JSON.parse(row.value) as boolean | number | string,
      date: row.dated < target ? target : row.dated,
      withdrawn: row.isWithdrawn,
      source: { kind: 'told' as const, row },
    }
  })
  const found = measuredFacts(visitsOf(record), measuredOf(record, protocol)).flatMap((ofVisit, place) => {
    const visit = record.evaluations[place]!
    return ofVisit.map(({ told, ...fact }) => ({
      ...fact,
      seq: visit.seq,
      source: { kind: 'measured' as const, visit, reading: told },
    }))
  })
  const known = [...facts, ...found].sort((a, b) => a.seq - b.seq)
  const course = { conditionId: record.episode.conditionId, dayZeroOn: record.school.anchorOn }
  const fromPain = painFacts(painsOf(record), known, course, today).map(({ told, ...fact }) => ({
    ...fact,
    seq: known.at(-1)?.seq ?? 0,
    source: { kind: 'logged' as const, reading: told },
  }))
  return [...known, ...fromPain]
}

function loggedPain(record: StandingRecord, now: Date): LoggedPain[] {
  return record.bouts.map((bout) => ({
    hoursAgo: Math.max(0, (now.getTime() - bout.endedAt.getTime()) / 3_600_000),
    before: bout.painBefore,
    worst: worstPainOf(bout),
  }))
}

/**
 * Until when a case stays as it is while its record and the clinical day do: the first pain logged at home that no longer counts
 * then. `null`: until the day ends.
 */
export function caseStaysUntil(record: StandingRecord, { crossCutting }: Catalogue, now: Date): Date | null {
  const hours = [record, ...record.others]
    .flatMap((one) => loggedPain(one, now))
    .map((pain) => hoursStillCounted(pain, crossCutting.facts))
    .filter((left) => left >= 0)
  return hours.length > 0 ? new Date(now.getTime() + Math.min(...hours) * 3_600_000) : null
}

/** The bouts that a case of today rests on, and the newest few besides; where a school asks for the trend of pain, those it rests on. */
export function boutsThatCount(catalogue: Catalogue, now: Date, atLeast = 0) {
  const ago = (hours: number) => new Date(now.getTime() - hours * 3_600_000)
  return {
    since: ago(catalogue.crossCutting.facts.loggedPainHours),
    atLeast,
    longer: { since: ago(24 * (PAIN_TREND_DAYS + 2)), protocolIds: schoolsOfTrend(catalogue) },
  }
}

const trendSchools = new WeakMap<Catalogue, readonly string[]>()
/** Schools in which something waits for the trend of pain. */
function schoolsOfTrend(catalogue: Catalogue): readonly string[] {
  let found = trendSchools.get(catalogue)
  if (!found) {
    const names: readonly CriterionName[] = PAIN_TREND_CRITERIA
    found = [...catalogue.protocols.values()]
      .filter((protocol) => criteriaOfProtocol(protocol).some(({ name }) => names.includes(name)))
      .map(({ id }) => id)
    trendSchools.set(catalogue, found)
  }
  return found
}
