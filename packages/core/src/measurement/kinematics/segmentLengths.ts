import { within } from '../../anatomy/checked.js'
import { published } from '../../anatomy/constant.js'
import { CoreError } from '../../errors.js'

/** Hand length in mm, wrist crease to middle tip. */
export const HAND_LENGTH_MM = [120, 240] as const

export interface SegmentLengths {
  readonly metacarpal: number
  readonly proximalPhalanx: number
  /** A thumb has none. */
  readonly middlePhalanx: number | null
  readonly distalPhalanx: number
}

const share = (shares: readonly [number, number, number | null, number]) =>
  published(shares, 'of hand length', 'BUCHHOLZ-1992', 'high')

/** Metacarpal, proximal, middle and distal phalanx as shares of the hand length, between joint centers. */
export const SEGMENT_SHARES = {
  thumb: share([0.251, 0.196, null, 0.158]),
  index: share([0.463, 0.245, 0.143, 0.097]),
  middle: share([0.446, 0.266, 0.17, 0.108]),
  ring: share([0.421, 0.244, 0.165, 0.107]),
  little: share([0.414, 0.204, 0.117, 0.093]),
} as const
export type Ray = keyof typeof SEGMENT_SHARES

/**
 * Segment lengths of a digit in mm, between joint centers, from the length of the hand. Adults' shares; in a child they
 * hold roughly.
 *
 * @param handLengthMm - 120–240
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE`; `DOCUMENT_INVALID` for a digit nobody has
 */
export function segmentLengths(digit: string, handLengthMm: number): SegmentLengths {
  if (!Object.hasOwn(SEGMENT_SHARES, digit))
    throw new CoreError(
      'DOCUMENT_INVALID',
      'digit',
      `Expected one of ${Object.keys(SEGMENT_SHARES).join(', ')}, found "${digit}".`,
    )
  within(handLengthMm, 'handLength', HAND_LENGTH_MM, 'mm')
  const [metacarpal, proximal, middle, distal] = SEGMENT_SHARES[digit as Ray].value
  return {
    metacarpal: metacarpal * handLengthMm,
    proximalPhalanx: proximal * handLengthMm,
    middlePhalanx: middle === null ? null : middle * handLengthMm,
    distalPhalanx: distal * handLengthMm,
  }
}
