import { describe, expect, it } from 'vitest'
import type { VerdictKind } from './verdict.js'
import type { Exercise } from '../exercise/exercise.js'
import { fallbackFor } from './fallback.js'

const one = (id: string, easier: string[] = [], changes: Partial<Exercise> = {}): Exercise =>
  ({ id, region: 'wrist', aims: ['strength'], ladder: { easier, harder: [] }, ...changes }) as Exercise
/** Verdicts as written; what is not named is not yet. */
function instead(wanted: Exercise, others: Exercise[], kinds: Record<string, VerdictKind>) {
  const candidates = new Map([wanted, ...others].map((exercise) => [exercise.id, exercise]))
  const found = fallbackFor(wanted, candidates, ({ id }) => kinds[id] ?? 'not-yet')
  return found && [found.exercise.id, found.by]
}

describe('what to do instead', () => {
  it('is the nearest open rung below', () => {
    const rungs = [one('band', ['push']), one('push', ['move']), one('move')]
    expect(instead(one('weight', ['band']), rungs, { push: 'clear', move: 'clear' })).toEqual([
      'push',
      { rungsDown: 2 },
    ])
  })
  it('is the clearer of two rungs equally near', () => {
    const rungs = [one('a'), one('b')]
    expect(instead(one('weight', ['a', 'b']), rungs, { a: 'with-care', b: 'clear' })).toEqual([
      'b',
      { rungsDown: 1 },
    ])
    expect(instead(one('weight', ['a', 'b']), rungs, { a: 'clear', b: 'clear' })![0]).toBe('a')
  })
  it('is one with the same aim for the same part where the ladder ends', () => {
    const others = [
      one('elbow', [], { region: 'elbow' }),
      one('stretch', [], { aims: ['stretch'] }),
      one('towel', [], { aims: ['control', 'strength'] }),
    ]
    const kinds = { elbow: 'clear', stretch: 'clear', towel: 'with-care' } as const
    expect(instead(one('weight'), others, kinds)).toEqual(['towel', 'same aim'])
  })
  it('is never the harder rung', () => {
    const wanted = one('weight', [], { ladder: { easier: [], harder: ['heavy'] } })
    expect(instead(wanted, [one('heavy')], { heavy: 'clear' })).toBeNull()
    const heavy = one('heavy', [], { ladder: { easier: [], harder: ['heaviest'] } })
    expect(instead(wanted, [heavy, one('heaviest')], { heaviest: 'clear' })).toBeNull()
  })
  it('is nothing where nothing is open, and a ladder in a circle ends', () => {
    expect(instead(one('weight', ['a']), [one('a', ['weight'])], {})).toBeNull()
    expect(instead(one('weight', ['gone']), [], {})).toBeNull()
  })
})
