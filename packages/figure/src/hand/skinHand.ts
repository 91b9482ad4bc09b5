import { Quaternion } from 'three'
import { BIND_FRAMES, type HandFrames } from '../pose/handFrames.js'
import { BONES } from './bones.js'
import type { HandMesh } from './handFile.js'

/** How far nails and creases lie above the skin, mm, so that they are not hidden in it. */
const ABOVE_SKIN_MM = 0.22

/** Carries the skin of the hand with its bones; the arrays are its own and are written anew each time. */
export class HandSkin {
  readonly places: Float32Array
  readonly normals: Float32Array
  readonly #turns = new Float64Array(BONES.length * 4)
  readonly #moves = new Float64Array(BONES.length * 4)

  constructor(readonly mesh: HandMesh) {
    this.places = new Float32Array(mesh.places.length)
    this.normals = new Float32Array(mesh.places.length)
  }

  /**
   * Skins by dual quaternions: a joint that bends far keeps its thickness, and a forearm that turns does not narrow.
   * Normals are computed anew from the triangles; nails and creases follow the three vertices they lie between.
   */
  carry(frames: HandFrames): void {
    this.#readBones(frames)
    this.#carrySkin()
    this.#findNormals()
    this.#carrySpots()
  }

  #readBones(frames: HandFrames): void {
    const turn = new Quaternion()
    BONES.forEach((bone, place) => {
      const [from, to] = [BIND_FRAMES[bone], frames[bone]]
      turn.copy(to.turn).multiply(from.turn.clone().invert())
      const moved = to.at.clone().sub(from.at.clone().applyQuaternion(turn))
      const [x, y, z, w] = [turn.x, turn.y, turn.z, turn.w]
      const at = place * 4
      this.#turns.set([x, y, z, w], at)
      this.#moves[at] = 0.5 * (moved.x * w + moved.y * z - moved.z * y)
      this.#moves[at + 1] = 0.5 * (-moved.x * z + moved.y * w + moved.z * x)
      this.#moves[at + 2] = 0.5 * (moved.x * y - moved.y * x + moved.z * w)
      this.#moves[at + 3] = -0.5 * (moved.x * x + moved.y * y + moved.z * z)
    })
  }

  #carrySkin(): void {
    const { mesh, places } = this
    const [turns, moves] = [this.#turns, this.#moves]
    for (let v = 0; v < mesh.skinCount; v += 1) {
      let [rx, ry, rz, rw, dx, dy, dz, dw] = [0, 0, 0, 0, 0, 0, 0, 0]
      const first = mesh.bones[v * 8]! * 4
      for (let k = 0; k < 8; k += 1) {
        let weight = mesh.weights[v * 8 + k]!
        if (weight === 0) break
        const b = mesh.bones[v * 8 + k]! * 4
        // A rotation and its negative are the same turn; blended, they must lie on one side.
        const side =
          turns[b]! * turns[first]! +
          turns[b + 1]! * turns[first + 1]! +
          turns[b + 2]! * turns[first + 2]! +
          turns[b + 3]! * turns[first + 3]!
        if (side < 0) weight = -weight
        rx += turns[b]! * weight
        ry += turns[b + 1]! * weight
        rz += turns[b + 2]! * weight
        rw += turns[b + 3]! * weight
        dx += moves[b]! * weight
        dy += moves[b + 1]! * weight
        dz += moves[b + 2]! * weight
        dw += moves[b + 3]! * weight
      }
      const scale = 1 / Math.sqrt(rx * rx + ry * ry + rz * rz + rw * rw)
      rx *= scale
      ry *= scale
      rz *= scale
      rw *= scale
      dx *= scale
      dy *= scale
      dz *= scale
      dw *= scale
      const at = v * 3
      const [x, y, z] = [mesh.places[at]!, mesh.places[at + 1]!, mesh.places[at + 2]!]
      const cx = ry * z - rz * y + rw * x
      const cy = rz * x - rx * z + rw * y
      const cz = rx * y - ry * x + rw * z
      places[at] = x + 2 * (ry * cz - rz * cy + rw * dx - dw * rx + ry * dz - rz * dy)
      places[at + 1] = y + 2 * (rz * cx - rx * cz + rw * dy - dw * ry + rz * dx - rx * dz)
      places[at + 2] = z + 2 * (rx * cy - ry * cx + rw * dz - dw * rz + rx * dy - ry * dx)
    }
  }

  #findNormals(): void {
    const { mesh, places, normals } = this
    normals.fill(0)
    const triangles = mesh.skinTriangles
    for (let t = 0; t < triangles.length; t += 3) {
      const [a, b, c] = [triangles[t]! * 3, triangles[t + 1]! * 3, triangles[t + 2]! * 3]
      const [ax, ay, az] = [places[a]!, places[a + 1]!, places[a + 2]!]
      const [ux, uy, uz] = [places[b]! - ax, places[b + 1]! - ay, places[b + 2]! - az]
      const [wx, wy, wz] = [places[c]! - ax, places[c + 1]! - ay, places[c + 2]! - az]
      const [nx, ny, nz] = [uy * wz - uz * wy, uz * wx - ux * wz, ux * wy - uy * wx]
      normals[a]! += nx
      normals[a + 1]! += ny
      normals[a + 2]! += nz
      normals[b]! += nx
      normals[b + 1]! += ny
      normals[b + 2]! += nz
      normals[c]! += nx
      normals[c + 1]! += ny
      normals[c + 2]! += nz
    }
    for (let at = 0; at < mesh.skinCount * 3; at += 3) {
      const [x, y, z] = [normals[at]!, normals[at + 1]!, normals[at + 2]!]
      const scale = 1 / (Math.sqrt(x * x + y * y + z * z) || 1)
      normals[at] = x * scale
      normals[at + 1] = y * scale
      normals[at + 2] = z * scale
    }
  }

  #carrySpots(): void {
    const { mesh, places, normals } = this
    const { spotVertices, spotShares, skinCount } = mesh
    for (let spot = 0; spot * 3 < spotVertices.length; spot += 1) {
      const to = (skinCount + spot) * 3
      for (let axis = 0; axis < 3; axis += 1) {
        let [place, normal] = [0, 0]
        for (let k = 0; k < 3; k += 1) {
          const from = spotVertices[spot * 3 + k]! * 3 + axis
          place += places[from]! * spotShares[spot * 3 + k]!
          normal += normals[from]! * spotShares[spot * 3 + k]!
        }
        normals[to + axis] = normal
        places[to + axis] = place + normal * ABOVE_SKIN_MM
      }
    }
  }
}
