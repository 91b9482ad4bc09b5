export interface FieldProblem {
  path: string
  message: string
}

/** A refusal of the server, or no answer at all. */
export class ApiProblem extends Error {
  readonly status: number
  readonly code: string
  readonly errors: readonly FieldProblem[]

  constructor(status: number, code: string, message: string, errors: readonly FieldProblem[] = []) {
    super(message)
    this.name = 'ApiProblem'
    this.status = status
    this.code = code
    this.errors = errors
  }

  /** Whether trying again later may help: no signal, or a server that is away. */
  get isPassing(): boolean {
    return this.status === 0 || this.status === 429 || this.status >= 500
  }
}

/** The message that belongs to a field, by its path. */
export function messageAt(problem: unknown, path: string): string | null {
  return problem instanceof ApiProblem
    ? (problem.errors.find((one) => one.path === path)?.message ?? null)
    : null
}
