import { readFileSync, statSync } from 'node:fs'
import { calculated, CoreError } from '@pledge/core'

/** `npm run --silent calc -- FILE`: measurement and biomechanics computations of a JSON list, without database or server. */

const MOST_BYTES = 32 * 1024 * 1024

function documentOf(file: string | undefined): unknown {
  const refuse = (path: string, message: string): never => {
    throw new CoreError('DOCUMENT_INVALID', path, message)
  }
  if (file === undefined) return refuse('(arguments)', 'Name a file: npm run --silent calc -- FILE')
  let text: string
  try {
    if (statSync(file).size > MOST_BYTES)
      return refuse(file, `Expected a file of at most ${MOST_BYTES / 1024 / 1024} MB.`)
    text = readFileSync(file, 'utf8')
  } catch (error) {
    if (error instanceof CoreError) throw error
    return refuse(file, 'Expected a file that can be read. Check the name.')
  }
  try {
    return JSON.parse(text)
  } catch (error) {
    return refuse(file, `Expected JSON: ${(error as Error).message}`)
  }
}

function main([file]: readonly string[]): number {
  try {
    process.stdout.write(`${JSON.stringify(calculated(documentOf(file)), null, 2)}\n`)
    return 0
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    const { code, path, message } = error
    process.stdout.write(`${JSON.stringify({ code, path, message })}\n`)
    return 2
  }
}

process.exitCode = main(process.argv.slice(2))
