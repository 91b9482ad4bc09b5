import { describe, expect, it } from 'vitest'
import { WRIST_MOTIONS, type WristMotion } from '@pledge/core'
import type { EvaluationAnswer } from '@pledge/contract'
import { reachOf } from './reachOf'

const measured = (...readings: [WristMotion, 'left' | 'right', 'active' | 'passive', number][]) =>
  ({
    readings: readings.map(([measure, side, kind, deg]) => ({
      measure,
      digit: null,
      side,
      kind,
      result: deg * WRIST_MOTIONS[measure].signed,
    })),
  }) as unknown as EvaluationAnswer

describe('how far a patient reaches', () => {
  it('takes both ends of a plane, extension as a negative angle', () =>
    expect(
      reachOf(
        [measured(['wristFlexion', 'left', 'active', 40], ['wristExtension', 'left', 'active', 30])],
        'left',
      ),
    ).toEqual({ wristFlexion: [-30, 40] }))

  it('goes as far as the other hand can bring it, and by the last time it was measured', () =>
    expect(
      reachOf(
        [
          measured(['supination', 'left', 'passive', 50], ['supination', 'left', 'active', 40]),
          measured(['supination', 'left', 'passive', 62]),
        ],
        'left',
      ),
    ).toEqual({ forearmSupination: [-Infinity, 62] }))

  it('is free where nobody measured, and knows the other side from the injured one', () =>
    expect(reachOf([measured(['wristFlexion', 'right', 'active', 80])], 'left')).toEqual({}))
})
