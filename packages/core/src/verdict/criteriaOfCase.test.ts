import { describe, expect, it } from 'vitest'
import { assessExercise, criteriaOfCase, isOpen, type PatientCase } from '../index.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'

const DAYS = [0, 10, 30, 60, 120, 400]

/** A case in which nobody has recorded anything. */
function bare(protocolId: string, day: number): PatientCase {
  return { ...caseOf(protocolId, { day }), facts: { status: () => ({ name: 'neverRecorded' }) } }
}

describe.each([...catalogue.protocols.keys()])('in %s', (protocolId) => {
  it('whatever is named as missing for an exercise of the condition can be recorded on the Phase screen', () => {
    for (const [place, day] of DAYS.entries()) {
      const state = bare(protocolId, day)
      const recordable = new Set(criteriaOfCase(state).map(({ name }) => name))
      const listed = [...catalogue.exercises.values()].filter(({ conditions }) =>
        conditions.includes(state.condition.id),
      )
      // Every exercise on every other day.
      for (const exercise of listed.filter((_, index) => (index + place) % 2 === 0)) {
        const { kind, missing } = assessExercise(exercise, exercise.dose, state)
        if (isOpen(kind)) continue
        for (const { name, text } of missing)
          expect(recordable.has(name), `${exercise.id} on day ${day} waits for ${text}`).toBe(true)
      }
    }
  })
})
