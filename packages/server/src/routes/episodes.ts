import {
  assessThisHand,
  assessExercise,
  choosableDigits,
  digitsToBegin,
  depicted,
  isEarlyPermission,
  isRestriction,
  isSurgeonsToGive,
  MODE_NAMES,
  permissionMap,
  timingOf,
  fallbackFor,
  isOpen,
  overrideTerms,
  type Exercise,
  dayZero,
  orthosisOn,
  standingOf,
  signedDeg,
  alwaysWorn,
  MAP_MODES,
  ORTHOSIS_NAMES,
  type RedFlag,
  type WristMotion,
} from '@pledge/core'
import { factWithdrawal, flagLift, newEvaluation, newFact, newFlag, newOrder } from '@pledge/core/schemas'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import type { AppContext } from '../app.js'
import { addToRecord, episodeIdOf } from '../cases/addToRecord.js'
import { caseOn, readRecord } from '../cases/episodeRecord.js'
import { overview, overviewReply } from '../cases/overview.js'
import { overrideIn, overrideReply, termsJson, termsReply } from '../cases/overrideReply.js'
import { userNames } from '../cases/userNames.js'
import { openingsJson, verdictJson } from '../cases/verdictReply.js'
import { STAFF, THERAPISTS } from '../plugins/access.js'
import { Problem } from '../problems.js'
import {
  bool,
  depictedReply,
  dosingReply,
  exerciseTeachingReply,
  list,
  maybe,
  obj,
  openingsReply,
  str,
  verdictReply,
  whole,
} from '../reply.js'

const exercisesReply = list(
  obj({
    id: str,
    family: str,
    aims: list(str),
    choosableDigits: list(str),
    isOneAtATime: bool,
    digitsToBegin: maybe(list(str)),
    holdKind: str,
    region: str,
    demand: str,
    text: exerciseTeachingReply,
    depicted: depictedReply,
    ...dosingReply,
    equipment: list(obj({ name: str, home: maybe(str) })),
    painCap: whole,
    verdict: verdictReply,
    openings: openingsReply,
    orthosis: str,
    override: overrideReply,
    overrideTerms: termsReply,
    instead: maybe(obj({ id: str, name: str, rungsDown: maybe(whole) })),
    easier: list(str),
    harder: list(str),
    sources: list(obj({ key: str, confidence: str })),
  }),
)

const mapReply = obj({
  orthosis: str,
  orthosisName: str,
  modes: list(obj({ mode: str, name: str })),
  rows: list(obj({ motion: str, name: str, cells: list(obj({ mode: str, verdict: verdictReply })) })),
})

