import { isUnverified } from '../../anatomy/constant.js'
import type { ClinicalDay } from '../../calendar/clinicalDay.js'
import { errorOfMeasure, type Measure as ErrorName, type Rater } from '../change/measureErrors.js'
import { changeWord, type ChangeWord } from '../change/measurementError.js'

/** A change since an earlier visit against the error of the measure, for who measured both times. */
export interface DatedChange {
  readonly by: number
  readonly since: ClinicalDay
  /** Change that is real with 95 % confidence; `null` where no error is published or agreed: then no word is given. */
  readonly error: number | null
  readonly word: ChangeWord | null
  /** The error was not verified: a screen has to say so. */
  readonly isUnverified: boolean
  /** Whether it is for the better; `null` without a change. */
  readonly isBetter: boolean | null
}

/** @param better - whether more of it is better */
export function datedChange(
  by: number,
  since: ClinicalDay,
  errorName: ErrorName | null,
  rater: Rater,
  better: boolean,
): DatedChange {
  const error = errorName && errorOfMeasure(errorName, rater)
  return {
    by,
    since,
    error: error && error.mdc95,
    word: error && changeWord(by, error),
    isUnverified: error !== null && isUnverified(error),
    isBetter: by === 0 ? null : by > 0 === better,
  }
}
