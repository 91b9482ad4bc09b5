import { within } from '../../anatomy/checked.js'

/** Exact by definition: international pound 1959, standard gravity. */
export const KGF_PER_LBF = 0.45359237
export const NEWTONS_PER_KGF = 9.80665

export const FORCE_UNITS = ['N', 'kgf', 'lbf'] as const
export type ForceUnit = (typeof FORCE_UNITS)[number]

const NEWTONS: Readonly<Record<ForceUnit, number>> = {
  N: 1,
  kgf: NEWTONS_PER_KGF,
  lbf: KGF_PER_LBF * NEWTONS_PER_KGF,
}

/** A force in another unit. */
export function forceIn(unit: ForceUnit, value: number, from: ForceUnit): number {
  return unit === from ? value : (value * NEWTONS[from]) / NEWTONS[unit]
}

/** A force in kgf as a dynamometer shows it. @throws CoreError `MEASUREMENT_OUT_OF_RANGE` beyond any hand */
export function gripKgf(value: number, from: ForceUnit, path = 'value', most = 120): number {
  return within(forceIn('kgf', value, from), path, [0, most], 'kgf')
}
