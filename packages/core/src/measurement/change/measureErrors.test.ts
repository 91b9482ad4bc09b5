import { describe, expect, it } from 'vitest'
import { errorOfMeasure, MEASURE_ERRORS, type Measure } from './measureErrors.js'

describe('the error of each measure', () => {
  // Source: the specification's table of measurement error (measures.md 2.1, 3.1, 5): default MDC95 same / other rater.
  it.each<[Measure, number, number]>([
    ['elbow', 7, 10],
    ['forearm', 8, 11],
    ['wristFlexionExtension', 7, 10],
    ['wristDeviation', 6, 8],
    ['thumbAbduction', 8, 12],
    ['thumbJoint', 6, 9],
    ['fingerJoint', 5, 8],
    ['fingertipToCrease', 6, 8],
    ['totalActiveMotion', 12, 20],
    ['opposition', 1, 1],
    ['grip', 6, 6],
    ['pinch', 2, 2],
    ['handVolume', 15, 15],
    ['figureOfEight', 0.7, 0.7],
    ['fingerCircumference', 5, 5],
    ['twoPoint', 2, 2],
  ])('of %s is %d by the same rater, %d by another', (measure, same, other) => {
    expect(errorOfMeasure(measure, 'same').mdc95).toBeCloseTo(same, 9)
    expect(errorOfMeasure(measure, 'other').mdc95).toBeCloseTo(other, 9)
  })
  it('of an injured hand’s grip is 61 N', () => {
    expect(errorOfMeasure('gripInjuredHand', 'same').mdc95 * 9.80665).toBeCloseTo(61, 1)
  })
  // Source: the same table: default SEM same / other rater, rounded there to one digit.
  it.each<[Measure, number, number]>([
    ['elbow', 2.5, 3.6],
    ['forearm', 2.9, 4],
    ['wristFlexionExtension', 2.5, 3.6],
    ['wristDeviation', 2.2, 2.9],
    ['thumbAbduction', 2.9, 4.3],
    ['thumbJoint', 2.2, 3.2],
    ['fingerJoint', 1.8, 2.9],
    ['fingertipToCrease', 2.2, 2.9],
  ])('of %s has a SEM of %d and %d', (measure, same, other) => {
    expect(Math.abs(errorOfMeasure(measure, 'same').sem - same)).toBeLessThan(0.06)
    expect(Math.abs(errorOfMeasure(measure, 'other').sem - other)).toBeLessThan(0.06)
  })
  it('is twice that of another rater when measured at home, and unsure', () => {
    for (const measure of Object.keys(MEASURE_ERRORS) as Measure[]) {
      const [other, home] = [errorOfMeasure(measure, 'other'), errorOfMeasure(measure, 'home')]
      expect(home.mdc95).toBeCloseTo(2 * other.mdc95, 9)
      expect(home).toMatchObject({ unit: other.unit, confidence: 'low' })
    }
  })
  // Source: MDC90 / MDC95 = 1.645 / 1.96.
  it('is smaller with less confidence', () => {
    const { mdc90, mdc95 } = errorOfMeasure('grip', 'same')
    expect(mdc90 / mdc95).toBeCloseTo(1.645 / 1.96, 9)
  })
})
