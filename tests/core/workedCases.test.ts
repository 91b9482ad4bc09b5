import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { assessCaseFile } from '@pledge/core'
import { parseYaml } from '../../packages/catalogue/src/loadCatalogue.js'
import { catalogue } from './shippedCatalogue.js'

interface WorkedCase {
  id: string
  protocol?: string
  protocols?: string[]
  day: number
  unmet?: string[]
  facts?: Record<string, unknown>
  states?: string[]
  orders?: object[]
  vars?: object
  variant?: string
  shifts?: number[][]
  exercise: object
  expect: { verdict: string; earliest?: number | null; pending?: string[] }
}

// Source: the twelve worked examples of the vocabulary, whose answers another program computed.
const cases = parseYaml(
  readFileSync(fileURLToPath(new URL('workedCases.yaml', import.meta.url)), 'utf8'),
) as WorkedCase[]
const WORDS: Readonly<Record<string, string>> = {
  allowed: 'clear',
  caution: 'with-care',
  not_yet: 'not-yet',
  never: 'never',
}

describe('worked cases of the vocabulary', () => {
  it('are all here', () => expect(cases).toHaveLength(39))

  it.each(cases.map((one) => [one.id, one] as const))('%s comes out as told', (_id, one) => {
    const episode = (protocol: string) => ({
      protocol,
      assumeRecorded: true,
      withdrawn: one.unmet ?? [],
      recorded: Object.entries(one.facts ?? {}).map(([what, value]) => ({ what, value })),
      states: one.states ?? [],
      orders: one.orders ?? [],
      vars: one.vars ?? {},
      variant: one.variant ?? null,
      shifts: one.shifts ?? [],
    })
    const answer = assessCaseFile(
      {
        format: 'pledge-case/1',
        day: one.day,
        episodes: (one.protocols ?? [one.protocol!]).map(episode),
        exercises: [{ signature: one.exercise }],
      },
      catalogue,
    )
    const [verdict] = answer.verdicts
    expect(verdict!.verdict).toBe(WORDS[one.expect.verdict])
    if ('earliest' in one.expect) expect(verdict!.fromDay).toBe(one.expect.earliest)
    if (one.expect.pending) expect(verdict!.missing).toEqual(one.expect.pending)
  })
})
