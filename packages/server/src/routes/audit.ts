import type { FastifyPluginAsync } from 'fastify'
import type { AppContext } from '../app.js'
import { bool, list, maybe, obj, str } from '../reply.js'

const MOST_ROWS = 300
const auditReply = list(
  obj({
    id: str,
    at: str,
    actor: str,
    action: str,
    patient: maybe(str),
    episodeId: maybe(str),
    isChange: bool,
    detail: str,
  }),
)

/** Who did what, newest first. Mounted at `/api/audit`. */
export const audit: FastifyPluginAsync<AppContext> = async (app, { database, clock }) => {
  app.get(
    '/',
    { config: { access: ['lead'] }, schema: { response: { 200: auditReply } } },
    async (request) => {
      const { rows } = database
      const [entries, users, episodes, patients] = await Promise.all([
        rows.audit.findAll({ order: [['id', 'DESC']], limit: MOST_ROWS }),
        rows.users.findAll(),
        rows.episodes.findAll(),
        rows.patients.findAll(),
      ])
      await database.audit({
        at: clock.now(),
        actor: request.actor(),
        action: 'audit.read',
        episodeId: null,
        isChange: false,
      })
      const userNames = new Map(users.map((row) => [row.get().id, row.get().name]))
      const patientNames = new Map(patients.map((row) => [row.get().id, row.get().name]))
      const patientOf = new Map(
        episodes.map((row) => [row.get().id, patientNames.get(row.get().patientId) ?? null]),
      )
      return entries.map((row) => {
        const entry = row.get()
        const actors = {
          user: userNames.get(entry.actorId ?? '') ?? 'unknown',
          device: "patient's phone",
          anonymous: 'nobody signed in',
          system: 'Pledge',
        }
        return {
          id: entry.id,
          at: entry.at.toISOString(),
          actor: actors[entry.actorKind],
          action: entry.action,
          patient: entry.episodeId ? (patientOf.get(entry.episodeId) ?? null) : null,
          episodeId: entry.episodeId,
          isChange: entry.isChange,
          detail: JSON.stringify(entry.detail),
        }
      })
    },
  )
}
