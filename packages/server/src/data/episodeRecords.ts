import type { Contraindication, Digit, Reading, SignedItem } from '@pledge/core'
import { DataTypes, QueryTypes, type FindOptions, type ModelAttributeColumnOptions } from 'sequelize'
import { Problem } from '../problems.js'
import type { Database, Transaction } from './database.js'
import type { Table } from './models.js'
import type {
  BoutLogItemRow,
  BoutLogRow,
  DeviceRow,
  EpisodeRow,
  EvaluationRow,
  FactRow,
  FlagRow,
  GoalRow,
  HandEventRow,
  HealthCheckRow,
  HomeCheckRow,
  OrderRow,
  OverrideRow,
  PatientRow,
  ProgramVersionRow,
  MeasurementRow,
  SchoolChoiceRow,
  SlipRow,
  TaskRow,
  WindowShiftRow,
} from './rows.js'

/** An override as core reads it. */
export type StoredOverride = Omit<OverrideRow, 'digits' | 'barredBy'> & {
  readonly digits: readonly Digit[] | null
  readonly barredBy: readonly string[]
}
type StoredVersion = Omit<ProgramVersionRow, 'items'> & { readonly items: readonly SignedItem[] }

/** What a case and its standing are made of, everything in the order of the database. */
export interface StandingRecord {
  readonly episode: EpisodeRow
  readonly patient: PatientRow
  /** The school it follows now, and those before, oldest first. */
  readonly school: SchoolChoiceRow
  readonly schools: readonly SchoolChoiceRow[]
  readonly slips: readonly SlipRow[]
  /** Windows moved in the school it follows now, not withdrawn. */
  readonly shifts: readonly WindowShiftRow[]
  /** What was last asked about health that bars exercises; `null`: nobody has asked. */
  readonly health: (Omit<HealthCheckRow, 'present'> & { present: readonly Contraindication[] }) | null
  /** What is at home and how the other hand is; `null`: nobody has asked. */
  readonly home: HomeCheckRow | null
  /** Overrides in force: not taken back. */
  readonly overrides: readonly StoredOverride[]
  readonly facts: readonly FactRow[]
  /** Orders in force: not withdrawn. */
  readonly orders: readonly OrderRow[]
  /** Red flags nobody has lifted. */
  readonly openFlags: readonly FlagRow[]
  readonly liftedFlags: readonly { raised: FlagRow; lifted: FlagRow }[]
  readonly evaluations: readonly StoredEvaluation[]
  readonly versions: readonly StoredVersion[]
  /** By their end; where only the standing was asked for, the newest. */
  readonly bouts: readonly BoutLogRow[]
  /** Other episodes of the same person, of this hand or the other; theirs are left out. */
  readonly others: readonly StandingRecord[]
}

/** All that is on record about one episode. */
export interface EpisodeRecord extends StandingRecord {
  readonly bouts: readonly (BoutLogRow & { items: readonly BoutLogItemRow[] })[]
  readonly devices: readonly DeviceRow[]
  /** Tasks, goals and events that were not taken back. */
  readonly tasks: readonly TaskRow[]
  readonly goals: readonly GoalRow[]
  readonly events: readonly HandEventRow[]
}

/** A visit with what was measured at it, as last corrected, in the place of the one it corrects; and what it was before. */
export type StoredEvaluation = EvaluationRow & {
  readonly readings: readonly Reading[]
  readonly before: readonly Pick<EvaluationRow, 'id' | 'note' | 'recordedBy' | 'recordedAt'>[]
}

/** Which bouts a standing is read with: those that ended since then, and the newest `atLeast` in any case. */
interface NewestBouts {
  readonly since: Date
  readonly atLeast: number
  /** Of episodes that ever followed one of these schools: those that ended since an earlier day. */
  readonly longer: { readonly since: Date; readonly protocolIds: readonly string[] }
}
interface Within {
  readonly transaction?: Transaction
}

/** Reads the records of episodes: one query a table, however many episodes are asked for. */
export class EpisodeRecords {
  constructor(private readonly database: Database) {}

