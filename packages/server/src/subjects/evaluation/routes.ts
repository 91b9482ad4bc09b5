import {
  checkedReading,
  dayZero,
  handMeasures,
  measuredDigits,
  measureFacts,
  measureLocks,
  overpressureLock,
  overrideTerms,
  whatToMeasure,
} from '@pledge/core'
import type { BodyOf } from '@pledge/contract'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import { termsJson } from '../../answers/override.js'
import { verdictJson } from '../../answers/verdict.js'
import { episodeIdOf, sentTo, todayOf, told, writtenBy, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { Problem } from '../../problems.js'
import type { MeasurementRow } from '../../data/rows.js'
import { caseOn, measuredOf, visitsOf } from '../../record/episodeCase.js'
import { refuseField } from '../../record/schoolAnswers.js'
import { aimsJson, historyOf } from './answer.js'

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
    const users = await data.users.names()
    const visits = visitsOf(record)
    return {
      ...aimsJson(record, about, users, today),
      history: historyOf(record, request.catalogue, today),
      digits: measuredDigits(about),
      handMeasures: handMeasures(about),
      overpressure: overpressure && verdictJson(overpressure, zero, state.day),
      items: whatToMeasure(state, about, visits),
      locks: measureLocks(state, about).map(({ verdict, ...lock }) => ({
        ...lock,
        terms: termsJson(overrideTerms(verdict, state)),
        verdict: verdictJson(verdict, zero, state.day),
      })),
    }
  })

  serve(app, 'addEvaluation', async ({ request, body: content }) => {
    const { readings, amendsId = null, early = [], ...visit } = content
    const { id } = visit
    const episodeId = episodeIdOf(request)
    const sent = sentTo(context, request, content, amendsId ? 'evaluation.amend' : 'evaluation.create', {
      readings: readings.length,
      ...(amendsId ? { amendsId } : {}),
    })
    await checkTasks(readings, episodeId)
    if (!amendsId) await checkEarly(early, request)
    const row = {
      ...visit,
      amendsId,
      early: early.length > 0 ? early : null,
      episodeId,
      ...writtenBy(context, request),
    }
    const rows = readings.map((one) => measurementOf(one, id, episodeId))
    await (amendsId
      ? data.findings.amendEvaluation(amendsId, sent, row, rows)
      : data.findings.addEvaluation(sent, row, rows))
    return { id }
  })

  serve(app, 'addTask', async ({ request, body: task }) => {
    await data.aims.addTask(sentTo(context, request, task, 'task.add'), { ...task, ...fresh(request) })
    return { id: task.id }
  })

  serve(app, 'addGoal', async ({ request, body: goal }) => {
    const row = { ...goal, setOn: todayOf(context), ...fresh(request) }
    await data.aims.addGoal(sentTo(context, request, goal, 'goal.set', { series: goal.series }), row)
    return { id: goal.id }
  })

  serve(app, 'addEvent', async ({ request, body: event }) => {
    await data.aims.addEvent(sentTo(context, request, event, 'event.record', { kind: event.kind }), {
      ...event,
      ...fresh(request),
    })
    return { id: event.id }
  })

  serve(app, 'takeBackTask', async ({ request, body, params: { rowId } }) => {
    await data.aims.takeBackTask(rowId, sentTo(context, request, body, 'task.takeBack', { rowId }), {
      why: body.why,
      ...writtenBy(context, request),
    })
    return { id: body.id }
  })

  serve(app, 'takeBackGoal', async ({ request, body, params: { rowId } }) => {
    await data.aims.takeBackGoal(rowId, sentTo(context, request, body, 'goal.takeBack', { rowId }), {
      why: body.why,
      ...writtenBy(context, request),
    })
    return { id: body.id }
  })

  serve(app, 'takeBackEvent', async ({ request, body, params: { rowId } }) => {
    await data.aims.takeBackEvent(rowId, sentTo(context, request, body, 'event.takeBack', { rowId }), {
      why: body.why,
      ...writtenBy(context, request),
    })
    return { id: body.id }
  })

  /** What is measured before its time takes what an exercise before its time does: nothing that no reason opens, and the surgeon's word. */
  async function checkEarly(early: readonly SentEarly[], request: FastifyRequest): Promise<void> {
    if (early.length === 0) return
    const record = await data.records.of(episodeIdOf(request))
    const state = caseOn(record, request.catalogue, todayOf(context), clock.now())
    const locks = measureLocks(state, measuredOf(record, state.protocol)).filter(
      (lock) => lock.state === 'locked',
    )
    for (const [at, { measures, agreedBy, document }] of early.entries())
      for (const { measure, verdict } of locks.filter((lock) => measures.includes(lock.measure))) {
        const terms = overrideTerms(verdict, state)
        if (!terms.isPossible)
          throw new Problem(
            'NOT_CLEARED',
            `${measureFacts(measure).label} is not measured early: ${terms.why.en}`,
          )
        if (terms.needsSurgeon && agreedBy === '')
          refuseField(`early.${at}.agreedBy`, 'Write who of the surgeons agreed: the injury still heals.')
        if (terms.needsSurgeon && document === '')
          refuseField(`early.${at}.document`, 'Say which letter or message allows it.')
      }
  }

  /** A task is measured where it was told: of another episode nobody knows what it means. */
  async function checkTasks(readings: readonly SentReading[], episodeId: string): Promise<void> {
    const told = readings.flatMap(({ measure, spot }) => (measure === 'task' && spot ? [spot] : []))
    if (told.length === 0) return
    const known = await data.aims.taskIds(episodeId)
    if (told.some((id) => !known.has(id)))
      throw new Problem('INPUT_INVALID', 'One of the tasks is not a task of this case.', [
        { path: 'readings', message: 'This task is not known here. Load the page again.' },
      ])
  }

  const fresh = (request: FastifyRequest) => ({
    episodeId: episodeIdOf(request),
    withdrawsId: null,
    why: '',
    ...writtenBy(context, request),
  })
}

type SentEarly = BodyOf<'addEvaluation'>['early'][number]
type SentReading = BodyOf<'addEvaluation'>['readings'][number]

function measurementOf(sent: SentReading, evaluationId: string, episodeId: string): MeasurementRow {
  const { digit = null, side = null, kind = null, ...one } = sent
  const { measure, spot = '', result, ...place } = checkedReading({ ...one, digit, side, kind })
  return {
    evaluationId,
    episodeId,
    measure,
    digit: place.digit ?? '',
    side: place.side ?? '',
    kind: place.kind ?? '',
    spot,
    result,
  }
}
