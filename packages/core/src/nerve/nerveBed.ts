import { within } from '../anatomy/checked.js'
import { decided, published, type Constant } from '../anatomy/constant.js'
import { CoreError } from '../errors.js'

/**
 * Motions that lengthen or shorten the bed of a nerve, in the stored signs: flexion +, ulnar +, supination +, external
 * rotation +; the neck bent away from the arm +; the shoulder pulled down +, in mm.
 */
export const NERVE_MOTIONS = {
  neckSideBendAway: [-60, 60],
  shoulderDepressionMm: [-40, 40],
  shoulderAbduction: [-180, 180],
  shoulderExternalRotation: [-110, 110],
  elbowFlexion: [-165, 165],
  forearmSupination: [-180, 180],
  wristFlexion: [-180, 180],
  wristUlnarDeviation: [-80, 80],
  fingerMcpFlexion: [-160, 160],
  fingerIpFlexion: [-150, 150],
  thumbFlexion: [-150, 150],
} as const satisfies Record<string, readonly [number, number]>
export type NerveMotion = keyof typeof NERVE_MOTIONS
export type NerveMoves = Readonly<Partial<Record<NerveMotion, number>>>

interface Crossing {
  /** Where the joint lies along the nerve, mm from the spine. */
  readonly atMm: number
  /** Lengthening of the bed per degree (or mm) of the motion, mm; negative where it shortens. */
  readonly perUnit: Constant
}
interface NerveBed {
  readonly lengthMm: number
  readonly crossings: Readonly<Partial<Record<NerveMotion, Crossing>>>
  readonly sites: Readonly<Record<string, number>>
}
const at = (atMm: number, perUnit: number): Crossing => ({
  atMm,
  perUnit: decided(perUnit, 'mm per degree or mm', 'low'),
})
/** Fitted to published travel. */
const fitted = (atMm: number, perUnit: number, source: string): Crossing => ({
  atMm,
  perUnit: published(perUnit, 'mm per degree', source, 'medium'),
})

/**
 * Nerve beds for an arm of 750 mm. Low confidence everywhere but neck, elbow and wrist of the median nerve, which were
 * fitted; ulnar and radial are not validated. Signs are the published ones.
 */
export const NERVE_BEDS = {
  median: {
    lengthMm: 750,
    crossings: {
      neckSideBendAway: fitted(20, 0.13, 'COPPIETERS-2009'),
      shoulderDepressionMm: at(60, 0.5),
      shoulderAbduction: at(130, 0.08),
      shoulderExternalRotation: at(130, 0.02),
      elbowFlexion: fitted(330, -0.2, 'COPPIETERS-2009'),
      forearmSupination: at(450, 0.02),
      wristFlexion: fitted(590, -0.2, 'COPPIETERS-BUTLER-2008'),
      fingerMcpFlexion: at(690, -0.05),
      fingerIpFlexion: at(730, -0.02),
    },
    sites: { upperArm: 230, elbow: 330, forearm: 480, wrist: 570 },
  },
  ulnar: {
    lengthMm: 780,
    crossings: {
      neckSideBendAway: at(20, 0.13),
      shoulderDepressionMm: at(60, 0.5),
      shoulderAbduction: at(130, 0.1),
      shoulderExternalRotation: at(130, 0.04),
      elbowFlexion: at(340, 0.11),
      forearmSupination: at(460, -0.02),
      wristFlexion: at(600, -0.15),
      wristUlnarDeviation: at(600, -0.08),
      fingerMcpFlexion: at(700, -0.05),
      fingerIpFlexion: at(745, -0.02),
    },
    sites: { upperArm: 240, cubitalTunnel: 340, forearm: 480, wrist: 580 },
  },
  radial: {
    lengthMm: 700,
    crossings: {
      neckSideBendAway: at(20, 0.13),
      shoulderDepressionMm: at(60, 0.5),
      shoulderAbduction: at(130, 0.04),
      shoulderExternalRotation: at(130, -0.05),
      elbowFlexion: at(330, -0.08),
      forearmSupination: at(430, -0.04),
      wristFlexion: at(570, 0.12),
      wristUlnarDeviation: at(570, 0.1),
      thumbFlexion: at(640, 0.04),
    },
    sites: { spiralGroove: 220, elbow: 330, forearm: 480, wrist: 550 },
  },
} as const satisfies Record<string, NerveBed>
export type BeddedNerve = keyof typeof NERVE_BEDS

/** How much each motion lengthens the bed, mm, with its place along the nerve; motions that do not touch it are left out. */
export function bedChanges(
  nerve: BeddedNerve,
  moves: NerveMoves,
): { readonly motion: NerveMotion; readonly atMm: number; readonly changeMm: number }[] {
  const bed: NerveBed = bedOf(nerve)
  return (Object.entries(moves) as [NerveMotion, number][]).flatMap(([motion, change]) => {
    if (!Object.hasOwn(NERVE_MOTIONS, motion))
      throw new CoreError(
        'DOCUMENT_INVALID',
        `moves.${motion}`,
        `Expected motions of ${Object.keys(NERVE_MOTIONS).join(', ')}, found "${motion}".`,
      )
    within(change, `moves.${motion}`, NERVE_MOTIONS[motion])
    const crossing = bed.crossings[motion]
    const changeMm = crossing ? crossing.perUnit.value * change : 0
    return changeMm === 0 ? [] : [{ motion, atMm: crossing!.atMm, changeMm }]
  })
}

export function bedOf(nerve: string): NerveBed {
  if (!Object.hasOwn(NERVE_BEDS, nerve))
    throw new CoreError(
      'DOCUMENT_INVALID',
      'nerve',
      `Expected one of ${Object.keys(NERVE_BEDS).join(', ')}, found "${nerve}".`,
    )
  return NERVE_BEDS[nerve as BeddedNerve]
}
