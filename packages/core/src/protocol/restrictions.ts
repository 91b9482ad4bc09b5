import type { ClinicalDay } from '../calendar/clinicalDay.js'
import { daysBetween } from '../calendar/clinicalDay.js'
import { DocumentReader } from '../reading/documentReader.js'
import { readOrder, type Order } from './order.js'
import { MODES } from '../vocabulary/vocabulary.js'

/** Restrictions a surgeon commonly orders, in the words of a referral and in the grammar of orders. */
export const RESTRICTIONS = {
  noWristMotion: { label: 'No wrist motion', targets: { m: MODES, mv: ['wrist.*'] } },
  noForearmRotation: { label: 'No forearm rotation', targets: { m: MODES, mv: ['forearm.*'] } },
  noFingerMotion: { label: 'No finger motion', targets: { m: MODES, mv: ['finger.*'] } },
  noThumbMotion: { label: 'No thumb motion', targets: { m: MODES, mv: ['thumb.*'] } },
  noElbowMotion: { label: 'No elbow motion', targets: { m: MODES, mv: ['elbow.*'] } },
  noActiveFlexion: {
    label: 'No active bending of fingers or thumb',
    targets: { m: ['A', 'AA', 'PH', 'I', 'R'], mv: ['finger.flex', 'thumb.flex'] },
  },
  noStretch: {
    label: 'No passive stretch of wrist or forearm',
    targets: { m: ['P', 'S'], mv: ['wrist.*', 'forearm.*'] },
  },
  noDigitStretch: {
    label: 'No passive stretch of fingers or thumb',
    targets: { m: ['P', 'S'], mv: ['finger.*', 'thumb.*'] },
  },
  noLoad: {
    label: 'No resistance, gripping against load or lifting',
    targets: {
      m: ['I', 'R'],
      mv: ['elbow.*', 'wrist.*', 'forearm.*', 'finger.*', 'thumb.*'],
      grip: 'any',
      res: 'R1',
      kg: 0.5,
    },
  },
  noPinch: {
    label: 'No pinching against load',
    targets: { grip: ['key', 'tip', 'tripod'], res: 'R1' },
  },
  noWeightBearing: { label: 'No weight through the hand', targets: { act: ['wb'] } },
} as const

/** What a surgeon may allow earlier than the protocol does; it takes a document, and is never better than "with care". */
export const EARLY_PERMISSIONS = {
  earlyWristActive: { label: 'Active wrist motion', targets: { m: ['A', 'AA'], mv: ['wrist.*'] } },
  earlyForearmActive: { label: 'Active forearm rotation', targets: { m: ['A', 'AA'], mv: ['forearm.*'] } },
  earlyFingerActive: { label: 'Active finger motion', targets: { m: ['A', 'AA'], mv: ['finger.*'] } },
  earlyIpActive: { label: 'Active motion of the end joints', targets: { m: ['A', 'AA'], mv: ['ip.*'] } },
  earlyThumbActive: { label: 'Active thumb motion', targets: { m: ['A', 'AA'], mv: ['thumb.*'] } },
  earlyWristPassive: {
    label: 'Gentle passive motion of wrist and forearm',
    targets: { m: ['P'], mv: ['wrist.*', 'forearm.*'] },
  },
  earlyDigitPassive: {
    label: 'Gentle passive motion of fingers and thumb',
    targets: { m: ['P'], mv: ['finger.*', 'thumb.*'] },
  },
} as const

export type EarlyPermission = keyof typeof EARLY_PERMISSIONS
export const EARLY_PERMISSION_NAMES = Object.keys(EARLY_PERMISSIONS) as EarlyPermission[]

export function isEarlyPermission(word: string): word is EarlyPermission {
  return (EARLY_PERMISSION_NAMES as readonly string[]).includes(word)
}

export type Restriction = keyof typeof RESTRICTIONS
export const RESTRICTION_NAMES = Object.keys(RESTRICTIONS) as Restriction[]

/** A surgeon's order as it stands on record. */
export interface RecordedOrder {
  readonly restriction: string
  /** First day it no longer holds; `null` = until withdrawn. */
  readonly untilOn: ClinicalDay | null
  readonly why: string
  /** What an order that opens something earlier rests on. */
  readonly document: string | null
}

/**
 * A recorded order as the engine judges by it. It holds from the day it is recorded, whatever the protocol says, until
 * its end or until it is withdrawn.
 *
 * @param anchor - the day windows count from
 * @throws CoreError `DOCUMENT_INVALID` for a word that is neither a restriction nor a permission
 */
export function orderFrom(id: string, order: RecordedOrder, anchor: ClinicalDay): Order {
  const until = order.untilOn === null ? {} : { until: daysBetween(anchor, order.untilOn) }
  const word = order.restriction
  const said = isRestriction(word)
    ? { effect: 'forbid', ...RESTRICTIONS[word].targets }
    : isEarlyPermission(word)
      ? { effect: 'allow', ...EARLY_PERMISSIONS[word].targets, document: order.document }
      : new DocumentReader(word, 'restriction').refuse('a restriction or permission on the list')
  return readOrder(new DocumentReader({ ...said, ...until, why: order.why }), id)
}

/** What an order says, for people. */
export function orderLabel(word: string): string {
  if (isRestriction(word)) return RESTRICTIONS[word].label
  return isEarlyPermission(word) ? `Allowed early: ${EARLY_PERMISSIONS[word].label}` : word
}

export function isRestriction(word: string): word is Restriction {
  return (RESTRICTION_NAMES as readonly string[]).includes(word)
}
