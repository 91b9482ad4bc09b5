import { criterionMeaning } from '../words/criterionWords.js'
import type { Language } from '../words/names.js'
import { groupedReasons, type Verdict, type VerdictKind } from './verdict.js'

const KIND_WORDS: Readonly<Record<Language, Readonly<Record<VerdictKind, string>>>> = {
  en: { clear: 'Clear today.', 'with-care': 'With care.', 'not-yet': 'Not yet.', never: 'Never here.' },
  es: {
    clear: 'Se puede hoy.',
    'with-care': 'Con cuidado.',
    'not-yet': 'Todavía no.',
    never: 'Nunca aquí.',
  },
}

/**
 * A verdict as a short text made from its rules alone: what it is, from which day and what is missing, the form that is
 * open today, and why. The same reasons stand in interface, API and `assess`.
 */
export function explainVerdict(verdict: Verdict, language: Language): string {
  const isEnglish = language === 'en'
  const parts = [KIND_WORDS[language][verdict.kind]]
  if (verdict.kind === 'not-yet') {
    if (verdict.fromDay !== null)
      parts.push(isEnglish ? `Not before day ${verdict.fromDay}.` : `No antes del día ${verdict.fromDay}.`)
    if (verdict.missing.length > 0) {
      const names = verdict.missing.map((criterion) => criterionMeaning(criterion.text, language))
      parts.push(isEnglish ? `It takes: ${names.join('; ')}.` : `Hace falta: ${names.join('; ')}.`)
    }
    if (verdict.form) parts.push(`${sentence(verdict.form[language])}.`)
    parts.push(...verdict.unlock.map((one) => one[language]))
  }
  const said = new Set(parts)
  for (const reason of groupedReasons(verdict.reasons)) {
    const text = reason.text[language]
    if (!said.has(text)) parts.push(text)
    said.add(text)
  }
  return parts.join(' ')
}

function sentence(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
