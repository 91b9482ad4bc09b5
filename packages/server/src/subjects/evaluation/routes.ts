import { signedDeg } from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { episodeIdOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'

/** What a therapist measures. Mounted at `/api/episodes/:episodeId/evaluations`. */
export const evaluation: FastifyPluginAsync<AppContext> = async (app, context) => {
  serve(app, 'addEvaluation', async ({ request, body }) => {
    const content = body
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
        side,
        kind,
        angleDeg: signedDeg(motion, readingDeg),
      })),
    )
    return { id }
  })
}
