import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { assessCaseFile, assessExercise } from '@pledge/core'
import { parseYaml } from '../../packages/catalogue/src/loadCatalogue.js'
import { caseOf, catalogue, catalogueDirectory } from './shippedCatalogue.js'

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

/** One exercise of the catalogue at its usual dose, usual for the condition or not; everything recorded but what `unmet` and `facts` say. */
interface ExerciseCase {
  day: number
  exercise: string
  verdict: string
  from?: number
  unmet?: string[]
  facts?: Record<string, number | boolean | string>
  missing?: string[]
}

const directory = join(catalogueDirectory, 'cases')
const files = readdirSync(directory)
  .filter((name) => name.endsWith('.yaml'))
  .map(
    (name) =>
      parseYaml(readFileSync(join(directory, name), 'utf8')) as {
        protocol: string
        cases: ReadableCase[]
        exercises: ExerciseCase[]
      },
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

  it('are at least three with exercises of the catalogue for every protocol, dangerous ones first', () => {
    const few = files.filter(({ exercises }) => exercises.length < 3).map(({ protocol }) => protocol)
    expect(few).toEqual([])
    const restraint = ['never', 'not-yet', 'with-care', 'clear']
    for (const { protocol, exercises } of files) {
      const ranks = exercises.map(({ verdict }) => restraint.indexOf(verdict))
      expect([protocol, ranks]).toEqual([protocol, [...ranks].sort((a, b) => a - b)])
    }
  })

  describe.each(files.map((file) => [file.protocol, file.exercises] as const))(
    '%s, exercises',
    (protocolId, cases) => {
      it.each(cases.map((one) => [`day ${one.day}: ${one.exercise} is ${one.verdict}`, one] as const))(
        '%s',
        (_title, one) => {
          const exercise = catalogue.exercises.get(one.exercise)!
          const { unmet: without = [], facts = {} } = one
          const state = caseOf(protocolId, { day: one.day, without, facts })
          const verdict = assessExercise(exercise, exercise.dose, state)
          expect(verdict.kind).toBe(one.verdict)
          if (one.from !== undefined) expect(verdict.fromDay).toBe(one.from)
          if (one.missing) expect(verdict.missing.map(({ text }) => text)).toEqual(one.missing)
        },
      )
    },
  )

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
