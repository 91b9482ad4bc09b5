import {
  alwaysWorn,
  assessThisHand,
  causeOfAll,
  dayZero,
  isEarlyPermission,
  isRestriction,
  isSurgeonsToGive,
  MAP_MODES,
  MODE_NAMES,
  ORTHOSIS_NAMES,
  permissionMap,
  standingOf,
} from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { verdictJson } from '../../answers/verdict.js'
import { episodeIdOf, sentTo, todayOf, told, writtenBy, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { Problem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'

/**
 * What opens and closes: what may move today, clearances and findings, a surgeon's orders, red flags. Mounted at
 * `/api/episodes/:episodeId`.
 */
export const phase: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  serve(app, 'permissions', async ({ request, query: { inside } }) => {
    const episodeId = episodeIdOf(request)
    const record = await data.records.of(episodeId)
    const today = todayOf(context)
    const state = caseOn(record, request.catalogue, today, clock.now())
    await data.journal.note(told(context, request, 'permissions.read'), episodeId)
    const zero = dayZero(state.day, today)
    const worn = alwaysWorn(standingOf(state).phase)?.orthosis ?? 'none'
    const orthosis = inside === 'none' ? 'none' : worn
    const rows = permissionMap(state, orthosis, (signature) => assessThisHand(signature, state))
    return {
      orthosis,
      orthosisName: ORTHOSIS_NAMES[orthosis].en,
      modes: MAP_MODES.map((mode) => ({ mode, name: MODE_NAMES[mode].en })),
      barredBy: causeOfAll(rows, state)?.en ?? null,
      rows: rows.map((row) => ({
        motion: row.motion,
        name: row.name.en,
        cells: row.cells.map(({ mode, verdict }) => ({
          mode,
          verdict: verdictJson(verdict, zero, state.day),
        })),
      })),
    }
  })

  serve(app, 'addFact', async ({ request, body: fact }) => {
    if (isSurgeonsToGive(fact.what) && request.me().role !== 'therapist')
      throw new Problem('NOT_ALLOWED', "A surgeon's clearance is recorded by a therapist.")
    await data.findings.addFact(sentTo(context, request, fact, 'fact.record', { what: fact.what }), {
      ...fact,
      value: JSON.stringify(fact.value),
      isWithdrawn: false,
      correctsId: null,
      episodeId: episodeIdOf(request),
      ...writtenBy(context, request),
    })
    return { id: fact.id }
  })

  serve(app, 'withdrawFact', async ({ request, body: withdrawal, params }) => {
    const { factId } = params
    await data.findings.withdrawFact(
      factId,
      sentTo(context, request, withdrawal, 'fact.withdraw', { factId }),
      {
        note: withdrawal.why,
        dated: todayOf(context),
        ...writtenBy(context, request),
      },
    )
    return { id: withdrawal.id }
  })

  serve(app, 'addOrder', async ({ request, body: order }) => {
    if (!isRestriction(order.restriction) && !isEarlyPermission(order.restriction))
      throw new Problem('INPUT_INVALID', 'Choose what the order says.', [
        { path: 'restriction', message: 'Choose what the order says.' },
      ])
    await data.findings.addOrder(
      sentTo(context, request, order, 'order.record', { restriction: order.restriction }),
      {
        ...order,
        untilOn: order.untilOn ?? null,
        withdrawsId: null,
        episodeId: episodeIdOf(request),
        ...writtenBy(context, request),
      },
    )
    return { id: order.id }
  })

  serve(app, 'withdrawOrder', async ({ request, body: withdrawal, params }) => {
    const { orderId } = params
    await data.findings.withdrawOrder(
      orderId,
      sentTo(context, request, withdrawal, 'order.withdraw', { orderId }),
      {
        why: withdrawal.why,
        dated: todayOf(context),
        ...writtenBy(context, request),
      },
    )
    return { id: withdrawal.id }
  })

  serve(app, 'raiseFlag', async ({ request, body }) => {
    const { id, flag } = body
    await data.findings.raiseFlag(sentTo(context, request, { id, flag }, 'flag.raise', { flag }), {
      id,
      episodeId: episodeIdOf(request),
      flag,
      boutLogId: null,
      raisedAt: clock.now(),
      liftsId: null,
      outcome: '',
      answeredBy: '',
      liftedBy: null,
    })
    return { id }
  })

  serve(app, 'liftFlag', async ({ request, body: lift, params }) => {
    const { outcome, answeredBy } = lift
    const { flagId } = params
    const { redFlags } = request.catalogue.crossCutting
    await data.findings.liftFlag(
      flagId,
      sentTo(context, request, lift, 'flag.lift', { flagId }),
      { outcome, answeredBy, liftedBy: request.me().id, raisedAt: clock.now() },
      ({ flag }) => {
        if (!redFlags.get(flag)!.needsSurgeon || answeredBy !== '') return
        const message =
          'Write who of the surgeons or the emergency department answered: this flag needs their word.'
        throw new Problem('INPUT_INVALID', message, [{ path: 'answeredBy', message }])
      },
    )
    return { id: lift.id }
  })
}
