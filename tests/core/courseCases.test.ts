import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { courseAnswer, CoreError, type ClosedSpan, type CourseConflict, type CourseStep } from '@pledge/core'
import { stringify } from 'yaml'
import { parseYaml } from '../../packages/catalogue/src/loadCatalogue.js'
import { runDoor } from './runDoor.js'

/** The published cases of the course, in the notation of their file. */
interface Case {
  readonly id: string
  readonly title: string
  readonly input: object
  readonly expect: {
    readonly steps?: Record<string, string[]>
    readonly closed?: Record<string, string[]>
    readonly warnings?: Record<string, string[]>
    readonly notReached?: Record<string, string[]>
    readonly conflicts?: string[]
    readonly notSignable?: string[]
    readonly at?: Record<string, unknown>
    readonly error?: { code: string; path: string }
  }
}
const cases = parseYaml(
  readFileSync(fileURLToPath(new URL('checks/courseCases.yaml', import.meta.url)), 'utf8'),
) as Case[]

const said = (...words: unknown[]) => words.filter((word) => word !== null && word !== '').join(' ')
function doseText({
  sets,
  repetitions,
  holdSeconds,
  minutes,
  boutsPerDay,
  load,
}: CourseStep['dose']): string {
  const volume = minutes === undefined ? `${sets}x${repetitions}x${holdSeconds}` : `${minutes}min`
  return said(volume, `${boutsPerDay}/d`, load === null ? null : `@${load}`)
}
const stepText = ({ fromDay, toDay, rung, dose, kind, conditional, changed }: CourseStep) =>
  said(
    `${fromDay}-${toDay}`,
    rung,
    doseText(dose),
    kind + (conditional.length > 0 ? `(${conditional.join(',')})` : ''),
    changed,
  )
const closedText = ({ fromDay, toDay, reason, rung, earliestDay, missing }: ClosedSpan) =>
  said(
    `${fromDay}-${toDay}`,
    reason,
    rung,
    earliestDay === null ? null : `from ${earliestDay}`,
    missing.length > 0 ? `missing ${missing.join(',')}` : null,
  )
const conflictText = ({ code, itemId, day, rung, reason, weeks }: CourseConflict) =>
  said(code, itemId, day, rung, reason, weeks.length > 0 ? `[${weeks.join(', ')}]` : null)
const valueAt = (answer: unknown, path: string) =>
  path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown>)[key], answer)

describe('the published cases of the course', () => {
  it.each(cases.map((one) => [`${one.id}: ${one.title}`, one] as const))(
    '%s',
    (_name, { input, expect: wanted }) => {
      if (wanted.error) {
        let refusal: unknown = null
        try {
          courseAnswer(input)
        } catch (error) {
          refusal = error
        }
        expect(refusal).toBeInstanceOf(CoreError)
        expect(refusal).toMatchObject(wanted.error)
        return
      }
      const answer = courseAnswer(input)
      const row = (id: string) => answer.items.find((one) => one.id === id)!
      for (const [id, steps] of Object.entries(wanted.steps ?? {}))
        expect(row(id).steps.map(stepText), id).toEqual(steps)
      for (const [id, spans] of Object.entries(wanted.closed ?? {}))
        expect(row(id).closed.map(closedText), id).toEqual(spans)
      for (const [id, warnings] of Object.entries(wanted.warnings ?? {}))
        expect(
          row(id).warnings.map(({ code, day, rung, axis, next }) => said(code, day, rung, axis, next)),
          id,
        ).toEqual(warnings)
      for (const [id, rungs] of Object.entries(wanted.notReached ?? {}))
        expect(
          row(id).notReached.map(({ rung, reason }) => said(rung, reason)),
          id,
        ).toEqual(rungs)
      if (wanted.conflicts) expect(answer.conflicts.map(conflictText)).toEqual(wanted.conflicts)
      if (wanted.notSignable)
        expect(answer.notSignable.map(({ code, itemId, day }) => said(code, itemId, day))).toEqual(
          wanted.notSignable,
        )
      for (const [path, value] of Object.entries(wanted.at ?? {}))
        expect(valueAt(answer, path), path).toEqual(value)
    },
  )
})

it('answers a file as core does, several documents in their order, a bad one in its place', () => {
  const [first] = cases
  const several = runDoor(
    'course',
    `${stringify(first!.input)}---\n${stringify({ ...first!.input, horizonWeeks: 99 })}`,
  )
  expect(several.code).toBe(0)
  expect(several.answer).toMatchObject([
    JSON.parse(JSON.stringify(courseAnswer(first!.input))),
    { error: { code: 'DOCUMENT_INVALID', path: 'horizonWeeks' } },
  ])
})
it('refuses with exit 2 what it cannot read', () => {
  expect(runDoor('course', 'a: [1')).toMatchObject({
    code: 2,
    answer: { code: 'DOCUMENT_INVALID', path: '(document)' },
  })
})
