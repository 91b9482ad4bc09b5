import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { referralFor } from '../../../../../tests/builders/referral.js'
import { catalogue } from '../../../../../tests/core/shippedCatalogue.js'
import {
  newId,
  pairedPhone,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../../../../../tests/database/testClinic.js'

let clinic: TestClinic
let noor: SignedIn
let id: string
beforeAll(async () => {
  clinic = await testClinic({ startAt: '2031-04-11T12:00:00Z' })
  noor = await signedIn(clinic, 'noor')
  const stiff = referralFor(catalogue.protocols.get('STIFF')!, { digits: ['ring', 'little'] })
  id = (await noor.send('POST', '/api/referrals', stiff)).json().episodeId
})
afterAll(() => clinic.close())

const draft = async () => (await noor.send('GET', `/api/episodes/${id}/draft`)).json()
async function save(exerciseId: string, digits?: string[] | null) {
  const dose = catalogue.exercises.get(exerciseId)!.dose
  const items = [{ itemId: newId(), exerciseId, dose, ...(digits === undefined ? {} : { digits }) }]
  const { version } = await draft()
  return noor.send('PUT', `/api/episodes/${id}/draft`, { version, schools: {}, items })
}

describe('an exercise given to chosen digits', () => {
  it('begins with the injured ones, where one goes at a time', async () => {
    const offered = (await noor.send('GET', `/api/episodes/${id}/exercises`)).json()
    expect(offered.find((one: { id: string }) => one.id === 'block-end-joint')).toMatchObject({
      choosableDigits: ['index', 'middle', 'ring', 'little'],
      isOneAtATime: true,
      digitsToBegin: ['ring', 'little'],
    })
    const grips = offered.filter((one: { choosableDigits: string[] }) => one.choosableDigits.length === 0)
    expect(grips.length).toBeGreaterThan(5)
    expect(grips.every((one: { digitsToBegin: unknown }) => one.digitsToBegin === null)).toBe(true)
  })

  it('counts the minutes of each, in the order of the hand', async () => {
    const item = async (digits?: string[]) => (await save('block-end-joint', digits)).json().items[0]
    // 10 x (3 + 4) s, once or for each of two fingers.
    expect(await item()).toMatchObject({ digits: null, minutesPerBout: 70 / 60 })
    expect(await item(['little', 'ring'])).toMatchObject({
      digits: ['ring', 'little'],
      minutesPerBout: 140 / 60,
    })
    expect((await draft()).burden.minutesPerBout).toBe(140 / 60)
  })

  it.each([
    ['a digit it is not done with', 'block-end-joint', ['thumb'], 'items.0.digits', /index, middle/],
    ['a digit nobody has', 'block-end-joint', ['toe'], 'items.0.digits.0', /Choose digits/],
    ['no digit at all', 'block-end-joint', [], 'items.0.digits', /at least one/],
    ['any, where there is nothing to choose', 'ball-squeeze', ['ring'], 'items.0.digits', /leaves no/],
  ])('is refused with %s, and the draft stays', async (_case, exerciseId, digits, path, says) => {
    const before = await draft()
    const answer = await save(exerciseId, digits)
    expect(answer.statusCode).toBe(400)
    expect(answer.json().errors[0]).toMatchObject({ path, message: expect.stringMatching(says) })
    expect(await draft()).toEqual(before)
  })

  it('is signed with them and shown on the phone with them', async () => {
    await save('block-end-joint', ['little', 'ring'])
    const { version } = await draft()
    const signed = await noor.send('POST', `/api/episodes/${id}/program`, { id: newId(), version })
    expect(signed.statusCode, signed.body).toBe(201)
    const overview = (await noor.send('GET', `/api/episodes/${id}`)).json()
    expect(overview.program.items[0].digits).toEqual(['ring', 'little'])
    expect(overview.program.burden.minutesPerBout).toBe(140 / 60)
    const phone = await pairedPhone(clinic, noor, id)
    const [item] = (await phone.send('GET', '/api/phone/today')).json().program.items
    expect(item).toMatchObject({
      chosen: ['ring', 'little'],
      inTurn: [['ring'], ['little']],
      timing: { turns: 2 },
      minutesPerBout: 140 / 60,
      isPaused: false,
    })
  })

  it('of a draft that an earlier version wrote is as the exercise is', async () => {
    const { version } = await draft()
    const dose = catalogue.exercises.get('block-end-joint')!.dose
    const items = [{ itemId: newId(), exerciseId: 'block-end-joint', dose }]
    await clinic.database.rows.drafts.update({ items, version }, { where: { episodeId: id } })
    expect((await draft()).items[0]).toMatchObject({ digits: null, minutesPerBout: 70 / 60 })
  })
})
