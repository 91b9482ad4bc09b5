import {
  MEASURED_HOW,
  MEASURING_TIERS,
  type DoseQuestion,
  type GoalState,
  type MeasureName,
} from '@pledge/core'
import type { Static } from 'typebox'
import { answerKind } from './referral.js'
import { bool, list, map, maybe, num, obj, str, whole, word, words } from './shapes.js'
import {
  anchor,
  contraindication,
  digits,
  dose,
  meant,
  mode,
  openings,
  overrideAnswer,
  overrideOf,
  overrideTerms,
  reading,
  readingPlace,
  side,
  verdict,
} from './shared.js'

/** Another episode of the same person: judged along. */
const other = obj({ episodeId: str, side, digits, condition: str, day: whole })

const criterion = obj({
  what: str,
  /** The fact it is judged by, and how that is answered. */
  name: str,
  kind: answerKind,
  meaning: str,
  /** What is asked, without the limit. */
  question: str,
  usualWay: words(['film', 'letter', 'measured', 'examined']),
  /** Whether readings tell it: then it is measured at the bench, not ticked. */
  measured: words(MEASURED_HOW),
  status: words(['met', 'neverRecorded', 'withdrawn', 'stale', 'notSo']),
  isSurgeons: bool,
  staleAfterDays: maybe(whole),
  latest: maybe(
    obj({
      id: str,
      value: str,
      dated: str,
      givenBy: str,
      how: str,
      note: str,
      recordedBy: str,
      isWithdrawn: bool,
      /** The reading it rests on; empty where somebody told it. */
      reading: str,
    }),
  ),
})
export type CriterionAnswer = Static<typeof criterion>

const phase = obj({
  id: str,
  name: str,
  startDay: whole,
  endDay: maybe(whole),
  startDate: str,
  goals: str,
  wear: list(str),
  state: words(['passed', 'current', 'held', 'ahead']),
  entry: list(criterion),
  forbids: list(str),
})
const gate = obj({
  rule: str,
  day: whole,
  date: str,
  opens: str,
  isOpen: bool,
  missing: list(meant),
  barredBy: list(str),
})
const evaluation = obj({
  id: str,
  /** Id of who measured. */
  recordedBy: str,
  evaluatedOn: str,
  note: str,
  readings: list(reading),
  /** What was measured before its time, why, and who agreed. */
  early: maybe(list(obj({ measures: list(word<MeasureName>()), why: str, agreedBy: str, document: str }))),
  /** What it was before it was corrected, oldest first. */
  before: list(obj({ id: str, note: str })),
})
export type EvaluationAnswer = Static<typeof evaluation>

/** What to measure today, and what of it the repair forbids. */
export const bench = obj({
  /** Injured digits, or those the school is about. */
  digits,
  /** Motions of wrist, forearm and elbow the school is about. */
  handMeasures: list(word<MeasureName>()),
  items: list(
    obj({
      id: str,
      tier: words(MEASURING_TIERS),
      says: str,
      why: str,
      isOneEnough: bool,
      isOnce: bool,
      lastOn: maybe(str),
      places: list(readingPlace),
    }),
  ),
  locks: list(
    obj({
      measure: word<MeasureName>(),
      digits: maybe(digits),
      kind: maybe(words(['active', 'passive'])),
      end: maybe(words(['flexed', 'extended'])),
      state: words(['locked', 'limited']),
      verdict,
      /** What measuring it before its time takes. */
      terms: overrideTerms,
    }),
  ),
  /** Where pushing a joint to its end waits. */
  overpressure: maybe(verdict),
  /** The patient's own tasks. */
  tasks: list(obj({ id: str, words: str })),
  goals: list(
    obj({
      id: str,
      words: str,
      series: str,
      target: num,
      setOn: str,
      setBy: str,
      dueOn: str,
      state: words(['notMeasured', 'reached', 'onWay', 'behind', 'tooFew', 'overdue'] satisfies GoalState[]),
      first: maybe(num),
      latest: maybe(num),
      latestOn: maybe(str),
      percent: maybe(num),
      neededPerWeek: maybe(num),
      perWeek: maybe(obj({ by: num, low: num, high: num })),
      isWithinError: bool,
    }),
  ),
  goalTemplates: list(obj({ words: str, series: str, target: maybe(num), source: str, confidence: str })),
  /** What happened to this hand, the newest first, with how many days ago. */
  history: list(
    obj({
      id: str,
      on: str,
      day: whole,
      what: str,
      detail: str,
      source: words(['episode', 'event', 'slip', 'flag']),
    }),
  ),
})
export type GoalAnswer = BenchAnswer['goals'][number]
export type HistoryAnswer = BenchAnswer['history'][number]
export type BenchAnswer = Static<typeof bench>
const programItem = obj({
  itemId: str,
  exerciseId: str,
  name: str,
  dose,
  /** The digits chosen for the patient; `null`: as the exercise is. */
  digits: maybe(digits),
  isPaused: bool,
  override: maybe(overrideAnswer),
  verdict,
  openings,
})
const bout = obj({
  id: str,
  programNumber: whole,
  startedAt: str,
  endedAt: str,
  receivedAt: str,
  painBefore: maybe(whole),
  painWorst: maybe(whole),
  painAfter: maybe(whole),
  endedBy: words(['done', 'left', 'stop']),
  redFlags: list(str),
  items: list(
    obj({
      itemId: str,
      name: str,
      outcome: words(['done', 'hurt', 'skipped', 'notReached']),
      repetitionsDone: whole,
      repetitionsAsked: whole,
      reason: str,
    }),
  ),
})
export type BoutAnswer = Static<typeof bout>

