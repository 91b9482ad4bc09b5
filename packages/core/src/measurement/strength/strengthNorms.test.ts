import * as statistics from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { mean } from './gripTrials.js'
import { comparedWithNorm, normalShare } from './strengthNorms.js'

describe('norms of strength', () => {
  it('the share below z is that of an independent library', () => {
    for (let z = -4; z <= 4; z += 0.05)
      expect(normalShare(z)).toBeCloseTo((1 + statistics.errorFunction(z / Math.SQRT2)) / 2, 6)
  })

  // Source: MATHIOWETZ-1985: the row of all ages, recalled apart from the age bands; the specification's own check.
  it.each([
    ['grip', 'male', 104.3, 93.1],
    ['grip', 'female', 62.8, 53.9],
    ['tip', 'male', 17, 16.4],
    ['tip', 'female', 11.3, 10.8],
    ['key', 'male', 24.5, 23.6],
    ['key', 'female', 16.2, 15.3],
  ] as const)('the bands of %s of %s people average to the published row', (test, sex, right, left) => {
    const ages = [20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 80]
    const meanOf = (side: 'right' | 'left') =>
      mean(ages.map((age) => (100 * 20) / comparedWithNorm(test, sex, age, side, 20, 'lbf')!.percentOfNorm))
    expect(Math.abs(meanOf('right') - right)).toBeLessThan(0.6)
    expect(Math.abs(meanOf('left') - left)).toBeLessThan(0.6)
  })
  it('bands meet without a gap: 24 and 25, 74 and 75; an unknown sex has none, children are refused', () => {
    const z = (age: number, sex = 'male') =>
      comparedWithNorm('grip', sex, age, 'right', 100, 'lbf')?.z ?? null
    expect(z(24)).toBeCloseTo((100 - 121) / 20.6, 9)
    expect(z(25)).toBeCloseTo((100 - 120.8) / 23, 9)
    expect(z(74)).toBeCloseTo((100 - 75.3) / 21.5, 9)
    expect(z(75)).toBeCloseTo((100 - 65.7) / 21, 9)
    expect(z(40, 'other')).toBeNull()
    expect(() => z(19)).toThrowError(/20/)
    expect(() => z(19, 'other')).toThrowError(/20/)
  })
  it('marks what was put together from memory', () => {
    const of = (age: number) => comparedWithNorm('palmar', 'male', age, 'left', 20, 'lbf')!.confidence
    expect([of(54), of(55)]).toEqual(['medium', 'low'])
  })

  // Source: MASSY-WESTROPP-2011, from memory: men 30–39 right 47 (9.7), women 70 and older left 19 (5.5) kgf.
  it('of 2011 are in kgf, by decade, of grip only, and named', () => {
    expect(comparedWithNorm('grip', 'male', 39, 'right', 37.3, 'kgf', '2011')).toMatchObject({
      table: '2011',
      z: expect.closeTo(-1, 9) as number,
      confidence: 'medium',
    })
    expect(comparedWithNorm('grip', 'female', 93, 'left', 19, 'kgf', '2011')!.percentOfNorm).toBeCloseTo(
      100,
      9,
    )
    expect(comparedWithNorm('key', 'male', 39, 'right', 8, 'kgf', '2011')).toBeNull()
    expect(() => comparedWithNorm('grip', 'male', 19, 'right', 37, 'kgf', '2011')).toThrowError(/20/)
    expect(comparedWithNorm('grip', 'male', 39, 'right', 37, 'kgf')!.table).toBe('1985')
  })
  it('do not care in which unit a force was read', () => {
    for (const table of ['1985', '2011'] as const) {
      const [inKgf, inLbf] = [
        comparedWithNorm('grip', 'male', 50, 'left', 30, 'kgf', table)!,
        comparedWithNorm('grip', 'male', 50, 'left', 30 / 0.45359237, 'lbf', table)!,
      ]
      expect(inLbf.z).toBeCloseTo(inKgf.z, 9)
      expect(inLbf.percentOfNorm).toBeCloseTo(inKgf.percentOfNorm, 9)
    }
  })
})
