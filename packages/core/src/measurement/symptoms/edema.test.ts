import { describe, expect, it } from 'vitest'
import { edemaDifference, limbVolumeMl } from './edema.js'

describe('edema', () => {
  it('a cylinder has the volume of a cylinder, and cones add up', () => {
    expect(limbVolumeMl([20, 20], 5)).toBeCloseTo((5 * 20 ** 2) / (4 * Math.PI), 9)
    expect(limbVolumeMl([16, 19, 22], 4)).toBeCloseTo(
      limbVolumeMl([16, 19], 4) + limbVolumeMl([19, 22], 4),
      9,
    )
    expect(edemaDifference(38, 40)).toEqual({ excess: -2, percent: -5 })
  })
})
