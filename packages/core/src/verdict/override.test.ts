import { describe, expect, it } from 'vitest'
import {
  assessExercise,
  DocumentReader,
  isOverridden,
  overrideTerms,
  readOrder,
  type Dose,
  type PatientCase,
} from '../index.js'
import { caseOf, catalogue, plated } from '../../../../tests/core/shippedCatalogue.js'

const verdictOf = (id: string, state: PatientCase, change: Partial<Dose> = {}) => {
  const exercise = catalogue.exercises.get(id)!
  return assessExercise(exercise, { ...exercise.dose, ...change }, state)
}
/** What an override written for a case covers. */
const covers = (id: string, state: PatientCase, change: Partial<Dose> = {}) => {
  const terms = overrideTerms(verdictOf(id, state, change), state)
  return terms.isPossible ? terms.barredBy : []
}
const early = plated({ day: 10 })
const forbidden = (state: PatientCase, restriction: object): PatientCase => ({
  ...state,
  orders: [readOrder(new DocumentReader(restriction), 'order.1')],
})

describe('an override of a "not yet"', () => {
  it('asks for the surgeon while it heals, and not in the last phase or where nothing heals', () => {
    expect(overrideTerms(verdictOf('band-wrist-back', early), early)).toMatchObject({
      isPossible: true,
      needsSurgeon: true,
    })
    const stiff = caseOf('STIFF', { day: 5, without: ['pain.act'] })
    const waiting = [...catalogue.exercises.values()].find(
      (one) => one.conditions.includes('stiff-hand') && verdictOf(one.id, stiff).kind === 'not-yet',
    )!
    expect(overrideTerms(verdictOf(waiting.id, stiff), stiff)).toMatchObject({
      isPossible: true,
      needsSurgeon: false,
    })
  })

  it('covers the verdict it was written for, also on later days on which the same bars it', () => {
    const bars = covers('band-wrist-back', early)
    expect(bars.length).toBeGreaterThan(0)
    expect(isOverridden(verdictOf('band-wrist-back', early), bars)).toBe(true)
    expect(isOverridden(verdictOf('band-wrist-back', plated({ day: 12 })), bars)).toBe(true)
  })

  it('does not cover a criterion that no longer holds, though the same rule bars it', () => {
    const held = plated({ day: 45, without: ['xr.union'] })
    const bars = covers('putty-squeeze', held)
    expect(bars).toContain('needs xr.union')
    expect(isOverridden(verdictOf('putty-squeeze', held), bars)).toBe(true)
    const worse = plated({ day: 45, without: ['xr.union', 'edema.stable'] })
    expect(isOverridden(verdictOf('putty-squeeze', worse), bars)).toBe(false)
  })

  it('does not cover a heavier load than it was written for', () => {
    const [light, heavy] = [
      catalogue.exercises.get('band-wrist-back')!.load!.steps[0]!,
      catalogue.exercises.get('band-wrist-back')!.load!.steps.at(-1)!,
    ]
    const bars = covers('band-wrist-back', early, { load: light })
    expect(isOverridden(verdictOf('band-wrist-back', early, { load: light }), bars)).toBe(true)
    expect(isOverridden(verdictOf('band-wrist-back', early, { load: heavy }), bars)).toBe(false)
  })

  it('does not cover a red flag, an order or an open wound that came after it, and none is written then', () => {
    const bars = covers('band-wrist-back', early)
    const locked = { ...early, redLock: true }
    const ordered = forbidden(early, { effect: 'forbid', m: ['R'], mv: ['wrist.*'], why: 'Loose screw' })
    for (const state of [locked, ordered]) {
      const verdict = verdictOf('band-wrist-back', state)
      expect(verdict.kind).toBe('not-yet')
      expect(isOverridden(verdict, bars)).toBe(false)
      expect(overrideTerms(verdict, state).isPossible).toBe(false)
      // Not even an override that names the very bar.
      const names = [
        ...verdict.reasons.map(({ rule, atom }) => `${rule} ${atom}`),
        ...verdict.missing.map(({ text }) => `needs ${text}`),
      ]
      expect(isOverridden(verdict, names)).toBe(false)
    }
    const wound = plated({ day: 20, without: ['wound.closed'] })
    expect(overrideTerms(verdictOf('scar-circles', wound), wound).isPossible).toBe(false)
  })

  it('is not to be had for what is open, never here, or not started', () => {
    const open = verdictOf('fist-gentle', early)
    expect(overrideTerms(open, early)).toMatchObject({ isPossible: false, why: { en: 'It is open.' } })
    expect(isOverridden(open, [])).toBe(false)
    const never = { ...verdictOf('band-wrist-back', early), kind: 'never' as const }
    expect(overrideTerms(never, early).isPossible).toBe(false)
    expect(isOverridden(never, covers('band-wrist-back', early))).toBe(false)
    const before = plated({ day: -3 })
    expect(overrideTerms(verdictOf('band-wrist-back', before), before).isPossible).toBe(false)
  })

  it('is never possible, in any school on any day, where an order or a flag bars it', () => {
    for (const protocol of catalogue.protocols.values()) {
      const state = { ...caseOf(protocol.id, { day: 14 }), redLock: true }
      for (const exercise of catalogue.exercises.values())
        if (exercise.conditions.includes(protocol.condition))
          expect(overrideTerms(verdictOf(exercise.id, state), state).isPossible).toBe(false)
    }
  })
})
