import {
  burdenOf,
  comparedSchools,
  criterionMeaning,
  isOpen,
  overrideTerms,
  inSchoolOrder,
  questionOf,
  schooledDose,
  recordedIrritability,
  NERVE_BUDGET,
  unansweredSelection,
  wrongSchool,
  type Catalogue,
  type ChosenSchools,
  type Exercise,
  type FactBook,
} from '@pledge/core'
import { draftSave, programSigning, type DraftItem } from '@pledge/core/schemas'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import type { AppContext } from '../app.js'
import { dayZero, caseOn, readRecord } from '../cases/episodeRecord.js'
import { digitsProblem, judgedItems, signedCopy, type JudgedItem } from '../cases/programItems.js'
import { overrideJson, overrideReply, termsJson, termsReply } from '../cases/overrideReply.js'
import { userNames } from '../cases/userNames.js'
import { openingsJson, verdictJson } from '../cases/verdictReply.js'
import { STAFF, THERAPISTS } from '../plugins/access.js'
import { Problem, type FieldProblem } from '../problems.js'
import { doseReply, list, map, maybe, num, obj, openingsReply, str, verdictReply, whole } from '../reply.js'

const draftReply = obj({
  version: whole,
  updatedBy: maybe(str),
  items: list(
    obj({
      itemId: str,
      exerciseId: str,
      dose: doseReply,
      digits: maybe(list(str)),
      minutesPerBout: num,
      orthosis: str,
      verdict: verdictReply,
      openings: openingsReply,
      override: overrideReply,
      overrideTerms: termsReply,
      painCap: whole,
      schoolDose: maybe(doseReply),
      waitsFor: list(str),
    }),
  ),
  schools: map(str),
  schoolOrder: list(str),
  questions: list(
    obj({
      question: str,
      name: str,
      chosen: maybe(str),
      schools: list(
        obj({
          id: str,
          name: str,
          says: str,
          source: str,
          endRangeMinutesPerDay: maybe(num),
          repetitionsPerDay: maybe(num),
        }),
      ),
    }),
  ),
  nerveSlides: maybe(obj({ perDay: whole, budget: maybe(whole), irritability: maybe(str) })),
  burden: obj({ minutesPerBout: num, minutesPerDay: num, boutsPerDay: whole, endRangeMinutesPerDay: num }),
})

