import { QueryTypes } from 'sequelize'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { connect } from '../../packages/server/src/data/connect.js'
import { systemClock } from '../../packages/server/src/clock.js'
import { freePort } from '../../scripts/lib/database.mjs'
import { startServer, type RunningServer } from '../../scripts/lib/clinic.mjs'
import { boutOf } from '../database/testClinic.js'

const { url, signIns, environment } = inject('served')
const sequelize = connect({
  host: '127.0.0.1',
  port: Number(environment['PLEDGE_DB_PORT']),
  name: environment['PLEDGE_DB_NAME']!,
  user: environment['PLEDGE_DB_USER']!,
  password: environment['PLEDGE_DB_PASSWORD']!,
})
let authorization = ''
let program: { id: string; items: { itemId: string }[] }

beforeAll(async () => {
  const therapist = signIns.users.find((user) => user.login === 'emeka')!
  const json = { 'content-type': 'application/json' }
  const first = await fetch(`${url}/api/session`)
  const cookieOf = (answer: Response) =>
    answer.headers
      .getSetCookie()
      .map((cookie) => cookie.split(';')[0])
      .join('; ')
  const { csrfToken } = (await first.json()) as { csrfToken: string }
  const signed = await fetch(`${url}/api/session`, {
    method: 'POST',
    headers: { ...json, 'csrf-token': csrfToken, cookie: cookieOf(first) },
    body: JSON.stringify(therapist)
      .replace(/"name":"[^"]*",?/, '')
      .replace(/,?"role":"[^"]*"/, ''),
  })
  expect(signed.status).toBe(200)
  const headers = {
    ...json,
    'csrf-token': ((await signed.json()) as { csrfToken: string }).csrfToken,
    cookie: cookieOf(signed),
  }
  const caseload = (await (await fetch(`${url}/api/caseload`, { headers })).json()) as {
    cases: { patient: string; episodeId: string }[]
  }
  const { episodeId } = caseload.cases.find((one) => one.patient === 'Aurelio Tan')!
  const { code } = (await (
    await fetch(`${url}/api/episodes/${episodeId}/pairings`, { method: 'POST', headers, body: '{}' })
  ).json()) as { code: string }
  const { token } = (await (
    await fetch(`${url}/api/phone/pairing`, { method: 'POST', headers: json, body: JSON.stringify({ code }) })
  ).json()) as { token: string }
  authorization = `Bearer ${token}`
  const today = (await (await fetch(`${url}/api/phone/today`, { headers: { authorization } })).json()) as {
    program: typeof program
  }
  program = today.program
})
afterAll(() => sequelize.close())

const bout = () => boutOf(program, systemClock(null))
async function killable(killAt: string): Promise<RunningServer> {
  const server = await startServer(
    { ...environment, PORT: String(await freePort()), KILL_AT: killAt },
    { entry: ['tests/served/killableServer.mjs'] },
  )
  server.child.removeAllListeners('exit')
  return server
}
function send(port: number, log: ReturnType<typeof bout>): Promise<number> {
  return fetch(`http://127.0.0.1:${port}/api/phone/bouts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', authorization },
    body: JSON.stringify(log),
  }).then(
    (answer) => answer.status,
    () => 0,
  )
}
const gone = (server: RunningServer) =>
  server.child.signalCode !== null
    ? Promise.resolve()
    : new Promise<void>((resolve) => server.child.once('exit', () => resolve()))
async function stored(id: string) {
  const count = async (table: string, column: string) => {
    const rows = await sequelize.query<{ n: number }>(
      `SELECT COUNT(*) AS n FROM ${table} WHERE ${column} = ?`,
      { replacements: [id], type: QueryTypes.SELECT },
    )
    return Number(rows[0]!.n)
  }
  const audits = await sequelize.query<{ n: number }>(
    "SELECT COUNT(*) AS n FROM audit WHERE action = 'bout.log' AND JSON_VALUE(detail, '$.id') = ?",
    { replacements: [id], type: QueryTypes.SELECT },
  )
  return {
    logs: await count('bout_logs', 'id'),
    items: await count('bout_log_items', 'bout_log_id'),
    audits: Number(audits[0]!.n),
  }
}

describe('a server killed while a bout is uploaded', () => {
  it.each([
    ['before the INSERT', 'bout.beforeInsert', 0],
    ['between COMMIT and the answer', 'bout.afterCommit', 1],
    ['after the answer', 'bout.afterAnswer', 1],
  ])('%s: the bout, sent again, is there exactly once', async (_case, killAt, expectedBefore) => {
    const log = bout()
    const server = await killable(killAt)
    const status = await send(server.port, log)
    expect(status).toBe(killAt === 'bout.afterAnswer' ? 201 : 0)
    await gone(server)
    expect((await stored(log.id)).logs).toBe(expectedBefore)
    const again = await send(Number(new URL(url).port), log)
    expect(again).toBe(expectedBefore === 1 ? 200 : 201)
    expect(await stored(log.id)).toEqual({ logs: 1, items: program.items.length, audits: 1 })
  })

  it('while the database writes: all of the bout is there or nothing, and once sent again it is there once', async () => {
    const log = bout()
    const server = await killable('bout.whileWriting')
    expect(await send(server.port, log)).toBe(0)
    await gone(server)
    const left = await stored(log.id)
    expect([
      { logs: 0, items: 0, audits: 0 },
      { logs: 1, items: program.items.length, audits: 1 },
    ]).toContainEqual(left)
    expect(await send(Number(new URL(url).port), log)).toBe(left.logs === 1 ? 200 : 201)
    expect(await stored(log.id)).toEqual({ logs: 1, items: program.items.length, audits: 1 })
  })

  it('at 20 random moments: the bout, sent again, is there exactly once each time', async () => {
    const before: number[] = []
    for (let round = 0; round < 20; round += 1) {
      const log = bout()
      const server = await killable('never')
      const answer = send(server.port, log)
      // The upload takes about 10-40 ms on a fresh server: moments on both sides of it.
      await new Promise((resolve) => setTimeout(resolve, Math.random() * 60))
      server.child.kill('SIGKILL')
      await Promise.all([answer, gone(server)])
      before.push((await stored(log.id)).logs)
      expect([200, 201]).toContain(await send(Number(new URL(url).port), log))
      expect(await stored(log.id)).toEqual({ logs: 1, items: program.items.length, audits: 1 })
    }
    expect(before.every((count) => count <= 1)).toBe(true)
    // Twenty starts of a server, each of which reads the whole catalogue.
  }, 240_000)
})
