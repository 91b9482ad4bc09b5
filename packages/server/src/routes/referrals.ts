import type { Catalogue } from '@pledge/core'
import { newReferral } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import type { AppContext } from '../app.js'
import { newId } from '../data/ids.js'
import { STAFF, THERAPISTS } from '../plugins/access.js'
import { Problem } from '../problems.js'
import { list, obj, str } from '../reply.js'

const conditionsReply = list(
  obj({ id: str, name: str, protocols: list(obj({ id: str, title: str, school: str, evidence: str })) }),
)

/** A new patient with one episode. Mounted at `/api/referrals`. */
export const referrals: FastifyPluginAsync<AppContext> = async (
  app,
  { database, catalogue, clock, settings },
) => {
  app.get(
    '/conditions',
    { config: { access: STAFF }, schema: { response: { 200: conditionsReply } } },
    async () => conditionsOf(catalogue),
  )

  app.post(
    '/',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ episodeId: str }) } } },
    async (request, reply) => {
      const referral = request.checked(newReferral)
      const protocol = catalogue.protocols.get(referral.protocolId)
      if (!protocol || protocol.condition !== referral.conditionId) {
        throw new Problem('INPUT_INVALID', 'Choose a school of this condition.', [
          { path: 'protocolId', message: 'Choose a school of this condition.' },
        ])
      }
      const today = clock.today(settings.clinic.timeZone)
      const [at, me] = [clock.now(), request.me()]
      const [patientId, episodeId] = [newId(), newId()]
      const clearances = [...new Set(referral.clearances)]
      const orderRows = referral.restrictions.map((one) => ({
        id: newId(),
        episodeId,
        restriction: one.restriction,
        untilOn: one.untilOn ?? null,
        givenBy: referral.surgeon,
        dated: referral.letterOn,
        why: one.why,
        withdrawsId: null,
        recordedBy: me.id,
        recordedAt: at,
      }))
      const factRows = clearances.map((what) => ({
        id: newId(),
        episodeId,
        what,
        value: 'true',
        isWithdrawn: false,
        dated: referral.letterOn,
        givenBy: referral.surgeon,
        how: 'letter' as const,
        note: 'With the referral',
        correctsId: null,
        recordedBy: me.id,
        recordedAt: at,
      }))
      await database.inTransaction(async (transaction) => {
        const { rows } = database
        await rows.patients.create(
          {
            id: patientId,
            name: referral.name,
            birthDate: referral.birthDate,
            dominantHand: referral.dominantHand as 'left',
            language: referral.language as 'en',
            hasLatexAllergy: referral.hasLatexAllergy,
            hasAdhesiveAllergy: referral.hasAdhesiveAllergy,
            createdBy: me.id,
            createdAt: at,
          },
          { transaction },
        )
        await rows.episodes.create(
          {
            id: episodeId,
            patientId,
            therapistId: me.id,
            conditionId: referral.conditionId,
            protocolId: referral.protocolId,
            side: referral.side as 'left',
            timeZone: settings.clinic.timeZone,
            injuredOn: referral.injuredOn,
            surgeryOn: referral.surgeryOn,
            surgeon: referral.surgeon,
            work: referral.work,
            note: referral.note,
            openedOn: today,
            createdAt: at,
          },
          { transaction },
        )
        await rows.facts.bulkCreate(factRows, { transaction })
        await rows.orders.bulkCreate(orderRows, { transaction })
        const detail = { patientId, clearances, restrictions: orderRows.map((row) => row.restriction) }
        await database.audit(
          { at, actor: request.actor(), action: 'referral.create', episodeId, isChange: true, detail },
          transaction,
        )
      })
      return reply.code(201).send({ episodeId })
    },
  )
}

function conditionsOf(catalogue: Catalogue) {
  return [...catalogue.conditions.values()].map((condition) => ({
    id: condition.id,
    name: condition.name.en,
    protocols: condition.protocols.map((id) => {
      const { title, school, evidence } = catalogue.protocols.get(id)!
      return { id, title, school, evidence }
    }),
  }))
}
