/* eslint-disable no-restricted-globals -- What was typed and not yet stored may not be lost with the network or the session. It holds
   numbers under the ids of episode and user, no name, and is forgotten once it is saved. */
import { isMeasure, placeOfKey, type MeasureName, type ReadingMapping } from '@pledge/core'

/** Readings that were typed and not yet saved: kept on this machine, so that reload, lost session and lost network lose none. */
export interface BenchDraft {
  readonly id: string
  readonly typed: Readonly<Record<string, string>>
  readonly note: string
  /** The visit it corrects; none: it is today's. */
  readonly amends?: AmendedVisit
  /** What is measured before its time, and why. */
  readonly early?: readonly MeasuredEarly[]
}
export interface MeasuredEarly {
  readonly measures: readonly MeasureName[]
  readonly why: string
  readonly agreedBy: string
  readonly document: string
}
export interface AmendedVisit {
  readonly id: string
  readonly on: string
}

const keyOf = (episodeId: string, userId: string) => `pledge.bench.${episodeId}.${userId}`

/** The draft of a case and a user; `null` where there is none or it cannot be read. */
export function keptDraft(episodeId: string, userId: string): BenchDraft | null {
  return readDraft(localStorage.getItem(keyOf(episodeId, userId)))
}

function readDraft(text: string | null): BenchDraft | null {
  if (text === null) return null
  try {
    const draft = JSON.parse(text) as Partial<BenchDraft>
    if (typeof draft.id !== 'string' || typeof draft.typed !== 'object') return null
    // A measure that a later version no longer has cannot be shown.
    const known = Object.entries(draft.typed).filter(([key]) => isMeasure(placeOfKey(key).measure))
    const { id, note = '', amends, early } = draft
    return {
      id,
      typed: Object.fromEntries(known),
      note,
      ...(amends ? { amends } : {}),
      ...(early ? { early } : {}),
    }
  } catch {
    return null
  }
}

/** Keeps a draft, or forgets it: nothing typed is no draft. */
export function keepDraft(episodeId: string, userId: string, draft: BenchDraft | null): void {
  const key = keyOf(episodeId, userId)
  const isEmpty = !draft || (draft.note === '' && Object.values(draft.typed).every((text) => text === ''))
  if (isEmpty) localStorage.removeItem(key)
  else localStorage.setItem(key, JSON.stringify(draft))
}

/** Tells what another tab of the same case types; `null` once it has saved. Returns how to stop listening. */
export function onOtherTab(
  episodeId: string,
  userId: string,
  heard: (draft: BenchDraft | null) => void,
): () => void {
  const key = keyOf(episodeId, userId)
  const listen = (event: StorageEvent) => event.key === key && heard(readDraft(event.newValue))
  window.addEventListener('storage', listen)
  return () => window.removeEventListener('storage', listen)
}

/** In which order one measures: a finger from palm to tip, or one joint of all fingers. Chosen once, for this machine. */
export type MeasuringOrder = 'digit' | 'joint'
const ORDER_KEY = 'pledge.bench.order'
export function keptOrder(): MeasuringOrder {
  return localStorage.getItem(ORDER_KEY) === 'joint' ? 'joint' : 'digit'
}
export function keepOrder(order: MeasuringOrder): void {
  localStorage.setItem(ORDER_KEY, order)
}

const MAPPING_KEY = 'pledge.bench.columns.'
/** How the columns of a file with this header were mapped before, on this machine; `null`: never. */
export function keptMapping(header: readonly string[]): ReadingMapping | null {
  try {
    return JSON.parse(localStorage.getItem(MAPPING_KEY + header.join('|')) ?? 'null') as ReadingMapping | null
  } catch {
    return null
  }
}
export function keepMapping(header: readonly string[], mapping: ReadingMapping): void {
  localStorage.setItem(MAPPING_KEY + header.join('|'), JSON.stringify(mapping))
}

/** The column of strength tables that is compared with in a case, on this machine; `null`: none was chosen. */
export type NormColumn = 'female' | 'male'
const NORM_KEY = 'pledge.bench.norms.'
export function keptNormColumn(episodeId: string): NormColumn | null {
  const kept = localStorage.getItem(NORM_KEY + episodeId)
  return kept === 'female' || kept === 'male' ? kept : null
}
export function keepNormColumn(episodeId: string, column: NormColumn | null): void {
  if (column) localStorage.setItem(NORM_KEY + episodeId, column)
  else localStorage.removeItem(NORM_KEY + episodeId)
}
