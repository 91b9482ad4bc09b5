import { signedDeg, type WristMotion } from '@pledge/core'
import { newEvaluation } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import { obj, str } from '../../answers/shapes.js'
import { episodeIdOf, told, type AppContext } from '../../context.js'
import { STAFF } from '../../plugins/access.js'

/** What a therapist measures. Mounted at `/api/episodes/:episodeId/evaluations`. */
export const evaluation: FastifyPluginAsync<AppContext> = async (app, context) => {
  app.post(
    '/',
    { config: { access: STAFF }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const content = request.checked(newEvaluation)
      const { readings, ...scores } = content
      const { id } = content
      const episodeId = episodeIdOf(request)
      await context.data.findings.addEvaluation(
        {
          id,
          episodeId,
          content,
          told: told(context, request, 'evaluation.create', { id, readings: readings.length }),
        },
        {
          ...scores,
          painRest: scores.painRest ?? null,
          painAct: scores.painAct ?? null,
          episodeId,
          recordedBy: request.me().id,
          recordedAt: context.clock.now(),
        },
        readings.map(({ motion, side, kind, readingDeg }) => ({
          evaluationId: id,
          motion,
          side: side as 'left',
          kind: kind as 'active',
          angleDeg: signedDeg(motion as WristMotion, readingDeg),
        })),
      )
      return reply.code(201).send({ id })
    },
  )
}
