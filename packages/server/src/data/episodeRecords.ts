import type { Contraindication, Digit, SignedItem } from '@pledge/core'
import type { Model } from 'sequelize'
import { Problem } from '../problems.js'
import type { Database, Transaction } from './database.js'
import type {
  BoutLogItemRow,
  BoutLogRow,
  DeviceRow,
  EpisodeRow,
  EvaluationRow,
  FactRow,
  FlagRow,
  HealthCheckRow,
  HomeCheckRow,
  OrderRow,
  OverrideRow,
  PatientRow,
  ProgramVersionRow,
  ReadingRow,
  SchoolChoiceRow,
  SlipRow,
  Table,
  WindowShiftRow,
} from './models.js'

/** An override as core reads it. */
export type StoredOverride = Omit<OverrideRow, 'digits' | 'barredBy'> & {
  readonly digits: readonly Digit[] | null
  readonly barredBy: readonly string[]
}
type StoredVersion = Omit<ProgramVersionRow, 'items'> & { readonly items: readonly SignedItem[] }

/** All that is on record about one episode, everything in the order of the database. */
export interface EpisodeRecord {
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
  readonly evaluations: readonly (EvaluationRow & { readings: readonly ReadingRow[] })[]
  readonly versions: readonly StoredVersion[]
  readonly bouts: readonly (BoutLogRow & { items: readonly BoutLogItemRow[] })[]
  readonly devices: readonly DeviceRow[]
  /** Other episodes of the same person, of this hand or the other; theirs are left out. */
  readonly others: readonly EpisodeRecord[]
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
    const asked = await this.episodesWhere({ id: [...episodeIds] }, within)
    const askedPatients = await plain(
      rows.patients.findAll({ where: { id: asked.map((one) => one.patientId) }, ...within }),
    )
    const patients = await plain(
      rows.patients.findAll({
        where: { personId: askedPatients.map(({ personId }) => personId) },
        ...within,
      }),
    )
    const episodes = await this.episodesWhere({ patientId: patients.map(({ id }) => id) }, within)
    const alone = await this.alone(episodes, patients, within)
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
    within: { transaction?: Transaction },
  ): Promise<EpisodeRow[]> {
    return plain(this.database.rows.episodes.findAll({ where, order: [['id', 'ASC']], ...within }))
  }

  private async alone(
    episodes: readonly EpisodeRow[],
    patients: readonly PatientRow[],
    within: { transaction?: Transaction },
  ): Promise<Map<string, EpisodeRecord>> {
    const { rows } = this.database
    const ids = episodes.map(({ id }) => id)
    const inOrder = async <Row extends { episodeId: string }>(table: Table<Row>, by = 'seq') => {
      const found = await table.findAll({
        where: { episodeId: ids } as never,
        order: [[by, 'ASC']],
        ...within,
      })
      return grouped(
        found.map((row) => row.get()),
        ({ episodeId }) => episodeId,
      )
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
      inOrder(rows.programVersions, 'number'),
      inOrder(rows.boutLogs),
    ])
    const devices = await inOrder(rows.devices, 'id')
    const evaluationIds = [...evaluations.values()].flat().map(({ id }) => id)
    const boutIds = [...bouts.values()].flat().map(({ id }) => id)
    const [readings, boutItems] = await Promise.all([
      plain(rows.readings.findAll({ where: { evaluationId: evaluationIds }, ...within })),
      plain(rows.boutLogItems.findAll({ where: { boutLogId: boutIds }, ...within })),
    ])
    const readingsOf = grouped(readings, ({ evaluationId }) => evaluationId)
    const itemsOf = grouped(boutItems, ({ boutLogId }) => boutLogId)
    const patientsOf = new Map(patients.map((one) => [one.id, one]))
    return new Map(
      episodes.map((episode): [string, EpisodeRecord] => {
        const of = <Row>(found: Map<string, Row[]>): Row[] => found.get(episode.id) ?? []
        const patient = patientsOf.get(episode.patientId)!
        const school = of(schools).at(-1)!
        const checked = of(health).at(-1) ?? null
        const record: EpisodeRecord = {
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
          evaluations: of(evaluations)
            .map((one) => ({ ...one, readings: readingsOf.get(one.id) ?? [] }))
            .sort((a, b) =>
              a.evaluatedOn < b.evaluatedOn ? -1 : a.evaluatedOn > b.evaluatedOn ? 1 : a.seq - b.seq,
            ),
          versions: of(versions).map((one) => ({ ...one, items: storedItems(one.items) })),
          bouts: of(bouts)
            .map((bout) => ({ ...bout, items: itemsOf.get(bout.id) ?? [] }))
            .sort((a, b) => a.endedAt.getTime() - b.endedAt.getTime() || a.seq - b.seq),
          devices: of(devices),
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

async function plain<Row extends object>(found: Promise<Model<Row, Row>[]>): Promise<Row[]> {
  return (await found).map((row) => row.get())
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

function flagsOf(flags: readonly FlagRow[]): Pick<EpisodeRecord, 'openFlags' | 'liftedFlags'> {
  const lifts = new Map(flags.flatMap((flag) => (flag.liftsId ? [[flag.liftsId, flag] as const] : [])))
  const raised = flags.filter((flag) => flag.liftsId === null)
  return {
    openFlags: raised.filter((flag) => !lifts.has(flag.id)),
    liftedFlags: raised.flatMap((flag) =>
      lifts.has(flag.id) ? [{ raised: flag, lifted: lifts.get(flag.id)! }] : [],
    ),
  }
}

/** Items as they are stored. Those signed before one could choose digits are for the exercise as it is. */
function storedItems(stored: unknown): SignedItem[] {
  const items = stored as readonly (Omit<SignedItem, 'digits'> & Partial<Pick<SignedItem, 'digits'>>)[]
  return items.map((item) => ({ ...item, digits: item.digits ?? null }))
}
