import {
  assessExercise,
  choiceProblems,
  overrideTerms,
  type Digit,
  type Dose,
  type PatientCase,
} from '@pledge/core'
import { factWithdrawal, newOverride } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import { obj, str } from '../../answers/shapes.js'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { THERAPISTS } from '../../plugins/access.js'
import { Problem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'
import { refuseField } from '../../record/schoolAnswers.js'

const stored = { response: { 201: obj({ id: str }) } }

/** A therapist's exceptions: a "not yet" opened for one patient with a reason. Mounted at `/api/episodes/:episodeId/overrides`. */
export const overrides: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  app.post('/', { config: { access: THERAPISTS }, schema: stored }, async (request, reply) => {
    const override = request.checked(newOverride)
    const { id } = override
    const episodeId = episodeIdOf(request)
    const exercise = request.catalogue.exercises.get(override.exerciseId)
    if (!exercise) return refuseField('exerciseId', 'The catalogue has no such exercise.')
    const record = await data.records.of(episodeId)
    const state = caseOn(record, request.catalogue, todayOf(context), clock.now())
    const dose = override.dose as Dose
    const digits = override.digits as Digit[] | null
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
    return reply.code(201).send({ id })
  })

  app.post(
    '/:overrideId/withdrawal',
    { config: { access: THERAPISTS }, schema: stored },
    async (request, reply) => {
      const content = request.checked(factWithdrawal)
      const { id, why } = content
      const { overrideId } = request.params as { overrideId: string }
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
      return reply.code(201).send({ id })
    },
  )
}

/** The version of each protocol a verdict rests on. */
function versionsOf({ protocol, otherInjuries }: PatientCase): Record<string, number> {
  const all = [protocol, ...otherInjuries.map(({ state }) => state.protocol)]
  return Object.fromEntries(all.map(({ id, version }) => [id, version]))
}
