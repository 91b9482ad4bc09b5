import { describe, expect, it } from 'vitest'
import { comparedWithNormal } from './normalMotion.js'

describe('normal motion by table', () => {
  it('names the table it compares with, and knows nothing of what was not measured', () => {
    expect(comparedWithNormal('wristFlexion', 60, 'AMA')).toEqual({
      table: 'AMA',
      normalDeg: 60,
      percent: 100,
    })
    expect(comparedWithNormal('wristFlexion', 60)).toMatchObject({ table: 'ASHT', percent: 75 })
    expect(comparedWithNormal('dipFlexion', 45, 'AAOS')!.percent).toBe(50)
    expect(comparedWithNormal('wristFlexion', null)).toBeNull()
  })
})
