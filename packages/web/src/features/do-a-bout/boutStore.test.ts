import { createPinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiProblem } from '../../shared/api/problem'
import { useBoutStore } from './boutStore'
import type { KeptLog } from './keptOnPhone'
import { PHONE_PARTS, type BoutLog, type PhoneItem, type PhoneToday } from './phoneApi'
import { item, keptInMemory, todayWith } from './testing/phoneInMemory'
import { PHONE_TEXTS } from './text'

const offline = new ApiProblem(0, 'OFFLINE', 'No connection.')
const api = { pair: vi.fn(), today: vi.fn(), sendBout: vi.fn() }
let at = Date.parse('2031-04-11T12:00:00Z')
let logs: Map<string, KeptLog>

async function phone(kept = keptInMemory(logs)) {
  const app = createApp({})
  app.provide(PHONE_PARTS, { api, kept, now: () => new Date(at) })
  const pinia = createPinia()
  app.use(pinia)
  setActivePinia(pinia)
  const store = app.runWithContext(() => useBoutStore())
  await store.start()
  return store
}
async function begun(items: PhoneItem[], pain = 1) {
  api.today.mockResolvedValue(todayWith(items))
  const store = await phone()
  store.toBefore()
  store.painBefore = pain
  await store.begin()
  return store
}
/** Lets time pass in small steps, as a phone's timer does. */
function pass(store: Awaited<ReturnType<typeof phone>>, seconds: number) {
  for (let tenths = 0; tenths < seconds * 10; tenths += 1) {
    at += 100
    store.tick()
  }
}
const sent = () => api.sendBout.mock.lastCall?.[1] as BoutLog

beforeEach(() => {
  at = Date.parse('2031-04-11T12:00:00Z')
  logs = new Map()
  for (const call of Object.values(api)) call.mockReset()
  api.sendBout.mockResolvedValue({ id: 'x', receivedAt: '', isNew: true })
})

describe('a bout on the phone', () => {
  it('counts real time, stands still while paused, and logs what was done', async () => {
    const store = await begun([item('a'), item('b')])
    store.run()
    pass(store, 9)
    expect(store.moment).toMatchObject({ repetition: 2, finished: 1 })
    store.pause()
    at += 60_000
    expect(store.moment).toMatchObject({ repetition: 2 })
    store.run()
    pass(store, 10)
    expect(store.moment?.stage).toBe('done')
    store.finishItem()
    store.run()
    pass(store, 7)
    store.hurts()
    await store.hurtScored(4)
    expect(store.screen.name).toBe('after')
    store.painWorst = 4
    store.painAfter = 2
    await store.save()
    expect(sent()).toMatchObject({
      endedBy: 'left',
      painBefore: 1,
      painWorst: 4,
      painAfter: 2,
      items: [
        { itemId: 'a', outcome: 'done', repetitionsDone: 3 },
        { itemId: 'b', outcome: 'hurt', repetitionsDone: 1 },
      ],
    })
    expect(logs.size).toBe(0)
  })

  it('leaves out what the pain at rest forbids, and offers nothing that is paused', async () => {
    const store = await begun(
      [item('a', { painCap: 2 }), item('b', { painCap: 4 }), item('c', { isPaused: true })],
      3,
    )
    expect(store.items.map((one) => one.itemId)).toEqual(['b'])
    expect(store.leftOut.map((one) => one.itemId)).toEqual(['a'])
  })

  it('does not begin when the pain lies above every cap', async () => {
    const store = await begun([item('a')], 5)
    expect(store.screen.name).toBe('before')
  })

  it.each([
    ['before the bout', async (store: Awaited<ReturnType<typeof begun>>) => void store],
    ['at "That hurts"', async (store: Awaited<ReturnType<typeof begun>>) => store.hurtScored(8)],
    [
      'afterwards',
      async (store: Awaited<ReturnType<typeof begun>>) => {
        store.leave()
        store.painWorst = 2
        store.painAfter = 9
        await store.save()
      },
    ],
  ])('stops at a pain of 8 %s, and tells the clinic', async (when, act) => {
    const store = await begun([item('a'), item('b')], when === 'before the bout' ? 8 : 1)
    await act(store)
    expect(store.screen.name).toBe('stopped')
    expect(sent().endedBy).toBe('stop')
  })

  it('stops at a red flag, in a bout or outside of one', async () => {
    const store = await begun([item('a'), item('b')])
    store.somethingWrong()
    await store.flagged({ flag: 'RF.VASC', act: 'emergency' })
    expect(store.screen.name).toBe('stopped')
    expect(sent()).toMatchObject({
      endedBy: 'stop',
      redFlags: ['RF.VASC'],
      items: [{ outcome: 'notReached' }, { outcome: 'notReached' }],
    })
    const first = sent().id
    await store.toToday()
    store.somethingWrong()
    await store.flagged({ flag: 'RF.BONE', act: 'call' })
    expect(sent().redFlags).toEqual(['RF.BONE'])
    expect(sent().id).not.toBe(first)
  })
})

