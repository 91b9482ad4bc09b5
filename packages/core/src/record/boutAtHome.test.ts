import { describe, expect, it } from 'vitest'
import { flagsOfBout, worstPainOf } from './boutAtHome.js'

const limits = { stopPain: 8, amberAbove: 2 }

describe('the worst pain of a bout', () => {
  it.each([
    [3, 5, 5],
    [6, null, 6],
    [null, 2, 2],
    [null, null, null],
    [0, 0, 0],
  ])('of %s during and %s after is %s', (painWorst, painAfter, worst) => {
    expect(worstPainOf({ painWorst, painAfter })).toBe(worst)
  })
})

describe('a bout raises', () => {
  it.each([
    ['nothing below the stop line', 7, 7, [], []],
    ['a flag for pain at the stop line during it', 8, 2, [], ['RF.PAIN']],
    ['one for pain after it', 2, 9, [], ['RF.PAIN']],
    ['nothing where pain was not asked', null, null, [], []],
    ['what the patient reported besides', 8, null, ['RF.BONE'], ['RF.BONE', 'RF.PAIN']],
  ] as const)('%s', (_what, painWorst, painAfter, redFlags, flags) => {
    expect(flagsOfBout({ painWorst, painAfter, redFlags }, limits)).toEqual(flags)
  })
})
