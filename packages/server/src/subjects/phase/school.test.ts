import { criterionOf, type Protocol } from '@pledge/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { answerTo, referralFor } from '../../../../../tests/builders/referral.js'
import { catalogue } from '../../../../../tests/core/shippedCatalogue.js'
import {
  newId,
  pairedPhone,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../../../../../tests/database/testClinic.js'

const TODAY = '2031-04-11'
const NOON = `${TODAY}T12:00:00Z`
let clinic: TestClinic
let noor: SignedIn
beforeAll(async () => {
  clinic = await testClinic({ startAt: NOON })
  noor = await signedIn(clinic, 'noor')
})
afterAll(() => clinic.close())

const school = (id: string) => catalogue.protocols.get(id)!
async function refer(protocol: Protocol, changes: object = {}): Promise<string> {
  const answer = await noor.send('POST', '/api/referrals', referralFor(protocol, changes))
  expect(answer.statusCode, answer.body).toBe(201)
  return answer.json().episodeId
}
const overviewOf = async (id: string) => (await noor.send('GET', `/api/episodes/${id}`)).json()
interface Cell {
  mode: string
  verdict: {
    kind: string
    fromDate: string | null
    reasons: { rule: string; text: string; source: string }[]
  }
}
async function mapOf(id: string, inside = 'worn') {
  const answer = await noor.send('GET', `/api/episodes/${id}/permissions?inside=${inside}`)
  expect(answer.statusCode, answer.body).toBe(200)
  return answer.json() as { orthosis: string; rows: { motion: string; cells: Cell[] }[] }
}
const cellOf = (map: Awaited<ReturnType<typeof mapOf>>, motion: string, mode: string) =>
  map.rows.find((row) => row.motion === motion)!.cells.find((cell) => cell.mode === mode)!.verdict

describe('a referral for every school', () => {
  it.each([...catalogue.protocols.keys()])('%s: referral, overview and map', async (id) => {
    const protocol = school(id)
    const episodeId = await refer(protocol)
    const seen = await overviewOf(episodeId)
    expect(seen.episode.protocolId).toBe(id)
    expect(seen.episode.day).toBe(21)
    expect(seen.wrongSchool).toEqual([])
    expect(seen.unanswered).toEqual([])
    expect(seen.phases).toHaveLength(protocol.phases.length)
    for (const inside of ['worn', 'none']) {
      const map = await mapOf(episodeId, inside)
      expect(map.rows.length).toBeGreaterThan(0)
      for (const { verdict } of map.rows.flatMap((row) => row.cells)) {
        expect(verdict.reasons.length).toBeGreaterThan(0)
        for (const reason of verdict.reasons) expect([reason.rule, reason.text].every(Boolean)).toBe(true)
        if (verdict.fromDate !== null) expect(verdict.fromDate >= TODAY).toBe(true)
      }
    }
  })

  it('refuses a school whose fact is not answered or does not hold, and one of another condition', async () => {
    const early = school('DRF-VLP-EARLY')
    for (const [changes, path] of [
      [{ selection: [] }, 'selection'],
      [{ selection: [{ what: 'fix.stable', value: false }] }, 'selection'],
      [{ conditionId: 'mallet-finger' }, 'protocolId'],
      [{ clearances: ['ct.union'] }, 'clearances'],
      [{ variant: 'no-such' }, 'variant'],
    ] as const) {
      const answer = await noor.send('POST', '/api/referrals', referralFor(early, changes))
      expect(answer.statusCode).toBe(400)
      expect(answer.json().errors[0].path).toBe(path)
    }
  })

  it('takes a condition without a day of injury and an order without an end', async () => {
    const episodeId = await refer(school('CMC-OA'), {
      injuredOn: null,
      restrictions: [{ restriction: 'noLoad', untilOn: null, why: 'Until the next visit.' }],
    })
    const seen = await overviewOf(episodeId)
    expect(seen.episode.injuredOn).toBeNull()
    expect(seen.orders[0]).toMatchObject({ restriction: 'noLoad', untilOn: null })
  })
})

describe('what is recorded later', () => {
  it('the phone tells about the hand and what to watch for, in both languages', async () => {
    const { id } = await clinic.episodeOf('Dmitri Valcourt')
    const today = (await (await pairedPhone(clinic, noor, id)).send('GET', '/api/phone/today')).json()
    expect(today.advice).toEqual(catalogue.conditions.get('distal-radius-fracture')!.advice)
    for (const { en, es } of [
      ...today.advice,
      ...today.redFlags.map((flag: { says: { en: string; es: string } }) => flag.says),
    ])
      expect([en, es].every(Boolean)).toBe(true)
    expect(today.redFlags.length).toBeGreaterThan(0)
  })

  it('a fact that no longer fits makes the school wrong: nothing may be signed, the phone pauses', async () => {
    const { id } = await clinic.episodeOf('Dmitri Valcourt')
    const phone = await pairedPhone(clinic, noor, id)
    const paused = async () =>
      (await phone.send('GET', '/api/phone/today'))
        .json()
        .program.items.map((item: { isPaused: boolean }) => item.isPaused)
    expect(await paused()).toContain(false)
    const [answer] = school((await overviewOf(id)).episode.protocolId).select.map(answerTo)
    const said = await noor.send('POST', `/api/episodes/${id}/facts`, {
      id: newId(),
      what: answer!.what,
      value: typeof answer!.value === 'number' ? 0 : false,
      dated: TODAY,
      givenBy: 'Dr. P. Hallam-Ito',
      how: 'letter',
      note: '',
    })
    expect(said.statusCode, said.body).toBe(201)
    expect((await overviewOf(id)).wrongSchool).not.toEqual([])
    expect(await paused()).not.toContain(false)
    const signing = await noor.send('POST', `/api/episodes/${id}/program`, { id: newId(), version: 1 })
    expect(signing.statusCode).toBeGreaterThanOrEqual(400)
  })

  it('another school is a new choice with its reason; the earlier one stays in the record', async () => {
    const episodeId = await refer(school('FT-PH'))
    const before = cellOf(await mapOf(episodeId), 'pip.flex', 'A')
    const answer = await noor.send('POST', `/api/episodes/${episodeId}/school`, {
      id: newId(),
      protocolId: 'FT-IMM',
      variant: null,
      values: {},
      selection: [],
      anchorOn: '2031-03-21',
      why: 'Cannot follow place and hold at home.',
    })
    expect(answer.statusCode, answer.body).toBe(201)
    const seen = await overviewOf(episodeId)
    expect(seen.episode.protocolId).toBe('FT-IMM')
    expect(seen.schools.map((one: { protocolId: string }) => one.protocolId).sort()).toEqual([
      'FT-IMM',
      'FT-PH',
    ])
    expect(before.kind).not.toBe('never')
    expect(cellOf(await mapOf(episodeId), 'pip.flex', 'A').kind).toBe('not-yet')
  })

  it('a school whose facts nobody has recorded is not signed and pauses the phone, until they are', async () => {
    const { id } = await clinic.episodeOf('Henrike Osei')
    const phone = await pairedPhone(clinic, noor, id)
    const paused = async (): Promise<boolean[]> =>
      (await phone.send('GET', '/api/phone/today'))
        .json()
        .program.items.map((item: { isPaused: boolean }) => item.isPaused)
    const before = await paused()
    const change = (protocolId: string) =>
      noor.send('POST', `/api/episodes/${id}/school`, {
        id: newId(),
        protocolId,
        variant: null,
        values: {},
        selection: [],
        anchorOn: '2031-03-21',
        why: 'Tried for this test.',
      })
    await clinic.owner.query("DELETE FROM facts WHERE what = 'fix.stable' AND episode_id = ?", {
      replacements: [id],
    })
    const seen = await overviewOf(id)
    expect(seen.unanswered.map((one: { what: string }) => one.what)).toEqual(['fix.stable'])
    expect(await paused()).not.toContain(false)
    await noor.send(
      'PUT',
      `/api/episodes/${id}/draft`,
      (await noor.send('GET', `/api/episodes/${id}/draft`)).json(),
    )
    const { version } = (await noor.send('GET', `/api/episodes/${id}/draft`)).json()
    const signing = await noor.send('POST', `/api/episodes/${id}/program`, { id: newId(), version })
    expect(signing.json().detail).toMatch(/nobody has recorded/)
    expect(before.length).toBeGreaterThan(0)
    expect((await change('DRF-CAST')).statusCode).toBe(201)
    expect((await overviewOf(id)).unanswered).toEqual([])
  })

  it('a slip counts the days anew, less the credit, and closes what was open', async () => {
    const mallet = [...catalogue.protocols.values()].find(
      (one) => one.clock && one.condition === 'mallet-finger',
    )!
    const episodeId = await refer(mallet, { anchorOn: '2031-02-10', injuredOn: '2031-02-10' })
    expect((await overviewOf(episodeId)).episode.day).toBe(60)
    const slip = (changes: object) =>
      noor.send('POST', `/api/episodes/${episodeId}/slips`, {
        id: newId(),
        slippedOn: '2031-04-10',
        creditDays: 0,
        why: 'Bent in the shower.',
        ...changes,
      })
    expect((await slip({ slippedOn: '2031-02-01' })).json().errors[0].path).toBe('slippedOn')
    expect((await slip({ creditDays: -1 })).json().errors[0].path).toBe('creditDays')
    expect((await slip({})).statusCode).toBe(201)
    const seen = await overviewOf(episodeId)
    expect([seen.episode.day, seen.episode.anchorOn]).toEqual([1, '2031-02-10'])
    expect(cellOf(await mapOf(episodeId, 'none'), 'dip.flex', 'A').kind).toBe('not-yet')
    const elsewhere = await refer(school('DRF-VLP-EARLY'))
    const refused = await noor.send('POST', `/api/episodes/${elsewhere}/slips`, {
      id: newId(),
      slippedOn: '2031-04-10',
      creditDays: 0,
      why: 'x',
    })
    expect(refused.statusCode).toBe(400)
  })

  it("a surgeon's order that opens something early needs its document, opens it with care, and ends", async () => {
    const episodeId = await refer(school('DRF-VLP-EARLY'))
    expect(cellOf(await mapOf(episodeId, 'none'), 'wrist.ext', 'P').kind).toBe('not-yet')
    const order = (changes: object) =>
      noor.send('POST', `/api/episodes/${episodeId}/orders`, {
        id: newId(),
        restriction: 'earlyWristPassive',
        untilOn: null,
        givenBy: 'Dr. P. Hallam-Ito',
        dated: TODAY,
        why: 'Plate seen stable on the film.',
        document: '',
        ...changes,
      })
    expect((await order({})).json().errors[0].path).toBe('document')
    const given = await order({ document: 'Letter of 11 April' })
    expect(given.statusCode, given.body).toBe(201)
    const opened = cellOf(await mapOf(episodeId, 'none'), 'wrist.ext', 'P')
    expect(opened.kind).toBe('with-care')
    const { orders } = await overviewOf(episodeId)
    expect(orders[0]).toMatchObject({ isEarly: true, document: 'Letter of 11 April' })
    await noor.send('POST', `/api/episodes/${episodeId}/orders/${orders[0].id}/withdrawal`, {
      id: newId(),
      why: 'Film of today shows a step.',
    })
    expect(cellOf(await mapOf(episodeId, 'none'), 'wrist.ext', 'P').kind).toBe('not-yet')
  })

  it('irritability is recorded as a level; another word is refused', async () => {
    const protocol = school('LET')
    const episodeId = await refer(protocol)
    const say = (value: unknown) =>
      noor.send('POST', `/api/episodes/${episodeId}/facts`, {
        id: newId(),
        what: 'irrit',
        value,
        dated: TODAY,
        givenBy: 'Noor Castellane',
        how: 'examined',
        note: '',
      })
    expect((await say('awful')).json().errors[0].path).toBe('value')
    expect((await say('low')).statusCode).toBe(201)
    const seen = await overviewOf(episodeId)
    const levels = [...seen.criteria, ...seen.phases.flatMap((one: { entry: object[] }) => one.entry)].filter(
      (one: { what: string }) => one.what.startsWith('irrit'),
    )
    expect(levels.length).toBeGreaterThan(0)
    for (const one of levels) {
      const wanted = criterionOf(one.what)!
      expect(wanted.kind).toBe('ordinal')
      expect(one.status).toBe('met')
    }
  })
})
