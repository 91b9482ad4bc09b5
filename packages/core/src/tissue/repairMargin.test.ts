import { describe, expect, it } from 'vitest'
import { repairMargin, repairStrength } from './repairMargin.js'

describe('a repaired tendon', () => {
  it('more strands hold more, early motion never holds less, and a higher rung never looks safer', () => {
    for (const day of [0, 3, 7, 14, 21, 35, 42, 60, 84]) {
      const [two, four] = [repairStrength(2, day), repairStrength(4, day)]
      expect(four.classicN).toBeCloseTo(2 * two.classicN, 9)
      expect(four.earlyMotionN).toBeGreaterThanOrEqual(four.classicN - 1e-9)
      const margins = [1, 2, 3, 4, 5, 6, 7, 8].map((level) => repairMargin(4, day, level).middle)
      expect(margins).toEqual([...margins].sort((a, b) => b - a))
    }
    expect(repairStrength(4, 7).classicN).toBeLessThan(repairStrength(4, 0).classicN)
  })
  it('swelling never makes a repair look safer', () => {
    const of = (['none', 'mild', 'moderate', 'severe'] as const).map(
      (edema) => repairMargin(4, 7, 3, edema).middle,
    )
    expect(of).toEqual([...of].sort((a, b) => b - a))
    expect(repairMargin(4, 7, 3).high / repairMargin(4, 7, 3).low).toBeCloseTo(6.25, 9)
  })
  it('a repair is weakest after a week and doubles by twelve', () => {
    const { classicN } = repairStrength(4, 0)
    expect(repairStrength(4, 7).classicN / classicN).toBeCloseTo(0.5, 9)
    expect(repairStrength(4, 84).classicN / classicN).toBeCloseTo(2, 9)
    expect(repairStrength(4, 21).classicN / classicN).toBeCloseTo(0.667, 9)
    expect(repairStrength(4, 84).earlyMotionN / classicN).toBeCloseTo(2.5, 9)
    expect(repairStrength(4, 42).earlyMotionN / classicN).toBeCloseTo(1.4, 9)
    expect(repairStrength(4, 14).earlyMotionN / classicN).toBeCloseTo(0.95, 9)
  })

  it('is hidden from day 56 on, where the model is too cautious', () =>
    expect([55, 56].map((day) => repairMargin(4, day, 3).isHidden)).toEqual([false, true]))
})
