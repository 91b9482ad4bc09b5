import { describe, expect, it } from 'vitest'
import { datedChange } from './change.js'
import { measureFacts, type MeasureName } from './measures.js'

const since = '2031-03-01'
const change = (measure: MeasureName, by: number, rater: 'same' | 'other' | 'home') =>
  datedChange(by, since, measureFacts(measure).error, rater, measureFacts(measure).isMoreBetter)

describe('a change', () => {
  // Source: the specification's table of measurement error: MDC95 by the same rater and by another (measures.md 2.1).
  it.each([
    ['wristExtension', 'same', 7],
    ['wristFlexion', 'other', 10],
    ['radialDeviation', 'same', 6],
    ['ulnarDeviation', 'other', 8],
    ['pronation', 'same', 8],
    ['supination', 'other', 11],
    ['supination', 'home', 22],
    ['fingertipToCrease', 'same', 6],
    ['fingertipToCrease', 'other', 8],
    ['thumbPalmarAbduction', 'same', 8],
    ['grip', 'same', 6],
  ] as const)('of %s, %s rater, is real from %i on', (measure, rater, error) => {
    expect(change(measure, error, rater).word).toBe('real')
    expect(change(measure, -error, rater).word).toBe('real')
    expect(change(measure, error * 0.9, rater).word).toBe('probably real')
    expect(change(measure, error / 2, rater).word).toBe('within error')
    expect(change(measure, error, rater).error).toBeCloseTo(error, 9)
  })
  it('is for the better where more is, or where less is, and neither where nothing changed', () => {
    expect(change('wristFlexion', 4, 'same').isBetter).toBe(true)
    expect(change('fingertipToCrease', 4, 'same').isBetter).toBe(false)
    expect(change('fingertipToCrease', -4, 'same').isBetter).toBe(true)
    expect(change('wristFlexion', 0, 'same').isBetter).toBeNull()
  })
  it('says where its error was not verified, and gives no word without one', () => {
    expect(change('radialDeviation', 3, 'same').isUnverified).toBe(true)
    expect(change('wristFlexion', 3, 'same').isUnverified).toBe(false)
    expect(change('webSpan', 30, 'same')).toMatchObject({ error: null, word: null, isUnverified: false })
  })
})
