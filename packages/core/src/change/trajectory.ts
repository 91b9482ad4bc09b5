import { CoreError } from '../errors.js'

type Anchor = readonly [week: number, low: number, middle: number, high: number]
interface Series {
  readonly unit: string
  /** Of the width; the middle of the carpal tunnel series rests on GELLMAN-1989 (high). */
  readonly confidence: 'low'
  readonly anchors: readonly Anchor[]
}

/**
 * Range seen in published groups, by week: a synthesis of group means from memory. People differ; never a forecast, never
 * a target line. Source: PLEDGE-DECISION (low), GELLMAN-1989 for carpal tunnel release.
 */
export const TRAJECTORIES: Readonly<Record<string, Series>> = {
  'distalRadius.volarPlate.flexExtArc': {
    unit: '% other side',
    confidence: 'low',
    anchors: [
      [2, 15, 30, 45],
      [6, 45, 58, 70],
      [12, 65, 76, 86],
      [26, 78, 87, 94],
      [52, 84, 92, 98],
    ],
  },
  'distalRadius.volarPlate.forearmArc': {
    unit: '% other side',
    confidence: 'low',
    anchors: [
      [2, 40, 60, 75],
      [6, 70, 82, 92],
      [12, 85, 92, 97],
      [26, 90, 96, 100],
      [52, 93, 97, 100],
    ],
  },
  'distalRadius.volarPlate.grip': {
    unit: '% other side',
    confidence: 'low',
    anchors: [
      [6, 25, 38, 50],
      [12, 45, 60, 72],
      [26, 65, 77, 88],
      [52, 76, 88, 97],
    ],
  },
  'distalRadius.volarPlate.painFunction': {
    unit: '0-100, 100 worst (generic wrist pain/function scale)',
    confidence: 'low',
    anchors: [
      [0, 60, 70, 85],
      [6, 30, 42, 58],
      [12, 18, 28, 40],
      [26, 8, 18, 28],
      [52, 4, 13, 22],
    ],
  },
  'flexorTendonZone2.stricklandPct': {
    unit: '% of 175 deg (PIP+DIP active)',
    confidence: 'low',
    anchors: [
      [3, 20, 32, 45],
      [6, 38, 52, 66],
      [12, 55, 70, 84],
      [26, 62, 78, 90],
      [52, 64, 82, 92],
    ],
  },
  'carpalTunnelRelease.grip': {
    unit: '% of pre-operative same hand',
    confidence: 'low',
    anchors: [
      [3, 18, 28, 40],
      [6, 60, 73, 85],
      [12, 88, 100, 108],
      [26, 100, 116, 128],
    ],
  },
  'carpalTunnelRelease.keyPinch': {
    unit: '% of pre-operative same hand',
    confidence: 'low',
    anchors: [
      [3, 60, 74, 86],
      [6, 85, 96, 105],
      [12, 96, 108, 118],
      [26, 108, 126, 138],
    ],
  },
  'metacarpalShaftFracture.TAM': {
    unit: '% other side',
    confidence: 'low',
    anchors: [
      [3, 45, 60, 75],
      [6, 70, 82, 92],
      [12, 86, 94, 100],
      [26, 92, 97, 100],
    ],
  },
  'proximalPhalanxFracture.TAM': {
    unit: '% other side',
    confidence: 'low',
    anchors: [
      [3, 35, 48, 62],
      [6, 55, 68, 80],
      [12, 68, 80, 92],
      [26, 74, 86, 96],
    ],
  },
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
  const { anchors } = known
  const later = anchors.findIndex((anchor) => anchor[0] >= week)
  if (later < 0 || !Number.isFinite(week) || week < anchors[0]![0]) return null
  const [to, from] = [anchors[later]!, anchors[Math.max(0, later - 1)]!]
  const share = to[0] === from[0] ? 0 : (week - from[0]) / (to[0] - from[0])
  const between = (place: 1 | 2 | 3) => from[place] + share * (to[place] - from[place])
  return [between(1), between(2), between(3)]
}