  /**
   * An episode's record with the person's other episodes; refuses an id nobody knows.
   *
   * @param transaction - reads what a signature rests on as it stands while the episode is locked
   */
  async of(episodeId: string, transaction?: Transaction): Promise<EpisodeRecord> {
    const [record] = await this.ofAll([episodeId], transaction)
    if (!record) throw new Problem('NOT_FOUND', 'There is no such episode.')
    return record
  }

  /** The records of episodes in the order of their ids; ids nobody knows are left out. */
  async ofAll(episodeIds: readonly string[], transaction?: Transaction): Promise<EpisodeRecord[]> {
    const { rows } = this.database
    const within = transaction ? { transaction } : {}
    const standings = await this.standings(episodeIds, null, within)
    const ids = standings.map(({ episode }) => episode.id)
    const boutLogId = standings.flatMap(({ bouts }) => bouts.map(({ id }) => id))
    const [devices, tasks, goals, events, items] = await Promise.all([
      this.inOrder(rows.devices, ids, 'id', within),
      this.inOrder(rows.tasks, ids, 'seq', within),
      this.inOrder(rows.goals, ids, 'seq', within),
      this.inOrder(rows.handEvents, ids, 'seq', within),
      plain(rows.boutLogItems, { where: { boutLogId }, ...within }),
    ])
    const itemsOf = grouped(items, (item) => item.boutLogId)
    return standings.map((one) => ({
      ...one,
      bouts: one.bouts.map((row) => ({ ...row, items: itemsOf.get(row.id) ?? [] })),
      devices: devices.get(one.episode.id) ?? [],
      tasks: inForce(tasks.get(one.episode.id) ?? []),
      goals: inForce(goals.get(one.episode.id) ?? []),
      events: inForce(events.get(one.episode.id) ?? []),
    }))
  }

  /**
   * What the cases of episodes are made of, in the order of their ids, with the person's other episodes.
   *
   * @param bouts - which of the bouts; `null`: all
   */
  async standings(
    episodeIds: readonly string[],
    bouts: NewestBouts | null,
    within: Within = {},
  ): Promise<StandingRecord[]> {
    const { rows } = this.database
    const asked = await this.episodesWhere({ id: [...episodeIds] }, within)
    const askedPatients = await plain(rows.patients, {
      where: { id: asked.map((one) => one.patientId) },
      ...within,
    })
    const patients = await plain(rows.patients, {
      where: { personId: askedPatients.map(({ personId }) => personId) },
      ...within,
    })
    const episodes = await this.episodesWhere({ patientId: patients.map(({ id }) => id) }, within)
    const alone = await this.alone(episodes, patients, bouts, within)
    const personOf = new Map(patients.map(({ id, personId }) => [id, personId]))
    return asked.map((episode) => {
      const person = personOf.get(episode.patientId)
      const others = episodes.filter((one) => one.id !== episode.id && personOf.get(one.patientId) === person)
      return { ...alone.get(episode.id)!, others: others.map(({ id }) => alone.get(id)!) }
    })
  }

  /** The ids of all open episodes, oldest first. */
  async openIds(): Promise<string[]> {
    const found = await this.database.rows.episodes.findAll({ attributes: ['id'], order: [['id', 'ASC']] })
    return found.map((row) => row.get().id)
  }

  private episodesWhere(
    where: { id: string[] } | { patientId: string[] },
    within: Within,
  ): Promise<EpisodeRow[]> {
    return plain(this.database.rows.episodes, { where, order: [['id', 'ASC']], ...within })
  }

  private async inOrder<Row extends { episodeId: string }>(
    table: Table<Row>,
    episodeId: readonly string[],
    by: string,
    within: Within,
  ): Promise<Map<string, Row[]>> {
    const where = { episodeId } as never
    return grouped(await plain(table, { where, order: [[by, 'ASC']], ...within }), (row) => row.episodeId)
  }

