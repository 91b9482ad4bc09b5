import { Vector3 } from 'three'
import { BONES, DIGITS, FINGERS, type Bone, type Digit } from '../src/hand/bones.js'
import type { ModelledHand } from './readHand.js'

const at = (bone: Bone) => BONES.indexOf(bone)
const smooth = (from: number, to: number, value: number) => {
  const t = Math.min(1, Math.max(0, (value - from) / (to - from)))
  return t * t * (3 - 2 * t)
}

/** Subdivision shrinks what is thin; the fingers are made thicker first so that they come out as they were modelled. */
const THICKER: Readonly<Record<Digit, number>> = {
  thumb: 0.06,
  index: 0.14,
  middle: 0.14,
  ring: 0.14,
  little: 0.14,
}
export function thickenDigits(hand: ModelledHand): void {
  for (const digit of DIGITS) {
    const bones = (['Proximal', 'Middle', 'Distal'] as const)
      .map((segment) => `${digit}${segment}` as Bone)
      .filter((bone) => BONES.includes(bone))
    const joints = [...bones.map((bone) => new Vector3(...hand.frames.get(bone)!.at)), hand.tips.get(digit)!]
    hand.places.forEach((place, v) => {
      const share = bones.reduce((sum, bone) => sum + hand.weights[v]![at(bone)]!, 0)
      if (share < 0.01) return
      let nearest = joints[0]!
      for (let k = 0; k + 1 < joints.length; k += 1) {
        const along = joints[k + 1]!.clone().sub(joints[k]!)
        const t = Math.min(1, Math.max(0, place.clone().sub(joints[k]!).dot(along) / along.lengthSq()))
        const point = joints[k]!.clone().addScaledVector(along, t)
        if (point.distanceTo(place) < nearest.distanceTo(place)) nearest = point
      }
      place.addScaledVector(place.clone().sub(nearest), THICKER[digit] * share)
    })
  }
}

/** The palm follows its bones softly: with the weights of the model it tears when the thumb or a metacarpal moves. */
const ROUNDS = 8
export function softenPalm(hand: ModelledHand): void {
  const palm: Bone[] = ['hand', ...DIGITS.map((digit) => `${digit}Metacarpal` as Bone)]
  const around: Set<number>[] = hand.places.map(() => new Set())
  for (const [a, b, c] of hand.triangles) {
    around[a]!.add(b).add(c)
    around[b]!.add(a).add(c)
    around[c]!.add(a).add(b)
  }
  const share = hand.weights.map((row) => palm.reduce((sum, bone) => sum + row[at(bone)]!, 0))
  for (let round = 0; round < ROUNDS; round += 1) {
    const before = hand.weights.map((row) => row.slice())
    hand.weights.forEach((row, v) => {
      const soft = 0.6 * smooth(0.3, 1, share[v]!)
      if (soft === 0) return
      for (let b = 0; b < row.length; b += 1) {
        let mean = 0
        for (const other of around[v]!) mean += before[other]![b]! / around[v]!.size
        row[b] = before[v]![b]! * (1 - soft) + mean * soft
      }
    })
  }
}

/** Half widths of the forearm, mm: distance from the wrist, to thumb and little finger, to back and palm. */
const FOREARM: readonly (readonly [number, number, number])[] = [
  [16, 26.5, 18.5],
  [30, 26, 19],
  [50, 27, 21],
  [75, 30, 25],
  [105, 35, 31],
  [135, 39.5, 36],
  [165, 42, 39],
  [195, 42.5, 40.5],
  [222, 41, 41],
  [242, 38, 39],
  [256, 31, 32],
  [265, 18, 19],
]
/** Where the model's closed wrist is cut off. */
const CUT_Z = 7

