import { within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

/** How a repaired nerve grows; faster close to the shoulder. Shown as a band of 0.5 to 2 mm a day, never as a promise. */
export const NERVE_REGROWTH = {
  rate: published(1, 'mm a day', 'SEDDON-1943', 'high'),
  latency: published(28, 'days', 'SEDDON-1943', 'medium'),
} as const

/**
 * How far the tingling on tapping is expected to have advanced, in mm.
 *
 * @param daysSinceRepair - 0–1500
 * @param rate - 0.5–3 mm a day
 * @param latencyDays - 0–60
 */
export function expectedAdvanceMm(
  daysSinceRepair: number,
  rate: number = NERVE_REGROWTH.rate.value,
  latencyDays: number = NERVE_REGROWTH.latency.value,
): number {
  within(daysSinceRepair, 'days', [0, 1500], 'days')
  within(rate, 'rate', [0.5, 3], 'mm a day')
  within(latencyDays, 'latency', [0, 60], 'days')
  return Math.max(0, daysSinceRepair - latencyDays) * rate
}

/** Advance between two visits in mm a day; unknown for one day. Negative: not advancing, the therapist refers. */
export function advanceRate(
  earlier: { readonly day: number; readonly mm: number },
  later: { readonly day: number; readonly mm: number },
): number | null {
  return later.day === earlier.day ? null : (later.mm - earlier.mm) / (later.day - earlier.day)
}
