import { createHash, randomBytes, randomInt } from 'node:crypto'
import {
  clinicalDayAt,
  depicted,
  digitsInTurn,
  flagsOfBout,
  timingOf,
  type Catalogue,
  type Protocol,
  type RedFlag,
  type SignedItem,
} from '@pledge/core'
import { newBoutLog, pairing, type NewBoutLog } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import { UniqueConstraintError } from 'sequelize'
import type { AppContext } from '../app.js'
import { caseOn, readRecord } from '../cases/episodeRecord.js'
import { signedItemsToday } from '../cases/programItems.js'
import { newId } from '../data/ids.js'
import { hashOf, STAFF, THERAPISTS } from '../plugins/access.js'
import { Problem, type FieldProblem } from '../problems.js'
import {
  bool,
  depictedReply,
  doseReply,
  exerciseTextReply,
  list,
  maybe,
  num,
  obj,
  str,
  whole,
} from '../reply.js'

/** How long a pairing code may be used. */
export const CODE_MINUTES = 30
/** A phone's clock may run ahead of ours by this much. */
const CLOCK_TOLERANCE_MS = 2 * 60_000
/** A bout that began longer ago is a broken clock. */
const OLDEST_LOG_DAYS = 60

const todayReply = obj({
  today: str,
  firstName: str,
  language: str,
  side: str,
  digits: list(str),
  stopPain: whole,
  clinic: obj({ name: str, phone: str, outOfHours: str }),
  redLock: bool,
  program: maybe(
    obj({
      id: str,
      number: whole,
      items: list(
        obj({
          itemId: str,
          exerciseId: str,
          dose: doseReply,
          loadUnit: maybe(str),
          orthosis: str,
          shapes: whole,
          timing: obj({ shapes: whole, turns: whole, moveSeconds: num, hold: str }),
          chosen: maybe(list(str)),
          inTurn: list(list(str)),
          painCap: whole,
          stop: list(str),
          minutesPerBout: num,
          isPaused: bool,
          text: obj({ en: exerciseTextReply, es: exerciseTextReply }),
          depicted: depictedReply,
        }),
      ),
    }),
  ),
  boutsToday: whole,
  advice: list(obj({ en: str, es: str })),
  redFlags: list(obj({ id: str, flag: str, act: str, isOfProtocol: bool, says: obj({ en: str, es: str }) })),
})

