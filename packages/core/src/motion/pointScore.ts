import { reaches, within } from '../anatomy/checked.js'

export type PointGrade = 'excellent' | 'good' | 'satisfactory' | 'poor'
export interface PointScore {
  readonly score: number
  /** Flexion, extension deficit, total active motion. */
  readonly parts: readonly [number, number, number]
  readonly grade: PointGrade
}

/** What the fingers' score rests on; of distance and total flexion one is enough, of both the lower counts. */
export interface FingerScoreReadings {
  readonly distanceCm: number | null
  readonly totalFlexionDeg: number | null
  readonly extensionDeficitDeg: number | null
  readonly totalActiveMotionDeg: number | null
}

/**
 * Points after a flexor tendon repair of a finger, 0 to 15: fingertip-to-crease distance or total flexion, sum of
 * extension deficits, total active motion. Unknown while one of the three is.
 *
 * Source: BUCK-GRAMCKO-1976 (medium).
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` for negative or impossible readings
 */
export function fingerPointScore(readings: FingerScoreReadings): PointScore | null {
  const { distanceCm, totalFlexionDeg, extensionDeficitDeg, totalActiveMotionDeg } = readings
  if (distanceCm !== null) within(distanceCm, 'distanceCm', [0, 15], 'cm')
  if (totalFlexionDeg !== null) within(totalFlexionDeg, 'totalFlexion', [0, 330], 'degrees')
  if (extensionDeficitDeg === null || totalActiveMotionDeg === null) return null
  within(extensionDeficitDeg, 'extensionDeficit', [0, 330], 'degrees')
  within(totalActiveMotionDeg, 'tam', [-30, 330], 'degrees')
  const byDistance = distanceCm === null ? null : atMost(distanceCm, [2.5, 6], [4, 4], [6, 2])
  const byFlexion = totalFlexionDeg === null ? null : atLeast(totalFlexionDeg, [200, 6], [180, 4], [150, 2])
  const flexions = [byDistance, byFlexion].filter((points) => points !== null)
  if (flexions.length === 0) return null
  return scored([
    Math.min(...flexions),
    atMost(extensionDeficitDeg, [30, 3], [50, 2], [70, 1]),
    atLeast(totalActiveMotionDeg, [160, 6], [140, 4], [120, 2]),
  ])
}

/** Points after a repair of the long thumb flexor, 0 to 15. Source: BUCK-GRAMCKO-1976 (medium). */
export function thumbPointScore(readings: {
  readonly ipFlexionDeg: number | null
  readonly extensionDeficitDeg: number | null
  readonly totalActiveMotionDeg: number | null
}): PointScore | null {
  const { ipFlexionDeg, extensionDeficitDeg, totalActiveMotionDeg } = readings
  if (ipFlexionDeg === null || extensionDeficitDeg === null || totalActiveMotionDeg === null) return null
  within(ipFlexionDeg, 'ipFlexion', [-50, 110], 'degrees')
  within(extensionDeficitDeg, 'extensionDeficit', [0, 110], 'degrees')
  within(totalActiveMotionDeg, 'tam', [-60, 200], 'degrees')
  return scored([
    atLeast(ipFlexionDeg, [50, 6], [30, 4], [10, 2]),
    atMost(extensionDeficitDeg, [10, 3], [20, 2], [30, 1]),
    atLeast(totalActiveMotionDeg, [40, 6], [30, 4], [20, 2]),
  ])
}

type Step = readonly [limit: number, points: number]
function atLeast(value: number, ...steps: readonly Step[]): number {
  return steps.find(([limit]) => reaches(value, limit))?.[1] ?? 0
}
function atMost(value: number, ...steps: readonly Step[]): number {
  return steps.find(([limit]) => reaches(limit, value))?.[1] ?? 0
}
function scored(parts: readonly [number, number, number]): PointScore {
  const score = parts[0] + parts[1] + parts[2]
  const grade = score >= 14 ? 'excellent' : score >= 11 ? 'good' : score >= 7 ? 'satisfactory' : 'poor'
  return { score, parts, grade }
}
