import { daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'
import { daysBehind, isReferredLate } from '../protocol/phaseOn.js'
import type { CrossCutting } from '../rules/crossCutting.js'
import { dayZero } from '../record/patientCaseOf.js'
import { isReviewDue } from '../record/reviews.js'
import { standingOf } from '../verdict/caseOnDay.js'
import type { PatientCase } from '../verdict/patientCase.js'
import type { ItemToday } from './signedItem.js'

/** Why somebody should look at a case, the most urgent first. */
export const NEED_KINDS = ['redFlag', 'paused', 'reviewDue', 'behind', 'held', 'unsigned'] as const
export type NeedKind = (typeof NEED_KINDS)[number]
export interface Need {
  readonly kind: NeedKind
  readonly text: string
}

/** What is known of a case besides the case itself. */
interface Known {
  readonly today: ClinicalDay
  readonly lastReviewOn: ClinicalDay
  /** The day the patient came. */
  readonly openedOn: ClinicalDay
  /** Items of the newest signed program with today's verdict; `null`: none was signed. */
  readonly items: readonly Pick<ItemToday, 'isPaused'>[] | null
}

/** All that a case needs somebody for, the most urgent first; empty: it is on course. Source: A1, common practice. */
export function needsOf(
  state: PatientCase,
  { today, lastReviewOn, openedOn, items }: Known,
  limits: Pick<CrossCutting, 'freezeAfterDays' | 'behindScheduleDays'>,
): Need[] {
  const standing = standingOf(state)
  const paused = (items ?? []).filter(({ isPaused }) => isPaused).length
  const cameOnDay = daysBetween(dayZero(state.day, today), openedOn)
  const behind = daysBehind(standing, state.day, cameOnDay)
  const waiting = standing.next?.phase.name.en
  const held = standing.heldBy.length
  const needs: (Need | false)[] = [
    state.redLock
      ? { kind: 'redFlag', text: 'Red flag: everything is stopped' }
      : paused > 0 && {
          kind: 'paused',
          text: `${paused} of ${items!.length} exercises paused on the phone`,
        },
    standing.frozen
      ? { kind: 'reviewDue', text: `Frozen: last review ${daysBetween(lastReviewOn, today)} days ago` }
      : isReviewDue(lastReviewOn, today, limits.freezeAfterDays) && {
          kind: 'reviewDue',
          text: `Review due: last on ${lastReviewOn}`,
        },
    waiting !== undefined &&
      (behind > limits.behindScheduleDays
        ? {
            kind: 'behind',
            text: `${behind} days behind: ${waiting} still waits. Talk it over with the surgeon`,
          }
        : held > 0 && {
            kind: 'held',
            text: isReferredLate(standing, cameOnDay)
              ? `Came on day ${cameOnDay}: record what is already so for ${waiting}`
              : `${waiting} waits for ${held} ${held === 1 ? 'criterion' : 'criteria'}`,
          }),
    items === null && { kind: 'unsigned', text: 'No program signed yet' },
  ]
  return needs.filter((need) => need !== false)
}

/** The place of a case in the order of urgency, 0 first: that of its most urgent need; last without any. */
export function urgencyOf(needs: readonly Need[]): number {
  return needs.length > 0 ? NEED_KINDS.indexOf(needs[0]!.kind) : NEED_KINDS.length
}
