import type { Zone } from '@pledge/core'
import { Quaternion, Vector3 } from 'three'
import { BIND_FRAMES } from '../pose/handFrames.js'
import { BONES, type Bone, DIGITS, type Digit } from './bones.js'
import type { HandMesh } from './handFile.js'
import { HandSkin } from './skinHand.js'

const PART_OF = { Proximal: 'base', Middle: 'mid', Distal: 'tip' } as const
/** How far the pads of thumb and little finger and the strip between them reach, mm from the wrist. */
const HEEL = { thumb: 62, little: 46, middle: 30 }
/** The crease of the wrist lies this far beyond its center, and the band of the wrist ends this far above it, mm. */
const WRIST = { crease: 8, band: 50 }
/** The web is where thumb and index both carry the skin, beyond this distance from the wrist, mm. */
const WEB_FROM = 52

/**
 * The zone of each vertex of the drawn skin; `null` beyond the wrist. A digit's zones end at its joints and meet in its middle line;
 * those of palm and back lie between the bones below them.
 *
 * Source: `locate.md` A1.
 */
export function skinZones(mesh: HandMesh): readonly (Zone | null)[] {
  const skin = new HandSkin(mesh)
  skin.carry(BIND_FRAMES)
  const [at, normal] = [new Vector3(), new Vector3()]
  return Array.from({ length: mesh.skinCount }, (_, v) => {
    at.fromArray(skin.places, v * 3)
    normal.fromArray(skin.normals, v * 3)
    return zoneAt(heaviestBone(mesh, v), webShare(mesh, v), at, normal)
  })
}

function heaviestBone(mesh: HandMesh, v: number): Bone {
  let best = 0
  for (let k = 1; k < 8; k += 1) if (mesh.weights[v * 8 + k]! > mesh.weights[v * 8 + best]!) best = k
  return BONES[mesh.bones[v * 8 + best]!]!
}

/** How much of a vertex the thumb's bones carry: where it is neither much nor little, the skin spans the web. */
function webShare(mesh: HandMesh, v: number): number {
  let share = 0
  for (let k = 0; k < 8; k += 1)
    if (BONES[mesh.bones[v * 8 + k]!]!.startsWith('thumb')) share += mesh.weights[v * 8 + k]!
  return share
}

function zoneAt(bone: Bone, thumbShare: number, at: Vector3, normal: Vector3): Zone | null {
  const digit = DIGITS.find((one) => bone.startsWith(one))
  const part = digit && PART_OF[bone.slice(digit.length) as keyof typeof PART_OF]
  if (digit && part) {
    const { at: joint, turn } = BIND_FRAMES[bone]
    const into = new Quaternion().copy(turn).invert()
    const across = at.clone().sub(joint).applyQuaternion(into).x
    const face = normal.clone().applyQuaternion(into).y > 0 ? 'back' : 'front'
    return `${digit}.${part}.${face}.${across > 0 ? 'radial' : 'ulnar'}` as Zone
  }
  const isBack = normal.y > 0
  const beyond = -at.z
  if (beyond < WRIST.crease)
    return beyond < WRIST.crease - WRIST.band ? null : isBack ? 'wristBack' : 'wristFront'
  if (thumbShare > 0.28 && thumbShare < 0.75 && beyond > WEB_FROM) return isBack ? 'webBack' : 'webFront'
  return isBack ? backZone(at) : palmZone(at, digit === 'thumb')
}

/** Where a ray of the hand lies at a height of the palm: on the line from its metacarpal's base to its knuckle. */
function rayX(digit: Exclude<Digit, 'thumb'>, z: number): number {
  const [from, to] = [BIND_FRAMES[`${digit}Metacarpal`].at, BIND_FRAMES[`${digit}Proximal`].at]
  return from.x + ((to.x - from.x) * (z - from.z)) / (to.z - from.z)
}

function palmZone({ x, z }: Vector3, isThumbPad: boolean): Zone {
  const beyond = -z
  const between = (a: Exclude<Digit, 'thumb'>, b: Exclude<Digit, 'thumb'>) => (rayX(a, z) + rayX(b, z)) / 2
  if (isThumbPad || (beyond < HEEL.thumb && x > between('index', 'middle'))) return 'heelThumb'
  const isLittle = x < between('ring', 'little')
  if (isLittle) return beyond < HEEL.little ? 'heelLittle' : 'palmLittleSide'
  if (beyond < HEEL.middle) return 'heelMiddle'
  return x > between('index', 'middle') ? 'palmThumbSide' : 'palmMiddle'
}

function backZone({ x, z }: Vector3): Zone {
  if (x > (rayX('index', z) + rayX('middle', z)) / 2) return 'backThumbSide'
  return x > rayX('ring', z) ? 'backMiddle' : 'backLittleSide'
}
