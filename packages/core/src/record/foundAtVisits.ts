import type { ClinicalDay } from '../calendar/clinicalDay.js'
import { lookAnswer } from '../measurement/looks/looks.js'
import { feltFinding, isFeltMeasure } from '../measurement/readings/feltFindings.js'
import type { Side } from '../measurement/readings/measures.js'
import { placeKey, type Reading } from '../measurement/readings/reading.js'
import { isZone } from '../vocabulary/zones.js'
import { zoneWords } from '../words/zoneNames.js'
import type { Visit } from '../measurement/readings/visits.js'
import type { Contraindication } from '../exercise/exercise.js'

/** From this answer on a wound is open. */
const OPEN_WOUND = 2

/** A finding of a visit that bars exercises, with where and when it was found. */
export interface FoundHealth {
  readonly word: Contraindication
  readonly on: ClinicalDay
  /** "index finger, tip, palm side, thumb half: loss of protective sensation". */
  readonly told: string
}

/**
 * What was found at visits that bars exercises as an answer about health does, by the last finding of each place: skin that does not
 * feel what protects it, and an open wound. It ends when the same place is found well; it never frees what was told.
 *
 * Source: A12 of the rules for all: no protective sensation is a filament of 4.31 not felt, or nothing felt at all.
 */
export function foundHealth(visits: readonly Visit[], side: Side): FoundHealth[] {
  const last = new Map<string, Reading & { readonly on: ClinicalDay }>()
  for (const visit of visits)
    for (const reading of visit.readings)
      if (reading.side === side && (isFeltMeasure(reading.measure) || reading.measure === 'wound'))
        last.set(placeKey(reading), { ...reading, on: visit.on })
  return [...last.values()].flatMap(({ measure, result, spot, on }): FoundHealth[] => {
    if (measure === 'wound')
      return Number(result) >= OPEN_WOUND
        ? [{ word: 'openWound', on, told: lookAnswer('wound', Number(result))!.says }]
        : []
    if (!isFeltMeasure(measure)) return []
    const { isUnprotected, words } = feltFinding(measure, result)
    return isUnprotected
      ? [{ word: 'insensate', on, told: `${spot && isZone(spot) ? zoneWords(spot).en : ''}: ${words}` }]
      : []
  })
}
