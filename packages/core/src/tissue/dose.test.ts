import { describe, expect, it } from 'vitest'
import { forceIn } from '../measurement/strength/forceUnits.js'
import {
  bandForce,
  contactPressure,
  endRangeGainDeg,
  isometricTargetN,
  oneRepetitionMaximum,
} from './dose.js'

describe('dose and force', () => {
  it('a band holds more the longer it is pulled, and a heavier step more than a lighter', () => {
    for (let step = 1; step <= 7; step += 1)
      for (let length = 30; length < 105; length += 5) {
        expect(bandForce(step, 30, length + 5).newtons).toBeGreaterThan(bandForce(step, 30, length).newtons)
        if (step < 7)
          expect(bandForce(step + 1, 30, length + 5).newtons).toBeGreaterThan(
            bandForce(step, 30, length + 5).newtons,
          )
      }
    expect(bandForce(1, 30, 30)).toEqual({ elongationPercent: 0, newtons: 0 })
    // 250 %, the end of the table.
    expect(bandForce(7, 10, 35).newtons).toBeCloseTo(forceIn('N', 40.1, 'lbf'), 9)
  })
  it('pressure warns above what skin bears for long', () => {
    expect(contactPressure(200, 4).isTooHighForLong).toBe(false)
    expect(contactPressure(201, 4).isTooHighForLong).toBe(true)
  })
  it('one repetition is the maximum itself; above ten it is less certain', () => {
    expect(oneRepetitionMaximum(5, 1)).toEqual({ epley: 5, brzycki: 5, isUncertain: false })
    expect([10, 11].map((reps) => oneRepetitionMaximum(5, reps).isUncertain)).toEqual([false, true])
  })
  it('an isometric has no target in newtons while the strongest effort may not be tested', () => {
    expect([isometricTargetN(30, 250), isometricTargetN(30, null)]).toEqual([75, null])
  })
  // Source: FLOWERS-LASTAYO-1994: 3.0° in 3 days, 5.3° in 6, at the end of the range throughout.
  it('time at the end of the range gains about what was published', () => {
    expect(Math.abs(endRangeGainDeg(24, 3) - 3)).toBeLessThan(0.5)
    expect(Math.abs(endRangeGainDeg(24, 6) - 5.3)).toBeLessThan(0.5)
  })
})
