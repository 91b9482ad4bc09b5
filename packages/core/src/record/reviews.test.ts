import { describe, expect, it } from 'vitest'
import { isReviewDue, lastReviewOn } from './reviews.js'

describe('the last review of a case', () => {
  it.each([
    ['the referral, where nothing followed', [], [], '2031-03-01'],
    ['the newest evaluation', ['2031-03-04', '2031-03-20'], [], '2031-03-20'],
    ['a program signed after it', ['2031-03-20'], ['2031-03-22'], '2031-03-22'],
    [
      'an evaluation written down late but done last',
      ['2031-03-25', '2031-03-20'],
      ['2031-03-22'],
      '2031-03-25',
    ],
  ])('is %s', (_what, evaluatedOn, signedOn, day) => {
    expect(lastReviewOn({ openedOn: '2031-03-01', evaluatedOn, signedOn })).toBe(day)
  })
})

describe('a review', () => {
  it.each([
    ['is not due 11 days after the last one', '2031-03-12', false],
    ['is due 12 days after it, two before the phase freezes', '2031-03-13', true],
    ['stays due once it has frozen', '2031-03-20', true],
  ])('%s', (_what, today, isDue) => {
    expect(isReviewDue('2031-03-01', today, 14)).toBe(isDue)
  })
})
