import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { Vector3 } from 'three'
import { beforeAll, describe, expect, it } from 'vitest'
import { bakeHand } from '../../bake/bakeHand.js'
import { figurePose } from '../pose/figurePose.js'
import { BIND_FRAMES, handFrames } from '../pose/handFrames.js'
import { BONES } from './bones.js'
import { decodeHand, encodeHand, type HandMesh } from './handFile.js'
import { loopSubdivision } from './loopSubdivision.js'
import { HandSkin } from './skinHand.js'

const path = (name: string) => fileURLToPath(new URL(name, import.meta.url))
const file = new Uint8Array(readFileSync(path('../../asset/hand.bin')))
let mesh: HandMesh
beforeAll(() => {
  mesh = decodeHand(file)
})
const place = (from: Float32Array, v: number) => new Vector3().fromArray(from, v * 3)

describe('the hand’s file', () => {
  it('is what the bake makes of the model', async () => {
    const baked = await bakeHand()
    expect(Buffer.from(baked.file).equals(Buffer.from(file))).toBe(true)
    expect(readFileSync(path('./bindPose.ts'), 'utf8')).toBe(baked.bindPose)
  })
  it('cut short is refused, not half read', () => {
    for (const share of [0.2, 0.6, 0.999])
      expect(() => decodeHand(file.subarray(0, Math.floor(file.length * share)))).toThrow(RangeError)
  })
  it('keeps places to a hundredth of a millimeter and weights to a 255th', () => {
    const bare = {
      places: [1.234, -5.678, 90.12, 0, 0, 0, 10, 0, 0],
      weights: [0, 1, 2].map((k) => BONES.map((_, bone) => (bone === k ? 0.75 : bone === k + 1 ? 0.25 : 0))),
      triangles: [0, 1, 2],
      spots: [{ triangle: 0, u: 0.5, v: 0.25 }],
      nails: [],
      creases: [],
    }
    const read = decodeHand(encodeHand(bare))
    // One triangle is all border: subdivision keeps its corners on the line to their neighbors.
    expect(read.skinCount).toBe(6)
    expect(read.skinTriangles.length / 3).toBe(4)
    expect([...read.spotShares]).toEqual([0.25, 0.5, 0.25].map((share) => expect.closeTo(share, 2)))
  })
  it('has a skin that is closed: every edge belongs to two triangles', () => {
    const edges = new Map<string, number>()
    const { skinTriangles } = mesh
    for (let t = 0; t < skinTriangles.length; t += 3)
      for (let k = 0; k < 3; k += 1) {
        const [a, b] = [skinTriangles[t + k]!, skinTriangles[t + ((k + 1) % 3)]!]
        const name = a < b ? `${a} ${b}` : `${b} ${a}`
        edges.set(name, (edges.get(name) ?? 0) + 1)
      }
    expect(new Set(edges.values())).toEqual(new Set([2]))
  })
  it('has weights that add up to 1', () => {
    for (let v = 0; v < mesh.skinCount; v += 1) {
      const sum = mesh.weights.subarray(v * 8, v * 8 + 8).reduce((total, one) => total + one, 0)
      expect(sum).toBeCloseTo(1, 5)
    }
  })
})

describe('subdivision', () => {
  // Source: LOOP-1987: a regular vertex of valence 6 keeps 5/8 of itself, an edge takes 3/8, 3/8, 1/8, 1/8.
  it('weighs as Loop’s scheme does', () => {
    const around = [0, 1, 2, 3, 4, 5]
    const ring = around.flatMap((k) => [Math.cos((k * Math.PI) / 3), Math.sin((k * Math.PI) / 3), 0])
    const values = new Float32Array([0, 0, 8, ...ring])
    const triangles = new Uint16Array(around.flatMap((k) => [0, 1 + k, 1 + ((k + 1) % 6)]))
    const fine = loopSubdivision({ size: 3, values, triangles })
    expect(fine.values[2]).toBeCloseTo(8 * (5 / 8), 6)
    // The new point on the first spoke: between the raised middle and its rim.
    expect(fine.values[7 * 3 + 2]).toBeCloseTo(8 * (3 / 8), 6)
    expect(fine.triangles.length).toBe(triangles.length * 4)
  })
})

