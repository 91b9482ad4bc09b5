import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { BoutLog, PhoneToday } from './phoneApi'

/** A log that has not reached the clinic: on its way, or refused with a reason. */
export interface KeptLog {
  readonly id: string
  readonly log: BoutLog
  readonly refusal: string | null
}

interface PhoneData extends DBSchema {
  things: { key: string; value: unknown }
  logs: { key: string; value: KeptLog }
}

export interface KeptOnPhone {
  token(): Promise<string | null>
  keepToken(token: string | null): Promise<void>
  language(): Promise<'en' | 'es' | null>
  keepLanguage(language: 'en' | 'es'): Promise<void>
  today(): Promise<{ today: PhoneToday; at: string } | null>
  keepToday(today: PhoneToday, at: Date): Promise<void>
  logs(): Promise<KeptLog[]>
  keepLog(log: KeptLog): Promise<void>
  dropLog(id: string): Promise<void>
}

/** What the phone keeps for the time without signal: its token, the last program, and logs that were not sent yet. */
export function keptOnPhone(name = 'pledge-phone'): KeptOnPhone {
  let opened: Promise<IDBPDatabase<PhoneData>> | undefined
  const database = () =>
    (opened ??= openDB<PhoneData>(name, 1, {
      upgrade(db) {
        db.createObjectStore('things')
        db.createObjectStore('logs', { keyPath: 'id' })
      },
    }))
  const get = async <T>(key: string) => ((await (await database()).get('things', key)) ?? null) as T | null
  const put = async (key: string, value: unknown) => {
    await (await database()).put('things', value, key)
  }
  return {
    token: () => get<string>('token'),
    keepToken: (token) => put('token', token),
    language: () => get<'en' | 'es'>('language'),
    keepLanguage: (language) => put('language', language),
    today: () => get<{ today: PhoneToday; at: string }>('today'),
    keepToday: (today, at) => put('today', { today, at: at.toISOString() }),
    logs: async () => (await database()).getAll('logs'),
    keepLog: async (log) => {
      // A plain copy: the browser's store takes no proxies.
      await (await database()).put('logs', JSON.parse(JSON.stringify(log)) as KeptLog)
    },
    dropLog: async (id) => {
      await (await database()).delete('logs', id)
    },
  }
}
