import { describe, expect, it } from 'vitest'
import { irritability } from './irritability.js'

// Source: A5: low, moderate, high by four features; any single high feature is high.
describe('irritability', () => {
  it.each([
    [0, 0, 0, 2, 'low'],
    [0, 0, 0, null, 'low'],
    [1, 0, 0, 2, 'mod'],
    [0, 1, 0, 3, 'mod'],
    [0, 0, 0, 4, 'mod'],
    [1, 1, 1, 6, 'mod'],
    [0, 0, 2, 0, 'high'],
    [2, 0, 0, 0, 'high'],
    [0, 0, 0, 7, 'high'],
  ] as const)(
    'set off %i, settles %i, night %i, pain %s: %s',
    (provoked, settles, night, worstPain, level) => {
      expect(irritability({ provoked, settles, night, worstPain })).toBe(level)
    },
  )
  it('is unknown while one of the three was not asked, whatever the pain', () => {
    const asked = { provoked: 0, settles: 0, night: 0, worstPain: 9 }
    for (const name of ['provoked', 'settles', 'night'] as const)
      expect(irritability({ ...asked, [name]: null })).toBeNull()
  })
})
