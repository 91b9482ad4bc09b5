import { describe, expect, it } from 'vitest'
import { NORMAL_TOTALS, totalMotionGrade } from './motionGrade.js'

describe('the grade of a total motion', () => {
  it.each([
    [260, 'excellent'],
    [259, 'good'],
    [196, 'good'],
    [195, 'fair'],
    [130, 'fair'],
    [129, 'poor'],
  ])('%i of 260° is %s', (total, grade) => expect(totalMotionGrade(total, 260)!.grade).toBe(grade))

  it('is unknown where a total is', () =>
    expect([totalMotionGrade(null, 260), totalMotionGrade(200, null)]).toEqual([null, null]))
  it('normal sums', () => expect([NORMAL_TOTALS.finger.value, NORMAL_TOTALS.thumb.value]).toEqual([260, 140]))
})
