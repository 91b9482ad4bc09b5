import { HEALING_ANCHORS } from '@pledge/core'
import {
  factWithdrawal,
  newHealthCheck,
  newHomeCheck,
  newSchoolChoice,
  newSlip,
  newWindowShift,
} from '@pledge/core/schemas'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import { obj, str } from '../../answers/shapes.js'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { STAFF, THERAPISTS } from '../../plugins/access.js'
import { caseOn } from '../../record/episodeCase.js'
import { checkSchool, refuseField, refuseUnknownThings, selectionFacts } from '../../record/schoolAnswers.js'

const stored = { response: { 201: obj({ id: str }) } }

/**
 * What an episode is judged by: its school, the windows moved in it, days that count anew, the health that bars exercises,
 * and what is at home. Mounted at `/api/episodes/:episodeId`.
 */
export const school: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context
  const sent = (request: FastifyRequest, content: { id: string }, action: string, detail: object = {}) => ({
    id: content.id,
    episodeId: episodeIdOf(request),
    content,
    told: told(context, request, action, { id: content.id, ...detail }),
  })
  const by = (request: FastifyRequest) => ({ recordedBy: request.me().id, recordedAt: clock.now() })

  app.post('/school', { config: { access: THERAPISTS }, schema: stored }, async (request, reply) => {
    const content = request.checked(newSchoolChoice)
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
      sent(request, content, 'school.choose', { protocolId: choice.protocolId }),
      { ...choice, variant, patientValues: values, episodeId, chosenBy: me.id, chosenAt: at },
      selectionFacts(selected, { episodeId, today: todayOf(context), surgeon, me, at }),
    )
    return reply.code(201).send({ id: choice.id })
  })

  app.post('/slips', { config: { access: THERAPISTS }, schema: stored }, async (request, reply) => {
    const slip = request.checked(newSlip)
    const episodeId = episodeIdOf(request)
    const record = await data.records.of(episodeId)
    if (!request.catalogue.protocols.get(record.school.protocolId)?.clock)
      refuseField('slippedOn', 'The days of this school do not count anew.')
    if (slip.slippedOn < record.school.anchorOn)
      refuseField('slippedOn', 'It cannot have slipped before day 0.')
    await data.findings.addSlip(sent(request, slip, 'slip.record'), { ...slip, episodeId, ...by(request) })
    return reply.code(201).send({ id: slip.id })
  })

  app.post('/shifts', { config: { access: THERAPISTS }, schema: stored }, async (request, reply) => {
    const shift = request.checked(newWindowShift)
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
    await data.findings.moveWindows(sent(request, shift, 'windows.move', { days: shift.days }), {
      ...shift,
      episodeId,
      schoolChoiceId: record.school.id,
      withdrawsId: null,
      ...by(request),
    })
    return reply.code(201).send({ id: shift.id })
  })

  app.post(
    '/shifts/:shiftId/withdrawal',
    { config: { access: THERAPISTS }, schema: stored },
    async (request, reply) => {
      const withdrawal = request.checked(factWithdrawal)
      const { shiftId } = request.params as { shiftId: string }
      await data.findings.moveBack(shiftId, sent(request, withdrawal, 'windows.moveBack', { shiftId }), {
        why: withdrawal.why,
        ...by(request),
      })
      return reply.code(201).send({ id: withdrawal.id })
    },
  )

  app.post('/home', { config: { access: STAFF }, schema: stored }, async (request, reply) => {
    const check = request.checked(newHomeCheck)
    const things = check.things ? [...new Set(check.things)] : null
    refuseUnknownThings(things ?? [], request.catalogue)
    await data.findings.addHomeCheck(sent(request, check, 'home.record'), {
      id: check.id,
      things,
      otherHand: check.otherHand as 'well',
      episodeId: episodeIdOf(request),
      ...by(request),
    })
    return reply.code(201).send({ id: check.id })
  })

  app.post('/health', { config: { access: STAFF }, schema: stored }, async (request, reply) => {
    const check = request.checked(newHealthCheck)
    const present = [...new Set(check.present)]
    await data.findings.addHealthCheck(sent(request, check, 'health.record', { present }), {
      ...check,
      present,
      episodeId: episodeIdOf(request),
      ...by(request),
    })
    return reply.code(201).send({ id: check.id })
  })
}
