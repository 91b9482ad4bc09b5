import { reaches, within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

/**
 * Smallest changes that mattered to patients, by measure: another question than whether a change is beyond error, and
 * often smaller than it. Scores of the questionnaires are stored; their wording has owners and is not in Pledge.
 */
export const CHANGE_THAT_MATTERS = {
  /** Of any condition; the review gives 5.0 to 6.5. */
  grip: published(5, 'kgf', 'BOHANNON-2019', 'medium'),
  gripDistalRadius: published(6.5, 'kgf', 'KIM-2014', 'high'),
  /** In percent of the grip before. */
  gripDistalRadiusPercent: published(19.5, 'percent', 'KIM-2014', 'high'),
  /** In thumb-base arthritis; 0.4 to 1.4. */
  pinchThumbBase: published(0.4, 'kgf', 'VILLAFANE-2017', 'low'),
  dash: published(10.8, 'points of 100', 'FRANCHIGNONI-2014', 'high'),
  quickDash: published(15.9, 'points of 100', 'FRANCHIGNONI-2014', 'high'),
  /** Two studies found 11.5 and 14. */
  prwe: published(11.5, 'points of 100', 'KIM-PARK-2013', 'medium'),
  patientSpecificScale: published(1.2, 'points of 10', 'HEFFORD-2012', 'medium'),
  globalRating: published(2, 'of 11 points', 'KAMPER-2009', 'medium'),
} as const
export type MatteringMeasure = keyof typeof CHANGE_THAT_MATTERS

export interface MatteringChange {
  readonly matters: boolean
  /** The smallest change that matters is smaller than the error: reaching it may still be chance. */
  readonly isBelowError: boolean
}

/**
 * Whether a change is one that mattered to patients, and whether that can be told from error.
 *
 * @param change - in the unit of the measure; worse and better count alike
 * @param mdc95 - error of the measure in that unit; `null` = not known, so not told apart
 */
export function matteringChange(
  measure: MatteringMeasure,
  change: number,
  mdc95: number | null,
): MatteringChange {
  within(change, 'change', [-1000, 1000])
  const { value } = CHANGE_THAT_MATTERS[measure]
  return {
    matters: reaches(Math.abs(change), value),
    isBelowError: mdc95 === null || value < within(mdc95, 'mdc95', [0, 1000]),
  }
}
