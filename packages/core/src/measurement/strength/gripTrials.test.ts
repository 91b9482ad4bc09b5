import fc from 'fast-check'
import * as statistics from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { median } from '../change/robustSlope.js'
import { gripTrials, handlePositions, mean, sampleSd } from './gripTrials.js'

describe('trials of grip and pinch', () => {
  // Checked against an independent statistics library.
  it('mean, median and spread are those of an independent library', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 2, maxLength: 9 }),
        (values) => {
          expect(mean(values)).toBeCloseTo(statistics.mean(values), 9)
          expect(median(values)).toBeCloseTo(statistics.median(values), 9)
          expect(sampleSd(values)).toBeCloseTo(statistics.sampleStandardDeviation(values), 6)
        },
      ),
    )
  })
  it('one trial has no spread; three are comparable, two are not; zero has no share', () => {
    expect(gripTrials([30], 'kgf')).toMatchObject({
      sdKgf: null,
      variationPercent: null,
      isComparableWithNorms: false,
    })
    expect(gripTrials([30, 31, 32], 'kgf').isComparableWithNorms).toBe(true)
    expect(gripTrials([0, 0, 0], 'kgf').variationPercent).toBeNull()
    expect(gripTrials([66.138679], 'lbf').meanKgf).toBeCloseTo(30, 5)
    expect(handlePositions([0, 0, 0, 0, 0]).dropPercent).toBeNull()
    expect(() => gripTrials([1, 2, 3, 4, 5, 6], 'kgf')).toThrow(/one to five/)
  })
})
