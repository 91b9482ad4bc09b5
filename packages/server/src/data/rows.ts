import type {
  ChosenSchools,
  Digit,
  HandEventKind,
  HouseEdit,
  MeasureName,
  ReadingKind,
  RedFlag,
  Result,
  Side,
} from '@pledge/core'

/** What every row of an episode's record has: what comes after what, and what was sent under its id. */
export interface RecordRow {
  id: string
  episodeId: string
  /** Counted by the database within the episode: later rows have greater numbers, whatever any clock says. */
  seq: number
  /** Of what was sent; empty for rows stored before there were digests. */
  digest: string
}
/** A row of what somebody told or did. */
export interface RecordedRow extends RecordRow {
  recordedBy: string
  recordedAt: Date
}
/** Rows as the application sees them; one type a table. */
export interface UserRow {
  id: string
  login: string
  name: string
  role: Role
  passwordHash: string
  isActive: boolean
  createdAt: Date
}
export type Role = 'lead' | 'therapist' | 'assistant'
export interface SessionRow {
  id: string
  userId: string | null
  data: string
  expiresAt: Date
}
export interface PatientRow {
  id: string
  /** The id of the person's first row: each referral has a row of its own. */
  personId: string
  name: string
  birthDate: string
  dominantHand: 'left' | 'right' | 'both'
  language: 'en' | 'es'
  hasLatexAllergy: boolean
  hasAdhesiveAllergy: boolean
  createdBy: string
  createdAt: Date
}
export interface EpisodeRow {
  id: string
  patientId: string
  therapistId: string
  conditionId: string
  side: 'left' | 'right'
  /** The injured digits; empty = not stated. */
  digits: Digit[]
  timeZone: string
  injuredOn: string | null
  surgeon: string
  work: string
  note: string
  openedOn: string
  createdAt: Date
}
/** The school an episode follows from then on; the newest counts. */
export interface SchoolChoiceRow extends RecordRow {
  protocolId: string
  variant: string | null
  patientValues: unknown
  anchorOn: string
  why: string
  chosenBy: string
  chosenAt: Date
}
/** A bend out of the orthosis that makes the days count anew. */
export interface SlipRow extends RecordedRow {
  slippedOn: string
  creditDays: number
  why: string
}
export interface WindowShiftRow extends RecordedRow {
  /** It moves the windows of this choice of a school only. */
  schoolChoiceId: string
  days: number
  afterDay: number
  why: string
  /** Who of the surgeons agreed to what opens earlier; empty where nothing does. */
  agreedBy: string
  document: string
  withdrawsId: string | null
}
export interface HealthCheckRow extends RecordedRow {
  /** What was so; every other question was asked and is not so. */
  present: unknown
  note: string
}
/** One change of the clinic's catalogue; the number names the state of the catalogue from then on. */
export interface HouseEditRow {
  id: string
  number: number
  digest: string
  subject: string
  edit: HouseEdit
  /** Of the protocol whose window it moves, when it was made; `null` for an exercise. */
  protocolVersion: number | null
  /** What was in force before. */
  beforeValue: string
  why: string
  agreedBy: string
  document: string
  withdrawsId: string | null
  recordedBy: string
  recordedAt: Date
}
/** A therapist's exception for one exercise of one patient. */
export interface OverrideRow extends RecordedRow {
  exerciseId: string
  dose: unknown
  /** The digits it was made for; `null`: the exercise as it is, with any. */
  digits: unknown
  /** What it covers, by name of rule and motion. */
  barredBy: unknown
  /** The version of each protocol it was made for. */
  protocolVersions: unknown
  why: string
  agreedBy: string
  document: string
  withdrawsId: string | null
}
/** What is at home to exercise with (`null`: not asked), and whether the other hand can help; the newest counts. */
export interface HomeCheckRow extends RecordedRow {
  things: string[] | null
  otherHand: 'well' | 'hurt' | 'notAsked'
}
export interface FactRow extends RecordedRow {
  what: string
  value: string
  isWithdrawn: boolean
  dated: string
  givenBy: string
  how: 'letter' | 'phone' | 'inPerson' | 'film' | 'examined' | 'measured'
  note: string
  correctsId: string | null
}
export interface OrderRow extends RecordedRow {
  restriction: string
  untilOn: string | null
  givenBy: string
  dated: string
  why: string
  /** What an order that opens something early rests on; empty for a restriction. */
  document: string
  withdrawsId: string | null
}
export interface EvaluationRow extends RecordedRow {
  evaluatedOn: string
  note: string
  /** The visit this one corrects, as a whole: then only this one counts. */
  amendsId: string | null
  /** What was measured before its time; `null`: nothing. */
  early: readonly MeasuredEarly[] | null
}
export interface MeasuredEarly {
  readonly measures: readonly MeasureName[]
  readonly why: string
  /** Who of the surgeons agreed, and where that stands; empty where nothing heals that asks for it. */
  readonly agreedBy: string
  readonly document: string
}
/** One thing measured at an evaluation; an empty word where it has no digit, side or kind. */
export interface MeasurementRow {
  evaluationId: string
  episodeId: string
  measure: MeasureName
  digit: Digit | ''
  side: Side | ''
  kind: ReadingKind | ''
  /** A zone of the skin or the id of a task; empty for what has none. */
  spot: string
  result: Result
}
/** What is added and may be taken back with a reason; `why` is empty until then. */
interface TakenBackRow extends RecordedRow {
  withdrawsId: string | null
  why: string
}
/** One of the patient's own tasks, in their words. */
export interface TaskRow extends TakenBackRow {
  words: string
}
export interface GoalRow extends TakenBackRow {
  words: string
  series: string
  target: number
  setOn: string
  dueOn: string
}
export interface HandEventRow extends TakenBackRow {
  kind: HandEventKind
  happenedOn: string
  words: string
  givenBy: string
}
export interface DraftRow {
  episodeId: string
  items: unknown
  /** The chosen schools of dosing, by question. */
  schools: ChosenSchools
  version: number
  updatedBy: string
  updatedAt: Date
}
export interface ProgramVersionRow extends RecordRow {
  number: number
  signedBy: string
  signedAt: Date
  signedOn: string
  catalogueRevision: string
  items: unknown
  schools: ChosenSchools
}
export interface PairingRow {
  id: string
  episodeId: string
  codeHash: string
  expiresAt: Date
  usedAt: Date | null
  createdBy: string
  createdAt: Date
}
export interface DeviceRow {
  id: string
  episodeId: string
  tokenHash: string
  pairedAt: Date
  revokedAt: Date | null
  seenAt: Date
}
export interface BoutLogRow extends RecordRow {
  programVersionId: string
  deviceId: string | null
  startedAt: Date
  endedAt: Date
  painBefore: number | null
  painWorst: number | null
  painAfter: number | null
  endedBy: 'done' | 'left' | 'stop'
  redFlags: RedFlag[]
  receivedAt: Date
}
export interface BoutLogItemRow {
  boutLogId: string
  itemId: string
  outcome: 'done' | 'hurt' | 'skipped' | 'notReached'
  repetitionsDone: number
  reason: string
}
export interface FlagRow extends RecordRow {
  flag: RedFlag
  boutLogId: string | null
  raisedAt: Date
  liftsId: string | null
  outcome: string
  answeredBy: string
  liftedBy: string | null
}
/** The last number given out in an episode's record. */
export interface EpisodeSequenceRow {
  episodeId: string
  last: number
}
/** What was taken back by which row: once each. */
export interface WithdrawalRow {
  targetId: string
  withdrawalId: string
  episodeId: string | null
}
export interface AuditRow {
  id: string
  at: Date
  actorKind: 'user' | 'device' | 'anonymous' | 'system'
  actorId: string | null
  action: string
  episodeId: string | null
  isChange: boolean
  detail: unknown
}
