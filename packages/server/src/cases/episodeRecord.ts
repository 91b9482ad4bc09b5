import {
  addDays,
  assessExercise,
  bindProtocol,
  CoreError,
  criterionOf,
  daysBetween,
  factBook,
  orderFrom,
  phaseOn,
  readingDeg,
  restartedDay,
  reviewOverdueDays,
  isOpen,
  isOverridden,
  thingsNotAtHome,
  VERDICT_KINDS,
  type Catalogue,
  type ClinicalDay,
  type Contraindication,
  type Digit,
  type LoggedPain,
  type PatientCase,
  type PhaseStanding,
  type RecordedFact,
  type Verdict,
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
import { storedItems, type SignedItem } from './signedItem.js'

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
  readonly overrides: readonly OverrideRow[]
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
    overrides: overrideRows.filter((one) => one.withdrawsId === null && !takenBack.has(one.id)),
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
  const { episode, patient, school } = record
  const known = catalogue.protocols.get(school.protocolId)
  const condition = catalogue.conditions.get(episode.conditionId)
  if (!known || !condition)
    throw new CoreError('PROTOCOL_UNKNOWN', 'protocolId', `The catalogue no longer has ${school.protocolId}.`)
  const protocol = bindProtocol(known, {
    variant: school.variant,
    values: school.patientValues as Record<string, number>,
    shifts: record.shifts.map((shift) => [shift.days, shift.afterDay] as const),
  })
  const slips = record.slips.map((slip) => ({ on: slip.slippedOn, creditDays: slip.creditDays }))
  const day = restartedDay(protocol, record.school.anchorOn, slips, today)
  const contraindications = [
    ...(patient.hasLatexAllergy ? (['latex'] as const) : []),
    ...(patient.hasAdhesiveAllergy ? (['adhesive'] as const) : []),
    ...(record.health?.present ?? []),
  ]
  const facts = factBook({
    today,
    limits: catalogue.crossCutting.facts,
    facts: recordedFacts(record),
    loggedPain: loggedPain(record, now),
  })
  return {
    protocol,
    condition,
    day,
    facts,
    digits: episode.digits as Digit[],
    states: LIVE_STATES.filter((state) => facts.status(criterionOf(state)!).name === 'met'),
    orders: record.orders.map((order, index) =>
      orderFrom(
        `order.${index + 1}`,
        {
          ...order,
          why: `${order.why} (${order.givenBy}, ${order.dated})`,
          document: order.document || null,
        },
        dayZero(day, today),
      ),
    ),
    redLock: record.openFlags.length > 0,
    reviewOverdueDays: reviewOverdueDays(
      daysBetween(lastReviewOn(record), today),
      catalogue.crossCutting.freezeAfterDays,
    ),
    contraindications,
    isHealthAsked: record.health !== null,
    notAtHome: record.home?.things
      ? thingsNotAtHome(catalogue.equipment, record.home.things as string[])
      : null,
    otherHand: !record.home || record.home.otherHand === 'notAsked' ? null : record.home.otherHand,
    otherInjuries: record.others.map((other) => ({
      hand: other.episode.side === episode.side ? 'same' : 'other',
      state: caseOn(other, catalogue, today, now),
    })),
  }
}

/** States that are recorded like findings; acute swelling closes through "swelling stable". */
const LIVE_STATES = ['state.flare', 'state.crps'] as const

/** The date on which the days of a case began to count: its anchor, or later where a slip made them count anew. */
export function dayZero(day: number, today: ClinicalDay): ClinicalDay {
  return addDays(today, -day)
}

/** The last day a therapist reviewed the case: the referral, an evaluation or a signed program. */
export function lastReviewOn(record: EpisodeRecord): ClinicalDay {
  const days = [
    record.episode.openedOn,
    ...record.evaluations.map((one) => one.evaluatedOn),
    ...record.versions.map((one) => one.signedOn),
  ]
  return days.reduce((latest, day) => (day > latest ? day : latest))
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
    worst: worstPain(bout),
  }))
}

export function worstPain(bout: Pick<BoutLogRow, 'painWorst' | 'painAfter'>): number | null {
  const known = [bout.painWorst, bout.painAfter].filter((pain) => pain !== null)
  return known.length > 0 ? Math.max(...known) : null
}

export function standingOf(state: PatientCase): PhaseStanding {
  return phaseOn(state.protocol, state.day, state.facts, state.reviewOverdueDays)
}

export interface ItemToday {
  readonly item: SignedItem
  readonly verdict: Verdict
  /** The therapist's exception that covers a "not yet" of today. */
  readonly override: OverrideRow | null
  /** Paused on the phone: not open and no exception covers it, or its verdict is worse than when it was signed. */
  readonly isPaused: boolean
}

/**
 * The newest override of an exercise that still covers its verdict; the verdict stays what it is. One made for chosen digits
 * covers no others.
 */
export function overrideOf(
  record: EpisodeRecord,
  exerciseId: string,
  verdict: Verdict,
  digits: readonly Digit[] | null,
): OverrideRow | null {
  const isFor = (made: readonly Digit[] | null) =>
    made === null || (digits !== null && digits.every((digit) => made.includes(digit)))
  return (
    record.overrides.findLast(
      (one) =>
        one.exerciseId === exerciseId &&
        isFor(one.digits as Digit[] | null) &&
        isOverridden(verdict, one.barredBy as string[]),
    ) ?? null
  )
}

/** The items of the newest signed program with today's verdict. Items are judged by their own copy of the exercise. */
export function itemsToday(record: EpisodeRecord, state: PatientCase): ItemToday[] {
  const newest = record.versions.at(-1)
  return (newest?.items ?? []).map((item) => {
    const done = { orthosis: item.orthosis, chosen: item.digits }
    const verdict = assessExercise(item.exercise, item.dose, state, done)
    const override = overrideOf(record, item.exercise.id, verdict, item.digits)
    const isWorse = VERDICT_KINDS.indexOf(verdict.kind) > VERDICT_KINDS.indexOf(item.verdict)
    const isBarred = !isOpen(verdict.kind) || isWorse
    return { item, verdict, override, isPaused: isBarred && override === null }
  })
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
