import { inject } from 'vitest'
import { createSchema, dropSchema, type PrivateDatabase } from '../../scripts/lib/database.mjs'
import { buildApp } from '../../packages/server/src/app.js'
import type { AppSettings, Checkpoint } from '../../packages/server/src/context.js'
import { dataOf } from '../../packages/server/src/data/data.js'
import type { Clock } from '../../packages/server/src/clock.js'
import { connect } from '../../packages/server/src/data/connect.js'
import { Database } from '../../packages/server/src/data/database.js'
import { newId } from '../../packages/server/src/data/ids.js'
import { migrate } from '../../packages/server/src/data/migrate.js'
import { DEMO_USERS, loadDemoClinic } from '../../packages/demo/src/demoClinic.js'
import { referralFor } from '../builders/referral.js'
import { catalogue } from '../core/shippedCatalogue.js'

let count = 0
export const TIME_ZONE = 'Europe/Lisbon'
const SETTINGS: AppSettings = {
  clinic: { name: 'Test clinic', timeZone: TIME_ZONE, phone: '555 0100', outOfHours: '555 0199' },
  sessionSecret: 'a secret of the tests that is long enough',
  isSecure: false,
  devicesUrl: null,
  showsLowBands: false,
  limits: { signInPerMinute: 1000, pairingPerMinute: 1000, requestsPerMinute: 100_000 },
}

/** A clock a test can set. */
export function settableClock(start: string): Clock & { set(instant: string): void } {
  let instant = new Date(start)
  return {
    now: () => new Date(instant),
    today: (timeZone) => new Intl.DateTimeFormat('en-CA', { timeZone }).format(instant),
    set(text) {
      instant = new Date(text)
    },
  }
}

interface Options {
  startAt?: string
  checkpoint?: (name: Checkpoint) => Promise<void>
  limits?: Partial<AppSettings['limits']>
}

/** A server over a database of its own, with the demo clinic in it. */
export async function testClinic({
  startAt = '2031-04-11T12:00:00Z',
  checkpoint,
  limits = {},
}: Options = {}) {
  const instance = inject('database') as PrivateDatabase
  const name = `pledge_test_${process.pid}_${(count += 1)}`
  await createSchema(instance, name)
  const at = { host: '127.0.0.1', port: instance.port, name }
  const owner = connect({ ...at, ...instance.accounts.owner }, 1)
  await migrate(owner, instance.accounts.app.user)
  const database = new Database({ ...at, ...instance.accounts.app })
  const clock = settableClock(startAt)
  await loadDemoClinic(database, catalogue, clock.now(), TIME_ZONE, null)
  const app = await buildApp({
    database,
    catalogue,
    clock,
    settings: { ...SETTINGS, limits: { ...SETTINGS.limits, ...limits } },
    logLevel: 'error',
    ...(checkpoint ? { checkpoint } : {}),
  })
  return {
    app,
    database,
    data: dataOf(database),
    owner,
    clock,
    settings: at,
    account: instance.accounts.app,
    async episodeOf(patient: string) {
      const row = await database.rows.patients.findOne({ where: { name: patient } })
      const episode = await database.rows.episodes.findOne({ where: { patientId: row!.get().id } })
      return episode!.get()
    },
    async close() {
      await app.close()
      await database.close()
      await owner.close()
      await dropSchema(instance, name)
    },
  }
}
export type TestClinic = Awaited<ReturnType<typeof testClinic>>

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'

/** Somebody signed in, with cookie and token kept as a browser would. */
export async function signedIn(clinic: TestClinic, login: (typeof DEMO_USERS)[number]['login']) {
  const first = await clinic.app.inject({ url: '/api/session' })
  const { password } = DEMO_USERS.find((user) => user.login === login)!
  const answer = await clinic.app.inject({
    method: 'POST',
    url: '/api/session',
    headers: { 'csrf-token': first.json().csrfToken },
    cookies: cookiesOf(first),
    payload: { login, password },
  })
  if (answer.statusCode !== 200) throw new Error(`Not signed in: ${answer.body}`)
  const [cookies, token] = [cookiesOf(answer), answer.json().csrfToken as string]
  return {
    cookies,
    token,
    async send(method: Method, url: string, payload?: object) {
      return clinic.app.inject({
        method,
        url,
        cookies,
        headers: { 'csrf-token': token },
        ...(payload ? { payload } : {}),
      })
    },
  }
}
export type SignedIn = Awaited<ReturnType<typeof signedIn>>

export function cookiesOf(answer: { cookies: { name: string; value: string }[] }): Record<string, string> {
  return Object.fromEntries(answer.cookies.map(({ name, value }) => [name, value]))
}

/** The episode of a new patient of a school: 21 days after surgery on the tests' day, with every clearance of the surgeon. */
export async function referred(by: SignedIn, protocolId: string, changes: object = {}): Promise<string> {
  const referral = referralFor(catalogue.protocols.get(protocolId)!, changes)
  const answer = await by.send('POST', '/api/referrals', referral)
  if (answer.statusCode !== 201) throw new Error(`Not referred: ${answer.body}`)
  return answer.json().episodeId
}

/** A phone paired with an episode by a code the therapist made. */
export async function pairedPhone(clinic: TestClinic, therapist: SignedIn, episodeId: string) {
  const made = await therapist.send('POST', `/api/episodes/${episodeId}/pairings`)
  const paired = await clinic.app.inject({
    method: 'POST',
    url: '/api/phone/pairing',
    payload: { code: made.json().code },
  })
  if (paired.statusCode !== 201) throw new Error(`Not paired: ${paired.body}`)
  const headers = { authorization: `Bearer ${paired.json().token}` }
  return {
    code: made.json().code as string,
    token: paired.json().token as string,
    send: (method: Method, url: string, payload?: object) =>
      clinic.app.inject({ method, url, headers, ...(payload ? { payload } : {}) }),
  }
}

export { newId }

/** A bout of everything in the program, done without trouble. */
export function boutOf(
  program: { id: string; items: { itemId: string }[] },
  clock: Clock,
  changes: object = {},
) {
  const end = clock.now().getTime() - 60_000
  return {
    id: newId(),
    programVersionId: program.id,
    startedAt: new Date(end - 600_000).toISOString(),
    endedAt: new Date(end).toISOString(),
    painBefore: 1,
    painWorst: 2,
    painAfter: 1,
    endedBy: 'done',
    redFlags: [],
    items: program.items.map(({ itemId }) => ({ itemId, outcome: 'done', repetitionsDone: 10, reason: '' })),
    ...changes,
  }
}
