import {
  ACT_NAMES,
  addDays,
  assessExercise,
  burdenOf,
  criterionMeaning,
  isEarlyPermission,
  isRestriction,
  isSurgeonsToGive,
  LOAD_BASE_CRITERIA,
  MODE_NAMES,
  orderLabel,
  permissionMap,
  exerciseOpeningDay,
  orthosisFor,
  RED_FLAG_FACTS,
  signedDeg,
  staleAfterDays,
  TEST_NAMES,
  unansweredSelection,
  wrongSchool,
  alwaysWorn,
  MAP_MODES,
  ORTHOSIS_NAMES,
  type Criterion,
  type PatientCase,
  type RedFlag,
  type Rule,
  type WristMotion,
} from '@pledge/core'
import {
  factWithdrawal,
  flagLift,
  newEvaluation,
  newFact,
  newFlag,
  newOrder,
  newSchoolChoice,
  newSlip,
} from '@pledge/core/schemas'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import type { AppContext } from '../app.js'
import {
  dayZero,
  asReading,
  caseOn,
  itemsToday,
  lastReviewOn,
  readRecord,
  standingOf,
  type EpisodeRecord,
} from '../cases/episodeRecord.js'
import { verdictJson } from '../cases/verdictReply.js'
import type { Transaction } from '../data/database.js'
import { STAFF, THERAPISTS } from '../plugins/access.js'
import { Problem } from '../problems.js'
import {
  bool,
  doseReply,
  exerciseTextReply,
  list,
  map,
  maybe,
  num,
  obj,
  str,
  verdictReply,
  whole,
} from '../reply.js'

