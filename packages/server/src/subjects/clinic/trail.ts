import type { FastifyPluginAsync } from 'fastify'
import { told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'

const MOST_ROWS = 300

/** Who did what, newest first. Mounted at `/api/audit`. */
export const trail: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data } = context
  serve(app, 'audit', async ({ request }) => {
    const [entries, names] = await Promise.all([data.trail.newest(MOST_ROWS), data.users.names()])
    await data.journal.note(told(context, request, 'audit.read'), null)
    return entries.map((entry) => {
      const actors = {
        user: names.get(entry.actorId ?? '') ?? 'unknown',
        device: "patient's phone",
        anonymous: 'nobody signed in',
        system: 'Pledge',
      }
      return {
        ...entry,
        at: entry.at.toISOString(),
        actor: actors[entry.actorKind],
        detail: JSON.stringify(entry.detail),
      }
    })
  })
}
