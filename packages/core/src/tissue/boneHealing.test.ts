import { describe, expect, it } from 'vitest'
import { boneHealingPhase } from './boneHealing.js'

describe('a broken bone', () => {
  it.each([
    [0, 'inflammation'],
    [6, 'inflammation'],
    [7, 'softCallus'],
    [20, 'softCallus'],
    [21, 'hardCallus'],
    [83, 'hardCallus'],
    [84, 'remodeling'],
  ])('a bone on day %i is in %s', (day, phase) => expect(boneHealingPhase(day)).toBe(phase))
})
