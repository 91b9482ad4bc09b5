import { contradiction, within } from '../../anatomy/checked.js'

/**
 * Volume of a limb from circumferences a fixed step apart, as a chain of truncated cones, in ml.
 *
 * @param circumferencesCm - 2 to 20 of them, 3–60 cm
 * @param stepCm - 1–10 cm
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE`; `MEASUREMENT_INCONSISTENT` with fewer than two
 * @example
 * limbVolumeMl([16, 19], 4) // => 97.7…
 */
export function limbVolumeMl(circumferencesCm: readonly number[], stepCm: number): number {
  if (circumferencesCm.length < 2 || circumferencesCm.length > 20)
    contradiction('circumferencesCm', `Expected 2 to 20 circumferences, found ${circumferencesCm.length}.`)
  circumferencesCm.forEach((one, index) => within(one, `circumferencesCm.${index}`, [3, 60], 'cm'))
  within(stepCm, 'stepCm', [1, 10], 'cm')
  let volume = 0
  for (let index = 1; index < circumferencesCm.length; index += 1) {
    const [upper, lower] = [circumferencesCm[index - 1]!, circumferencesCm[index]!]
    volume += (stepCm / (12 * Math.PI)) * (upper ** 2 + upper * lower + lower ** 2)
  }
  return volume
}

export interface EdemaDifference {
  /** Injured less other side, in the unit measured. */
  readonly excess: number
  readonly percent: number
}

/**
 * Edema against the other side, by the same method at the same landmark. Change over time on the same limb comes first.
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` for what is not above 0
 */
export function edemaDifference(injured: number, other: number): EdemaDifference {
  for (const [path, value] of [['injured', injured] as const, ['other', other] as const]) {
    within(value, path, [0, 10_000])
    if (value === 0) within(value, path, [Number.MIN_VALUE, 10_000])
  }
  return { excess: injured - other, percent: (100 * (injured - other)) / other }
}
