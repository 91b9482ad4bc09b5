import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  newId,
  referred,
  signedIn,
  testClinic,
  type SignedIn,
  type TestClinic,
} from '../database/testClinic.js'

let clinic: TestClinic
let noor: SignedIn
let of: string
let episodeId: string
beforeAll(async () => {
  clinic = await testClinic()
  noor = await signedIn(clinic, 'noor')
  episodeId = (await clinic.episodeOf('Rosalind Mbeki')).id
  of = `/api/episodes/${episodeId}`
})
afterAll(() => clinic.close())

const TODAY = '2031-04-11'
const visit = (readings: object[], changes: object = {}) => ({
  id: newId(),
  evaluatedOn: TODAY,
  note: '',
  readings,
  ...changes,
})
const LEFT = { digit: null, side: 'left', kind: null }
const touch = (spot: string, result: unknown) => ({ ...LEFT, measure: 'filament', spot, result })
const look = (measure: string, result: number) => ({ ...LEFT, measure, result })
const pain = (result: number) => ({ measure: 'painAct', result })
const post = (path: string, body: object) => noor.send('POST', `${of}${path}`, body)
const bench = async () => (await noor.send('GET', `${of}/bench`)).json()
const caseNow = async () => (await noor.send('GET', of)).json()
/** What the exercise list says of everything that warms the hand. */
const warmed = async () => {
  const all = (await noor.send('GET', `${of}/exercises`)).json() as {
    exerciseId: string
    verdict: { kind: string; told: string[] }
  }[]
  return all.filter(({ verdict }) => verdict.told.some((text) => /feel|sensation/i.test(text)))
}

describe('skin that does not feel', () => {
  it('bars what heat, cold and wraps need, until the same place is found well', async () => {
    expect((await caseNow()).foundHealth).toEqual([])
    const before = await warmed()
    const felt = await post('/evaluations', visit([touch('index.tip.front.radial', 4.56)]))
    expect(felt.statusCode).toBe(201)
    expect((await caseNow()).foundHealth).toEqual([
      {
        name: expect.any(String),
        on: TODAY,
        told: 'index finger, tip, palm side, thumb half: loss of protective sensation',
      },
    ])
    expect((await warmed()).length).toBeGreaterThan(before.length)
    // Another place that feels does not free it; the same one does.
    await post('/evaluations', visit([touch('index.tip.front.ulnar', 2.83)]))
    expect((await caseNow()).foundHealth).toHaveLength(1)
    await post('/evaluations', visit([touch('index.tip.front.radial', 4.31)]))
    expect((await caseNow()).foundHealth).toEqual([])
    expect(await warmed()).toEqual(before)
  })

  it('takes nothing felt at all, and no marking that no kit has', async () => {
    expect((await post('/evaluations', visit([touch('thumb.tip.front.radial', 'none')]))).statusCode).toBe(
      201,
    )
    const other = await post('/evaluations', visit([touch('thumb.tip.front.radial', 3)]))
    expect(other.statusCode).toBe(400)
    expect(other.json().errors[0].message).toContain('one of 1.65')
    const nowhere = await post('/evaluations', visit([touch('thumb.mid.front.radial', 2.83)]))
    expect(nowhere.json().errors[0].message).toContain('Say in which zone')
    const twoPoints = { ...touch('index.base.front.radial', 5), measure: 'twoPoint' }
    expect((await post('/evaluations', visit([twoPoints]))).json().errors[0].message).toContain('fingertip')
  })

  it('bars as well where two points are not felt at all', async () => {
    const told = async () => (await caseNow()).foundHealth.map((one: { told: string }) => one.told)
    const points = (result: unknown) => ({ ...touch('ring.tip.front.ulnar', result), measure: 'twoPoint' })
    await post('/evaluations', visit([points('none')]))
    expect(await told()).toContain('ring finger, tip, palm side, little-finger half: anaesthetic')
    await post('/evaluations', visit([points('one point')]))
    expect(await told()).not.toContain('ring finger, tip, palm side, little-finger half: anaesthetic')
  })

  it('bars as an open wound does, by what was seen last', async () => {
    const names = async () => (await caseNow()).foundHealth.map(({ told }: { told: string }) => told)
    await post('/evaluations', visit([look('wound', 2)]))
    expect(await names()).toContain('open, clean')
    await post('/evaluations', visit([look('wound', 0)]))
    expect(await names()).not.toContain('open, clean')
  })
})

