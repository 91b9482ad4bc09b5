import { contradiction, wholeWithin, within } from '../../anatomy/checked.js'

/** Where the thumb tip reaches, 0 to 10. Source: KAPANDJI-1986 (high). */
export const OPPOSITION_STAGES = [
  'side of the index, proximal phalanx',
  'side of the index, middle phalanx',
  'side of the index, distal phalanx',
  'index tip',
  'middle tip',
  'ring tip',
  'little tip',
  'little finger, DIP crease',
  'little finger, PIP crease',
  'little finger, MCP crease',
  'distal palmar crease',
] as const

export interface OppositionReach {
  readonly score: number
  readonly reached: (typeof OPPOSITION_STAGES)[number]
}

/** The digit each stage is read on; stage 10 is read on the palm. */
const READ_ON = ['index', 'index', 'index', 'index', 'middle', 'ring', 'little', 'little', 'little', 'little']

/**
 * The reach of the thumb. Unknown where the digit it is read on is absent.
 *
 * @param score - whole number 0–10
 * @param hasSlidFlat - the thumb went flat across the palm instead of round in front of it
 * @throws CoreError `MEASUREMENT_INCONSISTENT` for a thumb that slid: that is flexion, not opposition
 */
export function oppositionReach(
  score: number,
  absentDigits: readonly string[] = [],
  hasSlidFlat = false,
): OppositionReach | null {
  wholeWithin(score, 'score', [0, 10])
  if (hasSlidFlat)
    contradiction(
      'path',
      'The thumb slid flat across the palm, which is no opposition. Record the furthest place it reached in front of it.',
    )
  const digit = READ_ON[score]
  if (digit !== undefined && absentDigits.includes(digit)) return null
  return { score, reached: OPPOSITION_STAGES[score]! }
}

/** Lifting the thumb off the table, 0 none to 3 clearly above the heads of the metacarpals (wording: low confidence). */
export function retropulsion(stage: number): number {
  return wholeWithin(stage, 'stage', [0, 3])
}

/**
 * Fingertip to distal palmar crease in a full active fist, in mm; 0 where the pulp touches at the crease or beyond. Never
 * compared between people.
 *
 * @param distanceMm - 0–150; `null` for an absent finger stays `null`
 */
export function fingertipToCreaseMm(distanceMm: number | null): number | null {
  return distanceMm === null ? null : within(distanceMm, 'distanceMm', [0, 150], 'mm')
}
