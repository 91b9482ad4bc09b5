import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { InjectOptions } from 'fastify'
import { urgencyOf, type Catalogue } from '@pledge/core'
import { catalogue } from '../../../../../tests/core/shippedCatalogue.js'
import {
  boutOf,
  newId,
  pairedPhone,
  signedIn,
  TIME_ZONE,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../../../../../tests/database/testClinic.js'
import { clinicDay } from '../../../../../tests/server/recorded/visits.js'
import { dataOf } from '../../data/data.js'
import { catalogueOfHouse } from '../../plugins/houseCatalogue.js'
import { judgedRow, type JudgedRow } from './answer.js'
import { JudgedRows } from './judgedRows.js'

const START = '2031-04-11T12:00:00Z'
const HOUR = 3_600_000

let clinic: TestClinic
let noor: SignedIn
beforeAll(async () => {
  clinic = await testClinic({ startAt: START })
  noor = await signedIn(clinic, 'noor')
})
afterAll(() => clinic.close())

/** The clinic's catalogue: the same object until the clinic changes it, as for requests. */
let house: { number: number; catalogue: Catalogue } = { number: 0, catalogue }
async function standpoint() {
  const number = await clinic.data.house.newestNumber()
  if (number !== house.number)
    house = { number, catalogue: catalogueOfHouse(catalogue, await clinic.data.house.all()) }
  return { catalogue: house.catalogue, now: clinic.clock.now(), today: clinic.clock.today(TIME_ZONE) }
}
/** Every open episode judged anew from its whole record. */
async function judgedAnew(): Promise<JudgedRow[]> {
  const { catalogue: now, today, now: at } = await standpoint()
  const records = await clinic.data.records.ofAll(await clinic.data.records.openIds())
  return records
    .map((record) => judgedRow(record, now, today, at))
    .sort((a, b) => (a.episodeId < b.episodeId ? -1 : 1))
    .sort((a, b) => urgencyOf(a.attention) - urgencyOf(b.attention) || a.day - b.day)
}

describe('rows that are kept', () => {
  it('are those that would be judged anew, after every request of a clinic day', async () => {
    // Kept by a server that makes none of the changes itself.
    const rows = new JudgedRows(dataOf(clinic.database))
    let [looks, changes] = [0, 0]
    let before: readonly JudgedRow[] = []
    const inject = async (asked: InjectOptions) => {
      const answer = await clinic.app.inject(asked)
      const kept = await rows.current(await standpoint())
      expect(kept, JSON.stringify(asked)).toEqual(await judgedAnew())
      looks += 1
      if (kept !== before) changes += 1
      before = kept
      return answer
    }
    const watched = Object.assign(Object.create(clinic.app), { inject }) as TestClinic['app']
    await clinicDay({ ...clinic, app: watched })
    expect(looks).toBeGreaterThan(100)
    // What was only read, or refused, makes no row be judged again.
    expect(changes).toBeGreaterThan(20)
    expect(changes).toBeLessThan(looks / 2)
  })

  it('change by themselves when a pain logged at home no longer counts, and with the day', async () => {
    const { id } = await clinic.episodeOf('Henrike Osei')
    const phone = await pairedPhone(clinic, noor, id)
    const { program } = (await phone.send('GET', '/api/phone/today')).json()
    await phone.send('POST', '/api/phone/bouts', boutOf(program, clinic.clock, { painWorst: 7 }))
    const rows = new JudgedRows(dataOf(clinic.database))
    const hours: string[] = []
    let before = ''
    for (let hour = 0; hour <= 52; hour += 1) {
      clinic.clock.set(new Date(Date.parse(START) + hour * HOUR).toISOString())
      const kept = await rows.current(await standpoint())
      expect(kept, `hour ${hour}`).toEqual(await judgedAnew())
      const told = JSON.stringify(kept.find(({ episodeId }) => episodeId === id)!.attention)
      if (told !== before) hours.push(`${hour} ${told}`)
      before = told
    }
    // Midnight in Lisbon at hours 11 and 35; a minute before hour 48 the pain is two days old.
    expect(hours.map((one) => one.split(' ')[0])).toEqual(['0', '11', '35', '48'])
    expect(hours[0]).toContain('paused')
    expect(hours[3]).not.toContain('paused')
    clinic.clock.set(START)
    expect(await rows.current(await standpoint())).toEqual(await judgedAnew())
  })
  it('count a bout that was given its number earlier and stored later than another', async () => {
    const { id } = await clinic.episodeOf('Henrike Osei')
    const rows = new JudgedRows(dataOf(clinic.database))
    const lastBout = async () =>
      (await rows.current(await standpoint())).find(({ episodeId }) => episodeId === id)!.lastBoutAt
    const [last] = await clinic.database.rows.boutLogs.findAll({
      where: { episodeId: id },
      order: [['seq', 'DESC']],
      limit: 1,
    })
    const store = (ahead: number, endedAt: string) =>
      clinic.database.rows.boutLogs.create({
        ...last!.get(),
        id: newId(),
        seq: Number(last!.get().seq) + ahead,
        endedAt: new Date(endedAt),
      })
    await lastBout()
    await store(10, '2031-04-11T09:00:00Z')
    await lastBout()
    await store(5, '2031-04-11T11:59:59Z')
    expect(await lastBout()).toBe('2031-04-11T11:59:59.000Z')
    expect(await rows.current(await standpoint())).toEqual(await judgedAnew())
  })

  it('are judged once for those who ask at the same time', async () => {
    const rows = new JudgedRows(dataOf(clinic.database))
    const at = await standpoint()
    const [first, ...others] = await Promise.all([1, 2, 3].map(() => rows.current(at)))
    expect(others.every((one) => one === first)).toBe(true)
  })

  it('are not half of them where the server is stopped while they are judged', async () => {
    const rows = new JudgedRows(dataOf(clinic.database))
    const asked = rows.current(await standpoint())
    const refused = expect(asked).rejects.toMatchObject({ code: 'STOPPING' })
    await rows.close()
    await refused
  })
})

describe('the caseload that is asked for', () => {
  const ask = async (query = '') => (await noor.send('GET', `/api/caseload${query}`)).json()
  const named = ({ cases }: { cases: { patient: string }[] }) => cases.map(({ patient }) => patient)

  it('has as many rows as asked for, from the most urgent on, and tells of how many', async () => {
    const all = await ask()
    expect(all.total).toBe(all.cases.length)
    const two = await ask('?rows=2')
    expect(two).toEqual({ ...all, cases: all.cases.slice(0, 2) })
    expect(all.cases.slice(0, all.urgent).every((one: JudgedRow) => one.attention.length > 0)).toBe(true)
    expect(all.cases.slice(all.urgent).every((one: JudgedRow) => one.attention.length === 0)).toBe(true)
  })

  it('is filtered by patient, phase, condition or therapist, whoever of them is meant', async () => {
    expect(named(await ask('?text=%20HENRIKE'))).toEqual(['Henrike Osei'])
    expect((await ask('?text=radius')).total).toBeGreaterThan(0)
    expect(await ask('?text=nobody%20of%20this%20name')).toMatchObject({ total: 0, urgent: 0, cases: [] })
    const mine = await ask('?whose=mine')
    expect(new Set(mine.cases.map((one: { therapist: string }) => one.therapist))).toEqual(
      new Set(['Noor Castellane']),
    )
    expect(named(await ask('?text=brandt&whose=mine'))).toEqual([])
    expect((await ask('?text=brandt')).total).toBeGreaterThan(0)
  })

  it.each([
    ['rows', '?rows=0', /1 to 1000 rows/],
    ['rows', '?rows=1001', /filter to find the rest/],
    ['rows', '?rows=many', /1 to 1000 rows/],
    ['whose', '?whose=theirs', /"all" or "mine"/],
    ['text', `?text=${'x'.repeat(201)}`, /At most 200/],
  ])('is refused at %s for %s', async (path, query, message) => {
    const answer = await noor.send('GET', `/api/caseload${query}`)
    expect(answer.statusCode).toBe(400)
    expect(answer.json().errors).toEqual([{ path, message: expect.stringMatching(message) }])
  })
})
