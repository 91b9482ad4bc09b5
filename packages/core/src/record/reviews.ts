import { decided } from '../anatomy/constant.js'
import { daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'

/** The days on which a therapist saw a case. */
export interface Reviewed {
  readonly openedOn: ClinicalDay
  readonly evaluatedOn: readonly ClinicalDay[]
  readonly signedOn: readonly ClinicalDay[]
}

/** The last day a therapist reviewed a case: the referral, an evaluation or a signed program counts. Source: A1, common practice. */
export function lastReviewOn({ openedOn, evaluatedOn, signedOn }: Reviewed): ClinicalDay {
  return [openedOn, ...evaluatedOn, ...signedOn].reduce((latest, day) => (day > latest ? day : latest))
}

/** Days before a protective phase freezes from which a review is called due. Source: common practice. */
export const REVIEW_DUE_BEFORE = decided(2, 'days')

/** Whether a review is due: so many days since the last one that the phase freezes soon, or has. */
export function isReviewDue(lastOn: ClinicalDay, today: ClinicalDay, freezeAfterDays: number): boolean {
  return daysBetween(lastOn, today) >= freezeAfterDays - REVIEW_DUE_BEFORE.value
}
