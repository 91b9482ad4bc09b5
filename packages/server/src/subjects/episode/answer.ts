import {
  CONTRAINDICATION_NAMES,
  HEALING_ANCHORS,
  HEALTH_QUESTIONS,
  addDays,
  answerKind,
  burdenOf,
  clinicalDayAt,
  criterionMeaning,
  criterionQuestion,
  dayZero,
  foundHealth,
  gateStandings,
  daysBehind,
  daysBetween,
  isEarlyPermission,
  isReferredLate,
  isSurgeonsToGive,
  latestFacts,
  measuredHow,
  LOAD_BASE_CRITERIA,
  criteriaOfCase,
  milestones,
  orderLabel,
  standingOf,
  staleAfterDays,
  unansweredSelection,
  usualWay,
  wrongSchool,
  type Catalogue,
  type Criterion,
  type CriterionName,
  type FactLimits,
  type PatientCase,
} from '@pledge/core'
import type { CriterionAnswer, EpisodeAnswer } from '@pledge/contract'
import { gateWords } from '../../answers/gateWords.js'
import { overrideJson } from '../../answers/override.js'
import { openingsJson, verdictJson } from '../../answers/verdict.js'
import type { EpisodeRecord } from '../../data/episodeRecords.js'
import type { Given } from '../../plugins/serve.js'
import { reviewedOn, sourcedFacts, visitsOf, type SourcedFact } from '../../record/episodeCase.js'
import { signedItemsToday } from '../../record/programItems.js'

function criterionJson(
  criterion: Criterion,
  facts: ReadonlyMap<CriterionName, SourcedFact>,
  state: PatientCase,
  users: ReadonlyMap<string, string>,
  limits: FactLimits,
): CriterionAnswer {
  const latest = facts.get(criterion.name)
  const what = criterion.text
  return {
    what,
    name: criterion.name,
    kind: answerKind(criterion),
    meaning: criterionMeaning(what),
    question: criterionQuestion(what),
    usualWay: usualWay(what),
    status: standingOf(state).facts.status(criterion).name,
    isSurgeons: isSurgeonsToGive(what),
    staleAfterDays: staleAfterDays(criterion.name, limits),
    measured: measuredHow(criterion.name),
    latest: latest ? latestJson(latest, users) : null,
  }
}

function latestJson(
  { source, value, date, withdrawn }: SourcedFact,
  users: ReadonlyMap<string, string>,
): CriterionAnswer['latest'] {
  if (source.kind !== 'told') {
    // Pain from day to day is nobody's word: it is as of today.
    const visit = source.kind === 'measured' ? source.visit : null
    const who = (visit && users.get(visit.recordedBy)) ?? ''
    return {
      id: '',
      value: JSON.stringify(typeof value === 'number' ? Math.round(value * 10) / 10 : value),
      dated: visit?.evaluatedOn ?? date!,
      givenBy: who,
      how: 'measured',
      note: '',
      recordedBy: who,
      isWithdrawn: false,
      reading: source.reading,
    }
  }
  const { id, dated, givenBy, how, note, recordedBy } = source.row
  return {
    id,
    value: source.row.value,
    dated,
    givenBy,
    how,
    note,
    recordedBy: users.get(recordedBy) ?? '',
    isWithdrawn: withdrawn,
    reading: '',
  }
}

