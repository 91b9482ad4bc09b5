import fc from 'fast-check'
import { TheilSenRegression } from 'ml-regression-theil-sen'
import * as statistics from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { robustSlope } from './robustSlope.js'

describe('the robust slope', () => {
  const values = fc.double({ min: -50, max: 150, noNaN: true })
  // The library takes the lower of two middle values; with 3, 7 or 11 visits there is only one.
  const odd = fc
    .constantFrom(3, 7, 11)
    .chain((visits) => fc.array(values, { minLength: visits, maxLength: visits }))
  it('the robust slope is that of an independent library', () => {
    fc.assert(
      fc.property(odd, (series) => {
        const days = series.map((_, index) => index * 7)
        const independent = new TheilSenRegression(days, series)
        const found = robustSlope(days, series)
        expect(found.slope).toBeCloseTo(independent.slope, 9)
        expect(found.intercept).toBeCloseTo(independent.intercept, 6)
        expect(found.low).toBeLessThanOrEqual(found.slope)
        expect(found.high).toBeGreaterThanOrEqual(found.slope)
      }),
    )
  })
  it('is the median of the slopes of all pairs, also of an even number of them', () => {
    fc.assert(
      fc.property(fc.array(values, { minLength: 2, maxLength: 9 }), (series) => {
        const days = series.map((_, index) => index * 5)
        const slopes = series.flatMap((from, index) =>
          series.slice(index + 1).map((to, further) => (to - from) / (5 * (further + 1))),
        )
        expect(robustSlope(days, series).slope).toBeCloseTo(statistics.median(slopes), 9)
      }),
    )
  })
  it('does not mind order, and takes repeats of a day as their median', () => {
    const days = [0, 7, 14, 21, 28, 35]
    const values = [30, 38, 43, 52, 50, 58]
    const turned = robustSlope([...days].reverse(), [...values].reverse())
    expect(turned).toEqual(robustSlope(days, values))
    expect(robustSlope([...days, 7, 7], [...values, 10, 38])).toEqual(robustSlope(days, values))
  })
  it('has an interval from five visits on', () => {
    const perfect = (n: number) => robustSlope([...Array(n).keys()], [...Array(n).keys()])
    expect(perfect(4)).toMatchObject({ slope: 1, low: -Infinity, high: Infinity })
    expect(perfect(5)).toMatchObject({ slope: 1, low: 1, high: 1 })
  })
  it('all alike has no slope and bounds of 0', () =>
    expect(robustSlope([0, 7, 14, 21, 28], [5, 5, 5, 5, 5])).toMatchObject({ slope: 0, low: 0, high: 0 }))
  // Source: SEN-1968, written out a second time: Var = [n(n−1)(2n+5) − Σ c(c−1)(2c+5)] / 18.
  it('the interval is the one of the formula, with ties and without', () => {
    for (let n = 5; n <= 16; n += 1)
      for (const tied of [false, true]) {
        const days = [...Array(n).keys()].map((day) => day * 3)
        const values = days.map((day, index) =>
          tied ? Math.floor(index / 2) * 5 : Math.sin(index * 1.7) * 9 + day,
        )
        const slopes: number[] = []
        for (let i = 0; i < n; i += 1)
          for (let j = i + 1; j < n; j += 1) slopes.push((values[j]! - values[i]!) / (days[j]! - days[i]!))
        slopes.sort((a, b) => a - b)
        const groups = [...new Set(values)].map((value) => values.filter((one) => one === value).length)
        let variance = n * (n - 1) * (2 * n + 5)
        for (const c of groups) variance -= c * (c - 1) * (2 * c + 5)
        const half = (slopes.length - 1.96 * Math.sqrt(variance / 18)) / 2
        const k = half - Math.floor(half) > 0.5 ? Math.ceil(half) : Math.floor(half)
        const found = robustSlope(days, values)
        if (k < 1) expect(found.low).toBe(-Infinity)
        else expect([found.low, found.high]).toEqual([slopes[k - 1], slopes[slopes.length - k]])
      }
  })
})
