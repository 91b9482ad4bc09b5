import { reaches, within } from '../../anatomy/checked.js'
import { published, type Constant } from '../../anatomy/constant.js'

type Steps = readonly (readonly [limit: number, points: number])[]
const steps = (unit: string, ...values: Steps) => published(values, unit, 'BUCK-GRAMCKO-1976', 'medium')

/** Points by reading: the first limit that is kept counts, none is 0. */
export const POINT_STEPS = {
  distanceAtMost: steps('cm', [2.5, 6], [4, 4], [6, 2]),
  flexionFrom: steps('degrees', [200, 6], [180, 4], [150, 2]),
  deficitAtMost: steps('degrees', [30, 3], [50, 2], [70, 1]),
  totalFrom: steps('degrees', [160, 6], [140, 4], [120, 2]),
  thumbFlexionFrom: steps('degrees', [50, 6], [30, 4], [10, 2]),
  thumbDeficitAtMost: steps('degrees', [10, 3], [20, 2], [30, 1]),
  thumbTotalFrom: steps('degrees', [40, 6], [30, 4], [20, 2]),
  /** Of the sum of points. */
  grades: published([14, 11, 7] as const, 'points', 'BUCK-GRAMCKO-1976', 'medium'),
} as const

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
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` for negative or impossible readings
 */
export function fingerPointScore(readings: FingerScoreReadings): PointScore | null {
  const { distanceCm, totalFlexionDeg, extensionDeficitDeg, totalActiveMotionDeg } = readings
  if (distanceCm !== null) within(distanceCm, 'distanceCm', [0, 15], 'cm')
  if (totalFlexionDeg !== null) within(totalFlexionDeg, 'totalFlexion', [0, 330], 'degrees')
  if (extensionDeficitDeg === null || totalActiveMotionDeg === null) return null
  within(extensionDeficitDeg, 'extensionDeficit', [0, 330], 'degrees')
  within(totalActiveMotionDeg, 'tam', [-30, 330], 'degrees')
  const byDistance = distanceCm === null ? null : atMost(distanceCm, POINT_STEPS.distanceAtMost)
  const byFlexion = totalFlexionDeg === null ? null : atLeast(totalFlexionDeg, POINT_STEPS.flexionFrom)
  const flexions = [byDistance, byFlexion].filter((points) => points !== null)
  if (flexions.length === 0) return null
  return scored([
    Math.min(...flexions),
    atMost(extensionDeficitDeg, POINT_STEPS.deficitAtMost),
    atLeast(totalActiveMotionDeg, POINT_STEPS.totalFrom),
  ])
}

/** Points after a repair of the long thumb flexor, 0 to 15.  */
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
    atLeast(ipFlexionDeg, POINT_STEPS.thumbFlexionFrom),
    atMost(extensionDeficitDeg, POINT_STEPS.thumbDeficitAtMost),
    atLeast(totalActiveMotionDeg, POINT_STEPS.thumbTotalFrom),
  ])
}

function atLeast(value: number, { value: steps }: Constant<Steps>): number {
  return steps.find(([limit]) => reaches(value, limit))?.[1] ?? 0
}
function atMost(value: number, { value: steps }: Constant<Steps>): number {
  return steps.find(([limit]) => reaches(limit, value))?.[1] ?? 0
}
function scored(parts: readonly [number, number, number]): PointScore {
  const score = parts[0] + parts[1] + parts[2]
  const [excellent, good, satisfactory] = POINT_STEPS.grades.value
  const grade =
    score >= excellent
      ? 'excellent'
      : score >= good
        ? 'good'
        : score >= satisfactory
          ? 'satisfactory'
          : 'poor'
  return { score, parts, grade }
}
