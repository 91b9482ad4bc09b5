import { describe, expect, it } from 'vitest'
import { minutesOfBout } from './minutes.js'
import { movedShare, repetitionMoment } from './repetitionClock.js'
import { timingOf, type Timed, type Timing } from './timing.js'

const dose = (changes: object = {}) => ({
  sets: 2,
  repetitions: 3,
  holdSeconds: 5,
  boutsPerDay: 4,
  load: null,
  ...changes,
})
const entry = (changes: Partial<Timed> = {}): Timed => ({ shapes: [{}], turns: 'together', ...changes })
const timing = (changes: Partial<Timing> = {}): Timing => ({ ...timingOf(entry()), ...changes })

describe('the moment of an exercise of 2 sets of 3 with a hold of 5 s', () => {
  it.each([
    ['begins with the movement', 0, { stage: 'move', set: 1, repetition: 1, finished: 0, secondsLeft: 2 }],
    ['holds from the second second', 2, { stage: 'hold', repetition: 1, secondsLeft: 5, stageSeconds: 5 }],
    ['still holds', 6.5, { stage: 'hold', secondsLeft: 0.5 }],
    ['returns after the hold', 7, { stage: 'return', secondsLeft: 2 }],
    ['counts the second repetition from its start', 9, { stage: 'move', repetition: 2, finished: 1 }],
    ['rests after the first set', 27, { stage: 'rest', set: 1, finished: 3, secondsLeft: 30 }],
    ['starts the second set after the rest', 57, { stage: 'move', set: 2, repetition: 1, finished: 3 }],
    ['is done at the end', 84, { stage: 'done', finished: 6, secondsLeft: 0 }],
    ['stays done', 500, { stage: 'done', finished: 6 }],
  ])('%s', (_case, seconds, moment) => {
    expect(repetitionMoment(dose(), timing(), seconds)).toMatchObject(moment)
  })

  it('goes through the shapes of a series within one repetition', () => {
    const at = (seconds: number) =>
      repetitionMoment(dose({ sets: 1, holdSeconds: 2 }), timing({ shapes: 4 }), seconds)
    expect(at(6)).toMatchObject({ repetition: 1, shape: 2, stage: 'move' })
    expect(at(24)).toMatchObject({ repetition: 2, shape: 1, finished: 1 })
  })

  it('has no hold when none is prescribed', () => {
    expect(repetitionMoment(dose({ holdSeconds: 0 }), timing(), 2).stage).toBe('return')
  })
})

describe('digits that go one after the other', () => {
  const inTurn = timing({ turns: 4 })
  it.each([
    ['the first finger does all its sets', 80, { turn: 1, set: 2, repetition: 3, finished: 0 }],
    ['then the second begins with its first set', 84, { turn: 2, set: 1, repetition: 1, stage: 'move' }],
    ['what is finished is what the last finger finished as well', 3 * 84 + 10, { turn: 4, finished: 1 }],
    ['done is done by all', 4 * 84, { stage: 'done', turn: 4, finished: 6 }],
  ])('%s', (_case, seconds, moment) => {
    expect(repetitionMoment(dose(), inTurn, seconds)).toMatchObject(moment)
  })

  it.each([
    ['four fingers where nobody chose', entry({ turns: 'digits in turn' }), null, 4],
    [
      'the thumb besides where it moves',
      entry({
        turns: 'digits in turn',
        region: 'fingers',
        start: { thumbIpFlexion: 0 },
        shapes: [{ thumbIpFlexion: 40 }],
      }),
      null,
      5,
    ],
    ['as many as were chosen', entry({ turns: 'digits in turn' }), ['ring', 'little'], 2],
    [
      'as many as were chosen of which one goes at a time',
      entry({ oneAtATime: 'others rest' }),
      ['ring', 'little'],
      2,
    ],
    ['one where they go together', entry(), ['index', 'ring', 'little'], 1],
  ] as const)('are %s', (_case, exercise, digits, turns) => {
    expect(timingOf(exercise, digits).turns).toBe(turns)
  })
})

