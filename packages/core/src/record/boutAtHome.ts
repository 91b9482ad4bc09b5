import { isStopPain } from '../rules/response.js'
import type { RedFlag } from '../vocabulary/vocabulary.js'
import type { ResponseLimits } from '../rules/crossCutting.js'

/** Pain of a bout, 0–10; `null` = not asked. */
export interface BoutPain {
  readonly painWorst: number | null
  readonly painAfter: number | null
}

/** The worse of the pain during and after a bout; `null` where neither was asked. */
export function worstPainOf({ painWorst, painAfter }: BoutPain): number | null {
  const known = [painWorst, painAfter].filter((pain) => pain !== null)
  return known.length > 0 ? Math.max(...known) : null
}

/** The red flags a bout raises: those the patient reported, and one for pain at the stop line. Source: A3, A10. */
export function flagsOfBout(
  bout: BoutPain & { readonly redFlags: readonly RedFlag[] },
  limits: ResponseLimits,
): RedFlag[] {
  return [...bout.redFlags, ...(isStopPain(worstPainOf(bout), limits.stopPain) ? (['RF.PAIN'] as const) : [])]
}
