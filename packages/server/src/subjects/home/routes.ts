import { randomBytes, randomInt } from 'node:crypto'
import { flagsOfBout } from '@pledge/core'
import type { NewBoutLog } from '@pledge/core/schemas'
import type { FastifyPluginAsync, FastifyReply } from 'fastify'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { digestOf, hashOf } from '../../data/digest.js'
import { CODE_MINUTES } from '../../data/homes.js'
import { newId } from '../../data/ids.js'
import { Problem, type FieldProblem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'
import { firstName, phoneToday } from './answer.js'

/** A phone's clock may run ahead of ours by this much. */
const CLOCK_TOLERANCE_MS = 2 * 60_000
/** A bout that began longer ago is a broken clock. */
const OLDEST_LOG_DAYS = 60

/** What the patient's phone may ask. Mounted at `/api/phone`. */
export const phone: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock, settings, checkpoint } = context

  serve(
    app,
    'pairPhone',
    async ({ request, body }) => {
      const code = body.code.replace(/\D/g, '')
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
      return { token, firstName: firstName(patient.name), language: patient.language }
    },
    {
      config: { rateLimit: { max: settings.limits.pairingPerMinute, timeWindow: '1 minute' } },
    },
  )

  serve(app, 'phoneToday', async ({ request }) => {
    const { id, episodeId } = request.phone()
    const record = await data.records.of(episodeId)
    const [today, now] = [todayOf(context), clock.now()]
    const state = caseOn(record, request.catalogue, today, now)
    await data.homes.seen(id, now)
    await data.journal.note(told(context, request, 'phone.readToday'), episodeId)
    return phoneToday(record, state, request.catalogue, settings.clinic, today, now)
  })

  serve(
    app,
    'sendBout',
    async ({ request, reply, body: log }) => {
      const { id: deviceId, episodeId } = request.phone()
      const digest = digestOf(log)
      const at = clock.now()
      const errors = await whatIsImpossible(log, episodeId, at)
      if (errors.length > 0) {
        // What was stored before the phone's clock went wrong is still stored.
        const stored = await data.homes.storedBout({ id: log.id, episodeId, digest })
        if (stored) return boutAnswer(reply, log.id, stored)
        throw new Problem('INPUT_INVALID', errors[0]!.message, errors)
      }
      await checkpoint('bout.beforeInsert')
      const pain = { painWorst: log.painWorst ?? null, painAfter: log.painAfter ?? null }
      const redFlags = log.redFlags
      const flags = flagsOfBout({ ...pain, redFlags }, request.catalogue.crossCutting.response)
      const stored = await data.homes.addBout(
        {
          ...pain,
          id: log.id,
          programVersionId: log.programVersionId,
          redFlags,
          endedBy: log.endedBy,
          painBefore: log.painBefore ?? null,
          startedAt: new Date(log.startedAt),
          endedAt: new Date(log.endedAt),
          episodeId,
          deviceId,
          digest,
          receivedAt: at,
          items: log.items,
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
      return boutAnswer(reply, log.id, stored)
    },
    { config: { isPhoneCheckedOnWrite: true } },
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

/** A bout stored already is answered as it was then. */
function boutAnswer(
  reply: FastifyReply,
  id: string,
  { isNew, receivedAt }: { isNew: boolean; receivedAt: Date },
) {
  void reply.code(isNew ? 201 : 200)
  return { id, receivedAt: receivedAt.toISOString(), isNew }
}

/** Pairing a patient's phone, and taking it back. Mounted at `/api/episodes/:episodeId`. */
export const pairings: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  serve(app, 'pairingCode', async ({ request }) => {
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
    return { code: `${digits.slice(0, 4)} ${digits.slice(4)}`, expiresAt: expiresAt.toISOString() }
  })

  serve(app, 'revokeDevice', async ({ request, params }) => {
    const { deviceId } = params
    const entry = told(context, request, 'phone.revoke', { deviceId })
    await data.homes.revoke(deviceId, episodeIdOf(request), entry)
    return { id: deviceId }
  })
}