export const revision = obj({ revision: str })
/** The schools of dosing that were chosen, by question. */
export const chosenSchools = map<DoseQuestion, typeof str>(str)

/** Everything the interface shows of a case: what is recorded, and what it means today. */
export const episode = obj({
  revision: str,
  today: str,
  patient: obj({
    name: str,
    birthDate: str,
    dominantHand: str,
    language: words(['en', 'es']),
    hasLatexAllergy: bool,
    hasAdhesiveAllergy: bool,
  }),
  others: list(other),
  episode: obj({
    id: str,
    condition: str,
    conditionId: str,
    protocolId: str,
    protocol: str,
    evidence: str,
    sources: list(str),
    side,
    injuredOn: maybe(str),
    anchor,
    anchorOn: str,
    /** The date from which days count: the anchor, or later after a slip. */
    dayZeroOn: str,
    timeZone: str,
    digits,
    variant: maybe(str),
    measuresWrist: bool,
    surgeon: str,
    work: str,
    note: str,
    openedOn: str,
    therapist: str,
    day: whole,
    lastReviewOn: str,
    daysSinceReview: whole,
    /** Days past the planned start of a phase that still waits; 0 within the days the rules allow. */
    daysBehind: whole,
    /** The day the patient came, where the phase that waits should have begun before it. */
    cameLateOnDay: maybe(whole),
  }),
  phases: list(phase),
  gates: list(gate),
  standing: obj({
    phaseId: maybe(str),
    frozen: bool,
    heldBy: list(str),
    nextPhaseId: maybe(str),
    nextDate: maybe(str),
  }),
  criteria: list(criterion),
  wrongSchool: list(str),
  unanswered: list(criterion),
  advice: list(str),
  clock: maybe(obj({ restartIf: str, slips: list(obj({ slippedOn: str, creditDays: whole, why: str })) })),
  shifts: list(
    obj({
      id: str,
      days: whole,
      afterDay: whole,
      why: str,
      agreedBy: str,
      document: str,
      recordedBy: str,
      recordedOn: str,
    }),
  ),
  /** Whether what opens earlier needs the surgeon's word. */
  isHealing: bool,
  health: maybe(obj({ present: list(contraindication), note: str, recordedBy: str, recordedOn: str })),
  /** What was found at the bench that bars exercises as an answer about health does. */
  foundHealth: list(obj({ name: str, on: str, told: str })),
  home: maybe(
    obj({
      /** Names of what is at home; `null`: not asked. */
      things: maybe(list(str)),
      thingIds: list(str),
      otherHand: words(['well', 'hurt', 'notAsked']),
      recordedBy: str,
      recordedOn: str,
    }),
  ),
  overrides: list(overrideOf),
  healthQuestions: list(obj({ word: str, name: str })),
  schools: list(obj({ protocolId: str, school: str, anchorOn: str, why: str, chosenBy: str, chosenOn: str })),
  orders: list(
    obj({
      id: str,
      restriction: str,
      label: str,
      isEarly: bool,
      document: str,
      untilOn: maybe(str),
      givenBy: str,
      dated: str,
      why: str,
    }),
  ),
  flags: list(
    obj({ id: str, flag: str, name: str, todo: str, raisedAt: str, needsSurgeon: bool, fromPhone: bool }),
  ),
  /** What the protocol names besides the flags of every hand. */
  ownFlags: list(obj({ id: str, isRed: bool, text: str, todo: str })),
  raisableFlags: list(obj({ flag: str, name: str, todo: str })),
  milestones: list(obj({ act: str, name: str, day: maybe(whole), date: maybe(str), needs: str })),
  limits: obj({ stopPain: whole, boutMinutes: whole, boutExercises: whole }),
  /** What every load, test and stretch needs besides. */
  loadBase: list(str),
  evaluations: list(evaluation),
  program: maybe(
    obj({
      id: str,
      number: whole,
      signedOn: str,
      signedBy: str,
      burden: obj({ minutesPerBout: num, minutesPerDay: num, boutsPerDay: whole }),
      schools: chosenSchools,
      items: list(programItem),
    }),
  ),
  versions: list(obj({ number: whole, signedOn: str, signedBy: str, exercises: whole })),
  bouts: list(bout),
  devices: list(obj({ id: str, pairedAt: str, seenAt: str, isRevoked: bool })),
})
export type EpisodeAnswer = Static<typeof episode>

export const permissionMap = obj({
  orthosis: str,
  orthosisName: str,
  modes: list(obj({ mode, name: str })),
  rows: list(obj({ motion: str, name: str, cells: list(obj({ mode, verdict })) })),
  /** The one cause that keeps everything shut, told once. */
  barredBy: maybe(str),
})
export type PermissionMapAnswer = Static<typeof permissionMap>
