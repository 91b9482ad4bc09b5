import { decided } from '../anatomy/constant.js'

/** Days without contact after which a program kept on a phone no longer opens: pain counts for 7 days, then it is asked anew. */
export const KEPT_PROGRAM = decided(7, 'days')

/**
 * Whether a program that a phone kept still counts, and how many whole days ago the clinic was last reached.
 *
 * @param keptAt - ISO instant of the last contact
 */
export function keptProgram(keptAt: string, now: Date): { readonly days: number; readonly counts: boolean } {
  const days = Math.floor((now.getTime() - Date.parse(keptAt)) / 86_400_000)
  return { days, counts: days <= KEPT_PROGRAM.value }
}
