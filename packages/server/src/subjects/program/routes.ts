import { choiceProblems, signedItem, signingBar, type Catalogue } from '@pledge/core'
import type { DraftItem } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import { episodeIdOf, sentTo, todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { Problem, type FieldProblem } from '../../problems.js'
import { caseOn } from '../../record/episodeCase.js'
import { draftItems } from '../../record/programItems.js'
import { draftAnswer, notSigned } from './answer.js'

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

  serve(app, 'draft', async ({ request }) => {
    const episodeId = episodeIdOf(request)
    await data.journal.note(told(context, request, 'draft.read'), episodeId)
    return answer(episodeId, request.catalogue)
  })

  serve(app, 'saveDraft', async ({ request, body }) => {
    const { version, items, schools } = body
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
  })

  serve(app, 'sign', async ({ request, body: content }) => {
    const { id, version } = content
    const episodeId = episodeIdOf(request)
    const { catalogue } = request
    const today = todayOf(context)
    const { row } = await data.programs.sign(
      sentTo(context, request, content, 'program.sign'),
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
    return { id, number: row.number }
  })
}

function itemProblems(item: DraftItem, path: string, catalogue: Catalogue): FieldProblem[] {
  const exercise = catalogue.exercises.get(item.exerciseId)
  if (!exercise) return [{ path: `${path}.exerciseId`, message: 'The catalogue has no such exercise.' }]
  const problems = choiceProblems(exercise, item.dose, item.digits)
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
