import { describe, expect, it } from 'vitest'
import { responseAfterADay } from './response.js'

describe('the answer after a day', () => {
  it.each([
    [{ before: 2, peak: 5, after24h: 2 }, 'progress'],
    [{ before: 2, peak: 6, after24h: 2 }, 'hold'],
    [{ before: 2, peak: 3, after24h: 3 }, 'hold'],
    [{ before: 2, peak: 3, after24h: 4 }, 'regress'],
    [{ before: 2, peak: 3, after24h: 2, swellingMm: 5 }, 'regress'],
    [{ before: 2, peak: 3, after24h: 2, swellingMm: 4.9 }, 'progress'],
    [{ before: 2, peak: 3, after24h: 2, rangeLossDeg: 10 }, 'regress'],
    [{ before: 2, peak: 3, after24h: 2, rangeLossDeg: 9 }, 'progress'],
    [{ before: 2, peak: 3, after24h: 2, painLimit: 2 }, 'hold'],
    [{ before: null, peak: 3, after24h: 2 }, null],
  ] as const)('%j speaks for %s', (day, answer) => expect(responseAfterADay(day)).toBe(answer))
})
