import { parentPort } from 'node:worker_threads'
import { exerciseKind, exerciseOpenings } from '@pledge/core'
import { benchCase, catalogue } from './benchCase.js'

/** Verdicts of every exercise for each day of twelve weeks, in a thread of its own, as a screen would ask for them. */
const LAST_DAY = 83
const caseToday = () => benchCase('DRF-VLP-EARLY', 0)
const exercises = [...catalogue.exercises.values()]

function leastOf(rounds: number, work: () => void): number {
  let least = Infinity
  for (let round = 0; round < rounds; round += 1) {
    const started = performance.now()
    work()
    least = Math.min(least, performance.now() - started)
  }
  return least
}

const runsOf = (some: typeof exercises) => () => {
  const state = caseToday()
  some.forEach((exercise) =>
    exerciseOpenings(exercise, exercise.dose, state, 'asTheRecordStands', { span: [0, LAST_DAY] }),
  )
}
const dayByDay = () => {
  for (let day = 0; day <= LAST_DAY; day += 1) {
    const state = { ...caseToday(), day }
    exercises.forEach((exercise) => exerciseKind(exercise, exercise.dose, state))
  }
}
runsOf(exercises)()
parentPort!.postMessage({
  exercises: exercises.length,
  all: leastOf(5, runsOf(exercises)),
  twenty: leastOf(10, runsOf(exercises.slice(0, 20))),
  plain: leastOf(2, dayByDay),
})
