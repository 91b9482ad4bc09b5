import { describe, expect, it } from 'vitest'
import { CoreError } from '../../errors.js'
import { signedDeg, WRIST_MOTIONS, type WristMotion } from './wristMotion.js'

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
  })

  it.each(Object.keys(WRIST_MOTIONS) as WristMotion[])(
    'of %s is refused beyond its hard limits',
    (motion) => {
      const { hard } = WRIST_MOTIONS[motion]
      expect(() => signedDeg(motion, hard[0] - 1)).toThrow(CoreError)
      expect(() => signedDeg(motion, hard[1] + 1)).toThrow(CoreError)
      expect(() => signedDeg(motion, Number.NaN)).toThrow(CoreError)
      expect(signedDeg(motion, hard[1])).toBe(hard[1] * WRIST_MOTIONS[motion].signed)
    },
  )
})
