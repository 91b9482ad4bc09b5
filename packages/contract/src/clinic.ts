import { NEED_KINDS } from '@pledge/core'
import { Type, type Static } from 'typebox'
import { bool, list, maybe, obj, str, whole, words } from './shapes.js'
import { side } from './shared.js'

export const session = obj({
  user: maybe(obj({ id: str, name: str, role: words(['lead', 'therapist', 'assistant']) })),
  csrfToken: str,
  clinic: obj({ name: str, timeZone: str }),
  today: str,
  /** Where measuring devices are reached over the network. */
  devicesUrl: maybe(str),
  /** Whether published ranges of low confidence are shown in the trend. */
  showsLowBands: bool,
})
export type SessionAnswer = Static<typeof session>

const caseloadRow = obj({
  episodeId: str,
  patient: str,
  side,
  condition: str,
  therapist: str,
  day: whole,
  phase: maybe(obj({ id: str, name: str, number: whole, of: whole })),
  lastBoutAt: maybe(str),
  painRecent: list(obj({ at: str, worst: whole })),
  lastPain: maybe(whole),
  attention: list(obj({ kind: words(NEED_KINDS), text: str })),
})
export type CaseloadRow = Static<typeof caseloadRow>
/** The most urgent rows of what was asked for, of how many, and how many of those need somebody. */
export const caseload = obj({ today: str, total: whole, urgent: whole, cases: list(caseloadRow) })
export type CaseloadAnswer = Static<typeof caseload>

/** One change this clinic made to the shipped catalogue. */
export const houseEdit = obj({
  id: str,
  number: whole,
  what: str,
  before: str,
  after: str,
  why: str,
  agreedBy: str,
  document: str,
  by: str,
  on: str,
  isInForce: bool,
  isTakenBack: bool,
})
export type HouseEditAnswer = Static<typeof houseEdit>
export const housePreview = obj({
  what: str,
  shipped: str,
  before: str,
  after: str,
  needsSurgeon: bool,
  affected: list(obj({ episodeId: str, patient: str, side, therapist: str, changes: list(str) })),
})
export type HousePreviewAnswer = Static<typeof housePreview>

export const auditEntry = obj({
  id: str,
  at: str,
  actor: str,
  action: str,
  patient: maybe(str),
  episodeId: maybe(str),
  isChange: bool,
  detail: str,
})
export type AuditAnswer = Static<typeof auditEntry>

/** This contract as an OpenAPI document, for the clinic's technician. */
export const apiDocument = Type.Unsafe<Record<string, unknown>>({})
