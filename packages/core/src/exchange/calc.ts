import { CoreError } from '../errors.js'
import { DocumentReader } from '../reading/documentReader.js'
import { CALCULATIONS } from './calculations.js'

/** More in one file is a mistake, or meant to do harm. */
export const MOST_CALCULATIONS = 100_000

export type CalcAnswer =
  | { readonly id: string; readonly output: Readonly<Record<string, unknown>> }
  | {
      readonly id: string
      readonly error: { readonly code: string; readonly path: string; readonly message: string }
    }

/**
 * Runs a list of computations `{id, calc, input}` and answers in the same order, each with its output or with what was
 * wrong and where. One that is refused does not stop the others.
 *
 * @throws CoreError `DOCUMENT_INVALID` where the document is no list of such entries
 */
export function calculated(document: unknown): CalcAnswer[] {
  const entries = new DocumentReader(document).list()
  if (entries.length > MOST_CALCULATIONS)
    new DocumentReader(entries.length, '(document)').refuse(`at most ${MOST_CALCULATIONS} entries`)
  return entries.map((entry): CalcAnswer => {
    const part = entry.object(['id', 'calc', 'input', 'expect', 'tolerance', 'source', 'note'])
    const id = part['id']!.text()
    try {
      const name = part['calc']!.text()
      const calculation = Object.hasOwn(CALCULATIONS, name) ? CALCULATIONS[name]! : null
      if (!calculation)
        throw new CoreError(
          'CALCULATION_UNKNOWN',
          'calc',
          `Expected one of ${Object.keys(CALCULATIONS).join(', ')}, found "${name}".`,
        )
      return { id, output: calculation(new DocumentReader(part['input']!.value, '')) }
    } catch (error) {
      if (!(error instanceof CoreError)) throw error
      return { id, error: { code: error.code, path: error.path, message: error.message } }
    }
  })
}
