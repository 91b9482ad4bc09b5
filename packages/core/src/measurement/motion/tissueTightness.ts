import { within } from '../../anatomy/checked.js'
import { decided } from '../../anatomy/constant.js'

/** Difference between two positions from which a tissue is called tight. */
export const TIGHTNESS_THRESHOLD = decided(10, 'degrees')

export type TightTissue =
  | 'intrinsic'
  | 'extrinsicExtensor'
  | 'extrinsicFlexor'
  | 'obliqueRetinacular'
  | 'thumbExtensor'
  | 'joint'
  | 'web'
  | 'noWeb'
export interface TightnessFinding {
  readonly differenceDeg: number
  readonly tissue: TightTissue
}

const FLEXION = [-40, 130] as const

function finding(
  differenceDeg: number,
  more: TightTissue,
  less: TightTissue | null,
  thresholdDeg: number,
): TightnessFinding {
  if (differenceDeg > thresholdDeg) return { differenceDeg, tissue: more }
  return { differenceDeg, tissue: less !== null && differenceDeg < -thresholdDeg ? less : 'joint' }
}

/**
 * PIP flexion with the MCP joint flexed less that with it extended, passive. More: the intrinsic muscles are tight; less:
 * the long extensors; else the joint itself. Unknown while one position was not measured.
 *
 * Source: TEXTBOOK-PRACTICE for the principle, threshold PLEDGE-DECISION.
 */
export function intrinsicTightness(
  pipFlexionMcpFlexedDeg: number | null,
  pipFlexionMcpExtendedDeg: number | null,
  thresholdDeg = TIGHTNESS_THRESHOLD.value,
): TightnessFinding | null {
  if (pipFlexionMcpFlexedDeg === null || pipFlexionMcpExtendedDeg === null) return null
  within(pipFlexionMcpFlexedDeg, 'pipFlexMpFlexed', FLEXION, 'degrees')
  within(pipFlexionMcpExtendedDeg, 'pipFlexMpExtended', FLEXION, 'degrees')
  const difference = pipFlexionMcpFlexedDeg - pipFlexionMcpExtendedDeg
  return finding(difference, 'intrinsic', 'extrinsicExtensor', thresholdDeg)
}

/** Extension the fingers lose, as a sum, when the wrist goes from flexed to extended. More: the long flexors are tight. */
export function extrinsicFlexorTightness(
  lostExtensionWristExtendedDeg: number | null,
  lostExtensionWristFlexedDeg: number | null,
  thresholdDeg = TIGHTNESS_THRESHOLD.value,
): TightnessFinding | null {
  if (lostExtensionWristExtendedDeg === null || lostExtensionWristFlexedDeg === null) return null
  const difference = lostExtensionWristExtendedDeg - lostExtensionWristFlexedDeg
  return finding(difference, 'extrinsicFlexor', null, thresholdDeg)
}

/** DIP flexion with the PIP joint flexed less that with it straight. More: the oblique retinacular ligament is tight. */
export function obliqueTightness(
  dipFlexionPipFlexedDeg: number | null,
  dipFlexionPipExtendedDeg: number | null,
  thresholdDeg = TIGHTNESS_THRESHOLD.value,
): TightnessFinding | null {
  if (dipFlexionPipFlexedDeg === null || dipFlexionPipExtendedDeg === null) return null
  within(dipFlexionPipFlexedDeg, 'dipFlexPipFlexed', FLEXION, 'degrees')
  within(dipFlexionPipExtendedDeg, 'dipFlexPipExtended', FLEXION, 'degrees')
  return finding(dipFlexionPipFlexedDeg - dipFlexionPipExtendedDeg, 'obliqueRetinacular', null, thresholdDeg)
}

/** Thumb IP flexion with the MCP joint straight less that with it flexed, passive. More: the long extensor of the thumb is tight. */
export function thumbExtensorTightness(
  ipFlexionMcpStraightDeg: number | null,
  ipFlexionMcpFlexedDeg: number | null,
  thresholdDeg = TIGHTNESS_THRESHOLD.value,
): TightnessFinding | null {
  if (ipFlexionMcpStraightDeg === null || ipFlexionMcpFlexedDeg === null) return null
  within(ipFlexionMcpStraightDeg, 'ipFlexMpExtended', FLEXION, 'degrees')
  within(ipFlexionMcpFlexedDeg, 'ipFlexMpFlexed', FLEXION, 'degrees')
  return finding(ipFlexionMcpStraightDeg - ipFlexionMcpFlexedDeg, 'thumbExtensor', null, thresholdDeg)
}

/**
 * Passive palmar abduction of the other thumb less that of the injured one. Ten degrees or more: the web is short, and is released
 * before anything is strengthened.
 *
 * Source: A7 (TEXTBOOK-PRACTICE).
 */
export function webTightness(
  injuredDeg: number | null,
  otherDeg: number | null,
  thresholdDeg = TIGHTNESS_THRESHOLD.value,
): TightnessFinding | null {
  if (injuredDeg === null || otherDeg === null) return null
  const differenceDeg = otherDeg - injuredDeg
  return { differenceDeg, tissue: differenceDeg >= thresholdDeg ? 'web' : 'noWeb' }
}
