import type { Criterion } from '../protocol/criterion.js'

/** From best to worst. */
export const VERDICT_KINDS = ['clear', 'with-care', 'not-yet', 'never'] as const
export type VerdictKind = (typeof VERDICT_KINDS)[number]

/** The worse of two: the most restrictive wins. */
export function worseKind(a: VerdictKind, b: VerdictKind): VerdictKind {
  return VERDICT_KINDS.indexOf(a) >= VERDICT_KINDS.indexOf(b) ? a : b
}

/** Why, with the rule it rests on. `rule` is a rule id, `order.n`, `default`, `red-lock`, `catalogue.gate`… */
export interface Reason {
  readonly rule: string
  readonly atom: string
  /** The atom in words, with which `text` begins where it speaks of the atom. */
  readonly subject: string
  readonly text: string
  readonly source: string
}

/** The answer for one exercise, one case, one day. Computed each time, never stored as a fact. */
export interface Verdict {
  readonly kind: VerdictKind
  /** First day, by time alone, on which it could open: a date not before which, never a promise. `null`: none. */
  readonly fromDay: number | null
  /** Criteria it takes besides. */
  readonly missing: readonly Criterion[]
  /** The form in which it is allowed today. */
  readonly form: string | null
  /** To be told with a "with care". */
  readonly conditions: readonly string[]
  readonly reasons: readonly Reason[]
  /** Whether a rule or order named every atom; a verdict by default yields to the catalogue's own clock. */
  readonly basis: 'rule' | 'default'
}

/** Motions a grouped reason names before it counts the rest. */
const MOST_NAMED = 3

/** Reasons that say the same of several motions, said once: "Active wrist flexion, active wrist extension is open…". */
export function groupedReasons(reasons: readonly Reason[]): Reason[] {
  const groups = new Map<string, Reason[]>()
  for (const reason of reasons) {
    const said =
      reason.subject && reason.text.startsWith(reason.subject)
        ? reason.text.slice(reason.subject.length)
        : null
    const key = said === null ? `${reason.rule} ${reason.text}` : `${reason.rule}${said}`
    groups.set(key, [...(groups.get(key) ?? []), reason])
  }
  return [...groups.values()].map((group) => {
    const [first] = group as [Reason, ...Reason[]]
    if (group.length === 1) return first
    const said = first.text.startsWith(first.subject) ? first.text.slice(first.subject.length) : null
    if (said === null) return { ...first, atom: group.map((one) => one.atom).join(', ') }
    const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
    const named = group
      .slice(0, MOST_NAMED)
      .map((one, place) => (place === 0 ? one.subject : lower(one.subject)))
    const more = group.length - named.length
    const subjects = more > 0 ? [`${named.join(', ')} and ${more} more`] : named
    const plural = said.replace(/^ is /, ' are ')
    return {
      ...first,
      atom: group.map((one) => one.atom).join(', '),
      subject: '',
      text: `${subjects.join(', ')}${plural}`,
    }
  })
}
