import { signedDeg } from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { episodeIdOf, sentTo, writtenBy, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'

/** What a therapist measures. Mounted at `/api/episodes/:episodeId/evaluations`. */
export const evaluation: FastifyPluginAsync<AppContext> = async (app, context) => {
  serve(app, 'addEvaluation', async ({ request, body: content }) => {
    const { readings, ...scores } = content
    const { id } = scores
    await context.data.findings.addEvaluation(
      sentTo(context, request, content, 'evaluation.create', { readings: readings.length }),
      {
        ...scores,
        painRest: scores.painRest ?? null,
        painAct: scores.painAct ?? null,
        episodeId: episodeIdOf(request),
        ...writtenBy(context, request),
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
