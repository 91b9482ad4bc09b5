import type { Orthosis } from '@pledge/core'
import { BufferAttribute, BufferGeometry, DynamicDrawUsage, Group, Mesh, MeshStandardMaterial } from 'three'
import { BONES, type Bone, type Finger, FINGERS } from '../hand/bones.js'
import type { HandMesh } from '../hand/handFile.js'
import type { HandSkin } from '../hand/skinHand.js'
import { outlineMaterial } from './handObject.js'
import { LOOK } from './look.js'

/** Where an orthosis lies on the skin: which segments, on which side, and how far along the forearm and palm (mm). */
interface Cover {
  readonly bones: readonly Bone[]
  readonly side: 'all' | 'palm' | 'back'
  /** Along the hand in the pose it was modelled in: from fingertip (negative) to forearm (positive). */
  readonly from?: number
  readonly to?: number
}

const HAND: readonly Bone[] = [
  'elbowEnd',
  'forearm',
  'hand',
  'indexMetacarpal',
  'middleMetacarpal',
  'ringMetacarpal',
  'littleMetacarpal',
]
const THUMB: readonly Bone[] = ['thumbMetacarpal', 'thumbProximal', 'thumbDistal']
const segments = (fingers: readonly Finger[], ...names: readonly ('Proximal' | 'Middle' | 'Distal')[]) =>
  fingers.flatMap((finger) => names.map((name) => `${finger}${name}` as Bone))
const wrist = (side: Cover['side'], from = -72, to = 150): Cover => ({ bones: HAND, side, from, to })
const all = FINGERS

/** The outline of each orthosis that can be shown as a layer on the skin; the others are named in words only. */
const COVERS: Readonly<Partial<Record<Orthosis, (led: readonly Finger[]) => readonly Cover[]>>> = {
  CAST: () => [wrist('all', -72, 190)],
  WRO: () => [wrist('palm')],
  WRN: () => [wrist('palm')],
  SPO: () => [wrist('palm')],
  MUN: () => [wrist('all', -60, 190)],
  RHO: () => [wrist('palm', -120), { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'palm' }],
  SAFE: () => [wrist('palm', -120), { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'palm' }],
  DBO: () => [wrist('back'), { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'back' }],
  DBE: () => [wrist('back'), { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'back' }],
  DBS: () => [
    wrist('back', -100, 30),
    { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'back' },
  ],
  DBH: () => [wrist('back', -100, 5), { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'back' }],
  DBHF: () => [
    wrist('back', -100, 5),
    { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'back' },
  ],
  TEN: () => [wrist('back'), { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'back' }],
  DBT: () => [wrist('back', -40, 130), { bones: THUMB, side: 'back' }],
  EXO: () => [wrist('palm'), { bones: segments(all, 'Proximal', 'Middle', 'Distal'), side: 'palm' }],
  GUTTER: (led) => [{ bones: segments(led, 'Proximal', 'Middle', 'Distal'), side: 'palm' }],
  EXF: (led) => [{ bones: segments(led, 'Proximal', 'Middle', 'Distal'), side: 'palm' }],
  PIPX: (led) => [{ bones: segments(led, 'Proximal', 'Middle'), side: 'all' }],
  XBLK: (led) => [{ bones: segments(led, 'Proximal', 'Middle'), side: 'back' }],
  DIPX: (led) => [{ bones: segments(led, 'Middle', 'Distal'), side: 'all' }],
  DIPB: (led) => [{ bones: segments(led, 'Middle', 'Distal'), side: 'back' }],
  MPB: (led) => [{ bones: segments(led, 'Proximal'), side: 'all' }],
  RING: (led) => [{ bones: segments(led, 'Proximal'), side: 'all' }],
  BUDDY: () => [{ bones: segments(['middle', 'ring'], 'Proximal', 'Middle'), side: 'all' }],
  RME: () => [{ bones: segments(all, 'Proximal'), side: 'all' }],
  RMF: () => [{ bones: segments(all, 'Proximal'), side: 'all' }],
  RME_WRO: () => [wrist('palm'), { bones: segments(all, 'Proximal'), side: 'all' }],
  THX: () => [{ bones: ['thumbDistal'], side: 'all' }],
  TSX: () => [{ bones: THUMB, side: 'all' }, wrist('palm', -60, 110)],
  TSO: () => [{ bones: ['thumbMetacarpal', 'thumbProximal'], side: 'all' }, wrist('palm', -60, 120)],
  TSH: () => [{ bones: ['thumbMetacarpal', 'thumbProximal'], side: 'all' }],
  CMCO: () => [{ bones: ['thumbMetacarpal'], side: 'all' }],
  CFS: () => [{ bones: ['forearm', 'elbowEnd'], side: 'all', from: 170, to: 205 }],
}

