import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { PATHS } from '@pledge/contract'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { testClinic, type TestClinic } from '../database/testClinic.js'
import { clinicDay, type RecordedAnswer } from './recorded/visits.js'

/**
 * What the server answered before it was put in order (`recorded/answers.jsonl`, one answer a line). An answer that is meant
 * to change is recorded anew with `PLEDGE_RECORD=1 npx vitest run --project server recordedAnswers`, and the difference
 * gets its reason in `recorded/differences.md`.
 */
const FILE = fileURLToPath(new URL('recorded/answers.jsonl', import.meta.url))

let clinic: TestClinic
let now: RecordedAnswer[]
beforeAll(async () => {
  clinic = await testClinic({ startAt: '2031-04-11T12:00:00Z' })
  now = await clinicDay(clinic)
  if (process.env['PLEDGE_RECORD'])
    writeFileSync(FILE, `${now.map((one) => JSON.stringify(one)).join('\n')}\n`)
})
afterAll(() => clinic.close())

describe('the answers of a clinic day', () => {
  it('are those recorded, request by request', () => {
    const kept = readFileSync(FILE, 'utf8')
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as RecordedAnswer)
    expect(now.map(({ who, method, url, status }) => `${who} ${method} ${url} ${status}`)).toEqual(
      kept.map(({ who, method, url, status }) => `${who} ${method} ${url} ${status}`),
    )
    for (const [place, one] of kept.entries())
      expect(now[place], `${one.who} ${one.method} ${one.url}`).toEqual(one)
  })

  it('ask every route at least once', () => {
    const asked = now.map(({ method, url }) => `${method} ${url.split('?')[0]}`)
    // The contract itself is held by contract.test.ts.
    const { apiDocument: _, ...routes } = PATHS
    for (const { method, path } of Object.values(routes)) {
      const pattern = new RegExp(`^${method} ${path.replace(/:\w+/g, '[^/]+')}$`)
      expect(
        asked.some((one) => pattern.test(one)),
        `${method} ${path}`,
      ).toBe(true)
    }
  })
})
