import { daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'

/** What may have happened to a hand besides the injuries that have an episode of their own. */
export const HAND_EVENT_KINDS = [
  'repair',
  'release',
  'transfer',
  'fixation',
  'pinsOut',
  'castOff',
  'injection',
  'block',
  'fall',
  'injury',
  'other',
] as const
export type HandEventKind = (typeof HAND_EVENT_KINDS)[number]

export const HAND_EVENT_WORDS: Readonly<Record<HandEventKind, string>> = {
  repair: 'Repair',
  release: 'Release',
  transfer: 'Tendon transfer',
  fixation: 'Fixation of a fracture',
  pinsOut: 'Pins removed',
  castOff: 'Cast off',
  injection: 'Injection',
  block: 'Nerve block',
  fall: 'Fall or blow',
  injury: 'Earlier injury',
  other: 'Something else',
}
/** Events after which the case is looked at anew before it goes on: a fall may have broken or torn something. */
export const EVENTS_TO_REVIEW: readonly HandEventKind[] = ['fall']

export interface HandEvent {
  readonly id: string
  readonly kind: HandEventKind
  readonly on: ClinicalDay
  readonly words: string
}
/** A day on which the hand changed, with how long ago it was. */
export interface HistoryEntry {
  readonly on: ClinicalDay
  /** Days since then; what healed since counts from here. */
  readonly day: number
  readonly what: string
  readonly detail: string
  /** Where it stands on record: an injury that is judged, something told, an orthosis that slipped, a flag. */
  readonly source: 'episode' | 'event' | 'slip' | 'flag'
  readonly id: string
}

/** All that happened to a hand as one list, the newest first; of one day in the order given. */
export function handHistory(
  entries: readonly Omit<HistoryEntry, 'day'>[],
  today: ClinicalDay,
): HistoryEntry[] {
  return entries
    .map((entry) => ({ ...entry, day: daysBetween(entry.on, today) }))
    .sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0))
}
