import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '@pledge/core'
import { answerTo } from '../../../../tests/builders/referral.js'
import { catalogue } from '../../../../tests/core/shippedCatalogue.js'
import {
  boutOf,
  newId,
  pairedPhone,
  referred,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../../../../tests/database/testClinic.js'

const TODAY = '2031-04-11'
let clinic: TestClinic
let noor: SignedIn
beforeAll(async () => {
  clinic = await testClinic({ startAt: '2031-04-11T12:00:00Z' })
  noor = await signedIn(clinic, 'noor')
})
afterAll(() => clinic.close())

const refer = (protocolId = 'EXT34-SAM', changes: object = {}) => referred(noor, protocolId, changes)
const post = (episodeId: string, path: string, body: object) =>
  noor.send('POST', `/api/episodes/${episodeId}/${path}`, body)
const read = async (episodeId: string) => (await noor.send('GET', `/api/episodes/${episodeId}`)).json()
const fact = (changes: object = {}) => ({
  id: newId(),
  what: 'xr.union',
  value: true,
  dated: TODAY,
  givenBy: 'Dr. P. Hallam-Ito',
  how: 'letter',
  note: '',
  ...changes,
})
const order = (changes: object = {}) => ({
  id: newId(),
  restriction: 'noLoad',
  untilOn: null,
  givenBy: 'Dr. P. Hallam-Ito',
  dated: TODAY,
  why: 'Thin bone',
  document: '',
  ...changes,
})
const bend = 'middle-joint-bend-passive'
const exception = () => ({
  id: newId(),
  exerciseId: bend,
  dose: catalogue.exercises.get(bend)!.dose,
  why: 'Tight already',
  agreedBy: 'Dr. P. Hallam-Ito',
  document: 'Letter of 10 April',
})
const school = () => {
  const imm = catalogue.protocols.get('EXT34-IMM')!
  return {
    id: newId(),
    protocolId: imm.id,
    variant: null,
    values: {},
    selection: imm.select.map(answerTo),
    anchorOn: '2031-03-21',
    why: 'Does not manage it',
  }
}

const PAIN = { measure: 'painAct', digit: null, side: null, kind: null, result: 3 }

/** Everything that is added to a record, with what of it somebody might send changed under the same id. */
const APPENDS: readonly [string, string, () => object, object][] = [
  ['an order', 'orders', order, { restriction: 'noStretch' }],
  ['a clearance', 'facts', fact, { value: false }],
  [
    'an evaluation',
    'evaluations',
    () => ({ id: newId(), evaluatedOn: TODAY, note: '', readings: [PAIN] }),
    { readings: [{ ...PAIN, result: 5 }] },
  ],
  ['a red flag', 'flags', () => ({ id: newId(), flag: 'RF.BONE' }), { flag: 'RF.SKIN' }],
  [
    'moved windows',
    'shifts',
    () => ({ id: newId(), days: 7, afterDay: 28, why: 'Slow', agreedBy: '', document: '' }),
    { days: 14 },
  ],
  [
    'what was asked about health',
    'health',
    () => ({ id: newId(), present: ['clot'], note: '' }),
    { present: [] },
  ],
  ['what is at home', 'home', () => ({ id: newId(), things: [], otherHand: 'well' }), { otherHand: 'hurt' }],
  ['an exception', 'overrides', exception, { why: 'Another reason' }],
  ['a school', 'school', school, { why: 'Another reason' }],
]

describe('what is sent to a record', () => {
  it.each(APPENDS)(
    '%s: sent twice it is stored once, and changed under the same id it is refused with what is stored',
    async (_what, path, make, change) => {
      const episodeId = await refer()
      const body = make() as { id: string }
      const first = await post(episodeId, path, body)
      expect(first.statusCode, first.body).toBe(201)
      const { revision } = await read(episodeId)
      const again = await post(episodeId, path, { ...body })
      expect([again.statusCode, again.json()]).toEqual([201, first.json()])
      expect((await read(episodeId)).revision).toBe(revision)
      const other = await post(episodeId, path, { ...body, ...change })
      expect(other.statusCode, other.body).toBe(409)
      expect(other.json()).toMatchObject({ code: 'ID_TAKEN', stored: { id: body.id, episodeId } })
      expect((await read(episodeId)).revision).toBe(revision)
    },
  )

  it('an id of another patient is refused, and nothing of that patient is told', async () => {
    const [one, two] = [await refer(), await refer()]
    const body = order()
    expect((await post(one, 'orders', body)).statusCode).toBe(201)
    const refused = await post(two, 'orders', body)
    expect(refused.statusCode).toBe(409)
    expect(refused.json().stored).toBeUndefined()
    expect((await read(two)).orders).toEqual([])
  })

  it('a program signed again under its id with another draft keeps what was signed and says so', async () => {
    const episodeId = await refer()
    const items = ['edema-elevate', 'shoulder-raise-active'].map((exerciseId) => ({
      itemId: newId(),
      exerciseId,
      dose: catalogue.exercises.get(exerciseId)!.dose,
    }))
    const draft = (version: number, some: object[]) =>
      noor.send('PUT', `/api/episodes/${episodeId}/draft`, { version, schools: {}, items: some })
    expect((await draft(0, items)).statusCode).toBe(200)
    const id = newId()
    expect((await post(episodeId, 'program', { id, version: 1 })).json()).toEqual({ id, number: 1 })
    expect((await post(episodeId, 'program', { id, version: 1 })).json()).toEqual({ id, number: 1 })
    expect((await draft(1, items.slice(1))).statusCode).toBe(200)
    const again = await post(episodeId, 'program', { id, version: 2 })
    expect(again.statusCode).toBe(409)
    expect((await read(episodeId)).program.items).toHaveLength(2)
  })

  it('one unknown episode takes nothing', async () => {
    expect((await post(newId(), 'orders', order())).statusCode).toBe(404)
  })

  it('the same thing sent ten times at once is there once, and every answer is the same', async () => {
    const episodeId = await refer()
    const body = order()
    const answers = await Promise.all(Array.from({ length: 10 }, () => post(episodeId, 'orders', body)))
    expect(answers.map(({ statusCode }) => statusCode)).toEqual(Array.from({ length: 10 }, () => 201))
    expect((await read(episodeId)).orders).toHaveLength(1)
  })
})

describe('what is taken back', () => {
  const withdrawal = () => ({ id: newId(), why: 'Recorded for the wrong patient' })
  const takeBack = async (path: string, make: () => object, target: string) => {
    const episodeId = await refer()
    const body = make() as { id: string }
    expect((await post(episodeId, path, body)).statusCode).toBe(201)
    return Promise.all(
      Array.from({ length: 6 }, () =>
        post(
          episodeId,
          `${path}/${body.id}/${target}`,
          target === 'lift'
            ? { id: newId(), outcome: 'Healed', answeredBy: 'Dr. P. Hallam-Ito' }
            : withdrawal(),
        ),
      ),
    )
  }
  it.each([
    ['a clearance', 'facts', fact, 'withdrawal'],
    ['an order', 'orders', order, 'withdrawal'],
    ['moved windows', 'shifts', APPENDS.find(([, path]) => path === 'shifts')![2], 'withdrawal'],
    ['an exception', 'overrides', exception, 'withdrawal'],
    ['a red flag', 'flags', APPENDS.find(([, path]) => path === 'flags')![2], 'lift'],
  ])('%s: once only, however many ask at once', async (_what, path, make, target) => {
    const codes = (await takeBack(path, make, target)).map(({ statusCode }) => statusCode)
    expect(codes.filter((code) => code === 201)).toHaveLength(1)
    expect(codes.filter((code) => code === 409)).toHaveLength(5)
  })

  it('sent again it answers what was stored', async () => {
    const episodeId = await refer()
    const [body, back] = [order(), withdrawal()]
    await post(episodeId, 'orders', body)
    const first = await post(episodeId, `orders/${body.id}/withdrawal`, back)
    const again = await post(episodeId, `orders/${body.id}/withdrawal`, back)
    expect([first.statusCode, again.statusCode, again.json()]).toEqual([201, 201, first.json()])
  })

  it('is not taken back itself', async () => {
    const episodeId = await refer()
    const [body, back] = [fact(), withdrawal()]
    await post(episodeId, 'facts', body)
    await post(episodeId, `facts/${body.id}/withdrawal`, back)
    expect((await post(episodeId, `facts/${back.id}/withdrawal`, withdrawal())).statusCode).toBe(404)
  })
})

describe('what comes after what', () => {
  it('is told by the database: a withdrawal by a server whose clock runs a day behind counts', async () => {
    const episodeId = await refer('DRF-VLP-EARLY')
    const clearance = fact()
    await post(episodeId, 'facts', clearance)
    const status = async () =>
      (await read(episodeId)).criteria.find((one: { what: string }) => one.what === 'xr.union').status
    expect(await status()).toBe('met')
    clinic.clock.set('2031-04-10T09:00:00Z')
    const back = await post(episodeId, `facts/${clearance.id}/withdrawal`, {
      id: newId(),
      why: 'Another film',
    })
    clinic.clock.set('2031-04-11T12:00:00Z')
    noor = await signedIn(clinic, 'noor')
    expect(back.statusCode, back.body).toBe(201)
    expect(await status()).toBe('withdrawn')
  })

  it('of two findings of one day the one stored last counts, whatever the clock said', async () => {
    const episodeId = await refer()
    await post(episodeId, 'facts', fact({ what: 'pain.rest', value: 6, how: 'measured' }))
    clinic.clock.set('2031-04-11T08:00:00Z')
    await post(episodeId, 'facts', fact({ what: 'pain.rest', value: 2, how: 'measured' }))
    clinic.clock.set('2031-04-11T12:00:00Z')
    const { criteria } = await read(episodeId)
    const pain = criteria.find((one: { name: string }) => one.name === 'pain.rest')
    if (pain) expect(pain.latest.value).toBe('2')
    const { rows } = clinic.database
    const stored = await rows.facts.findAll({
      where: { episodeId, what: 'pain.rest' },
      order: [['seq', 'ASC']],
    })
    expect(stored.map((row) => row.get().value)).toEqual(['6', '2'])
  })

  it('the revision of a record is a number that grows with every change, also with a bout', async () => {
    const episode = await clinic.episodeOf('Dmitri Valcourt')
    const { revision } = await read(episode.id)
    expect(revision).toMatch(/^\d+\.\d+$/)
    await post(episode.id, 'facts', fact())
    const after = (await read(episode.id)).revision
    expect(after).not.toBe(revision)
    expect((await noor.send('GET', `/api/episodes/${episode.id}/revision`)).json()).toEqual({
      revision: after,
    })
  })

  it('a signature reads what it rests on while nothing of it can change', async () => {
    const episodeId = await refer('DRF-VLP-EARLY', {
      anchorOn: addDays(TODAY, -60),
      injuredOn: addDays(TODAY, -60),
    })
    for (const what of ['fix.stable', 'wound.ok', 'edema.stable', 'xr.union', 'xr.stable'])
      await post(episodeId, 'facts', fact({ what }))
    await post(episodeId, 'facts', fact({ what: 'pain.act', value: 1, how: 'measured' }))
    const exerciseId = 'putty-squeeze'
    const items = [{ itemId: newId(), exerciseId, dose: catalogue.exercises.get(exerciseId)!.dose }]
    await noor.send('PUT', `/api/episodes/${episodeId}/draft`, { version: 0, schools: {}, items })
    // The order and the signature come at once: whichever is first, nothing closed is signed.
    const [ordered, signed] = await Promise.all([
      post(episodeId, 'orders', order()),
      post(episodeId, 'program', { id: newId(), version: 1 }),
    ])
    expect(ordered.statusCode).toBe(201)
    const { rows } = clinic.database
    const [orderRow] = await rows.orders.findAll({ where: { episodeId } })
    const [version] = await rows.programVersions.findAll({ where: { episodeId } })
    if (signed.statusCode === 201) expect(version!.get().seq).toBeLessThan(orderRow!.get().seq)
    else expect(signed.json().code).toBe('NOT_CLEARED')
  })
})

describe('a phone that was taken back', () => {
  it('stores nothing any more, although the server has seen its token before', async () => {
    const episode = await clinic.episodeOf('Dmitri Valcourt')
    const phone = await pairedPhone(clinic, noor, episode.id)
    const { program } = (await phone.send('GET', '/api/phone/today')).json()
    expect((await phone.send('POST', '/api/phone/bouts', boutOf(program, clinic.clock))).statusCode).toBe(201)
    const { devices } = await read(episode.id)
    for (const { id } of devices) await post(episode.id, `devices/${id}/revocation`, {})
    const late = boutOf(program, clinic.clock)
    const answer = await phone.send('POST', '/api/phone/bouts', late)
    expect([answer.statusCode, answer.json().code]).toEqual([401, 'NOT_PAIRED'])
    expect(await clinic.database.rows.boutLogs.findByPk(late.id)).toBeNull()
  })
})