/** The program of an episode: one draft, and its signed versions. Mounted at `/api/episodes/:episodeId`. */
export const program: FastifyPluginAsync<AppContext> = async (app, { database, clock, settings }) => {
  const { rows } = database
  const idOf = (request: FastifyRequest) => (request.params as { episodeId: string }).episodeId
  const today = () => clock.today(settings.clinic.timeZone)

  async function answer(episodeId: string, catalogue: Catalogue) {
    const record = await readRecord(database, episodeId)
    const state = caseOn(record, catalogue, today(), clock.now())
    const users = await userNames(database)
    const draft = (await rows.drafts.findByPk(episodeId))?.get()
    const editor = draft ? await rows.users.findByPk(draft.updatedBy) : null
    const schools = (draft?.schools ?? {}) as ChosenSchools
    const items = judgedItems(draft ? (draft.items as DraftItem[]) : [], state, catalogue, {
      schools,
      record,
    })
    return {
      version: draft?.version ?? 0,
      updatedBy: editor?.get().name ?? null,
      items: items.map((item) => ({
        ...item,
        exerciseId: item.exercise.id,
        painCap: item.exercise.painCap,
        schoolDose: doseBySchool(item.exercise, catalogue, schools),
        override: item.override && overrideJson(item.override, users),
        overrideTerms: termsJson(overrideTerms(item.verdict, state)),
        waitsFor: item.waitsFor.map(({ text }) => criterionMeaning(text)),
        verdict: verdictJson(item.verdict, dayZero(state.day, today()), state.day),
        openings: openingsJson(item.exercise, item.dose, state, { chosen: item.digits }),
      })),
      burden: burdenOf(items),
      schools,
      schoolOrder: inSchoolOrder(items, ({ exercise }) => exercise.slot, catalogue.doseSchools, schools).map(
        ({ itemId }) => itemId,
      ),
      questions: questionsJson(items, catalogue, schools),
      nerveSlides: nerveSlides(items, state.facts),
    }
  }

  app.get(
    '/draft',
    { config: { access: STAFF }, schema: { response: { 200: draftReply } } },
    async (request) => {
      const episodeId = idOf(request)
      await database.audit({
        at: clock.now(),
        actor: request.actor(),
        action: 'draft.read',
        episodeId,
        isChange: false,
      })
      return answer(episodeId, request.catalogue)
    },
  )

  app.put(
    '/draft',
    { config: { access: THERAPISTS }, schema: { response: { 200: draftReply } } },
    async (request) => {
      const { version, items, schools } = request.checked(draftSave)
      const episodeId = idOf(request)
      if (!(await rows.episodes.findByPk(episodeId)))
        throw new Problem('NOT_FOUND', 'There is no such episode.')
      const errors: FieldProblem[] = items.flatMap((item, index) =>
        itemProblems(item, `items.${index}`, request.catalogue),
      )
      errors.push(...schoolProblems(schools, request.catalogue))
      if (errors.length > 0) throw new Problem('INPUT_INVALID', errors[0]!.message, errors)
      const me = request.me()
      await database.inTransaction(async (transaction) => {
        const changed = { items, schools, version: version + 1, updatedBy: me.id, updatedAt: clock.now() }
        if (version === 0) {
          const existing = await rows.drafts.findByPk(episodeId, {
            transaction,
            lock: transaction.LOCK.UPDATE,
          })
          if (existing) throw editedMeanwhile(await editorOf(existing.get().updatedBy))
          await rows.drafts.create({ episodeId, ...changed }, { transaction })
        } else {
          const [count] = await rows.drafts.update(changed, { where: { episodeId, version }, transaction })
          if (count !== 1) {
            const existing = await rows.drafts.findByPk(episodeId, { transaction })
            throw editedMeanwhile(existing ? await editorOf(existing.get().updatedBy) : 'Somebody')
          }
        }
        await database.audit(
          {
            at: clock.now(),
            actor: request.actor(),
            action: 'draft.save',
            episodeId,
            isChange: true,
            detail: { version: version + 1 },
          },
          transaction,
        )
      })
      return answer(episodeId, request.catalogue)
    },
  )

  app.post(
    '/program',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str, number: whole }) } } },
    async (request, reply) => {
      const { id, version } = request.checked(programSigning)
      const episodeId = idOf(request)
      const earlier = (await rows.programVersions.findByPk(id))?.get()
      if (earlier) {
        if (earlier.episodeId !== episodeId)
          throw new Problem('ID_TAKEN', 'This id belongs to another program.')
        return reply.code(201).send({ id, number: earlier.number })
      }
      const { catalogue } = request
      const record = await readRecord(database, episodeId)
      const state = caseOn(record, catalogue, today(), clock.now())
      const me = request.me()
      const number = await database.inTransaction(async (transaction) => {
        const draft = (
          await rows.drafts.findByPk(episodeId, { transaction, lock: transaction.LOCK.UPDATE })
        )?.get()
        if (!draft || draft.version !== version)
          throw editedMeanwhile(draft ? await editorOf(draft.updatedBy) : 'Somebody')
        const schools = draft.schools as ChosenSchools
        const items = judgedItems(draft.items as DraftItem[], state, catalogue, { schools, record })
        if (items.length === 0)
          throw new Problem('NOT_CLEARED', 'Choose at least one exercise before signing.')
        const wrong = wrongSchool(state.protocol, state.facts)
        if (wrong.length > 0)
          throw new Problem(
            'NOT_CLEARED',
            `Not signed: the school does not fit, because this does not hold: ${wrong.map((one) => criterionMeaning(one.text)).join('; ')}. Choose another school under Phase.`,
          )
        const unanswered = unansweredSelection(state.protocol, state.facts)
        if (unanswered.length > 0)
          throw new Problem(
            'NOT_CLEARED',
            `Not signed: the school rests on what nobody has recorded: ${unanswered.map((one) => criterionMeaning(one.text)).join('; ')}. Record it under Phase.`,
          )
        const closed = items.flatMap((item, index) =>
          !isOpen(item.verdict.kind) && item.override === null
            ? [
                {
                  path: `items.${index}`,
                  message: `"${item.exercise.text.en.name}" is ${item.verdict.kind === 'never' ? 'never allowed here' : 'not yet allowed'}: ${item.verdict.reasons[0]?.text.en ?? ''}`,
                },
              ]
            : [],
        )
        if (closed.length > 0)
          throw new Problem(
            'NOT_CLEARED',
            `Not signed: ${closed[0]!.message} Take it out, or record what it waits for.`,
            closed,
          )
        const last = await rows.programVersions.findOne({
          where: { episodeId },
          order: [['number', 'DESC']],
          transaction,
        })
        const next = (last?.get().number ?? 0) + 1
        await rows.programVersions.create(
          {
            id,
            episodeId,
            number: next,
            signedBy: me.id,
            signedAt: clock.now(),
            signedOn: today(),
            catalogueRevision: catalogue.revision,
            items: items.map(signedCopy),
            schools,
          },
          { transaction },
        )
        await database.audit(
          {
            at: clock.now(),
            actor: request.actor(),
            action: 'program.sign',
            episodeId,
            isChange: true,
            detail: { id, number: next },
          },
          transaction,
        )
        return next
      })
      return reply.code(201).send({ id, number })
    },
  )

  async function editorOf(userId: string): Promise<string> {
    return (await rows.users.findByPk(userId))?.get().name ?? 'Somebody'
  }

  function itemProblems(item: DraftItem, path: string, catalogue: Catalogue): FieldProblem[] {
    const { exerciseId, dose, digits } = item
    const exercise = catalogue.exercises.get(exerciseId)
    if (!exercise) return [{ path: `${path}.exerciseId`, message: 'The catalogue has no such exercise.' }]
    const wrongDigits = digitsProblem(exercise, digits)
    if (wrongDigits) return [{ path: `${path}.digits`, message: wrongDigits }]
    if (exercise.load === null && dose.load !== null)
      return [{ path: `${path}.dose.load`, message: 'This exercise has no load.' }]
    if (exercise.load !== null && (dose.load === null || !exercise.load.steps.includes(dose.load))) {
      return [{ path: `${path}.dose.load`, message: `Choose a load: ${exercise.load.steps.join(', ')}.` }]
    }
    return []
  }
}

