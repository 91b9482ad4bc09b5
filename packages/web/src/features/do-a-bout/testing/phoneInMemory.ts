import type { KeptLog, KeptOnPhone } from '../keptOnPhone'
import type { PhoneItem, PhoneToday } from '../phoneApi'

/** What tests of the phone share: items and days of the clinic's answer, and a phone that keeps them in memory. */
const words = { name: 'x', reason: '', steps: [], shouldFeel: '', shouldNotFeel: '', mistake: '' }
export const item = (itemId: string, changes: Partial<PhoneItem> = {}): PhoneItem => ({
  itemId,
  exerciseId: itemId,
  dose: { sets: 1, repetitions: 3, holdSeconds: 2, boutsPerDay: 3, load: null },
  loadUnit: null,
  orthosis: 'none',
  shapes: 1,
  painCap: 3,
  stop: ['S0'],
  minutesPerBout: 1,
  isPaused: false,
  text: { en: words, es: words },
  ...changes,
})
export const todayWith = (items: PhoneItem[], redLock = false): PhoneToday => ({
  today: '2031-04-11',
  firstName: 'Bente',
  language: 'en',
  side: 'left',
  stopPain: 8,
  redLock,
  boutsToday: 0,
  clinic: { name: 'c', phone: '1', outOfHours: '2' },
  program: { id: 'p', number: 1, items },
  advice: [],
  redFlags: [],
})

export function keptInMemory(
  logs: Map<string, KeptLog>,
  keptToday: { today: PhoneToday; at: string } | null = null,
): KeptOnPhone {
  const state = { token: 'token' as string | null, today: keptToday }
  return {
    token: async () => state.token,
    keepToken: async (token) => void (state.token = token),
    language: async () => 'en',
    keepLanguage: async () => {},
    today: async () => state.today,
    keepToday: async (today, when) => void (state.today = { today, at: when.toISOString() }),
    logs: async () => [...logs.values()],
    keepLog: async (log) => void logs.set(log.id, structuredClone(log)),
    dropLog: async (id) => void logs.delete(id),
  }
}
