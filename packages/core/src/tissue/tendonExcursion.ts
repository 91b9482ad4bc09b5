import { within } from '../anatomy/checked.js'
import { decided, published, type Constant } from '../anatomy/constant.js'
import { CoreError } from '../errors.js'

export const TENDONS = ['FDP', 'FDS', 'EDC', 'FPL', 'EPL'] as const
export type Tendon = (typeof TENDONS)[number]
export const TENDON_JOINTS = ['wrist', 'cmc', 'mcp', 'pip', 'dip', 'ip'] as const
export type TendonJoint = (typeof TENDON_JOINTS)[number]

const arm = (value: number, source: string, confidence: Constant['confidence']) =>
  published(value, 'mm', source, confidence)

/**
 * Moment arms in mm, positive where flexing the joint glides a flexor proximally; for an extensor where it slides it
 * distally. Real arms change with the angle, with pulleys lost, with the size of the finger (± 15 %).
 */
export const MOMENT_ARMS: Readonly<Record<Tendon, Readonly<Partial<Record<TendonJoint, Constant>>>>> = {
  FDP: {
    mcp: arm(11.1, 'AN-1983', 'medium'),
    pip: arm(7.9, 'AN-1983', 'medium'),
    dip: arm(4.1, 'AN-1983', 'medium'),
    wrist: arm(12.5, 'BRAND-HOLLISTER', 'low'),
  },
  FDS: {
    mcp: arm(11.9, 'AN-1983', 'medium'),
    pip: arm(6.2, 'AN-1983', 'medium'),
    wrist: arm(14.5, 'BRAND-HOLLISTER', 'low'),
  },
  EDC: {
    mcp: arm(8.6, 'AN-1983', 'medium'),
    pip: arm(2.8, 'AN-1983', 'medium'),
    dip: arm(2.2, 'AN-1983', 'medium'),
    wrist: arm(11, 'BRAND-HOLLISTER', 'low'),
  },
  FPL: {
    cmc: arm(12, 'SMUTZ-1998', 'low'),
    mcp: arm(10.5, 'SMUTZ-1998', 'low'),
    ip: arm(8, 'SMUTZ-1998', 'low'),
    wrist: arm(13, 'BRAND-HOLLISTER', 'low'),
  },
  EPL: {
    cmc: arm(8, 'SMUTZ-1998', 'low'),
    mcp: arm(8, 'SMUTZ-1998', 'low'),
    ip: arm(4.8, 'EVANS-BURKHALTER-1986', 'low'),
    wrist: arm(7, 'BRAND-HOLLISTER', 'low'),
  },
}

export type JointChange = Readonly<Partial<Record<TendonJoint, number>>>
const radians = (degrees: number) => (degrees * Math.PI) / 180

/**
 * Glide of a tendon between two postures in mm: the sum over its joints of moment arm times change. Flexion +. A joint
 * the tendon does not cross adds 0. Over-predicts flexors in a full fist by 13 to 23 %; the order of exercises is right.
 *
 * @param changeDeg - change of each joint, −150 to 150 degrees
 * @throws CoreError `DOCUMENT_INVALID` for a tendon nobody knows; `MEASUREMENT_OUT_OF_RANGE`
 * @example
 * tendonExcursionMm('FDP', { mcp: 90, pip: 100, dip: 70 }) // => 36.2…
 */
export function tendonExcursionMm(tendon: Tendon, changeDeg: JointChange): number {
  if (!Object.hasOwn(MOMENT_ARMS, tendon))
    throw new CoreError(
      'DOCUMENT_INVALID',
      'tendon',
      `Expected one of ${TENDONS.join(', ')}, found "${String(tendon)}".`,
    )
  let sum = 0
  for (const joint of TENDON_JOINTS) {
    const change = changeDeg[joint]
    if (change === undefined) continue
    within(change, `delta.${joint}`, [-150, 150], 'degrees')
    sum += (MOMENT_ARMS[tendon][joint]?.value ?? 0) * radians(change)
  }
  return sum
}

/** How much further the deep flexor glides than the superficial one, in mm: most in the hook fist. */
export function differentialGlideMm(changeDeg: JointChange): number {
  return tendonExcursionMm('FDP', changeDeg) - tendonExcursionMm('FDS', changeDeg)
}

/**
 * Motion of one joint that gives a glide, in degrees; a result above its range is not reachable with it alone.
 *
 * @param glideMm - above 0; 3 to 5 mm at a repair is the classic rule (DURAN-HOUSER-1975)
 * @param armMm - above 0
 */
export function motionForGlideDeg(glideMm: number, armMm: number): number {
  within(glideMm, 'glide', [0.01, 100], 'mm')
  within(armMm, 'arm', [0.1, 50], 'mm')
  return ((glideMm / armMm) * 180) / Math.PI
}

/** Shares in which finger joints answer a wrist motion. */
export const TENODESIS_SHARES = decided({ mcp: 1, pip: 1, dip: 0.67 }, 'share', 'low')

export interface TenodesisFlexion {
  readonly mcpDeg: number
  readonly pipDeg: number
  readonly dipDeg: number
}

/**
 * Flexion of the finger joints that balances a wrist extension while the deep flexor keeps its length. An order of
 * magnitude; adhesions and stiffness break it.
 *
 * @param wristExtensionDeg - −70 to 70
 */
export function tenodesisFlexion(wristExtensionDeg: number): TenodesisFlexion {
  within(wristExtensionDeg, 'wristExtension', [-70, 70], 'degrees')
  const arms = MOMENT_ARMS.FDP
  const joints = ['mcp', 'pip', 'dip'] as const
  const total = joints.reduce((sum, joint) => sum + arms[joint]!.value * TENODESIS_SHARES.value[joint], 0)
  const share = (arms.wrist!.value * wristExtensionDeg) / total
  return {
    mcpDeg: share * TENODESIS_SHARES.value.mcp,
    pipDeg: share * TENODESIS_SHARES.value.pip,
    dipDeg: share * TENODESIS_SHARES.value.dip,
  }
}

/** Glide of the deep flexor per 10° of passive motion, mm. */
export const GLIDE_PER_10 = {
  intact: published({ pip: 1.3, dip: 1 }, 'mm', 'MCGROUTHER-AHMED-1981', 'medium'),
  repaired: published({ pip: 1.2, dip: 0.3 }, 'mm', 'SILFVERSKIOLD-1992', 'medium'),
} as const

/**
 * Glide of a deep flexor by passive PIP and DIP motion in mm, intact or repaired in zone II. What edema and repair take away is the part of the DIP joint.
 */
export function passiveGlideMm(pipDeg: number, dipDeg: number, isRepaired: boolean): number {
  within(pipDeg, 'pip', [0, 110], 'degrees')
  within(dipDeg, 'dip', [0, 110], 'degrees')
  const per10 = (isRepaired ? GLIDE_PER_10.repaired : GLIDE_PER_10.intact).value
  return (per10.pip * pipDeg + per10.dip * dipDeg) / 10
}
