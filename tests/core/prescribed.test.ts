import { expect, it } from 'vitest'
import {
  digitsAsked,
  exerciseKind,
  isOpen,
  orthosisOn,
  signatureOf,
  type Dose,
  type Exercise,
  type PatientCase,
} from '@pledge/core'
import { atomsOf } from '../../packages/core/src/verdict/atoms.js'
import { ruleSpeaksOf } from '../../packages/core/src/verdict/matching.js'
import { caseOf, catalogue, linesOf } from './shippedCatalogue.js'

const declared = new Map(linesOf('no-exercise.txt').map(([key, ...reason]) => [key!, reason.join(' ')]))

/** The doses a therapist may choose that change what an exercise does: held briefly and lightest, as it comes, held long. */
function dosesOf({ dose, range, load }: Exercise): Dose[] {
  const lightest = load ? Math.min(...load.steps) : null
  const [brief, long] = range.holdSeconds
  return [dose, { ...dose, holdSeconds: brief, load: lightest }, { ...dose, holdSeconds: long }]
}

it('what a school opens in a phase, an exercise of its condition does on that phase’s last day, or the list says why none', () => {
  const without: string[] = []
  for (const protocol of catalogue.protocols.values()) {
    const condition = catalogue.conditions.get(protocol.condition)!
    const asked = digitsAsked(protocol, condition)
    const digits = asked === 'fingers' ? ['middle' as const] : asked === 'thumb' ? ['thumb' as const] : []
    const listed = [...catalogue.exercises.values()].filter(({ conditions }) =>
      conditions.includes(condition.id),
    )
    for (const { days, allow, caution } of protocol.phases) {
      const state: PatientCase = caseOf(protocol.id, {
        day: Math.max(days[0], (days[1] ?? 401) - 1),
        over: { digits },
      })
      const waiting = new Set([...allow, ...caution])
      for (const exercise of listed) {
        for (const dose of dosesOf(exercise)) {
          if (waiting.size === 0) break
          const atoms = atomsOf(signatureOf(exercise, dose, orthosisOn(exercise, dose, state)))
          const spoken = [...waiting].filter((rule) => atoms.some((atom) => ruleSpeaksOf(rule, atom)))
          if (spoken.length === 0 || !isOpen(exerciseKind(exercise, dose, state))) continue
          for (const rule of spoken) waiting.delete(rule)
        }
      }
      without.push(...[...waiting].map(({ key }) => `${protocol.id}#${key}`))
    }
  }
  expect(without.sort()).toEqual([...declared.keys()].sort())
  for (const [key, reason] of declared) expect(reason.length, key).toBeGreaterThan(20)
}, 120_000)