/** One episode's record: what is known, and what is added to it. Mounted at `/api/episodes/:episodeId`. */
export const episodes: FastifyPluginAsync<AppContext> = async (app, { database, clock, settings }) => {
  const { rows } = database
  const today = () => clock.today(settings.clinic.timeZone)

  async function auditRead(request: FastifyRequest, action: string): Promise<void> {
    await database.audit({
      at: clock.now(),
      actor: request.actor(),
      action,
      episodeId: episodeIdOf(request),
      isChange: false,
    })
  }

  const context = { database, clock }

  app.get(
    '/revision',
    { config: { access: STAFF }, schema: { response: { 200: obj({ revision: str }) } } },
    async (request) => {
      return { revision: await database.revisionOf(episodeIdOf(request)) }
    },
  )

  app.get(
    '/',
    { config: { access: STAFF }, schema: { response: { 200: overviewReply } } },
    async (request) => {
      const episodeId = episodeIdOf(request)
      const revision = await database.revisionOf(episodeId)
      const [record, users] = await Promise.all([readRecord(database, episodeId), userNames(database)])
      const state = caseOn(record, request.catalogue, today(), clock.now())
      await auditRead(request, 'episode.read')
      return overview(record, state, request.catalogue, users, revision, today())
    },
  )

  app.get(
    '/exercises',
    { config: { access: STAFF }, schema: { response: { 200: exercisesReply } } },
    async (request) => {
      const [record, users] = await Promise.all([
        readRecord(database, episodeIdOf(request)),
        userNames(database),
      ])
      const state = caseOn(record, request.catalogue, today(), clock.now())
      await auditRead(request, 'verdicts.read')
      const anchor = dayZero(state.day, today())
      const fitting = new Map(
        [...request.catalogue.exercises].filter(([, { conditions }]) =>
          conditions.includes(record.episode.conditionId),
        ),
      )
      const judged = new Map(
        [...fitting].map(([id, exercise]) => {
          const orthosis = orthosisOn(exercise, exercise.dose, state)
          return [id, { orthosis, verdict: assessExercise(exercise, exercise.dose, state) }]
        }),
      )
      const kindOf = ({ id }: Exercise) => judged.get(id)!.verdict.kind
      return [...fitting.values()].map((exercise) => {
        const { orthosis, verdict } = judged.get(exercise.id)!
        const instead = isOpen(verdict.kind) ? null : fallbackFor(exercise, fitting, kindOf)
        return {
          id: exercise.id,
          family: exercise.family,
          aims: exercise.aims,
          choosableDigits: choosableDigits(exercise),
          isOneAtATime: exercise.oneAtATime !== undefined,
          digitsToBegin: digitsToBegin(exercise, state.digits),
          holdKind: timingOf(exercise).hold,
          region: exercise.region,
          demand: exercise.demand,
          text: exercise.text.en,
          depicted: depicted(exercise),
          dose: exercise.dose,
          range: exercise.range,
          load: exercise.load,
          equipment: exercise.equipment.map((key) => {
            const { name, home } = request.catalogue.equipment.get(key)!
            return { name: name.en, home: home?.en ?? null }
          }),
          painCap: exercise.painCap,
          verdict: verdictJson(verdict, anchor, state.day),
          instead: instead && {
            id: instead.exercise.id,
            name: instead.exercise.text.en.name,
            rungsDown: instead.by === 'same aim' ? null : instead.by.rungsDown,
          },
          override: overrideIn(record, exercise.id, verdict, users),
          overrideTerms: termsJson(overrideTerms(verdict, state)),
          openings: openingsJson(exercise, exercise.dose, state, {}),
          orthosis,
          easier: exercise.ladder.easier,
          harder: exercise.ladder.harder,
          sources: exercise.sources,
        }
      })
    },
  )

  app.get(
    '/permissions',
    { config: { access: STAFF }, schema: { response: { 200: mapReply } } },
    async (request) => {
      const record = await readRecord(database, episodeIdOf(request))
      const state = caseOn(record, request.catalogue, today(), clock.now())
      await auditRead(request, 'permissions.read')
      const zero = dayZero(state.day, today())
      const { inside } = request.query as { inside?: string }
      const worn = alwaysWorn(standingOf(state).phase)[0] ?? 'none'
      const orthosis = inside === 'none' ? 'none' : worn
      return {
        orthosis,
        orthosisName: ORTHOSIS_NAMES[orthosis].en,
        modes: MAP_MODES.map((mode) => ({ mode, name: MODE_NAMES[mode].en })),
        rows: permissionMap(state, orthosis, (signature) => assessThisHand(signature, state)).map((row) => ({
          motion: row.motion,
          name: row.name.en,
          cells: row.cells.map(({ mode, verdict }) => ({
            mode,
            verdict: verdictJson(verdict, zero, state.day),
          })),
        })),
      }
    },
  )

  app.post(
    '/evaluations',
    { config: { access: STAFF }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const evaluation = request.checked(newEvaluation)
      const { readings, ...scores } = evaluation
      await addToRecord(
        context,
        request,
        'evaluation.create',
        { id: evaluation.id, readings: readings.length },
        async (transaction) => {
          if (await rows.evaluations.findByPk(evaluation.id, { transaction })) return false
          await rows.evaluations.create(
            {
              ...scores,
              painRest: scores.painRest ?? null,
              painAct: scores.painAct ?? null,
              episodeId: episodeIdOf(request),
              recordedBy: request.me().id,
              recordedAt: clock.now(),
            },
            { transaction },
          )
          await rows.readings.bulkCreate(
            readings.map(({ motion, side, kind, readingDeg }) => ({
              evaluationId: evaluation.id,
              motion,
              side: side as 'left',
              kind: kind as 'active',
              angleDeg: signedDeg(motion as WristMotion, readingDeg),
            })),
            { transaction },
          )
          return true
        },
      )
      return reply.code(201).send({ id: evaluation.id })
    },
  )

  app.post(
    '/facts',
    { config: { access: STAFF }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const fact = request.checked(newFact)
      if (isSurgeonsToGive(fact.what) && request.me().role !== 'therapist')
        throw new Problem('NOT_ALLOWED', "A surgeon's clearance is recorded by a therapist.")
      await addToRecord(
        context,
        request,
        'fact.record',
        { id: fact.id, what: fact.what },
        async (transaction) => {
          if (await rows.facts.findByPk(fact.id, { transaction })) return false
          await rows.facts.create(
            {
              ...fact,
              value: JSON.stringify(fact.value),
              how: fact.how as 'letter',
              isWithdrawn: false,
              correctsId: null,
              episodeId: episodeIdOf(request),
              recordedBy: request.me().id,
              recordedAt: clock.now(),
            },
            { transaction },
          )
          return true
        },
      )
      return reply.code(201).send({ id: fact.id })
    },
  )

  app.post(
    '/facts/:factId/withdrawal',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const { id, why } = request.checked(factWithdrawal)
      const { factId } = request.params as { factId: string }
      await addToRecord(context, request, 'fact.withdraw', { id, factId }, async (transaction) => {
        if (await rows.facts.findByPk(id, { transaction })) return false
        const fact = (
          await rows.facts.findOne({ where: { id: factId, episodeId: episodeIdOf(request) }, transaction })
        )?.get()
        if (!fact) throw new Problem('NOT_FOUND', 'There is no such entry.')
        await rows.facts.create(
          {
            ...fact,
            id,
            isWithdrawn: true,
            dated: today(),
            note: why,
            correctsId: factId,
            recordedBy: request.me().id,
            recordedAt: clock.now(),
          },
          { transaction },
        )
        return true
      })
      return reply.code(201).send({ id })
    },
  )

  app.post(
    '/orders',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const order = request.checked(newOrder)
      if (!isRestriction(order.restriction) && !isEarlyPermission(order.restriction))
        throw new Problem('INPUT_INVALID', 'Choose what the order says.', [
          { path: 'restriction', message: 'Choose what the order says.' },
        ])
      await addToRecord(
        context,
        request,
        'order.record',
        { id: order.id, restriction: order.restriction },
        async (transaction) => {
          if (await rows.orders.findByPk(order.id, { transaction })) return false
          await rows.orders.create(
            {
              ...order,
              untilOn: order.untilOn ?? null,
              withdrawsId: null,
              episodeId: episodeIdOf(request),
              recordedBy: request.me().id,
              recordedAt: clock.now(),
            },
            { transaction },
          )
          return true
        },
      )
      return reply.code(201).send({ id: order.id })
    },
  )

  app.post(
    '/orders/:orderId/withdrawal',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const { id, why } = request.checked(factWithdrawal)
      const { orderId } = request.params as { orderId: string }
      await addToRecord(context, request, 'order.withdraw', { id, orderId }, async (transaction) => {
        if (await rows.orders.findByPk(id, { transaction })) return false
        const order = (
          await rows.orders.findOne({ where: { id: orderId, episodeId: episodeIdOf(request) }, transaction })
        )?.get()
        if (!order) throw new Problem('NOT_FOUND', 'There is no such order.')
        await rows.orders.create(
          {
            ...order,
            id,
            why,
            withdrawsId: orderId,
            dated: today(),
            recordedBy: request.me().id,
            recordedAt: clock.now(),
          },
          { transaction },
        )
        return true
      })
      return reply.code(201).send({ id })
    },
  )

  app.post(
    '/flags',
    { config: { access: STAFF }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const { id, flag } = request.checked(newFlag)
      await addToRecord(context, request, 'flag.raise', { id, flag }, async (transaction) => {
        if (await rows.flags.findByPk(id, { transaction })) return false
        await rows.flags.create(
          {
            id,
            episodeId: episodeIdOf(request),
            flag,
            boutLogId: null,
            raisedAt: clock.now(),
            liftsId: null,
            outcome: '',
            answeredBy: '',
            liftedBy: null,
          },
          { transaction },
        )
        return true
      })
      return reply.code(201).send({ id })
    },
  )

  app.post(
    '/flags/:flagId/lift',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const { id, outcome, answeredBy } = request.checked(flagLift)
      const { flagId } = request.params as { flagId: string }
      await addToRecord(context, request, 'flag.lift', { id, flagId }, async (transaction) => {
        const flag = (
          await rows.flags.findOne({
            where: { id: flagId, episodeId: episodeIdOf(request), liftsId: null },
            transaction,
          })
        )?.get()
        if (!flag) throw new Problem('NOT_FOUND', 'There is no such flag.')
        const existing = (await rows.flags.findOne({ where: { liftsId: flagId }, transaction }))?.get()
        if (existing?.id === id) return false
        if (existing) throw new Problem('ALREADY_DONE', 'This flag has been lifted already.')
        if (
          request.catalogue.crossCutting.redFlags.get(flag.flag as RedFlag)!.needsSurgeon &&
          answeredBy === ''
        ) {
          const message =
            'Write who of the surgeons or the emergency department answered: this flag needs their word.'
          throw new Problem('INPUT_INVALID', message, [{ path: 'answeredBy', message }])
        }
        await rows.flags.create(
          {
            ...flag,
            id,
            raisedAt: clock.now(),
            liftsId: flagId,
            outcome,
            answeredBy,
            liftedBy: request.me().id,
          },
          { transaction },
        )
        return true
      })
      return reply.code(201).send({ id })
    },
  )
}
