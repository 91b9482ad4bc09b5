import type { FastifyRequest } from 'fastify'
import type { Access } from '@pledge/contract'
import fp from 'fastify-plugin'
import type { Data } from '../data/data.js'
import { hashOf } from '../data/digest.js'
import { notPaired } from '../data/homes.js'
import type { Actor } from '../data/database.js'
import type { Role } from '../data/rows.js'
import { Problem } from '../problems.js'

export interface SignedInUser {
  readonly id: string
  readonly name: string
  readonly role: Role
}
export interface PairedDevice {
  readonly id: string
  readonly episodeId: string
}
declare module 'fastify' {
  interface FastifyContextConfig {
    access?: Access
    /** Whether a phone was taken back is asked in the statement that writes, not before. */
    isPhoneCheckedOnWrite?: boolean
  }
  interface FastifyRequest {
    user: SignedInUser | null
    device: PairedDevice | null
    /** The person signed in; refuses when there is none. */
    me(): SignedInUser
    phone(): PairedDevice
    actor(): Actor
  }
  interface Session {
    userId?: string
  }
}

/** Refuses every route under /api that does not say who may call it. */
export const namedAccess = fp(
  async (app) => {
    app.addHook('onRoute', (route) => {
      if (route.url.startsWith('/api') && route.config?.access === undefined) {
        throw new Error(`The route ${String(route.method)} ${route.url} does not say who may call it.`)
      }
    })
  },
  { name: 'namedAccess' },
)

/** Finds out who calls, and refuses by default. */
export const access = fp(
  async (app, { data }: { data: Data }) => {
    app.decorateRequest('user', null)
    app.decorateRequest('device', null)
    app.decorateRequest('me', function me(this: FastifyRequest) {
      if (!this.user) throw new Problem('NOT_SIGNED_IN', 'Sign in first.')
      return this.user
    })
    app.decorateRequest('phone', function phone(this: FastifyRequest) {
      if (!this.device) throw notPaired()
      return this.device
    })
    app.decorateRequest('actor', function actor(this: FastifyRequest): Actor {
      if (this.user) return { kind: 'user', id: this.user.id }
      if (this.device) return { kind: 'device', id: this.device.id }
      return { kind: 'anonymous', id: null }
    })
    app.addHook('onRequest', async (request, reply) => {
      const wanted = request.routeOptions.config.access
      if (wanted === undefined || wanted === 'anyone') return
      if (wanted === 'device') {
        request.device = await pairedDevice(request)
        request.phone()
        return
      }
      const { userId } = request.session
      const user = userId ? await data.users.byId(userId) : null
      if (user?.isActive) request.user = { id: user.id, name: user.name, role: user.role }
      const { role } = request.me()
      if (!wanted.includes(role))
        throw new Problem('NOT_ALLOWED', `This needs the role ${wanted.join(' or ')}.`)
      if (!['GET', 'HEAD'].includes(request.method)) {
        await new Promise<void>((resolve, reject) => {
          app.csrfProtection(request, reply, (error?: Error) => (error ? reject(error) : resolve()))
        })
      }
    })

    async function pairedDevice(request: FastifyRequest): Promise<PairedDevice | null> {
      const token = /^Bearer ([A-Za-z0-9_-]{43})$/.exec(request.headers.authorization ?? '')?.[1]
      if (!token) return null
      return request.routeOptions.config.isPhoneCheckedOnWrite
        ? data.homes.deviceOnceKnown(hashOf(token))
        : data.homes.deviceByToken(hashOf(token))
    }
  },
  { name: 'access' },
)
