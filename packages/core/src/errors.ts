/**
 * Every error code core can throw. Codes are never renamed or reused: callers and records point at them.
 */
export const CORE_ERROR_CODES = [
  'DATE_INVALID',
  'DOCUMENT_INVALID',
  'MEASUREMENT_OUT_OF_RANGE',
  'MEASUREMENT_INCONSISTENT',
  'DOSE_OUT_OF_RANGE',
  'EXERCISE_UNKNOWN',
  'PROTOCOL_UNKNOWN',
  'CALCULATION_UNKNOWN',
  'COURSE_REFERENCE_UNKNOWN',
  'COURSE_WINDOWS_OVERLAP',
  'COURSE_FORCE_BEFORE_TIME',
  'COURSE_NERVE_HELD',
  'COURSE_NERVE_UNCOUNTED',
  'COURSE_PAIR',
  'COURSE_CYCLE',
] as const

export type CoreErrorCode = (typeof CORE_ERROR_CODES)[number]

/** A refusal with a code, the path of the field that is wrong, and a sentence that says what to do. */
export class CoreError extends Error {
  readonly code: CoreErrorCode
  readonly path: string

  constructor(code: CoreErrorCode, path: string, message: string) {
    super(message)
    this.name = 'CoreError'
    this.code = code
    this.path = path
  }
}
