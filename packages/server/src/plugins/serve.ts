import type { PATHS } from '@pledge/contract'
import {
  ROUTES,
  type AnswerTo,
  type BodyOf,
  type ParamsOf,
  type QueryOf,
  type Route,
  type RouteName,
} from '@pledge/contract'
import type {
  FastifyContextConfig,
  FastifyInstance,
  FastifyReply,
  FastifyRequest,
  RouteOptions,
} from 'fastify'

/** An answer as a handler may give it: nobody changes it any more. */
export type Given<T> = T extends readonly (infer Item)[]
  ? readonly Given<Item>[]
  : T extends object
    ? { readonly [K in keyof T]: Given<T[K]> }
    : T

/** What a handler is handed: body and query checked by the contract's schemas, the names of the path. */
export interface AskedOf<N extends RouteName> {
  readonly request: FastifyRequest
  readonly reply: FastifyReply
  readonly body: BodyOf<N>
  readonly query: QueryOf<N>
  readonly params: ParamsOf<(typeof PATHS)[N]['path']>
}

/**
 * Registers a route of the contract: its method, path, who may call it, what it takes and what it answers stand there. An answer
 * drops what its shape does not list, so nothing leaks.
 */
export function serve<N extends RouteName>(
  app: FastifyInstance,
  name: N,
  handle: (asked: AskedOf<N>) => Promise<Given<AnswerTo<N>>>,
  { config = {}, ...options }: Pick<RouteOptions, 'onRequest'> & { config?: FastifyContextConfig } = {},
): void {
  const { method, path, who, body, query, status, answer }: Route = ROUTES[name]
  app.route({
    ...options,
    method,
    url: path,
    config: { access: who, ...config },
    ...(answer ? { schema: { response: { '2xx': answer } } } : {}),
    async handler(request, reply) {
      void reply.code(status)
      const checked = (body ? app.checked(body, request.body) : undefined) as BodyOf<N>
      const asked = (query ? app.checked(query, request.query) : undefined) as QueryOf<N>
      const params = request.params as ParamsOf<(typeof PATHS)[N]['path']>
      const answered = await handle({ request, reply, body: checked, query: asked, params })
      return answer ? answered : reply.send()
    },
  })
}
