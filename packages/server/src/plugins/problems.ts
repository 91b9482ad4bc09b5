import { CoreError } from '@pledge/core'
import type { FastifyError } from 'fastify'
import fp from 'fastify-plugin'
import { databaseProblem } from '../data/databaseProblem.js'
import { Problem, PROBLEM_STATUSES, type ProblemCode } from '../problems.js'

const FASTIFY_CODES: Readonly<Record<string, [ProblemCode, string]>> = {
  FST_CSRF_MISSING_SECRET: ['CSRF_FAILED', 'The page is too old. Reload it and try again.'],
  FST_CSRF_INVALID_TOKEN: ['CSRF_FAILED', 'The page is too old. Reload it and try again.'],
  FST_ERR_CTP_BODY_TOO_LARGE: ['TOO_LARGE', 'That is too large to be read.'],
  FST_ERR_CTP_INVALID_MEDIA_TYPE: ['UNSUPPORTED', 'Send JSON.'],
  FST_ERR_CTP_INVALID_JSON_BODY: ['BODY_UNREADABLE', 'The request is not readable JSON.'],
  FST_ERR_CTP_EMPTY_JSON_BODY: ['BODY_UNREADABLE', 'The request is empty.'],
}

function asProblem(error: FastifyError | Error): Problem {
  if (error instanceof Problem) return error
  if (error instanceof CoreError)
    return new Problem(error.code, error.message, [{ path: error.path, message: error.message }])
  const fromDatabase = databaseProblem(error)
  if (fromDatabase) return fromDatabase
  const known = 'code' in error ? FASTIFY_CODES[error.code] : undefined
  if (known) return new Problem(known[0], known[1])
  if ('statusCode' in error && error.statusCode === 429)
    return new Problem('TOO_MANY', 'Too many tries. Wait a minute, then try again.')
  if ('statusCode' in error && error.statusCode === 400)
    return new Problem('BODY_UNREADABLE', 'The request is not readable.')
  return new Problem(
    'UNEXPECTED',
    'Something went wrong here. It was noted; try again, and tell the clinic if it stays.',
  )
}

/** Answers every refusal as a problem detail with a code and the paths of the fields that are wrong. */
export const problems = fp(
  async (app) => {
    app.setErrorHandler((error: FastifyError | Error, request, reply) => {
      const problem = asProblem(error)
      const status = PROBLEM_STATUSES[problem.code]
      if (status >= 500) request.log.error({ err: error }, 'request failed')
      return reply
        .code(status)
        .type('application/problem+json')
        .serializer((value: unknown) => JSON.stringify(value))
        .send({
          type: 'about:blank',
          title: problem.code,
          status,
          code: problem.code,
          detail: problem.message,
          errors: problem.errors,
          ...(problem.stored === undefined ? {} : { stored: problem.stored }),
        })
    })
  },
  { name: 'problems' },
)
