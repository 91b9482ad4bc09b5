import { describe, expect, it } from 'vitest'
import { orthosisByGain } from './torqueRange.js'

describe('torque and range', () => {
  it.each([
    [20, 'no orthosis'],
    [19, 'static'],
    [15, 'static'],
    [14, 'dynamic'],
    [10, 'dynamic'],
    [9, 'static progressive'],
    [0, 'static progressive'],
  ])('a gain of %i° speaks for %s', (gain, means) => expect(orthosisByGain(gain)).toBe(means))
})