describe('a visit that was typed wrongly', () => {
  it('is corrected as a whole, once, and stays where it was in the order of visits', async () => {
    const first = visit([pain(7)])
    const later = visit([pain(2)])
    await post('/evaluations', first)
    await post('/evaluations', later)
    const painNow = async () =>
      (await caseNow()).criteria.find(({ name }: { name: string }) => name === 'pain.act')?.latest?.value
    expect(await painNow()).toBe('2')
    const mute = await post('/evaluations', visit([pain(6)], { amendsId: first.id }))
    expect(mute.statusCode).toBe(400)
    const fixed = visit([pain(6)], { amendsId: first.id, note: 'Typed in the wrong row.' })
    expect((await post('/evaluations', fixed)).statusCode).toBe(201)
    // The correction of an earlier visit does not outrank a later one.
    expect(await painNow()).toBe('2')
    const visits = (await caseNow()).evaluations as { id: string; readings: object[]; before: object[] }[]
    expect(visits.some(({ id }) => id === first.id)).toBe(false)
    expect(visits.find(({ id }) => id === fixed.id)).toMatchObject({
      readings: [expect.objectContaining({ measure: 'painAct', result: 6 })],
      before: [{ id: first.id, note: '' }],
    })
    // Once: a second correction is of the correction.
    const again = visit([pain(5)], { amendsId: first.id, note: 'No, 5.' })
    expect((await post('/evaluations', again)).json().code).toBe('ALREADY_DONE')
    const anew = await post('/evaluations', { ...again, amendsId: fixed.id })
    expect(anew.statusCode).toBe(201)
    const last = ((await caseNow()).evaluations as { id: string; before: object[] }[]).find(
      ({ id }) => id === again.id,
    )
    expect(last!.before).toHaveLength(2)
    // What is sent twice is stored once, and a correction of another day is refused.
    expect((await post('/evaluations', { ...again, amendsId: fixed.id })).statusCode).toBe(201)
    const moved = visit([pain(1)], { amendsId: later.id, note: 'x', evaluatedOn: '2031-04-10' })
    expect((await post('/evaluations', moved)).statusCode).toBe(400)
  })
})

describe('what the patient wants to do again', () => {
  it('is measured by tasks of their own, of this case only', async () => {
    const task = { id: newId(), words: 'Tie the apron behind my back' }
    expect((await post('/tasks', task)).statusCode).toBe(201)
    const reading = (spot: string) => ({ measure: 'task', spot, result: 3 })
    expect((await post('/evaluations', visit([reading(task.id)]))).statusCode).toBe(201)
    const strange = await post('/evaluations', visit([reading(newId())]))
    expect([strange.statusCode, strange.json().detail]).toEqual([
      400,
      'One of the tasks is not a task of this case.',
    ])
    const { tasks, goalTemplates } = await bench()
    expect(tasks).toEqual([task])
    // Three points above where it began, more than its error.
    expect(goalTemplates[0]).toMatchObject({ words: task.words, series: `task....${task.id}`, target: 6 })
  })

  it('is a goal by a day, tied to a measure, with where it stands', async () => {
    const goal = (changes: object = {}) => ({
      id: newId(),
      words: 'Push a door open',
      series: 'wristExtension..left.active',
      target: 40,
      dueOn: '2031-06-06',
      ...changes,
    })
    const refused = async (changes: object) => (await post('/goals', goal(changes))).json().errors[0].message
    expect(await refused({ series: 'wristExtension.left' })).toContain('measured')
    expect(await refused({ target: 400 })).toBe('From -60 to 110.')
    expect(await refused({ dueOn: '2031-04-10' })).toContain('past')
    const set = goal()
    expect((await post('/goals', set)).statusCode).toBe(201)
    const reading = (result: number) => ({ ...LEFT, kind: 'active', measure: 'wristExtension', result })
    await post('/evaluations', visit([reading(-22)]))
    const [shown] = (await bench()).goals
    expect(shown).toMatchObject({
      words: set.words,
      target: 40,
      latest: 22,
      setOn: TODAY,
      setBy: 'Noor Castellane',
    })
    // 18 degrees in eight weeks.
    expect(shown.neededPerWeek).toBeCloseTo(2.25, 9)
    await post('/evaluations', visit([reading(-41)]))
    expect((await bench()).goals[0]).toMatchObject({ state: 'reached', percent: 100, isWithinError: true })
    const body = { id: newId(), why: 'She no longer works there.' }
    expect((await post(`/goals/${set.id}/withdrawal`, body)).statusCode).toBe(201)
    expect((await bench()).goals).toEqual([])
    const twice = await post(`/goals/${set.id}/withdrawal`, { ...body, id: newId() })
    expect(twice.json().code).toBe('ALREADY_DONE')
  })

  it('is set by a therapist, not by an assistant', async () => {
    const sunniva = await signedIn(clinic, 'sunniva')
    const goal = { id: newId(), words: 'x', series: 'grip..left.', target: 20, dueOn: '2031-06-06' }
    expect((await sunniva.send('POST', `${of}/goals`, goal)).statusCode).toBe(403)
  })
})

