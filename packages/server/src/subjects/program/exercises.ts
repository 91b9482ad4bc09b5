import {
  assessExercise,
  choosableDigits,
  dayZero,
  depicted,
  digitsToBegin,
  fallbackFor,
  isOpen,
  orthosisOn,
  overrideTerms,
  timingOf,
  type Exercise,
} from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { overrideIn, termsJson } from '../../answers/override.js'
import { openingsJson, verdictJson } from '../../answers/verdict.js'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { caseOn } from '../../record/episodeCase.js'

/** The exercises of a condition as a patient may do them today. Mounted at `/api/episodes/:episodeId`. */
export const exercises: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  serve(app, 'exercises', async ({ request }) => {
    const episodeId = episodeIdOf(request)
    const [record, users] = await Promise.all([data.records.of(episodeId), data.users.names()])
    const today = todayOf(context)
    const state = caseOn(record, request.catalogue, today, clock.now())
    await data.journal.note(told(context, request, 'verdicts.read'), episodeId)
    const anchor = dayZero(state.day, today)
    const fitting = new Map(
      [...request.catalogue.exercises].filter(([, { conditions }]) =>
        conditions.includes(record.episode.conditionId),
      ),
    )
    const judged = new Map(
      [...fitting].map(([id, exercise]) => {
        const orthosis = orthosisOn(exercise, exercise.dose, state)
        return [id, { orthosis, verdict: assessExercise(exercise, exercise.dose, state) }]
      }),
    )
    const kindOf = ({ id }: Exercise) => judged.get(id)!.verdict.kind
    return [...fitting.values()].map((exercise) => {
      const { orthosis, verdict } = judged.get(exercise.id)!
      const instead = isOpen(verdict.kind) ? null : fallbackFor(exercise, fitting, kindOf)
      return {
        id: exercise.id,
        family: exercise.family,
        aims: exercise.aims,
        choosableDigits: choosableDigits(exercise),
        isOneAtATime: exercise.oneAtATime !== undefined,
        digitsToBegin: digitsToBegin(exercise, state.digits),
        holdKind: timingOf(exercise).hold,
        region: exercise.region,
        demand: exercise.demand,
        text: exercise.text.en,
        depicted: depicted(exercise),
        dose: exercise.dose,
        range: exercise.range,
        load: exercise.load,
        equipment: exercise.equipment.map((key) => {
          const { name, home } = request.catalogue.equipment.get(key)!
          return { name: name.en, home: home?.en ?? null }
        }),
        painCap: exercise.painCap,
        verdict: verdictJson(verdict, anchor, state.day),
        instead: instead && {
          id: instead.exercise.id,
          name: instead.exercise.text.en.name,
          rungsDown: instead.by === 'same aim' ? null : instead.by.rungsDown,
        },
        override: overrideIn(record, exercise.id, verdict, users),
        overrideTerms: termsJson(overrideTerms(verdict, state)),
        openings: openingsJson(exercise, exercise.dose, state, {}),
        orthosis,
        easier: exercise.ladder.easier,
        harder: exercise.ladder.harder,
        sources: exercise.sources,
      }
    })
  })
}
