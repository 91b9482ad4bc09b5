/** A mesh with any number of values a vertex; the first three are its place. */
export interface ValuedMesh {
  /** How many values a vertex has. */
  readonly size: number
  readonly values: Float32Array
  readonly triangles: Uint16Array
}

/**
 * One round of Loop's subdivision: each triangle becomes four and edges soften. All values of a vertex, its place and its
 * weights, are averaged alike. An edge with one triangle is a border and keeps its line.
 */
export function loopSubdivision({ size, values, triangles }: ValuedMesh): ValuedMesh {
  const count = values.length / size
  const edges = new Map<number, { a: number; b: number; opposite: number[]; at: number }>()
  const key = (a: number, b: number) => (a < b ? a * count + b : b * count + a)
  for (let t = 0; t < triangles.length; t += 3)
    for (let k = 0; k < 3; k += 1) {
      const [a, b, c] = [triangles[t + k]!, triangles[t + ((k + 1) % 3)]!, triangles[t + ((k + 2) % 3)]!]
      const known = edges.get(key(a, b))
      if (known) known.opposite.push(c)
      else edges.set(key(a, b), { a, b, opposite: [c], at: 0 })
    }
  const grown = new Float32Array((count + edges.size) * size)
  const neighbors: number[][] = Array.from({ length: count }, () => [])
  const borders: number[][] = Array.from({ length: count }, () => [])
  for (const { a, b, opposite } of edges.values()) {
    neighbors[a]!.push(b)
    neighbors[b]!.push(a)
    if (opposite.length === 1) {
      borders[a]!.push(b)
      borders[b]!.push(a)
    }
  }
  const add = (to: number, from: number, share: number) => {
    for (let i = 0; i < size; i += 1) grown[to * size + i]! += values[from * size + i]! * share
  }
  for (let v = 0; v < count; v += 1) {
    const border = borders[v]!
    const around = border.length > 0 ? border : neighbors[v]!
    const share = border.length > 0 ? 1 / 8 : around.length === 3 ? 3 / 16 : 3 / (8 * around.length)
    add(v, v, 1 - around.length * share)
    for (const other of around) add(v, other, share)
  }
  let at = count
  for (const edge of edges.values()) {
    edge.at = at
    const isBorder = edge.opposite.length === 1
    add(at, edge.a, isBorder ? 1 / 2 : 3 / 8)
    add(at, edge.b, isBorder ? 1 / 2 : 3 / 8)
    if (!isBorder) for (const c of edge.opposite.slice(0, 2)) add(at, c, 1 / 8)
    at += 1
  }
  const finer = new Uint16Array(triangles.length * 4)
  let write = 0
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!]
    const [ab, bc, ca] = [edges.get(key(a, b))!.at, edges.get(key(b, c))!.at, edges.get(key(c, a))!.at]
    for (const vertex of [a, ab, ca, ab, b, bc, ca, bc, c, ab, bc, ca]) finer[write++] = vertex
  }
  return { size, values: grown, triangles: finer }
}
