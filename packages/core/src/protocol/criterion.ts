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

const TEST = /^([a-z.]+?)\s*(<=|>=)\s*(\w+)$/

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

/** Load base: what every permission to stretch or load silently needs besides. */
export const LOAD_BASE = { pain: criterion('pain.act<=3'), edema: criterion('edema.stable') } as const

/** Names by which a rule states a pain criterion of its own, which replaces the one of the load base. */
export const OWN_PAIN_CRITERIA: readonly CriterionName[] = ['pain.act', 'pain.norise', 'pain.tolerable']

const FLAG_MEANING: Readonly<Record<string, string>> = {
  'ord.therapy': "surgeon's order for therapy",
  'ord.rom': "surgeon's clearance for active motion",
  'ord.passive': "surgeon's clearance for passive motion",
  'ord.resist': "surgeon's clearance for resistance",
  'ord.load': "surgeon's clearance for loading",
  'ord.sport': "surgeon's clearance for sport",
  'ord.rotation': "surgeon's clearance for forearm rotation",
  'fix.stable': 'surgeon calls the fixation stable',
  'wound.ok': 'wound closed or dry, no infection',
  'skin.ok': 'skin sound under the orthosis',
  'xr.stable': 'position kept on x-ray',
  'xr.union': 'union on x-ray, read by the surgeon',
  'ct.union': 'union on CT',
  'clin.union': 'clinically united: no tenderness, no motion at the fracture',
  'edema.stable': 'swelling not up since the last visit',
}
const NUMBER_MEANING: Readonly<Record<string, string>> = {
  'pain.rest': 'pain at rest, worst of 24 h',
  'pain.act': 'pain during the motion, worst of 24 h',
}

/** A criterion in words for a therapist: "pain at rest, worst of 24 h: 3 or less". */
export function criterionMeaning(text: string): string {
  const read = criterionOf(text)
  if (!read) return text
  if (read.kind === 'flag') return FLAG_MEANING[read.name] ?? read.text
  const bound = read.kind === 'number' ? `${read.limit}` : read.level
  return `${NUMBER_MEANING[read.name] ?? read.name}: ${bound} or ${read.atMost ? 'less' : 'more'}`
}

/** Whether a criterion is the surgeon's to give (orders, films, operation facts) rather than the therapist's to find. */
export function isSurgeonsToGive(text: string): boolean {
  return /^(ord|xr|ct|fix|pins|pin|button|cast|epi|intraop|repair|tendon|strands)\b/.test(text)
}
