import { type AngleName, type Exercise, type Pose, REST_ANGLES } from '@pledge/core'
import { FINGERS, type Finger } from '../hand/bones.js'
import type { BodyAngles } from './bodyFrames.js'
import { type Contact, contactAt } from './contactPoses.js'
import type { FingerAngles, HandAngles, ThumbAngles } from './handAngles.js'

/** Every joint that is drawn. */
export interface FigurePose extends HandAngles {
  readonly body: BodyAngles
}

/** A hand at rest is not even: the fingers bend more toward the little finger. Added to joints nobody stated; degrees. */
const REST_CASCADE: Readonly<Record<Finger, number>> = { index: -9, middle: -3, ring: 3, little: 8 }

/**
 * From these bends on fingers make a fist. A thumb whose base nobody stated then lies beside them, where they do not run
 * through it; its hinges are bent no further than the exercise says: a thumb that must not move is not drawn moving.
 */
const FIST_DEG = { mcpFlexion: 60, pipFlexion: 75 }
const THUMB_BESIDE_FIST = { radial: 16, palmar: 48, turn: 8 }
/** The metacarpal turns toward the fingers as it comes forward: degrees of turn for a degree of palmar abduction. */
const TURN_BY_PALMAR = 0.35

type Grip = Exercise['grip']
/** How a hand closes on what it grips where the exercise states no finger or thumb; for the picture only. */
const GRIPS: Readonly<Partial<Record<Grip, { finger: Omit<FingerAngles, 'spread'>; thumb: ThumbAngles }>>> = {
  cylindrical: {
    finger: { mcp: 62, pip: 72, dip: 38 },
    thumb: { radial: 4, palmar: 52, turn: 20, mcp: 22, ip: 28 },
  },
  'full-fist': {
    finger: { mcp: 72, pip: 84, dip: 46 },
    thumb: { radial: 6, palmar: 54, turn: 16, mcp: 30, ip: 40 },
  },
  spherical: {
    finger: { mcp: 42, pip: 48, dip: 24 },
    thumb: { radial: 12, palmar: 50, turn: 24, mcp: 14, ip: 18 },
  },
  hook: {
    finger: { mcp: 28, pip: 88, dip: 44 },
    thumb: { radial: 18, palmar: 22, turn: 0, mcp: 14, ip: 20 },
  },
  lateral: {
    finger: { mcp: 42, pip: 62, dip: 28 },
    thumb: { radial: 4, palmar: 26, turn: 4, mcp: 16, ip: 22 },
  },
}
/** Grips in which the pads of thumb and finger meet, and the reach at which they do. */
const PINCH_REACH: Readonly<Partial<Record<Grip, number>>> = { tip: 3, 'pad-to-pad': 3, 'three-jaw': 3 }
/** In a three-jaw pinch the middle finger comes along with the index. */
const MIDDLE_IN_THREE_JAW: FingerAngles = { mcp: 58, pip: 50, dip: 14, spread: 0 }

/**
 * All joints of a catalogue pose as they are drawn. A joint the pose does not state is at rest, never at the value of
 * another pose. Where thumb and finger meet, the drawn angles are those at which they do on this mesh (`contactPoses`):
 * adjusted for the picture, never for a rule.
 *
 * @param moving - the fingers the exercise moves; the others stay as `still` has them
 */
