import { describe, expect, it } from 'vitest'
import { minutesOfBout } from './minutes.js'
import { movedShare, repetitionMoment } from './repetitionClock.js'

const dose = (changes: object = {}) => ({
  sets: 2,
  repetitions: 3,
  holdSeconds: 5,
  boutsPerDay: 4,
  load: null,
  ...changes,
})

describe('the moment of an exercise of 2 sets of 3 with a hold of 5 s', () => {
  it.each([
    ['begins with the movement', 0, { stage: 'move', set: 1, repetition: 1, finished: 0, secondsLeft: 2 }],
    ['holds from the second second', 2, { stage: 'hold', repetition: 1, secondsLeft: 5 }],
    ['still holds', 6.5, { stage: 'hold', secondsLeft: 0.5 }],
    ['returns after the hold', 7, { stage: 'return', secondsLeft: 2 }],
    ['counts the second repetition from its start', 9, { stage: 'move', repetition: 2, finished: 1 }],
    ['rests after the first set', 27, { stage: 'rest', set: 1, finished: 3, secondsLeft: 30 }],
    ['starts the second set after the rest', 57, { stage: 'move', set: 2, repetition: 1, finished: 3 }],
    ['is done at the end', 84, { stage: 'done', finished: 6, secondsLeft: 0 }],
    ['stays done', 500, { stage: 'done', finished: 6 }],
  ])('%s', (_case, seconds, moment) => {
    expect(repetitionMoment(dose(), 1, seconds)).toMatchObject(moment)
  })

  it('goes through the shapes of a series within one repetition', () => {
    const at = (seconds: number) => repetitionMoment(dose({ sets: 1, holdSeconds: 2 }), 4, seconds)
    expect(at(6)).toMatchObject({ repetition: 1, shape: 2, stage: 'move' })
    expect(at(24)).toMatchObject({ repetition: 2, shape: 1, finished: 1 })
  })

  it('has no hold when none is prescribed', () => {
    expect(repetitionMoment(dose({ holdSeconds: 0 }), 1, 2).stage).toBe('return')
  })

  it.each([[dose()], [dose({ sets: 1 })], [dose({ holdSeconds: 0, sets: 3 })]])(
    'lasts exactly the minutes that are counted: %o',
    (asked) => {
      const seconds = minutesOfBout({ shapes: [{}], turns: 'together' }, asked) * 60
      expect(repetitionMoment(asked, 1, seconds - 0.01).stage).not.toBe('done')
      expect(repetitionMoment(asked, 1, seconds).stage).toBe('done')
    },
  )
})

describe('how far the picture has moved', () => {
  it.each([
    ['not at all as it begins', 0, 0],
    ['half way after a second', 1, 0.5],
    ['all the way while it is held', 4, 1],
    ['half way back', 8, 0.5],
    ['back at the start in a rest', 3 * 9 + 1, 0],
  ])('%s', (_name, elapsed, share) =>
    expect(movedShare(repetitionMoment(dose(), 1, elapsed))).toBeCloseTo(share, 9),
  )
  it('without a jump from one moment to the next', () => {
    let before = 0
    for (let elapsed = 0; elapsed < 27; elapsed += 0.05) {
      const now = movedShare(repetitionMoment(dose(), 1, elapsed))
      expect(Math.abs(now - before)).toBeLessThan(0.03)
      before = now
    }
  })
})
