import {
  checkedReading,
  dayZero,
  handMeasures,
  measuredDigits,
  measureLocks,
  overpressureLock,
  whatToMeasure,
} from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { verdictJson } from '../../answers/verdict.js'
import { episodeIdOf, sentTo, todayOf, told, writtenBy, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { caseOn, measuredOf, visitsOf } from '../../record/episodeCase.js'

/** What a therapist measures. Mounted at `/api/episodes/:episodeId`. */
export const evaluation: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  serve(app, 'bench', async ({ request }) => {
    const episodeId = episodeIdOf(request)
    const record = await data.records.of(episodeId)
    const today = todayOf(context)
    const state = caseOn(record, request.catalogue, today, clock.now())
    await data.journal.note(told(context, request, 'bench.read'), episodeId)
    const about = measuredOf(record, state.protocol)
    const overpressure = overpressureLock(state)
    const zero = dayZero(state.day, today)
    return {
      digits: measuredDigits(about),
      handMeasures: handMeasures(about),
      overpressure: overpressure && verdictJson(overpressure, zero, state.day),
      items: whatToMeasure(state, about, visitsOf(record)),
      locks: measureLocks(state, about).map(({ verdict, ...lock }) => ({
        ...lock,
        verdict: verdictJson(verdict, zero, state.day),
      })),
    }
  })

  serve(app, 'addEvaluation', async ({ request, body: content }) => {
    const { readings, ...visit } = content
    const { id } = visit
    const episodeId = episodeIdOf(request)
    await data.findings.addEvaluation(
      sentTo(context, request, content, 'evaluation.create', { readings: readings.length }),
      { ...visit, episodeId, ...writtenBy(context, request) },
      readings
        .map(({ digit = null, side = null, kind = null, ...one }) =>
          checkedReading({ ...one, digit, side, kind }),
        )
        .map(({ measure, digit, side, kind, result }) => ({
          evaluationId: id,
          episodeId,
          measure,
          digit: digit ?? '',
          side: side ?? '',
          kind: kind ?? '',
          result,
        })),
    )
    return { id }
  })
}