export function figurePose(
  pose: Pose,
  moving: readonly Finger[] = FINGERS,
  still: Pose = pose,
  grip: Grip = 'none',
): FigurePose {
  const stated = (name: AngleName) => pose[name]
  const angle = (name: AngleName) => stated(name) ?? REST_ANGLES[name]
  const reach = pose.opposition ?? (isPinching(pose) ? PINCH_REACH[grip] : undefined)
  const contact = reach === undefined ? null : contactAt(reach)
  const fingers = Object.fromEntries(
    FINGERS.map((finger) => {
      const own = moving.includes(finger) ? pose : still
      const isThird = contact !== null && grip === 'three-jaw' && finger === 'middle'
      const met = isThird
        ? MIDDLE_IN_THREE_JAW
        : moving.includes(finger)
          ? contact?.fingers[finger]
          : undefined
      return [finger, met ?? fingerOf(own, finger, grip)]
    }),
  ) as Record<Finger, FingerAngles>
  return {
    forearmSupination: angle('forearmSupination'),
    wristFlexion: angle('wristFlexion'),
    wristUlnarDeviation: angle('wristUlnarDeviation'),
    fingers,
    thumb: thumbOf(pose, contact, grip),
    body: {
      elbowFlexion: angle('elbowFlexion'),
      shoulderFlexion: angle('shoulderFlexion'),
      shoulderAbduction: angle('shoulderAbduction'),
      shoulderInternalRotation: angle('shoulderInternalRotation'),
      neckSideBend: angle('neckSideBend'),
    },
  }
}

/** A hand that opens to take something does not pinch yet. */
function isPinching(pose: Pose): boolean {
  return (pose.mcpFlexion ?? 45) >= 30 && (pose.pipFlexion ?? 45) >= 30
}

function fingerOf(pose: Pose, finger: Finger, grip: Grip): FingerAngles {
  const gripped = GRIPS[grip]?.finger
  const cascade = (name: 'mcpFlexion' | 'pipFlexion' | 'dipFlexion', share: number) =>
    pose[name] ??
    gripped?.[name.replace('Flexion', '') as 'mcp' | 'pip' | 'dip'] ??
    REST_ANGLES[name] + REST_CASCADE[finger] * share
  return {
    mcp: cascade('mcpFlexion', 0.7),
    pip: cascade('pipFlexion', 1),
    dip: cascade('dipFlexion', 0.4),
    spread: pose.fingerSpread ?? REST_ANGLES.fingerSpread,
  }
}

function thumbOf(pose: Pose, contact: Contact | null, grip: Grip): ThumbAngles {
  const isFist =
    (pose.mcpFlexion ?? 0) >= FIST_DEG.mcpFlexion && (pose.pipFlexion ?? 0) >= FIST_DEG.pipFlexion
  const states = (name: AngleName) => pose[name] !== undefined
  if (contact)
    return {
      ...contact.thumb,
      // Where nothing is touched by the tips, the stated hinges count.
      ...(!contact.isTipToTip && states('thumbMcpFlexion') ? { mcp: pose.thumbMcpFlexion! } : {}),
      ...(!contact.isTipToTip && states('thumbIpFlexion') ? { ip: pose.thumbIpFlexion! } : {}),
    }
  const gripping = GRIPS[grip]?.thumb
  if (gripping && !states('thumbRadialAbduction') && !states('thumbPalmarAbduction'))
    return {
      ...gripping,
      mcp: pose.thumbMcpFlexion ?? gripping.mcp,
      ip: pose.thumbIpFlexion ?? gripping.ip,
    }
  const free = freeThumb(pose)
  const isBaseFree = !states('thumbRadialAbduction') && !states('thumbPalmarAbduction')
  return isFist && isBaseFree ? { ...free, ...THUMB_BESIDE_FIST } : free
}

function freeThumb(pose: Pose): ThumbAngles {
  const palmar = pose.thumbPalmarAbduction ?? REST_ANGLES.thumbPalmarAbduction
  return {
    radial: pose.thumbRadialAbduction ?? REST_ANGLES.thumbRadialAbduction,
    palmar,
    turn: Math.max(0, palmar - REST_ANGLES.thumbPalmarAbduction) * TURN_BY_PALMAR,
    mcp: pose.thumbMcpFlexion ?? REST_ANGLES.thumbMcpFlexion,
    ip: pose.thumbIpFlexion ?? REST_ANGLES.thumbIpFlexion,
  }
}