  /** The ids of the newest bouts: a phone may send an old one late, so they are counted by their end. */
  private async newestBouts(
    episodeIds: readonly string[],
    { since, atLeast, longer }: NewestBouts,
    within: Within,
  ): Promise<string[]> {
    if (episodeIds.length === 0) return []
    const found = await this.database.sequelize.query<{ id: string }>(
      `SELECT id FROM (SELECT id, ended_at, episode_id,
        ROW_NUMBER() OVER (PARTITION BY episode_id ORDER BY ended_at DESC, seq DESC) place
        FROM bout_logs WHERE episode_id IN (?)) bouts WHERE place <= ? OR ended_at >= ?
        OR (ended_at >= ? AND episode_id IN
          (SELECT episode_id FROM school_choices WHERE episode_id IN (?) AND protocol_id IN (?)))`,
      {
        replacements: [episodeIds, atLeast, since, longer.since, episodeIds, [...longer.protocolIds, '']],
        type: QueryTypes.SELECT,
        ...within,
      },
    )
    return found.map(({ id }) => id)
  }

  private async alone(
    episodes: readonly EpisodeRow[],
    patients: readonly PatientRow[],
    newest: NewestBouts | null,
    within: Within,
  ): Promise<Map<string, StandingRecord>> {
    const { rows } = this.database
    const ids = episodes.map(({ id }) => id)
    const inOrder = <Row extends { episodeId: string }>(table: Table<Row>, by = 'seq') =>
      this.inOrder(table, ids, by, within)
    const boutRows = async () => {
      if (!newest) return inOrder(rows.boutLogs)
      const id = await this.newestBouts(ids, newest, within)
      return grouped(await plain(rows.boutLogs, { where: { id }, ...within }), ({ episodeId }) => episodeId)
    }
    const [
      schools,
      slips,
      shifts,
      health,
      home,
      overrides,
      facts,
      orders,
      flags,
      evaluations,
      measurements,
      versions,
      bouts,
    ] = await Promise.all([
      inOrder(rows.schoolChoices),
      inOrder(rows.slips),
      inOrder(rows.windowShifts),
      inOrder(rows.healthChecks),
      inOrder(rows.homeChecks),
      inOrder(rows.overrides),
      inOrder(rows.facts),
      inOrder(rows.orders),
      inOrder(rows.flags),
      inOrder(rows.evaluations),
      plain(rows.measurements, { where: { episodeId: ids }, ...within }),
      inOrder(rows.programVersions, 'number'),
      boutRows(),
    ])
    const measuredAt = grouped(measurements, ({ evaluationId }) => evaluationId)
    const patientsOf = new Map(patients.map((one) => [one.id, one]))
    return new Map(
      episodes.map((episode): [string, StandingRecord] => {
        const of = <Row>(found: Map<string, Row[]>): Row[] => found.get(episode.id) ?? []
        const patient = patientsOf.get(episode.patientId)!
        const school = of(schools).at(-1)!
        const checked = of(health).at(-1) ?? null
        const record: StandingRecord = {
          episode,
          patient: withAllergiesOf(patient, patients),
          school,
          schools: of(schools),
          slips: of(slips),
          shifts: inForce(of(shifts)).filter((shift) => shift.schoolChoiceId === school.id),
          health: checked && { ...checked, present: checked.present as Contraindication[] },
          home: of(home).at(-1) ?? null,
          overrides: inForce(of(overrides)).map((one) => ({
            ...one,
            digits: one.digits as Digit[] | null,
            barredBy: one.barredBy as string[],
          })),
          facts: of(facts),
          orders: inForce(of(orders)),
          ...flagsOf(of(flags)),
          evaluations: asCorrected(of(evaluations))
            .sort((a, b) =>
              a.evaluatedOn < b.evaluatedOn ? -1 : a.evaluatedOn > b.evaluatedOn ? 1 : a.seq - b.seq,
            )
            .map((row) => ({ ...row, readings: (measuredAt.get(row.id) ?? []).map(readingOf) })),
          versions: of(versions).map((one) => ({ ...one, items: storedItems(one.items) })),
          bouts: of(bouts).sort((a, b) => a.endedAt.getTime() - b.endedAt.getTime() || a.seq - b.seq),
          others: [],
        }
        return [episode.id, record]
      }),
    )
  }
}

