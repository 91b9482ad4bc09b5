import type { MeasurementError } from './measurementError.js'

interface ErrorOfMeasure {
  readonly unit: 'degrees' | 'mm' | 'ml' | 'kgf' | 'points'
  /** SEM by the same rater and by another one. */
  readonly sem: readonly [same: number, other: number]
  readonly mdc95: readonly [same: number, other: number]
  readonly confidence: 'high' | 'medium' | 'low'
}
const of = (
  unit: ErrorOfMeasure['unit'],
  sem: ErrorOfMeasure['sem'],
  mdc95: ErrorOfMeasure['mdc95'],
  confidence: ErrorOfMeasure['confidence'],
): ErrorOfMeasure => ({ unit, sem, mdc95, confidence })

/**
 * Error of each measure, by the same rater and by another: our defaults from published figures (ELLIS-BRUTON-2002,
 * ARMSTRONG-1998, LASTAYO-WHEELER-1994; the rest PLEDGE-DECISION). A clinic may set its own.
 */
export const MEASURE_ERRORS = {
  elbow: of('degrees', [2.5, 3.6], [7, 10], 'medium'),
  forearm: of('degrees', [2.9, 4], [8, 11], 'medium'),
  wristFlexionExtension: of('degrees', [2.5, 3.6], [7, 10], 'medium'),
  wristDeviation: of('degrees', [2.2, 2.9], [6, 8], 'low'),
  thumbAbduction: of('degrees', [2.9, 4.3], [8, 12], 'low'),
  thumbJoint: of('degrees', [2.2, 3.2], [6, 9], 'low'),
  fingerJoint: of('degrees', [1.8, 2.9], [5, 8], 'medium'),
  fingertipToCrease: of('mm', [2.2, 2.9], [6, 8], 'medium'),
  totalActiveMotion: of('degrees', [4.4, 7.1], [12, 20], 'medium'),
} as const satisfies Record<string, ErrorOfMeasure>
export type Measure = keyof typeof MEASURE_ERRORS

/** Where a reading comes from: the same rater as before, another one, or the patient's own measuring at home. */
export type Rater = 'same' | 'other' | 'home'

/**
 * The error to compare a change with. Nothing usable is known about measuring at home: twice the error of another rater is
 * taken until there is (PLEDGE-DECISION, low).
 */
export function errorOfMeasure(
  measure: Measure,
  rater: Rater,
): Pick<MeasurementError, 'sem' | 'mdc95'> & { readonly confidence: ErrorOfMeasure['confidence'] } {
  const { sem, mdc95, confidence } = MEASURE_ERRORS[measure]
  const [place, times] = rater === 'same' ? [0, 1] : rater === 'other' ? [1, 1] : [1, 2]
  return {
    sem: sem[place]! * times,
    mdc95: mdc95[place]! * times,
    confidence: rater === 'home' ? 'low' : confidence,
  }
}
