import { CRITERION_FLAGS, CRITERION_NUMBERS, CRITERION_ORDINALS, type CriterionName } from './vocabulary.js'

/**
 * A condition that a named person records as met: a flag (`xr.union`), a number test (`pain.act<=3`) or an
 * ordinal test (`irrit<=mod`). `text` is its spelling in documents and its identity.
 */
export type Criterion =
  | { readonly kind: 'flag'; readonly name: CriterionName; readonly text: string }
  | {
      readonly kind: 'number'
      readonly name: CriterionName
      readonly text: string
      readonly atMost: boolean
      readonly limit: number
    }
  | {
      readonly kind: 'ordinal'
      readonly name: 'irrit'
      readonly text: string
      readonly atMost: boolean
      readonly level: string
    }

const TEST = /^([a-z._]+?)\s*(<=|>=)\s*(\w+)$/

/** Reads a criterion as documents write it; `null` for words the vocabulary does not know. */
export function criterionOf(text: string): Criterion | null {
  const trimmed = text.trim()
  if ((CRITERION_FLAGS as readonly string[]).includes(trimmed)) {
    return { kind: 'flag', name: trimmed as CriterionName, text: trimmed }
  }
  const parts = TEST.exec(trimmed)
  if (!parts) return null
  const [, name, operator, limit] = parts as unknown as [string, string, string, string]
  const atMost = operator === '<='
  const spelled = `${name}${operator}${limit}`
  if ((CRITERION_NUMBERS as readonly string[]).includes(name) && /^\d+$/.test(limit)) {
    return { kind: 'number', name: name as CriterionName, text: spelled, atMost, limit: Number(limit) }
  }
  if (name === 'irrit' && (CRITERION_ORDINALS.irrit as readonly string[]).includes(limit)) {
    return { kind: 'ordinal', name, text: spelled, atMost, level: limit }
  }
  return null
}

/** A criterion that code names; throws for a word the vocabulary does not know, which is a programming error. */
export function criterion(text: string): Criterion {
  const read = criterionOf(text)
  if (!read) throw new Error(`The vocabulary has no criterion "${text}".`)
  return read
}

/** Whether a recorded value meets a criterion: the one test, for facts, referrals, dialogs and schools. Unknown is never met. */
export function isMetBy(criterion: Criterion, value: unknown): boolean {
  switch (criterion.kind) {
    case 'flag':
      return value === true
    case 'number':
      return (
        typeof value === 'number' && (criterion.atMost ? value <= criterion.limit : value >= criterion.limit)
      )
    case 'ordinal': {
      const levels: readonly string[] = CRITERION_ORDINALS.irrit
      const [level, limit] = [levels.indexOf(String(value)), levels.indexOf(criterion.level)]
      return level >= 0 && (criterion.atMost ? level <= limit : level >= limit)
    }
  }
}

/** Load base: what every permission to stretch or load silently needs besides. */
export const LOAD_BASE = { pain: criterion('pain.act<=3'), edema: criterion('edema.stable') } as const

/** The load base as a list. */
export const LOAD_BASE_CRITERIA: readonly Criterion[] = [LOAD_BASE.pain, LOAD_BASE.edema]

/** Names by which a rule states a pain criterion of its own, which replaces the one of the load base. */
export const OWN_PAIN_CRITERIA: readonly CriterionName[] = ['pain.act', 'pain.norise', 'pain.tolerable']

/** How the question of a criterion is answered: yes or no, a pain score, a number, or a level. */
export type AnswerKind = 'yesNo' | 'pain' | 'number' | 'level'

export function answerKind(criterion: Criterion): AnswerKind {
  if (criterion.kind === 'flag') return 'yesNo'
  if (criterion.kind === 'ordinal') return 'level'
  return criterion.name === 'pain.rest' || criterion.name === 'pain.act' ? 'pain' : 'number'
}

/** How a criterion is usually recorded: a film that was read, a surgeon's letter, a measure, an examination. */
export function usualWay(text: string): 'film' | 'letter' | 'measured' | 'examined' {
  if (/^(xr|ct)\b/.test(text)) return 'film'
  if (isSurgeonsToGive(text)) return 'letter'
  return criterionOf(text)?.kind === 'flag' ? 'examined' : 'measured'
}

/** Who can give a criterion: the surgeon (orders, films, facts of the operation) or the therapist (findings). */
export function giverOf(text: string): 'surgeon' | 'therapist' {
  const surgeons =
    /^(ord|xr|ct|fix|pins|pin|button|cast|epi|intraop|repair|tendon|tendons|strands|lateral_bands|single|fx|ucl)\b/
  return surgeons.test(text) ? 'surgeon' : 'therapist'
}

/** Whether a criterion is the surgeon's to give (orders, films, operation facts) rather than the therapist's to find. */
export function isSurgeonsToGive(text: string): boolean {
  return giverOf(text) === 'surgeon'
}
