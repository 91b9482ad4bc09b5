import type { Said } from '../words/names.js'
import type { Protocol } from '../protocol/protocol.js'
import { HEALING_ANCHORS, OPERATED, type Anchor } from '../vocabulary/vocabulary.js'
import type { Condition } from './condition.js'
import { STRESS_LEVELS, type Demand, type Exercise } from './exercise.js'
import { stressWords } from './exerciseNames.js'

/**
 * The week in which an exercise usually starts after an injury; `null`: not stated. A school's own week comes earlier only where a
 * rule of its protocol names what the exercise does (vocabulary 5.5.10).
 *
 * @param isNamed - whether a rule of the protocol names the exercise's motions, loads and grips
 */
export function usualWeek(
  exercise: Exercise,
  condition: Condition,
  protocolId: string,
  isNamed: boolean,
): number | null {
  const own = exercise.gateWeeks[condition.id]
  if (own === undefined) return null
  const school = condition.schoolWeeks[protocolId]?.[exercise.demand]
  return school === undefined || !isNamed ? own : Math.min(own, school)
}

const LOADS: readonly Demand[] = ['stretchGentle', 'stretchFirm', 'load1', 'load2', 'load3']

/**
 * The week of the exercise nearest to one that a condition does not list: of those that ask the same, the ones with most structures
 * in common, the latest of them; where none stresses the same structure, those of the same part. A load or a
 * stretch to which none is near starts with the earliest that asks the same, or else with the latest of all. `null`: none is near.
 * Source: vocabulary 5.5.9, common practice.
 */
function nearestListedWeek(exercise: Exercise, { listed }: Condition): number | null {
  const structures = exercise.stress.map(({ structure }) => structure)
  const near = listed
    .filter(({ demand }) => demand === exercise.demand)
    .map((one) => ({
      week: one.week,
      shared: one.structures.filter((structure) => structures.includes(structure)).length,
      isOfPart: one.region === exercise.region,
    }))
  const most = Math.max(0, ...near.map(({ shared }) => shared))
  const nearest = near.filter(({ shared, isOfPart }) => (most > 0 ? shared === most : isOfPart))
  if (nearest.length > 0) return Math.max(...nearest.map(({ week }) => week))
  if (!LOADS.includes(exercise.demand) || listed.length === 0) return null
  return near.length > 0
    ? Math.min(...near.map(({ week }) => week))
    : Math.max(...listed.map(({ week }) => week))
}

/** Before this day something heals, whatever the phases of a school are called. Source: common practice, medium: six weeks. */
export const HEALED_FROM_DAY = 42
/** Weeks after an operation in which nothing unusual is loaded or stretched. Source: common practice, medium: the wound. */
const WOUND_WEEKS = 2

/**
 * The week before which an exercise a condition does not list is not done: that of the nearest one, and never on a fresh wound. Where
 * nothing was injured, only one that stresses the same structure is near.
 */
export function unlistedWeek(exercise: Exercise, condition: Condition, anchor: Anchor): number {
  if (!HEALING_ANCHORS.includes(anchor) && !sharesStructure(exercise, condition)) return 0
  const nearest = nearestListedWeek(exercise, condition) ?? 0
  const strains = LOADS.includes(exercise.demand) && OPERATED.includes(anchor)
  return strains ? Math.max(nearest, WOUND_WEEKS) : nearest
}

function sharesStructure({ demand, stress }: Exercise, { listed }: Condition): boolean {
  return listed.some(
    (one) => one.demand === demand && stress.some(({ structure }) => one.structures.includes(structure)),
  )
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
export function catalogueDays(
  exercise: Exercise,
  condition: Condition,
  { id: protocolId, anchor }: Pick<Protocol, 'id' | 'anchor'>,
): number[] {
  const weeks = [
    usualWeek(exercise, condition, protocolId, true),
    usualWeek(exercise, condition, protocolId, false),
    unlistedWeek(exercise, condition, anchor),
    ceilingWeek(exercise, condition)?.week,
  ]
  return [...weeks.flatMap((week) => (week ? [week * 7] : [])), HEALED_FROM_DAY]
}
