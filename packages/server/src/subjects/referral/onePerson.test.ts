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

const refer = (protocolId: string, changes: object) =>
  noor.send('POST', '/api/referrals', referralFor(catalogue.protocols.get(protocolId)!, changes))
const known = async (name: string, birthDate = '1970-05-01') =>
  (await noor.send('POST', '/api/referrals/known', { name, birthDate })).json() as {
    personId: string
    episodes: { episodeId: string; side: string; condition: string }[]
  }[]
const caseOf = async (id: string) => (await noor.send('GET', `/api/episodes/${id}`)).json()
const verdictOf = async (id: string, exerciseId: string) =>
  (await noor.send('GET', `/api/episodes/${id}/exercises`))
    .json()
    .find((one: { id: string }) => one.id === exerciseId)
const asNew = { samePersonAs: undefined }

describe('a second referral of the same name and date of birth', () => {
  it('is refused until somebody says whether it is the same person', async () => {
    await referred(noor, 'DRF-VLP-EARLY', { ...asNew, name: 'Inés  Parra' })
    const again = await refer('CTS-CONS', { ...asNew, name: 'ines parra', side: 'right' })
    expect(again.statusCode).toBe(400)
    expect(again.json().errors[0]).toMatchObject({
      path: 'samePersonAs',
      message: expect.stringMatching(/say whether it is the same person/),
    })
    expect(await known('Ines Parra')).toMatchObject([
      { episodes: [{ side: 'left', condition: 'Distal radius fracture' }] },
    ])
    expect(await known('Ines Parra', '1970-05-02')).toEqual([])
  })

  it('of somebody else stands alone', async () => {
    const first = await referred(noor, 'DRF-VLP-EARLY', { ...asNew, name: 'Two Of A Name' })
    const second = await referred(noor, 'FT-DURAN', { samePersonAs: null, name: 'Two Of A Name' })
    expect((await caseOf(first)).others).toEqual([])
    expect((await caseOf(second)).others).toEqual([])
    expect(await known('Two Of A Name')).toHaveLength(2)
  })

  it('cannot name a person of another name', async () => {
    await referred(noor, 'DRF-VLP-EARLY', { ...asNew, name: 'Somebody Known' })
    const [person] = await known('Somebody Known')
    const wrong = await refer('FT-DURAN', { name: 'Quite Another', samePersonAs: person!.personId })
    expect(wrong.json().errors[0].path).toBe('samePersonAs')
  })

  it('is looked for by therapists only, and that is on record', async () => {
    const assistant = await clinic.app.inject({ method: 'POST', url: '/api/referrals/known', payload: {} })
    expect(assistant.statusCode).toBeGreaterThanOrEqual(401)
    await known('Inés Parra')
    const lead = await signedIn(clinic, 'sunniva')
    const entries = (await lead.send('GET', '/api/audit')).json()
    expect(entries.some((one: { action: string }) => one.action === 'patient.match')).toBe(true)
  })
})

describe('two episodes of one person', () => {
  it('of one hand are judged together, each with what the other bars, and both say so', async () => {
    const wrist = await referred(noor, 'DRF-VLP-EARLY', { ...asNew, name: 'One Hand' })
    expect((await verdictOf(wrist, 'fist-gentle')).verdict.kind).toBe('clear')
    const [person] = await known('One Hand')
    const finger = await referred(noor, 'FT-DURAN', {
      name: 'One Hand',
      samePersonAs: person!.personId,
      anchorOn: '2031-04-05',
    })
    const fist = await verdictOf(wrist, 'fist-gentle')
    expect(fist.verdict.kind).toBe('not-yet')
    expect(fist.verdict.explanation.en).toMatch(/other injury of this hand \(Flexor tendon repair/)
    const map = await noor.send('GET', `/api/episodes/${wrist}/permissions?inside=none`)
    expect(map.body).toContain('The other injury of this hand (Flexor tendon repair')
    expect((await caseOf(wrist)).others).toEqual([
      {
        episodeId: finger,
        side: 'left',
        digits: ['ring'],
        condition: expect.stringMatching(/Flexor/),
        day: 6,
      },
    ])
    expect((await caseOf(finger)).others).toMatchObject([{ episodeId: wrist, day: 21 }])
  })

  it('of two hands bar what both hands do, and pause it on the phone of the first', async () => {
    const wrist = await referred(noor, 'STIFF', { ...asNew, name: 'Two Hands' })
    const items = ['wrist-updown-active', 'fist-gentle'].map((exerciseId) => ({
      itemId: newId(),
      exerciseId,
      dose: catalogue.exercises.get(exerciseId)!.dose,
    }))
    await noor.send('PUT', `/api/episodes/${wrist}/draft`, { version: 0, schools: {}, items })
    const signed = await noor.send('POST', `/api/episodes/${wrist}/program`, { id: newId(), version: 1 })
    expect(signed.statusCode, signed.body).toBe(201)
    const phone = await pairedPhone(clinic, noor, wrist)
    const paused = async () =>
      (await phone.send('GET', '/api/phone/today'))
        .json()
        .program.items.map((one: { isPaused: boolean }) => one.isPaused)
    expect(await paused()).toEqual([false, false])
    const [person] = await known('Two Hands')
    await referred(noor, 'FT-DURAN', {
      name: 'Two Hands',
      samePersonAs: person!.personId,
      side: 'right',
      anchorOn: '2031-04-05',
    })
    expect(await paused()).toEqual([true, false])
  })

  it('share an allergy told at either referral', async () => {
    const first = await referred(noor, 'STIFF', { ...asNew, name: 'Latex Later' })
    const [person] = await known('Latex Later')
    await referred(noor, 'CTS-CONS', {
      name: 'Latex Later',
      samePersonAs: person!.personId,
      hasLatexAllergy: true,
    })
    expect((await caseOf(first)).patient.hasLatexAllergy).toBe(true)
    expect((await verdictOf(first, 'fist-elastic-wrap')).verdict.kind).toBe('never')
  })
})
