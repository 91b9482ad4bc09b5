import { BufferAttribute, BufferGeometry, DoubleSide, Group, Mesh, MeshBasicMaterial } from 'three'
import { LOOK } from './look.js'

export type Point = readonly [number, number]

/** Half widths of the line and its halo, and the head, as shares of the picture's height. */
const LINE = 0.0062
const HALO = 0.0115
const HEAD = { length: 0.045, half: 0.026 }

/**
 * An arrow along a path on the picture, in a frame that is 1 high with the middle at 0. Where a limit ends the movement, a
 * bar across stands in place of the head; what goes to and fro has a head at both ends.
 */
export function arrowOn(path: readonly Point[], isStopped: boolean, isToAndFro = false): Group {
  const group = new Group()
  const line = spaced(path)
  const length = line.reduce((sum, point, k) => sum + (k === 0 ? 0 : apart(line[k - 1]!, point)), 0)
  if (line.length < 2 || length < 0.035) return group
  const head = isStopped ? 0 : Math.min(HEAD.length, length * 0.5)
  const [start, tip] = [line[0]!, line.at(-1)!]
  const ahead = shortened(line, head * 0.8)
  const shaft = isToAndFro ? shortened(ahead.toReversed(), head * 0.8) : ahead
  const from = before(line, head || HEAD.length)
  const along: Point = unit(tip[0] - from[0], tip[1] - from[1])
  const scale = isStopped ? 1 : head / HEAD.length
  const add = (vertices: Point[], triangles: number[], color: string, depth: number) => {
    const geometry = new BufferGeometry()
    geometry.setAttribute(
      'position',
      new BufferAttribute(new Float32Array(vertices.flatMap(([x, y]) => [x, y, depth])), 3),
    )
    geometry.setIndex(triangles)
    const mesh = new Mesh(
      geometry,
      new MeshBasicMaterial({ color, side: DoubleSide, depthTest: false, toneMapped: false }),
    )
    mesh.renderOrder = depth * 100
    group.add(mesh)
  }
  const color = isStopped ? LOOK.limit : LOOK.arrow
  const tipShape = (grow: number): [Point[], number[]] =>
    isStopped
      ? [across(tip, along, 0.034 + grow, LINE + grow), [0, 1, 2, 2, 1, 3]]
      : [headShape(tip, along, scale, grow), [0, 1, 2, 0, 2, 3]]
  add(...ribbon(shaft, HALO), '#ffffff', 0.01)
  add(...tipShape(HALO - LINE), '#ffffff', 0.02)
  add(...ribbon(shaft, LINE), LOOK.arrow, 0.03)
  add(...tipShape(0), color, 0.04)
  if (isToAndFro && !isStopped) {
    const back = before(line.toReversed(), head)
    const towards = unit(start[0] - back[0], start[1] - back[1])
    add(headShape(start, towards, scale, HALO - LINE), [0, 1, 2, 0, 2, 3], '#ffffff', 0.02)
    add(headShape(start, towards, scale, 0), [0, 1, 2, 0, 2, 3], color, 0.04)
  }
  return group
}

const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1])
const unit = (x: number, y: number): Point => {
  const long = Math.hypot(x, y) || 1
  return [x / long, y / long]
}

function headShape(tip: Point, along: Point, scale: number, grow: number): Point[] {
  const [length, half] = [HEAD.length * scale + grow, HEAD.half * scale + grow]
  const [x, y] = along
  const at = (back: number, side: number): Point => [
    tip[0] - x * back - y * side,
    tip[1] - y * back + x * side,
  ]
  return [at(-grow * 1.4, 0), at(length, half), at(length * 0.72, 0), at(length, -half)]
}

function across(tip: Point, along: Point, half: number, thick: number): Point[] {
  const [x, y] = along
  const at = (back: number, side: number): Point => [
    tip[0] - x * back - y * side,
    tip[1] - y * back + x * side,
  ]
  return [at(-thick, half), at(thick, half), at(-thick, -half), at(thick, -half)]
}

/** Points at even distances: a path bunches up where the movement is slow. */
function spaced(path: readonly Point[]): Point[] {
  const line: Point[] = []
  for (const point of path) if (line.length === 0 || apart(line.at(-1)!, point) > 0.008) line.push(point)
  return line
}

function shortened(line: readonly Point[], by: number): Point[] {
  const rest = [...line]
  let left = by
  while (rest.length > 2 && apart(rest.at(-1)!, rest.at(-2)!) < left) {
    left -= apart(rest.at(-1)!, rest.at(-2)!)
    rest.pop()
  }
  const [end, last] = [rest.at(-1)!, rest.at(-2)!]
  const share = left / (apart(end, last) || 1)
  rest[rest.length - 1] = [end[0] + (last[0] - end[0]) * share, end[1] + (last[1] - end[1]) * share]
  return rest
}
const before = (line: readonly Point[], by: number): Point => shortened(line, by).at(-1)!

function ribbon(line: readonly Point[], half: number): [Point[], number[]] {
  const vertices: Point[] = []
  const triangles: number[] = []
  line.forEach((point, k) => {
    const [a, b] = [line[Math.max(0, k - 1)]!, line[Math.min(line.length - 1, k + 1)]!]
    const [x, y] = unit(b[0] - a[0], b[1] - a[1])
    vertices.push([point[0] - y * half, point[1] + x * half], [point[0] + y * half, point[1] - x * half])
    if (k > 0) {
      const at = k * 2
      triangles.push(at - 2, at - 1, at, at, at - 1, at + 1)
    }
  })
  return [vertices, triangles]
}
