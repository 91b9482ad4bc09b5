import { within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'
import { NEWTONS_PER_KGF } from '../strength/forceUnits.js'

/**
 * Torque of a force hung at right angles on a segment, in N·mm. Source: FLOWERS-PHEASANT-1988 (medium).
 *
 * @param forceGf - 50–2000 gf
 * @param armMm - from the joint to the force, 10–120 mm
 */
export function torqueNmm(forceGf: number, armMm: number): number {
  within(forceGf, 'gf', [50, 2000], 'gf')
  within(armMm, 'armMm', [10, 120], 'mm')
  return (forceGf / 1000) * NEWTONS_PER_KGF * armMm
}

/**
 * Stiffness between two loads, in N·mm per degree: steep for a mature or bony block, shallow for one that will respond.
 * Unknown where the joint did not give.
 */
export function stiffness(
  lighter: { readonly torqueNmm: number; readonly angleDeg: number },
  heavier: { readonly torqueNmm: number; readonly angleDeg: number },
): number | null {
  const given = heavier.angleDeg - lighter.angleDeg
  return given === 0 ? null : (heavier.torqueNmm - lighter.torqueNmm) / given
}

/** Gains of passive range in the clinic from which an orthosis may be milder. */
export const ORTHOSIS_GAINS = {
  none: published(20, 'degrees', 'FLOWERS-2002', 'medium'),
  static: published(15, 'degrees', 'FLOWERS-2002', 'medium'),
  dynamic: published(10, 'degrees', 'FLOWERS-2002', 'medium'),
} as const

export type ContractureMeans = 'no orthosis' | 'static' | 'dynamic' | 'static progressive'

/**
 * The orthosis a gain of passive range in the clinic, after heat and stretch, speaks for: 20° none, 15° static, 10°
 * dynamic, 5° and less static progressive. Between two of them the more conservative. For a therapist only.
 *
 * @param gainDeg - 0–90
 */
export function orthosisByGain(gainDeg: number): ContractureMeans {
  within(gainDeg, 'gain', [0, 90], 'degrees')
  if (gainDeg >= ORTHOSIS_GAINS.none.value) return 'no orthosis'
  if (gainDeg >= ORTHOSIS_GAINS.static.value) return 'static'
  return gainDeg >= ORTHOSIS_GAINS.dynamic.value ? 'dynamic' : 'static progressive'
}