describe('what the seconds of a hold are spent with', () => {
  const at = (hold: Timing['hold'], seconds: number, changes: object = {}) =>
    repetitionMoment(
      dose({ sets: 1, repetitions: 1, holdSeconds: 60, ...changes }),
      timing({ hold }),
      seconds,
    )

  it.each([
    ['rubbing is got ready for', 'going on', 1, 'ready'],
    ['and then goes on', 'going on', 30, 'goOn'],
    ['to the end, with no way back', 'going on', 63.9, 'goOn'],
    ['a pack is put on', 'left alone', 1, 'ready'],
    ['and left', 'left alone', 63.9, 'stay'],
    ['a weight is lowered for the whole time', 'on the way', 59, 'move'],
    ['and brought back', 'on the way', 61, 'back'],
    ['a stretch is kept', 'kept', 61, 'hold'],
  ] as const)('%s', (_case, hold, seconds, stage) => expect(at(hold, seconds).stage).toBe(stage))

  it.each([
    ['support only', 'left alone'],
    ['passive by wrap', 'left alone'],
    ['none', 'left alone'],
    ['active', 'kept'],
    ['gravity', 'kept'],
  ] as const)('is by itself told by the force: %s is %s', (force, hold) => {
    expect(timingOf(entry({ force })).hold).toBe(hold)
  })

  it('is what the entry says where it says so', () => {
    expect(timingOf(entry({ force: 'support only', pace: { hold: 'going on' } })).hold).toBe('going on')
  })

  it('a repetition that takes long to move goes there in half of its time and back in the other', () => {
    const slow = timingOf(entry({ pace: { moveSeconds: 20 } }))
    const moment = (seconds: number) => repetitionMoment(dose({ holdSeconds: 0 }), slow, seconds)
    expect(moment(9)).toMatchObject({ stage: 'move', stageSeconds: 10, secondsLeft: 1 })
    expect(moment(11)).toMatchObject({ stage: 'back', repetition: 1 })
    expect(moment(21)).toMatchObject({ stage: 'move', repetition: 2 })
  })
})

it.each([
  [dose(), {}],
  [dose({ sets: 1 }), {}],
  [dose({ holdSeconds: 0, sets: 3 }), { shapes: [{}, {}] }],
  [dose(), { turns: 'digits in turn' }],
  [dose(), { pace: { moveSeconds: 20 } }],
  [dose({ sets: 1, repetitions: 1, holdSeconds: 180 }), { pace: { hold: 'going on' } }],
  [dose({ holdSeconds: 4 }), { pace: { hold: 'on the way' } }],
] as const)('an exercise lasts exactly the minutes that are counted: %o %o', (asked, changes) => {
  const exercise = entry(changes as Partial<Timed>)
  const seconds = minutesOfBout(exercise, asked) * 60
  expect(repetitionMoment(asked, timingOf(exercise), seconds - 0.01).stage).not.toBe('done')
  expect(repetitionMoment(asked, timingOf(exercise), seconds).stage).toBe('done')
})

describe('how far the picture has moved', () => {
  it.each([
    ['not at all as it begins', 0, 0],
    ['half way after a second', 1, 0.5],
    ['all the way while it is held', 4, 1],
    ['half way back', 8, 0.5],
    ['back at the start in a rest', 3 * 9 + 1, 0],
  ])('%s', (_name, elapsed, share) =>
    expect(movedShare(repetitionMoment(dose(), timing(), elapsed))).toBeCloseTo(share, 9),
  )

  it.each(['kept', 'going on', 'left alone', 'on the way'] as const)(
    'without a jump within a set, %s',
    (hold) => {
      let before = 0
      for (let elapsed = 0; elapsed < 8.9; elapsed += 0.05) {
        const now = movedShare(repetitionMoment(dose(), timing({ hold }), elapsed))
        expect(Math.abs(now - before)).toBeLessThan(0.05)
        before = now
      }
    },
  )

  it('to and fro every four seconds while it goes on', () => {
    const share = (seconds: number) =>
      movedShare(repetitionMoment(dose({ holdSeconds: 60 }), timing({ hold: 'going on' }), 4 + seconds))
    expect([0, 1, 2, 3, 4, 6].map((seconds) => Math.round(share(seconds) * 10) / 10)).toEqual([
      1, 0.5, 0, 0.5, 1, 0,
    ])
  })
})
