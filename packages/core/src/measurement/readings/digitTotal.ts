import type { JointReading } from '../../anatomy/jointReading.js'
import { totalMotion, totalThumbMotion, type TotalMotion } from '../motion/totalActiveMotion.js'
import type { Digit } from '../../vocabulary/vocabulary.js'
import { hingesOf, type HingeMeasure, type ReadingKind, type Side } from './measures.js'
import { jointStateOf, knownEnds, type HingeResult } from './reading.js'
import { hingeAt, hingePlace, type ReadingBook, type Visit } from './visits.js'

/** The hinges of a digit as they are today, by joint. */
export type DigitHinges = Readonly<Partial<Record<HingeMeasure, HingeResult | null>>>

/** The hinges of a digit as read today; absent and fused ones also where an earlier visit found them so. */
export function digitHinges(
  digit: Digit,
  side: Side,
  kind: ReadingKind,
  now: ReadingBook,
  before: readonly Visit[],
): DigitHinges {
  return Object.fromEntries(
    hingesOf(digit).map((measure) => [measure, hingeAt(now, before, hingePlace(measure, digit, side, kind))]),
  )
}

/** Total motion of a digit from its hinges; unknown while one of them, or one end, was not measured. */
export function digitTotal(digit: Digit, joints: DigitHinges): TotalMotion {
  const state = (measure: HingeMeasure) => jointStateOf(joints[measure] ?? null)
  return digit === 'thumb'
    ? totalThumbMotion({ mcp: state('thumbMcp'), ip: state('thumbIp') })
    : totalMotion({ mcp: state('mcp'), pip: state('pip'), dip: state('dip') })
}

/** A hinge with both ends known; `null` where one was not measured. */
export function wholeOf(result: HingeResult | null): JointReading | null {
  const { flexedEndDeg, extendedEndDeg } = knownEnds(result)
  return flexedEndDeg === null || extendedEndDeg === null ? null : { flexedEndDeg, extendedEndDeg }
}
