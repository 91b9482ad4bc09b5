import { expect, it } from 'vitest'
import { exerciseKind, isOpen } from '@pledge/core'
import { caseOf, catalogue, linesOf } from './shippedCatalogue.js'

const declared = new Map(
  linesOf('never-open.txt').map(([exercise, school, ...reason]) => [
    `${exercise} ${school}`,
    reason.join(' '),
  ]),
)

it('every exercise of a condition opens in each of its schools some day, or its reason stands in the list', () => {
  const shut: string[] = []
  for (const protocol of catalogue.protocols.values()) {
    const weeks = Array.from({ length: 58 }, (_, week) => week * 7)
    const days = [
      ...new Set([
        ...protocol.phases.map(({ days: [from] }) => from),
        ...protocol.gates.map(({ from }) => from),
        ...weeks,
      ]),
    ]
    const states = days.sort((a, b) => b - a).map((day) => caseOf(protocol.id, { day }))
    for (const exercise of catalogue.exercises.values()) {
      if (!exercise.conditions.includes(protocol.condition)) continue
      const isNever = exercise.neverFor?.some(
        ({ of }) => of.includes(protocol.condition) || of.includes(protocol.id),
      )
      if (isNever || states.some((state) => isOpen(exerciseKind(exercise, exercise.dose, state)))) continue
      shut.push(`${exercise.id} ${protocol.id}`)
    }
  }
  expect(shut.sort()).toEqual([...declared.keys()].sort())
  for (const [pair, reason] of declared) expect(reason.length, pair).toBeGreaterThan(20)
}, 120_000)
