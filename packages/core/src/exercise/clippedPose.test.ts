import { describe, expect, it } from 'vitest'
import { clippedAngles, clippedPose } from './clippedPose.js'

describe('a pose within limits', () => {
  it('stops at either end, and leaves a free joint as it is', () =>
    expect(
      clippedPose(
        { wristFlexion: 70, pipFlexion: 95, forearmSupination: -80 },
        {
          wristFlexion: [-30, 40],
          forearmSupination: [-50, Infinity],
        },
      ),
    ).toEqual({ wristFlexion: 40, pipFlexion: 95, forearmSupination: -50 }))

  it('never states a joint nobody stated', () =>
    expect(clippedPose({ pipFlexion: 20 }, { wristFlexion: [-30, 40] })).toEqual({ pipFlexion: 20 }))

  it('tells each joint that falls short once, where it falls shortest', () =>
    expect(
      clippedAngles([{ wristFlexion: 50 }, { wristFlexion: -60 }, { wristFlexion: 20 }], {
        wristFlexion: [-25, 40],
      }),
    ).toEqual([{ angle: 'wristFlexion', askedDeg: -60, drawnDeg: -25 }]))
})
