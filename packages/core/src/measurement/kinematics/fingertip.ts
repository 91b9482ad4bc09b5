import { contradiction, within } from '../../anatomy/checked.js'
import { decided, published } from '../../anatomy/constant.js'
import { JOINT_READING_LIMITS } from '../../anatomy/jointReading.js'

type Three = readonly [number, number, number]
const ANGLE_LIMITS = [JOINT_READING_LIMITS.mcp, JOINT_READING_LIMITS.pip, JOINT_READING_LIMITS.dip]
const ANGLE_NAMES = ['mcp', 'pip', 'dip']

export interface FingertipPosition {
  /** Distal along the metacarpal, mm from the MCP center. */
  readonly distalMm: number
  /** Toward the palm, mm. */
  readonly palmarMm: number
}

/**
 * Where the pulp of a finger is, in the plane of the finger.
 *
 * @param lengthsMm - proximal, middle and distal phalanx, above 0
 * @param anglesDeg - MCP, PIP, DIP; flexion +
 * @param pulpMm - half the thickness of the fingertip
 * @throws CoreError for lengths or angles no finger has
 */
export function fingertipPosition(lengthsMm: Three, anglesDeg: Three, pulpMm: number): FingertipPosition {
  if (lengthsMm.length !== 3) contradiction('lengths', 'Expected three lengths: proximal, middle, distal.')
  if (anglesDeg.length !== 3) contradiction('angles', 'Expected three angles: MCP, PIP, DIP.')
  lengthsMm.forEach((length, index) => within(length, `lengths.${index}`, [1, 120], 'mm'))
  anglesDeg.forEach((angle, index) =>
    within(angle, `angles.${ANGLE_NAMES[index]}`, ANGLE_LIMITS[index]!.hard, 'degrees'),
  )
  within(pulpMm, 'pulp', [0, 20], 'mm')
  let [heading, distalMm, palmarMm] = [0, 0, 0]
  lengthsMm.forEach((length, index) => {
    heading += (anglesDeg[index]! * Math.PI) / 180
    distalMm += length * Math.cos(heading)
    palmarMm += length * Math.sin(heading)
  })
  return {
    distalMm: distalMm - pulpMm * Math.sin(heading),
    palmarMm: palmarMm + pulpMm * Math.cos(heading),
  }
}

/** Shape of the palm as shares of the hand length; no anthropometric source. */
export const PALM_SHAPE = {
  creaseProximal: decided(0.05, 'of hand length', 'low'),
  creaseHeight: decided(0.105, 'of hand length', 'low'),
  pulp: decided(0.03, 'of hand length', 'low'),
} as const

/** Up to this gap the pulp is taken to touch. */
export const TOUCHES_UP_TO = decided(5, 'mm', 'low')

/**
 * Gap between pulp and palm in mm, the palm taken as a plane that begins at the distal crease. Shows which ten degrees
 * bring the pulp closest; it does not predict a measured distance. Where it differs from the measured one by more than
 * 15 mm, only the measured one is shown.
 *
 * @param phalangesMm - proximal, middle and distal phalanx
 */
export function pulpToPalmMm(phalangesMm: Three, anglesDeg: Three, handLengthMm: number): number {
  const tip = fingertipPosition(phalangesMm, anglesDeg, PALM_SHAPE.pulp.value * handLengthMm)
  const [crease, height] = [
    -PALM_SHAPE.creaseProximal.value * handLengthMm,
    PALM_SHAPE.creaseHeight.value * handLengthMm,
  ]
  return tip.distalMm > crease
    ? Math.hypot(tip.distalMm - crease, tip.palmarMm - height)
    : Math.abs(tip.palmarMm - height)
}

export interface Closeness {
  readonly joint: 'mcp' | 'pip' | 'dip'
  /** How much closer the pulp comes to the palm with ten more degrees there. */
  readonly closerMm: number
}

/** Which ten degrees of flexion buy most closeness to the palm, the best first. A joint at its limit is left out. */
export function closestTenDegrees(phalangesMm: Three, anglesDeg: Three, handLengthMm: number): Closeness[] {
  const now = pulpToPalmMm(phalangesMm, anglesDeg, handLengthMm)
  return (['mcp', 'pip', 'dip'] as const)
    .flatMap((joint, index) => {
      const more = anglesDeg.map((angle, place) => (place === index ? angle + 10 : angle)) as unknown as Three
      if (more[index]! > JOINT_READING_LIMITS[joint].soft[1]) return []
      return [{ joint, closerMm: now - pulpToPalmMm(phalangesMm, more, handLengthMm) }]
    })
    .sort((a, b) => b.closerMm - a.closerMm)
}

/** DIP flexion that follows a freely flexing PIP, as a share of it. */
export const DIP_PER_PIP = published(2 / 3, 'share', 'RIJPKEMA-GIRARD-1991', 'medium')

/** DIP flexion that follows a freely flexing PIP: for animations, never for a reading. */
export function coupledDipDeg(pipDeg: number): number {
  return DIP_PER_PIP.value * within(pipDeg, 'pip', [0, 110], 'degrees')
}

/**
 * How far a fingertip is displaced by malrotation, in mm. The saying of 1.5 cm for 5° is not reproduced by geometry.
 *
 * @param radiusMm - tip to the axis of rotation, 30–110
 * @param rotationDeg - 0–45
 */
export function malrotationShiftMm(radiusMm: number, rotationDeg: number): number {
  within(radiusMm, 'r', [30, 110], 'mm')
  within(rotationDeg, 'deg', [0, 45], 'degrees')
  return radiusMm * Math.sin((rotationDeg * Math.PI) / 180)
}