const criterionReply = obj({
  what: str,
  meaning: str,
  status: str,
  isSurgeons: bool,
  staleAfterDays: maybe(whole),
  latest: maybe(
    obj({
      id: str,
      value: str,
      dated: str,
      givenBy: str,
      how: str,
      note: str,
      recordedBy: str,
      isWithdrawn: bool,
    }),
  ),
})
const overviewReply = obj({
  revision: str,
  today: str,
  patient: obj({
    name: str,
    birthDate: str,
    dominantHand: str,
    language: str,
    hasLatexAllergy: bool,
    hasAdhesiveAllergy: bool,
  }),
  episode: obj({
    id: str,
    condition: str,
    conditionId: str,
    protocolId: str,
    protocol: str,
    evidence: str,
    sources: list(str),
    side: str,
    injuredOn: maybe(str),
    anchor: str,
    anchorOn: str,
    dayZeroOn: str,
    digits: list(str),
    variant: maybe(str),
    measuresWrist: bool,
    surgeon: str,
    work: str,
    note: str,
    openedOn: str,
    therapist: str,
    day: whole,
    lastReviewOn: str,
    daysSinceReview: whole,
  }),
  phases: list(
    obj({
      id: str,
      name: str,
      startDay: whole,
      endDay: maybe(whole),
      startDate: str,
      goals: str,
      wear: list(str),
      state: str,
      entry: list(criterionReply),
      forbids: list(str),
    }),
  ),
  gates: list(
    obj({
      rule: str,
      day: whole,
      date: str,
      opens: str,
      isOpen: bool,
      missing: list(obj({ what: str, meaning: str })),
    }),
  ),
  standing: obj({
    phaseId: maybe(str),
    frozen: bool,
    heldBy: list(str),
    nextPhaseId: maybe(str),
    nextDate: maybe(str),
  }),
  criteria: list(criterionReply),
  wrongSchool: list(str),
  unanswered: list(criterionReply),
  advice: list(str),
  clock: maybe(obj({ restartIf: str, slips: list(obj({ slippedOn: str, creditDays: whole, why: str })) })),
  schools: list(obj({ protocolId: str, school: str, anchorOn: str, why: str, chosenBy: str, chosenOn: str })),
  orders: list(
    obj({
      id: str,
      restriction: str,
      label: str,
      isEarly: bool,
      document: str,
      untilOn: maybe(str),
      givenBy: str,
      dated: str,
      why: str,
    }),
  ),
  flags: list(obj({ id: str, flag: str, name: str, raisedAt: str, needsSurgeon: bool, fromPhone: bool })),
  redFlags: list(str),
  evaluations: list(
    obj({
      id: str,
      evaluatedOn: str,
      painRest: maybe(whole),
      painAct: maybe(whole),
      note: str,
      readings: list(obj({ motion: str, side: str, kind: str, readingDeg: whole })),
    }),
  ),
  program: maybe(
    obj({
      id: str,
      number: whole,
      signedOn: str,
      signedBy: str,
      burden: obj({ minutesPerBout: num, minutesPerDay: num, boutsPerDay: whole }),
      items: list(
        obj({
          itemId: str,
          exerciseId: str,
          name: str,
          dose: doseReply,
          isPaused: bool,
          verdict: verdictReply,
          openingDay: maybe(whole),
        }),
      ),
    }),
  ),
  versions: list(obj({ number: whole, signedOn: str, signedBy: str, exercises: whole })),
  bouts: list(
    obj({
      id: str,
      programNumber: whole,
      startedAt: str,
      endedAt: str,
      receivedAt: str,
      painBefore: maybe(whole),
      painWorst: maybe(whole),
      painAfter: maybe(whole),
      endedBy: str,
      redFlags: list(str),
      items: list(
        obj({
          itemId: str,
          name: str,
          outcome: str,
          repetitionsDone: whole,
          repetitionsAsked: whole,
          reason: str,
        }),
      ),
    }),
  ),
  devices: list(obj({ id: str, pairedAt: str, seenAt: str, isRevoked: bool })),
})
const exercisesReply = list(
  obj({
    id: str,
    family: str,
    region: str,
    demand: str,
    text: exerciseTextReply,
    dose: doseReply,
    range: map(list(num)),
    load: maybe(obj({ unit: str, steps: list(num) })),
    equipment: obj({ clinic: str, home: str }),
    painCap: whole,
    verdict: verdictReply,
    openingDay: maybe(whole),
    openingDate: maybe(str),
    orthosis: str,
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

interface EpisodeParams {
  episodeId: string
}

/** One episode's record: what is known, and what is added to it. Mounted at `/api/episodes/:episodeId`. */
export const episodes: FastifyPluginAsync<AppContext> = async (
  app,
  { database, catalogue, clock, settings },
) => {
  const { rows } = database
  const idOf = (request: FastifyRequest) => (request.params as EpisodeParams).episodeId
  const today = () => clock.today(settings.clinic.timeZone)

  async function namesOfUsers(): Promise<Map<string, string>> {
    return new Map((await rows.users.findAll()).map((row) => [row.get().id, row.get().name]))
  }

  async function auditRead(request: FastifyRequest, action: string): Promise<void> {
    await database.audit({
      at: clock.now(),
      actor: request.actor(),
      action,
      episodeId: idOf(request),
      isChange: false,
    })
  }

  /** Adds something to the record with its audit row; the same id sent twice is stored once. */
  async function add(
    request: FastifyRequest,
    action: string,
    detail: Readonly<Record<string, unknown>>,
    store: (transaction: Transaction) => Promise<boolean>,
  ) {
    const episodeId = idOf(request)
    if (!(await rows.episodes.findByPk(episodeId)))
      throw new Problem('NOT_FOUND', 'There is no such episode.')
    await database.inTransaction(async (transaction) => {
      const isNew = await store(transaction)
      if (isNew)
        await database.audit(
          { at: clock.now(), actor: request.actor(), action, episodeId, isChange: true, detail },
          transaction,
        )
    })
  }

  app.get(
    '/revision',
    { config: { access: STAFF }, schema: { response: { 200: obj({ revision: str }) } } },
    async (request) => {
      return { revision: await database.revisionOf(idOf(request)) }
    },
  )

  app.get(
    '/',
    { config: { access: STAFF }, schema: { response: { 200: overviewReply } } },
    async (request) => {
      const episodeId = idOf(request)
      const revision = await database.revisionOf(episodeId)
      const [record, users] = await Promise.all([readRecord(database, episodeId), namesOfUsers()])
      const state = caseOn(record, catalogue, today(), clock.now())
      await auditRead(request, 'episode.read')
      return overview(record, state, users, revision, today())
    },
  )

  app.get(
    '/exercises',
    { config: { access: STAFF }, schema: { response: { 200: exercisesReply } } },
    async (request) => {
      const record = await readRecord(database, idOf(request))
      const state = caseOn(record, catalogue, today(), clock.now())
      await auditRead(request, 'verdicts.read')
      const anchor = dayZero(state.day, today())
      return [...catalogue.exercises.values()]
        .filter((exercise) => exercise.conditions.includes(record.episode.conditionId))
        .map((exercise) => {
          const orthosis = orthosisFor(exercise, standingOf(state).phase)
          const opens = exerciseOpeningDay(exercise, exercise.dose, state, orthosis)
          return {
            id: exercise.id,
            family: exercise.family,
            region: exercise.region,
            demand: exercise.demand,
            text: exercise.text.en,
            dose: exercise.dose,
            range: exercise.range,
            load: exercise.load,
            equipment: exercise.equipment,
            painCap: exercise.painCap,
            verdict: verdictJson(
              assessExercise(exercise, exercise.dose, state, { orthosis }),
              anchor,
              state.day,
            ),
            openingDay: opens,
            openingDate: opens === null ? null : addDays(anchor, opens),
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
      const record = await readRecord(database, idOf(request))
      const state = caseOn(record, catalogue, today(), clock.now())
      await auditRead(request, 'permissions.read')
      const zero = dayZero(state.day, today())
      const { inside } = request.query as { inside?: string }
      const worn = alwaysWorn(standingOf(state).phase)[0] ?? 'none'
      const orthosis = inside === 'none' ? 'none' : worn
      return {
        orthosis,
        orthosisName: ORTHOSIS_NAMES[orthosis].en,
        modes: MAP_MODES.map((mode) => ({ mode, name: MODE_NAMES[mode].en })),
        rows: permissionMap(state, orthosis).map((row) => ({
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
    '/school',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const choice = request.checked(newSchoolChoice)
      const record = await readRecord(database, idOf(request))
      const protocol = catalogue.protocols.get(choice.protocolId)
      if (!protocol || protocol.condition !== record.episode.conditionId)
        throw new Problem('INPUT_INVALID', 'Choose a school of this condition.', [
          { path: 'protocolId', message: 'Choose a school of this condition.' },
        ])
      if (choice.variant !== null && !Object.hasOwn(protocol.variants, choice.variant ?? ''))
        throw new Problem('INPUT_INVALID', 'Choose a variant of this school.', [
          { path: 'variant', message: 'Choose a variant of this school.' },
        ])
      await add(
        request,
        'school.choose',
        { id: choice.id, protocolId: choice.protocolId },
        async (transaction) => {
          if (await rows.schoolChoices.findByPk(choice.id, { transaction })) return false
          await rows.schoolChoices.create(
            {
              ...choice,
              variant: choice.variant ?? null,
              patientValues: {},
              episodeId: idOf(request),
              chosenBy: request.me().id,
              chosenAt: clock.now(),
            },
            { transaction },
          )
          return true
        },
      )
      return reply.code(201).send({ id: choice.id })
    },
  )

  app.post(
    '/slips',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const slip = request.checked(newSlip)
      const record = await readRecord(database, idOf(request))
      if (!catalogue.protocols.get(record.school.protocolId)?.clock)
        throw new Problem('INPUT_INVALID', 'The days of this school do not count anew.', [
          { path: 'slippedOn', message: 'The days of this school do not count anew.' },
        ])
      if (slip.slippedOn < record.school.anchorOn)
        throw new Problem('INPUT_INVALID', 'It cannot have slipped before day 0.', [
          { path: 'slippedOn', message: 'It cannot have slipped before day 0.' },
        ])
      await add(request, 'slip.record', { id: slip.id }, async (transaction) => {
        if (await rows.slips.findByPk(slip.id, { transaction })) return false
        await rows.slips.create(
          { ...slip, episodeId: idOf(request), recordedBy: request.me().id, recordedAt: clock.now() },
          { transaction },
        )
        return true
      })
      return reply.code(201).send({ id: slip.id })
    },
  )

  app.post(
    '/evaluations',
    { config: { access: STAFF }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const evaluation = request.checked(newEvaluation)
      const { readings, ...scores } = evaluation
      await add(
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
              episodeId: idOf(request),
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
      await add(request, 'fact.record', { id: fact.id, what: fact.what }, async (transaction) => {
        if (await rows.facts.findByPk(fact.id, { transaction })) return false
        await rows.facts.create(
          {
            ...fact,
            value: JSON.stringify(fact.value),
            how: fact.how as 'letter',
            isWithdrawn: false,
            correctsId: null,
            episodeId: idOf(request),
            recordedBy: request.me().id,
            recordedAt: clock.now(),
          },
          { transaction },
        )
        return true
      })
      return reply.code(201).send({ id: fact.id })
    },
  )

  app.post(
    '/facts/:factId/withdrawal',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str }) } } },
    async (request, reply) => {
      const { id, why } = request.checked(factWithdrawal)
      const { factId } = request.params as { factId: string }
      await add(request, 'fact.withdraw', { id, factId }, async (transaction) => {
        if (await rows.facts.findByPk(id, { transaction })) return false
        const fact = (
          await rows.facts.findOne({ where: { id: factId, episodeId: idOf(request) }, transaction })
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
      await add(
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
              episodeId: idOf(request),
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
      await add(request, 'order.withdraw', { id, orderId }, async (transaction) => {
        if (await rows.orders.findByPk(id, { transaction })) return false
        const order = (
          await rows.orders.findOne({ where: { id: orderId, episodeId: idOf(request) }, transaction })
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
      await add(request, 'flag.raise', { id, flag }, async (transaction) => {
        if (await rows.flags.findByPk(id, { transaction })) return false
        await rows.flags.create(
          {
            id,
            episodeId: idOf(request),
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
      await add(request, 'flag.lift', { id, flagId }, async (transaction) => {
        const flag = (
          await rows.flags.findOne({
            where: { id: flagId, episodeId: idOf(request), liftsId: null },
            transaction,
          })
        )?.get()
        if (!flag) throw new Problem('NOT_FOUND', 'There is no such flag.')
        const existing = (await rows.flags.findOne({ where: { liftsId: flagId }, transaction }))?.get()
        if (existing?.id === id) return false
        if (existing) throw new Problem('ALREADY_DONE', 'This flag has been lifted already.')
        if (RED_FLAG_FACTS[flag.flag as RedFlag].needsSurgeon && answeredBy === '') {
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

function criterionJson(
  criterion: Criterion,
  record: EpisodeRecord,
  state: PatientCase,
  users: ReadonlyMap<string, string>,
) {
  const row = record.facts.filter((fact) => fact.what === criterion.name).at(-1)
  const what = criterion.text
  const score = (one: EpisodeRecord['evaluations'][number]) =>
    criterion.name === 'pain.rest' ? one.painRest : criterion.name === 'pain.act' ? one.painAct : null
  const scored = record.evaluations.filter((one) => score(one) !== null).at(-1)
  return {
    what,
    meaning: criterionMeaning(what),
    status: state.facts.status(criterion).name,
    isSurgeons: isSurgeonsToGive(what),
    staleAfterDays: staleAfterDays(criterion.name),
    latest:
      scored && (!row || scored.recordedAt > row.recordedAt)
        ? {
            id: '',
            value: String(score(scored)),
            dated: scored.evaluatedOn,
            givenBy: users.get(scored.recordedBy) ?? '',
            how: 'measured',
            note: '',
            recordedBy: users.get(scored.recordedBy) ?? '',
            isWithdrawn: false,
          }
        : row
          ? {
              id: row.id,
              value: row.value,
              dated: row.dated,
              givenBy: row.givenBy,
              how: row.how,
              note: row.note,
              recordedBy: users.get(row.recordedBy) ?? '',
              isWithdrawn: row.isWithdrawn,
            }
          : null,
  }
}

function overview(
  record: EpisodeRecord,
  state: PatientCase,
  users: ReadonlyMap<string, string>,
  revision: string,
  today: string,
) {
  const { episode, patient } = record
  const { protocol } = state
  const anchor = dayZero(state.day, today)
  const standing = standingOf(state)
  const newest = record.versions.at(-1)
  const allCriteria = [
    ...protocol.select,
    ...protocol.phases.flatMap((phase) => phase.entry),
    ...protocol.phases.flatMap((phase) => [...phase.allow, ...phase.caution].flatMap((rule) => rule.needs)),
    ...protocol.gates.flatMap((gate) => gate.needs),
    ...LOAD_BASE_CRITERIA,
  ]
  const criteria = allCriteria.filter(
    (one, place) => allCriteria.findIndex((other) => other.text === one.text) === place,
  )
  const json = (criterion: (typeof criteria)[number]) => criterionJson(criterion, record, state, users)
  const names = new Map(
    record.versions.flatMap((version) => version.items.map((item) => [item.itemId, item] as const)),
  )
  const numbers = new Map(record.versions.map((version) => [version.id, version.number]))
  return {
    revision,
    today,
    patient,
    episode: {
      ...episode,
      condition: state.condition.name.en,
      protocolId: protocol.id,
      protocol: protocol.school,
      evidence: protocol.evidence,
      sources: protocol.sources.map((source) => `${source.key} (${source.confidence})`),
      anchor: protocol.anchor,
      anchorOn: record.school.anchorOn,
      dayZeroOn: anchor,
      digits: episode.digits as string[],
      variant: record.school.variant ? protocol.variants[record.school.variant]!.name.en : null,
      measuresWrist: [...protocol.guard, ...protocol.strengthMotions].some((motion) =>
        /^(wrist|forearm)\./.test(motion),
      ),
      therapist: users.get(episode.therapistId) ?? '',
      day: state.day,
      lastReviewOn: lastReviewOn(record),
      daysSinceReview: state.daysSinceReview ?? 0,
    },
    phases: protocol.phases.map((phase, index) => ({
      id: phase.id,
      name: phase.name.en,
      startDay: phase.days[0],
      endDay: phase.days[1],
      startDate: addDays(anchor, phase.days[0]),
      goals: phase.goals,
      wear: phase.wear.map((wear) => wear.text.en),
      state:
        index < standing.index
          ? 'passed'
          : index === standing.index
            ? 'current'
            : standing.index >= 0 && index === standing.index + 1 && standing.heldBy.length > 0
              ? 'held'
              : 'ahead',
      entry: phase.entry.map(json),
      forbids: [...new Set(phase.forbid.map((rule) => rule.why?.en ?? ''))],
    })),
    gates: protocol.gates.map((gate) => {
      const missing = gate.needs.filter((criterion) => state.facts.status(criterion).name !== 'met')
      return {
        rule: gate.id,
        day: gate.from,
        date: addDays(anchor, gate.from),
        opens: gateWords(gate),
        isOpen: standing.index >= 0 && standing.effectiveDay >= gate.from && missing.length === 0,
        missing: missing.map((criterion) => ({
          what: criterion.text,
          meaning: criterionMeaning(criterion.text),
        })),
      }
    }),
    standing: {
      phaseId: standing.phase?.id ?? null,
      frozen: standing.frozen,
      heldBy: standing.heldBy.map((criterion) => criterion.text),
      nextPhaseId: standing.next?.phase.id ?? null,
      nextDate: standing.next ? addDays(anchor, standing.next.earliestDay) : null,
    },
    criteria: criteria.map(json),
    wrongSchool: wrongSchool(protocol, state.facts).map((criterion) => criterionMeaning(criterion.text)),
    unanswered: unansweredSelection(protocol, state.facts).map(json),
    advice: state.condition.advice.map((one) => one.en),
    clock: protocol.clock && {
      restartIf: protocol.clock.restartIf.en,
      slips: record.slips,
    },
    schools: record.schools.map((choice) => ({
      ...choice,
      school: choice.protocolId,
      chosenBy: users.get(choice.chosenBy) ?? '',
      chosenOn: choice.chosenAt.toISOString().slice(0, 10),
    })),
    orders: record.orders.map((order) => ({
      ...order,
      label: orderLabel(order.restriction),
      isEarly: isEarlyPermission(order.restriction),
    })),
    flags: record.openFlags.map((flag) => ({
      id: flag.id,
      flag: flag.flag,
      name: RED_FLAG_FACTS[flag.flag as RedFlag].name,
      raisedAt: flag.raisedAt.toISOString(),
      needsSurgeon: RED_FLAG_FACTS[flag.flag as RedFlag].needsSurgeon,
      fromPhone: flag.boutLogId !== null,
    })),
    redFlags: protocol.redFlags.map((flag) => flag.en),
    evaluations: record.evaluations.map((one) => ({ ...one, readings: one.readings.map(asReading) })),
    program: newest
      ? {
          id: newest.id,
          number: newest.number,
          signedOn: newest.signedOn,
          signedBy: users.get(newest.signedBy) ?? '',
          burden: burdenOf(newest.items),
          items: itemsToday(record, state).map(({ item, verdict, isPaused }) => ({
            itemId: item.itemId,
            exerciseId: item.exercise.id,
            name: item.exercise.text.en.name,
            dose: item.dose,
            isPaused,
            verdict: verdictJson(verdict, anchor, state.day),
            openingDay: exerciseOpeningDay(item.exercise, item.dose, state, item.orthosis),
          })),
        }
      : null,
    versions: record.versions.map((version) => ({
      number: version.number,
      signedOn: version.signedOn,
      signedBy: users.get(version.signedBy) ?? '',
      exercises: version.items.length,
    })),
    bouts: [...record.bouts]
      .reverse()
      .slice(0, 60)
      .map((bout) => ({
        ...bout,
        programNumber: numbers.get(bout.programVersionId) ?? 0,
        startedAt: bout.startedAt.toISOString(),
        endedAt: bout.endedAt.toISOString(),
        receivedAt: bout.receivedAt.toISOString(),
        redFlags: bout.redFlags as string[],
        items: bout.items.map((item) => {
          const signed = names.get(item.itemId)
          return {
            ...item,
            name: signed?.exercise.text.en.name ?? '',
            repetitionsAsked: signed ? signed.dose.sets * signed.dose.repetitions : 0,
          }
        }),
      })),
    devices: record.devices.map((device) => ({
      id: device.id,
      pairedAt: device.pairedAt.toISOString(),
      seenAt: device.seenAt.toISOString(),
      isRevoked: device.revokedAt !== null,
    })),
  }
}

function gateWords(gate: Rule): string {
  const parts = gate.targets.flatMap((target) => {
    switch (target.kind) {
      case 'kg':
        return [target.kg >= 99 ? 'lifting without limit' : `lifting to ${target.kg} kg`]
      case 'act':
        return target.acts.map((act) => ACT_NAMES[act].en)
      case 'test':
        return target.tests.map((test) => TEST_NAMES[test].en)
      case 'grip':
        return [gate.res === 0 ? 'holding without load' : `gripping at R${gate.res}`]
      case 'motion':
        return [`resistance R${gate.res}`]
      default:
        return []
    }
  })
  return [...new Set(parts)].join(', ')
}
