import { describe, expect, it } from 'vitest'
import {
  exerciseKind,
  HEALING_ANCHORS,
  orthosisOn,
  standingOf,
  VERDICT_KINDS,
  type Exercise,
  type VerdictKind,
} from '@pledge/core'
import { alwaysWorn } from '../../packages/core/src/verdict/restraints.js'
import { judgeEntry, toldEntry } from '../../packages/core/src/verdict/judgeEntry.js'
import { caseOf, catalogue } from './shippedCatalogue.js'

const rank = (kind: VerdictKind) => VERDICT_KINDS.indexOf(kind)
const all = [...catalogue.exercises.values()]

// Source: vocabulary 5.5.1: time alone never opened a phase, nor what belongs to it.
describe.each([...catalogue.protocols.values()].map((protocol) => [protocol.id, protocol] as const))(
  'a case of %s that is held',
  (id, protocol) => {
    it('is never freer than one that has reached its phase', () => {
      for (const [place, phase] of protocol.phases.entries())
        for (const criterion of phase.entry) {
          const day = (phase.days[1] ?? phase.days[0] + 30) - 1
          const [reached, held] = [[], [criterion.name]].map((without) => caseOf(id, { day, without }))
          for (const exercise of all.filter((_, at) => at % 3 === place % 3)) {
            const kinds = [reached!, held!].map((state) => rank(exerciseKind(exercise, exercise.dose, state)))
            if (kinds[1]! >= kinds[0]!) continue
            // What is done inside an orthosis is compared in that orthosis: the phase reached may have put it away, and asks besides
            // in its own, so its rules alone are read here.
            const worn = orthosisOn(exercise, exercise.dose, held!)
            const inIt = toldEntry(judgeEntry(exercise, exercise.dose, reached!, { orthosis: worn }))
            const onlyUnfitted =
              inIt.kind === 'with-care' &&
              inIt.reasons.filter(({ rule }) => rule.startsWith('catalogue.')).length === 1 &&
              inIt.reasons.some(({ rule }) => rule === 'catalogue.notFitted')
            // Or that of the phase reached stays on and keeps a joint elsewhere: asked in it, the rules say no less.
            const own = alwaysWorn(standingOf(reached!).phase)?.orthosis ?? 'none'
            const onlyInOther =
              inIt.reasons.every(({ rule }) => rule === 'catalogue.orthosis') &&
              rank(exerciseKind(exercise, exercise.dose, reached!, { orthosis: own })) <= kinds[1]!
            expect(
              worn !== 'none' && (onlyUnfitted || onlyInOther || rank(inIt.kind) <= kinds[1]!),
              `${exercise.id} on day ${day} without ${criterion.text}`,
            ).toBe(true)
          }
        }
    })
  },
)

// Source: vocabulary 5.5.8.
it('what presses, soaks, rubs or warms besides is never freer for it', () => {
  const whats = ['rub', 'press', 'clamp', 'immerse', 'heat', 'cold', 'compress', 'vibrate'] as const
  const wheres = ['scar', 'skin', 'fingers', 'thumb', 'palm', 'hand', 'wrist', 'forearm'] as const
  for (const [place, id] of [...catalogue.protocols.keys()].entries()) {
    const state = caseOf(id, { day: (place * 11) % 90, without: place % 2 === 0 ? [] : ['wound.closed'] })
    for (const [at, exercise] of all.entries()) {
      if (at % 17 !== place % 17) continue
      const plain = rank(exerciseKind(exercise, exercise.dose, state))
      const what = whats[(at + place) % whats.length]!
      const where = wheres[(at * 3 + place) % wheres.length]!
      const touched: Exercise = { ...exercise, contact: [...(exercise.contact ?? []), { what, where }] }
      expect(
        rank(exerciseKind(touched, touched.dose, state)),
        `${exercise.id} in ${id} with ${what} ${where}`,
      ).toBeGreaterThanOrEqual(plain)
    }
  }
})

// Source: vocabulary 5.5.9: taken off the list of its condition, an exercise lies nearest to itself.
it('what a condition does not list is never freer than what it lists, and never clear while anything heals', () => {
  for (const [place, { id, condition, anchor }] of [...catalogue.protocols.values()].entries()) {
    const listed = all.filter((one) => one.conditions.includes(condition))
    for (const day of [3, 20, 41].map((first) => first + (place % 3))) {
      const state = caseOf(id, { day })
      for (const exercise of listed) {
        const { [condition]: _week, ...gateWeeks } = exercise.gateWeeks
        const unlisted: Exercise = {
          ...exercise,
          gateWeeks,
          conditions: exercise.conditions.filter((one) => one !== condition),
        }
        const [as, not] = [exercise, unlisted].map((one) => exerciseKind(one, one.dose, state))
        expect(rank(not!), `${exercise.id} in ${id}, day ${day}`).toBeGreaterThanOrEqual(rank(as!))
        if (day < 42 && HEALING_ANCHORS.includes(anchor))
          expect(not, `${exercise.id} in ${id}`).not.toBe('clear')
      }
    }
  }
})
