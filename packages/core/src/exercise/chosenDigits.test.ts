import { describe, expect, it } from 'vitest'
import {
  assessExercise,
  choosableDigits,
  digitsInTurn,
  digitsToBegin,
  exerciseKind,
  isOpen,
  minutesOfBout,
  timingOf,
  type Digit,
} from '../index.js'
import { catalogue, caseOf } from '../../../../tests/core/shippedCatalogue.js'

const exercise = (id: string) => catalogue.exercises.get(id)!
const FINGERS = ['index', 'middle', 'ring', 'little']

describe('the digits a therapist may choose among', () => {
  it.each([
    ['fingers where fingers move', 'block-end-joint', FINGERS],
    ['fingers of a fist in the air', 'glide-hook', FINGERS],
    ['the thumb besides where it takes its turn among them', 'finger-bends-in-turn', ['thumb', ...FINGERS]],
    ['the fingers that a thumb meets in turn', 'thumb-spread-meet', FINGERS],
    ['nobody where the entry names its digits', 'thumb-o-index', []],
    ['nobody where the hand grips', 'ball-squeeze', []],
    ['nobody where one leans on the hand', 'web-net-palm-push', []],
    ['nobody where the wrist draws the fingers along', 'tenodesis-free', []],
    ['nobody at the wrist', 'wrist-updown-active', []],
    ['nobody where pairs take turns', 'putty-between-fingers', []],
    ['nobody where a nerve is moved', 'median-slide-neck', []],
  ])('are %s', (_case, id, digits) => expect(choosableDigits(exercise(id))).toEqual(digits))

  // The exercise document, at `start`, `end`: "Finger angles apply to index to small unless the therapist picks digits."
  it('are stated with what becomes of the others in every exercise that is drawn on one finger', () => {
    const one = [...catalogue.exercises.values()].filter(
      ({ picture, digits }) => picture?.digits?.length === 1 && digits === undefined,
    )
    expect(one.length).toBeGreaterThan(20)
    expect(one.filter(({ oneAtATime }) => oneAtATime === undefined).map(({ id }) => id)).toEqual([])
  })
})

describe('whose turn it is, and what it costs', () => {
  const oneByOne = (digits: string[]) => digits.map((digit) => [digit])
  it.each<[string, string, Digit[] | null, string[]]>([
    ['every finger, where they take turns', 'finger-lift-single', null, FINGERS],
    ['the thumb first, where it has a turn of its own', 'finger-bends-in-turn', null, ['thumb', ...FINGERS]],
    ['four fingers that the thumb meets', 'thumb-spread-meet', null, FINGERS],
    [
      'those chosen, in the order of the hand',
      'finger-lift-single',
      ['little', 'index'],
      ['index', 'little'],
    ],
    ['those chosen, where one goes at a time', 'block-end-joint', ['ring', 'little'], ['ring', 'little']],
    ['nobody, where one stands for all and nobody chose', 'block-end-joint', null, []],
    ['nobody, where they go together', 'glide-hook', ['ring', 'little'], []],
  ])('%s', (_case, id, chosen, turns) => expect(digitsInTurn(exercise(id), chosen)).toEqual(oneByOne(turns)))

  it('pairs of neighbors, where something is held between two', () => {
    expect(digitsInTurn(exercise('putty-between-fingers'), null)).toEqual([
      ['index', 'middle'],
      ['middle', 'ring'],
      ['ring', 'little'],
    ])
  })

  it('all have their turn in every repetition, where the steps walk through the hand', () => {
    const walk = exercise('finger-walk-thumbwards')
    expect(timingOf(walk)).toMatchObject({ shapes: 4, turns: 1 })
    expect(timingOf(walk, ['ring', 'little'])).toMatchObject({ shapes: 2, turns: 1 })
    // 4 fingers x (2 + 4) s, five times over.
    expect(minutesOfBout(walk, walk.dose)).toBe(2)
    expect(timingOf(exercise('finger-bends-in-turn'))).toMatchObject({ shapes: 5, turns: 1 })
    expect(timingOf(exercise('finger-lift-single'))).toMatchObject({ shapes: 1, turns: 4 })
  })

  // Source: the minutes printed in the exercise document, `use.minutes` (rounded up).
  it.each([
    ['thumb-spread-meet', 4],
    ['putty-tip-pinch', 5],
    ['putty-between-fingers', 4],
  ])(
    '%s takes the minutes printed: neither a thumb that meets the fingers nor a gap is a finger',
    (id, printed) => {
      expect(Math.ceil(minutesOfBout(exercise(id), exercise(id).dose))).toBe(printed)
    },
  )

  it('a second finger doubles the minutes where one goes at a time, and adds none where they go together', () => {
    const minutes = (id: string, chosen: Digit[] | null) =>
      minutesOfBout(exercise(id), exercise(id).dose, 1, chosen)
    expect(minutes('block-end-joint', ['ring', 'little'])).toBe(2 * minutes('block-end-joint', ['ring']))
    expect(minutes('block-end-joint', ['ring'])).toBe(minutes('block-end-joint', null))
    expect(minutes('finger-lift-single', ['ring'])).toBe(minutes('finger-lift-single', null) / 4)
    expect(minutes('glide-hook', ['ring', 'little'])).toBe(minutes('glide-hook', null))
  })

  it.each<[string, string, Digit[], Digit[] | null]>([
    ['the injured finger, where one goes at a time', 'block-end-joint', ['ring'], ['ring']],
    ['both injured fingers', 'block-end-joint', ['little', 'ring'], ['ring', 'little']],
    ['as it is, where all take turns', 'finger-lift-single', ['ring'], null],
    ['as it is, where only the thumb is injured', 'block-end-joint', ['thumb'], null],
    ['as it is, where all go together', 'glide-hook', ['ring'], null],
  ])('begins with %s', (_case, id, injured, digits) =>
    expect(digitsToBegin(exercise(id), injured)).toEqual(digits),
  )
})

