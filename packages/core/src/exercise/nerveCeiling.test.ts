import { describe, expect, it } from 'vitest'
import { assessExercise, nerveAsksMore, readCondition, type Exercise } from '../index.js'
import { catalogue, caseOf } from '../../../../tests/core/shippedCatalogue.js'

const exercise = (id: string) => catalogue.exercises.get(id)!
const kindOf = (id: string, protocol: string, day: number, irritability: string | null) => {
  const state = caseOf(protocol, {
    day,
    ...(irritability === null ? { without: ['irrit'] } : { facts: { irrit: irritability } }),
  })
  const { kind, missing, basis } = assessExercise(exercise(id), exercise(id).dose, state)
  return { kind, missing: missing.map(({ text }) => text), basis }
}

// Source: ceilings of the exercise document, NERVE: high glide low, stretch none; medium glide med, stretch low; low glide
// high, stretch med.
describe('how much a nerve takes at its irritability', () => {
  it.each([
    ['a two-ended slider of a released ulnar nerve', 'ulnar-slide-wrist-neck', 'CUB-DEC', 'low', 'clear'],
    ['the same while somewhat irritable', 'ulnar-slide-wrist-neck', 'CUB-DEC', 'mod', 'clear'],
    ['the same while very irritable', 'ulnar-slide-wrist-neck', 'CUB-DEC', 'high', 'not-yet'],
    ['the same while nobody recorded it', 'ulnar-slide-wrist-neck', 'CUB-DEC', null, 'not-yet'],
    ['a one-ended slider while very irritable', 'ulnar-slide-wrist-one-end', 'CUB-DEC', 'high', 'clear'],
    [
      'a stretch that a rule opens, somewhat irritable',
      'palm-forearm-stretch-bent',
      'CTS-CONS',
      'mod',
      'clear',
    ],
    ['the same while very irritable', 'palm-forearm-stretch-bent', 'CTS-CONS', 'high', 'with-care'],
    ['the same while nobody recorded it', 'palm-forearm-stretch-bent', 'CTS-CONS', null, 'with-care'],
  ] as const)('%s', (_case, id, protocol, irritability, kind) => {
    expect(kindOf(id, protocol, 28, irritability).kind).toBe(kind)
  })

  it('a refusal names what opens it', () => {
    expect(kindOf('radial-slide-neck', 'RTS-REL', 60, 'high')).toMatchObject({
      kind: 'not-yet',
      missing: ['irrit<=mod'],
    })
  })

  it('is no question where no nerve is at issue', () => {
    const { condition, facts } = caseOf('DRF-CAST', { without: ['irrit'] })
    expect(nerveAsksMore(exercise('median-slide-neck'), condition, facts)).toBeNull()
  })

  it('never opens what is closed without it', () => {
    const order = ['clear', 'with-care', 'not-yet', 'never']
    for (const protocol of ['CTS-CONS', 'CTS-REL', 'CUB-SUBM', 'UTS-CONS', 'RTS-CONS', 'SRN']) {
      for (const entry of catalogue.exercises.values()) {
        for (const irritability of ['low', 'high']) {
          const state = caseOf(protocol, { day: 35, facts: { irrit: irritability as never } })
          const bare = { ...state, condition: { ...state.condition, nerveCeilings: [] } }
          const kinds = [state, bare].map((one) => assessExercise(entry, entry.dose, one).kind)
          expect(order.indexOf(kinds[0]!), `${protocol} ${entry.id}`).toBeGreaterThanOrEqual(
            order.indexOf(kinds[1]!),
          )
        }
      }
    }
  }, 30_000)

  it('says in both languages what is too much, and that a nerve never takes more even when quiet', () => {
    const { condition, facts } = caseOf('CTS-CONS', { facts: { irrit: 'low' as never } })
    const hard: Exercise = {
      ...exercise('median-tension-wall'),
      stress: [{ structure: 'NMED', mode: 'stretch', level: 'high' }],
    }
    const more = nerveAsksMore(hard, condition, facts)!
    expect(more.needs).toBeNull()
    expect(more.says.en).toMatch(/median nerve: stretch \(high\)/)
    expect(more.says.es).toMatch(/nervio mediano/)
  })
})

describe('a condition file', () => {
  const document = {
    id: 'x',
    code: 'NRV',
    name: { en: 'x', es: 'y' },
    protocols: [],
    ceilings: [],
    schoolWeeks: {},
    source: { key: 'A', confidence: 'low' },
  }
  it('states nerve ceilings for each irritability or for none', () => {
    expect(readCondition(document).nerveCeilings).toEqual([])
    const one = { ...document, nerveCeilings: [{ irritability: 'high', glide: 'low', stretch: 'none' }] }
    expect(() => readCondition(one)).toThrow(/high, mod, low/)
  })
})
