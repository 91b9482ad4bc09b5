import { describe, expect, it } from 'vitest'
import { errorOfMeasure, MEASURE_ERRORS } from './measureErrors.js'

describe('the error of each measure', () => {
  // Source: the specification's table of measurement error.
  it('each measure has its error, by another rater more, at home twice that', () => {
    expect(errorOfMeasure('fingerJoint', 'same')).toEqual({ sem: 1.8, mdc95: 5, confidence: 'medium' })
    expect(errorOfMeasure('fingerJoint', 'other')).toEqual({ sem: 2.9, mdc95: 8, confidence: 'medium' })
    expect(errorOfMeasure('fingerJoint', 'home')).toEqual({ sem: 5.8, mdc95: 16, confidence: 'low' })
    expect(Object.values(MEASURE_ERRORS).map(({ mdc95 }) => mdc95)).toEqual([
      [7, 10],
      [8, 11],
      [7, 10],
      [6, 8],
      [8, 12],
      [6, 9],
      [5, 8],
      [6, 8],
      [12, 20],
    ])
    // MDC95 is 2.772 SEM, rounded to whole units.
    for (const { sem, mdc95 } of Object.values(MEASURE_ERRORS))
      sem.forEach((one, index) => expect(Math.abs(2.772 * one - mdc95[index]!)).toBeLessThan(0.55))
  })
})
