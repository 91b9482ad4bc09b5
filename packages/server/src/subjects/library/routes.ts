import {
  choosableDigits,
  assessExercise,
  changesByDose,
  depicted,
  dayZero,
  derivedFacts,
  ladderStep,
  positionWords,
  ORTHOSIS_NAMES,
  otherHandUse,
  signatureWords,
  timingOf,
  type AngleName,
  type Catalogue,
  type Exercise,
} from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { inBoth, sourcesOf } from '../../answers/catalogue.js'
import { verdictJson } from '../../answers/verdict.js'
import { todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { Problem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'

/** The exercises of the catalogue to read. Mounted at `/api/library`. */
export const library: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  /** The open case the library is read for; `null` where none is asked about (an empty id). */
  async function caseOf(episodeId: string, catalogue: Catalogue) {
    if (!episodeId) return null
    const record = await data.records.of(episodeId)
    const today = todayOf(context)
    const state = caseOn(record, catalogue, today, clock.now())
    return { state, zero: dayZero(state.day, today) }
  }

  serve(app, 'libraryExercises', async ({ request, query: { episode } }) => {
    const { catalogue } = request
    const open = await caseOf(episode, catalogue)
    if (episode) await data.journal.note(told(context, request, 'verdicts.read'), episode)
    return {
      exercises: [...catalogue.exercises.values()].map((exercise) => ({
        ...exercise,
        name: inBoth(exercise, 'name'),
        reason: inBoth(exercise, 'reason'),
        structures: [...new Set(exercise.stress.map(({ structure }) => structure))],
        kind: open && verdictOf(exercise, open.state).kind,
      })),
      conditions: [...catalogue.conditions.values()],
      equipment: [...catalogue.equipment.values()],
    }
  })

  serve(app, 'libraryExercise', async ({ request, params, query: { episode } }) => {
    const { catalogue } = request
    const { exerciseId } = params
    const exercise = catalogue.exercises.get(exerciseId)
    if (!exercise) throw new Problem('NOT_FOUND', 'The catalogue has no such exercise.')
    const open = await caseOf(episode, catalogue)
    return {
      ...pageOf(exercise, catalogue),
      verdict: open && verdictJson(verdictOf(exercise, open.state), open.zero, open.state.day),
    }
  })

  serve(app, 'pictures', async ({ request }) => {
    const { catalogue } = request
    return [...catalogue.exercises.values()].map((exercise) => ({
      id: exercise.id,
      name: inBoth(exercise, 'name'),
      depicted: depicted(exercise),
    }))
  })
}

function verdictOf(exercise: Exercise, state: Parameters<typeof assessExercise>[2]) {
  return assessExercise(exercise, exercise.dose, state)
}

function pageOf(exercise: Exercise, catalogue: Catalogue) {
  const facts = derivedFacts(exercise)
  const rung = (easier: Exercise, harder: Exercise, told: Exercise) => ({
    id: told.id,
    name: inBoth(told, 'name'),
    step: ladderStep(easier, harder),
  })
  const angles = [
    ...new Set([exercise.start, ...exercise.shapes].flatMap((pose) => Object.keys(pose) as AngleName[])),
  ]
  return {
    ...exercise,
    angles: angles.map((name) => {
      const of = (pose: object) => (pose as Record<string, number>)[name] ?? null
      return { name, start: of(exercise.start), shapes: exercise.shapes.map(of) }
    }),
    otherHand: otherHandUse(exercise),
    digits: exercise.digits ?? [],
    choosableDigits: choosableDigits(exercise),
    oneAtATime: exercise.oneAtATime ?? null,
    holdKind: timingOf(exercise).hold,
    positions: positionWords(exercise),
    depicted: depicted(exercise),
    equipment: exercise.equipment.map((key) => catalogue.equipment.get(key)!),
    worn: (exercise.worn ?? []).map((orthosis) => ORTHOSIS_NAMES[orthosis]),
    weeks: exercise.conditions.map((id) => ({
      conditionId: id,
      condition: catalogue.conditions.get(id)!.name,
      week: exercise.gateWeeks[id] ?? null,
    })),
    easier: exercise.ladder.easier.map((id) => {
      const one = catalogue.exercises.get(id)!
      return rung(one, exercise, one)
    }),
    harder: exercise.ladder.harder.map((id) => {
      const one = catalogue.exercises.get(id)!
      return rung(exercise, one, one)
    }),
    signature: signatureWords(facts.signature),
    doseChanges: changesByDose(exercise).map(({ field, from, signature }) => ({
      field,
      from,
      words: signatureWords(signature),
    })),
    careWith: exercise.careWith ?? [],
    travelMm: facts.travelMm,
    differentialMm: facts.differentialMm,
    nerve: facts.nerve,
    minutesPerBout: facts.minutesPerBout,
    endRangeMinutesPerDay: facts.endRangeMinutesPerDay,
    sources: sourcesOf(exercise.sources, catalogue),
  }
}
