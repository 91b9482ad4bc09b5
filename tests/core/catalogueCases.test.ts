import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { assessCaseFile } from '@pledge/core'
import { parseYaml } from '../../packages/server/src/catalogue/loadCatalogue.js'
import { catalogue, catalogueDirectory } from './shippedCatalogue.js'

interface ReadableCase {
  day: number
  do: string
  verdict: string
  from?: number | null
  in?: string
  arc?: object
  with?: object
  unmet?: string[]
  facts?: Record<string, unknown>
  missing?: string[]
  states?: string[]
  vars?: object
  variant?: string
  by?: string
  technique?: string[]
}

const directory = join(catalogueDirectory, 'cases')
const files = readdirSync(directory)
  .filter((name) => name.endsWith('.yaml'))
  .map(
    (name) =>
      parseYaml(readFileSync(join(directory, name), 'utf8')) as { protocol: string; cases: ReadableCase[] },
  )

/** What a case says is done, in the grammar of signatures. */
function signatureOfCase({ do: what, arc, with: posture, in: worn, by, technique }: ReadableCase) {
  const [first, second, third, ...rest] = what.split(' ')
  const done = (): object => {
    switch (first) {
      case 'grip':
        return { grips: [{ grip: second, res: third }] }
      case 'kg':
        return { kg: Number(second) }
      case 'act':
        return { acts: [second] }
      case 'test':
        return { tests: [second] }
      case 'nerve':
        return { nerve: [{ nerve: second, tech: third }] }
      case 'stress':
        return { stress: [second] }
      case 'technique':
        return { technique: [second] }
      default:
        return second === 'combo'
          ? { combos: [{ combo: third, m: first, ...(rest[0] ? { res: rest[0] } : {}) }] }
          : {
              motions: [
                {
                  m: [first],
                  mv: second!.split(','),
                  ...(arc ? { arc } : {}),
                  ...(third ? { res: third } : {}),
                },
              ],
            }
    }
  }
  return {
    ...done(),
    ...(worn ? { in: worn } : {}),
    ...(posture ? { posture } : {}),
    ...(by ? { by } : {}),
    ...(technique ? { technique } : {}),
  }
}

describe('cases a therapist can read', () => {
  it('are at least five for every protocol', () => {
    const few = [...catalogue.protocols.keys()].filter(
      (id) => (files.find((file) => file.protocol === id)?.cases.length ?? 0) < 5,
    )
    expect(few).toEqual([])
  })

  describe.each(files.map((file) => [file.protocol, file.cases] as const))('%s', (protocol, cases) => {
    it.each(
      cases.map(
        (one) =>
          [`day ${one.day}: ${one.do}${one.in ? ` in ${one.in}` : ''} is ${one.verdict}`, one] as const,
      ),
    )('%s', (_title, one) => {
      const [answer] = assessCaseFile(
        {
          format: 'pledge-case/1',
          day: one.day,
          episode: {
            protocol,
            assumeRecorded: true,
            withdrawn: one.unmet ?? [],
            recorded: Object.entries(one.facts ?? {}).map(([what, value]) => ({ what, value })),
            states: one.states ?? [],
            vars: one.vars ?? {},
            variant: one.variant ?? null,
          },
          exercises: [{ signature: signatureOfCase(one) }],
        },
        catalogue,
      ).verdicts
      expect({ verdict: answer!.verdict, from: answer!.fromDay }).toEqual({
        verdict: one.verdict,
        from: one.from ?? null,
      })
      if (one.missing) expect(answer!.missing).toEqual(one.missing)
    })
  })
})
