import { describe, expect, it } from 'vitest'
import { oppositionReach } from './opposition.js'

describe('opposition', () => {
  it('the reach of the thumb is unknown where the finger it is read on is gone', () => {
    expect(oppositionReach(6)).toMatchObject({ score: 6, reached: 'little tip' })
    expect(oppositionReach(9, ['little'])).toBeNull()
    expect(oppositionReach(10, ['little'])).toMatchObject({ score: 10 })
    expect(oppositionReach(4, ['middle'])).toBeNull()
  })
})
