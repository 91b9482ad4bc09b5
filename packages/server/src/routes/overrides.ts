import { assessExercise, choiceProblems, overrideTerms, type Digit, type Dose } from '@pledge/core'
import { factWithdrawal, newOverride } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import type { AppContext } from '../app.js'
import { addToRecord, episodeIdOf } from '../cases/addToRecord.js'
import { caseOn, readRecord } from '../cases/episodeRecord.js'
import { refuseField } from '../cases/schoolAnswers.js'
import { THERAPISTS } from '../plugins/access.js'
import { Problem } from '../problems.js'
import { obj, str } from '../reply.js'

const stored = { response: { 201: obj({ id: str }) } }

/** A therapist's exceptions: a "not yet" opened for one patient with a reason. Mounted at `/api/episodes/:episodeId/overrides`. */
export const overrides: FastifyPluginAsync<AppContext> = async (app, { database, clock, settings }) => {
  const { rows } = database

  app.post('/', { config: { access: THERAPISTS }, schema: stored }, async (request, reply) => {
    const override = request.checked(newOverride)
    const episodeId = episodeIdOf(request)
    const exercise = request.catalogue.exercises.get(override.exerciseId)
    if (!exercise) return refuseField('exerciseId', 'The catalogue has no such exercise.')
    const record = await readRecord(database, episodeId)
    const today = clock.today(settings.clinic.timeZone)
    const state = caseOn(record, request.catalogue, today, clock.now())
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
    const detail = { id: override.id, exerciseId: exercise.id }
    await addToRecord({ database, clock }, request, 'override.record', detail, async (transaction) => {
      if (await rows.overrides.findByPk(override.id, { transaction })) return false
      await rows.overrides.create(
        {
          ...override,
          barredBy: terms.barredBy,
          episodeId,
          withdrawsId: null,
          recordedBy: request.me().id,
          recordedAt: clock.now(),
        },
        { transaction },
      )
      return true
    })
    return reply.code(201).send({ id: override.id })
  })

  app.post(
    '/:overrideId/withdrawal',
    { config: { access: THERAPISTS }, schema: stored },
    async (request, reply) => {
      const { id, why } = request.checked(factWithdrawal)
      const { overrideId } = request.params as { overrideId: string }
      const episodeId = episodeIdOf(request)
      const detail = { id, overrideId }
      await addToRecord({ database, clock }, request, 'override.withdraw', detail, async (transaction) => {
        if (await rows.overrides.findByPk(id, { transaction })) return false
        const override = (
          await rows.overrides.findOne({
            where: { id: overrideId, episodeId, withdrawsId: null },
            transaction,
          })
        )?.get()
        if (!override) throw new Problem('NOT_FOUND', 'There is no such exception.')
        if (await rows.overrides.findOne({ where: { withdrawsId: overrideId }, transaction }))
          throw new Problem('ALREADY_DONE', 'This exception has been taken back already.')
        await rows.overrides.create(
          {
            ...override,
            id,
            why,
            withdrawsId: overrideId,
            recordedBy: request.me().id,
            recordedAt: clock.now(),
          },
          { transaction },
        )
        return true
      })
      return reply.code(201).send({ id })
    },
  )
}
