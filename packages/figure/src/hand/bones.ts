/** Bones that carry the drawn hand, in the order the mesh counts them. The elbow end of the forearm never turns. */
export const BONES = [
  'elbowEnd',
  'forearm',
  'hand',
  'thumbMetacarpal',
  'thumbProximal',
  'thumbDistal',
  'indexMetacarpal',
  'indexProximal',
  'indexMiddle',
  'indexDistal',
  'middleMetacarpal',
  'middleProximal',
  'middleMiddle',
  'middleDistal',
  'ringMetacarpal',
  'ringProximal',
  'ringMiddle',
  'ringDistal',
  'littleMetacarpal',
  'littleProximal',
  'littleMiddle',
  'littleDistal',
] as const
export type Bone = (typeof BONES)[number]

export const FINGERS = ['index', 'middle', 'ring', 'little'] as const
export type Finger = (typeof FINGERS)[number]
export const DIGITS = ['thumb', ...FINGERS] as const
export type Digit = (typeof DIGITS)[number]

export type Triple = readonly [number, number, number]
/** A rotation as x, y, z, w. */
export type Turn = readonly [number, number, number, number]

/**
 * Where a bone begins and how it lies, in mm, in the frame of a left wrist: +x to the thumb, +y to the back of the hand,
 * −z to the fingertips. The bone's own −z runs to the next joint and its +y to the back.
 */
export interface BoneFrame {
  readonly at: Triple
  readonly turn: Turn
}