describe('the verdict with chosen digits', () => {
  const ring = { over: { digits: ['ring'] as Digit[] } }
  const verdict = (id: string, protocolId: string, chosen: Digit[] | null, day = 21) =>
    assessExercise(exercise(id), exercise(id).dose, caseOf(protocolId, { day, ...ring }), { chosen })

  it('lets the index be bent beside a mended ring finger that rests, and says that it rests', () => {
    expect(verdict('middle-joint-bend-passive', 'EXT34-SAM', null).kind).toBe('not-yet')
    expect(verdict('middle-joint-bend-passive', 'EXT34-SAM', ['ring']).kind).toBe('not-yet')
    expect(verdict('middle-joint-bend-passive', 'EXT34-SAM', ['ring', 'index']).kind).toBe('not-yet')
    const index = verdict('middle-joint-bend-passive', 'EXT34-SAM', ['index'])
    expect(index.kind).toBe('with-care')
    expect(index.conditions.map(({ en }) => en).join()).toContain('Not with what is injured (ring finger)')
    expect(index.conditions.map(({ es }) => es).join()).toContain('anular')
  })

  it('says nothing of a thumb that has no part in it', () => {
    const kind = (chosen: Digit[] | null) =>
      exerciseKind(
        exercise('middle-joint-bend-passive'),
        exercise('middle-joint-bend-passive').dose,
        caseOf('UCL-CONS', { day: 60, over: { digits: ['thumb'] } }),
        { chosen },
      )
    expect(kind(['index'])).toBe(kind(null))
  })

  it('opens nothing where the others are held, laid or drawn along', () => {
    for (const id of ['fds-solo-bend', 'finger-bends-in-turn', 'finger-cohesive-pull', 'glide-hook'])
      expect(verdict(id, 'EXT34-SAM', ['index']).kind, id).toBe(verdict(id, 'EXT34-SAM', null).kind)
  })

  it('opens nothing where a protocol guards every finger', () => {
    expect(verdict('middle-joint-bend-passive', 'FT-DURAN', ['index'], 3).kind).toBe(
      verdict('middle-joint-bend-passive', 'FT-DURAN', null, 3).kind,
    )
  })

  it('is never clear without the injured finger, and never other than as a whole with it, in any school', () => {
    let asked = 0
    for (const protocol of catalogue.protocols.values()) {
      for (const day of [0, 10, 24, 45, 90]) {
        const state = caseOf(protocol.id, { day, ...ring })
        for (const one of catalogue.exercises.values()) {
          if (one.oneAtATime === undefined && one.id !== 'glide-hook') continue
          if (!one.conditions.includes(state.condition.id)) continue
          const kind = (chosen: Digit[] | null) => exerciseKind(one, one.dose, state, { chosen })
          const [asIs, withRing, without] = [kind(null), kind(['ring', 'little']), kind(['index'])]
          expect(withRing, `${one.id} ${protocol.id} ${day}`).toBe(asIs)
          if (!isOpen(asIs) || one.oneAtATime === 'others rest') expect(without).not.toBe('clear')
          else expect(without).toBe(asIs)
          asked += 1
        }
      }
    }
    expect(asked).toBeGreaterThan(1000)
  })
})
