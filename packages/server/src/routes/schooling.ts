import { HEALING_ANCHORS } from '@pledge/core'
import {
  factWithdrawal,
  newHomeCheck,
  newHealthCheck,
  newSchoolChoice,
  newSlip,
  newWindowShift,
} from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import type { AppContext } from '../app.js'
import { addToRecord, episodeIdOf } from '../cases/addToRecord.js'
import { caseOn, readRecord } from '../cases/episodeRecord.js'
import { checkSchool, refuseField, refuseUnknownThings, selectionFacts } from '../cases/schoolAnswers.js'
import { STAFF, THERAPISTS } from '../plugins/access.js'
import { Problem } from '../problems.js'
import { obj, str } from '../reply.js'

const stored = { response: { 201: obj({ id: str }) } }

/**
 * What an episode is judged by: its school, the windows moved in it, days that count anew, and the health that bars
 * exercises. Mounted at `/api/episodes/:episodeId`.
 */
export const schooling: FastifyPluginAsync<AppContext> = async (app, { database, clock, settings }) => {
  const { rows } = database
  const today = () => clock.today(settings.clinic.timeZone)

  app.post('/school', { config: { access: THERAPISTS }, schema: stored }, async (request, reply) => {
    const { selection, values: given, ...choice } = request.checked(newSchoolChoice)
    const episodeId = episodeIdOf(request)
    const record = await readRecord(database, episodeId)
    const protocol = request.catalogue.protocols.get(choice.protocolId)
    if (!protocol || protocol.condition !== record.episode.conditionId)
      return refuseField('protocolId', 'Choose a school of this condition.')
    const variant = choice.variant ?? null
    const { values, selected } = checkSchool(protocol, { variant, values: given, selection })
    const detail = { id: choice.id, protocolId: choice.protocolId }
    const [me, at] = [request.me(), clock.now()]
    await addToRecord({ database, clock }, request, 'school.choose', detail, async (transaction) => {
      if (await rows.schoolChoices.findByPk(choice.id, { transaction })) return false
      await rows.schoolChoices.create(
        { ...choice, variant, patientValues: values, episodeId, chosenBy: me.id, chosenAt: at },
        { transaction },
      )
      const { surgeon } = record.episode
      await rows.facts.bulkCreate(selectionFacts(selected, { episodeId, today: today(), surgeon, me, at }), {
        transaction,
      })
      return true
    })
    return reply.code(201).send({ id: choice.id })
  })

  app.post('/slips', { config: { access: THERAPISTS }, schema: stored }, async (request, reply) => {
    const slip = request.checked(newSlip)
    const episodeId = episodeIdOf(request)
    const record = await readRecord(database, episodeId)
    if (!request.catalogue.protocols.get(record.school.protocolId)?.clock)
      refuseField('slippedOn', 'The days of this school do not count anew.')
    if (slip.slippedOn < record.school.anchorOn)
      refuseField('slippedOn', 'It cannot have slipped before day 0.')
    await addToRecord({ database, clock }, request, 'slip.record', { id: slip.id }, async (transaction) => {
      if (await rows.slips.findByPk(slip.id, { transaction })) return false
      await rows.slips.create(
        { ...slip, episodeId, recordedBy: request.me().id, recordedAt: clock.now() },
        { transaction },
      )
      return true
    })
    return reply.code(201).send({ id: slip.id })
  })

  app.post('/shifts', { config: { access: THERAPISTS }, schema: stored }, async (request, reply) => {
    const shift = request.checked(newWindowShift)
    const episodeId = episodeIdOf(request)
    const record = await readRecord(database, episodeId)
    const { protocol, day } = caseOn(record, request.catalogue, today(), clock.now())
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
    await addToRecord(
      { database, clock },
      request,
      'windows.move',
      { id: shift.id, days: shift.days },
      async (transaction) => {
        if (await rows.windowShifts.findByPk(shift.id, { transaction })) return false
        await rows.windowShifts.create(
          {
            ...shift,
            episodeId,
            schoolChoiceId: record.school.id,
            withdrawsId: null,
            recordedBy: request.me().id,
            recordedAt: clock.now(),
          },
          { transaction },
        )
        return true
      },
    )
    return reply.code(201).send({ id: shift.id })
  })

  app.post(
    '/shifts/:shiftId/withdrawal',
    { config: { access: THERAPISTS }, schema: stored },
    async (request, reply) => {
      const { id, why } = request.checked(factWithdrawal)
      const { shiftId } = request.params as { shiftId: string }
      const episodeId = episodeIdOf(request)
      await addToRecord(
        { database, clock },
        request,
        'windows.moveBack',
        { id, shiftId },
        async (transaction) => {
          if (await rows.windowShifts.findByPk(id, { transaction })) return false
          const shift = (
            await rows.windowShifts.findOne({
              where: { id: shiftId, episodeId, withdrawsId: null },
              transaction,
            })
          )?.get()
          if (!shift) throw new Problem('NOT_FOUND', 'There is no such move.')
          if (await rows.windowShifts.findOne({ where: { withdrawsId: shiftId }, transaction }))
            throw new Problem('ALREADY_DONE', 'This move has been taken back already.')
          await rows.windowShifts.create(
            {
              ...shift,
              id,
              why,
              withdrawsId: shiftId,
              recordedBy: request.me().id,
              recordedAt: clock.now(),
            },
            { transaction },
          )
          return true
        },
      )
      return reply.code(201).send({ id })
    },
  )

  app.post('/home', { config: { access: STAFF }, schema: stored }, async (request, reply) => {
    const check = request.checked(newHomeCheck)
    const things = check.things ? [...new Set(check.things)] : null
    refuseUnknownThings(things ?? [], request.catalogue)
    await addToRecord({ database, clock }, request, 'home.record', { id: check.id }, async (transaction) => {
      if (await rows.homeChecks.findByPk(check.id, { transaction })) return false
      await rows.homeChecks.create(
        {
          id: check.id,
          things,
          otherHand: check.otherHand as 'well',
          episodeId: episodeIdOf(request),
          recordedBy: request.me().id,
          recordedAt: clock.now(),
        },
        { transaction },
      )
      return true
    })
    return reply.code(201).send({ id: check.id })
  })

  app.post('/health', { config: { access: STAFF }, schema: stored }, async (request, reply) => {
    const check = request.checked(newHealthCheck)
    const present = [...new Set(check.present)]
    await addToRecord(
      { database, clock },
      request,
      'health.record',
      { id: check.id, present },
      async (transaction) => {
        if (await rows.healthChecks.findByPk(check.id, { transaction })) return false
        await rows.healthChecks.create(
          {
            ...check,
            present,
            episodeId: episodeIdOf(request),
            recordedBy: request.me().id,
            recordedAt: clock.now(),
          },
          { transaction },
        )
        return true
      },
    )
    return reply.code(201).send({ id: check.id })
  })
}
