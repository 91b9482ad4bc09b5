import {
  BufferAttribute,
  BufferGeometry,
  CylinderGeometry,
  Group,
  Mesh,
  MeshBasicMaterial,
  type Object3D,
  ShaderMaterial,
  SphereGeometry,
} from 'three'
import { BODY_MM, type BodyFrames, bodyFrames } from '../pose/bodyFrames.js'
import { outlineMaterial } from './handObject.js'
import { LOOK } from './look.js'
import { solid } from './solids.js'

/** The trunk as ellipses from hip to neck: height, half width, half depth; mm. */
const TRUNK: readonly (readonly [number, number, number])[] = [
  [884, 120, 80],
  [890, 162, 108],
  [1040, 150, 100],
  [1110, 146, 99],
  [1200, 160, 108],
  [1280, 172, 110],
  [1362, 172, 92],
  [1414, 132, 70],
  [1454, 57, 52],
]
const SIDES = 36
const HEAD = { high: 236, wide: 148, deep: 184 }
/** Sleeves cover this share of the upper arm. */
const SLEEVE = 0.48
const ARM_RADIUS = { shoulder: 50, elbow: 40 }

/** Head, neck, trunk and both upper arms; the exercised forearm and hand hang on `forearm` and are drawn by the stage. */
export class BodyObject extends Group {
  /** The exercised arm's forearm hangs here. */
  readonly forearm = new Group()
  /** The resting arm's forearm hangs here; it is a right arm on a left figure. */
  readonly restingForearm = new Group()
  readonly #upperArm: Group
  readonly #neck: Group
  readonly #head: Group

  constructor(kind: 'own' | 'ghost' = 'own') {
    super()
    this.#upperArm = upperArm()
    this.#neck = solid(
      taper(55, 52, BODY_MM.neck + 44, 24).translate(0, (BODY_MM.neck + 44) / 2 - 30, 0),
      LOOK.stone,
      1.4,
    )
    this.#head = head()
    const resting = new Group()
    resting.scale.x = -1
    const restingArm = upperArm()
    const frames = bodyFrames({
      elbowFlexion: 12,
      shoulderFlexion: 4,
      shoulderAbduction: 7,
      shoulderInternalRotation: 20,
      neckSideBend: 0,
    })
    hang(restingArm, frames)
    this.restingForearm.position.copy(frames.forearm.at)
    this.restingForearm.quaternion.copy(frames.forearm.turn)
    resting.add(restingArm, this.restingForearm)
    if (kind === 'own') this.add(trunk(), resting)
    this.add(this.#upperArm, this.#neck, this.#head, this.forearm)
    if (kind === 'ghost') this.traverse(fade)
  }

  pose(frames: BodyFrames): void {
    hang(this.#upperArm, frames)
    this.forearm.position.copy(frames.forearm.at)
    this.forearm.quaternion.copy(frames.forearm.turn)
    this.#neck.position.copy(frames.neck.at)
    this.#neck.quaternion.copy(frames.neck.turn)
    this.#head.position.copy(frames.head.at)
    this.#head.quaternion.copy(frames.head.turn)
  }
}

/** A ghost has one pale color and a pale line. */
function fade(one: Object3D): void {
  if (!(one instanceof Mesh)) return
  one.material =
    one.material instanceof ShaderMaterial
      ? outlineMaterial(1.2, LOOK.ghostLine)
      : new MeshBasicMaterial({ color: LOOK.ghost })
}

function hang(arm: Group, { shoulder }: BodyFrames): void {
  arm.position.copy(shoulder.at)
  arm.quaternion.copy(shoulder.turn)
}

/** Along y, its middle at 0. */
const taper = (top: number, bottom: number, high: number, sides: number) =>
  new CylinderGeometry(top, bottom, high, sides, 1, true)

function upperArm(): Group {
  const arm = new Group()
  const long = BODY_MM.upperArm
  const at = (share: number) => ARM_RADIUS.shoulder + (ARM_RADIUS.elbow - ARM_RADIUS.shoulder) * share
  const skin = solid(taper(at(0.3), at(1), long * 0.7, 28).translate(0, -long * 0.65, 0), LOOK.stone, 1.4)
  const elbow = solid(new SphereGeometry(ARM_RADIUS.elbow, 24, 18).translate(0, -long, 0), LOOK.stone, 1.4)
  const cuff = SLEEVE * long
  const sleeve = solid(taper(at(0) + 3, at(SLEEVE) + 7, cuff, 28).translate(0, -cuff / 2, 0), LOOK.shirt, 1.4)
  const round = solid(new SphereGeometry(at(0) + 3, 26, 18), LOOK.shirt, 1.4)
  arm.add(skin, elbow, sleeve, round)
  return arm
}

function head(): Group {
  const group = new Group()
  const skull = solid(
    new SphereGeometry(0.5, 36, 28).scale(HEAD.wide, HEAD.high, HEAD.deep).translate(0, HEAD.high * 0.42, 12),
    LOOK.stone,
    1.4,
  )
  const nose = solid(
    new SphereGeometry(0.5, 16, 12).scale(26, 46, 34).translate(0, HEAD.high * 0.36, HEAD.deep / 2 + 14),
    LOOK.stone,
    1,
  )
  const ears = [-1, 1].map((side) =>
    solid(
      new SphereGeometry(0.5, 16, 12)
        .scale(18, 56, 36)
        .translate((side * HEAD.wide) / 2, HEAD.high * 0.38, 2),
      LOOK.stone,
      1,
    ),
  )
  group.add(skull, nose, ...ears)
  return group
}

function trunk(): Group {
  const places: number[] = []
  const triangles: number[] = []
  TRUNK.forEach(([y, x, z], row) => {
    for (let k = 0; k < SIDES; k += 1) {
      const angle = (k / SIDES) * 2 * Math.PI
      places.push(x * Math.cos(angle), y, z * Math.sin(angle))
      if (row === 0) continue
      const [a, b] = [(row - 1) * SIDES + k, (row - 1) * SIDES + ((k + 1) % SIDES)]
      triangles.push(a, a + SIDES, b, b, a + SIDES, b + SIDES)
    }
  })
  const low = places.length / 3
  places.push(0, TRUNK[0]![0], 0)
  for (let k = 0; k < SIDES; k += 1) triangles.push(low, k, (k + 1) % SIDES)
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(places), 3))
  geometry.setIndex(triangles)
  geometry.computeVertexNormals()
  return solid(geometry, LOOK.shirt, 1.6)
}
