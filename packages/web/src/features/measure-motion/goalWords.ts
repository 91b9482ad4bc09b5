import { placeOfKey, seriesFacts, type MeasureFacts } from '@pledge/core'
import type { BenchAnswer, GoalAnswer } from '@pledge/contract'
import { dayText } from '../../shared/words'
import { unitText } from './findingWords'

/** How a series is called; one of the patient's own tasks by its words. */
export function seriesLabel(id: string, tasks: BenchAnswer['tasks']): string {
  const spot = id.startsWith('task.') ? placeOfKey(id).spot : undefined
  const task = tasks.find((one) => one.id === spot)
  return task ? `“${task.words}”, of 10` : seriesFacts(id).label
}

const valueText = (value: number, unit: MeasureFacts['unit']) =>
  `${Math.round(value * 10) / 10}${unit === 'of 10' ? ' of 10' : unitText(unit)}`

/** What the measure of a goal has to become: "40° or more", "25 mm or less". */
export function targetText({ series, target }: Pick<GoalAnswer, 'series' | 'target'>): string {
  const { unit, isMoreBetter } = seriesFacts(series)
  return `${valueText(target, unit)} or ${isMoreBetter ? 'more' : 'less'}`
}

/** Where a goal stands, in one sentence. */
export function goalText(goal: GoalAnswer): string {
  const { unit } = seriesFacts(goal.series)
  const rate = (value: number) =>
    `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(1)}${unit === 'of 10' ? '' : unitText(unit)}`
  const error = goal.isWithinError ? ', within the error of a reading' : ''
  const needed = goal.neededPerWeek === null ? '' : `needs ${rate(goal.neededPerWeek)} a week`
  const went = goal.perWeek ? `the last six weeks brought ${rate(goal.perWeek.by)}` : ''
  switch (goal.state) {
    case 'notMeasured':
      return 'Not measured yet.'
    case 'reached':
      return `Reached: ${valueText(goal.latest!, unit)} on ${dayText(goal.latestOn!)}${error}.`
    case 'onWay':
      return `On its way: ${needed}; ${went}.`
    case 'behind':
      return `Behind: ${needed}; ${went}. Talk about the goal or its day.`
    case 'overdue':
      return `Its day has passed at ${valueText(goal.latest!, unit)}${error}. Set a new day or another goal.`
    case 'tooFew':
      return `At ${valueText(goal.latest!, unit)}; ${needed}. Too few visits to compare.`
  }
}
