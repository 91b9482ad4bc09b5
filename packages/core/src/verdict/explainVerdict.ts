import { criterionMeaning } from '../words/criterionWords.js'
import { capital, few } from '../words/formWords.js'
import type { Language } from '../words/names.js'
import { afterSubject, groupedReasons, subjectsOf, type Verdict, type VerdictKind } from './verdict.js'

const KIND_WORDS: Readonly<Record<Language, Readonly<Record<VerdictKind, string>>>> = {
  en: { clear: 'Clear today.', 'with-care': 'With care.', 'not-yet': 'Not yet.', never: 'Never here.' },
  es: {
    clear: 'Se puede hoy.',
    'with-care': 'Con cuidado.',
    'not-yet': 'Todavía no.',
    never: 'Nunca aquí.',
  },
}

/** Things a sentence names before it counts the rest. */
const MOST_NAMED = 2

/**
 * A verdict as a short text made from its rules alone: what it is, what waits for which day and which facts, the form that is
 * open today, and why. The same reasons stand in interface, API and `assess`.
 */
export function explainVerdict(verdict: Verdict, language: Language, today: number): string {
  const form = verdict.form ? [`${capital(verdict.form[language])}.`] : []
  const unlock = verdict.unlock.map((one) => one[language])
  const opens = verdict.kind === 'not-yet' ? [...form, ...unlock] : []
  const [first, ...rest] = toldReasons(verdict, language, today)
  return [...new Set([KIND_WORDS[language][verdict.kind], first, ...opens, ...rest])]
    .filter(Boolean)
    .join(' ')
}

/**
 * What a person is told of a verdict, sentence by sentence: what waits for what, then why, as the rules word it. What a rule says of
 * single atoms is in the reasons themselves.
 *
 * @param today - day of the case: a day that has come is not waited for
 */
export function toldReasons(verdict: Verdict, language: Language, today: number): string[] {
  const grouped = groupedReasons(verdict.reasons)
  const waiting = waitingWords(verdict, language, today)
  const why = grouped.filter(
    (reason) =>
      (waiting === null || afterSubject(reason, language) === null) &&
      !(verdict.form && reason.rule.endsWith('.always_in')),
  )
  return [...new Set([...(waiting ? [waiting] : []), ...why.map(({ text }) => text[language])])]
}

/** "Squeezing waits for day 42 and union on x-ray."; `null` where neither a day nor a fact would open it. */
function waitingWords(
  { kind, fromDay, missing, reasons }: Verdict,
  language: Language,
  today: number,
): string | null {
  const comingDay = fromDay !== null && fromDay > today ? fromDay : null
  if (kind !== 'not-yet' || (comingDay === null && missing.length === 0)) return null
  const { text: what, areMany } = subjectsOf(reasons, MOST_NAMED, language)
  const facts = missing.map(({ text }) => shortMeaning(criterionMeaning(text, language)))
  if (language === 'en') {
    const day = comingDay === null ? [] : [`day ${comingDay}`]
    const waitsFor = few([...day, ...facts], MOST_NAMED, language)
    return `${what || 'This'} ${areMany ? 'wait' : 'waits'} for ${waitsFor}.`
  }
  const day = comingDay === null ? [] : [`no antes del día ${comingDay}`]
  const parts = [...day, ...(facts.length > 0 ? [`falta ${few(facts, MOST_NAMED, language)}`] : [])].join(
    '; ',
  )
  return what ? `${what}: ${parts}.` : `${capital(parts)}.`
}

/** "pain at rest, worst of 24 h: 3 or less" within a sentence: "pain at rest (3 or less)". */
function shortMeaning(meaning: string): string {
  const [name, limit] = meaning.split(': ')
  const head = name!.split(',')[0]!.replace(/^surgeon's/, "the surgeon's")
  return limit === undefined ? head : `${head} (${limit})`
}
