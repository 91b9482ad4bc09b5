import type { Condition, ListedExercise } from '../exercise/condition.js'
import type { Exercise } from '../exercise/exercise.js'

/** Conditions with what is known of their own exercises: an exercise they do not list is held against these. */
export function withListed(
  conditions: ReadonlyMap<string, Condition>,
  exercises: ReadonlyMap<string, Exercise>,
): Map<string, Condition> {
  return new Map(
    [...conditions].map(([id, condition]) => [
      id,
      { ...condition, listed: [...exercises.values()].flatMap((one) => listedAs(one, id)) },
    ]),
  )
}

function listedAs(exercise: Exercise, conditionId: string): ListedExercise[] {
  if (!exercise.conditions.includes(conditionId)) return []
  const { demand, region } = exercise
  const structures = exercise.stress.map(({ structure }) => structure)
  return [
    {
      demand,
      region,
      structures,
      week: exercise.gateWeeks[conditionId] ?? 0,
      asks: exercise.asks?.[conditionId] ?? null,
    },
  ]
}
