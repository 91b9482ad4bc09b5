import { describe, expect, it } from 'vitest'
import { fingertipToCreaseMm, oppositionReach, retropulsion } from './opposition.js'

describe('opposition', () => {
  it('the reach of the thumb is unknown where the finger it is read on is gone', () => {
    expect(oppositionReach(6)).toMatchObject({ score: 6, reached: 'little tip' })
    expect(oppositionReach(9, ['little'])).toBeNull()
    expect(oppositionReach(10, ['little'])).toMatchObject({ score: 10 })
    expect(oppositionReach(4, ['middle'])).toBeNull()
  })

  it('is none where the thumb slides flat across the palm', () => {
    expect(() => oppositionReach(8, [], true)).toThrow(/slid flat/)
    expect(oppositionReach(8, [], false)).toMatchObject({ score: 8 })
  })
  it.each([-1, 4, 1.5])('lifting off the table has no stage %d', (stage) =>
    expect(() => retropulsion(stage)).toThrow(/stage/),
  )
  it('lifts off the table in stages 0 to 3', () =>
    expect([0, 1, 2, 3].map(retropulsion)).toEqual([0, 1, 2, 3]))
  it('a finger that is gone has no distance to the crease; one that touches has 0', () =>
    expect([fingertipToCreaseMm(null), fingertipToCreaseMm(0)]).toEqual([null, 0]))
})
