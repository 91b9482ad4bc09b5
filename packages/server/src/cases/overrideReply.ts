import type { OverrideTerms } from '@pledge/core'
import type { OverrideRow } from '../data/models.js'
import { bool, maybe, obj, str } from '../reply.js'

export const overrideReply = maybe(obj({ id: str, why: str, by: str, on: str, agreedBy: str, document: str }))
export const termsReply = obj({ isPossible: bool, needsSurgeon: bool, why: str })

/** A therapist's exception as the interface reads it: who, when, why, and what it rests on. */
export function overrideJson(override: OverrideRow, users: ReadonlyMap<string, string>) {
  return {
    id: override.id,
    why: override.why,
    by: users.get(override.recordedBy) ?? '',
    on: override.recordedAt.toISOString().slice(0, 10),
    agreedBy: override.agreedBy,
    document: override.document,
  }
}

/** What an exception would take, as the interface reads it. */
export function termsJson(terms: OverrideTerms) {
  return terms.isPossible
    ? { isPossible: true, needsSurgeon: terms.needsSurgeon, why: '' }
    : { isPossible: false, needsSurgeon: false, why: terms.why.en }
}
