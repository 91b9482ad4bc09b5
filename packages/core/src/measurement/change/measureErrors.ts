import { decided, published, type Constant } from '../../anatomy/constant.js'
import { errorOfMdc95, type MeasurementError } from './measurementError.js'

/** Change beyond error at 95 %, by the same rater and by another one. */
type BothRaters = readonly [same: number, other: number]
const ours = (mdc95: BothRaters, unit: string, confidence: Constant['confidence']) =>
  decided<BothRaters>(mdc95, unit, confidence)
const fromPaper = (mdc95: BothRaters, unit: string, source: string, confidence: Constant['confidence']) =>
  published<BothRaters>(mdc95, unit, source, confidence)

/**
 * Error of each measure as MDC95, by the same rater and by another: published figures, and our defaults between them. A
 * clinic may set its own. Where a publication tells no difference between raters, both are the same.
 */
export const MEASURE_ERRORS = {
  elbow: fromPaper([7, 10], 'degrees', 'ARMSTRONG-1998', 'medium'),
  forearm: fromPaper([8, 11], 'degrees', 'ARMSTRONG-1998', 'medium'),
  wristFlexionExtension: fromPaper([7, 10], 'degrees', 'LASTAYO-WHEELER-1994', 'medium'),
  wristDeviation: ours([6, 8], 'degrees', 'low'),
  thumbAbduction: ours([8, 12], 'degrees', 'low'),
  thumbJoint: ours([6, 9], 'degrees', 'low'),
  fingerJoint: fromPaper([5, 8], 'degrees', 'ELLIS-BRUTON-2002', 'medium'),
  fingertipToCrease: fromPaper([6, 8], 'mm', 'ELLIS-BRUTON-2002', 'medium'),
  totalActiveMotion: ours([12, 20], 'degrees', 'medium'),
  /** Sums of readings, as the one above: errors taken as independent. */
  wristArc: ours([10, 14], 'degrees', 'medium'),
  forearmArc: ours([11, 16], 'degrees', 'medium'),
  fingerEndArc: ours([10, 16], 'degrees', 'medium'),
  opposition: ours([1, 1], 'stages', 'low'),
  grip: fromPaper([6, 6], 'kgf', 'NITSCHKE-1999', 'high'),
  /** In injured hands, two tests of one session: 61 N. */
  gripInjuredHand: fromPaper([6.22, 6.22], 'kgf', 'SCHREUDERS-2003', 'medium'),
  pinch: fromPaper([2, 2], 'kgf', 'SCHREUDERS-2003', 'medium'),
  handVolume: fromPaper([15, 15], 'ml', 'WAYLETT-RENDALL-1991', 'medium'),
  figureOfEight: fromPaper([0.7, 0.7], 'cm', 'PELLECCHIA-2003', 'low'),
  fingerCircumference: ours([5, 5], 'mm', 'low'),
  twoPoint: ours([2, 2], 'mm', 'low'),
  /** One of the patient's own tasks: published as 3 points with 90 % confidence. */
  ownTask: fromPaper([3.57, 3.57], 'points of 10', 'STRATFORD-1995', 'high'),
} as const satisfies Record<string, Constant<BothRaters>>
export type Measure = keyof typeof MEASURE_ERRORS

/** Where a reading comes from: the same rater as before, another one, or the patient's own measuring at home. */
export type Rater = 'same' | 'other' | 'home'

/** Nothing usable is known about measuring at home: twice the error of another rater is taken until there is. */
export const HOME_ERROR_FACTOR = decided(2, 'times', 'low')

export interface ErrorOfMeasure extends MeasurementError {
  readonly unit: string
  readonly confidence: Constant['confidence']
}

/** The error to compare a change with: SEM, MDC95 and MDC90 in the unit of the measure. */
export function errorOfMeasure(measure: Measure, rater: Rater): ErrorOfMeasure {
  const { value, unit, confidence } = MEASURE_ERRORS[measure]
  if (rater === 'home')
    return { ...errorOfMdc95(value[1] * HOME_ERROR_FACTOR.value), unit, confidence: 'low' }
  return { ...errorOfMdc95(value[rater === 'same' ? 0 : 1]), unit, confidence }
}
