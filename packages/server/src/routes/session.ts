import { verify } from '@node-rs/argon2'
import { signIn } from '@pledge/core/schemas'
import type { FastifyPluginAsync } from 'fastify'
import type { AppContext } from '../app.js'
import { STAFF } from '../plugins/access.js'
import { Problem } from '../problems.js'
import { maybe, obj, str } from '../reply.js'

const sessionReply = obj({
  user: maybe(obj({ id: str, name: str, role: str })),
  csrfToken: str,
  clinic: obj({ name: str, timeZone: str }),
  today: str,
})

/** A hash nobody's password has: checking it takes as long as checking a real one. */
const NOBODY =
  '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$Jn4gvhZyKXPCGkAEr+tKX4bDnbbRiR8xEMOIWxdPH1g'

/** Signing in and out. Mounted at `/api/session`. */
export const session: FastifyPluginAsync<AppContext> = async (app, { database, settings, clock }) => {
  const clinic = { name: settings.clinic.name, timeZone: settings.clinic.timeZone }

  app.get(
    '/',
    { config: { access: 'anyone' }, schema: { response: { 200: sessionReply } } },
    async (request, reply) => {
      const { userId } = request.session
      const row = userId ? await database.rows.users.findByPk(userId) : null
      const user = row?.get().isActive
        ? { id: row.get().id, name: row.get().name, role: row.get().role }
        : null
      return { user, csrfToken: reply.generateCsrf(), clinic, today: clock.today(clinic.timeZone) }
    },
  )

  app.post(
    '/',
    {
      config: {
        access: 'anyone',
        rateLimit: { max: settings.limits.signInPerMinute, timeWindow: '1 minute' },
      },
      onRequest: (request, reply, done) => app.csrfProtection(request, reply, done),
      schema: { response: { 200: sessionReply } },
    },
    async (request, reply) => {
      const { login, password } = request.checked(signIn)
      const row = (await database.rows.users.findOne({ where: { login: login.trim().toLowerCase() } }))?.get()
      const isRight = await verify(row?.passwordHash ?? NOBODY, password).catch(() => false)
      const at = clock.now()
      if (!row || !isRight || !row.isActive) {
        await database.audit({
          at,
          actor: { kind: 'anonymous', id: row?.id ?? null },
          action: 'signIn.refused',
          episodeId: null,
          isChange: false,
        })
        throw new Problem('SIGN_IN_FAILED', 'Name and password do not fit together. Check both.')
      }
      await request.session.regenerate()
      request.session.userId = row.id
      await database.audit({
        at,
        actor: { kind: 'user', id: row.id },
        action: 'signIn',
        episodeId: null,
        isChange: false,
      })
      return {
        user: { id: row.id, name: row.name, role: row.role },
        csrfToken: reply.generateCsrf(),
        clinic,
        today: clock.today(clinic.timeZone),
      }
    },
  )

  app.delete('/', { config: { access: STAFF } }, async (request, reply) => {
    await database.audit({
      at: clock.now(),
      actor: request.actor(),
      action: 'signOut',
      episodeId: null,
      isChange: false,
    })
    await request.session.destroy()
    return reply.code(204).send()
  })
}
