import type { Catalogue } from '@pledge/core'
import * as mariadb from 'mariadb'
import { buildApp, DEFAULT_LIMITS } from '../packages/server/src/app.js'
import { systemClock } from '../packages/server/src/clock.js'
import { Database } from '../packages/server/src/data/database.js'
import { newId } from '../packages/server/src/data/ids.js'
import { readSettings } from '../packages/server/src/settings.js'

/** Requests at once. */
export const CONNECTIONS = 6

/** A server over the bench's database, with somebody signed in and a phone paired. */
export interface BenchClinic {
  readonly address: string
  /** Of the database's owner: for what a bare route does. */
  readonly pool: mariadb.Pool
  readonly bout: () => { readonly id: string }
  readonly upload: () => Promise<void>
  readonly signedIn: Readonly<Record<string, string>>
}

export async function postJson(
  url: string,
  body: object,
  headers: Readonly<Record<string, string>> = {},
): Promise<Response> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json', ...headers },
    body: JSON.stringify(body),
  })
  if (!answer.ok) throw new Error(`${url}: ${answer.status} ${await answer.text()}`)
  return answer
}

const cookiesOf = (answer: Response) =>
  answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ')

async function signedIn(address: string): Promise<{ cookie: string }> {
  const first = await fetch(`${address}/api/session`)
  const { csrfToken } = (await first.json()) as { csrfToken: string }
  const { login, password } = JSON.parse(process.env['BENCH_USER']!) as { login: string; password: string }
  const headers = { cookie: cookiesOf(first), 'csrf-token': csrfToken }
  return { cookie: cookiesOf(await postJson(`${address}/api/session`, { login, password }, headers)) }
}

/** A code pairs one phone once: all measurements use the same. */
let token: string | null = null
async function pairedToken(address: string): Promise<string> {
  if (token === null) {
    const answer = await postJson(`${address}/api/phone/pairing`, { code: process.env['BENCH_CODE'] })
    token = ((await answer.json()) as { token: string }).token
  }
  return token
}

/** Runs a measurement against a server of its own. */
export async function withClinic(
  catalogue: Catalogue,
  measure: (clinic: BenchClinic) => Promise<void>,
): Promise<void> {
  const settings = readSettings(process.env)
  const { host, port, name } = settings.database
  const database = new Database(settings.database)
  const app = await buildApp({
    database,
    catalogue,
    clock: systemClock(null),
    settings: { ...settings, limits: { ...DEFAULT_LIMITS, requestsPerMinute: 1_000_000 } },
    logLevel: 'silent',
  })
  const pool = mariadb.createPool({
    host,
    port,
    database: name,
    user: process.env['PLEDGE_DB_OWNER']!,
    password: process.env['PLEDGE_DB_OWNER_PASSWORD']!,
    connectionLimit: CONNECTIONS,
  })
  try {
    const address = await app.listen({ host: '127.0.0.1', port: 0 })
    const headers = { authorization: `Bearer ${await pairedToken(address)}` }
    const { program } = (await (await fetch(`${address}/api/phone/today`, { headers })).json()) as {
      program: { id: string; items: { itemId: string }[] }
    }
    const bout = () => ({
      id: newId(),
      programVersionId: program.id,
      startedAt: new Date(Date.now() - 600_000).toISOString(),
      endedAt: new Date(Date.now() - 1000).toISOString(),
      painBefore: 1,
      painWorst: 2,
      painAfter: 1,
      endedBy: 'done',
      redFlags: [],
      items: program.items.map(({ itemId }) => ({
        itemId,
        outcome: 'done',
        repetitionsDone: 10,
        reason: '',
      })),
    })
    const upload = async () =>
      void (await (await postJson(`${address}/api/phone/bouts`, bout(), headers)).text())
    await measure({ address, pool, bout, upload, signedIn: await signedIn(address) })
  } finally {
    await app.close()
    await pool.end()
    await database.close()
  }
}