describe('the skin', () => {
  it('stays where it was modelled when no joint moves', () => {
    const skin = new HandSkin(mesh)
    skin.carry(BIND_FRAMES)
    for (let v = 0; v < mesh.skinCount; v += 7)
      expect(place(skin.places, v).distanceTo(place(mesh.places, v))).toBeLessThan(1e-3)
  })
  it('goes rigidly with a bone that carries it alone', () => {
    const frames = handFrames(
      figurePose({ mcpFlexion: 85, pipFlexion: 100, dipFlexion: 65, wristFlexion: 40 }),
    )
    const skin = new HandSkin(mesh)
    skin.carry(frames)
    let checked = 0
    for (let v = 0; v < mesh.skinCount; v += 1) {
      if (mesh.weights[v * 8]! < 0.9999) continue
      const bone = BONES[mesh.bones[v * 8]!]!
      const [from, to] = [BIND_FRAMES[bone], frames[bone]]
      const expected = place(mesh.places, v)
        .sub(from.at)
        .applyQuaternion(from.turn.clone().invert())
        .applyQuaternion(to.turn)
        .add(to.at)
      expect(place(skin.places, v).distanceTo(expected)).toBeLessThan(1e-2)
      checked += 1
    }
    expect(checked).toBeGreaterThan(400)
  })
  it('keeps a finger’s thickness over a bent joint, and a turned forearm’s', () => {
    const thickness = (
      frames: ReturnType<typeof handFrames>,
      bone: 'indexMiddle' | 'forearm',
      alongMm: number,
    ) => {
      const skin = new HandSkin(mesh)
      skin.carry(frames)
      const { at, turn } = frames[bone]
      const back = turn.clone().invert()
      let widest = 0
      for (let v = 0; v < mesh.skinCount; v += 1) {
        const local = place(skin.places, v).sub(at).applyQuaternion(back)
        if (Math.abs(-local.z - alongMm) > 4 || local.length() > 60) continue
        if (bone === 'indexMiddle' && Math.abs(local.x) > 13) continue
        widest = Math.max(widest, Math.abs(local.x))
      }
      return widest
    }
    const [flat, bent] = [0, 100].map((pipFlexion) =>
      handFrames(figurePose({ mcpFlexion: 0, pipFlexion, dipFlexion: 0 })),
    )
    expect(thickness(bent!, 'indexMiddle', 10)).toBeGreaterThan(thickness(flat!, 'indexMiddle', 10) * 0.9)
    const [neutral, turned] = [0, 80].map((forearmSupination) =>
      handFrames(figurePose({ forearmSupination })),
    )
    expect(thickness(turned!, 'forearm', -40)).toBeGreaterThan(thickness(neutral!, 'forearm', -40) * 0.9)
  })
  it('has normals of length 1 that look outward', () => {
    const skin = new HandSkin(mesh)
    skin.carry(handFrames(figurePose({ mcpFlexion: 60, pipFlexion: 60, dipFlexion: 30 })))
    let volume = 0
    for (let t = 0; t < mesh.skinTriangles.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => place(skin.places, mesh.skinTriangles[t + k]!))
      volume += a!.dot(b!.clone().cross(c!)) / 6
    }
    // A hand and forearm of about 1.2 liters; inside out the sign would be the other.
    expect(volume / 1e6).toBeGreaterThan(0.8)
    expect(volume / 1e6).toBeLessThan(2)
    for (let v = 0; v < mesh.skinCount; v += 11) expect(place(skin.normals, v).length()).toBeCloseTo(1, 4)
  })
  it('carries nails on the back and creases on the palm', () => {
    const skin = new HandSkin(mesh)
    skin.carry(BIND_FRAMES)
    const mean = (list: Uint16Array) =>
      [...list].reduce((sum, v) => sum + place(skin.normals, v).y, 0) / list.length
    expect(mean(mesh.nails)).toBeGreaterThan(0.3)
    expect(mesh.creases.length / 3).toBeGreaterThan(800)
    const palmar = [...mesh.creases].filter((v) => place(skin.normals, v).y < 0).length
    expect(palmar / mesh.creases.length).toBeGreaterThan(0.4)
  })
})
