import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import { calculated } from '@pledge/core'
import { runDoor } from './runDoor.js'

it('answers the published checks as core does', () => {
  const text = readFileSync(fileURLToPath(new URL('checks/checksOpen.json', import.meta.url)), 'utf8')
  const { code, answer } = runDoor('calc', text)
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
  const { code, answer } = runDoor('calc', text)
  expect(code).toBe(2)
  expect(answer).toMatchObject({ code: 'DOCUMENT_INVALID' })
})
