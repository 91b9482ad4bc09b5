import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { DIGITS, type Digit, type Timing } from '@pledge/core'
import { useBoutStore } from './boutStore'
import DoScreen from './DoScreen.vue'
import { PHONE_PARTS, type PhoneItem, type PhoneToday } from './phoneApi'
import { item, keptInMemory, todayWith } from './testing/phoneInMemory'
import { phoneText } from './text'

const START = Date.parse('2031-04-11T12:00:00Z')
let at = START
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('scrollTo', () => {})
  at = START
})
afterEach(() => vi.useRealTimers())

const timing = (changes: Partial<Timing> = {}): Timing => ({
  shapes: 1,
  turns: 1,
  moveSeconds: 4,
  hold: 'kept',
  ...changes,
})
const oneByOne = (digits: readonly Digit[]) => digits.map((digit) => [digit])
const words = {
  name: 'Rub',
  reason: '',
  steps: ['Rub.'],
  shouldFeel: 'Warm.',
  shouldNotFeel: 'No sting.',
  mistake: '',
}

/** The screen of one exercise, begun, after some seconds of doing. */
async function screenOf(
  changes: Partial<PhoneItem>,
  seconds: number | null,
  language: 'en' | 'es' = 'en',
  day: Partial<PhoneToday> = {},
) {
  const today = todayWith([item('a', { text: { en: words, es: words }, ...changes })])
  const api = {
    pair: vi.fn(),
    today: vi.fn().mockResolvedValue({ ...today, ...day }),
    sendBout: vi.fn(),
  }
  const pinia = createPinia()
  setActivePinia(pinia)
  const parts = { api, kept: keptInMemory(new Map()), now: () => new Date(at) }
  const holder = mount(
    { setup: () => ({ store: useBoutStore() }), template: '<i />' },
    { global: { plugins: [pinia], provide: { [PHONE_PARTS as symbol]: parts } } },
  )
  const { store } = holder.vm as unknown as { store: ReturnType<typeof useBoutStore> }
  await store.start()
  await store.speak(language)
  store.toBefore()
  store.painBefore = 0
  await store.begin()
  if (seconds !== null) {
    store.run()
    for (let tenths = 0; tenths < seconds * 10; tenths += 1) {
      at += 100
      store.tick()
    }
  }
  const screen = mount(DoScreen, { global: { plugins: [pinia, phoneText(language)] } })
  await nextTick()
  return screen.text()
}
const long = { sets: 1, repetitions: 1, holdSeconds: 180, boutsPerDay: 2, load: null }

