import { reaches, within } from '../anatomy/checked.js'

const GRADES = ['excellent', 'good', 'fair', 'poor'] as const
export type TendonGrade = (typeof GRADES)[number]
const DEGREES = [0, 120] as const

/** The first grade whose limits, from excellent to fair, both readings keep; the worse of the two decides. */
function worse(...places: readonly number[]): TendonGrade {
  return GRADES[Math.max(...places)]!
}
function placeAtMost(value: number, limits: readonly [number, number, number]): number {
  const place = limits.findIndex((limit) => reaches(limit, value))
  return place < 0 ? 3 : place
}
function placeBelow(value: number, limits: readonly [number, number, number]): number {
  const place = limits.findIndex((limit) => !reaches(value, limit))
  return place < 0 ? 3 : place
}

/**
 * Extensor tendon: excellent without lag and loss of flexion, good to 10 and 20°, fair to 45 and 45°. Unknown while one
 * is. Source: MILLER-1942 (high).
 */
export function extensorGrade(
  extensionLagDeg: number | null,
  flexionLossDeg: number | null,
): TendonGrade | null {
  if (extensionLagDeg === null || flexionLossDeg === null) return null
  within(extensionLagDeg, 'lag', DEGREES, 'degrees')
  within(flexionLossDeg, 'flexionLoss', DEGREES, 'degrees')
  return worse(placeAtMost(extensionLagDeg, [0, 10, 45]), placeAtMost(flexionLossDeg, [0, 20, 45]))
}

/**
 * Flexor tendon by distance and deficit: excellent below 1 cm and 15°, good below 1.5 cm and 30°, fair below 3 cm and
 * 50°. Source: LISTER-1977 (high).
 */
export function flexorGrade(distanceCm: number | null, deficitDeg: number | null): TendonGrade | null {
  if (distanceCm === null || deficitDeg === null) return null
  within(distanceCm, 'distanceCm', [0, 15], 'cm')
  within(deficitDeg, 'extensionDeficit', DEGREES, 'degrees')
  return worse(placeBelow(distanceCm, [1, 1.5, 3]), placeBelow(deficitDeg, [15, 30, 50]))
}

/**
 * Mallet finger: excellent straight, with full flexion and no pain; good to a deficit of 10°, fair to 25°, poor beyond
 * or with persistent pain. Any loss of flexion makes it at best good (PLEDGE-DECISION). Source: CRAWFORD-1984 (medium).
 */
export function malletGrade(
  deficitDeg: number | null,
  hasFullFlexion: boolean | null,
  hasPain: boolean | null,
): TendonGrade | null {
  if (deficitDeg === null || hasFullFlexion === null || hasPain === null) return null
  within(deficitDeg, 'extensionDeficit', DEGREES, 'degrees')
  return worse(placeAtMost(deficitDeg, [0, 10, 25]), hasFullFlexion ? 0 : 1, hasPain ? 3 : 0)
}
