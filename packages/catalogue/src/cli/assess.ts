import { readFileSync, statSync } from 'node:fs'
import { assessCaseFile, CoreError } from '@pledge/core'
import { parseAllDocuments } from 'yaml'
import { shippedCatalogue } from '../compiledCatalogue.js'
import { parseYaml } from '../loadCatalogue.js'

/** `npm run --silent assess -- FILE…`: assesses case files without database or server. */

const MOST_BYTES = 8 * 1024 * 1024

function documentsOf(file: string): unknown[] {
  let text: string
  try {
    if (statSync(file).size > MOST_BYTES)
      throw new CoreError(
        'DOCUMENT_INVALID',
        file,
        `Expected a case file of at most ${MOST_BYTES / 1024 / 1024} MB.`,
      )
    text = readFileSync(file, 'utf8')
  } catch (error) {
    if (error instanceof CoreError) throw error
    throw new CoreError('DOCUMENT_INVALID', file, 'Expected a file that can be read. Check the name.')
  }
  const parts = parseAllDocuments(text)
  if (!Array.isArray(parts) || parts.length <= 1) return [parseYaml(text)]
  return parts.map((part) => parseYaml(part.toString()))
}

function main(files: readonly string[]): number {
  try {
    if (files.length === 0)
      throw new CoreError(
        'DOCUMENT_INVALID',
        '(arguments)',
        'Name a case file: npm run --silent assess -- FILE',
      )
    const catalogue = shippedCatalogue()
    const documents = files.flatMap(documentsOf)
    const results = documents.map((document) => assessCaseFile(document, catalogue))
    process.stdout.write(`${JSON.stringify(results.length === 1 ? results[0] : results, null, 2)}\n`)
    return 0
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    process.stdout.write(
      `${JSON.stringify({ code: error.code, path: error.path, message: error.message })}\n`,
    )
    return 2
  }
}

process.exitCode = main(process.argv.slice(2))
