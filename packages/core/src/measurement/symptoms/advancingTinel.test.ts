import { describe, expect, it } from 'vitest'
import { advanceRate } from './advancingTinel.js'

describe('an advancing nerve', () => {
  it('a nerve advances by days between visits, and one day has no rate', () => {
    expect(advanceRate({ day: 48, mm: 20 }, { day: 90, mm: 62 })).toBe(1)
    expect(advanceRate({ day: 9, mm: 2 }, { day: 9, mm: 3 })).toBeNull()
  })
})