/** Takes the wrist's cap off and lofts a forearm from its border, without a seam. */
export function addForearm(hand: ModelledHand): void {
  hand.triangles.splice(
    0,
    hand.triangles.length,
    ...hand.triangles.filter((corners) => corners.every((v) => hand.places[v]!.z < CUT_Z)),
  )
  const next = new Map<number, number>()
  const sides = new Set(hand.triangles.flatMap(([a, b, c]) => [`${a} ${b}`, `${b} ${c}`, `${c} ${a}`]))
  for (const side of sides) {
    const [a, b] = side.split(' ').map(Number) as [number, number]
    if (!sides.has(`${b} ${a}`)) next.set(a, b)
  }
  const border = [[...next.keys()][0]!]
  while (next.get(border.at(-1)!) !== border[0]) border.push(next.get(border.at(-1)!)!)
  if (border.length !== next.size) throw new Error('The cut at the wrist has more than one border.')

  const middle = border
    .reduce((sum, v) => sum.add(hand.places[v]!), new Vector3())
    .divideScalar(border.length)
  const first = border.map((v) => Math.atan2(hand.places[v]!.y - middle.y, hand.places[v]!.x - middle.x))
  const turnsUp = Math.sin(first[1]! - first[0]!) > 0 ? 1 : -1
  let ring = border
  FOREARM.forEach(([z, wide, thick], place) => {
    const even = smooth(0, 4, place + 1)
    const made = border.map((v, k) => {
      const uniform = first[0]! + (turnsUp * 2 * Math.PI * k) / border.length
      const off = Math.atan2(Math.sin(uniform - first[k]!), Math.cos(uniform - first[k]!))
      const angle = first[k]! + off * even
      const spot = new Vector3(
        middle.x * (1 - even) + wide * Math.cos(angle),
        middle.y * (1 - even) + thick * Math.sin(angle),
        z,
      )
      const own = hand.places[v]!
      spot.x += (own.x - spot.x) * (1 - even) * 0.5
      spot.y += (own.y - spot.y) * (1 - even) * 0.5
      hand.places.push(spot)
      const row = new Float32Array(BONES.length)
      row[at('hand')] = 1
      hand.weights.push(row)
      return hand.places.length - 1
    })
    ring.forEach((a, k) => {
      const [b, c, d] = [ring[(k + 1) % ring.length]!, made[k]!, made[(k + 1) % made.length]!]
      hand.triangles.push([b, a, c], [b, c, d])
    })
    ring = made
  })
  hand.places.push(new Vector3(0, 0, FOREARM.at(-1)![0] + 2))
  const row = new Float32Array(BONES.length)
  row[at('hand')] = 1
  hand.weights.push(row)
  const end = hand.places.length - 1
  ring.forEach((a, k) => hand.triangles.push([ring[(k + 1) % ring.length]!, a, end]))
  shareWithForearm(hand)
}

/** The skin about the wrist goes over to the forearm, and along the forearm from where it turns to where it does not. */
function shareWithForearm(hand: ModelledHand): void {
  hand.places.forEach(({ z }, v) => {
    const row = hand.weights[v]!
    const forearm = smooth(-16, 18, z)
    const elbow = smooth(25, 235, z)
    for (let b = 0; b < row.length; b += 1) row[b]! *= 1 - forearm
    row[at('forearm')]! += forearm * (1 - elbow)
    row[at('elbowEnd')]! += forearm * elbow
  })
}

/** A finger never moves its neighbor's skin: the model has stray weights between the roots of the fingers. */
export function keepFingersApart(hand: ModelledHand): void {
  hand.weights.forEach((row) => {
    const shares = FINGERS.map((finger) =>
      (['Middle', 'Distal'] as const).reduce(
        (sum, segment) => sum + row[at(`${finger}${segment}` as Bone)]!,
        0,
      ),
    )
    const main = shares.indexOf(Math.max(...shares))
    if (shares[main]! < 0.5) return
    FINGERS.forEach((finger, k) => {
      if (k === main) return
      for (const segment of ['Proximal', 'Middle', 'Distal'] as const)
        row[at(`${finger}${segment}` as Bone)] = 0
    })
    const sum = row.reduce((total, one) => total + one, 0)
    for (let b = 0; b < row.length; b += 1) row[b]! /= sum
  })
}
