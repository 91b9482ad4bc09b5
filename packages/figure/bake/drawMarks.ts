import { Quaternion, Vector3 } from 'three'
import { BONES, FINGERS, type Bone, type BoneFrame } from '../src/hand/bones.js'
import type { Spot } from '../src/hand/handFile.js'

/** Nails and creases tell the palm from the back and which joint bends: small patches that ride on the skin. */
export interface Marks {
  readonly spots: Spot[]
  readonly nails: number[]
  readonly creases: number[]
}
export interface Skin {
  readonly places: readonly Vector3[]
  readonly triangles: readonly (readonly [number, number, number])[]
  /** The bone that carries most of each vertex. */
  readonly main: readonly number[]
}

/** Where a ray first meets the skin among the triangles that belong to one of the bones. */
function meet(skin: Skin, from: Vector3, along: Vector3, bones: readonly Bone[]): Spot | null {
  const own = new Set(bones.map((bone) => BONES.indexOf(bone)))
  let best: (Spot & { t: number }) | null = null
  const [e1, e2, p, s, q] = [1, 2, 3, 4, 5].map(() => new Vector3()) as [
    Vector3,
    Vector3,
    Vector3,
    Vector3,
    Vector3,
  ]
  skin.triangles.forEach(([a, b, c], triangle) => {
    if (!own.has(skin.main[a]!) && !own.has(skin.main[b]!) && !own.has(skin.main[c]!)) return
    e1.subVectors(skin.places[b]!, skin.places[a]!)
    e2.subVectors(skin.places[c]!, skin.places[a]!)
    p.crossVectors(along, e2)
    const det = e1.dot(p)
    if (Math.abs(det) < 1e-9) return
    s.subVectors(from, skin.places[a]!)
    const u = s.dot(p) / det
    q.crossVectors(s, e1)
    const v = along.dot(q) / det
    const t = e2.dot(q) / det
    if (u < 0 || v < 0 || u + v > 1 || t <= 0) return
    if (!best || t < best.t) best = { triangle, u, v, t }
  })
  return best
}

