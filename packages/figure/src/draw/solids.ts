import {
  BoxGeometry,
  type BufferGeometry,
  CapsuleGeometry,
  CylinderGeometry,
  Group,
  Mesh,
  MeshStandardMaterial,
  SphereGeometry,
  TorusGeometry,
  Quaternion,
  Vector3,
} from 'three'
import { outlineMaterial } from './handObject.js'

/** A simple body in one color with the same dark line about it as the hand has. */
export function solid(geometry: BufferGeometry, color: string, lineMm = 0.7): Group {
  const group = new Group()
  group.add(new Mesh(geometry, new MeshStandardMaterial({ color, roughness: 0.85 })))
  if (lineMm > 0) group.add(new Mesh(geometry, outlineMaterial(lineMm)))
  return group
}

export const sphere = (radiusMm: number, color: string) => solid(new SphereGeometry(radiusMm, 28, 20), color)
export const box = (x: number, y: number, z: number, color: string) => solid(new BoxGeometry(x, y, z), color)
/** Along y, as three has them. */
export const cylinder = (radiusMm: number, lengthMm: number, color: string) =>
  solid(new CylinderGeometry(radiusMm, radiusMm, lengthMm, 26), color)
export const capsule = (radiusMm: number, lengthMm: number, color: string) =>
  solid(new CapsuleGeometry(radiusMm, lengthMm, 8, 22), color)
export const ring = (radiusMm: number, tubeMm: number, color: string) =>
  solid(new TorusGeometry(radiusMm, tubeMm, 10, 32), color, 0.5)

const UP = new Vector3(0, 1, 0)
/** Lays a body made along y from one point to another; its length stays. */
export function layAlong(body: Group, middle: Vector3, direction: Vector3): void {
  body.position.copy(middle)
  body.quaternion.copy(new Quaternion().setFromUnitVectors(UP, direction.clone().normalize()))
}
/** Stretches a cylinder of length 1 between two points. */
export function stretchBetween(body: Group, from: Vector3, to: Vector3): void {
  layAlong(body, from.clone().add(to).multiplyScalar(0.5), to.clone().sub(from))
  body.scale.set(1, from.distanceTo(to), 1)
}
