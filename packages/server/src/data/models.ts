import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize'
import type {
  AuditRow,
  BoutLogItemRow,
  BoutLogRow,
  DeviceRow,
  DraftRow,
  EpisodeRow,
  EpisodeSequenceRow,
  EvaluationRow,
  FactRow,
  FlagRow,
  GoalRow,
  HandEventRow,
  HealthCheckRow,
  HomeCheckRow,
  HouseEditRow,
  OrderRow,
  OverrideRow,
  PairingRow,
  PatientRow,
  ProgramVersionRow,
  MeasurementRow,
  SchoolChoiceRow,
  SessionRow,
  SlipRow,
  TaskRow,
  UserRow,
  WindowShiftRow,
  WithdrawalRow,
} from './rows.js'

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
  measurements: Table<MeasurementRow>
  tasks: Table<TaskRow>
  goals: Table<GoalRow>
  handEvents: Table<HandEventRow>
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
  const record = { id: key, episodeId: id, seq: whole, digest: text }
  const written = { recordedBy: id, recordedAt: instant }
  const takenBack = { withdrawsId: maybeId, why: text }
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
      ...record,
      protocolId: text,
      variant: { type: DataTypes.STRING, allowNull: true },
      patientValues: json,
      anchorOn: day,
      why: text,
      chosenBy: id,
      chosenAt: instant,
    }),
    windowShifts: table<WindowShiftRow>('window_shifts', {
      ...record,
      schoolChoiceId: id,
      days: whole,
      afterDay: whole,
      why: text,
      agreedBy: text,
      document: text,
      withdrawsId: maybeId,
      ...written,
    }),
    healthChecks: table<HealthCheckRow>('health_checks', {
      ...record,
      present: json,
      note: text,
      ...written,
    }),
    slips: table<SlipRow>('slips', {
      ...record,
      slippedOn: day,
      creditDays: { type: DataTypes.SMALLINT, allowNull: false },
      why: text,
      ...written,
    }),
    facts: table<FactRow>('facts', {
      ...record,
      what: text,
      value: text,
      isWithdrawn: flag,
      dated: day,
      givenBy: text,
      how: text,
      note: text,
      correctsId: maybeId,
      ...written,
    }),
    orders: table<OrderRow>('orders', {
      ...record,
      restriction: text,
      untilOn: maybeDay,
      givenBy: text,
      dated: day,
      why: text,
      document: text,
      withdrawsId: maybeId,
      ...written,
    }),
    evaluations: table<EvaluationRow>('evaluations', {
      ...record,
      evaluatedOn: day,
      note: text,
      amendsId: maybeId,
      early: maybeJson,
      ...written,
    }),
    measurements: table<MeasurementRow>('measurements', {
      evaluationId: key,
      episodeId: id,
      measure: { ...text, primaryKey: true },
      digit: { ...text, primaryKey: true },
      side: { ...text, primaryKey: true },
      kind: { ...text, primaryKey: true },
      spot: { ...text, primaryKey: true },
      result: json,
    }),
    tasks: table<TaskRow>('tasks', { ...record, words: text, ...takenBack, ...written }),
    goals: table<GoalRow>('goals', {
      ...record,
      words: text,
      series: text,
      target: { type: DataTypes.DOUBLE, allowNull: false },
      setOn: day,
      dueOn: day,
      ...takenBack,
      ...written,
    }),
    handEvents: table<HandEventRow>('hand_events', {
      ...record,
      kind: text,
      happenedOn: day,
      words: text,
      givenBy: text,
      ...takenBack,
      ...written,
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
      ...written,
    }),
    overrides: table<OverrideRow>('overrides', {
      ...record,
      exerciseId: text,
      dose: json,
      digits: maybeJson,
      barredBy: json,
      protocolVersions: json,
      why: text,
      agreedBy: text,
      document: text,
      withdrawsId: maybeId,
      ...written,
    }),
    homeChecks: table<HomeCheckRow>('home_checks', {
      ...record,
      things: maybeJson,
      otherHand: text,
      ...written,
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
      ...record,
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
      ...record,
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
