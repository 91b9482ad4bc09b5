import {
  CoreError,
  lastReviewOn,
  patientCaseOf,
  readingDeg,
  worstPainOf,
  type CaseRecord,
  type Catalogue,
  type ClinicalDay,
  type Contraindication,
  type Digit,
  type LoggedPain,
  type PatientCase,
  type RecordedFact,
  type SignedItem,
  type WristMotion,
} from '@pledge/core'
import type { Database } from '../data/database.js'
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
  WindowShiftRow,
} from '../data/models.js'
import { Problem } from '../problems.js'
import { storedItems } from './signedItem.js'

/** An override as core reads it. */
export type StoredOverride = Omit<OverrideRow, 'digits' | 'barredBy'> & {
  readonly digits: readonly Digit[] | null
  readonly barredBy: readonly string[]
}

/** All that is on record about one episode. */
export interface EpisodeRecord {
  readonly episode: EpisodeRow
  readonly patient: PatientRow
  /** The school it follows now, and those before, oldest first. */
  readonly school: SchoolChoiceRow
  readonly schools: readonly SchoolChoiceRow[]
  readonly slips: readonly SlipRow[]
  /** Windows moved in the school it follows now, not withdrawn, in the order in which they were moved. */
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
  readonly versions: readonly (Omit<ProgramVersionRow, 'items'> & { items: readonly SignedItem[] })[]
  readonly bouts: readonly (BoutLogRow & { items: readonly BoutLogItemRow[] })[]
  readonly devices: readonly DeviceRow[]
  /** Other episodes of the same person, of this hand or the other; theirs are left out. */
  readonly others: readonly EpisodeRecord[]
}

/** Reads an episode's record with the person's other episodes; refuses an id nobody knows. */
export async function readRecord(database: Database, episodeId: string): Promise<EpisodeRecord> {
  const { rows } = database
  const episode = (await rows.episodes.findByPk(episodeId))?.get()
  if (!episode) throw new Problem('NOT_FOUND', 'There is no such episode.')
  const { personId } = (await rows.patients.findByPk(episode.patientId))!.get()
  const patients = (await rows.patients.findAll({ where: { personId } })).map((row) => row.get())
  const episodes = await rows.episodes.findAll({
    where: { patientId: patients.map(({ id }) => id) },
    order: [['id', 'ASC']],
  })
  const others = episodes.map((row) => row.get()).filter(({ id }) => id !== episodeId)
  const records = await Promise.all([episode, ...others].map((one) => readAlone(database, one)))
  // An allergy told at any referral is an allergy of the person.
  const allergies = {
    hasLatexAllergy: patients.some((one) => one.hasLatexAllergy),
    hasAdhesiveAllergy: patients.some((one) => one.hasAdhesiveAllergy),
  }
  const [own, ...rest] = records.map((one) => ({ ...one, patient: { ...one.patient, ...allergies } }))
  return { ...own!, others: rest }
}

