import { readFileSync } from 'node:fs'
import {
  addDays,
  checkedReading,
  clinicalDayAt,
  placeOfKey,
  signedItem,
  standingOf,
  typedReading,
  type Catalogue,
  type ClinicalDay,
  type Digit,
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

/** Everybody in the demo, whatever the hand has. */
interface DemoCase {
  readonly patient: Pick<
    PatientRow,
    'name' | 'birthDate' | 'dominantHand' | 'language' | 'hasLatexAllergy' | 'hasAdhesiveAllergy'
  >
  readonly conditionId: string
  readonly protocolId: string
  readonly side: 'left' | 'right'
  readonly digits: readonly Digit[]
  readonly day: number
  /** Days from the injury to day 0. */
  readonly injuredBefore: number
  readonly therapist: 'noor' | 'emeka'
  readonly work: string
  readonly note: string
  /** Criteria with the day on which they were given; `[day, value]` for numbers. */
  readonly given: Readonly<Record<string, number | readonly [day: number, value: number]>>
  /** Visits: what was typed at the bench, by the key of its place; `task:0` is the first of their own tasks. */
  readonly seen: readonly { readonly day: number; readonly readings: Readonly<Record<string, string>> }[]
  readonly tasks?: readonly string[]
  readonly goals?: readonly { words: string; series: string; target: number; dueDay: number }[]
  /** What was so when health was asked at the first visit; nothing by default. */
  readonly health?: readonly HealthQuestion[]
  readonly program: readonly (readonly [string, Partial<Dose>?])[]
  /** At which visit the program was signed; the last by default. */
  readonly signedAt?: number
  /** Worst pain of the bouts, oldest first; the last ones fell today. */
  readonly bouts: readonly number[]
  readonly hurtLast?: string
  readonly redFlag?: RedFlag
}
/** A wrist, shortly: visits as day, pain at rest and in action, active flexion, extension, radial, ulnar, pronation, supination. */
interface DemoWrist extends Omit<
  DemoCase,
  'conditionId' | 'protocolId' | 'digits' | 'injuredBefore' | 'seen'
> {
  readonly visits: readonly (readonly [number, number, number, ...number[]])[]
  readonly healthy: readonly number[]
}

function read<Content>(file: string): Content {
  return JSON.parse(readFileSync(new URL(file, import.meta.url), 'utf8')) as Content
}
const MOTIONS: readonly WristMotion[] = [
  'wristFlexion',
  'wristExtension',
  'radialDeviation',
  'ulnarDeviation',
  'pronation',
  'supination',
]

/** A wrist after a plate, passive motion measured from the fourth week on. */
function wristCase({ visits, healthy, ...demo }: DemoWrist): DemoCase {
  const other = demo.side === 'left' ? 'right' : 'left'
  const seen = visits.map(([day, painRest, painAct, ...angles]) => {
    const readings: Record<string, string> = { 'painRest...': `${painRest}`, 'painAct...': `${painAct}` }
    for (const [index, angle] of angles.entries()) {
      const [measure, normal] = [MOTIONS[index]!, healthy[index]!]
      readings[`${measure}..${demo.side}.active`] = `${angle}`
      readings[`${measure}..${other}.active`] = `${normal}`
      if (day < 28) continue
      readings[`${measure}..${demo.side}.passive`] = `${angle + 6}`
      readings[`${measure}..${other}.passive`] = `${normal + 4}`
    }
    return { day, readings }
  })
  return {
    ...demo,
    conditionId: 'distal-radius-fracture',
    protocolId: 'DRF-VLP-EARLY',
    digits: [],
    injuredBefore: 4,
    seen,
  }
}
const CASES: readonly DemoCase[] = [
  ...read<DemoWrist[]>('../patients.json').map(wristCase),
  ...read<DemoCase[]>('../hands.json'),
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
  for (const demo of CASES) await loadPatient(demo, users.get(demo.therapist)!)
  return true

  async function loadPatient(demo: DemoCase, therapistId: string): Promise<void> {
    const onDay = (day: number) => addDays(today, day - demo.day)
    /** A moment of a day since surgery, never after now. */
    const at = (day: number, hour: number) =>
      new Date(
        Math.min(
          now.getTime() - (demo.day - day) * 86_400_000 + (hour - 12) * 3_600_000,
          now.getTime() - 60_000,
        ),
      )
    const firstDay = Math.min(1, demo.seen[0]!.day)
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
      conditionId: demo.conditionId,
      side: demo.side,
      digits: [...demo.digits],
      timeZone,
      injuredOn: onDay(-demo.injuredBefore),
      surgeon: SURGEON,
      work: demo.work,
      note: demo.note,
      openedOn: onDay(firstDay),
      createdAt: at(firstDay, 9),
    }
    await rows.episodes.create(episode)
    await rows.schoolChoices.create({
      ...inOrder(),
      id: ulid(at(1, 9).getTime()),
      episodeId,
      protocolId: demo.protocolId,
      variant: null,
      patientValues: {},
      anchorOn: onDay(0),
      why: '',
      chosenBy: therapistId,
      chosenAt: at(1, 9),
    })
    const given = Object.entries(demo.given).map(([what, told]) => {
      const [day, value] = typeof told === 'number' ? [told, true] : told
      return { what, day, value }
    })
    const facts = given.map(({ what, day, value }): FactRow => ({
      ...inOrder(),
      id: ulid(at(day, 10).getTime()),
      episodeId,
      what,
      value: JSON.stringify(value),
      isWithdrawn: false,
      dated: onDay(day),
      givenBy: /^(ord|xr|fix|strands|epi|intraop|tendons|neighbour)/.test(what)
        ? SURGEON
        : DEMO_USERS.find((user) => user.login === demo.therapist)!.name,
      how: what.startsWith('xr')
        ? 'film'
        : /^(ord|fix|strands|epi|intraop|tendons|neighbour)/.test(what)
          ? 'letter'
          : 'examined',
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
    const tasks = (demo.tasks ?? []).map((words) => ({ id: newId(), words }))
    const fresh = { withdrawsId: null, why: '', recordedBy: therapistId, recordedAt: at(1, 10) }
    for (const task of tasks) await rows.tasks.create({ ...inOrder(), ...task, episodeId, ...fresh })
    for (const { day, readings } of demo.seen) {
      const evaluationId = ulid(at(day, 10).getTime())
      await rows.evaluations.create({
        ...inOrder(),
        id: evaluationId,
        episodeId,
        evaluatedOn: onDay(day),
        note: '',
        amendsId: null,
        early: null,
        recordedBy: therapistId,
        recordedAt: at(day, 10),
      })
      const typed = Object.entries(readings).map(([key, text]) => {
        const task = /^task:(\d+)$/.exec(key)
        const place = placeOfKey(task ? `task....${tasks[Number(task[1])]!.id}` : key)
        const cell = typedReading(place.measure, text)
        if (cell.name !== 'read') throw new Error(`The demo cannot type ${text} at ${key}.`)
        const {
          measure,
          digit,
          side,
          kind,
          spot = '',
          result,
        } = checkedReading({ ...place, result: cell.result })
        return {
          evaluationId,
          episodeId,
          measure,
          digit: digit ?? ('' as const),
          side: side ?? ('' as const),
          kind: kind ?? ('' as const),
          spot,
          result,
        }
      })
      await rows.measurements.bulkCreate(typed)
    }
    for (const { dueDay, ...goal } of demo.goals ?? [])
      await rows.goals.create({
        ...inOrder(),
        id: newId(),
        ...goal,
        episodeId,
        setOn: onDay(firstDay),
        dueOn: onDay(dueDay),
        ...fresh,
      })
    const lastVisit = demo.seen.at(demo.signedAt ?? -1)!.day
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
        `The demo prescribes ${closed.exercise.id} to ${demo.patient.name}, who may not do it: ${closed.verdict.reasons[0]?.text.en} (held by ${standingOf(
          state,
        )
          .heldBy.map(({ text }) => text)
          .join(', ')})`,
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
    demo: DemoCase,
    episodeId: string,
    versionId: string,
    items: ReturnType<typeof judgedItems>,
    inOrder: () => { seq: number; digest: string },
  ): Promise<void> {
    const lastVisit = demo.seen.at(demo.signedAt ?? -1)!.day
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
