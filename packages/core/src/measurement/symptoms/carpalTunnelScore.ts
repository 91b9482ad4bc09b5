import { published } from '../../anatomy/constant.js'

/** Points of six findings, and the sums from which a probability is given. Source: GRAHAM-2006, from memory. */
export const CARPAL_TUNNEL_POINTS = published(
  {
    numbMedianArea: 3.5,
    numbAtNight: 4,
    thenarWeakOrWasted: 5,
    wristFlexionHold: 5,
    twoPointLost: 4.5,
    tappingAtWrist: 4,
  },
  'points',
  'GRAHAM-2006',
  'high',
)
export const CARPAL_TUNNEL_SUMS = published({ likely: 12, possibleAbove: 5 }, 'points', 'GRAHAM-2006', 'high')

export type CarpalTunnelFinding = keyof typeof CARPAL_TUNNEL_POINTS.value
export interface CarpalTunnelScore {
  readonly points: number
  /** About 0.80 from 12 points, about 0.25 above 5; below that no figure is known. */
  readonly probability: 0.8 | 0.25 | null
}

/**
 * Sum of six findings for carpal tunnel syndrome. A record for the referrer, not a diagnosis. Unknown while one of the six
 * was not looked for.
 */
export function carpalTunnelScore(
  findings: Readonly<Record<CarpalTunnelFinding, boolean | null>>,
): CarpalTunnelScore | null {
  let points = 0
  for (const [finding, worth] of Object.entries(CARPAL_TUNNEL_POINTS.value)) {
    const isFound = findings[finding as CarpalTunnelFinding]
    if (isFound === null || isFound === undefined) return null
    if (isFound) points += worth
  }
  const { likely, possibleAbove } = CARPAL_TUNNEL_SUMS.value
  return { points, probability: points >= likely ? 0.8 : points > possibleAbove ? 0.25 : null }
}
