import { within } from '../anatomy/checked.js'
import { published } from '../anatomy/constant.js'
import { NEWTONS_PER_KGF } from '../measurement/strength/forceUnits.js'

export interface CollateralLoad {
  readonly momentNmm: number
  readonly tensionN: number
}

/**
 * Load on the ulnar collateral ligament of the thumb's MCP joint in a pinch. How much of a pinch pushes the thumb
 * sideways is not measured: for comparison only, and sources differ on whether key or tip pinch loads it more.
 * Source: PLEDGE-DECISION (low).
 *
 * @param forceN - 0–500
 * @param sidewaysShare - 0–1
 * @param pulpToAxisMm - 1–100
 * @param ligamentArmMm - above 0
 * @param muscleShare - what the adductor takes, 0–0.9
 */
export function collateralLoad(
  forceN: number,
  sidewaysShare: number,
  pulpToAxisMm: number,
  ligamentArmMm: number,
  muscleShare: number,
): CollateralLoad {
  within(forceN, 'force', [0, 500], 'N')
  within(sidewaysShare, 'phi', [0, 1])
  within(pulpToAxisMm, 'd', [1, 100], 'mm')
  within(ligamentArmMm, 'r', [0.1, 50], 'mm')
  within(muscleShare, 'm', [0, 0.9])
  const momentNmm = forceN * sidewaysShare * pulpToAxisMm
  return { momentNmm, tensionN: ((1 - muscleShare) * momentNmm) / ligamentArmMm }
}

/** Compression at the thumb's base per force of a tip pinch. */
export const BASE_PER_PINCH = published(12, 'times', 'COONEY-CHAO-1977', 'high')

/** Compression at the CMC joint in a tip pinch, kgf and N. One kgf less of pinch spares about twelve. */
export function thumbBaseReaction(pinchKgf: number): { readonly kgf: number; readonly newtons: number } {
  const kgf = BASE_PER_PINCH.value * within(pinchKgf, 'pinchKgf', [0, 25], 'kgf')
  return { kgf, newtons: kgf * NEWTONS_PER_KGF }
}
