import { describe, expect, it } from 'vitest'
import { CoreError } from '../../errors.js'
import {
  changeSince,
  isUnusual,
  percentOfOtherSide,
  readingDeg,
  shortOfOtherSideDeg,
  signedDeg,
  WRIST_MOTION_NAMES,
  WRIST_MOTIONS,
} from './wristMotion.js'

describe('a reading of wrist or forearm', () => {
  it.each([
    ['flexion is plus', 'wristFlexion', 60, 60],
    ['extension is minus', 'wristExtension', 45, -45],
    ['extension that does not reach neutral is plus', 'wristExtension', -10, 10],
    ['ulnar deviation is plus', 'ulnarDeviation', 25, 25],
    ['radial deviation is minus', 'radialDeviation', 15, -15],
    ['supination is plus', 'supination', 70, 70],
    ['pronation is minus', 'pronation', 70, -70],
    ['zero has no sign', 'wristExtension', 0, 0],
  ] as const)('%s', (_case, motion, reading, stored) => {
    expect(Object.is(signedDeg(motion, reading), stored)).toBe(true)
    expect(readingDeg(motion, stored)).toBe(reading)
  })

  it.each(WRIST_MOTION_NAMES)(
    'of %s is refused beyond its hard limits and asked about beyond the soft ones',
    (motion) => {
      const { hard, soft } = WRIST_MOTIONS[motion]
      expect(() => signedDeg(motion, hard[0] - 1)).toThrow(CoreError)
      expect(() => signedDeg(motion, hard[1] + 1)).toThrow(CoreError)
      expect(() => signedDeg(motion, Number.NaN)).toThrow(CoreError)
      expect(signedDeg(motion, hard[1])).toBe(hard[1] * WRIST_MOTIONS[motion].signed)
      expect([
        isUnusual(motion, soft[0]),
        isUnusual(motion, soft[1]),
        isUnusual(motion, soft[1] + 1),
      ]).toEqual([false, false, true])
    },
  )
})

describe('comparisons', () => {
  it.each([
    ['short of the other side', 40, 70, 30, (40 / 70) * 100],
    ['beyond the other side', 75, 70, -5, (75 / 70) * 100],
    ['not measured', null, 70, null, null],
    ['other side not measured', 40, null, null, null],
  ])('%s', (_case, reading, other, short, percent) => {
    expect(shortOfOtherSideDeg(reading, other)).toBe(short)
    expect(percentOfOtherSide(reading, other)).toBe(percent)
  })
  it('gives no percent of a side that does not move', () => {
    expect(percentOfOtherSide(10, 0)).toBeNull()
  })
  // Source: the specification's table of measurement error: MDC95 by the same rater and by another (measures.md 2.1).
  it.each([
    ['wristExtension', 'same', 7],
    ['wristFlexion', 'other', 10],
    ['radialDeviation', 'same', 6],
    ['ulnarDeviation', 'other', 8],
    ['pronation', 'same', 8],
    ['supination', 'other', 11],
    ['supination', 'home', 22],
  ] as const)('%s, %s rater: changes from %i° on', (motion, rater, error) => {
    const verdict = (by: number) => changeSince(motion, 30, 30 + by, rater)!.verdict
    expect([verdict(error), verdict(error - 1), verdict(-error), verdict(1 - error)]).toEqual([
      'gained',
      'within error',
      'lost',
      'within error',
    ])
    expect(changeSince(motion, 30, 30, rater)!.errorDeg).toBeCloseTo(error, 9)
  })
  it('marks an error that was not verified, and knows no change without both readings', () => {
    expect(changeSince('radialDeviation', 3, 4, 'same')!.isUnverified).toBe(true)
    expect(changeSince('wristFlexion', 3, 4, 'same')!.isUnverified).toBe(false)
    expect([
      changeSince('wristFlexion', null, 4, 'same'),
      changeSince('wristFlexion', 4, null, 'same'),
    ]).toEqual([null, null])
  })
})
