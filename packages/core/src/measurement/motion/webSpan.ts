import { contradiction, within } from '../../anatomy/checked.js'

/**
 * Angle of the first web from the distance between marks on the first and second metacarpal heads, by the law of
 * cosines: for a trend, not for comparison with goniometric norms. Source: MURUGKAR-2004 (medium).
 *
 * @param headsMm - between the marks, 1–120 mm
 * @param firstMm - from the CMC axis to the first mark, 20–110 mm
 * @param secondMm - from the CMC axis to the second mark, 20–110 mm
 * @throws CoreError `MEASUREMENT_INCONSISTENT` where no triangle has these sides
 * @example
 * webAngleDeg(55, 60, 70) // => 49.3…
 */
export function webAngleDeg(headsMm: number, firstMm: number, secondMm: number): number {
  within(headsMm, 'imd', [1, 120], 'mm')
  within(firstMm, 'a', [20, 110], 'mm')
  within(secondMm, 'b', [20, 110], 'mm')
  const cosine = (firstMm ** 2 + secondMm ** 2 - headsMm ** 2) / (2 * firstMm * secondMm)
  if (Math.abs(cosine) > 1)
    contradiction('imd', 'No web has these three lengths. Measure the distance between the heads again.')
  return (Math.acos(cosine) * 180) / Math.PI
}
