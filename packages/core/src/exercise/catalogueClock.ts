import type { Said } from '../words/names.js'
import type { Condition } from './condition.js'
import { STRESS_LEVELS, type Exercise } from './exercise.js'
import { stressWords } from './exerciseNames.js'

/** The week in which an exercise usually starts after an injury, in a school of its own where it has one; `null`: not stated. */
export function usualWeek(exercise: Exercise, condition: Condition, protocolId: string): number | null {
  const own = exercise.gateWeeks[condition.id]
  if (own === undefined) return null
  const school = condition.schoolWeeks[protocolId]?.[exercise.demand]
  // A school's week replaces only the condition's common one: an entry that starts earlier by itself stays earlier.
  return school === undefined ? own : Math.min(own, school)
}

/** The latest week before which a structure that the exercise stresses may not be stressed so much; `null`: no ceiling. */
export function ceilingWeek(exercise: Exercise, condition: Condition): { week: number; text: Said } | null {
  let latest: { week: number; text: Said } | null = null
  for (const stress of exercise.stress) {
    const exceeds = (weekIndex: number) => {
      const limit = condition.ceilings[weekIndex]!.limits.find(
        (one) => one.structure === stress.structure && one.mode === stress.mode,
      )
      return limit !== undefined && STRESS_LEVELS.indexOf(stress.level) > STRESS_LEVELS.indexOf(limit.level)
    }
    const lastExceeded = condition.ceilings.findLastIndex((_, index) => exceeds(index))
    const opens = lastExceeded < 0 ? undefined : condition.ceilings[lastExceeded + 1]
    if (opens && opens.fromWeek > (latest?.week ?? 0)) {
      const text = {
        en: `${stressWords(stress, 'en')} is usual from week ${opens.fromWeek}.`,
        es: `${stressWords(stress, 'es')} es habitual desde la semana ${opens.fromWeek}.`,
      }
      latest = { week: opens.fromWeek, text }
    }
  }
  return latest
}

/** The days on which the catalogue's own clock can change what it says of an exercise after an injury. */
export function catalogueDays(exercise: Exercise, condition: Condition, protocolId: string): number[] {
  const weeks = [usualWeek(exercise, condition, protocolId), ceilingWeek(exercise, condition)?.week]
  return weeks.flatMap((week) => (week ? [week * 7] : []))
}
