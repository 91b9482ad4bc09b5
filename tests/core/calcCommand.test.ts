import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, expect, it } from 'vitest'
import { calculated } from '@pledge/core'

const root = fileURLToPath(new URL('../../', import.meta.url))
const directory = mkdtempSync(join(tmpdir(), 'pledge-calc-'))
afterAll(() => rmSync(directory, { recursive: true }))

/** `npm run --silent calc -- FILE`, as a person types it. */
function run(text: string): { code: number; answer: unknown } {
  const file = join(directory, 'list.json')
  writeFileSync(file, text)
  try {
    const output = execFileSync('npm', ['run', '--silent', 'calc', '--', file], {
      cwd: root,
      encoding: 'utf8',
    })
    return { code: 0, answer: JSON.parse(output) }
  } catch (error) {
    const { status, stdout } = error as { status: number; stdout: string }
    return { code: status, answer: JSON.parse(stdout) }
  }
}

it('answers the published checks as core does', () => {
  const text = readFileSync(fileURLToPath(new URL('checks/checksOpen.json', import.meta.url)), 'utf8')
  const { code, answer } = run(text)
  expect(answer).toHaveLength(68)
  expect(answer).toEqual(calculated(JSON.parse(text)))
  // A check that is refused on purpose is an answer, not a failure.
  expect(code).toBe(0)
})

it.each([
  ['no list', '{"id":"x"}'],
  ['an entry without an id', '[{"calc":"M-18","input":{}}]'],
  ['no JSON', '[{'],
])('refuses a file that is %s with exit 2', (_what, text) => {
  const { code, answer } = run(text)
  expect(code).toBe(2)
  expect(answer).toMatchObject({ code: 'DOCUMENT_INVALID' })
})
