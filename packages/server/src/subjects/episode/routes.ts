import type { FastifyPluginAsync } from 'fastify'
import { episodeIdOf, todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { caseOn } from '../../record/episodeCase.js'
import { overview } from './answer.js'

/** One episode as a whole. Mounted at `/api/episodes/:episodeId`. */
export const episode: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context

  serve(app, 'revision', async ({ request }) => ({
    revision: await data.journal.revisionOf(episodeIdOf(request)),
  }))

  serve(app, 'episode', async ({ request }) => {
    const episodeId = episodeIdOf(request)
    // Read before the record: a change in between makes the screen read once more, never once too little.
    const revision = await data.journal.revisionOf(episodeId)
    const [record, users] = await Promise.all([data.records.of(episodeId), data.users.names()])
    const today = todayOf(context)
    const state = caseOn(record, request.catalogue, today, clock.now())
    await data.journal.note(told(context, request, 'episode.read'), episodeId)
    return overview(record, state, request.catalogue, users, revision, today)
  })
}
