import { giverOf, type Criterion } from '../vocabulary/criterion.js'
import type { Said } from '../words/names.js'
import type { Verdict } from './verdict.js'

/** One thing that stands between today and a "clear" or "with care". */
export type Opener =
  | { readonly kind: 'day'; readonly day: number }
  | { readonly kind: 'criterion'; readonly criterion: Criterion; readonly giver: 'surgeon' | 'therapist' }
  | { readonly kind: 'form'; readonly form: Said }
  | { readonly kind: 'decision'; readonly text: Said }

/**
 * The shortest list of things that would change a "not yet": the day before which nothing opens, the criteria still
 * missing and who can give each, the form that is open today instead, and decisions that only a person can make. Empty
 * for any other verdict: a "never here" has no opener.
 *
 * @param today - day of the case, so that a day that has come is not listed
 */
export function whatWouldOpen(verdict: Verdict, today: number): Opener[] {
  if (verdict.kind !== 'not-yet') return []
  const openers: Opener[] = []
  if (verdict.form) openers.push({ kind: 'form', form: verdict.form })
  if (verdict.fromDay !== null && verdict.fromDay > today) openers.push({ kind: 'day', day: verdict.fromDay })
  for (const criterion of verdict.missing)
    openers.push({ kind: 'criterion', criterion, giver: giverOf(criterion.text) })
  openers.push(...verdict.unlock.map((text): Opener => ({ kind: 'decision', text })))
  return openers
}
