import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { referralFor } from '../../../../../tests/builders/referral.js'
import { catalogue } from '../../../../../tests/core/shippedCatalogue.js'
import {
  newId,
  pairedPhone,
  referred,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../../../../../tests/database/testClinic.js'

let clinic: TestClinic
let noor: SignedIn
beforeAll(async () => {
  clinic = await testClinic({ startAt: '2031-04-11T12:00:00Z' })
  noor = await signedIn(clinic, 'noor')
})
afterAll(() => clinic.close())

const refer = (protocolId: string, changes: object = {}) => referred(noor, protocolId, changes)
const doseOf = (exerciseId: string) =>
  (catalogue.exercises.get(exerciseId) ?? catalogue.exercises.get('glide-hook')!).dose
const SURGEON = { agreedBy: 'Dr. P. Hallam-Ito', document: 'Letter of 10 April' }
const open = (id: string, exerciseId: string, changes: object = {}, by = noor) =>
  by.send('POST', `/api/episodes/${id}/overrides`, {
    id: newId(),
    exerciseId,
    dose: doseOf(exerciseId),
    why: 'Good quality, patient works with the brace on.',
    agreedBy: '',
    document: '',
    ...changes,
  })
const draft = (id: string, exercises: string[], version = 0, schools: object = {}) =>
  noor.send('PUT', `/api/episodes/${id}/draft`, {
    version,
    schools,
    items: exercises.map((exerciseId) => ({ itemId: newId(), exerciseId, dose: doseOf(exerciseId) })),
  })
const sign = (id: string, version = 1) =>
  noor.send('POST', `/api/episodes/${id}/program`, { id: newId(), version })
const recordFact = (id: string, what: string, value: unknown) =>
  noor.send('POST', `/api/episodes/${id}/facts`, {
    id: newId(),
    what,
    value,
    dated: '2031-04-11',
    givenBy: 'Noor Castellane',
    how: 'examined',
    note: '',
  })

describe('an exception of a therapist', () => {
  it('made for chosen digits covers no others, and one made for the whole exercise covers any of them', async () => {
    const id = await refer('EXT34-SAM', { digits: ['ring', 'little'] })
    const bend = 'middle-joint-bend-passive'
    const covered = async (digits: string[] | null) => {
      const { version } = (await noor.send('GET', `/api/episodes/${id}/draft`)).json()
      const items = [{ itemId: newId(), exerciseId: bend, dose: doseOf(bend), digits }]
      const saved = await noor.send('PUT', `/api/episodes/${id}/draft`, { version, schools: {}, items })
      expect(saved.json().items[0].verdict.kind).toBe('not-yet')
      return saved.json().items[0].override !== null
    }
    expect((await open(id, bend, { ...SURGEON, digits: ['thumb'] })).json().errors[0].path).toBe('digits')
    expect((await open(id, bend, { ...SURGEON, digits: ['ring'] })).statusCode).toBe(201)
    expect(await covered(['ring'])).toBe(true)
    expect(await covered(['little'])).toBe(false)
    expect(await covered(['ring', 'little'])).toBe(false)
    expect(await covered(null)).toBe(false)
    expect((await open(id, bend, SURGEON)).statusCode).toBe(201)
    expect(await covered(['little'])).toBe(true)
    expect(await covered(null)).toBe(true)
  })

  it('opens a "not yet" for one patient with the surgeon’s word, and the verdict stays what it is', async () => {
    const id = await refer('UCL-REPAIR')
    expect((await open(id, 'thumb-l-open')).json().errors[0].path).toBe('agreedBy')
    expect((await open(id, 'thumb-l-open', { agreedBy: 'Dr. A' })).json().errors[0].path).toBe('document')
    await draft(id, ['thumb-l-open'])
    expect((await sign(id)).statusCode).toBe(409)
    const opened = await open(id, 'thumb-l-open', SURGEON)
    expect(opened.statusCode, opened.body).toBe(201)
    const { items } = (await noor.send('GET', `/api/episodes/${id}/draft`)).json()
    expect(items[0]).toMatchObject({
      verdict: { kind: 'not-yet' },
      override: { by: 'Noor Castellane', ...SURGEON },
    })
    expect((await sign(id)).statusCode).toBe(201)
    const phone = await pairedPhone(clinic, noor, id)
    expect((await phone.send('GET', '/api/phone/today')).json().program.items[0].isPaused).toBe(false)
    const { program, overrides } = (await noor.send('GET', `/api/episodes/${id}`)).json()
    expect(program.items[0].override.why).toBe('Good quality, patient works with the brace on.')
    expect(overrides).toHaveLength(1)
    const other = await refer('UCL-REPAIR')
    await draft(other, ['thumb-l-open'])
    expect((await sign(other)).statusCode).toBe(409)
  })

  it('taken back pauses the exercise on the phone; it cannot be taken back twice', async () => {
    const id = await refer('UCL-REPAIR')
    await open(id, 'thumb-l-open', SURGEON)
    await draft(id, ['thumb-l-open'])
    await sign(id)
    const phone = await pairedPhone(clinic, noor, id)
    const [{ id: overrideId }] = (await noor.send('GET', `/api/episodes/${id}`)).json().overrides
    const back = () =>
      noor.send('POST', `/api/episodes/${id}/overrides/${overrideId}/withdrawal`, {
        id: newId(),
        why: 'Swollen after two days.',
      })
    expect((await back()).statusCode).toBe(201)
    expect((await back()).statusCode).toBe(409)
    expect((await phone.send('GET', '/api/phone/today')).json().program.items[0].isPaused).toBe(true)
    expect(await clinic.database.rows.overrides.count({ where: { episodeId: id } })).toBe(2)
  })

  it('does not cover a red flag that came after it', async () => {
    const id = await refer('UCL-REPAIR')
    await open(id, 'thumb-l-open', SURGEON)
    await draft(id, ['thumb-l-open'])
    await sign(id)
    const phone = await pairedPhone(clinic, noor, id)
    const isPaused = async () =>
      (await phone.send('GET', '/api/phone/today')).json().program.items[0].isPaused
    expect(await isPaused()).toBe(false)
    const flag = await noor.send('POST', `/api/episodes/${id}/flags`, { id: newId(), flag: 'RF.INFECT' })
    expect(flag.statusCode, flag.body).toBe(201)
    expect(await isPaused()).toBe(true)
    const refused = await open(id, 'thumb-l-open', SURGEON)
    expect(refused.statusCode).toBe(409)
    expect(refused.json().detail).toMatch(/red flag is open/)
  })

  it('is not to be had for a "never here", for what is open, nor for the clinic lead', async () => {
    const id = await refer('UCL-REPAIR')
    expect((await open(id, 'edema-elevate')).json().detail).toMatch(/It is open/)
    expect((await open(id, 'no-such')).json().errors[0].path).toBe('exerciseId')
    const sunniva = await signedIn(clinic, 'sunniva')
    expect((await open(id, 'thumb-l-open', SURGEON, sunniva)).statusCode).toBe(403)
    const clot = await noor.send('POST', `/api/episodes/${id}/health`, {
      id: newId(),
      present: ['clot'],
      note: '',
    })
    expect(clot.statusCode).toBe(201)
    const barred = [...catalogue.exercises.values()].find(
      (one) =>
        one.contraindications.includes('clot') && one.conditions.includes('thumb-ulnar-collateral-ligament'),
    )!
    expect((await open(id, barred.id, SURGEON)).json().detail).toMatch(/Never here/)
  })

  it('needs no surgeon where nothing heals, but always a reason', async () => {
    const id = await refer('STIFF')
    const exercises = (await noor.send('GET', `/api/episodes/${id}/exercises`)).json()
    const waiting = exercises.find(
      (one: { overrideTerms: { isPossible: boolean; needsSurgeon: boolean } }) =>
        one.overrideTerms.isPossible && !one.overrideTerms.needsSurgeon,
    )
    expect(waiting.verdict.kind).toBe('not-yet')
    expect((await open(id, waiting.id, { why: ' ' })).json().errors[0].path).toBe('why')
    expect((await open(id, waiting.id)).statusCode).toBe(201)
  })
})

describe('things at home and the other hand', () => {
  it('are asked at the referral, make an exercise "with care" by name, and are asked again', async () => {
    const id = await refer('DRF-VLP-EARLY', { things: ['table'], otherHand: 'hurt' })
    const told = async () =>
      (await noor.send('GET', `/api/episodes/${id}/exercises`))
        .json()
        .flatMap((one: { verdict: { conditions: string[] } }) => one.verdict.conditions)
        .join(' ')
    expect(await told()).toMatch(/Not at home yet: .+ \(or .+\)/)
    expect(await told()).toMatch(/other hand, which is hurt too/)
    const again = await noor.send('POST', `/api/episodes/${id}/home`, {
      id: newId(),
      things: [...catalogue.equipment.keys()],
      otherHand: 'well',
    })
    expect(again.statusCode, again.body).toBe(201)
    expect(await told()).not.toMatch(/Not at home yet|other hand, which is hurt/)
    const { home } = (await noor.send('GET', `/api/episodes/${id}`)).json()
    expect(home).toMatchObject({ otherHand: 'well', recordedBy: 'Noor Castellane' })
  })

  it('refuse a thing the catalogue does not list', async () => {
    const referral = referralFor(catalogue.protocols.get('CMC-OA')!, { things: ['anvil'] })
    const answer = await noor.send('POST', '/api/referrals', referral)
    expect(answer.json().errors[0].path).toBe('things')
  })
})

describe('schools of dosing in a program', () => {
  it('are kept with the draft and the signature, lower the pain cap, and are compared', async () => {
    const id = await refer('STIFF')
    const saved = await draft(id, ['prayer-stretch', 'glide-hook'], 0, {
      stretchHold: 'classic',
      painCap: 'none',
    })
    expect(saved.statusCode, saved.body).toBe(200)
    const answer = saved.json()
    expect(answer.schools).toEqual({ stretchHold: 'classic', painCap: 'none' })
    expect(answer.items.map((one: { painCap: number }) => one.painCap)).toEqual([1, 1])
    const [hold, nerve] = answer.questions
    expect(hold).toMatchObject({ question: 'stretchHold', chosen: 'classic' })
    const minutes = hold.schools.map((one: { endRangeMinutesPerDay: number }) => one.endRangeMinutesPerDay)
    expect(Math.max(...minutes)).toBeGreaterThan(Math.min(...minutes))
    expect(nerve.schools[0].repetitionsPerDay).toBeNull()
    expect(answer.nerveSlides).toBeNull()
    expect((await draft(id, ['glide-hook'], 1, { stretchHold: 'mine' })).json().errors[0].path).toBe(
      'schools.stretchHold',
    )
    expect((await draft(id, ['glide-hook'], 1, { luck: 'x' })).statusCode).toBe(400)
  })

  it('warn of strength work before what they wait for', async () => {
    const id = await refer('STIFF')
    const band = [...catalogue.exercises.values()].find(
      (one) => one.slot === 'strengthen' && one.conditions.includes('stiff-hand'),
    )!
    const waits = async (version: number) =>
      (await draft(id, [band.id], version, { earlyLoad: 'after-painless-stretch' })).json().items[0].waitsFor
    expect(await waits(0)).toEqual(['pain during the motion, worst of 24 h: 0 or less'])
    await recordFact(id, 'pain.act', 0)
    expect(await waits(1)).toEqual([])
  })

  it('count the slides of a nerve against the budget of its irritability', async () => {
    const id = await refer('CTS-CONS')
    const slide = [...catalogue.exercises.values()].find(
      (one) => one.family === 'nerve-slider' && one.conditions.includes('carpal-tunnel-syndrome'),
    )!
    const { sets, repetitions, boutsPerDay } = slide.dose
    const slides = async (version: number) => (await draft(id, [slide.id], version)).json().nerveSlides
    expect((await slides(0)).perDay).toBe(sets * repetitions * boutsPerDay)
    await recordFact(id, 'irrit', 'high')
    expect(await slides(1)).toMatchObject({ budget: 5, irritability: 'high' })
    await recordFact(id, 'irrit', 'low')
    expect(await slides(2)).toMatchObject({ budget: 45, irritability: 'low' })
  })
})