function editedMeanwhile(editor: string): Problem {
  return new Problem(
    'EDITED_MEANWHILE',
    `Not saved: ${editor} has changed this draft since you opened it. Your version is still on your screen; open theirs and enter what is missing.`,
  )
}

/** Schools that the catalogue does not have are refused: a choice is never dropped unseen. */
function schoolProblems(schools: object, catalogue: Catalogue): FieldProblem[] {
  return Object.entries(schools).flatMap(([question, id]) => {
    const known = catalogue.doseSchools.find((one) => one.question === question)?.schools ?? []
    return id === undefined || known.some((school) => school.id === id)
      ? []
      : [{ path: `schools.${question}`, message: `Choose one of ${known.map((one) => one.id).join(', ')}.` }]
  })
}

/** The dose the chosen schools give an exercise; `null` where none of them speaks of it. */
function doseBySchool(exercise: Exercise, { doseSchools }: Catalogue, chosen: ChosenSchools) {
  const question = questionOf(exercise)
  const isDosed = question !== null && chosen[question] !== undefined
  const isLoaded = exercise.load !== null && chosen.earlyLoad !== undefined
  return isDosed || isLoaded ? schooledDose(exercise, doseSchools, chosen) : null
}

function questionsJson(items: readonly JudgedItem[], catalogue: Catalogue, chosen: ChosenSchools) {
  const exercises = items.map(({ exercise }) => exercise)
  return catalogue.doseSchools.map(({ question, name, schools }) => {
    const outcomes =
      question === 'stretchHold' || question === 'nerveDose'
        ? comparedSchools(question, exercises, catalogue.doseSchools)
        : []
    return {
      question,
      name: name.en,
      chosen: chosen[question] ?? null,
      schools: schools.map((school) => {
        const outcome = outcomes.find(({ id }) => id === school.id)
        return {
          id: school.id,
          name: school.name.en,
          says: school.says.en,
          source: `${school.source.key} (${school.source.confidence})`,
          endRangeMinutesPerDay: question === 'stretchHold' ? (outcome?.endRangeMinutesPerDay ?? null) : null,
          repetitionsPerDay: outcome?.repetitionsPerDay ?? null,
        }
      }),
    }
  })
}

/** Slides of nerves a day over all variants beside the budget for the irritability on record; `null` without slides. */
function nerveSlides(items: readonly JudgedItem[], facts: FactBook) {
  const slides = items.filter(({ exercise }) => questionOf(exercise) === 'nerveDose')
  if (slides.length === 0) return null
  const perDay = slides.reduce((sum, { dose }) => sum + dose.sets * dose.repetitions * dose.boutsPerDay, 0)
  const irritability = recordedIrritability(facts)
  return { perDay, budget: irritability && NERVE_BUDGET[irritability].value, irritability }
}