async function readAlone(database: Database, episode: EpisodeRow): Promise<EpisodeRecord> {
  const { rows } = database
  const where = { episodeId: episode.id }
  const [
    patient,
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
    devices,
  ] = await Promise.all([
    rows.patients.findByPk(episode.patientId),
    rows.schoolChoices.findAll({
      where,
      order: [
        ['chosenAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    rows.slips.findAll({ where, order: [['id', 'ASC']] }),
    rows.windowShifts.findAll({
      where,
      order: [
        ['recordedAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    rows.healthChecks.findOne({
      where,
      order: [
        ['recordedAt', 'DESC'],
        ['id', 'DESC'],
      ],
    }),
    rows.homeChecks.findOne({
      where,
      order: [
        ['recordedAt', 'DESC'],
        ['id', 'DESC'],
      ],
    }),
    rows.overrides.findAll({ where, order: [['id', 'ASC']] }),
    rows.facts.findAll({
      where,
      order: [
        ['recordedAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    rows.orders.findAll({ where, order: [['id', 'ASC']] }),
    rows.flags.findAll({ where, order: [['id', 'ASC']] }),
    rows.evaluations.findAll({
      where,
      order: [
        ['evaluatedOn', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    rows.programVersions.findAll({ where, order: [['number', 'ASC']] }),
    rows.boutLogs.findAll({
      where,
      order: [
        ['endedAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    rows.devices.findAll({ where, order: [['id', 'ASC']] }),
  ])
  const [readings, boutItems] = await Promise.all([
    rows.readings.findAll({ where: { evaluationId: evaluations.map((row) => row.get().id) } }),
    rows.boutLogItems.findAll({ where: { boutLogId: bouts.map((row) => row.get().id) } }),
  ])
  const orderRows = orders.map((row) => row.get())
  const withdrawn = new Set(orderRows.map((order) => order.withdrawsId))
  const shiftRows = shifts.map((row) => row.get())
  const undone = new Set(shiftRows.map((shift) => shift.withdrawsId))
  const overrideRows = overrides.map((row) => row.get())
  const takenBack = new Set(overrideRows.map((one) => one.withdrawsId))
  const school = schools.at(-1)!.get()
  const checked = health?.get() ?? null
  const flagRows = flags.map((row) => row.get())
  const lifts = new Map(flagRows.flatMap((flag) => (flag.liftsId ? [[flag.liftsId, flag] as const] : [])))
  const raised = flagRows.filter((flag) => flag.liftsId === null)
  return {
    episode,
    patient: patient!.get(),
    school,
    schools: schools.map((row) => row.get()),
    slips: slips.map((row) => row.get()),
    shifts: shiftRows.filter(
      (shift) => shift.schoolChoiceId === school.id && shift.withdrawsId === null && !undone.has(shift.id),
    ),
    health: checked && { ...checked, present: checked.present as Contraindication[] },
    home: home?.get() ?? null,
    overrides: overrideRows
      .filter((one) => one.withdrawsId === null && !takenBack.has(one.id))
      .map((one) => ({ ...one, digits: one.digits as Digit[] | null, barredBy: one.barredBy as string[] })),
    facts: facts.map((row) => row.get()),
    orders: orderRows.filter((order) => order.withdrawsId === null && !withdrawn.has(order.id)),
    openFlags: raised.filter((flag) => !lifts.has(flag.id)),
    liftedFlags: raised.flatMap((flag) =>
      lifts.has(flag.id) ? [{ raised: flag, lifted: lifts.get(flag.id)! }] : [],
    ),
    evaluations: evaluations.map((row) => {
      const own = readings.filter((reading) => reading.get().evaluationId === row.get().id)
      return { ...row.get(), readings: own.map((reading) => reading.get()) }
    }),
    versions: versions.map((row) => ({ ...row.get(), items: storedItems(row.get().items) })),
    bouts: bouts.map((row) => {
      const own = boutItems.filter((item) => item.get().boutLogId === row.get().id)
      return { ...row.get(), items: own.map((item) => item.get()) }
    }),
    devices: devices.map((row) => row.get()),
    others: [],
  }
}

/** The case that core judges, on a day, with the patient's other injuries. */
export function caseOn(
  record: EpisodeRecord,
  catalogue: Catalogue,
  today: ClinicalDay,
  now: Date,
): PatientCase {
  const ofEpisode = (one: EpisodeRecord, others: CaseRecord['others'] = []) =>
    caseRecordOf(one, catalogue, now, others)
  const others = record.others.map((other) => ({
    hand: other.episode.side === record.episode.side ? ('same' as const) : ('other' as const),
    record: ofEpisode(other),
  }))
  return patientCaseOf(ofEpisode(record, others), catalogue, today)
}

/** An episode's rows in the words of core. */
function caseRecordOf(
  record: EpisodeRecord,
  catalogue: Catalogue,
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
    digits: episode.digits as Digit[],
    facts: recordedFacts(record),
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
    ],
    isHealthAsked: record.health !== null,
    things: record.home ? (record.home.things as string[] | null) : null,
    otherHand: !record.home || record.home.otherHand === 'notAsked' ? null : record.home.otherHand,
    others,
  }
}

/** The last day a therapist reviewed the case. */
export function reviewedOn({ episode, evaluations, versions }: EpisodeRecord): ClinicalDay {
  return lastReviewOn({
    openedOn: episode.openedOn,
    evaluatedOn: evaluations.map((one) => one.evaluatedOn),
    signedOn: versions.map((one) => one.signedOn),
  })
}

/** Facts and the pain scores of evaluations, in order of recording. */
function recordedFacts(record: EpisodeRecord): RecordedFact[] {
  const facts = record.facts.map((row) => ({
    at: row.recordedAt.getTime(),
    fact: {
      what: row.what as RecordedFact['what'],
      value: JSON.parse(row.value) as boolean | number | string,
      date: row.dated,
      withdrawn: row.isWithdrawn,
    },
  }))
  const pains = record.evaluations.flatMap((row) => {
    const scores = [['pain.rest', row.painRest] as const, ['pain.act', row.painAct] as const]
    return scores.flatMap(([what, value]) =>
      value === null
        ? []
        : [{ at: row.recordedAt.getTime(), fact: { what, value, date: row.evaluatedOn, withdrawn: false } }],
    )
  })
  return [...facts, ...pains].sort((a, b) => a.at - b.at).map(({ fact }) => fact)
}

function loggedPain(record: EpisodeRecord, now: Date): LoggedPain[] {
  return record.bouts.map((bout) => ({
    hoursAgo: Math.max(0, (now.getTime() - bout.endedAt.getTime()) / 3_600_000),
    before: bout.painBefore,
    worst: worstPainOf(bout),
  }))
}

/** A stored angle as the therapist reads it. */
export function asReading(row: ReadingRow): {
  motion: string
  side: string
  kind: string
  readingDeg: number
} {
  return {
    motion: row.motion,
    side: row.side,
    kind: row.kind,
    readingDeg: readingDeg(row.motion as WristMotion, row.angleDeg),
  }
}
