import { describe, expect, it } from 'vitest'
import { assessExercise, exerciseKind, exerciseOpenings } from '@pledge/core'
import { caseOf, catalogue } from './shippedCatalogue.js'

const LAST_DAY = 126

describe.each(['DRF-CAST', 'FT-EAM', 'EXT34-SAM', 'CTS-REL', 'CMC-OA', 'MAL-CONS'])(
  'under %s',
  (protocolId) => {
    const { condition } = catalogue.protocols.get(protocolId)!
    const exercises = [...catalogue.exercises.values()].filter((one) => one.conditions.includes(condition))

    it('the runs of an exercise are its verdicts day by day', () => {
      const days = Array.from({ length: LAST_DAY + 1 }, (_, day) => caseOf(protocolId, { day }))
      for (const exercise of exercises) {
        const byDay = days.map((state) => exerciseKind(exercise, exercise.dose, state))
        const runs = byDay.flatMap((kind, fromDay) =>
          kind === byDay[fromDay - 1] ? [] : [{ fromDay, kind }],
        )
        expect(
          exerciseOpenings(exercise, exercise.dose, days[0]!, 'asTheRecordStands', {
            span: [0, LAST_DAY],
          }).map(({ fromDay, kind }) => ({ fromDay, kind })),
          exercise.id,
        ).toEqual(runs)
      }
    })
    it('the kind alone is the kind of the whole verdict, also with facts taken back', () => {
      for (const without of [[], ['ord.rom', 'ord.resist'], ['wound.ok']])
        for (const day of [0, 20, 45, 90]) {
          const state = caseOf(protocolId, { day, without })
          for (const exercise of exercises)
            expect(exerciseKind(exercise, exercise.dose, state), `${exercise.id} ${day}`).toBe(
              assessExercise(exercise, exercise.dose, state).kind,
            )
        }
    })
  },
)
