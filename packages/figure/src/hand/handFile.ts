import { BONES } from './bones.js'
import { loopSubdivision } from './loopSubdivision.js'

/** A point that rides on the skin: a triangle of the drawn skin and where in it. */
export interface Spot {
  readonly triangle: number
  readonly u: number
  readonly v: number
}

/** What the file holds: the coarse skin before subdivision, and the nails and creases placed on the drawn one. */
export interface CoarseHand {
  readonly places: readonly number[]
  /** One row a vertex, one column a bone of `BONES`; rows add up to 1. */
  readonly weights: readonly ArrayLike<number>[]
  readonly triangles: readonly number[]
  readonly spots: readonly Spot[]
  readonly nails: readonly number[]
  readonly creases: readonly number[]
}

/** The hand as it is drawn: a left hand in the frame of its wrist, mm. */
export interface HandMesh {
  /** How many of the places are skin; the spots of nails and creases follow them. */
  readonly skinCount: number
  readonly places: Float32Array
  /** Eight a vertex of skin. */
  readonly bones: Uint8Array
  readonly weights: Float32Array
  readonly skinTriangles: Uint16Array
  /** For each spot the three vertices it lies between and its shares of them. */
  readonly spotVertices: Uint16Array
  readonly spotShares: Float32Array
  readonly nails: Uint16Array
  readonly creases: Uint16Array
}

const BONES_A_VERTEX = 8
/** Places are kept in hundredths of a millimeter. */
const STEP_MM = 0.01

/**
 * Writes the hand's file: five counts, then places, weights, triangles and marks in little endian. It keeps the coarse mesh;
 * the app subdivides it when it reads it, which is a fifth of the download.
 */
export function encodeHand(hand: CoarseHand): Uint8Array {
  const count = hand.places.length / 3
  const numbers: { bytes: 1 | 2; values: number[] }[] = [
    {
      bytes: 2,
      values: [
        count,
        hand.triangles.length / 3,
        hand.spots.length,
        hand.nails.length / 3,
        hand.creases.length / 3,
      ],
    },
    { bytes: 2, values: hand.places.map((mm) => Math.round(mm / STEP_MM)) },
    { bytes: 2, values: [...hand.triangles] },
    { bytes: 2, values: hand.spots.map(({ triangle }) => triangle) },
    { bytes: 2, values: [...hand.nails] },
    { bytes: 2, values: [...hand.creases] },
    { bytes: 1, values: hand.spots.flatMap(({ u, v }) => [Math.round(u * 255), Math.round(v * 255)]) },
    { bytes: 1, values: hand.weights.flatMap(sparse) },
  ]
  const length = numbers.reduce((sum, { bytes, values }) => sum + bytes * values.length, 0)
  const view = new DataView(new ArrayBuffer(length))
  let at = 0
  for (const { bytes, values } of numbers)
    for (const value of values) {
      if (bytes === 2) view.setInt16(at, value, true)
      else view.setUint8(at, value)
      at += bytes
    }
  return new Uint8Array(view.buffer)
}

/** A row of weights as pairs of bone and 255ths, the heaviest first, 255 as the end. */
function sparse(row: ArrayLike<number>): number[] {
  const kept = Array.from(row, (weight, bone) => ({ bone, weight }))
    .filter(({ weight }) => weight > 0.004)
    .sort((a, b) => b.weight - a.weight)
    .slice(0, BONES_A_VERTEX)
  const sum = kept.reduce((total, { weight }) => total + weight, 0)
  return [...kept.flatMap(({ bone, weight }) => [bone, Math.round((weight / sum) * 255)]), 255]
}

/**
 * Reads the hand's file and subdivides the skin once.
 *
 * @throws RangeError for a file that is cut short
 */
export function decodeHand(file: Uint8Array): HandMesh {
  const view = new DataView(file.buffer, file.byteOffset, file.byteLength)
  let at = 0
  const int16 = () => {
    const value = view.getInt16(at, true)
    at += 2
    return value
  }
  const byte = () => view.getUint8(at++)
  const many = <T>(count: number, read: () => T): T[] => Array.from({ length: count }, read)
  const [count, triangleCount, spotCount, nailCount, creaseCount] = many(5, int16) as [
    number,
    number,
    number,
    number,
    number,
  ]
  const size = 3 + BONES.length
  const values = new Float32Array(count * size)
  for (let v = 0; v < count; v += 1) for (let k = 0; k < 3; k += 1) values[v * size + k] = int16() * STEP_MM
  const triangles = new Uint16Array(many(triangleCount * 3, int16))
  const spotTriangles = many(spotCount, int16)
  const nails = many(nailCount * 3, int16)
  const creases = many(creaseCount * 3, int16)
  const shares = many(spotCount * 2, () => byte() / 255)
  for (let v = 0; v < count; v += 1)
    for (let bone = byte(); bone !== 255; bone = byte()) values[v * size + 3 + bone] = byte() / 255

  const fine = loopSubdivision({ size, values, triangles })
  const skinCount = fine.values.length / size
  const places = new Float32Array((skinCount + spotCount) * 3)
  const bones = new Uint8Array(skinCount * BONES_A_VERTEX)
  const weights = new Float32Array(skinCount * BONES_A_VERTEX)
  for (let v = 0; v < skinCount; v += 1) {
    places.set(fine.values.subarray(v * size, v * size + 3), v * 3)
    const row = fine.values.subarray(v * size + 3, (v + 1) * size)
    const heaviest = Array.from(row, (_, bone) => bone)
      .sort((a, b) => row[b]! - row[a]!)
      .slice(0, BONES_A_VERTEX)
    const sum = heaviest.reduce((total, bone) => total + row[bone]!, 0)
    heaviest.forEach((bone, k) => {
      bones[v * BONES_A_VERTEX + k] = bone
      weights[v * BONES_A_VERTEX + k] = row[bone]! / sum
    })
  }
  const spotVertices = new Uint16Array(spotCount * 3)
  const spotShares = new Float32Array(spotCount * 3)
  spotTriangles.forEach((triangle, spot) => {
    spotVertices.set(fine.triangles.subarray(triangle * 3, triangle * 3 + 3), spot * 3)
    const [u, v] = [shares[spot * 2]!, shares[spot * 2 + 1]!]
    spotShares.set([1 - u - v, u, v], spot * 3)
  })
  const beyondSkin = (list: readonly number[]) => new Uint16Array(list.map((spot) => spot + skinCount))
  return {
    skinCount,
    places,
    bones,
    weights,
    skinTriangles: fine.triangles,
    spotVertices,
    spotShares,
    nails: beyondSkin(nails),
    creases: beyondSkin(creases),
  }
}