function grouped<Row>(rows: readonly Row[], keyOf: (row: Row) => string): Map<string, Row[]> {
  const groups = new Map<string, Row[]>()
  for (const row of rows) {
    const group = groups.get(keyOf(row))
    if (group) group.push(row)
    else groups.set(keyOf(row), [row])
  }
  return groups
}

/** Rows as they are, without a model around each; a yes or no that the database keeps as 1 or 0 is one again. */
async function plain<Row extends object>(table: Table<Row>, options: FindOptions<Row>): Promise<Row[]> {
  const found = (await table.findAll({ ...options, raw: true })) as unknown as Row[]
  const attributes = Object.entries<ModelAttributeColumnOptions>(table.getAttributes())
  const flags = attributes.flatMap(([name, { type }]) =>
    type instanceof DataTypes.BOOLEAN ? [name as keyof Row] : [],
  )
  if (flags.length === 0) return found
  return found.map((row) => ({
    ...row,
    ...Object.fromEntries(flags.map((name) => [name, Boolean(row[name])])),
  }))
}

/** An allergy told at any referral is an allergy of the person. */
function withAllergiesOf(patient: PatientRow, patients: readonly PatientRow[]): PatientRow {
  const own = patients.filter(({ personId }) => personId === patient.personId)
  return {
    ...patient,
    hasLatexAllergy: own.some((one) => one.hasLatexAllergy),
    hasAdhesiveAllergy: own.some((one) => one.hasAdhesiveAllergy),
  }
}

/** Rows that were not taken back, without those that take back. */
function inForce<Row extends { id: string; withdrawsId: string | null }>(rows: readonly Row[]): Row[] {
  const withdrawn = new Set(rows.map(({ withdrawsId }) => withdrawsId))
  return rows.filter((row) => row.withdrawsId === null && !withdrawn.has(row.id))
}

function flagsOf(flags: readonly FlagRow[]): Pick<StandingRecord, 'openFlags' | 'liftedFlags'> {
  const lifts = new Map(flags.flatMap((flag) => (flag.liftsId ? [[flag.liftsId, flag] as const] : [])))
  const raised = flags.filter((flag) => flag.liftsId === null)
  return {
    openFlags: raised.filter((flag) => !lifts.has(flag.id)),
    liftedFlags: raised.flatMap((flag) =>
      lifts.has(flag.id) ? [{ raised: flag, lifted: lifts.get(flag.id)! }] : [],
    ),
  }
}

/** Each visit as it was last corrected, at the place of the visit that was corrected first. */
function asCorrected(rows: readonly EvaluationRow[]): Omit<StoredEvaluation, 'readings'>[] {
  const corrections = new Map(rows.flatMap((row) => (row.amendsId ? [[row.amendsId, row] as const] : [])))
  return rows
    .filter(({ amendsId }) => amendsId === null)
    .map((first) => {
      const before: EvaluationRow[] = []
      let last = first
      for (let next = corrections.get(last.id); next; next = corrections.get(last.id)) {
        before.push(last)
        last = next
      }
      return { ...last, seq: first.seq, before }
    })
}

/** A reading as core knows it. */
function readingOf({ measure, digit, side, kind, spot, result }: MeasurementRow): Reading {
  const place = { measure, digit: digit || null, side: side || null, kind: kind || null }
  return spot ? { ...place, spot, result } : { ...place, result }
}

/** Items as they are stored. Those signed before one could choose digits are for the exercise as it is. */
function storedItems(stored: unknown): SignedItem[] {
  const items = stored as readonly (Omit<SignedItem, 'digits'> & Partial<Pick<SignedItem, 'digits'>>)[]
  return items.map((item) => ({ ...item, digits: item.digits ?? null }))
}
