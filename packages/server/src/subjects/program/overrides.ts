import { assessExercise, choiceProblems, overrideTerms, type PatientCase } from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { episodeIdOf, sentTo, todayOf, writtenBy, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { Problem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'
import { refuseField } from '../../record/schoolAnswers.js'

/** A therapist's exceptions: a "not yet" opened for one patient with a reason. Mounted at `/api/episodes/:episodeId/overrides`. */
export const overrides: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  serve(app, 'addOverride', async ({ request, body: override }) => {
    const { id, dose, digits } = override
    const episodeId = episodeIdOf(request)
    const exercise = request.catalogue.exercises.get(override.exerciseId)
    if (!exercise) return refuseField('exerciseId', 'The catalogue has no such exercise.')
    const record = await data.records.of(episodeId)
    const state = caseOn(record, request.catalogue, todayOf(context), clock.now())
    const [wrong] = choiceProblems(exercise, dose, digits)
    if (wrong) refuseField(wrong.path, wrong.message)
    const verdict = assessExercise(exercise, dose, state, { chosen: digits })
    const terms = overrideTerms(verdict, state)
    if (!terms.isPossible) throw new Problem('NOT_CLEARED', `Not opened: ${terms.why.en}`)
    if (terms.needsSurgeon) {
      if (override.agreedBy === '')
        refuseField('agreedBy', 'Write who of the surgeons agreed: the injury still heals.')
      if (override.document === '') refuseField('document', 'Say which letter or message allows it.')
    }
    await data.programs.addOverride(
      sentTo(context, request, override, 'override.record', { exerciseId: exercise.id }),
      {
        ...override,
        barredBy: terms.barredBy,
        protocolVersions: versionsOf(state),
        episodeId,
        withdrawsId: null,
        ...writtenBy(context, request),
      },
    )
    return { id }
  })

  serve(app, 'takeBackOverride', async ({ request, body: content, params }) => {
    const { id, why } = content
    const { overrideId } = params
    await data.programs.withdrawOverride(
      overrideId,
      sentTo(context, request, content, 'override.withdraw', { overrideId }),
      { why, ...writtenBy(context, request) },
    )
    return { id }
  })
}

/** The version of each protocol a verdict rests on. */
function versionsOf({ protocol, otherInjuries }: PatientCase): Record<string, number> {
  const all = [protocol, ...otherInjuries.map(({ state }) => state.protocol)]
  return Object.fromEntries(all.map(({ id, version }) => [id, version]))
}