export function drawMarks(skin: Skin, frames: ReadonlyMap<Bone, BoneFrame>): Marks {
  const spots: Spot[] = []
  const nails: number[] = []
  const creases: number[] = []
  /** A ribbon between two rows of spots; a gap where a ray met nothing. */
  const ribbon = (rows: readonly (readonly [Spot | null, Spot | null])[]) => {
    let before: [number, number] | null = null
    for (const [left, right] of rows) {
      if (!left || !right) {
        before = null
        continue
      }
      const now: [number, number] = [spots.length, spots.length + 1]
      spots.push(left, right)
      if (before) creases.push(before[0], now[0], before[1], before[1], now[0], now[1])
      before = now
    }
  }
  const axes = (bone: Bone) => {
    const { at, turn } = frames.get(bone)!
    const q = new Quaternion(...turn)
    return {
      at: new Vector3(...at),
      x: new Vector3(1, 0, 0).applyQuaternion(q),
      y: new Vector3(0, 1, 0).applyQuaternion(q),
      distal: new Vector3(0, 0, -1).applyQuaternion(q),
    }
  }
  /** A line across a digit, from one side over the palm side (or the back) to the other. */
  const across = (bone: Bone, alongMm: number, spreadDeg: number, widthMm: number, isBack = false) => {
    const { at, x, y, distal } = axes(bone)
    const middle = at.clone().addScaledVector(distal, alongMm)
    const digit = /^(thumb|index|middle|ring|little)/.exec(bone)![0]
    const own = BONES.filter((one) => one.startsWith(digit))
    const rows: [Spot | null, Spot | null][] = []
    for (let k = -8; k <= 8; k += 1) {
      const angle = ((k / 8) * spreadDeg * Math.PI) / 180
      const ray = y
        .clone()
        .multiplyScalar((isBack ? 1 : -1) * Math.cos(angle))
        .addScaledVector(x, Math.sin(angle))
      const half = (widthMm / 2) * Math.sqrt(1 - (k / 8.6) ** 2)
      rows.push([
        meet(skin, middle.clone().addScaledVector(distal, -half), ray, own),
        meet(skin, middle.clone().addScaledVector(distal, half), ray, own),
      ])
    }
    ribbon(rows)
  }
  for (const finger of FINGERS) {
    across(`${finger}Distal`, -0.5, 68, 0.8)
    across(`${finger}Middle`, -1.3, 72, 0.8)
    across(`${finger}Middle`, 1.5, 66, 0.7)
    across(`${finger}Proximal`, finger === 'little' ? 13 : 17, 62, 0.8)
    across(`${finger}Middle`, -0.6, 34, 0.6, true)
    across(`${finger}Middle`, 2.2, 26, 0.5, true)
  }
  across('thumbDistal', 0, 66, 0.8)
  across('thumbProximal', 1, 58, 0.8)
  across('thumbDistal', 1, 30, 0.5, true)

  /** A line drawn on the palm, by x and z in the frame of the wrist. */
  const onPalm = (line: readonly (readonly [number, number])[], widthMm: number) => {
    const palm = BONES.filter(
      (bone) => bone === 'hand' || bone === 'forearm' || /Metacarpal|Proximal/.test(bone),
    )
    const points = smoothLine(line, 14)
    ribbon(
      points.map(([x, z], k) => {
        const [from, to] = [points[Math.max(0, k - 1)]!, points[Math.min(points.length - 1, k + 1)]!]
        const long = Math.hypot(to[0] - from[0], to[1] - from[1])
        const half = ((widthMm / 2) * Math.sin((Math.PI * (k + 0.7)) / (points.length + 0.4))) / long
        const [nx, nz] = [-(to[1] - from[1]) * half, (to[0] - from[0]) * half]
        const up = new Vector3(0, 1, 0)
        return [
          meet(skin, new Vector3(x - nx, -120, z - nz), up, palm),
          meet(skin, new Vector3(x + nx, -120, z + nz), up, palm),
        ] as const
      }),
    )
  }
  onPalm(
    [
      [-38, -66],
      [-22, -74],
      [-4, -82],
      [8, -92],
    ],
    0.9,
  )
  onPalm(
    [
      [30, -74],
      [16, -72],
      [-2, -64],
      [-24, -50],
    ],
    0.9,
  )
  onPalm(
    [
      [31, -72],
      [19, -62],
      [7, -44],
      [3, -22],
      [6, -8],
    ],
    1,
  )
  onPalm(
    [
      [-21, 1],
      [-6, 2],
      [10, 1],
      [20, -1],
    ],
    0.8,
  )

  /** The nail lies on the back of the last bone: a rounded rectangle, looked at along the bone's own y. */
  const nail = (bone: Bone, digit: string, lengthMm: number, widthMm: number, endMm: number) => {
    const { at, x, y, distal } = axes(bone)
    const own = BONES.filter((one) => one.startsWith(digit))
    const [columns, rows] = [6, 7]
    const grid: (number | null)[] = []
    for (let r = 0; r <= rows; r += 1)
      for (let c = 0; c <= columns; c += 1) {
        const [s, t] = [(c / columns) * 2 - 1, (r / rows) * 2 - 1]
        // A superellipse: square enough to be a nail, without corners.
        const stretch = Math.max(Math.abs(s), Math.abs(t)) / Math.max(1e-6, (s ** 4 + t ** 4) ** (1 / 4))
        const from = at
          .clone()
          .addScaledVector(distal, endMm - lengthMm / 2 + (t * stretch * lengthMm) / 2)
          .addScaledVector(x, (s * stretch * widthMm) / 2)
          .addScaledVector(y, 40)
        const spot = meet(skin, from, y.clone().negate(), own)
        grid.push(spot ? spots.push(spot) - 1 : null)
      }
    const cell = (r: number, c: number) => grid[r * (columns + 1) + c] ?? null
    for (let r = 0; r < rows; r += 1)
      for (let c = 0; c < columns; c += 1) {
        const [a, b, d, e] = [cell(r, c), cell(r, c + 1), cell(r + 1, c), cell(r + 1, c + 1)]
        if (a === null || b === null || d === null || e === null) continue
        nails.push(a, b, d, b, e, d)
      }
    // Its border, as a fine line.
    const rim: [Spot | null, Spot | null][] = []
    for (let k = 0; k <= 28; k += 1) {
      const angle = (k / 28) * 2 * Math.PI
      const [s, t] = [Math.cos(angle), Math.sin(angle)]
      const stretch = 1 / Math.max(1e-6, (s ** 4 + t ** 4) ** (1 / 4))
      const spot = (grow: number) =>
        meet(
          skin,
          at
            .clone()
            .addScaledVector(distal, endMm - lengthMm / 2 + t * stretch * (lengthMm / 2 + grow))
            .addScaledVector(x, s * stretch * (widthMm / 2 + grow))
            .addScaledVector(y, 40),
          y.clone().negate(),
          own,
        )
      rim.push([spot(-0.1), spot(0.35)])
    }
    ribbon(rim)
  }
  nail('thumbDistal', 'thumb', 13, 12, 22.5)
  nail('indexDistal', 'index', 10.5, 9.5, 20)
  nail('middleDistal', 'middle', 11, 10, 22)
  nail('ringDistal', 'ring', 10.5, 9.4, 21)
  nail('littleDistal', 'little', 9, 7.8, 19)
  return { spots, nails, creases }
}

/** A line through its points without corners. */
function smoothLine(points: readonly (readonly [number, number])[], steps: number): [number, number][] {
  const line: [number, number][] = []
  for (let k = 0; k + 1 < points.length; k += 1) {
    const [p0, p1, p2, p3] = [
      points[k - 1] ?? points[k]!,
      points[k]!,
      points[k + 1]!,
      points[k + 2] ?? points[k + 1]!,
    ]
    for (let i = 0; i < steps; i += 1) {
      const t = i / steps
      const at = (axis: 0 | 1) =>
        0.5 *
        (2 * p1[axis] +
          (p2[axis] - p0[axis]) * t +
          (2 * p0[axis] - 5 * p1[axis] + 4 * p2[axis] - p3[axis]) * t * t +
          (3 * p1[axis] - p0[axis] - 3 * p2[axis] + p3[axis]) * t ** 3)
      line.push([at(0), at(1)])
    }
  }
  line.push([points.at(-1)![0], points.at(-1)![1]])
  return line
}