describe('the screen of an exercise', () => {
  it.each([
    ['rubbing goes on', { dose: long, timing: timing({ hold: 'going on' }) }, 30, 'Go on', 'Hold'],
    [
      'a pack is left alone',
      { dose: long, timing: timing({ hold: 'left alone' }) },
      30,
      'Stay like this',
      'Hold',
    ],
    ['a stretch is held', { dose: long, timing: timing() }, 30, 'Hold', 'Stay like this'],
    [
      'it is got ready for',
      { dose: long, timing: timing({ hold: 'going on' }) },
      2,
      'Get ready',
      'Move slowly',
    ],
    [
      'a long movement goes back at its own pace',
      { timing: timing({ moveSeconds: 20 }) },
      14,
      'And back',
      'Let go',
    ],
  ] as const)('says that %s', async (_case, changes, seconds, says, saysNot) => {
    const text = await screenOf(changes, seconds)
    expect(text).toContain(says)
    expect(text).not.toContain(saysNot)
  })

  it('goes on with the next finger where they take turns, and counts anew', async () => {
    const text = await screenOf({ timing: timing({ turns: 4 }), inTurn: oneByOne(DIGITS.slice(1)) }, 20)
    expect(text).toContain('middle finger: 2 of 4')
    expect(text).toMatch(/1 of 3/)
    expect(text).not.toContain('Well done')
  })

  it('names the thumb first where it takes its turn as well', async () => {
    const five = { timing: timing({ turns: 5 }), inTurn: oneByOne(DIGITS) }
    expect(await screenOf(five, 3)).toContain('thumb: 1 of 5')
    expect(await screenOf(five, 20, 'es')).toContain('índice: 2 de 5')
  })

  it('names both fingers of a pair', async () => {
    const pairs: Partial<PhoneItem> = {
      timing: timing({ turns: 3 }),
      inTurn: [
        ['index', 'middle'],
        ['middle', 'ring'],
        ['ring', 'little'],
      ],
    }
    expect(await screenOf(pairs, 20)).toContain('middle finger and ring finger: 2 of 3')
    expect(await screenOf(pairs, 20, 'es')).toContain('medio y anular: 2 de 3')
  })

  it('walks through the hand in each repetition, where the steps do', async () => {
    const walk = { timing: timing({ shapes: 4 }), inTurn: oneByOne(DIGITS.slice(1)) }
    // Each finger takes 2 + 4 s.
    expect(await screenOf(walk, 3)).toMatch(/1 of 3.*index finger: 1 of 4/)
    expect(await screenOf(walk, 8)).toMatch(/1 of 3.*middle finger: 2 of 4/)
    expect(await screenOf(walk, 26)).toMatch(/2 of 3.*index finger: 1 of 4/)
    expect(await screenOf(walk, 8)).not.toContain('shape')
  })

  it('names no finger on a day that an earlier version kept', async () => {
    expect(await screenOf({ timing: timing({ turns: 4 }) }, 20)).toContain('finger: 2 of 4')
  })

  it('names the digits chosen for the patient, before it begins and where they take turns', async () => {
    const ring: Partial<PhoneItem> = { chosen: ['ring'], inTurn: [['ring']], timing: timing() }
    expect(await screenOf(ring, null)).toContain('Only with: ring finger')
    expect(await screenOf(ring, 3, 'es')).toContain('Solo con: anular')
    const both: Partial<PhoneItem> = {
      chosen: ['ring', 'little'],
      inTurn: [['ring'], ['little']],
      timing: timing({ turns: 2 }),
    }
    expect(await screenOf(both, null)).toContain('One after the other: ring finger and little finger')
    const begun = await screenOf(both, 20)
    expect(begun).toContain('little finger: 2 of 2')
    expect(begun).not.toContain('One after the other')
    expect(await screenOf({ chosen: ['ring', 'little'], inTurn: [] }, null, 'es')).toContain(
      'Solo con: anular y meñique',
    )
    expect(await screenOf({ chosen: null, inTurn: [] }, null)).not.toContain('Only with')
  })

  it('says which injured finger rests while a healthy one is exercised', async () => {
    const index: Partial<PhoneItem> = { chosen: ['index'], inTurn: [['index']], timing: timing() }
    const injured: Partial<PhoneToday> = { digits: ['ring'] }
    expect(await screenOf(index, 3, 'en', injured)).toContain('Keep still: ring finger')
    expect(await screenOf(index, null, 'es', injured)).toContain('Deje quieto: anular')
    expect(await screenOf({ ...index, chosen: ['ring'] }, 3, 'en', injured)).not.toContain('Keep still')
    expect(await screenOf(index, 3)).not.toContain('Keep still')
  })

  it('counts as before on a day that an earlier version kept', async () => {
    const text = await screenOf({}, 7)
    expect(text).toMatch(/2 of 3/)
    expect(text).not.toContain('finger')
  })

  it.each([
    ['en', 'Keep on: the dorsal block', 'Make sureNo sting.'],
    ['es', 'Deje puesto: el tope dorsal', 'AsegúreseNo sting.'],
  ] as const)('says in %s what stays on, and how it should be', async (language, keepOn, sure) => {
    const text = await screenOf({ orthosis: 'DBO' }, null, language)
    expect(text).toContain(keepOn)
    expect(text.replaceAll(/\s*\n\s*/g, '')).toContain(sure)
  })
})
