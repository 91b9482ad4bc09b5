import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { catalogue } from '../core/shippedCatalogue.js'
import {
  newId,
  pairedPhone,
  referred,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../database/testClinic.js'

const TODAY = '2031-04-11'
let clinic: TestClinic
let noor: SignedIn
beforeAll(async () => {
  clinic = await testClinic({ startAt: `${TODAY}T12:00:00Z` })
  noor = await signedIn(clinic, 'noor')
})
afterAll(() => clinic.close())

const refer = (protocolId: string, changes: object = {}) => referred(noor, protocolId, changes)
const seen = async (id: string) => (await noor.send('GET', `/api/episodes/${id}`)).json()
const startsOf = async (id: string): Promise<number[]> =>
  (await seen(id)).phases.map((phase: { startDay: number }) => phase.startDay)
const gatesOf = async (id: string): Promise<number[]> =>
  (await seen(id)).gates.map((gate: { day: number }) => gate.day)

describe('windows moved by a therapist', () => {
  const move = (id: string, changes: object = {}, by = noor) =>
    by.send('POST', `/api/episodes/${id}/shifts`, {
      id: newId(),
      days: 7,
      afterDay: 21,
      why: 'Adhesions absent: protect longer.',
      agreedBy: '',
      document: '',
      ...changes,
    })

  it('later: what lies ahead waits longer, what is open stays; the reason stands beside it', async () => {
    const id = await refer('FT-PH')
    expect(await startsOf(id)).toEqual([0, 3, 28, 42, 56])
    const answer = await move(id)
    expect(answer.statusCode, answer.body).toBe(201)
    expect(await startsOf(id)).toEqual([0, 3, 35, 49, 63])
    expect(await gatesOf(id)).toEqual([49, 63, 77, 91, 105, 119])
    const { shifts } = await seen(id)
    expect(shifts).toMatchObject([
      { days: 7, afterDay: 21, why: 'Adhesions absent: protect longer.', recordedBy: 'Noor Castellane' },
    ])
    expect(await clinic.database.rows.audit.count({ where: { episodeId: id, action: 'windows.move' } })).toBe(
      1,
    )
  })

  it('earlier while it heals: only with the name of the surgeon and the letter', async () => {
    const id = await refer('FT-PH')
    expect((await move(id, { days: -7 })).json().errors[0].path).toBe('agreedBy')
    expect((await move(id, { days: -7, agreedBy: 'Dr. P. Hallam-Ito' })).json().errors[0].path).toBe(
      'document',
    )
    expect(await startsOf(id)).toEqual([0, 3, 28, 42, 56])
    const given = await move(id, { days: -7, agreedBy: 'Dr. P. Hallam-Ito', document: 'Letter of 10 April' })
    expect(given.statusCode, given.body).toBe(201)
    // Day 28 less 7 is day 21, today; nothing comes to lie before it.
    expect(await startsOf(id)).toEqual([0, 3, 21, 35, 49])
  })

  it('earlier where nothing heals needs no letter', async () => {
    const id = await refer('CMC-OA')
    const before = await gatesOf(id)
    expect((await move(id, { days: -7 })).statusCode).toBe(201)
    expect(await gatesOf(id)).toEqual(before.map((day) => (day > 21 ? Math.max(21, day - 7) : day)))
  })

  it.each([
    ['no day at all', { days: 0 }, 'days'],
    ['more than anybody means', { days: 85 }, 'days'],
    ['half a day', { days: 2.5 }, 'days'],
    ['a window of the past', { days: -3, afterDay: 10, agreedBy: 'Dr. A', document: 'Letter' }, 'afterDay'],
    ['no reason', { why: ' ' }, 'why'],
    ['a field nobody knows', { surgeon: 'x' }, ''],
  ])('%s is refused at its field, and nothing moves', async (_what, changes, path) => {
    const id = await refer('FT-PH')
    const answer = await move(id, changes)
    expect(answer.statusCode).toBe(400)
    expect(answer.json().errors[0].path).toBe(path)
    expect((await seen(id)).shifts).toEqual([])
  })

  it('is taken back with a reason, once; the move stays in the record', async () => {
    const id = await refer('FT-PH')
    await move(id)
    const [{ id: shiftId }] = (await seen(id)).shifts
    const back = () =>
      noor.send('POST', `/api/episodes/${id}/shifts/${shiftId}/withdrawal`, {
        id: newId(),
        why: 'Scar felt today.',
      })
    expect((await back()).statusCode).toBe(201)
    expect(await startsOf(id)).toEqual([0, 3, 28, 42, 56])
    expect((await back()).statusCode).toBe(409)
    expect(await clinic.database.rows.windowShifts.count({ where: { episodeId: id } })).toBe(2)
  })

  it('the same move sent twice is stored once; who is no therapist moves none', async () => {
    const id = await refer('FT-PH')
    const twice = { id: newId() }
    expect((await move(id, twice)).statusCode).toBe(201)
    expect((await move(id, twice)).statusCode).toBe(201)
    expect((await seen(id)).shifts).toHaveLength(1)
    const lead = await signedIn(clinic, 'sunniva')
    expect((await move(id, {}, lead)).statusCode).toBe(403)
  })

  it('belongs to its school: another choice starts from the defaults', async () => {
    const id = await refer('FT-PH')
    await move(id)
    const choice = await noor.send('POST', `/api/episodes/${id}/school`, {
      id: newId(),
      protocolId: 'FT-DURAN',
      variant: null,
      values: {},
      selection: [],
      anchorOn: '2031-03-21',
      why: 'Only two strands after all.',
    })
    expect(choice.statusCode, choice.body).toBe(201)
    expect((await seen(id)).shifts).toEqual([])
    expect(await startsOf(id)).toEqual(
      catalogue.protocols.get('FT-DURAN')!.phases.map((phase) => phase.days[0]),
    )
  })

  it('a longer wait pauses on the phone what is no longer open', async () => {
    const { id } = await clinic.episodeOf('Dmitri Valcourt')
    const phone = await pairedPhone(clinic, noor, id)
    const paused = async (): Promise<boolean[]> =>
      (await phone.send('GET', '/api/phone/today'))
        .json()
        .program.items.map((item: { isPaused: boolean }) => item.isPaused)
    expect(await paused()).not.toContain(true)
    const answer = await move(id, { days: 28, afterDay: 0 })
    expect(answer.statusCode, answer.body).toBe(201)
    expect(await paused()).toContain(true)
  })
})

describe('another school', () => {
  const choose = (id: string, changes: object) =>
    noor.send('POST', `/api/episodes/${id}/school`, {
      id: newId(),
      variant: null,
      values: {},
      selection: [],
      anchorOn: '2031-03-21',
      why: 'The operation note came late.',
      ...changes,
    })
  const facts = [
    { what: 'strands', value: 4 },
    { what: 'epi.yes', value: true },
    { what: 'rel.ok', value: true },
  ]

  it('asks for the facts it rests on, refuses one that does not hold, and records them', async () => {
    const id = await refer('FT-DURAN')
    const unanswered = await choose(id, { protocolId: 'FT-PH' })
    expect(unanswered.json().errors[0]).toMatchObject({ path: 'selection' })
    const weak = await choose(id, {
      protocolId: 'FT-PH',
      selection: [{ what: 'strands', value: 2 }, ...facts.slice(1)],
    })
    expect(weak.json().detail).toMatch(/does not fit/)
    expect((await seen(id)).episode.protocolId).toBe('FT-DURAN')
    const fitting = await choose(id, { protocolId: 'FT-PH', selection: facts })
    expect(fitting.statusCode, fitting.body).toBe(201)
    const now = await seen(id)
    expect([now.episode.protocolId, now.unanswered, now.wrongSchool]).toEqual(['FT-PH', [], []])
  })

  it('keeps the values set per patient, and refuses one out of range', async () => {
    const id = await refer('PIP-FD-XB')
    const values = { xb0: 30 }
    const choice = {
      protocolId: 'PIP-FD-XB',
      selection: catalogue.protocols.get('PIP-FD-XB')!.select.map((one) => ({ what: one.name, value: true })),
    }
    expect((await choose(id, { ...choice, values: { xb0: 300 } })).statusCode).toBe(400)
    expect((await choose(id, { ...choice, values: { xb0: 95 } })).json().errors[0].path).toBe('values.xb0')
    const answer = await choose(id, { ...choice, values })
    expect(answer.statusCode, answer.body).toBe(201)
    const [newest] = await clinic.database.rows.schoolChoices.findAll({
      where: { episodeId: id },
      order: [
        ['chosenAt', 'DESC'],
        ['id', 'DESC'],
      ],
    })
    expect(newest!.get().patientValues).toEqual(values)
  })
})

describe('health that bars exercises', () => {
  const elevate = async (id: string) =>
    (await noor.send('GET', `/api/episodes/${id}/exercises`))
      .json()
      .find((one: { id: string }) => one.id === 'edema-elevate').verdict
  const check = (id: string, present: string[]) =>
    noor.send('POST', `/api/episodes/${id}/health`, { id: newId(), present, note: '' })

  it('is not known until it is asked, then bars or clears; the last answer counts', async () => {
    const id = await refer('DRF-VLP-EARLY')
    const unasked = await elevate(id)
    expect(unasked.kind).toBe('with-care')
    expect(unasked.reasons.at(-1).text).toMatch(/Not asked yet.*blood clot/)
    expect((await seen(id)).health).toBeNull()
    expect((await check(id, ['clot'])).statusCode).toBe(201)
    expect((await elevate(id)).kind).toBe('never')
    expect((await check(id, [])).statusCode).toBe(201)
    expect((await elevate(id)).kind).toBe('clear')
    expect((await seen(id)).health).toMatchObject({ present: [], recordedBy: 'Noor Castellane' })
    expect(await clinic.database.rows.healthChecks.count({ where: { episodeId: id } })).toBe(2)
  })

  it('takes only what it asks: a wound is a finding, not an answer', async () => {
    const id = await refer('DRF-VLP-EARLY')
    for (const word of ['openWound', 'latex', 'toString', ''])
      expect((await check(id, [word])).statusCode, word).toBe(400)
    expect((await seen(id)).health).toBeNull()
  })

  it('pauses on the phone what it bars', async () => {
    const { id } = await clinic.episodeOf('Rosalind Mbeki')
    const phone = await pairedPhone(clinic, noor, id)
    const isPaused = async () =>
      (await phone.send('GET', '/api/phone/today'))
        .json()
        .program.items.find((item: { exerciseId: string }) => item.exerciseId === 'edema-elevate').isPaused
    expect(await isPaused()).toBe(false)
    await check(id, ['heartOrKidneyOverload'])
    expect(await isPaused()).toBe(true)
  })
})
