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
import { overrideIn, overrideReply, termsJson, termsReply } from '../../answers/override.js'
import {
  bool,
  depictedReply,
  dosingReply,
  exerciseTeachingReply,
  list,
  maybe,
  obj,
  openingsReply,
  str,
  verdictReply,
  whole,
} from '../../answers/shapes.js'
import { openingsJson, verdictJson } from '../../answers/verdict.js'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { STAFF } from '../../plugins/access.js'
import { caseOn } from '../../record/episodeCase.js'

const exercisesReply = list(
  obj({
    id: str,
    family: str,
    aims: list(str),
    choosableDigits: list(str),
    isOneAtATime: bool,
    digitsToBegin: maybe(list(str)),
    holdKind: str,
    region: str,
    demand: str,
    text: exerciseTeachingReply,
    depicted: depictedReply,
    ...dosingReply,
    equipment: list(obj({ name: str, home: maybe(str) })),
    painCap: whole,
    verdict: verdictReply,
    openings: openingsReply,
    orthosis: str,
    override: overrideReply,
    overrideTerms: termsReply,
    instead: maybe(obj({ id: str, name: str, rungsDown: maybe(whole) })),
    easier: list(str),
    harder: list(str),
    sources: list(obj({ key: str, confidence: str })),
  }),
)

/** The exercises of a condition as a patient may do them today. Mounted at `/api/episodes/:episodeId`. */
export const exercises: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  app.get(
    '/exercises',
    { config: { access: STAFF }, schema: { response: { 200: exercisesReply } } },
    async (request) => {
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
    },
  )
}
