import type { ClinicalDay } from '../calendar/clinicalDay.js'
import { daysBetween } from '../calendar/clinicalDay.js'
import { DocumentReader } from '../reading/documentReader.js'
import { readOrder, type Order } from '../verdict/order.js'
import { MODES } from './vocabulary.js'

/** Restrictions a surgeon commonly orders, in the words of a referral and in the grammar of orders. */
export const RESTRICTIONS = {
  noWristMotion: { label: 'No wrist motion', targets: { m: MODES, mv: ['wrist.*'] } },
  noForearmRotation: { label: 'No forearm rotation', targets: { m: MODES, mv: ['forearm.*'] } },
  noStretch: {
    label: 'No passive stretch of wrist or forearm',
    targets: { m: ['P', 'S'], mv: ['wrist.*', 'forearm.*'] },
  },
  noLoad: {
    label: 'No resistance, gripping against load or lifting',
    targets: {
      m: ['I', 'R'],
      mv: ['wrist.*', 'forearm.*', 'finger.*', 'thumb.*'],
      grip: 'any',
      res: 'R1',
      kg: 0.5,
    },
  },
  noWeightBearing: { label: 'No weight through the hand', targets: { act: ['wb'] } },
} as const

export type Restriction = keyof typeof RESTRICTIONS
export const RESTRICTION_NAMES = Object.keys(RESTRICTIONS) as Restriction[]

/**
 * A restriction as an order the engine judges by. It holds from the day it is recorded, whatever the protocol says,
 * until its end or until it is withdrawn.
 *
 * @param anchor - the day windows count from
 * @param untilOn - first day it no longer holds; `null` = until withdrawn
 */
export function restrictionOrder(
  id: string,
  restriction: Restriction,
  anchor: ClinicalDay,
  untilOn: ClinicalDay | null,
  why: string,
): Order {
  const until = untilOn === null ? {} : { until: daysBetween(anchor, untilOn) }
  return readOrder(
    new DocumentReader({ effect: 'forbid', ...RESTRICTIONS[restriction].targets, ...until, why }),
    id,
  )
}

export function isRestriction(word: string): word is Restriction {
  return (RESTRICTION_NAMES as readonly string[]).includes(word)
}
