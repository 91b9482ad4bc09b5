import { describe, expect, it } from 'vitest'
import { strengthTestStops, type StrengthTestCircumstances } from './strengthTest.js'

const now = (changes: Partial<StrengthTestCircumstances> = {}): StrengthTestCircumstances => ({
  tissue: null,
  daysSince: 200,
  isUnited: null,
  hasSurgeonsConsent: false,
  painNprs: 2,
  isFlaring: false,
  hasOpenWoundUnderHandle: false,
  mayNotStrain: false,
  isAtHome: false,
  ...changes,
})

describe('testing the strongest grip', () => {
  it('has nothing against it in a healed, quiet hand', () => expect(strengthTestStops(now())).toEqual([]))

  // Source: TEXTBOOK-PRACTICE: union and 6 to 8 weeks, tendons 12 (8 with consent), nerve 8, joints 8 to 12.
  it.each([
    ['fracture', 8, 6],
    ['tendonRepair', 12, 8],
    ['thumbCollateralRepair', 12, 8],
    ['nerveRepair', 8, 8],
    ['jointReplacement', 12, 8],
  ] as const)('waits for %s until week %i, with consent until week %i', (tissue, usual, withConsent) => {
    const stops = (days: number, hasSurgeonsConsent: boolean) =>
      strengthTestStops(now({ tissue, daysSince: days, hasSurgeonsConsent, isUnited: true }))
    expect(stops(usual * 7 - 1, false)).toEqual(['not healed long enough'])
    expect(stops(usual * 7, false)).toEqual([])
    expect(stops(withConsent * 7 - 1, true)).toEqual(['not healed long enough'])
    expect(stops(withConsent * 7, true)).toEqual([])
  })

  it.each([null, false])('waits for a fracture that is united: %s', (isUnited) => {
    expect(strengthTestStops(now({ tissue: 'fracture', isUnited }))).toEqual(['fracture not found united'])
  })

  it('takes what is unknown as a reason to wait', () => {
    expect(strengthTestStops(now({ tissue: 'tendonRepair', daysSince: null, isAtHome: true }))).toEqual([
      'time since injury unknown',
      'strongest effort at home',
    ])
    expect(strengthTestStops(now({ painNprs: null }))).toEqual(['pain not asked'])
  })

  it('is not asked of a patient at home while a tissue heals', () => {
    expect(strengthTestStops(now({ tissue: 'nerveRepair', daysSince: 30, isAtHome: true }))).toContain(
      'strongest effort at home',
    )
    expect(strengthTestStops(now({ isAtHome: true }))).toEqual([])
  })

  it.each([
    [6, []],
    [7, ['pain']],
  ])('of a hand with pain %i of 10 meets %j', (painNprs, stops) =>
    expect(strengthTestStops(now({ painNprs }))).toEqual(stops),
  )
  it.each([
    [{ isFlaring: true }, 'flare'],
    [{ hasOpenWoundUnderHandle: true }, 'open wound under the handle'],
    [{ mayNotStrain: true }, 'straining is dangerous'],
  ] as const)('%j stops it: %s', (changes, stop) => expect(strengthTestStops(now(changes))).toEqual([stop]))

  it('refuses a day before the injury and a pain beyond the scale', () => {
    expect(() => strengthTestStops(now({ daysSince: -1 }))).toThrow(/daysSince/)
    expect(() => strengthTestStops(now({ painNprs: 11 }))).toThrow(/painNprs/)
  })
})