/** What the patient's phone may ask. Mounted at `/api/phone`. */
export const phone: FastifyPluginAsync<AppContext> = async (
  app,
  { database, clock, settings, checkpoint },
) => {
  const { rows } = database
  const clinicToday = () => clock.today(settings.clinic.timeZone)

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
      const at = clock.now()
      const episodeId = await database.inTransaction(async (transaction) => {
        const row = await rows.pairings.findOne({
          where: { codeHash: hashOf(code) },
          transaction,
          lock: transaction.LOCK.UPDATE,
        })
        if (!row || row.get().usedAt !== null || row.get().expiresAt <= at) return null
        await row.update({ usedAt: at }, { transaction })
        const deviceId = newId()
        await rows.devices.create(
          {
            id: deviceId,
            episodeId: row.get().episodeId,
            tokenHash: hashOf(token),
            pairedAt: at,
            revokedAt: null,
            seenAt: at,
          },
          { transaction },
        )
        await database.audit(
          {
            at,
            actor: { kind: 'device', id: deviceId },
            action: 'phone.pair',
            episodeId: row.get().episodeId,
            isChange: true,
          },
          transaction,
        )
        return row.get().episodeId
      })
      if (episodeId === null) {
        await database.audit({
          at,
          actor: { kind: 'anonymous', id: null },
          action: 'phone.pairRefused',
          episodeId: null,
          isChange: false,
        })
        throw new Problem(
          'CODE_INVALID',
          'This code is wrong, used up or too old. Ask your therapist for a new one.',
        )
      }
      const { patient } = await readRecord(database, episodeId)
      return reply.code(201).send({ token, firstName: firstName(patient.name), language: patient.language })
    },
  )

  app.get(
    '/today',
    { config: { access: 'device' }, schema: { response: { 200: todayReply } } },
    async (request) => {
      const { id, episodeId } = request.phone()
      const record = await readRecord(database, episodeId)
      const today = clinicToday()
      const state = caseOn(record, request.catalogue, today, clock.now())
      const newest = record.versions.at(-1)
      await rows.devices.update({ seenAt: clock.now() }, { where: { id } })
      await database.audit({
        at: clock.now(),
        actor: request.actor(),
        action: 'phone.readToday',
        episodeId,
        isChange: false,
      })
      const dayOf = (at: Date) => clinicalDayAt(at, record.episode.timeZone)
      return {
        today,
        firstName: firstName(record.patient.name),
        language: record.patient.language,
        side: record.episode.side,
        digits: record.episode.digits,
        stopPain: request.catalogue.crossCutting.response.stopPain,
        clinic: {
          name: settings.clinic.name,
          phone: settings.clinic.phone,
          outOfHours: settings.clinic.outOfHours,
        },
        redLock: state.redLock,
        program: newest
          ? {
              id: newest.id,
              number: newest.number,
              items: signedItemsToday(record, state).map(({ item, isPaused }) => ({
                ...phoneItem(item),
                isPaused,
              })),
            }
          : null,
        boutsToday: record.bouts.filter((bout) => dayOf(bout.endedAt) === dayOf(clock.now())).length,
        advice: state.condition.advice,
        redFlags: flagsAtHome(state.protocol, request.catalogue),
      }
    },
  )

  app.post(
    '/bouts',
    {
      config: { access: 'device' },
      schema: { response: { '2xx': obj({ id: str, receivedAt: str, isNew: bool }) } },
    },
    async (request, reply) => {
      const log = request.checked(newBoutLog)
      const { id: deviceId, episodeId } = request.phone()
      const digest = createHash('sha256')
        .update(JSON.stringify(canonical(log)))
        .digest('hex')
      const stored = await storedBout(log.id, episodeId, digest)
      if (stored) return reply.code(200).send({ ...stored, isNew: false })
      const at = clock.now()
      await refuseImpossible(log, episodeId, at)
      await checkpoint('bout.beforeInsert')
      try {
        await database.inTransaction(async (transaction) => {
          const { items, ...bout } = log
          await rows.boutLogs.create(
            {
              ...bout,
              endedBy: log.endedBy as 'done',
              painBefore: log.painBefore ?? null,
              painWorst: log.painWorst ?? null,
              painAfter: log.painAfter ?? null,
              startedAt: new Date(log.startedAt),
              endedAt: new Date(log.endedAt),
              episodeId,
              deviceId,
              digest,
              receivedAt: at,
            },
            { transaction },
          )
          await rows.boutLogItems.bulkCreate(
            items.map((item) => ({ ...item, outcome: item.outcome as 'done', boutLogId: log.id })),
            { transaction },
          )
          const pain = { painWorst: log.painWorst ?? null, painAfter: log.painAfter ?? null }
          const flags = flagsOfBout(
            { ...pain, redFlags: log.redFlags as RedFlag[] },
            request.catalogue.crossCutting.response,
          )
          await rows.flags.bulkCreate(
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
            { transaction },
          )
          await database.audit(
            {
              at,
              actor: request.actor(),
              action: 'bout.log',
              episodeId,
              isChange: true,
              detail: { id: log.id, flags },
            },
            transaction,
          )
          await checkpoint('bout.insideTransaction')
        })
      } catch (error) {
        // The same bout sent twice at once, or a COMMIT whose answer was lost: what is stored decides.
        if (!(error instanceof UniqueConstraintError)) throw error
        const now = await storedBout(log.id, episodeId, digest)
        if (!now) throw error
        return reply.code(200).send({ ...now, isNew: false })
      }
      await checkpoint('bout.afterCommit')
      return reply.code(201).send({ id: log.id, receivedAt: at.toISOString(), isNew: true })
    },
  )

  async function storedBout(id: string, episodeId: string, digest: string) {
    const row = (await rows.boutLogs.findByPk(id))?.get()
    if (!row) return null
    if (row.episodeId !== episodeId || row.digest !== digest)
      throw new Problem('ID_TAKEN', 'A bout with this id has been stored with other contents.', [
        { path: 'id', message: 'Already stored with other contents.' },
      ])
    return { id, receivedAt: row.receivedAt.toISOString() }
  }

  async function refuseImpossible(log: NewBoutLog, episodeId: string, now: Date): Promise<void> {
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
    const version = (
      await rows.programVersions.findOne({ where: { id: log.programVersionId, episodeId } })
    )?.get()
    if (!version) errors.push({ path: 'programVersionId', message: 'This program was never signed for you.' })
    else {
      const known = new Set((version.items as SignedItem[]).map((item) => item.itemId))
      log.items.forEach((item, index) => {
        if (!known.has(item.itemId))
          errors.push({ path: `items.${index}.itemId`, message: 'This exercise is not part of the program.' })
      })
    }
    if (errors.length > 0) throw new Problem('INPUT_INVALID', errors[0]!.message, errors)
  }
}

