import { assessExercise, choiceProblems, overrideTerms, type PatientCase } from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { Problem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'
import { refuseField } from '../../record/schoolAnswers.js'

/** A therapist's exceptions: a "not yet" opened for one patient with a reason. Mounted at `/api/episodes/:episodeId/overrides`. */
export const overrides: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  serve(app, 'addOverride', async ({ request, body }) => {
    const override = body
    const { id } = override
    const episodeId = episodeIdOf(request)
    const exercise = request.catalogue.exercises.get(override.exerciseId)
    if (!exercise) return refuseField('exerciseId', 'The catalogue has no such exercise.')
    const record = await data.records.of(episodeId)
    const state = caseOn(record, request.catalogue, todayOf(context), clock.now())
    const dose = override.dose
    const digits = override.digits
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
    const detail = { id, exerciseId: exercise.id }
    await data.programs.addOverride(
      { id, episodeId, content: override, told: told(context, request, 'override.record', detail) },
      {
        ...override,
        barredBy: terms.barredBy,
        protocolVersions: versionsOf(state),
        episodeId,
        withdrawsId: null,
        recordedBy: request.me().id,
        recordedAt: clock.now(),
      },
    )
    return { id }
  })

  serve(app, 'takeBackOverride', async ({ request, body, params }) => {
    const content = body
    const { id, why } = content
    const { overrideId } = params
    await data.programs.withdrawOverride(
      overrideId,
      {
        id,
        episodeId: episodeIdOf(request),
        content,
        told: told(context, request, 'override.withdraw', { id, overrideId }),
      },
      { why, recordedBy: request.me().id, recordedAt: clock.now() },
    )
    return { id }
  })
}

/** The version of each protocol a verdict rests on. */
function versionsOf({ protocol, otherInjuries }: PatientCase): Record<string, number> {
  const all = [protocol, ...otherInjuries.map(({ state }) => state.protocol)]
  return Object.fromEntries(all.map(({ id, version }) => [id, version]))
}
