import { choiceProblems, signedItem, signingBar, type Catalogue, type Digit, type Dose } from '@pledge/core'
import { draftSave, programSigning, type DraftItem } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import { obj, str, whole } from '../../answers/shapes.js'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { STAFF, THERAPISTS } from '../../plugins/access.js'
import { Problem, type FieldProblem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'
import { draftItems } from '../../record/programItems.js'
import { draftAnswer, draftReply, notSigned } from './answer.js'

/** The program of an episode: one draft, and its signed versions. Mounted at `/api/episodes/:episodeId`. */
export const program: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  async function answer(episodeId: string, catalogue: Catalogue) {
    const [record, draft, users] = await Promise.all([
      data.records.of(episodeId),
      data.programs.draftOf(episodeId),
      data.users.names(),
    ])
    const today = todayOf(context)
    return draftAnswer(draft, record, caseOn(record, catalogue, today, clock.now()), catalogue, users, today)
  }

  app.get(
    '/draft',
    { config: { access: STAFF }, schema: { response: { 200: draftReply } } },
    async (request) => {
      const episodeId = episodeIdOf(request)
      await data.journal.note(told(context, request, 'draft.read'), episodeId)
      return answer(episodeId, request.catalogue)
    },
  )

  app.put(
    '/draft',
    { config: { access: THERAPISTS }, schema: { response: { 200: draftReply } } },
    async (request) => {
      const { version, items, schools } = request.checked(draftSave)
      const episodeId = episodeIdOf(request)
      const errors = [
        ...items.flatMap((item, index) => itemProblems(item, `items.${index}`, request.catalogue)),
        ...schoolProblems(schools, request.catalogue),
      ]
      if (errors.length > 0) throw new Problem('INPUT_INVALID', errors[0]!.message, errors)
      await data.programs.saveDraft(
        { episodeId, items, schools, updatedBy: request.me().id, updatedAt: clock.now() },
        version,
        told(context, request, 'draft.save', { version: version + 1 }),
      )
      return answer(episodeId, request.catalogue)
    },
  )

  app.post(
    '/program',
    { config: { access: THERAPISTS }, schema: { response: { 201: obj({ id: str, number: whole }) } } },
    async (request, reply) => {
      const content = request.checked(programSigning)
      const { id, version } = content
      const episodeId = episodeIdOf(request)
      const { catalogue } = request
      const today = todayOf(context)
      const { row } = await data.programs.sign(
        { id, episodeId, content, told: told(context, request, 'program.sign', { id }) },
        version,
        async (draft, number, transaction) => {
          const record = await data.records.of(episodeId, transaction)
          const state = caseOn(record, catalogue, today, clock.now())
          const items = draftItems(draft, state, catalogue, record)
          const bar = signingBar(items, state)
          if (bar) throw notSigned(bar)
          return {
            id,
            episodeId,
            number,
            signedBy: request.me().id,
            signedAt: clock.now(),
            signedOn: today,
            catalogueRevision: catalogue.revision,
            items: items.map(signedItem),
            schools: draft.schools,
          }
        },
      )
      return reply.code(201).send({ id, number: row.number })
    },
  )
}

function itemProblems(item: DraftItem, path: string, catalogue: Catalogue): FieldProblem[] {
  const exercise = catalogue.exercises.get(item.exerciseId)
  if (!exercise) return [{ path: `${path}.exerciseId`, message: 'The catalogue has no such exercise.' }]
  const problems = choiceProblems(exercise, item.dose as Dose, item.digits as Digit[] | null)
  return problems.map((one) => ({ ...one, path: `${path}.${one.path}` }))
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
