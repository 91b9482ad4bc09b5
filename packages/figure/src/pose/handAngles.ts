import type { Finger } from '../hand/bones.js'

/** Joint angles of one finger in degrees; flexion +, spread away from the middle finger + (0 = fingers side by side). */
export interface FingerAngles {
  readonly mcp: number
  readonly pip: number
  readonly dip: number
  readonly spread: number
}

/** The thumb: radial and palmar abduction of its metacarpal, its turn toward the fingers, flexion of its two hinges. */
export interface ThumbAngles {
  readonly radial: number
  readonly palmar: number
  readonly turn: number
  readonly mcp: number
  readonly ip: number
}

/** Every joint of forearm and hand, in degrees and with the signs of the catalogue. */
export interface HandAngles {
  readonly forearmSupination: number
  readonly wristFlexion: number
  readonly wristUlnarDeviation: number
  readonly fingers: Readonly<Record<Finger, FingerAngles>>
  readonly thumb: ThumbAngles
}