describe('what happened to the hand', () => {
  it('is one list, newest first, each with its own days', async () => {
    const event = {
      id: newId(),
      kind: 'injection',
      happenedOn: '2031-03-01',
      words: 'Steroid into the first compartment',
      givenBy: 'Letter of Dr. P. Hallam-Ito',
    }
    expect((await post('/events', event)).statusCode).toBe(201)
    expect((await post('/events', { ...event, id: newId(), happenedOn: '2031-04-12' })).statusCode).toBe(400)
    const { history } = await bench()
    expect(history.at(-1)).toMatchObject({ what: 'Injection', on: '2031-03-01', day: 41, source: 'event' })
    expect(
      history.some(
        ({ what, source }: { what: string; source: string }) =>
          source === 'episode' && what.endsWith('surgery'),
      ),
    ).toBe(true)
    const days = history.map(({ day }: { day: number }) => day)
    expect(days).toEqual([...days].sort((a: number, b: number) => a - b))
    await post(`/events/${event.id}/withdrawal`, { id: newId(), why: 'Other patient.' })
    expect((await bench()).history.some(({ id }: { id: string }) => id === event.id)).toBe(false)
  })
})

describe('what is measured before its time', () => {
  const grip = (side: 'left' | 'right') => ({ digit: null, side, kind: null, measure: 'grip', result: [12] })
  const early = (changes: object = {}) => [
    { measures: ['grip'], why: 'Asked for by the surgeon.', agreedBy: '', document: '', ...changes },
  ]

  it('takes the surgeon’s word while it heals, and stands with the visit', async () => {
    const id = await referred(noor, 'FT-PH', { name: 'Early grip' })
    const send = (exceptions: object[], readings: object[] = [grip('left')]) =>
      noor.send('POST', `/api/episodes/${id}/evaluations`, visit(readings, { early: exceptions }))
    const { locks } = (await noor.send('GET', `/api/episodes/${id}/bench`)).json()
    const lock = locks.find(({ measure }: { measure: string }) => measure === 'grip')
    expect(lock.terms).toMatchObject({ isPossible: true, needsSurgeon: true })
    const paths = async (exceptions: object[]) =>
      (await send(exceptions)).json().errors.map(({ path }: { path: string }) => path)
    expect(await paths(early())).toEqual(['early.0.agreedBy'])
    expect(await paths(early({ agreedBy: 'Dr. P. Hallam-Ito' }))).toEqual(['early.0.document'])
    expect(await paths(early({ why: '' }))).toEqual(['early.0.why'])
    const agreed = early({ agreedBy: 'Dr. P. Hallam-Ito', document: 'Message of today' })
    expect((await send(agreed)).statusCode).toBe(201)
    const shown = (await noor.send('GET', `/api/episodes/${id}`)).json()
    expect(shown.evaluations.at(-1).early).toEqual(agreed)
    // It opens no exercise and no lock.
    const after = (await noor.send('GET', `/api/episodes/${id}/bench`)).json()
    expect(after.locks.find(({ measure }: { measure: string }) => measure === 'grip').state).toBe('locked')
  })

  it('is nothing that no reason opens', async () => {
    const id = await referred(noor, 'FT-PH', { name: 'Flagged grip' })
    await noor.send('POST', `/api/episodes/${id}/flags`, { id: newId(), flag: 'RF.INFECT' })
    const agreed = early({ agreedBy: 'Dr. P. Hallam-Ito', document: 'Message of today' })
    const answer = await noor.send(
      'POST',
      `/api/episodes/${id}/evaluations`,
      visit([grip('left')], { early: agreed }),
    )
    expect(answer.json()).toMatchObject({ code: 'NOT_CLEARED', detail: expect.stringContaining('red flag') })
  })
})
