import { readFileSync } from 'node:fs'
import {
  addDays,
  clinicalDayAt,
  signedDeg,
  signedItem,
  type Catalogue,
  type ClinicalDay,
  type Dose,
  type RedFlag,
  type WristMotion,
  type HealthQuestion,
} from '@pledge/core'
import { hash } from '@node-rs/argon2'
import {
  caseOn,
  dataOf,
  judgedItems,
  newId,
  type BoutLogRow,
  type Database,
  type EpisodeRow,
  type FactRow,
  type PatientRow,
  type Role,
} from '@pledge/server/parts'
import { ulid } from 'ulid'

/** An invented clinic in an invented valley; nobody in it exists. Dates are relative to the day it is loaded. */
export const DEMO_USERS = [
  { login: 'noor', password: 'willow-lantern-26', name: 'Noor Castellane', role: 'therapist' },
  { login: 'emeka', password: 'copper-orchard-41', name: 'Emeka Brandt', role: 'therapist' },
  { login: 'sunniva', password: 'tram-bell-hill-7', name: 'Sunniva Aldous', role: 'lead' },
] as const satisfies readonly { login: string; password: string; name: string; role: Role }[]

const SURGEON = 'Dr. P. Hallam-Ito'

interface DemoPatient {
  readonly patient: Pick<
    PatientRow,
    'name' | 'birthDate' | 'dominantHand' | 'language' | 'hasLatexAllergy' | 'hasAdhesiveAllergy'
  >
  readonly side: 'left' | 'right'
  readonly day: number
  readonly therapist: 'noor' | 'emeka'
  readonly work: string
  readonly note: string
  /** Criteria with the day since surgery on which they were given; `[day, value]` for scores. */
  readonly given: Readonly<Record<string, number>>
  /** Visits: day, pain at rest and in action, active flexion, extension, radial, ulnar, pronation, supination of the injured side. */
  readonly visits: readonly (readonly [number, number, number, ...number[]])[]
  readonly healthy: readonly number[]
  /** What was so when health was asked at the first visit; nothing by default. */
  readonly health?: readonly HealthQuestion[]
  readonly program: readonly (readonly [string, Partial<Dose>?])[]
  /** Worst pain of the bouts, oldest first; the last ones fell today. */
  readonly bouts: readonly number[]
  readonly hurtLast?: string
  readonly redFlag?: RedFlag
}

const PATIENTS = JSON.parse(
  readFileSync(new URL('../patients.json', import.meta.url), 'utf8'),
) as readonly DemoPatient[]

const MOTIONS: readonly WristMotion[] = [
  'wristFlexion',
  'wristExtension',
  'radialDeviation',
  'ulnarDeviation',
  'pronation',
  'supination',
]

