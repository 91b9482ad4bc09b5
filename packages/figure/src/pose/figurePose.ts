import { type AngleName, type Pose, REST_ANGLES } from '@pledge/core'
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

/** From these bends on fingers make a fist, and a thumb nobody stated lies across them. */
const FIST_DEG = { mcpFlexion: 60, pipFlexion: 75 }
const THUMB_ON_FIST: ThumbAngles = { radial: 7, palmar: 55, turn: 14, mcp: 41, ip: 60 }
/** The metacarpal turns toward the fingers as it comes forward: degrees of turn for a degree of palmar abduction. */
const TURN_BY_PALMAR = 0.35

/**
 * All joints of a catalogue pose as they are drawn. A joint the pose does not state is at rest, never at the value of
 * another pose. Where thumb and finger meet, the drawn angles are those at which they do on this mesh (`contactPoses`):
 * adjusted for the picture, never for a rule.
 *
 * @param moving - the fingers the exercise moves; the others stay as `still` has them
 */
export function figurePose(pose: Pose, moving: readonly Finger[] = FINGERS, still: Pose = pose): FigurePose {
  const stated = (name: AngleName) => pose[name]
  const angle = (name: AngleName) => stated(name) ?? REST_ANGLES[name]
  const contact = pose.opposition === undefined ? null : contactAt(pose.opposition)
  const fingers = Object.fromEntries(
    FINGERS.map((finger) => {
      const own = moving.includes(finger) ? pose : still
      const met = moving.includes(finger) ? contact?.fingers[finger] : undefined
      return [finger, met ?? fingerOf(own, finger)]
    }),
  ) as Record<Finger, FingerAngles>
  return {
    forearmSupination: angle('forearmSupination'),
    wristFlexion: angle('wristFlexion'),
    wristUlnarDeviation: angle('wristUlnarDeviation'),
    fingers,
    thumb: thumbOf(pose, contact),
    body: {
      elbowFlexion: angle('elbowFlexion'),
      shoulderFlexion: angle('shoulderFlexion'),
      shoulderAbduction: angle('shoulderAbduction'),
      shoulderInternalRotation: angle('shoulderInternalRotation'),
      neckSideBend: angle('neckSideBend'),
    },
  }
}

function fingerOf(pose: Pose, finger: Finger): FingerAngles {
  const cascade = (name: 'mcpFlexion' | 'pipFlexion' | 'dipFlexion', share: number) =>
    pose[name] ?? REST_ANGLES[name] + REST_CASCADE[finger] * share
  return {
    mcp: cascade('mcpFlexion', 0.7),
    pip: cascade('pipFlexion', 1),
    dip: cascade('dipFlexion', 0.4),
    spread: pose.fingerSpread ?? REST_ANGLES.fingerSpread,
  }
}

function thumbOf(pose: Pose, contact: Contact | null): ThumbAngles {
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
  if (isFist && !states('thumbRadialAbduction') && !states('thumbPalmarAbduction')) return THUMB_ON_FIST
  return freeThumb(pose)
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
