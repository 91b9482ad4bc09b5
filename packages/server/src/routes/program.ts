import {
  burdenOf,
  choiceProblems,
  comparedSchools,
  criterionMeaning,
  dayZero,
  doseBySchool,
  inSchoolOrder,
  nerveSlides,
  overrideTerms,
  signedItem,
  signingBar,
  type Catalogue,
  type ChosenSchools,
  type Criterion,
  type Digit,
  type Dose,
  type JudgedItem,
  type SigningBar,
} from '@pledge/core'
import { draftSave, programSigning, type DraftItem } from '@pledge/core/schemas'
import type { FastifyPluginAsync, FastifyRequest } from 'fastify'
import type { AppContext } from '../app.js'
import { caseOn, readRecord, type StoredOverride } from '../cases/episodeRecord.js'
import { judgedItems } from '../cases/programItems.js'
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
        schoolDose: doseBySchool(item.exercise, catalogue.doseSchools, schools),
        override: item.override && overrideJson(item.override, users, record.episode.timeZone),
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
        const bar = signingBar(items, state)
        if (bar) throw notSigned(bar)
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
            items: items.map(signedItem),
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
    const exercise = catalogue.exercises.get(item.exerciseId)
    if (!exercise) return [{ path: `${path}.exerciseId`, message: 'The catalogue has no such exercise.' }]
    const problems = choiceProblems(exercise, item.dose as Dose, item.digits as Digit[] | null)
    return problems.map((one) => ({ ...one, path: `${path}.${one.path}` }))
  }
}

/** What bars the signing, in words, with what to do. */
function notSigned(bar: SigningBar): Problem {
  const named = (criteria: readonly Criterion[]) =>
    criteria.map((one) => criterionMeaning(one.text)).join('; ')
  switch (bar.name) {
    case 'empty':
      return new Problem('NOT_CLEARED', 'Choose at least one exercise before signing.')
    case 'wrongSchool':
      return new Problem(
        'NOT_CLEARED',
        `Not signed: the school does not fit, because this does not hold: ${named(bar.criteria)}. Choose another school under Phase.`,
      )
    case 'schoolUnanswered':
      return new Problem(
        'NOT_CLEARED',
        `Not signed: the school rests on what nobody has recorded: ${named(bar.criteria)}. Record it under Phase.`,
      )
    case 'closed': {
      const errors = bar.items.map(({ index, item }) => ({
        path: `items.${index}`,
        message: `"${item.exercise.text.en.name}" is ${item.verdict.kind === 'never' ? 'never allowed here' : 'not yet allowed'}: ${item.verdict.reasons[0]?.text.en ?? ''}`,
      }))
      return new Problem(
        'NOT_CLEARED',
        `Not signed: ${errors[0]!.message} Take it out, or record what it waits for.`,
        errors,
      )
    }
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

function questionsJson(
  items: readonly JudgedItem<StoredOverride>[],
  catalogue: Catalogue,
  chosen: ChosenSchools,
) {
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