/** Everything the interface shows of a case: what is recorded, and what it means today. */
export function overview(
  record: EpisodeRecord,
  state: PatientCase,
  { crossCutting, equipment, exercises }: Catalogue,
  users: ReadonlyMap<string, string>,
  revision: string,
  today: string,
): Given<EpisodeAnswer> {
  const { episode, patient } = record
  const { protocol } = state
  const anchor = dayZero(state.day, today)
  const standing = standingOf(state)
  const newest = record.versions.at(-1)
  const cameOnDay = daysBetween(anchor, episode.openedOn)
  const behind = daysBehind(standing, state.day, cameOnDay)
  const criteria = criteriaOfCase(state)
  const facts = latestFacts(sourcedFacts(record, protocol, today), null)
  const json = (criterion: (typeof criteria)[number]) =>
    criterionJson(criterion, facts, state, users, crossCutting.facts)
  /** The clinic's day on which something was recorded. */
  const dayOf = (at: Date) => clinicalDayAt(at, episode.timeZone)
  const names = new Map(
    record.versions.flatMap((version) => version.items.map((item) => [item.itemId, item] as const)),
  )
  const numbers = new Map(record.versions.map((version) => [version.id, version.number]))
  return {
    revision,
    today,
    patient,
    others: record.others.map(({ episode: other }, place) => ({
      episodeId: other.id,
      side: other.side,
      digits: other.digits,
      condition: state.otherInjuries[place]!.state.condition.name.en,
      day: state.otherInjuries[place]!.state.day,
    })),
    episode: {
      ...episode,
      condition: state.condition.name.en,
      protocolId: protocol.id,
      protocol: protocol.school,
      evidence: protocol.evidence,
      sources: protocol.sources.map((source) => `${source.key} (${source.confidence})`),
      anchor: protocol.anchor,
      anchorOn: record.school.anchorOn,
      dayZeroOn: anchor,
      digits: episode.digits,
      variant: record.school.variant ? protocol.variants[record.school.variant]!.name.en : null,
      measuresWrist: [...protocol.guard, ...protocol.strengthMotions].some((motion) =>
        /^(wrist|forearm)\./.test(motion),
      ),
      therapist: users.get(episode.therapistId) ?? '',
      day: state.day,
      lastReviewOn: reviewedOn(record),
      daysSinceReview: daysBetween(reviewedOn(record), today),
      daysBehind: behind > crossCutting.behindScheduleDays ? behind : 0,
      cameLateOnDay: isReferredLate(standing, cameOnDay) ? cameOnDay : null,
    },
    phases: protocol.phases.map((phase, index) => ({
      id: phase.id,
      name: phase.name.en,
      startDay: phase.days[0],
      endDay: phase.days[1],
      startDate: addDays(anchor, phase.days[0]),
      goals: phase.goals,
      wear: phase.wear.map((wear) => wear.text.en),
      state:
        index < standing.index
          ? 'passed'
          : index === standing.index
            ? 'current'
            : standing.index >= 0 && index === standing.index + 1 && standing.heldBy.length > 0
              ? 'held'
              : 'ahead',
      entry: phase.entry.map(json),
      forbids: [...new Set(phase.forbid.map((rule) => rule.why?.en ?? ''))],
    })),
    gates: gateStandings(state).map(({ gate, isOpen, missing, barredBy }) => ({
      rule: gate.id,
      day: gate.from,
      date: addDays(anchor, gate.from),
      opens: gateWords(gate),
      isOpen,
      missing: missing.map(({ text }) => ({ what: text, meaning: criterionMeaning(text) })),
      barredBy: barredBy.map(({ en }) => en),
    })),
    standing: {
      phaseId: standing.phase?.id ?? null,
      frozen: standing.frozen,
      heldBy: standing.heldBy.map((criterion) => criterion.text),
      nextPhaseId: standing.next?.phase.id ?? null,
      nextDate: standing.next ? addDays(anchor, standing.next.earliestDay) : null,
    },
    criteria: criteria.map(json),
    wrongSchool: wrongSchool(protocol, standing.facts).map((criterion) => criterionMeaning(criterion.text)),
    unanswered: unansweredSelection(protocol, standing.facts).map(json),
    advice: state.condition.advice.map((one) => one.en),
    clock: protocol.clock && {
      restartIf: protocol.clock.restartIf.en,
      slips: record.slips,
    },
    shifts: record.shifts.map((shift) => ({
      ...shift,
      recordedBy: users.get(shift.recordedBy) ?? '',
      recordedOn: dayOf(shift.recordedAt),
    })),
    isHealing: HEALING_ANCHORS.includes(protocol.anchor),
    health: record.health && {
      present: [...record.health.present],
      note: record.health.note,
      recordedBy: users.get(record.health.recordedBy) ?? '',
      recordedOn: dayOf(record.health.recordedAt),
    },
    foundHealth: foundHealth(visitsOf(record), episode.side).map(({ word, ...found }) => ({
      ...found,
      name: CONTRAINDICATION_NAMES[word].en,
    })),
    home: record.home && {
      things: record.home.things?.map((id) => equipment.get(id)?.name.en ?? id) ?? null,
      thingIds: record.home.things ?? [],
      otherHand: record.home.otherHand,
      recordedBy: users.get(record.home.recordedBy) ?? '',
      recordedOn: dayOf(record.home.recordedAt),
    },
    overrides: record.overrides.map((override) => ({
      ...overrideJson(override, users, episode.timeZone),
      exercise: exercises.get(override.exerciseId)?.text.en.name ?? override.exerciseId,
    })),
    healthQuestions: HEALTH_QUESTIONS.map((word) => ({ word, name: CONTRAINDICATION_NAMES[word].en })),
    schools: record.schools.map((choice) => ({
      ...choice,
      school: choice.protocolId,
      chosenBy: users.get(choice.chosenBy) ?? '',
      chosenOn: dayOf(choice.chosenAt),
    })),
    orders: record.orders.map((order) => ({
      ...order,
      label: orderLabel(order.restriction),
      isEarly: isEarlyPermission(order.restriction),
    })),
    flags: record.openFlags.map((flag) => {
      const { name, todo, needsSurgeon } = crossCutting.redFlags.get(flag.flag)!
      return {
        id: flag.id,
        flag: flag.flag,
        name,
        todo,
        raisedAt: flag.raisedAt.toISOString(),
        needsSurgeon,
        fromPhone: flag.boutLogId !== null,
      }
    }),
    ownFlags: [
      ...protocol.redFlags.map(({ id, as, says }) => ({
        id,
        isRed: true,
        text: says.en,
        todo: crossCutting.redFlags.get(as)!.todo,
      })),
      ...protocol.yellowFlags.map(({ id, as, text }) => ({
        id,
        isRed: false,
        text,
        todo: crossCutting.yellowFlags.get(as)!.todo,
      })),
    ],
    raisableFlags: [...crossCutting.redFlags.values()].map(({ id, name, todo }) => ({
      flag: id,
      name,
      todo,
    })),
    milestones: milestones(protocol, crossCutting.milestones).map(({ act, name, fromDay, needs }) => ({
      act,
      name: name.en,
      day: fromDay,
      date: fromDay === null ? null : addDays(anchor, fromDay),
      needs,
    })),
    limits: {
      stopPain: crossCutting.response.stopPain,
      boutMinutes: crossCutting.bout.minutes,
      boutExercises: crossCutting.bout.exercises,
    },
    loadBase: LOAD_BASE_CRITERIA.map(({ text }) => criterionMeaning(text)),
    evaluations: record.evaluations,
    program: newest
      ? {
          id: newest.id,
          number: newest.number,
          signedOn: newest.signedOn,
          signedBy: users.get(newest.signedBy) ?? '',
          burden: burdenOf(newest.items),
          schools: newest.schools,
          items: signedItemsToday(record, state).map(({ item, orthosis, verdict, override, isPaused }) => ({
            itemId: item.itemId,
            exerciseId: item.exercise.id,
            name: item.exercise.text.en.name,
            dose: item.dose,
            digits: item.digits,
            isPaused,
            override: override && overrideJson(override, users, episode.timeZone),
            verdict: verdictJson(verdict, anchor, state.day),
            openings: openingsJson(item.exercise, item.dose, state, {
              orthosis,
              chosen: item.digits,
            }),
          })),
        }
      : null,
    versions: record.versions.map((version) => ({
      number: version.number,
      signedOn: version.signedOn,
      signedBy: users.get(version.signedBy) ?? '',
      exercises: version.items.length,
    })),
    bouts: [...record.bouts]
      .reverse()
      .slice(0, 60)
      .map((bout) => ({
        ...bout,
        programNumber: numbers.get(bout.programVersionId) ?? 0,
        startedAt: bout.startedAt.toISOString(),
        endedAt: bout.endedAt.toISOString(),
        receivedAt: bout.receivedAt.toISOString(),
        redFlags: bout.redFlags,
        items: bout.items.map((item) => {
          const signed = names.get(item.itemId)
          return {
            ...item,
            name: signed?.exercise.text.en.name ?? '',
            repetitionsAsked: signed ? signed.dose.sets * signed.dose.repetitions : 0,
          }
        }),
      })),
    devices: record.devices.map((device) => ({
      id: device.id,
      pairedAt: device.pairedAt.toISOString(),
      seenAt: device.seenAt.toISOString(),
      isRevoked: device.revokedAt !== null,
    })),
  }
}
