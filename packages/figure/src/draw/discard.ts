import { type BufferGeometry, type Material, Mesh, type Object3D } from 'three'

/** Gives back what an object holds on the graphics card; it is drawn no more. */
export function discard(object: Object3D): void {
  object.traverse((one) => {
    if (!(one instanceof Mesh)) return
    ;(one.geometry as BufferGeometry).dispose()
    for (const material of [one.material].flat() as Material[]) material.dispose()
  })
  object.removeFromParent()
}
