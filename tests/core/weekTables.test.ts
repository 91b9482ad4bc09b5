import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { assessExercise, type VerdictKind } from '@pledge/core'
import { addedExercises, caseOf, catalogue, catalogueDirectory, isAddedListing } from './shippedCatalogue.js'

const directory = join(catalogueDirectory, 'tables')
const LAST_WEEK = 17
const LETTER: Record<VerdictKind, string> = { 'not-yet': 'n', 'with-care': 'w', clear: 'c', never: 'x' }

/** From which week on each verdict holds, as the tables write it. */
function rowOf(exerciseId: string, protocolId: string): string {
  const exercise = catalogue.exercises.get(exerciseId)!
  const steps: string[] = []
  for (let week = 0; week <= LAST_WEEK; week += 1) {
    const { kind } = assessExercise(exercise, exercise.dose, caseOf(protocolId, { day: week * 7 }))
    if (steps.at(-1)?.[0] !== LETTER[kind]) steps.push(`${LETTER[kind]}${week}`)
  }
  return steps.join(' ')
}

// Source: the usual weeks of the exercise document, the phases and gates of the protocol documents, read by hand.
describe.each(
  readdirSync(directory)
    .filter((name) => name.endsWith('.txt'))
    .map((name) => name.replace('.txt', '')),
)('exercises by week under %s', (protocolId) => {
  const lines = readFileSync(join(directory, `${protocolId}.txt`), 'utf8')
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => {
      const [row, otherwise] = line.split(' | ')
      const [id, ...expected] = row!.split(' ')
      // What came instead stands first, its reason after it.
      const came = otherwise?.match(/^((?:[nwcx]\d+ ?)+)/)?.[1]?.trim()
      return { id: id!, expected: expected.join(' '), came: came ?? null, reason: otherwise ?? null }
    })

  it('has a line for each exercise of the condition', () => {
    const { condition } = catalogue.protocols.get(protocolId)!
    const fitting = [...catalogue.exercises.values()].filter(
      (one) =>
        one.conditions.includes(condition) &&
        !addedExercises.has(one.id) &&
        !isAddedListing(one.id, condition),
    )
    expect(lines.map(({ id }) => id).sort()).toEqual(fitting.map(({ id }) => id).sort())
  })
  it.each(lines)('$id', ({ id, expected, came, reason }) => {
    expect(rowOf(id, protocolId)).toBe(came ?? expected)
    if (came) expect(reason!.length, 'a difference has its reason').toBeGreaterThan(came.length + 15)
  })
})
