import { afterAll, beforeAll, expect, it } from 'vitest'
import {
  newId,
  referred,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../database/testClinic.js'
import { catalogue } from '../core/shippedCatalogue.js'

/** Pain logged at home tells whether symptoms fall, on every screen alike. */
let clinic: TestClinic
let noor: SignedIn
beforeAll(async () => {
  clinic = await testClinic()
  noor = await signedIn(clinic, 'noor')
})
afterAll(() => clinic.close())

const TODAY = '2031-04-11'
const dayAgo = (days: number) => new Date(Date.parse(`${TODAY}T09:00:00Z`) - days * 86_400_000)
const textOf = (day: Date) => day.toISOString().slice(0, 10)

/** A case two months after it began, with one bout a day, the last of them today. */
async function caseWith(name: string, pains: readonly number[]): Promise<string> {
  const began = textOf(dayAgo(60))
  const episodeId = await referred(noor, 'CRPS', {
    name,
    anchorOn: began,
    injuredOn: began,
    letterOn: began,
  })
  const version = (await clinic.database.rows.programVersions.findOne())!.get()
  for (const [place, pain] of pains.entries()) {
    const at = dayAgo(pains.length - 1 - place)
    await clinic.database.rows.boutLogs.create({
      id: newId(),
      episodeId,
      // The database numbers it.
      seq: 0,
      digest: '',
      programVersionId: version.id,
      deviceId: null,
      startedAt: at,
      endedAt: at,
      painBefore: null,
      painWorst: pain,
      painAfter: null,
      endedBy: 'done',
      redFlags: [],
      receivedAt: at,
    })
  }
  return episodeId
}
const trendOf = async (episodeId: string) => {
  const { phases } = (await noor.send('GET', `/api/episodes/${episodeId}`)).json() as {
    phases: { entry: { name: string; status: string; latest: { value: string; reading: string } | null }[] }[]
  }
  const criterion = phases.flatMap(({ entry }) => entry).find(({ name }) => name === 'trend.down')!
  return { status: criterion.status, reading: criterion.latest?.reading ?? null }
}
const phaseInCaseload = async (episodeId: string) => {
  const { cases } = (await noor.send('GET', '/api/caseload')).json() as {
    cases: { episodeId: string; phase: { name: string } | null }[]
  }
  return cases.find((one) => one.episodeId === episodeId)!.phase?.name
}
const record = (episodeId: string, what: string) =>
  noor.send('POST', `/api/episodes/${episodeId}/facts`, {
    id: newId(),
    what,
    value: true,
    dated: TODAY,
    givenBy: 'Noor Castellane',
    how: 'examined',
    note: '',
  })
const ofLength = (days: number, pain: number) => Array.from({ length: days }, () => pain)

it('a fall of a point in a fortnight meets the criterion, in the case and in the caseload', async () => {
  const id = await caseWith('Ilse Falling', [...ofLength(7, 7), ...ofLength(7, 6), ...ofLength(7, 5)])
  expect(await trendOf(id)).toEqual({ status: 'met', reading: 'pain from day to day: Still falling.' })
  expect((await record(id, 'state.crps')).statusCode).toBe(201)
  // The caseload reads few bouts of a case, but the three weeks that this rests on.
  const { standing } = (await noor.send('GET', `/api/episodes/${id}`)).json()
  expect(standing.phaseId).not.toBeNull()
  const phase = catalogue.protocols.get('CRPS')!.phases.find((one) => one.id === standing.phaseId)!
  expect(phase.entry.map(({ name }) => name)).toContain('trend.down')
  expect(await phaseInCaseload(id)).toBe(phase.name.en)
})

it('a plateau speaks against it, whoever said yes', async () => {
  const id = await caseWith('Ilse Flat', ofLength(21, 5))
  const yes = await record(id, 'trend.down')
  expect(yes.statusCode, yes.body).toBe(201)
  expect(await trendOf(id)).toMatchObject({ status: 'notSo', reading: expect.stringContaining('Not fallen') })
})

it('too few days leave it to a person', async () => {
  const id = await caseWith('Ilse New', [5, 5])
  expect(await trendOf(id)).toEqual({ status: 'neverRecorded', reading: null })
})
