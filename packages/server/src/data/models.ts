import type { ChosenSchools, Digit, HouseEdit, RedFlag, WristMotion } from '@pledge/core'
import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize'

/** What every row of an episode's record has: what comes after what, and what was sent under its id. */
export interface RecordRow {
  id: string
  episodeId: string
  /** Counted by the database within the episode: later rows have greater numbers, whatever any clock says. */
  seq: number
  /** Of what was sent; empty for rows stored before there were digests. */
  digest: string
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
export interface SlipRow extends RecordRow {
  slippedOn: string
  creditDays: number
  why: string
  recordedBy: string
  recordedAt: Date
}
export interface WindowShiftRow extends RecordRow {
  /** It moves the windows of this choice of a school only. */
  schoolChoiceId: string
  days: number
  afterDay: number
  why: string
  /** Who of the surgeons agreed to what opens earlier; empty where nothing does. */
  agreedBy: string
  document: string
  withdrawsId: string | null
  recordedBy: string
  recordedAt: Date
}
export interface HealthCheckRow extends RecordRow {
  /** What was so; every other question was asked and is not so. */
  present: unknown
  note: string
  recordedBy: string
  recordedAt: Date
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
export interface OverrideRow extends RecordRow {
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
  recordedBy: string
  recordedAt: Date
}
/** What is at home to exercise with (`null`: not asked), and whether the other hand can help; the newest counts. */
export interface HomeCheckRow extends RecordRow {
  things: string[] | null
  otherHand: 'well' | 'hurt' | 'notAsked'
  recordedBy: string
  recordedAt: Date
}
export interface FactRow extends RecordRow {
  what: string
  value: string
  isWithdrawn: boolean
  dated: string
  givenBy: string
  how: 'letter' | 'phone' | 'inPerson' | 'film' | 'examined' | 'measured'
  note: string
  correctsId: string | null
  recordedBy: string
  recordedAt: Date
}
export interface OrderRow extends RecordRow {
  restriction: string
  untilOn: string | null
  givenBy: string
  dated: string
  why: string
  /** What an order that opens something early rests on; empty for a restriction. */
  document: string
  withdrawsId: string | null
  recordedBy: string
  recordedAt: Date
}
export interface EvaluationRow extends RecordRow {
  evaluatedOn: string
  painRest: number | null
  painAct: number | null
  note: string
  recordedBy: string
  recordedAt: Date
}
export interface ReadingRow {
  evaluationId: string
  motion: WristMotion
  side: 'left' | 'right'
  kind: 'active' | 'passive'
  angleDeg: number
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

export type Table<Row extends object> = ModelStatic<Model<Row, Row>>

export interface Models {
  users: Table<UserRow>
  sessions: Table<SessionRow>
  patients: Table<PatientRow>
  episodes: Table<EpisodeRow>
  schoolChoices: Table<SchoolChoiceRow>
  slips: Table<SlipRow>
  windowShifts: Table<WindowShiftRow>
  healthChecks: Table<HealthCheckRow>
  facts: Table<FactRow>
  orders: Table<OrderRow>
  evaluations: Table<EvaluationRow>
  readings: Table<ReadingRow>
  houseEdits: Table<HouseEditRow>
  overrides: Table<OverrideRow>
  homeChecks: Table<HomeCheckRow>
  drafts: Table<DraftRow>
  programVersions: Table<ProgramVersionRow>
  pairings: Table<PairingRow>
  devices: Table<DeviceRow>
  boutLogs: Table<BoutLogRow>
  boutLogItems: Table<BoutLogItemRow>
  flags: Table<FlagRow>
  sequences: Table<EpisodeSequenceRow>
  withdrawals: Table<WithdrawalRow>
  audit: Table<AuditRow>
}

/** Defines the tables' models on a connection. Shapes are made by migrations, never by `sync`. */
export function defineModels(sequelize: Sequelize): Models {
  const id = { type: DataTypes.CHAR(26), allowNull: false }
  const key = { ...id, primaryKey: true }
  const maybeId = { type: DataTypes.CHAR(26), allowNull: true }
  const text = { type: DataTypes.STRING, allowNull: false }
  const day = { type: DataTypes.DATEONLY, allowNull: false }
  const maybeDay = { type: DataTypes.DATEONLY, allowNull: true }
  const instant = { type: DataTypes.DATE(3), allowNull: false }
  const maybeInstant = { type: DataTypes.DATE(3), allowNull: true }
  const flag = { type: DataTypes.BOOLEAN, allowNull: false }
  const whole = { type: DataTypes.INTEGER, allowNull: false }
  const score = { type: DataTypes.TINYINT, allowNull: true }
  const json = { type: DataTypes.JSON, allowNull: false }
  const maybeJson = { type: DataTypes.JSON, allowNull: true }
  const table = <Row extends object>(
    name: string,
    columns: ModelAttributes<Model<Row, Row>, Row>,
  ): Table<Row> =>
    // Sequelize writes into the column objects it is given: each table gets copies of its own.
    sequelize.define<Model<Row, Row>>(name, columnCopies(columns))
  return {
    users: table<UserRow>('users', {
      id: key,
      login: text,
      name: text,
      role: text,
      passwordHash: text,
      isActive: flag,
      createdAt: instant,
    }),
    sessions: table<SessionRow>('sessions', {
      id: { ...text, primaryKey: true },
      userId: maybeId,
      data: { type: DataTypes.TEXT, allowNull: false },
      expiresAt: instant,
    }),
    patients: table<PatientRow>('patients', {
      id: key,
      personId: id,
      name: text,
      birthDate: day,
      dominantHand: text,
      language: text,
      hasLatexAllergy: flag,
      hasAdhesiveAllergy: flag,
      createdBy: id,
      createdAt: instant,
    }),
    episodes: table<EpisodeRow>('episodes', {
      id: key,
      patientId: id,
      therapistId: id,
      conditionId: text,
      side: text,
      digits: json,
      timeZone: text,
      injuredOn: maybeDay,
      surgeon: text,
      work: text,
      note: text,
      openedOn: day,
      createdAt: instant,
    }),
    schoolChoices: table<SchoolChoiceRow>('school_choices', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      protocolId: text,
      variant: { type: DataTypes.STRING, allowNull: true },
      patientValues: json,
      anchorOn: day,
      why: text,
      chosenBy: id,
      chosenAt: instant,
    }),
    windowShifts: table<WindowShiftRow>('window_shifts', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      schoolChoiceId: id,
      days: whole,
      afterDay: whole,
      why: text,
      agreedBy: text,
      document: text,
      withdrawsId: maybeId,
      recordedBy: id,
      recordedAt: instant,
    }),
    healthChecks: table<HealthCheckRow>('health_checks', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      present: json,
      note: text,
      recordedBy: id,
      recordedAt: instant,
    }),
    slips: table<SlipRow>('slips', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      slippedOn: day,
      creditDays: { type: DataTypes.SMALLINT, allowNull: false },
      why: text,
      recordedBy: id,
      recordedAt: instant,
    }),
    facts: table<FactRow>('facts', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      what: text,
      value: text,
      isWithdrawn: flag,
      dated: day,
      givenBy: text,
      how: text,
      note: text,
      correctsId: maybeId,
      recordedBy: id,
      recordedAt: instant,
    }),
    orders: table<OrderRow>('orders', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      restriction: text,
      untilOn: maybeDay,
      givenBy: text,
      dated: day,
      why: text,
      document: text,
      withdrawsId: maybeId,
      recordedBy: id,
      recordedAt: instant,
    }),
    evaluations: table<EvaluationRow>('evaluations', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      evaluatedOn: day,
      painRest: score,
      painAct: score,
      note: text,
      recordedBy: id,
      recordedAt: instant,
    }),
    readings: table<ReadingRow>('readings', {
      evaluationId: key,
      motion: { ...text, primaryKey: true },
      side: { ...text, primaryKey: true },
      kind: { ...text, primaryKey: true },
      angleDeg: whole,
    }),
    houseEdits: table<HouseEditRow>('house_edits', {
      id: key,
      number: whole,
      digest: text,
      subject: text,
      edit: json,
      protocolVersion: { type: DataTypes.INTEGER, allowNull: true },
      beforeValue: json,
      why: text,
      agreedBy: text,
      document: text,
      withdrawsId: maybeId,
      recordedBy: id,
      recordedAt: instant,
    }),
    overrides: table<OverrideRow>('overrides', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      exerciseId: text,
      dose: json,
      digits: maybeJson,
      barredBy: json,
      protocolVersions: json,
      why: text,
      agreedBy: text,
      document: text,
      withdrawsId: maybeId,
      recordedBy: id,
      recordedAt: instant,
    }),
    homeChecks: table<HomeCheckRow>('home_checks', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      things: maybeJson,
      otherHand: text,
      recordedBy: id,
      recordedAt: instant,
    }),
    drafts: table<DraftRow>('drafts', {
      episodeId: key,
      items: json,
      schools: json,
      version: whole,
      updatedBy: id,
      updatedAt: instant,
    }),
    programVersions: table<ProgramVersionRow>('program_versions', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      number: whole,
      signedBy: id,
      signedAt: instant,
      signedOn: day,
      catalogueRevision: text,
      items: json,
      schools: json,
    }),
    pairings: table<PairingRow>('pairings', {
      id: key,
      episodeId: id,
      codeHash: text,
      expiresAt: instant,
      usedAt: maybeInstant,
      createdBy: id,
      createdAt: instant,
    }),
    devices: table<DeviceRow>('devices', {
      id: key,
      episodeId: id,
      tokenHash: text,
      pairedAt: instant,
      revokedAt: maybeInstant,
      seenAt: instant,
    }),
    boutLogs: table<BoutLogRow>('bout_logs', {
      id: key,
      episodeId: id,
      seq: { type: DataTypes.BIGINT, allowNull: false, autoIncrement: true },
      digest: text,
      programVersionId: id,
      deviceId: maybeId,
      startedAt: instant,
      endedAt: instant,
      painBefore: score,
      painWorst: score,
      painAfter: score,
      endedBy: text,
      redFlags: json,
      receivedAt: instant,
    }),
    boutLogItems: table<BoutLogItemRow>('bout_log_items', {
      boutLogId: key,
      itemId: key,
      outcome: text,
      repetitionsDone: whole,
      reason: text,
    }),
    flags: table<FlagRow>('flags', {
      id: key,
      episodeId: id,
      seq: whole,
      digest: text,
      flag: text,
      boutLogId: maybeId,
      raisedAt: instant,
      liftsId: maybeId,
      outcome: text,
      answeredBy: text,
      liftedBy: maybeId,
    }),
    sequences: table<EpisodeSequenceRow>('episode_sequences', { episodeId: key, last: whole }),
    withdrawals: table<WithdrawalRow>('withdrawals', {
      targetId: key,
      withdrawalId: id,
      episodeId: maybeId,
    }),
    audit: table<AuditRow>('audit', {
      id: key,
      at: instant,
      actorKind: text,
      actorId: maybeId,
      action: text,
      episodeId: maybeId,
      isChange: flag,
      detail: json,
    }),
  }
}

function columnCopies<C extends object>(columns: C): C {
  return Object.fromEntries(Object.entries(columns).map(([column, facts]) => [column, { ...facts }])) as C
}
