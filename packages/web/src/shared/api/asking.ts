import type { AnswerTo, ParamsOf, QueryOf } from '@pledge/contract'
import { PATHS, type RouteName } from '@pledge/contract/paths'
import { ApiProblem, type FieldProblem } from './problem'

/** The names a route's path is filled in with, and what is asked behind it. */
type Place<N extends RouteName> = ParamsOf<(typeof PATHS)[N]['path']> & {
  readonly query?: Partial<QueryOf<N>>
}

/**
 * Asks routes of the contract by name: the path, the method and the type of the answer are the contract's.
 *
 * @param headers - what goes with every question, by the method it is asked with
 */
export function asking(send: typeof fetch, headers: (method: string) => Record<string, string>) {
  return function ask<N extends RouteName>(
    name: N,
    { query, ...names }: Place<N>,
    body?: unknown,
  ): Promise<AnswerTo<N>> {
    const { method, path } = PATHS[name]
    const url = path.replace(/:(\w+)/g, (_, key: string) =>
      encodeURIComponent((names as Record<string, string>)[key]!),
    )
    const asked = new URLSearchParams(
      Object.entries(query ?? {}).map(([key, value]): [string, string] => [key, String(value)]),
    ).toString()
    return readAnswer<AnswerTo<N>>(() =>
      send(asked === '' ? url : `${url}?${asked}`, {
        method,
        headers: {
          ...(body === undefined ? {} : { 'content-type': 'application/json' }),
          ...headers(method),
        },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      }),
    )
  }
}

/** Reads an answer, or throws what was refused. */
async function readAnswer<T>(request: () => Promise<Response>): Promise<T> {
  let response: Response
  try {
    response = await request()
  } catch {
    throw new ApiProblem(
      0,
      'OFFLINE',
      'No connection. What you entered is still here; try again when the signal is back.',
    )
  }
  if (response.status === 204) return undefined as T
  const body = (await response.json().catch(() => null)) as {
    code?: string
    detail?: string
    errors?: FieldProblem[]
  } | null
  if (!response.ok) {
    throw new ApiProblem(
      response.status,
      body?.code ?? 'UNREADABLE',
      body?.detail ?? 'The server gave no readable answer. Try again in a minute.',
      body?.errors ?? [],
    )
  }
  return body as T
}