/** Pairing a patient's phone, and taking it back. Mounted at `/api/episodes/:episodeId`. */
export const pairings: FastifyPluginAsync<AppContext> = async (app, { database, clock }) => {
  const { rows } = database

  app.post(
    '/pairings',
    { config: { access: STAFF }, schema: { response: { 201: obj({ code: str, expiresAt: str }) } } },
    async (request, reply) => {
      const { episodeId } = request.params as { episodeId: string }
      if (!(await rows.episodes.findByPk(episodeId)))
        throw new Problem('NOT_FOUND', 'There is no such episode.')
      const digits = String(randomInt(100_000_000)).padStart(8, '0')
      const at = clock.now()
      const expiresAt = new Date(at.getTime() + CODE_MINUTES * 60_000)
      await database.inTransaction(async (transaction) => {
        await rows.pairings.create(
          {
            id: newId(),
            episodeId,
            codeHash: hashOf(digits),
            expiresAt,
            usedAt: null,
            createdBy: request.me().id,
            createdAt: at,
          },
          { transaction },
        )
        await database.audit(
          { at, actor: request.actor(), action: 'phone.code', episodeId, isChange: true },
          transaction,
        )
      })
      return reply
        .code(201)
        .send({ code: `${digits.slice(0, 4)} ${digits.slice(4)}`, expiresAt: expiresAt.toISOString() })
    },
  )

  app.post(
    '/devices/:deviceId/revocation',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const { episodeId, deviceId } = request.params as { episodeId: string; deviceId: string }
      await database.inTransaction(async (transaction) => {
        const [count] = await rows.devices.update(
          { revokedAt: clock.now() },
          { where: { id: deviceId, episodeId }, transaction },
        )
        if (count !== 1) throw new Problem('NOT_FOUND', 'There is no such phone.')
        await database.audit(
          {
            at: clock.now(),
            actor: request.actor(),
            action: 'phone.revoke',
            episodeId,
            isChange: true,
            detail: { deviceId },
          },
          transaction,
        )
      })
      return reply.code(201).send({ id: deviceId })
    },
  )
}

function phoneItem(item: SignedItem) {
  return {
    itemId: item.itemId,
    exerciseId: item.exercise.id,
    dose: item.dose,
    loadUnit: item.exercise.load?.unit ?? null,
    orthosis: item.orthosis,
    shapes: item.exercise.shapes.length,
    timing: timingOf(item.exercise, item.digits),
    chosen: item.digits,
    inTurn: digitsInTurn(item.exercise, item.digits),
    painCap: item.exercise.painCap,
    stop: [...item.exercise.stop],
    minutesPerBout: item.minutesPerBout,
    text: item.exercise.text,
    depicted: depicted(item.exercise),
  }
}

function firstName(name: string): string {
  return name.split(' ')[0] ?? name
}

/** The log with its keys in one order, so that the same log always has the same digest. */
function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, canonical(inner)]),
  )
}

/** What a patient can see at home and has to report: first what the protocol names, then what holds for every hand. */
function flagsAtHome(protocol: Protocol, { crossCutting }: Catalogue) {
  const own = protocol.redFlags
    .filter((flag) => flag.isSeenAtHome)
    .map(({ id, as, says }) => ({
      id,
      flag: as,
      act: crossCutting.redFlags.get(as)!.act,
      isOfProtocol: true,
      says,
    }))
  const common = [...crossCutting.redFlags.values()].flatMap(({ id, act, home }) =>
    home ? [{ id, flag: id, act, isOfProtocol: false, says: home }] : [],
  )
  return [...own, ...common]
}
