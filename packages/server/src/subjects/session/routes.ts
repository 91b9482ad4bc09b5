import { verify } from '@node-rs/argon2'
import type { FastifyPluginAsync } from 'fastify'
import { todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import { Problem } from '../../problems.js'

/** A hash nobody's password has: checking it takes as long as checking a real one. */
const NOBODY =
  '$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$Jn4gvhZyKXPCGkAEr+tKX4bDnbbRiR8xEMOIWxdPH1g'

/** Signing in and out. Mounted at `/api/session`. */
export const session: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, settings, clock } = context
  const clinic = { name: settings.clinic.name, timeZone: settings.clinic.timeZone }

  serve(app, 'session', async ({ request, reply }) => {
    const { userId } = request.session
    const known = userId ? await data.users.byId(userId) : null
    const user = known?.isActive ? { id: known.id, name: known.name, role: known.role } : null
    return {
      user,
      csrfToken: reply.generateCsrf(),
      clinic,
      today: todayOf(context),
      devicesUrl: settings.devicesUrl,
      showsLowBands: settings.showsLowBands,
    }
  })

  serve(
    app,
    'signIn',
    async ({ request, reply, body }) => {
      const { login, password } = body
      const user = await data.users.byLogin(login.trim().toLowerCase())
      const isRight = await verify(user?.passwordHash ?? NOBODY, password).catch(() => false)
      const at = clock.now()
      if (!user || !isRight || !user.isActive) {
        const actor = { kind: 'anonymous', id: user?.id ?? null } as const
        await data.journal.note({ at, actor, action: 'signIn.refused' }, null)
        throw new Problem('SIGN_IN_FAILED', 'Name and password do not fit together. Check both.')
      }
      await request.session.regenerate()
      request.session.userId = user.id
      await data.journal.note({ at, actor: { kind: 'user', id: user.id }, action: 'signIn' }, null)
      return {
        user: { id: user.id, name: user.name, role: user.role },
        csrfToken: reply.generateCsrf(),
        clinic,
        today: todayOf(context),
        devicesUrl: settings.devicesUrl,
        showsLowBands: settings.showsLowBands,
      }
    },
    {
      onRequest: (request, reply, done) => app.csrfProtection(request, reply, done),
      config: { rateLimit: { max: settings.limits.signInPerMinute, timeWindow: '1 minute' } },
    },
  )

  serve(app, 'signOut', async ({ request, reply }) => {
    await data.journal.note(told(context, request, 'signOut'), null)
    await request.session.destroy()
    return reply.code(204).send()
  })
}
