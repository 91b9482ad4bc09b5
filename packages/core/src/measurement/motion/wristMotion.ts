import { reaches } from '../../anatomy/checked.js'
import { isUnverified } from '../../anatomy/constant.js'
import { errorOfMeasure, type Measure, type Rater } from '../change/measureErrors.js'
import { CoreError } from '../../errors.js'

/**
 * The six motions of wrist and forearm as a therapist reads them: each a number of degrees from neutral, positive in
 * its own direction. `signed` tells how Pledge stores it: flexion +, ulnar +, supination +. A reading may be negative:
 * a wrist that cannot reach neutral extends by −10.
 *
 * Limits: hard readings are refused, soft ones asked about.
 */
export const WRIST_MOTIONS = {
  wristFlexion: {
    label: 'Flexion',
    signed: 1,
    hard: [-60, 110],
    soft: [0, 90],
    error: 'wristFlexionExtension',
  },
  wristExtension: {
    label: 'Extension',
    signed: -1,
    hard: [-60, 110],
    soft: [0, 90],
    error: 'wristFlexionExtension',
  },
  radialDeviation: {
    label: 'Radial deviation',
    signed: -1,
    hard: [-30, 50],
    soft: [0, 30],
    error: 'wristDeviation',
  },
  ulnarDeviation: {
    label: 'Ulnar deviation',
    signed: 1,
    hard: [-30, 70],
    soft: [0, 45],
    error: 'wristDeviation',
  },
  pronation: { label: 'Pronation', signed: -1, hard: [-80, 120], soft: [0, 95], error: 'forearm' },
  supination: { label: 'Supination', signed: 1, hard: [-80, 120], soft: [0, 95], error: 'forearm' },
} as const satisfies Record<string, WristMotionFacts>

interface WristMotionFacts {
  readonly label: string
  readonly signed: 1 | -1
  readonly hard: readonly [number, number]
  readonly soft: readonly [number, number]
  /** Whose error its changes are compared with. */
  readonly error: Measure
}
export type WristMotion = keyof typeof WRIST_MOTIONS
export const WRIST_MOTION_NAMES = Object.keys(WRIST_MOTIONS) as WristMotion[]

/**
 * A reading in the stored sign: flexion +, extension −; ulnar +, radial −; supination +, pronation −.
 *
 * @throws CoreError `MEASUREMENT_OUT_OF_RANGE` for a reading no wrist can give
 * @example
 * signedDeg('wristExtension', 45) // => -45
 */
export function signedDeg(motion: WristMotion, readingDeg: number): number {
  const [low, high] = WRIST_MOTIONS[motion].hard
  if (!Number.isFinite(readingDeg) || readingDeg < low || readingDeg > high) {
    throw new CoreError(
      'MEASUREMENT_OUT_OF_RANGE',
      motion,
      `${WRIST_MOTIONS[motion].label} lies between ${low} and ${high}°. Check the reading.`,
    )
  }
  return readingDeg === 0 ? 0 : readingDeg * WRIST_MOTIONS[motion].signed
}

/** The therapist's reading of a stored angle: the inverse of `signedDeg`. */
export function readingDeg(motion: WristMotion, storedDeg: number): number {
  return storedDeg === 0 ? 0 : storedDeg * WRIST_MOTIONS[motion].signed
}

/** Whether a reading is possible but unusual, so that the bench asks "are you sure?". */
export function isUnusual(motion: WristMotion, reading: number): boolean {
  const [low, high] = WRIST_MOTIONS[motion].soft
  return reading < low || reading > high
}

/** Degrees short of the other side; negative when it goes further. Unknown when either side was not measured. */
export function shortOfOtherSideDeg(reading: number | null, otherSide: number | null): number | null {
  return reading === null || otherSide === null ? null : otherSide - reading
}

/** Percent of the other side; unknown when either was not measured or the other side does not move that way. */
export function percentOfOtherSide(reading: number | null, otherSide: number | null): number | null {
  if (reading === null || otherSide === null || otherSide <= 0) return null
  return (reading / otherSide) * 100
}

export interface Change {
  readonly deg: number
  /** Gain or loss beyond the goniometer's error, or none that can be told from it. */
  readonly verdict: 'gained' | 'lost' | 'within error'
  /** Smallest change that is real with 95 % confidence, for who measured both times. */
  readonly errorDeg: number
  readonly isUnverified: boolean
}

/**
 * Change of a reading since an earlier one, against the error of this motion. Unknown when either is missing.
 *
 * @param rater - who took the earlier reading: the same therapist, another one, or the patient at home
 */
export function changeSince(
  motion: WristMotion,
  earlier: number | null,
  now: number | null,
  rater: Rater,
): Change | null {
  if (earlier === null || now === null) return null
  const error = errorOfMeasure(WRIST_MOTIONS[motion].error, rater)
  const deg = now - earlier
  const isReal = reaches(Math.abs(deg), error.mdc95)
  return {
    deg,
    verdict: !isReal ? 'within error' : deg > 0 ? 'gained' : 'lost',
    errorDeg: error.mdc95,
    isUnverified: isUnverified(error),
  }
}
