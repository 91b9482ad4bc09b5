import type { Criterion } from '../vocabulary/criterion.js'
import { few, uncapital } from '../words/formWords.js'
import { inEach, type Language, type Said } from '../words/names.js'

/** From best to worst. */
export const VERDICT_KINDS = ['clear', 'with-care', 'not-yet', 'never'] as const
export type VerdictKind = (typeof VERDICT_KINDS)[number]

/** Whether one is more restrictive than the other. */
export function isWorse(a: VerdictKind, than: VerdictKind): boolean {
  return VERDICT_KINDS.indexOf(a) > VERDICT_KINDS.indexOf(than)
}

/** The worse of two: the most restrictive wins. */
export function worseKind(a: VerdictKind, b: VerdictKind): VerdictKind {
  return isWorse(b, a) ? b : a
}

/** Whether it may be done today, as it is or with care. */
export function isOpen(kind: VerdictKind): boolean {
  return kind === 'clear' || kind === 'with-care'
}

/** Why, with the rule it rests on. `rule` is a rule id, `order.n`, `default`, `red-lock`, `catalogue.gate`… */
export interface Reason {
  readonly rule: string
  /** What records keep of it: the rule's name (`PROTOCOL#key`), which stays when another rule is put before it. */
  readonly key: string
  readonly atom: string
  /** The atom in words, with which `text` begins where it speaks of the atom. */
  readonly subject: Said
  readonly text: Said
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
  readonly form: Said | null
  /** To be told with a "with care". */
  readonly conditions: readonly Said[]
  readonly reasons: readonly Reason[]
  /** Whether a rule or order named every atom; a verdict by default yields to the catalogue's own clock. */
  readonly basis: 'rule' | 'default'
  /** What else than time and criteria opens it: a lifted flag, another school, a clinician's decision. */
  readonly unlock: readonly Said[]
}

/** What one injury says, before days and missing criteria are found for all of them together. */
export type Told = Pick<Verdict, 'kind' | 'basis' | 'form' | 'conditions' | 'reasons'>

const NO_SUBJECT: Said = { en: '', es: '' }

/** A reason that speaks of the whole case or exercise, not of one motion. */
export function stopReason(rule: string, text: Said, source: string): Reason {
  return { rule, key: rule, atom: '', subject: NO_SUBJECT, text, source }
}

export function distinctCriteria(list: readonly Criterion[]): Criterion[] {
  return list.filter((one, place) => list.findIndex((other) => other.text === one.text) === place)
}

export function distinctSaid(list: readonly Said[]): Said[] {
  return list.filter((one, place) => list.findIndex((other) => other.en === one.en) === place)
}

/** Motions a grouped reason names before it counts the rest. */
const MOST_NAMED = 3

/** Reasons that say the same of several atoms, said once: "Active motion of the wrist, squeezing are open…". */
export function groupedReasons(reasons: readonly Reason[]): Reason[] {
  const groups = new Map<string, Reason[]>()
  for (const reason of reasons) {
    const said = afterSubject(reason, 'en')
    const key = `${reason.rule} ${said ?? reason.text.en}`
    groups.set(key, [...(groups.get(key) ?? []), reason])
  }
  return [...groups.values()].map((group) => {
    const [first] = group as [Reason, ...Reason[]]
    if (group.length === 1) return first
    const atom = group.map((one) => one.atom).join(', ')
    if (afterSubject(first, 'en') === null) return { ...first, atom }
    const subject = inEach((language) => subjectsOf(group, MOST_NAMED, language).text)
    return { ...first, atom, subject, text: inEach((language) => together(group, language)) }
  })
}

/** What a reason says after naming its motion; `null` where it names none. */
export function afterSubject(reason: Reason, language: Language): string | null {
  const [text, subject] = [reason.text[language], reason.subject[language]]
  return subject && text.startsWith(subject) ? text.slice(subject.length) : null
}

interface SubjectsTold {
  readonly text: string
  readonly areMany: boolean
}

/** What reasons speak of, each once, at the head of a sentence; '' where they name nothing. */
export function subjectsOf(reasons: readonly Reason[], most: number, language: Language): SubjectsTold {
  const distinct = [...new Set(reasons.map(({ subject }) => subject[language]).filter(Boolean))]
  const named = distinct.map((one, place) => (place === 0 ? one : uncapital(one)))
  return { text: few(named, most, language), areMany: distinct.length > 1 }
}

function together(group: readonly Reason[], language: Language): string {
  const { text, areMany } = subjectsOf(group, MOST_NAMED, language)
  const said = afterSubject(group[0]!, language) ?? ''
  return text + (areMany ? said.replace(/^ is /, ' are ').replace(/^ lies /, ' lie ') : said)
}