/** How thick an orthosis lies on the skin, mm. */
const THICK_MM = 2.4

/** An orthosis as a layer on the skin: it bends where the skin bends, and covers what it covers. */
export class OrthosisShell extends Group {
  readonly #places: BufferAttribute
  readonly #normals: BufferAttribute

  private constructor(
    mesh: HandMesh,
    readonly skin: HandSkin,
    index: number[],
  ) {
    super()
    this.#places = new BufferAttribute(new Float32Array(mesh.skinCount * 3), 3).setUsage(DynamicDrawUsage)
    this.#normals = new BufferAttribute(new Float32Array(mesh.skinCount * 3), 3).setUsage(DynamicDrawUsage)
    const geometry = new BufferGeometry()
    geometry.setIndex(index)
    geometry.setAttribute('position', this.#places)
    geometry.setAttribute('normal', this.#normals)
    this.add(
      new Mesh(
        geometry,
        new MeshStandardMaterial({
          color: LOOK.orthosis,
          roughness: 0.7,
          transparent: true,
          opacity: 0.82,
        }),
      ),
      new Mesh(geometry, outlineMaterial(0.7)),
    )
    this.traverse((one) => (one.frustumCulled = false))
  }

  /** @returns `null` for what is not worn or cannot be shown as a layer */
  static of(worn: Orthosis, mesh: HandMesh, skin: HandSkin, led: readonly Finger[]): OrthosisShell | null {
    const covers = COVERS[worn]?.(led)
    if (!covers) return null
    const isCovered = coveredVertices(mesh, covers)
    const index: number[] = []
    for (let t = 0; t < mesh.skinTriangles.length; t += 3) {
      const corners = mesh.skinTriangles.subarray(t, t + 3)
      if (corners.every((v) => isCovered[v])) index.push(...corners)
    }
    return index.length > 0 ? new OrthosisShell(mesh, skin, index) : null
  }

  /** Follows the skin where it is now. */
  follow(): void {
    const { places, normals } = this.skin
    const [own, ownNormals] = [this.#places.array, this.#normals.array]
    for (let at = 0; at < own.length; at += 1) {
      own[at] = places[at]! + normals[at]! * THICK_MM
      ownNormals[at] = normals[at]!
    }
    this.#places.needsUpdate = true
    this.#normals.needsUpdate = true
  }
}

function coveredVertices(mesh: HandMesh, covers: readonly Cover[]): boolean[] {
  const sides = restNormalsY(mesh)
  return Array.from({ length: mesh.skinCount }, (_, v) => {
    let main = 0
    for (let k = 1; k < 8; k += 1) if (mesh.weights[v * 8 + k]! > mesh.weights[v * 8 + main]!) main = k
    const bone = BONES[mesh.bones[v * 8 + main]!]!
    const along = mesh.places[v * 3 + 2]!
    return covers.some(
      ({ bones, side, from = -Infinity, to = Infinity }) =>
        bones.includes(bone) &&
        along >= from &&
        along <= to &&
        (side === 'all' || (side === 'palm' ? sides[v]! < 0.3 : sides[v]! > -0.2)),
    )
  })
}

/** How much each vertex looks to the back of the hand, as modelled. */
function restNormalsY(mesh: HandMesh): Float32Array {
  const [sum, long] = [new Float32Array(mesh.skinCount), new Float32Array(mesh.skinCount)]
  const { places, skinTriangles } = mesh
  for (let t = 0; t < skinTriangles.length; t += 3) {
    const [a, b, c] = [skinTriangles[t]! * 3, skinTriangles[t + 1]! * 3, skinTriangles[t + 2]! * 3]
    const u = [0, 1, 2].map((k) => places[b + k]! - places[a + k]!)
    const w = [0, 1, 2].map((k) => places[c + k]! - places[a + k]!)
    const n = [u[1]! * w[2]! - u[2]! * w[1]!, u[2]! * w[0]! - u[0]! * w[2]!, u[0]! * w[1]! - u[1]! * w[0]!]
    for (const v of [a / 3, b / 3, c / 3]) {
      sum[v]! += n[1]!
      long[v]! += Math.hypot(...n)
    }
  }
  return sum.map((y, v) => y / (long[v] || 1))
}
