import { contradiction } from '../../anatomy/checked.js'
import { decided, published, type Constant } from '../../anatomy/constant.js'
import { CoreError } from '../../errors.js'

type Anchor = readonly [week: number, low: number, middle: number, high: number]
type Anchors = readonly Anchor[]
const ours = (unit: string, anchors: Anchors) => decided(anchors, unit, 'low')
/** The middle is the published mean (high); the width is ours. */
const carpalTunnel = (anchors: Anchors) =>
  published(anchors, '% of pre-operative same hand', 'GELLMAN-1989', 'low')

/**
 * Range seen in published groups, by week: a synthesis of group means from memory. People differ; never a forecast, never
 * a target line. `bandOfCases` makes one
 * of a clinic's own cases.
 */
export const TRAJECTORIES: Readonly<Record<string, Constant<Anchors>>> = {
  'distalRadius.volarPlate.flexExtArc': ours('% other side', [
    [2, 15, 30, 45],
    [6, 45, 58, 70],
    [12, 65, 76, 86],
    [26, 78, 87, 94],
    [52, 84, 92, 98],
  ]),
  'distalRadius.volarPlate.forearmArc': ours('% other side', [
    [2, 40, 60, 75],
    [6, 70, 82, 92],
    [12, 85, 92, 97],
    [26, 90, 96, 100],
    [52, 93, 97, 100],
  ]),
  'distalRadius.volarPlate.grip': ours('% other side', [
    [6, 25, 38, 50],
    [12, 45, 60, 72],
    [26, 65, 77, 88],
    [52, 76, 88, 97],
  ]),
  'distalRadius.volarPlate.painFunction': ours('0-100, 100 worst (generic wrist pain/function scale)', [
    [0, 60, 70, 85],
    [6, 30, 42, 58],
    [12, 18, 28, 40],
    [26, 8, 18, 28],
    [52, 4, 13, 22],
  ]),
  'flexorTendonZone2.stricklandPct': ours('% of 175 deg (PIP+DIP active)', [
    [3, 20, 32, 45],
    [6, 38, 52, 66],
    [12, 55, 70, 84],
    [26, 62, 78, 90],
    [52, 64, 82, 92],
  ]),
  'carpalTunnelRelease.grip': carpalTunnel([
    [3, 18, 28, 40],
    [6, 60, 73, 85],
    [12, 88, 100, 108],
    [26, 100, 116, 128],
  ]),
  'carpalTunnelRelease.keyPinch': carpalTunnel([
    [3, 60, 74, 86],
    [6, 85, 96, 105],
    [12, 96, 108, 118],
    [26, 108, 126, 138],
  ]),
  'metacarpalShaftFracture.TAM': ours('% other side', [
    [3, 45, 60, 75],
    [6, 70, 82, 92],
    [12, 86, 94, 100],
    [26, 92, 97, 100],
  ]),
  'proximalPhalanxFracture.TAM': ours('% other side', [
    [3, 35, 48, 62],
    [6, 55, 68, 80],
    [12, 68, 80, 92],
    [26, 74, 86, 96],
  ]),
}

/**
 * The band of a series at a week, between its anchors in straight lines. Unknown outside of them.
 *
 * @throws CoreError `DOCUMENT_INVALID` for a series nobody knows
 */
export function expectedBand(
  series: string,
  week: number,
): readonly [low: number, middle: number, high: number] | null {
  const known = Object.hasOwn(TRAJECTORIES, series) ? TRAJECTORIES[series]! : null
  if (!known)
    throw new CoreError(
      'DOCUMENT_INVALID',
      'series',
      `Expected a known series (${Object.keys(TRAJECTORIES).join(', ')}), found "${series}".`,
    )
  const { value: anchors } = known
  const later = anchors.findIndex((anchor) => anchor[0] >= week)
  if (later < 0 || !Number.isFinite(week) || week < anchors[0]![0]) return null
  const [to, from] = [anchors[later]!, anchors[Math.max(0, later - 1)]!]
  const share = to[0] === from[0] ? 0 : (week - from[0]) / (to[0] - from[0])
  const between = (place: 1 | 2 | 3) => from[place] + share * (to[place] - from[place])
  return [between(1), between(2), between(3)]
}

/** From how many cases of its own a clinic's band replaces the published one. */
export const CASES_FOR_OWN_BAND = decided(30, 'cases')

/**
 * The band of a clinic's own cases at one week: their quantiles of 10, 50 and 90 %. Unknown with fewer than thirty.
 *
 * @param values - one of each patient
 * @throws CoreError `MEASUREMENT_INCONSISTENT` where one is no number
 */
export function bandOfCases(
  values: readonly number[],
): readonly [low: number, middle: number, high: number] | null {
  if (values.some((value) => !Number.isFinite(value)))
    contradiction('values', 'Expected a number of each case. Leave out those that were not measured.')
  if (values.length < CASES_FOR_OWN_BAND.value) return null
  return [quantile(values, 0.1), quantile(values, 0.5), quantile(values, 0.9)]
}

/** The value below which a share of all lies, between two neighbors in a straight line. */
function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  const place = (sorted.length - 1) * share
  const below = Math.floor(place)
  const above = Math.min(below + 1, sorted.length - 1)
  return sorted[below]! + (place - below) * (sorted[above]! - sorted[below]!)
}
