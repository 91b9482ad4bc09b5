import type { BenchAnswer, EvaluationAnswer } from '@pledge/contract'
import { placeKey, placeOfKey } from '@pledge/core'
import { createPinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { CLINIC_API, type ClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import { verdictAnswer } from '../../shared/testing/clinicScreen'
import { useBenchStore } from './benchStore'

const addEvaluation = vi.fn<ClinicApi['addEvaluation']>()
const asked = vi.fn<ClinicApi['bench']>()
const plan = (over: Partial<BenchAnswer> = {}): BenchAnswer => ({
  digits: ['ring'],
  handMeasures: [],
  items: [],
  locks: [],
  overpressure: null,
  tasks: [],
  goals: [],
  goalTemplates: [],
  history: [],
  ...over,
})
const EPISODE = { id: 'e1', side: 'left' as const }
async function bench(evaluations: EvaluationAnswer[] = [], answer = plan()) {
  asked.mockResolvedValue(answer)
  const app = createApp({})
  app.provide(CLINIC_API, { addEvaluation, bench: asked } as unknown as ClinicApi)
  const pinia = createPinia()
  app.use(pinia)
  setActivePinia(pinia)
  const store = app.runWithContext(() => useBenchStore())
  await store.start(EPISODE, evaluations, 'noor')
  return store
}
const at = placeOfKey
const visit = (readings: EvaluationAnswer['readings'], recordedBy = 'noor'): EvaluationAnswer => ({
  id: '1',
  evaluatedOn: '2031-04-01',
  note: '',
  recordedBy,
  readings,
  early: null,
  before: [],
})
const PIP = at('pip.ring.left.active')
const lock = (over: Partial<BenchAnswer['locks'][number]>): BenchAnswer['locks'][number] => ({
  measure: 'pip',
  digits: ['ring'],
  kind: 'active',
  end: 'flexed',
  state: 'locked',
  verdict: verdictAnswer('not-yet'),
  terms: { isPossible: true, needsSurgeon: false, why: '' },
  ...over,
})

beforeEach(() => {
  addEvaluation.mockReset()
  window.localStorage.clear()
})

describe('what is typed at the bench', () => {
  it('is told as one types', async () => {
    const store = await bench()
    store.type(at('mcp.ring.left.active'), '0/85')
    store.type(PIP, '15/95')
    expect(store.findings[0]!.tam.totalDeg).toBeNull()
    store.type(at('dip.ring.left.active'), '5/50')
    expect(store.findings[0]!.tam.totalDeg).toBe(210)
  })

  it('is taken back cell by cell, not letter by letter', async () => {
    const store = await bench()
    store.enter(PIP)
    for (const text of ['1', '10', '10/', '10/8', '10/85']) store.type(PIP, text)
    const dip = at('dip.ring.left.active')
    store.enter(dip)
    store.type(dip, '0/60')
    expect(store.undo()).toBe(placeKey(dip))
    expect(store.textAt(dip)).toBe('')
    expect(store.undo()).toBe(placeKey(PIP))
    expect(store.textAt(PIP)).toBe('')
    expect(store.undo()).toBeNull()
  })

  it('knows the last reading and the other side as they would be typed', async () => {
    const store = await bench([visit([{ ...PIP, result: { flexedEndDeg: 80, extendedEndDeg: 12 } }])])
    expect(store.lastTyped(PIP)).toBe('12/80')
    expect(store.otherTyped(at('pip.ring.right.active'))).toBe('12/80')
    store.type(PIP, '10/85')
    expect(store.otherTyped(at('pip.ring.right.active'))).toBe('10/85')
  })

  it('survives a reload, and is forgotten once it is saved', async () => {
    const first = await bench()
    first.type(PIP, '10/85')
    first.writeNote('after heat')
    const second = await bench()
    expect(second.textAt(PIP)).toBe('10/85')
    expect(second.note).toBe('after heat')
    addEvaluation.mockResolvedValueOnce({ id: 'x' })
    expect(await second.save('2031-04-11')).toBe(true)
    expect((await bench()).textAt(PIP)).toBe('')
  })

  it('after saving is another visit, with the readings of this one as the last', async () => {
    const store = await bench()
    store.type(PIP, '10/85')
    addEvaluation.mockResolvedValue({ id: 'x' })
    await store.save('2031-04-11')
    expect(store.saveState).toEqual({ name: 'saved', readings: 1 })
    expect(store.textAt(PIP)).toBe('')
    expect(store.lastTyped(PIP)).toBe('10/85')
    store.type(PIP, '10/90')
    await store.save('2031-04-11')
    const [first, second] = addEvaluation.mock.calls.map(([, body]) => (body as { id: string }).id)
    expect(first).not.toBe(second)
  })

  it('kept by an older version forgets what is no longer measured, and nothing else', async () => {
    const typed = { 'elan.ring.left.active': '5', 'pip.ring.left.active': '10/85' }
    window.localStorage.setItem('pledge.bench.e1.noor', JSON.stringify({ id: 'a', typed, note: 'x' }))
    const store = await bench()
    expect(store.readings).toHaveLength(1)
    expect(store.textAt(PIP)).toBe('10/85')
  })

  it('follows what another tab types, and stops where that tab has saved', async () => {
    const store = await bench()
    store.type(PIP, '10/85')
    const key = 'pledge.bench.e1.noor'
    const tells = (newValue: string | null) =>
      window.dispatchEvent(new StorageEvent('storage', { key, newValue }))
    tells(JSON.stringify({ id: 'other', typed: { 'pip.ring.left.active': '5/90' }, note: '' }))
    expect(store.textAt(PIP)).toBe('5/90')
    tells(null)
    expect(store.textAt(PIP)).toBe('')
  })
})

describe('a joint', () => {
  it('found absent once is refused a reading until somebody says that it is there', async () => {
    const store = await bench([visit([{ ...PIP, result: 'absent' }])])
    store.type(PIP, '10/85')
    expect(store.cellAt(PIP)).toMatchObject({
      name: 'wrong',
      message: expect.stringContaining('absent on 1 Apr'),
    })
    store.isThere(PIP)
    expect(store.cellAt(PIP).name).toBe('read')
  })

  it('found fused is typed once, for passive and for later visits', async () => {
    const store = await bench([visit([{ ...PIP, result: { fusedAtDeg: 30 } }])])
    expect(store.lastingAt(PIP)).toBe('f30')
    expect(store.lastingAt(at('pip.ring.left.passive'))).toBe('f30')
    expect(store.lastingAt(at('pip.ring.right.active'))).toBeNull()
  })

  it('that may only straighten is measured at that end', async () => {
    const store = await bench([], plan({ locks: [lock({})] }))
    expect(store.isLocked(PIP)).toBe(false)
    store.type(PIP, '10/85')
    expect(store.cellAt(PIP)).toMatchObject({ name: 'wrong', message: expect.stringContaining('10/') })
    store.type(PIP, '10/')
    expect(store.cellAt(PIP).name).toBe('read')
  })

  it('with both ends locked is not offered, on the injured side and that digit only', async () => {
    const store = await bench([], plan({ locks: [lock({}), lock({ end: 'extended' })] }))
    expect(store.isLocked(PIP)).toBe(true)
    for (const free of [
      'pip.ring.right.active',
      'pip.ring.left.passive',
      'pip.index.left.active',
      'dip.ring.left.active',
    ])
      expect(store.isLocked(at(free)), free).toBe(false)
    expect(store.gridOrder.map(placeKey)).not.toContain(placeKey(PIP))
  })

  it('open in a form only is measured, in that form', async () => {
    const store = await bench(
      [],
      plan({ locks: [lock({ state: 'limited' }), lock({ end: 'extended', state: 'limited' })] }),
    )
    expect(store.isLocked(PIP)).toBe(false)
  })
})

describe('what to measure', () => {
  const item = (over: object): BenchAnswer['items'][number] => ({
    id: 'lag.pip',
    tier: 'gate',
    says: 'lag',
    why: '',
    isOneEnough: false,
    isOnce: false,
    lastOn: null,
    places: [PIP, at('pip.ring.left.passive')],
    ...over,
  })
  it('counts what is missing, the first item that misses something next', async () => {
    const crease = item({ id: 'crease', tier: 'tell', places: [at('fingertipToCrease.ring.left.')] })
    const store = await bench([], plan({ items: [item({}), crease] }))
    expect(store.next?.id).toBe('lag.pip')
    store.type(PIP, '10/85')
    expect(store.items[0]!.missing.map(placeKey)).toEqual(['pip.ring.left.passive'])
    store.type(at('pip.ring.left.passive'), 'x/')
    expect(store.next?.id).toBe('lag.pip')
    store.type(at('pip.ring.left.passive'), '0/90')
    expect(store.next?.id).toBe('crease')
  })
  it('is measured before its time with a reason, which goes with the visit and survives a reload', async () => {
    const grip = at('grip..left.')
    const locked = lock({ measure: 'grip', digits: null, kind: null, end: null })
    const store = await bench([], plan({ items: [], locks: [locked] }))
    expect(store.isLocked(grip)).toBe(true)
    const exception = { why: 'Asked for by the insurer.', agreedBy: '', document: '' }
    store.measureEarly({ measures: ['grip', 'keyPinch'], ...exception })
    expect(store.isLocked(grip)).toBe(false)
    store.type(grip, '12 13 12')
    const again = await bench([], plan({ items: [], locks: [locked] }))
    expect(again.isLocked(grip)).toBe(false)
    addEvaluation.mockResolvedValue({ id: '1' })
    expect(await again.save('2031-04-11')).toBe(true)
    // What was unlocked and not measured is no exception.
    expect(addEvaluation.mock.calls[0]![1]).toMatchObject({ early: [{ measures: ['grip'], ...exception }] })
    expect(again.isLocked(grip)).toBe(true)
  })

  it('measured before its time still asks about what is open in a form only', async () => {
    const form = 'a short arc of 0 to 30°'
    const limited = lock({ state: 'limited', verdict: { ...verdictAnswer('not-yet'), form } })
    const locked = lock({ end: 'extended' })
    const store = await bench([], plan({ items: [], locks: [limited, locked] }))
    store.measureEarly({ measures: ['pip'], why: 'Asked for.', agreedBy: '', document: '' })
    expect(store.locksAt(PIP)).toEqual([limited])
    store.type(PIP, '0/25')
    expect(store.asks.join()).toContain(form)
  })

  it('asks for nothing that is locked', async () => {
    const grip = item({ id: 'grip', places: [at('grip..left.')] })
    const locked = lock({ measure: 'grip', digits: null, kind: null, end: null })
    const store = await bench([], plan({ items: [grip], locks: [locked] }))
    expect(store.next).toBeNull()
  })
})

describe('Tab', () => {
  const two = plan({ digits: ['thumb', 'ring'] })
  it('goes from palm to tip of one digit, active before passive, injured side first', async () => {
    const store = await bench([], two)
    expect(store.gridOrder.map(placeKey).slice(0, 5)).toEqual([
      'thumbMcp.thumb.left.active',
      'thumbIp.thumb.left.active',
      'thumbMcp.thumb.left.passive',
      'thumbIp.thumb.left.passive',
      'mcp.ring.left.active',
    ])
  })
  it('or from digit to digit of one joint, and this machine remembers', async () => {
    const store = await bench([], two)
    store.setOrder('joint')
    expect(store.gridOrder.map(placeKey).slice(0, 5)).toEqual([
      'thumbMcp.thumb.left.active',
      'mcp.ring.left.active',
      'thumbIp.thumb.left.active',
      'pip.ring.left.active',
      'dip.ring.left.active',
    ])
    expect((await bench([], two)).order).toBe('joint')
  })
})

describe('saving', () => {
  it('keeps the readings when it fails, and sends them under the same id again', async () => {
    const store = await bench()
    store.type(PIP, '10/85')
    addEvaluation.mockRejectedValueOnce(new ApiProblem(0, 'OFFLINE', 'No connection.'))
    expect(await store.save('2031-04-11')).toBe(false)
    expect(store.saveState).toEqual({ name: 'failed', message: 'No connection.' })
    expect(store.textAt(PIP)).toBe('10/85')
    const again = await bench()
    addEvaluation.mockResolvedValueOnce({ id: 'x' })
    expect(await again.save('2031-04-11')).toBe(true)
    const sent = addEvaluation.mock.calls.map(([, body]) => body as { id: string; readings: object[] })
    expect(sent[0]!.id).toBe(sent[1]!.id)
    expect(sent[1]!.readings).toEqual([{ ...PIP, result: { flexedEndDeg: 85, extendedEndDeg: 10 } }])
  })

  it('refuses what cannot be, and nothing at all', async () => {
    const store = await bench()
    expect(await store.save('2031-04-11')).toBe(false)
    store.type(PIP, '85/10')
    expect(await store.save('2031-04-11')).toBe(false)
    expect(addEvaluation).not.toHaveBeenCalled()
  })

  it.each([
    ['an unusual angle', { 'pip.ring.left.active': '0/120' }, 'unusual'],
    [
      'active beyond passive by more than the error',
      { 'pip.ring.left.active': '0/100', 'pip.ring.left.passive': '0/90' },
      'beyond passive',
    ],
  ])('asks about %s, and saves when told to', async (_case, typed, says) => {
    const store = await bench()
    for (const [key, text] of Object.entries(typed)) store.type(at(key), text)
    expect(await store.save('2031-04-11')).toBe(false)
    expect(store.saveState).toMatchObject({ name: 'asking', asks: [expect.stringContaining(says)] })
    addEvaluation.mockResolvedValueOnce({ id: 'x' })
    expect(await store.save('2031-04-11')).toBe(true)
  })

  it('asks anew after another reading was typed', async () => {
    const store = await bench()
    store.type(PIP, '0/120')
    await store.save('2031-04-11')
    store.type(PIP, '0/125')
    expect(await store.save('2031-04-11')).toBe(false)
    expect(store.saveState.name).toBe('asking')
  })
})

describe('a visit that is corrected', () => {
  const earlier = (id: string, evaluatedOn: string, deg: number): EvaluationAnswer => ({
    ...visit([{ ...PIP, result: { extendedEndDeg: 0, flexedEndDeg: deg } }]),
    id,
    evaluatedOn,
  })
  const both = () => [earlier('a', '2031-04-01', 50), earlier('b', '2031-04-05', 70)]

  it('comes back as it was typed, compared with the visits before it and locked by nothing of today', async () => {
    const store = await bench(both(), plan({ locks: [lock({})] }))
    expect(store.amend(both()[1]!)).toBe(true)
    expect(store.textAt(PIP)).toBe('0/70')
    expect(store.isLocked(PIP)).toBe(false)
    expect(store.lastTyped(PIP)).toBe('0/50')
    expect(store.wrong).toEqual([])
  })

  it('is stored for its own day under the visit it corrects, once it says why', async () => {
    const store = await bench(both())
    store.amend(both()[0]!)
    store.type(PIP, '0/55')
    addEvaluation.mockResolvedValue({ id: 'x' })
    expect(await store.save('2031-04-11')).toBe(false)
    expect(store.saveState).toMatchObject({ name: 'failed', message: expect.stringContaining('why') })
    store.writeNote('Read off the wrong line.')
    expect(await store.save('2031-04-11')).toBe(true)
    expect(addEvaluation.mock.calls[0]![1]).toMatchObject({
      amendsId: 'a',
      evaluatedOn: '2031-04-01',
      readings: [expect.objectContaining({ result: { extendedEndDeg: 0, flexedEndDeg: 55 } })],
    })
    // Back at today: the last visit is the later one.
    expect([store.amending, store.lastTyped(PIP)]).toEqual([null, '0/70'])
  })

  it('waits until what is typed is saved or cleared, survives a reload, and can be left as it was', async () => {
    const store = await bench(both())
    store.type(PIP, '0/80')
    expect(store.amend(both()[0]!)).toBe(false)
    expect(store.textAt(PIP)).toBe('0/80')
    store.clear()
    expect(store.amend(both()[0]!)).toBe(true)
    const again = await bench(both())
    expect(again.amending).toEqual({ id: 'a', on: '2031-04-01' })
    again.clear()
    expect([again.amending, again.textAt(PIP), again.isTyped]).toEqual([null, '', false])
  })
})

it('asks before saving whether the form was kept to in which alone a motion is open', async () => {
  const form = verdictAnswer('not-yet', { form: 'a short arc of 0 to 30°' })
  const store = await bench([], plan({ locks: [lock({ state: 'limited', verdict: form })] }))
  store.type(PIP, '10/')
  expect(store.asks).toEqual([])
  store.type(PIP, '10/85')
  expect(store.asks).toEqual([
    'open only in a form (a short arc of 0 to 30°), was it kept to at ring PIP, left, active?',
  ])
  expect(await store.save('2031-04-11')).toBe(false)
  addEvaluation.mockResolvedValueOnce({ id: 'x' })
  expect(await store.save('2031-04-11')).toBe(true)
})
