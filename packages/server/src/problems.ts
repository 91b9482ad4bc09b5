import type { CoreErrorCode } from '@pledge/core'

/** Every way a request can be refused, with its status. Codes are never renamed or reused. */
const CORE_STATUSES = {
  DATE_INVALID: 400,
  DOCUMENT_INVALID: 400,
  MEASUREMENT_OUT_OF_RANGE: 400,
  MEASUREMENT_INCONSISTENT: 400,
  DOSE_OUT_OF_RANGE: 400,
  EXERCISE_UNKNOWN: 400,
  PROTOCOL_UNKNOWN: 400,
  CALCULATION_UNKNOWN: 400,
  COURSE_REFERENCE_UNKNOWN: 400,
  COURSE_WINDOWS_OVERLAP: 400,
  COURSE_FORCE_BEFORE_TIME: 400,
  COURSE_NERVE_HELD: 400,
  COURSE_NERVE_UNCOUNTED: 400,
  COURSE_PAIR: 400,
  COURSE_CYCLE: 400,
} as const satisfies Record<CoreErrorCode, number>

export const PROBLEM_STATUSES = {
  ...CORE_STATUSES,
  INPUT_INVALID: 400,
  BODY_UNREADABLE: 400,
  NOT_SIGNED_IN: 401,
  SIGN_IN_FAILED: 401,
  NOT_PAIRED: 401,
  CODE_INVALID: 401,
  NOT_ALLOWED: 403,
  CSRF_FAILED: 403,
  NOT_FOUND: 404,
  EDITED_MEANWHILE: 409,
  ID_TAKEN: 409,
  ALREADY_DONE: 409,
  NOT_CLEARED: 409,
  TOO_LARGE: 413,
  UNSUPPORTED: 415,
  TOO_MANY: 429,
  UNEXPECTED: 500,
  DATABASE_AWAY: 503,
  STOPPING: 503,
} as const
export type ProblemCode = keyof typeof PROBLEM_STATUSES

export interface FieldProblem {
  readonly path: string
  readonly message: string
}

/** A refusal that becomes a problem detail (RFC 9457). Messages carry limits and ids, never a patient's data. */
export class Problem extends Error {
  readonly code: ProblemCode
  readonly errors: readonly FieldProblem[]
  /** What is stored already, where that is why something was refused. */
  readonly stored: unknown

  constructor(
    code: ProblemCode,
    message: string,
    errors: readonly FieldProblem[] = [],
    stored: unknown = undefined,
  ) {
    super(message)
    this.name = 'Problem'
    this.code = code
    this.errors = errors
    this.stored = stored
  }
}
