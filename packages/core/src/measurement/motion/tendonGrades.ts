import { reaches, within } from '../../anatomy/checked.js'
import { published, type Constant } from '../../anatomy/constant.js'

const GRADES = ['excellent', 'good', 'fair', 'poor'] as const
export type TendonGrade = (typeof GRADES)[number]
const DEGREES = [0, 120] as const
type Limits = readonly [excellent: number, good: number, fair: number]
const limits = (values: Limits, unit: string, source: string, confidence: 'high' | 'medium' = 'high') =>
  published(values, unit, source, confidence)

/** Limits of each grade; those of a flexor have to stay below theirs, the others may reach them. */
export const TENDON_GRADE_LIMITS = {
  extensorLag: limits([0, 10, 45], 'degrees', 'MILLER-1942'),
  extensorFlexionLoss: limits([0, 20, 45], 'degrees', 'MILLER-1942'),
  flexorDistance: limits([1, 1.5, 3], 'cm', 'LISTER-1977'),
  flexorDeficit: limits([15, 30, 50], 'degrees', 'LISTER-1977'),
  malletDeficit: limits([0, 10, 25], 'degrees', 'CRAWFORD-1984', 'medium'),
} as const

/** The first grade whose limits, from excellent to fair, both readings keep; the worse of the two decides. */
function worse(...places: readonly number[]): TendonGrade {
  return GRADES[Math.max(...places)]!
}
function placeAtMost(value: number, { value: limits }: Constant<Limits>): number {
  const place = limits.findIndex((limit) => reaches(limit, value))
  return place < 0 ? 3 : place
}
function placeBelow(value: number, { value: limits }: Constant<Limits>): number {
  const place = limits.findIndex((limit) => !reaches(value, limit))
  return place < 0 ? 3 : place
}

/**
 * Extensor tendon: excellent without lag and loss of flexion, good to 10 and 20°, fair to 45 and 45°. Unknown while one
 * is.
 */
export function extensorGrade(
  extensionLagDeg: number | null,
  flexionLossDeg: number | null,
): TendonGrade | null {
  if (extensionLagDeg === null || flexionLossDeg === null) return null
  within(extensionLagDeg, 'lag', DEGREES, 'degrees')
  within(flexionLossDeg, 'flexionLoss', DEGREES, 'degrees')
  return worse(
    placeAtMost(extensionLagDeg, TENDON_GRADE_LIMITS.extensorLag),
    placeAtMost(flexionLossDeg, TENDON_GRADE_LIMITS.extensorFlexionLoss),
  )
}

/**
 * Flexor tendon by distance and deficit: excellent below 1 cm and 15°, good below 1.5 cm and 30°, fair below 3 cm and
 * 50°.
 */
export function flexorGrade(distanceCm: number | null, deficitDeg: number | null): TendonGrade | null {
  if (distanceCm === null || deficitDeg === null) return null
  within(distanceCm, 'distanceCm', [0, 15], 'cm')
  within(deficitDeg, 'extensionDeficit', DEGREES, 'degrees')
  return worse(
    placeBelow(distanceCm, TENDON_GRADE_LIMITS.flexorDistance),
    placeBelow(deficitDeg, TENDON_GRADE_LIMITS.flexorDeficit),
  )
}

/**
 * Mallet finger: excellent straight, with full flexion and no pain; good to a deficit of 10°, fair to 25°, poor beyond
 * or with persistent pain. Any loss of flexion makes it at best good (PLEDGE-DECISION).
 */
export function malletGrade(
  deficitDeg: number | null,
  hasFullFlexion: boolean | null,
  hasPain: boolean | null,
): TendonGrade | null {
  if (deficitDeg === null || hasFullFlexion === null || hasPain === null) return null
  within(deficitDeg, 'extensionDeficit', DEGREES, 'degrees')
  return worse(
    placeAtMost(deficitDeg, TENDON_GRADE_LIMITS.malletDeficit),
    hasFullFlexion ? 0 : 1,
    hasPain ? 3 : 0,
  )
}
