import { HEALING_ANCHORS } from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { episodeIdOf, sentTo, todayOf, writtenBy, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { caseOn } from '../../record/episodeCase.js'
import { checkSchool, refuseField, refuseUnknownThings, selectionFacts } from '../../record/schoolAnswers.js'

/**
 * What an episode is judged by: its school, the windows moved in it, days that count anew, the health that bars exercises,
 * and what is at home. Mounted at `/api/episodes/:episodeId`.
 */
export const school: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  serve(app, 'chooseSchool', async ({ request, body: content }) => {
    const { selection, values: given, ...choice } = content
    const episodeId = episodeIdOf(request)
    const record = await data.records.of(episodeId)
    const protocol = request.catalogue.protocols.get(choice.protocolId)
    if (!protocol || protocol.condition !== record.episode.conditionId)
      return refuseField('protocolId', 'Choose a school of this condition.')
    const variant = choice.variant ?? null
    const { values, selected } = checkSchool(protocol, { variant, values: given, selection })
    const [me, at] = [request.me(), clock.now()]
    const { surgeon } = record.episode
    await data.findings.chooseSchool(
      sentTo(context, request, content, 'school.choose', { protocolId: choice.protocolId }),
      { ...choice, variant, patientValues: values, episodeId, chosenBy: me.id, chosenAt: at },
      selectionFacts(selected, { episodeId, today: todayOf(context), surgeon, me, at }),
    )
    return { id: choice.id }
  })

  serve(app, 'addSlip', async ({ request, body: slip }) => {
    const episodeId = episodeIdOf(request)
    const record = await data.records.of(episodeId)
    if (!request.catalogue.protocols.get(record.school.protocolId)?.clock)
      refuseField('slippedOn', 'The days of this school do not count anew.')
    if (slip.slippedOn < record.school.anchorOn)
      refuseField('slippedOn', 'It cannot have slipped before day 0.')
    await data.findings.addSlip(sentTo(context, request, slip, 'slip.record'), {
      ...slip,
      episodeId,
      ...writtenBy(context, request),
    })
    return { id: slip.id }
  })

  serve(app, 'moveWindows', async ({ request, body: shift }) => {
    const episodeId = episodeIdOf(request)
    const record = await data.records.of(episodeId)
    const { protocol, day } = caseOn(record, request.catalogue, todayOf(context), clock.now())
    if (shift.days < 0 && HEALING_ANCHORS.includes(protocol.anchor)) {
      if (shift.agreedBy === '')
        refuseField(
          'agreedBy',
          'Write who of the surgeons agreed: this opens something earlier while it heals.',
        )
      if (shift.document === '') refuseField('document', 'Say which letter or message allows it.')
    }
    // What is open already is not moved: that would be a window in the past.
    if (shift.days < 0 && shift.afterDay < day)
      refuseField('afterDay', `Windows before today, day ${day}, do not come forward. Write ${day} or later.`)
    await data.findings.moveWindows(sentTo(context, request, shift, 'windows.move', { days: shift.days }), {
      ...shift,
      episodeId,
      schoolChoiceId: record.school.id,
      withdrawsId: null,
      ...writtenBy(context, request),
    })
    return { id: shift.id }
  })

  serve(app, 'moveBack', async ({ request, body: withdrawal, params }) => {
    const { shiftId } = params
    await data.findings.moveBack(
      shiftId,
      sentTo(context, request, withdrawal, 'windows.moveBack', { shiftId }),
      {
        why: withdrawal.why,
        ...writtenBy(context, request),
      },
    )
    return { id: withdrawal.id }
  })

  serve(app, 'addHome', async ({ request, body: check }) => {
    const things = check.things ? [...new Set(check.things)] : null
    refuseUnknownThings(things ?? [], request.catalogue)
    await data.findings.addHomeCheck(sentTo(context, request, check, 'home.record'), {
      id: check.id,
      things,
      otherHand: check.otherHand,
      episodeId: episodeIdOf(request),
      ...writtenBy(context, request),
    })
    return { id: check.id }
  })

  serve(app, 'addHealth', async ({ request, body: check }) => {
    const present = [...new Set(check.present)]
    await data.findings.addHealthCheck(sentTo(context, request, check, 'health.record', { present }), {
      ...check,
      present,
      episodeId: episodeIdOf(request),
      ...writtenBy(context, request),
    })
    return { id: check.id }
  })
}