describe('what a red flag asks for', () => {
  it.each([
    ['without signal', offline],
    ['refused by the clinic', new ApiProblem(400, 'INPUT_INVALID', 'The bout ends in the future.')],
  ])('stays locked on a phone whose stop was %s, also after a restart', async (_what, problem) => {
    const kept = keptInMemory(logs)
    api.today.mockResolvedValue(todayWith([item('a')]))
    const store = await phone(kept)
    api.sendBout.mockRejectedValue(problem)
    store.somethingWrong()
    await store.flagged({ flag: 'RF.BONE', act: 'call' })
    await store.toToday()
    expect(store.today?.redLock).toBe(false)
    expect(store.isLocked).toBe(true)
    expect((await phone(kept)).isLocked).toBe(true)
    api.sendBout.mockResolvedValue({ id: 'x', receivedAt: '', isNew: true })
    api.today.mockResolvedValue(todayWith([item('a')], true))
    await store.sendWaiting(true)
    await store.refresh()
    expect([store.waiting, store.refused.length, store.isLocked]).toEqual([0, 0, true])
  })

  it.each([
    ['RF.VASC', 'emergency'],
    ['RF.NEURO', 'call'],
    ['RF.CRPS', 'gentle'],
  ] as const)('%s ends on the screen for "%s"', async (flag, act) => {
    const store = await begun([item('a')])
    store.somethingWrong()
    await store.flagged({ flag, act })
    expect(store.screen).toEqual({ name: 'stopped', act })
  })

  it('stays locked when the signal is lost between the stop and the next day read', async () => {
    const kept = keptInMemory(logs)
    api.today.mockResolvedValueOnce(todayWith([item('a')])).mockRejectedValue(offline)
    const store = await phone(kept)
    store.somethingWrong()
    await store.flagged({ flag: 'RF.BONE', act: 'call' })
    await store.toToday()
    expect([store.waiting, store.contact.name, store.isLocked]).toEqual([0, 'kept', true])
    expect((await phone(kept)).isLocked).toBe(true)
  })

  it('the pain that stops is the one the clinic sends, not one the phone knows', async () => {
    api.today.mockResolvedValue({ ...todayWith([item('a', { painCap: 9 })]), stopPain: 6 })
    const store = await phone()
    store.toBefore()
    store.painBefore = 6
    await store.begin()
    expect(store.screen).toEqual({ name: 'stopped', act: 'call' })
  })

  it('a day kept by an earlier version, which does not say what to report, does not open', async () => {
    const { redFlags: _unknown, ...earlier } = todayWith([item('a')])
    api.today.mockRejectedValue(offline)
    const store = await phone(
      keptInMemory(logs, { today: earlier as PhoneToday, at: new Date(at).toISOString() }),
    )
    expect(store.contact.name).toBe('nothing')
    expect(store.openItems).toEqual([])
  })
})

describe('what has not reached the clinic', () => {
  it('stays on the phone without signal, and goes out once with the same id', async () => {
    const store = await begun([item('a')])
    store.leave()
    store.painWorst = 1
    store.painAfter = 1
    api.sendBout.mockRejectedValue(offline)
    api.today.mockRejectedValue(offline)
    await store.save()
    expect(store.screen).toEqual({ name: 'saved', wasSent: false })
    expect(store.waiting).toBe(1)
    const { id } = sent()
    api.sendBout.mockResolvedValue({ id, receivedAt: '', isNew: true })
    await store.refresh()
    expect(sent().id).toBe(id)
    expect(store.waiting).toBe(0)
  })

  it('stays with its reason when it is refused, and is not sent again by itself', async () => {
    const store = await begun([item('a')])
    store.leave()
    store.painWorst = 1
    store.painAfter = 1
    api.sendBout.mockRejectedValue(
      new ApiProblem(400, 'INPUT_INVALID', 'x', [
        { path: 'endedAt', message: 'The bout ends in the future.' },
      ]),
    )
    await store.save()
    expect(store.refused[0]?.refusal).toBe('The bout ends in the future.')
    const calls = api.sendBout.mock.calls.length
    await store.refresh()
    expect(api.sendBout.mock.calls.length).toBe(calls)
    api.sendBout.mockResolvedValue({ id: 'x', receivedAt: '', isNew: true })
    await store.sendWaiting(true)
    expect(store.refused).toEqual([])
  })

  it.each([
    [7, 'kept'],
    [8, 'tooOld'],
  ])('a program kept for %i days without contact is %s', async (days, name) => {
    api.today.mockRejectedValue(offline)
    const store = await phone(
      keptInMemory(logs, {
        today: todayWith([item('a')]),
        at: new Date(at - days * 86_400_000).toISOString(),
      }),
    )
    expect(store.contact.name).toBe(name)
  })

  it('a phone that was taken back asks for a new code', async () => {
    api.today.mockRejectedValue(new ApiProblem(401, 'NOT_PAIRED', 'Not paired.'))
    const store = await phone()
    expect(store.screen).toMatchObject({ name: 'pair', problem: 'unpaired' })
  })

  it('a phone taken back during a bout still shows whom to call, then asks for a code', async () => {
    const store = await begun([item('a')])
    api.sendBout.mockRejectedValue(new ApiProblem(401, 'NOT_PAIRED', 'Not paired.'))
    api.today.mockRejectedValue(new ApiProblem(401, 'NOT_PAIRED', 'Not paired.'))
    store.somethingWrong()
    await store.flagged({ flag: 'RF.VASC', act: 'emergency' })
    expect(store.screen.name).toBe('stopped')
    await store.toToday()
    expect(store.screen.name).toBe('pair')
    expect(logs.size).toBe(1)
  })
})

it('the patient’s words are the same in number and place in both languages', () => {
  const keys = (value: unknown, path = ''): string[] =>
    typeof value === 'object' && value !== null
      ? Object.entries(value).flatMap(([key, inner]) => keys(inner, `${path}.${key}`))
      : [path]
  expect(keys(PHONE_TEXTS.es)).toEqual(keys(PHONE_TEXTS.en))
})
