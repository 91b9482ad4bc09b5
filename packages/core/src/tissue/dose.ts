import { contradiction, wholeWithin, within } from '../anatomy/checked.js'
import { published } from '../anatomy/constant.js'
import { forceIn, NEWTONS_PER_KGF } from '../measurement/strength/forceUnits.js'

/** Degrees a responsive joint gains in a day at its end range. */
export const GAIN_PER_DAY = published(0.9, 'degrees per 24 h', 'FLOWERS-LASTAYO-1994', 'high')

/**
 * Gain to expect of total end-range time in degrees, linear between 3 and 6 days; beyond four weeks extrapolated.
 *
 * @param hoursPerDay - 0–24
 * @param days - 0–90
 */
export function endRangeGainDeg(hoursPerDay: number, days: number): number {
  within(hoursPerDay, 'hoursPerDay', [0, 24], 'hours')
  within(days, 'days', [0, 90], 'days')
  return (GAIN_PER_DAY.value * hoursPerDay * days) / 24
}

/** Stress that is left of a held stretch, as a share: a standard linear solid. Illustrative (low). */
export function relaxationShare(seconds: number, tauSeconds: number, floor: number): number {
  within(seconds, 't', [0, 1e6], 'seconds')
  within(tauSeconds, 'tau', [0.001, 1e6], 'seconds')
  within(floor, 'a', [0, 1])
  return floor + (1 - floor) * Math.exp(-seconds / tauSeconds)
}

/** Seconds of isometric hold a day. */
export function isometricSecondsPerDay(
  hold: number,
  repetitions: number,
  sets: number,
  perDay: number,
): number {
  within(hold, 'hold', [1, 60], 'seconds')
  wholeWithin(repetitions, 'reps', [1, 50])
  wholeWithin(sets, 'sets', [1, 10])
  wholeWithin(perDay, 'perDay', [1, 12])
  return hold * repetitions * sets * perDay
}

/** Target of an isometric in N, as a share of the strongest effort; unknown while that may not be tested. */
export function isometricTargetN(percent: number, strongestN: number | null): number | null {
  within(percent, 'percent', [0, 100], 'percent')
  return strongestN === null ? null : (percent / 100) * within(strongestN, 'mvc', [0, 2000], 'N')
}

/** Pressure an orthosis may keep up for long. */
export const LONG_WEAR_PRESSURE = published(50, 'gf/cm²', 'BRAND-HOLLISTER', 'medium')
const MMHG_PER_GF_CM2 = 98.0665 / 133.322387415

/** Contact pressure of an orthosis in gf/cm² and mmHg. */
export function contactPressure(
  forceGf: number,
  areaCm2: number,
): { readonly gfPerCm2: number; readonly mmHg: number; readonly isTooHighForLong: boolean } {
  within(forceGf, 'gf', [0, 20_000], 'gf')
  within(areaCm2, 'cm2', [0.01, 1000], 'cm²')
  const gfPerCm2 = forceGf / areaCm2
  return { gfPerCm2, mmHg: gfPerCm2 * MMHG_PER_GF_CM2, isTooHighForLong: gfPerCm2 > LONG_WEAR_PRESSURE.value }
}

/** The heaviest single lift two formulas expect from a lift of several repetitions; less certain above ten. */
export function oneRepetitionMaximum(
  weightKg: number,
  repetitions: number,
): { readonly epley: number; readonly brzycki: number; readonly isUncertain: boolean } {
  within(weightKg, 'kg', [0.01, 200], 'kg')
  wholeWithin(repetitions, 'reps', [1, 15])
  if (repetitions === 1) return { epley: weightKg, brzycki: weightKg, isUncertain: false }
  return {
    epley: weightKg * (1 + repetitions / 30),
    brzycki: (36 * weightKg) / (37 - repetitions),
    isUncertain: repetitions > 10,
  }
}

/** Force of a band at 25 % steps of its elongation, by house step from the lightest. Bands lose force with age. */
export const BAND_STEPS = published<readonly (readonly number[])[]>(
  [
    [1.1, 1.8, 2.4, 2.9, 3.4, 3.9, 4.3, 4.8, 5.3, 5.8],
    [1.5, 2.6, 3.3, 3.9, 4.4, 4.9, 5.4, 5.9, 6.4, 7],
    [2, 3.2, 4.2, 5, 5.7, 6.5, 7.2, 7.9, 8.8, 9.6],
    [2.8, 4.6, 5.9, 7.1, 8.1, 9.1, 10.1, 11.1, 12.1, 13.3],
    [3.6, 6.3, 8.1, 9.7, 11, 12.3, 13.5, 14.8, 16.2, 17.6],
    [5, 8.5, 11.1, 13.2, 15.2, 17.1, 18.9, 21, 23, 25.3],
    [7.9, 13.9, 18.1, 21.6, 24.6, 27.5, 30.3, 33.4, 36.6, 40.1],
  ],
  'lbf',
  'PAGE-2000',
  'medium',
)

/**
 * Elongation of a band in percent, and its force in N in straight lines between the steps.
 *
 * @param houseStep - 1 the lightest
 * @throws CoreError `MEASUREMENT_INCONSISTENT` for a band shorter than at rest
 */
export function bandForce(
  houseStep: number,
  restLength: number,
  length: number,
): { readonly elongationPercent: number; readonly newtons: number } {
  wholeWithin(houseStep, 'step', [1, BAND_STEPS.value.length])
  within(restLength, 'rest', [0.1, 1000])
  within(length, 'length', [0, 5000])
  if (length < restLength)
    contradiction('length', 'The band is shorter than at rest. Check that the two lengths were not swapped.')
  const elongationPercent = (100 * (length - restLength)) / restLength
  within(elongationPercent, 'length', [0, 250], 'percent longer than at rest')
  const forces = [0, ...BAND_STEPS.value[houseStep - 1]!]
  const place = Math.min(forces.length - 2, Math.floor(elongationPercent / 25))
  const share = elongationPercent / 25 - place
  const lbf = forces[place]! + share * (forces[place + 1]! - forces[place]!)
  return { elongationPercent, newtons: forceIn('N', lbf, 'lbf') }
}

/**
 * Moment of a held weight about a joint in N·m.
 *
 * @param distanceMm - from the joint, 0–500
 * @param fromHorizontalDeg - of the segment, −90 to 90
 */
export function weightMomentNm(weightKg: number, distanceMm: number, fromHorizontalDeg = 0): number {
  within(weightKg, 'kg', [0, 200], 'kg')
  within(distanceMm, 'mm', [0, 500], 'mm')
  within(fromHorizontalDeg, 'deg', [-90, 90], 'degrees')
  return weightKg * NEWTONS_PER_KGF * (distanceMm / 1000) * Math.cos((fromHorizontalDeg * Math.PI) / 180)
}
