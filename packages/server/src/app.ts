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
import type { Clock } from './clock.js'
import type { Database } from './data/database.js'
import { access } from './plugins/access.js'
import { houseCatalogues } from './plugins/houseCatalogue.js'
import { problems } from './plugins/problems.js'
import { databaseSessions, SESSION_HOURS } from './plugins/sessionStore.js'
import { validation } from './plugins/validation.js'
import { Problem } from './problems.js'
import { audit } from './routes/audit.js'
import { caseload } from './routes/caseload.js'
import { episodes } from './routes/episodes.js'
import { house } from './routes/house.js'
import { library } from './routes/library.js'
import { overrides } from './routes/overrides.js'
import { pairings, phone } from './routes/phone.js'
import { program } from './routes/program.js'
import { referrals } from './routes/referrals.js'
import { schooling } from './routes/schooling.js'
import { session } from './routes/session.js'
import type { ClinicSettings } from './settings.js'

/** Places where a test may stop the server to see that nothing is lost. */
export type Checkpoint =
  'bout.beforeInsert' | 'bout.insideTransaction' | 'bout.afterCommit' | 'bout.afterAnswer'

export interface AppSettings {
  readonly clinic: ClinicSettings
  readonly sessionSecret: string
  readonly isSecure: boolean
  readonly limits: {
    readonly signInPerMinute: number
    readonly pairingPerMinute: number
    readonly requestsPerMinute: number
  }
}

/** What every route is handed. */
export interface AppContext {
  readonly database: Database
  readonly clock: Clock
  readonly settings: AppSettings
  readonly checkpoint: (name: Checkpoint) => Promise<void>
}

interface AppOptions extends Omit<AppContext, 'checkpoint'> {
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
  ...parts
}: AppOptions): Promise<FastifyInstance> {
  const context: AppContext = { ...parts, checkpoint }
  const { settings, database, clock } = context
  const app: FastifyInstance = Fastify({
    bodyLimit: 256 * 1024,
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
        connectSrc: ["'self'"],
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
  await app.register(cookie)
  await app.register(sessionPlugin, {
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
    store: databaseSessions(database, clock.now),
  })
  await app.register(csrf, { sessionPlugin: '@fastify/session' })
  await app.register(validation, { today: () => clock.today(settings.clinic.timeZone) })
  await app.register(access, { database })
  await app.register(houseCatalogues, { database, shipped: catalogue })
  app.addHook('onSend', async (request, reply) => {
    if (request.url.startsWith('/api')) reply.header('cache-control', 'no-store')
  })
  app.addHook('onResponse', async (request, reply) => {
    if (request.url === '/api/phone/bouts' && reply.statusCode === 201) await checkpoint('bout.afterAnswer')
  })

  await app.register(session, { prefix: '/api/session', ...context })
  await app.register(caseload, { prefix: '/api/caseload', ...context })
  await app.register(referrals, { prefix: '/api/referrals', ...context })
  await app.register(episodes, { prefix: '/api/episodes/:episodeId', ...context })
  await app.register(schooling, { prefix: '/api/episodes/:episodeId', ...context })
  await app.register(overrides, { prefix: '/api/episodes/:episodeId/overrides', ...context })
  await app.register(program, { prefix: '/api/episodes/:episodeId', ...context })
  await app.register(pairings, { prefix: '/api/episodes/:episodeId', ...context })
  await app.register(phone, { prefix: '/api/phone', ...context })
  await app.register(library, { prefix: '/api/library', shipped: catalogue, ...context })
  await app.register(house, { prefix: '/api/house', shipped: catalogue, ...context })
  await app.register(audit, { prefix: '/api/audit', ...context })

  if (webDirectory && existsSync(webDirectory)) {
    await app.register(fastifyStatic, {
      root: webDirectory,
      wildcard: false,
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
