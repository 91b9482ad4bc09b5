import {
  timingOf,
  type Depicted,
  type Digit,
  type Dose,
  type Orthosis,
  type RedFlag,
  type RedFlagAct,
  type Timing,
} from '@pledge/core'
import type { NewBoutLog } from '@pledge/core/schemas'
import { inject, type InjectionKey } from 'vue'
import { readAnswer } from '../../shared/api/problem'
import type { KeptOnPhone } from './keptOnPhone'

export interface PatientText {
  name: string
  reason: string
  steps: string[]
  shouldFeel: string
  shouldNotFeel: string
  mistake: string
}
export interface PhoneItem {
  itemId: string
  exerciseId: string
  dose: Dose
  loadUnit: string | null
  orthosis: Orthosis
  shapes: number
  /** How its time is spent; a day kept by an earlier version of the app has none. */
  timing?: Timing
  /** The digits chosen for the patient, and who goes one after the other; a day kept by an earlier version has none. */
  chosen?: Digit[] | null
  inTurn?: Digit[][]
  painCap: number
  stop: string[]
  minutesPerBout: number
  isPaused: boolean
  text: Record<'en' | 'es', PatientText>
  /** What its picture is drawn from; a day kept by an earlier version of the app has none. */
  depicted?: Depicted
}
/** How an item's time is spent; at the usual pace where an earlier version kept the day. */
export function timingOfItem({ timing, shapes }: PhoneItem): Timing {
  return timing ?? timingOf({ shapes: Array.from({ length: shapes }, () => ({})), turns: 'together' })
}
export interface PhoneToday {
  today: string
  firstName: string
  language: 'en' | 'es'
  side: 'left' | 'right'
  /** The injured digits; a day kept by an earlier version of the app has none. */
  digits?: Digit[]
  stopPain: number
  clinic: { name: string; phone: string; outOfHours: string }
  redLock: boolean
  program: { id: string; number: number; items: PhoneItem[] } | null
  boutsToday: number
  /** What to know and what to change. */
  advice: Record<'en' | 'es', string>[]
  /** What to report: first what the protocol names, then what holds for every hand. */
  redFlags: PhoneFlag[]
}
export interface PhoneFlag {
  id: string
  flag: RedFlag
  act: RedFlagAct
  isOfProtocol: boolean
  says: Record<'en' | 'es', string>
}
export type BoutLog = NewBoutLog

/** What the phone may ask of the clinic. */
export function phoneApi(send: typeof fetch = (...words) => fetch(...words)) {
  const ask = <T>(method: string, url: string, token: string | null, body?: unknown) =>
    readAnswer<T>(() =>
      send(url, {
        method,
        headers: {
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...(token ? { authorization: `Bearer ${token}` } : {}),
        },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      }),
    )
  return {
    pair: (code: string) =>
      ask<{ token: string; firstName: string; language: 'en' | 'es' }>('POST', '/api/phone/pairing', null, {
        code,
      }),
    today: (token: string) => ask<PhoneToday>('GET', '/api/phone/today', token),
    sendBout: (token: string, log: BoutLog) =>
      ask<{ id: string; receivedAt: string; isNew: boolean }>('POST', '/api/phone/bouts', token, log),
  }
}
export type PhoneApi = ReturnType<typeof phoneApi>

export interface PhoneParts {
  readonly api: PhoneApi
  readonly kept: KeptOnPhone
  readonly now: () => Date
}
export const PHONE_PARTS: InjectionKey<PhoneParts> = Symbol('phone parts')

export function usePhoneParts(): PhoneParts {
  const parts = inject(PHONE_PARTS)
  if (!parts) throw new Error('The parts of the phone are provided by the application.')
  return parts
}
