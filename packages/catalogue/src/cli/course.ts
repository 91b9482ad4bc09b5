import { readFileSync, statSync } from 'node:fs'
import { CoreError, courseAnswer } from '@pledge/core'
import { parseAllDocuments } from 'yaml'

/** `npm run --silent course -- FILE`: the planned weeks of a program from a course file, without database or server. */

const MOST_BYTES = 8 * 1024 * 1024

function refuse(path: string, message: string): never {
  throw new CoreError('DOCUMENT_INVALID', path, message)
}

function documentsOf(file: string | undefined): unknown[] {
  if (file === undefined) return refuse('(arguments)', 'Name a file: npm run --silent course -- FILE')
  let text: string
  try {
    if (statSync(file).size > MOST_BYTES)
      refuse(file, `Expected a file of at most ${MOST_BYTES / 1024 / 1024} MB.`)
    text = new TextDecoder('utf-8', { fatal: true }).decode(readFileSync(file))
  } catch (error) {
    if (error instanceof CoreError) throw error
    return refuse(file, 'Expected a file of text (UTF-8) that can be read. Check the name.')
  }
  const parts = parseAllDocuments(text, { uniqueKeys: true })
  if (!Array.isArray(parts) || parts.length === 0)
    return refuse('(document)', 'Expected a course file, found nothing.')
  return parts.map((part) => {
    const [problem] = part.errors
    if (problem) refuse('(document)', `Expected YAML or JSON: ${problem.message.split('\n')[0]}`)
    try {
      return part.toJS({ maxAliasCount: 0 }) as unknown
    } catch {
      return refuse('(document)', 'Expected YAML without aliases (&name, *name): write the value out.')
    }
  })
}

const told = ({ code, path, message }: CoreError) => ({ code, path, message })

function answerOf(document: unknown): object {
  try {
    return courseAnswer(document)
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    return { error: told(error) }
  }
}

function main([file]: readonly string[]): number {
  try {
    const documents = documentsOf(file)
    const answer = documents.length === 1 ? courseAnswer(documents[0]) : documents.map(answerOf)
    process.stdout.write(`${JSON.stringify(answer, null, 2)}\n`)
    return 0
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    process.stdout.write(`${JSON.stringify(told(error))}\n`)
    return 2
  }
}

process.exitCode = main(process.argv.slice(2))
