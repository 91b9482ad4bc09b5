import { existsSync } from 'node:fs'
import { join } from 'node:path'
import cookie from '@fastify/cookie'
import csrf from '@fastify/csrf-protection'
import helmet from '@fastify/helmet'
import rateLimit from '@fastify/rate-limit'
import sessionPlugin from '@fastify/session'
import fastifyStatic from '@fastify/static'
import type { Catalogue } from '@pledge/core'
import Fastify, { type FastifyInstance } from 'fastify'
import type { AppContext, AppSettings } from './context.js'
import { dataOf } from './data/data.js'
import type { Database } from './data/database.js'
import { access, namedAccess } from './plugins/access.js'
import { houseCatalogues } from './plugins/houseCatalogue.js'
import { problems } from './plugins/problems.js'
import { serializers } from './plugins/serializers.js'
import { databaseSessions, SESSION_HOURS } from './plugins/sessionStore.js'
import { validation } from './plugins/validation.js'
import { Problem } from './problems.js'
import { apiDocument } from './subjects/clinic/apiDocument.js'
import { caseload } from './subjects/caseload/routes.js'
import { house } from './subjects/clinic/routes.js'
import { trail } from './subjects/clinic/trail.js'
import { episode } from './subjects/episode/routes.js'
import { evaluation } from './subjects/evaluation/routes.js'
import { pairings, phone } from './subjects/home/routes.js'
import { library } from './subjects/library/routes.js'
import { phase } from './subjects/phase/routes.js'
import { school } from './subjects/phase/school.js'
import { exercises } from './subjects/program/exercises.js'
import { overrides } from './subjects/program/overrides.js'
import { program } from './subjects/program/routes.js'
import { protocols } from './subjects/protocols/routes.js'
import { referrals } from './subjects/referral/routes.js'
import { session } from './subjects/session/routes.js'

interface AppOptions extends Pick<AppContext, 'clock' | 'settings'> {
  readonly database: Database
  /** The catalogue as shipped; requests see it with the clinic's changes. */
  readonly catalogue: Catalogue
  readonly checkpoint?: AppContext['checkpoint']
  /** The built web application; without it only the API answers. */
  readonly webDirectory?: string
  readonly logLevel?: string
}

export const DEFAULT_LIMITS: AppSettings['limits'] = {
  signInPerMinute: 10,
  pairingPerMinute: 10,
  requestsPerMinute: 900,
}

/** Builds the server without listening. */
export async function buildApp({
  checkpoint = async () => {},
  webDirectory,
  logLevel = 'warn',
  catalogue,
  database,
  ...parts
}: AppOptions): Promise<FastifyInstance> {
  const context: AppContext = { ...parts, data: dataOf(database), checkpoint }
  const { settings, data, clock } = context
  const app: FastifyInstance = Fastify({
    bodyLimit: 256 * 1024,
    schemaController: { compilersFactory: serializers },
    logger: {
      level: logLevel,
      serializers: {
        err: withoutPatientData,
        req: (request) => ({ method: request.method, url: request.url.split('?')[0] ?? '' }),
      },
    },
  })
  await app.register(problems)
  await app.register(helmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'", ...(settings.devicesUrl ? [settings.devicesUrl] : [])],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        ...(settings.isSecure ? { upgradeInsecureRequests: [] } : {}),
      },
    },
    hsts: settings.isSecure,
    referrerPolicy: { policy: 'no-referrer' },
  })
  await app.register(rateLimit, {
    max: settings.limits.requestsPerMinute,
    timeWindow: '1 minute',
    allowList: (request) => !request.url.startsWith('/api'),
  })
  await app.register(namedAccess)
  await app.register(validation, { today: () => clock.today(settings.clinic.timeZone) })
  await app.register(houseCatalogues, { data, shipped: catalogue })
  app.addHook('onSend', async (request, reply) => {
    if (request.url.startsWith('/api')) reply.header('cache-control', 'no-store')
  })
  app.addHook('onResponse', async (request, reply) => {
    if (request.url === '/api/phone/bouts' && reply.statusCode === 201) await checkpoint('bout.afterAnswer')
  })

  await app.register(async (phones) => {
    // A phone shows its token: it has neither cookie nor session.
    await phones.register(access, { data })
    await phones.register(phone, context)
  })
  await app.register(async (clinic) => {
    await clinic.register(cookie)
    await clinic.register(sessionPlugin, {
      secret: settings.sessionSecret,
      cookieName: 'pledge_session',
      cookie: {
        secure: settings.isSecure,
        httpOnly: true,
        sameSite: 'strict',
        path: '/',
        maxAge: SESSION_HOURS * 3_600_000,
      },
      saveUninitialized: false,
      rolling: true,
      store: databaseSessions(data.users, clock.now),
    })
    await clinic.register(csrf, { sessionPlugin: '@fastify/session' })
    await clinic.register(access, { data })
    await clinic.register(session, context)
    await clinic.register(caseload, context)
    await clinic.register(apiDocument)
    await clinic.register(referrals, context)
    await clinic.register(episode, context)
    await clinic.register(evaluation, context)
    await clinic.register(phase, context)
    await clinic.register(school, context)
    await clinic.register(exercises, context)
    await clinic.register(overrides, context)
    await clinic.register(program, context)
    await clinic.register(pairings, context)
    await clinic.register(library, context)
    await clinic.register(protocols, { shipped: catalogue, ...context })
    await clinic.register(house, { shipped: catalogue, ...context })
    await clinic.register(trail, context)
  })

  if (webDirectory && existsSync(webDirectory)) {
    await app.register(fastifyStatic, {
      root: webDirectory,
      preCompressed: true,
      setHeaders(reply, path) {
        reply.header(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        )
      },
    })
  }
  app.setNotFoundHandler(async (request, reply) => {
    const isPage =
      request.method === 'GET' &&
      webDirectory &&
      !request.url.startsWith('/api') &&
      !request.url.startsWith('/assets')
    if (!isPage) throw new Problem('NOT_FOUND', 'There is nothing at this address.')
    const page = /^\/phone(\/|$|\?)/.test(request.url) ? 'phone.html' : 'index.html'
    return reply.header('cache-control', 'no-cache').sendFile(page, join(webDirectory))
  })
  return app
}

/** Errors without their SQL and its parameters, which hold patients' data. */
function withoutPatientData(error: Error & { code?: string; parent?: { errno?: number } }) {
  const isFromDatabase = error.name.startsWith('Sequelize')
  return {
    type: error.name,
    message: isFromDatabase ? `database error ${error.parent?.errno ?? ''}` : error.message,
    stack: isFromDatabase ? '' : (error.stack ?? ''),
    ...(error.code === undefined ? {} : { code: error.code }),
  }
}
