import {
  addDays,
  dayZero,
  standingOf,
  type Catalogue,
  type ClinicalDay,
  type HouseEdit,
  type PatientCase,
} from '@pledge/core'
import type { DraftItem } from '@pledge/core/schemas'
import { gateWords } from '../../answers/gateWords.js'
import type { Data } from '../../data/data.js'
import type { StandingRecord } from '../../data/episodeRecords.js'
import { boutsThatCount, caseOn } from '../../record/episodeCase.js'
import { judgedItems, signedItemsToday } from '../../record/programItems.js'

/** What a change of the clinic's catalogue would do to one open case. */
export interface CaseEffect {
  readonly episodeId: string
  readonly patient: string
  readonly side: 'left' | 'right'
  readonly therapistId: string
  readonly changes: readonly string[]
}

const VERDICT_WORDS = { clear: 'clear', 'with-care': 'with care', 'not-yet': 'not yet', never: 'never here' }

/** The open cases whose phase, gates, program or draft would be judged otherwise, with what changes in each. */
export async function affectedCases(
  data: Data,
  { before, after, edit }: { before: Catalogue; after: Catalogue; edit: HouseEdit },
  today: ClinicalDay,
  now: Date,
): Promise<CaseEffect[]> {
  const ids = await data.records.openIds()
  const [records, drafts] = await Promise.all([
    data.records.standings(ids, boutsThatCount(before, now)),
    data.programs.draftsOf(ids),
  ])
  const effects: CaseEffect[] = []
  for (const record of records) {
    if (!isConcerned(record, edit)) continue
    const items = (drafts.get(record.episode.id)?.items ?? []) as DraftItem[]
    const then = caseOn(record, before, today, now)
    const next = caseOn(record, after, today, now)
    const changes = [
      ...phaseChanges(then, next, today),
      ...gateChanges(then, next, today),
      ...programChanges(record, then, next),
      ...draftChanges(record, items, then, next, before, after),
      ...doseNotes(record, items, edit, before),
    ]
    if (changes.length > 0)
      effects.push({
        episodeId: record.episode.id,
        patient: record.patient.name,
        side: record.episode.side,
        therapistId: record.episode.therapistId,
        changes: [...new Set(changes)],
      })
  }
  return effects
}

function isConcerned(record: StandingRecord, edit: HouseEdit): boolean {
  switch (edit.kind) {
    case 'phase':
    case 'gate':
      return record.school.protocolId === edit.protocolId
    case 'week':
      return record.episode.conditionId === edit.conditionId
    case 'dose':
      return true
  }
}

function phaseChanges(then: PatientCase, next: PatientCase, today: ClinicalDay): string[] {
  const [a, b] = [standingOf(then), standingOf(next)]
  const nameOf = (phase: { name: { en: string } } | null) => (phase ? `"${phase.name.en}"` : 'not started')
  const now =
    a.phase?.id === b.phase?.id ? [] : [`Today in ${nameOf(b.phase)} instead of ${nameOf(a.phase)}.`]
  const zero = dayZero(next.day, today)
  const ahead = next.protocol.phases.flatMap((phase) => {
    const was = then.protocol.phases.find(({ id }) => id === phase.id)
    return was && was.days[0] !== phase.days[0] && Math.max(was.days[0], phase.days[0]) > next.day
      ? [
          `"${phase.name.en}" from day ${phase.days[0]}, ${addDays(zero, phase.days[0])}, instead of day ${was.days[0]}.`,
        ]
      : []
  })
  return [...now, ...ahead]
}

function gateChanges(then: PatientCase, next: PatientCase, today: ClinicalDay): string[] {
  const zero = dayZero(next.day, today)
  return next.protocol.gates.flatMap((gate) => {
    const was = then.protocol.gates.find(({ key }) => key === gate.key)
    return was && was.from !== gate.from && Math.max(was.from, gate.from) > next.day
      ? [
          `${gateWords(gate)}: from day ${gate.from}, ${addDays(zero, gate.from)}, instead of day ${was.from}.`,
        ]
      : []
  })
}

/** Signed items keep their own copy of the exercise; what may be done of them today follows the windows. */
function programChanges(record: StandingRecord, then: PatientCase, next: PatientCase): string[] {
  const after = signedItemsToday(record, next)
  return signedItemsToday(record, then).flatMap(({ item, verdict, isPaused }, place) => {
    const other = after[place]!
    const name = item.exercise.text.en.name
    const pause =
      isPaused === other.isPaused
        ? ''
        : other.isPaused
          ? ' It pauses on the phone.'
          : ' It goes on on the phone.'
    return verdict.kind === other.verdict.kind && pause === ''
      ? []
      : [
          `Signed: ${name} ${VERDICT_WORDS[other.verdict.kind]} instead of ${VERDICT_WORDS[verdict.kind]}.${pause}`,
        ]
  })
}

function draftChanges(
  record: StandingRecord,
  items: readonly DraftItem[],
  then: PatientCase,
  next: PatientCase,
  before: Catalogue,
  after: Catalogue,
): string[] {
  const later = judgedItems(items, next, after, { record })
  return judgedItems(items, then, before, { record }).flatMap((was, place) => {
    const is = later[place]!
    const name = was.exercise.text.en.name
    if (is.verdict.kind !== was.verdict.kind)
      return [
        `Draft: ${name} ${VERDICT_WORDS[is.verdict.kind]} instead of ${VERDICT_WORDS[was.verdict.kind]}.`,
      ]
    const [from, to] = [was.verdict.fromDay, is.verdict.fromDay]
    return from === to ? [] : [`Draft: ${name} from day ${to ?? 'never'} instead of day ${from ?? 'never'}.`]
  })
}

/** A new usual dose changes no program: who has the exercise is told all the same. */
function doseNotes(
  record: StandingRecord,
  items: readonly DraftItem[],
  edit: HouseEdit,
  before: Catalogue,
): string[] {
  if (edit.kind !== 'dose') return []
  const name = before.exercises.get(edit.exerciseId)?.text.en.name ?? edit.exerciseId
  const isSigned = record.versions.at(-1)?.items.some(({ exercise }) => exercise.id === edit.exerciseId)
  const isDrafted = items.some(({ exerciseId }) => exerciseId === edit.exerciseId)
  if (isSigned) return [`Signed: ${name} stays at the dose it was signed with.`]
  return isDrafted ? [`Draft: ${name} keeps the dose it was given.`] : []
}
