import { describe, expect, it } from 'vitest'
import { assessExercise, criteriaOfCase, isOpen, type PatientCase } from '../index.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'

const DAYS = [0, 30, 120]

/** A case in which nobody has recorded anything. */
function bare(protocolId: string, day: number): PatientCase {
  return { ...caseOf(protocolId, { day }), facts: { status: () => ({ name: 'neverRecorded' }) } }
}

describe.each([...catalogue.protocols.keys()])('in %s', (protocolId) => {
  it('whatever is named as missing for an exercise of the condition can be recorded on the Phase screen', () => {
    for (const day of DAYS) {
      const state = bare(protocolId, day)
      const recordable = new Set(criteriaOfCase(state).map(({ name }) => name))
      for (const exercise of catalogue.exercises.values()) {
        if (!exercise.conditions.includes(state.condition.id)) continue
        const { kind, missing } = assessExercise(exercise, exercise.dose, state)
        if (isOpen(kind)) continue
        for (const { name, text } of missing)
          expect(recordable.has(name), `${exercise.id} on day ${day} waits for ${text}`).toBe(true)
      }
    }
  })
})
