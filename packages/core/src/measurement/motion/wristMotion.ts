import type { Measure } from '../change/measureErrors.js'

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