/** Loads the demo clinic into an empty database; does nothing when somebody works there already. */
export async function loadDemoClinic(
  database: Database,
  catalogue: Catalogue,
  now: Date,
  timeZone: string,
  fixedToday: ClinicalDay | null,
): Promise<boolean> {
  const { rows } = database
  const data = dataOf(database)
  if ((await rows.users.count()) > 0) return false
  const today = fixedToday ?? clinicalDayAt(now, timeZone)
  const users = new Map<string, string>()
  for (const { login, password, name, role } of DEMO_USERS) {
    const id = newId()
    users.set(login, id)
    await rows.users.create({
      id,
      login,
      name,
      role,
      passwordHash: await hash(password),
      isActive: true,
      createdAt: now,
    })
  }
  for (const demo of PATIENTS) await loadPatient(demo, users.get(demo.therapist)!)
  return true

  async function loadPatient(demo: DemoPatient, therapistId: string): Promise<void> {
    const onDay = (day: number) => addDays(today, day - demo.day)
    /** A moment of a day since surgery, never after now. */
    const at = (day: number, hour: number) =>
      new Date(
        Math.min(
          now.getTime() - (demo.day - day) * 86_400_000 + (hour - 12) * 3_600_000,
          now.getTime() - 60_000,
        ),
      )
    let last = 0
    const inOrder = () => ({ seq: (last += 1), digest: '' })
    const [patientId, episodeId] = [newId(), newId()]
    await rows.patients.create({
      id: patientId,
      personId: patientId,
      ...demo.patient,
      createdBy: therapistId,
      createdAt: at(1, 9),
    })
    const episode: EpisodeRow = {
      id: episodeId,
      patientId,
      therapistId,
      conditionId: 'distal-radius-fracture',
      side: demo.side,
      digits: [],
      timeZone,
      injuredOn: onDay(-4),
      surgeon: SURGEON,
      work: demo.work,
      note: demo.note,
      openedOn: onDay(1),
      createdAt: at(1, 9),
    }
    await rows.episodes.create(episode)
    await rows.schoolChoices.create({
      ...inOrder(),
      id: ulid(at(1, 9).getTime()),
      episodeId,
      protocolId: 'DRF-VLP-EARLY',
      variant: null,
      patientValues: {},
      anchorOn: onDay(0),
      why: '',
      chosenBy: therapistId,
      chosenAt: at(1, 9),
    })
    const facts = Object.entries(demo.given).map(([what, day]): FactRow => ({
      ...inOrder(),
      id: ulid(at(day, 10).getTime()),
      episodeId,
      what,
      value: 'true',
      isWithdrawn: false,
      dated: onDay(day),
      givenBy: /^(ord|xr|fix)/.test(what)
        ? SURGEON
        : DEMO_USERS.find((user) => user.login === demo.therapist)!.name,
      how: what.startsWith('xr') ? 'film' : /^(ord|fix)/.test(what) ? 'letter' : 'examined',
      note: '',
      correctsId: null,
      recordedBy: therapistId,
      recordedAt: at(day, 10),
    }))
    await rows.facts.bulkCreate(facts)
    await rows.healthChecks.create({
      ...inOrder(),
      id: ulid(at(1, 10).getTime()),
      episodeId,
      present: demo.health ?? [],
      note: '',
      recordedBy: therapistId,
      recordedAt: at(1, 10),
    })
    await rows.homeChecks.create({
      ...inOrder(),
      id: ulid(at(1, 10).getTime()),
      episodeId,
      things: null,
      otherHand: 'well',
      recordedBy: therapistId,
      recordedAt: at(1, 10),
    })
    for (const [day, painRest, painAct, ...angles] of demo.visits) {
      const evaluationId = ulid(at(day, 10).getTime())
      await rows.evaluations.create({
        early: null,
        ...inOrder(),
        id: evaluationId,
        episodeId,
        evaluatedOn: onDay(day),
        note: '',
        amendsId: null,
        recordedBy: therapistId,
        recordedAt: at(day, 10),
      })
      const other = demo.side === 'left' ? 'right' : 'left'
      const scores = { painRest, painAct }
      await rows.measurements.bulkCreate(
        (['painRest', 'painAct'] as const).map((measure) => ({
          evaluationId,
          episodeId,
          measure,
          digit: '' as const,
          side: '' as const,
          kind: '' as const,
          spot: '',
          result: scores[measure],
        })),
      )
      await rows.measurements.bulkCreate(
        angles.flatMap((angle, index) => {
          const measure = MOTIONS[index]!
          const row = (side: 'left' | 'right', kind: 'active' | 'passive', reading: number) => ({
            evaluationId,
            episodeId,
            measure,
            digit: '' as const,
            side,
            kind,
            spot: '',
            result: signedDeg(measure, reading),
          })
          const passive =
            day >= 28
              ? [row(demo.side, 'passive', angle + 6), row(other, 'passive', demo.healthy[index]! + 4)]
              : []
          return [row(demo.side, 'active', angle), row(other, 'active', demo.healthy[index]!), ...passive]
        }),
      )
    }
    const lastVisit = demo.visits.at(-1)![0]
    const record = await data.records.of(episodeId)
    const state = caseOn(record, catalogue, onDay(lastVisit), at(lastVisit, 11))
    const draft = demo.program.map(([exerciseId, dose]) => ({
      itemId: newId(),
      exerciseId,
      dose: { ...catalogue.exercises.get(exerciseId)!.dose, ...dose },
      digits: null,
    }))
    const items = judgedItems(draft, state, catalogue, { record })
    const closed = items.find((item) => item.verdict.kind === 'not-yet' || item.verdict.kind === 'never')
    if (closed)
      throw new Error(
        `The demo prescribes ${closed.exercise.id} to ${demo.patient.name}, who may not do it: ${closed.verdict.reasons[0]?.text.en}`,
      )
    await rows.drafts.create({
      episodeId,
      items: draft,
      schools: {},
      version: 1,
      updatedBy: therapistId,
      updatedAt: at(lastVisit, 11),
    })
    const versionId = ulid(at(lastVisit, 11).getTime())
    await rows.programVersions.create({
      ...inOrder(),
      id: versionId,
      episodeId,
      number: 1,
      signedBy: therapistId,
      signedAt: at(lastVisit, 11),
      signedOn: onDay(lastVisit),
      catalogueRevision: catalogue.revision,
      items: items.map(signedItem),
      schools: {},
    })
    const told = { at: now, actor: { kind: 'system', id: null }, action: 'demo.load' } as const
    await data.journal.audit(told, episodeId, true)
    await loadBouts(demo, episodeId, versionId, items, inOrder)
    await rows.sequences.create({ episodeId, last })
  }

  /** Moments after breakfast, lunch and supper since some days ago, in the clinic's time, none ahead of now. */
  function mealtimes(daysBack: number, seed: string): Date[] {
    const shift = seed.length % 5
    const moments: Date[] = []
    for (let back = daysBack; back >= 0; back -= 1) {
      const day = addDays(clinicalDayAt(now, timeZone), -back)
      for (const hour of [8, 13, 19]) {
        const utc = new Date(
          `${day}T${String(hour).padStart(2, '0')}:${String(5 + shift * 9).padStart(2, '0')}:00Z`,
        )
        const shown = new Intl.DateTimeFormat('en-GB', {
          timeZone,
          hour: '2-digit',
          hourCycle: 'h23',
        }).format(utc)
        const local = new Date(utc.getTime() - (((Number(shown) - hour + 36) % 24) - 12) * 3_600_000)
        if (local.getTime() < now.getTime() - 20 * 60_000 && (back < daysBack || hour > 12))
          moments.push(local)
      }
    }
    return moments
  }

  async function loadBouts(
    demo: DemoPatient,
    episodeId: string,
    versionId: string,
    items: ReturnType<typeof judgedItems>,
    inOrder: () => { seq: number; digest: string },
  ): Promise<void> {
    const lastVisit = demo.visits.at(-1)![0]
    const moments = mealtimes(demo.day - lastVisit, demo.patient.name).slice(-demo.bouts.length)
    const pains = demo.bouts.slice(-moments.length)
    for (const [index, worst] of pains.entries()) {
      const isLast = index === pains.length - 1
      const endedAt = moments[index]!
      const boutId = ulid(endedAt.getTime())
      const flag = isLast ? demo.redFlag : undefined
      const hurtAt =
        isLast && demo.hurtLast ? items.findIndex((item) => item.exercise.id === demo.hurtLast) : items.length
      await rows.boutLogs.create({
        id: boutId,
        episodeId,
        programVersionId: versionId,
        deviceId: null,
        startedAt: new Date(endedAt.getTime() - 11 * 60_000),
        endedAt,
        painBefore: Math.max(0, Math.min(worst - 1, 3)),
        painWorst: worst,
        painAfter: Math.max(0, worst - 1),
        endedBy: flag ? 'stop' : 'done',
        redFlags: flag ? [flag] : [],
        digest: '0'.repeat(64),
        receivedAt: endedAt,
      } as BoutLogRow)
      await rows.boutLogItems.bulkCreate(
        items.map((item, place) => ({
          boutLogId: boutId,
          itemId: item.itemId,
          outcome:
            place < hurtAt
              ? ('done' as const)
              : place === hurtAt
                ? ('hurt' as const)
                : ('notReached' as const),
          repetitionsDone: place < hurtAt ? item.dose.sets * item.dose.repetitions : place === hurtAt ? 3 : 0,
          reason: '',
        })),
      )
      if (flag) {
        await rows.flags.create({
          ...inOrder(),
          id: newId(),
          episodeId,
          flag,
          boutLogId: boutId,
          raisedAt: endedAt,
          liftsId: null,
          outcome: '',
          answeredBy: '',
          liftedBy: null,
        })
      }
    }
  }
}
