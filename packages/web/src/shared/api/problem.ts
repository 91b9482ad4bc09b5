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

/** Reads an answer, or throws what was refused. */
export async function readAnswer<T>(request: () => Promise<Response>): Promise<T> {
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

/** The message that belongs to a field, by its path. */
export function messageAt(problem: unknown, path: string): string | null {
  return problem instanceof ApiProblem
    ? (problem.errors.find((one) => one.path === path)?.message ?? null)
    : null
}
