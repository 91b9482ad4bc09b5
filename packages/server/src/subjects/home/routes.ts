import { randomBytes, randomInt } from 'node:crypto'
import { flagsOfBout, type RedFlag } from '@pledge/core'
import { newBoutLog, pairing, type NewBoutLog } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import { bool, obj, str } from '../../answers/shapes.js'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { digestOf, hashOf } from '../../data/digest.js'
import { CODE_MINUTES } from '../../data/homes.js'
import { newId } from '../../data/ids.js'
import { STAFF, THERAPISTS } from '../../plugins/access.js'
import { Problem, type FieldProblem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'
import { firstName, phoneToday, todayReply } from './answer.js'

/** A phone's clock may run ahead of ours by this much. */
const CLOCK_TOLERANCE_MS = 2 * 60_000
/** A bout that began longer ago is a broken clock. */
const OLDEST_LOG_DAYS = 60

/** What the patient's phone may ask. Mounted at `/api/phone`. */
export const phone: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock, settings, checkpoint } = context

  app.post(
    '/pairing',
    {
      config: {
        access: 'anyone',
        rateLimit: { max: settings.limits.pairingPerMinute, timeWindow: '1 minute' },
      },
      schema: { response: { 201: obj({ token: str, firstName: str, language: str }) } },
    },
    async (request, reply) => {
      const code = request.checked(pairing).code.replace(/\D/g, '')
      const token = randomBytes(32).toString('base64url')
      const device = await data.homes.pair(hashOf(code), hashOf(token), clock.now())
      if (!device) {
        await data.journal.note(told(context, request, 'phone.pairRefused'), null)
        throw new Problem(
          'CODE_INVALID',
          'This code is wrong, used up or too old. Ask your therapist for a new one.',
        )
      }
      const { patient } = await data.records.of(device.episodeId)
      return reply.code(201).send({ token, firstName: firstName(patient.name), language: patient.language })
    },
  )

  app.get(
    '/today',
    { config: { access: 'device' }, schema: { response: { 200: todayReply } } },
    async (request) => {
      const { id, episodeId } = request.phone()
      const record = await data.records.of(episodeId)
      const [today, now] = [todayOf(context), clock.now()]
      const state = caseOn(record, request.catalogue, today, now)
      await data.homes.seen(id, now)
      await data.journal.note(told(context, request, 'phone.readToday'), episodeId)
      return phoneToday(record, state, request.catalogue, settings.clinic, today, now)
    },
  )

  app.post(
    '/bouts',
    {
      config: { access: 'device', isPhoneCheckedOnWrite: true },
      schema: { response: { '2xx': obj({ id: str, receivedAt: str, isNew: bool }) } },
    },
    async (request, reply) => {
      const log = request.checked(newBoutLog)
      const { id: deviceId, episodeId } = request.phone()
      const digest = digestOf(log)
      const at = clock.now()
      const errors = await whatIsImpossible(log, episodeId, at)
      if (errors.length > 0) {
        // What was stored before the phone's clock went wrong is still stored.
        const stored = await data.homes.storedBout({ id: log.id, episodeId, digest })
        if (stored) return reply.code(200).send(answerOf(log.id, stored))
        throw new Problem('INPUT_INVALID', errors[0]!.message, errors)
      }
      await checkpoint('bout.beforeInsert')
      const pain = { painWorst: log.painWorst ?? null, painAfter: log.painAfter ?? null }
      const redFlags = log.redFlags as RedFlag[]
      const flags = flagsOfBout({ ...pain, redFlags }, request.catalogue.crossCutting.response)
      const stored = await data.homes.addBout(
        {
          ...pain,
          id: log.id,
          programVersionId: log.programVersionId,
          redFlags,
          endedBy: log.endedBy as 'done',
          painBefore: log.painBefore ?? null,
          startedAt: new Date(log.startedAt),
          endedAt: new Date(log.endedAt),
          episodeId,
          deviceId,
          digest,
          receivedAt: at,
          items: log.items.map((item) => ({ ...item, outcome: item.outcome as 'done' })),
        },
        flags.map((flag) => ({
          id: newId(),
          episodeId,
          flag,
          boutLogId: log.id,
          raisedAt: at,
          liftsId: null,
          outcome: '',
          answeredBy: '',
          liftedBy: null,
        })),
        told(context, request, 'bout.log', { id: log.id, flags }),
        () => checkpoint('bout.whileWriting'),
      )
      if (stored.isNew) await checkpoint('bout.afterCommit')
      return reply.code(stored.isNew ? 201 : 200).send(answerOf(log.id, stored))
    },
  )

  async function whatIsImpossible(log: NewBoutLog, episodeId: string, now: Date): Promise<FieldProblem[]> {
    const errors: FieldProblem[] = []
    if (Date.parse(log.endedAt) > now.getTime() + CLOCK_TOLERANCE_MS)
      errors.push({
        path: 'endedAt',
        message: 'The bout ends in the future. Check the date and time of the phone.',
      })
    if (now.getTime() - Date.parse(log.startedAt) > OLDEST_LOG_DAYS * 86_400_000)
      errors.push({
        path: 'startedAt',
        message: `The bout began more than ${OLDEST_LOG_DAYS} days ago. Check the date and time of the phone.`,
      })
    const program = await data.homes.programOf(log.programVersionId, episodeId)
    if (!program) errors.push({ path: 'programVersionId', message: 'This program was never signed for you.' })
    log.items.forEach((item, index) => {
      if (program && !program.itemIds.has(item.itemId))
        errors.push({ path: `items.${index}.itemId`, message: 'This exercise is not part of the program.' })
    })
    return errors
  }
}

function answerOf(id: string, { isNew, receivedAt }: { isNew: boolean; receivedAt: Date }) {
  return { id, receivedAt: receivedAt.toISOString(), isNew }
}

/** Pairing a patient's phone, and taking it back. Mounted at `/api/episodes/:episodeId`. */
export const pairings: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  app.post(
    '/pairings',
    { config: { access: STAFF }, schema: { response: { 201: obj({ code: str, expiresAt: str }) } } },
    async (request, reply) => {
      const digits = String(randomInt(100_000_000)).padStart(8, '0')
      const at = clock.now()
      const expiresAt = new Date(at.getTime() + CODE_MINUTES * 60_000)
      await data.homes.offerCode(
        {
          id: newId(),
          episodeId: episodeIdOf(request),
          codeHash: hashOf(digits),
          expiresAt,
          usedAt: null,
          createdBy: request.me().id,
          createdAt: at,
        },
        told(context, request, 'phone.code'),
      )
      return reply
        .code(201)
        .send({ code: `${digits.slice(0, 4)} ${digits.slice(4)}`, expiresAt: expiresAt.toISOString() })
    },
  )

  app.post(
    '/devices/:deviceId/revocation',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const { deviceId } = request.params as { deviceId: string }
      const entry = told(context, request, 'phone.revoke', { deviceId })
      await data.homes.revoke(deviceId, episodeIdOf(request), entry)
      return reply.code(201).send({ id: deviceId })
    },
  )
}
