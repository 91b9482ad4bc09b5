import { timingOf, type Timing } from '@pledge/core'
import type { PhoneFlagAnswer, PhoneItemAnswer, PhoneTodayAnswer } from '@pledge/contract'
import type { NewBoutLog } from '@pledge/core/schemas'
import { inject, type InjectionKey } from 'vue'
import { asking } from '../../shared/api/asking'
import type { KeptOnPhone } from './keptOnPhone'

/** An exercise of the program; a day kept by an earlier version of the app lacks what came later. */
export type PhoneItem = Since<PhoneItemAnswer, 'timing' | 'chosen' | 'inTurn' | 'depicted'>
/** How an item's time is spent; at the usual pace where an earlier version kept the day. */
export function timingOfItem({ timing, shapes }: PhoneItem): Timing {
  return timing ?? timingOf({ shapes: Array.from({ length: shapes }, () => ({})), turns: 'together' })
}
/** The patient's day, as answered or as kept by an earlier version of the app. */
export type PhoneToday = Since<Omit<PhoneTodayAnswer, 'program'>, 'digits'> & {
  program: (Omit<NonNullable<PhoneTodayAnswer['program']>, 'items'> & { items: PhoneItem[] }) | null
}
/** What came with a later version of the app: it may be missing from what an earlier one kept. */
type Since<T, K extends keyof T> = Omit<T, K> & Partial<Pick<T, K>>
export type PhoneFlag = PhoneFlagAnswer
export type BoutLog = NewBoutLog

/** What the phone may ask of the clinic. */
export function phoneApi(send: typeof fetch = (...words) => fetch(...words)) {
  const ask = asking(send, () => ({}))
  const asPaired = (token: string) => asking(send, () => ({ authorization: `Bearer ${token}` }))
  return {
    pair: (code: string) => ask('pairPhone', {}, { code }),
    today: (token: string): Promise<PhoneToday> => asPaired(token)('phoneToday', {}),
    sendBout: (token: string, log: BoutLog) => asPaired(token)('sendBout', {}, log),
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
