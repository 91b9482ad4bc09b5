import { contradiction } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'

type Arc = readonly [low: number, high: number]

/** Arcs in which daily tasks are done, flexion +. Name the one that was used: the choice changes the result. */
export const FUNCTIONAL_ARCS = {
  'wrist, Palmer': published<Arc>([-30, 5], 'degrees', 'PALMER-1985', 'high'),
  'wrist, Brumfield and Champoux': published<Arc>([-35, 10], 'degrees', 'BRUMFIELD-CHAMPOUX-1984', 'high'),
  'wrist, Ryu': published<Arc>([-40, 40], 'degrees', 'RYU-1991', 'high'),
  elbow: published<Arc>([30, 130], 'degrees', 'MORREY-1981', 'high'),
  forearm: published<Arc>([-50, 50], 'degrees', 'MORREY-1981', 'high'),
  mcp: published<Arc>([33, 73], 'degrees', 'HUME-1990', 'high'),
  pip: published<Arc>([36, 86], 'degrees', 'HUME-1990', 'high'),
  dip: published<Arc>([20, 61], 'degrees', 'HUME-1990', 'high'),
  thumbMcp: published<Arc>([10, 32], 'degrees', 'HUME-1990', 'high'),
  thumbIp: published<Arc>([2, 43], 'degrees', 'HUME-1990', 'high'),
} as const

/**
 * Share of a functional arc that an active arc covers, in percent.
 *
 * @throws CoreError `MEASUREMENT_INCONSISTENT` for an arc that ends before it begins
 * @example
 * functionalCoverage([-38, 35], [-40, 40]) // => 91.25
 */
export function functionalCoverage([low, high]: Arc, [from, to]: Arc): number {
  if (high < low) contradiction('arc', 'The arc ends before it begins. Check that the ends were not swapped.')
  if (to <= from) contradiction('functional', 'The functional arc has no width. Choose another.')
  return (100 * Math.max(0, Math.min(high, to) - Math.max(low, from))) / (to - from)
}
