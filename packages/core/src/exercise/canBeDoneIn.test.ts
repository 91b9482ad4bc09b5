import { describe, expect, it } from 'vitest'
import {
  assessExercise,
  exerciseKind,
  ORTHOSES,
  VERDICT_KINDS,
  type Exercise,
  type Orthosis,
  type VerdictKind,
} from '../index.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'
import { canBeDoneIn } from './canBeDoneIn.js'
import { standingOf } from '../verdict/caseOnDay.js'

const entry = (id: string) => catalogue.exercises.get(id)!
/** Without the orthoses its entry asks for: what the table says of it. */
const unasked = (id: string): Exercise => {
  const { worn: _, ...rest } = entry(id)
  return rest
}
const school = (id: string) => catalogue.protocols.get(id)!
const answer = (id: string, protocol: string, day: number) =>
  assessExercise(entry(id), entry(id).dose, caseOf(protocol, { day, over: { digits: ['middle'] } }))

// Source: derivation, table of orthoses; vocabulary 5.5.3.
describe('an orthosis', () => {
  it.each<[string, Orthosis, string, boolean]>([
    ['wrist-updown-active', 'WRO', 'DRF-CAST', false],
    ['fist-gentle', 'WRO', 'DRF-CAST', true],
    ['tips-bend-knuckles-bent', 'GUTTER', 'MC-GUTTER', true],
    ['tabletop-bend', 'GUTTER', 'MC-GUTTER', false],
    ['buddy-middle-bend', 'CAST', 'DRF-CAST', false],
    ['fist-gentle', 'CAST', 'DRF-CAST', true],
  ])('%s goes in %s under %s: %s', (id, orthosis, protocol, can) => {
    expect(canBeDoneIn(entry(id), orthosis, { protocol: school(protocol) })).toBe(can)
  })

  it('lets a joint move that it holds elsewhere where the school itself moves it there', () => {
    expect(canBeDoneIn(unasked('palm-block-straight-hook'), 'PALM', { protocol: school('EXT56-NOR') })).toBe(
      true,
    )
    expect(canBeDoneIn(unasked('palm-block-straight-hook'), 'PALM', { protocol: school('EXT56-IMM') })).toBe(
      false,
    )
    expect(answer('palm-block-straight-hook', 'EXT56-NOR', 5).kind).toBe('clear')
    expect(answer('thumb-lift-index-cue', 'TT-EIP-EA', 5).kind).toBe('clear')
  })

  it('worn inside another is asked as well: the end joint stays bent where its block lies in the dorsal block', () => {
    expect(answer('ftr-soft-fist-passive', 'FT-Z1', 5).kind).toBe('not-yet')
    expect(answer('tip-blocked-soft-fist', 'FT-Z1', 5).kind).toBe('clear')
  })

  it('stays on where a rule names a motion it leaves free', () => {
    const rice = answer('rice-dip', 'DRF-CAST', 10)
    expect(rice.kind).toBe('not-yet')
    expect(rice.reasons.map(({ rule }) => rule)).toContain('catalogue.orthosis')
    // Held by the orthosis, the joint moves without it: the rule that names it takes it off.
    expect(answer('tabletop-bend', 'PX-KW', 5).kind).toBe('with-care')
    // Straps come off for what a rule names.
    expect(answer('middle-joint-straighten-passive', 'PIP-VP', 30).kind).toBe('with-care')
  })

  it('of another school makes an exercise unusual', () => {
    const yoke = answer('yoke-hook', 'EXT56-IMM', 30)
    expect(yoke.kind).toBe('with-care')
    expect(yoke.reasons.map(({ rule }) => rule)).toContain('catalogue.notFitted')
    expect(answer('yoke-hook', 'EXT56-RME', 30).reasons.map(({ rule }) => rule)).not.toContain(
      'catalogue.notFitted',
    )
  })
})

// Source: vocabulary 5.5.3.
it('no orthosis that neither the phase nor the entry knows opens what is shut in those there are, nor going without', () => {
  const rank = (kind: VerdictKind) => VERDICT_KINDS.indexOf(kind)
  for (const [place, id] of [...catalogue.protocols.keys()].entries())
    for (const day of [0, 20].map((first) => first + (place % 9))) {
      const state = caseOf(id, { day })
      const { phase } = standingOf(state)
      const rules = [...(phase?.allow ?? []), ...(phase?.caution ?? [])]
      for (const [at, exercise] of [...catalogue.exercises.values()].entries()) {
        if (at % 41 !== place % 41) continue
        const known = [
          ...(phase?.wear ?? []).map(({ orthosis }) => orthosis),
          ...rules.flatMap(({ inOrthosis }) => inOrthosis ?? []),
          ...(exercise.worn ?? []),
        ]
        const best = rank(exerciseKind(exercise, exercise.dose, state))
        const foreign = ORTHOSES.filter((one) => !known.includes(one))
        for (const [turn, orthosis] of foreign.entries()) {
          const title = `${exercise.id} in ${id}, day ${day}, ${orthosis}`
          const kind = exerciseKind(exercise, exercise.dose, state, { orthosis })
          expect(rank(kind), title).toBeGreaterThanOrEqual(best)
          if (turn % 9 === at % 9)
            expect(assessExercise(exercise, exercise.dose, state, { orthosis }).kind, title).toBe(kind)
        }
      }
    }
})
