import type { Zone } from '@pledge/core'
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DynamicDrawUsage,
  Group,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  type Raycaster,
  BackSide,
  ShaderMaterial,
  DoubleSide,
} from 'three'
import { BONES, type Bone } from '../hand/bones.js'
import type { HandMesh } from '../hand/handFile.js'
import { HandSkin } from '../hand/skinHand.js'
import { skinZones } from '../hand/zones.js'
import type { HandFrames } from '../pose/handFrames.js'
import { LOOK } from './look.js'

/** The dark line about a shape: the shape again, a little larger, seen from inside. */
export function outlineMaterial(widthMm: number, color: string = LOOK.outline): ShaderMaterial {
  return new ShaderMaterial({
    uniforms: { width: { value: widthMm }, ink: { value: new Color(color) } },
    vertexShader:
      'uniform float width; void main() { gl_Position = projectionMatrix * modelViewMatrix * vec4(position + normal * width, 1.0); }',
    fragmentShader:
      'uniform vec3 ink; void main() { gl_FragColor = vec4(ink, 1.0); \n#include <colorspace_fragment>\n }',
    side: BackSide,
  })
}

/** Stripes on the picture's own raster, where the skin says so. */
function hatchable(material: MeshStandardMaterial): MeshStandardMaterial {
  material.onBeforeCompile = (shader) => {
    shader.vertexShader = shader.vertexShader
      .replace('#include <common>', '#include <common>\nattribute float hatch;\nvarying float vHatch;')
      .replace('#include <begin_vertex>', '#include <begin_vertex>\nvHatch = hatch;')
    shader.fragmentShader = shader.fragmentShader
      .replace('#include <common>', '#include <common>\nvarying float vHatch;')
      .replace(
        '#include <color_fragment>',
        '#include <color_fragment>\nif (vHatch > 0.5 && mod(gl_FragCoord.x + gl_FragCoord.y, 9.0) < 2.2) diffuseColor.rgb *= 0.62;',
      )
  }
  return material
}

/** How much of a painted zone is its paint: the shading of the skin shows through. */
const PAINT = 0.85

/** One drawn hand with its forearm: skin, nails, creases and the line about it. A left hand; its parent mirrors it. */
export class HandObject extends Group {
  readonly skin: HandSkin
  readonly #attributes: Readonly<Record<'position' | 'normal' | 'color' | 'hatch', BufferAttribute>>
  readonly #tinted = new Color(LOOK.moving)
  readonly #plain: Color
  #zones: readonly (Zone | null)[] | null = null

  constructor(mesh: HandMesh, kind: 'own' | 'ghost' | 'helper') {
    super()
    this.skin = new HandSkin(mesh)
    this.#plain = new Color(kind === 'helper' ? LOOK.helper : kind === 'ghost' ? LOOK.ghost : LOOK.stone)
    const dynamic = (array: Float32Array) => new BufferAttribute(array, 3).setUsage(DynamicDrawUsage)
    this.#attributes = {
      position: dynamic(this.skin.places),
      normal: dynamic(this.skin.normals),
      color: new BufferAttribute(new Float32Array(mesh.places.length), 3),
      hatch: new BufferAttribute(new Float32Array(mesh.places.length / 3), 1),
    }
    this.tint([])
    const part = (index: Uint16Array) => {
      const geometry = new BufferGeometry()
      geometry.setIndex(new BufferAttribute(index, 1))
      for (const [name, attribute] of Object.entries(this.#attributes)) geometry.setAttribute(name, attribute)
      return geometry
    }
    const isGhost = kind === 'ghost'
    const skin = part(mesh.skinTriangles)
    const surface = isGhost
      ? new MeshBasicMaterial({ color: LOOK.ghost })
      : hatchable(new MeshStandardMaterial({ vertexColors: true, roughness: 0.82, metalness: 0 }))
    const outline = outlineMaterial(
      isGhost ? 0.6 : 0.85,
      isGhost ? LOOK.ghostLine : kind === 'helper' ? LOOK.helperLine : LOOK.outline,
    )
    this.add(new Mesh(skin, surface), new Mesh(skin, outline))
    if (!isGhost) {
      const nails = new MeshStandardMaterial({ color: LOOK.nail, roughness: 0.6, side: DoubleSide })
      const creases = new MeshBasicMaterial({
        color: LOOK.crease,
        side: DoubleSide,
        transparent: true,
        opacity: kind === 'helper' ? 0.35 : 0.62,
      })
      this.add(new Mesh(part(mesh.nails), nails), new Mesh(part(mesh.creases), creases))
    }
    // The skin moves far from where its sphere was measured; the stage frames what it shows.
    this.traverse((one) => (one.frustumCulled = false))
  }

  carry(frames: HandFrames): void {
    this.skin.carry(frames)
    this.#attributes.position.needsUpdate = true
    this.#attributes.normal.needsUpdate = true
  }

  /** Colors the segments that move, fading over the joint as the skin does. */
  tint(moving: readonly Bone[], strength = 0.8): void {
    const { mesh } = this.skin
    const colors = this.#attributes.color
    const share = this.#shareOf(moving)
    const color = new Color()
    for (let v = 0; v < mesh.places.length / 3; v += 1) {
      color.copy(this.#plain).lerp(this.#tinted, strength * (share[v] ?? 0))
      colors.setXYZ(v, color.r, color.g, color.b)
    }
    colors.needsUpdate = true
  }

  /** Paints zones of the skin; those left out are plain. */
  paint(colors: ReadonlyMap<Zone, string>): void {
    const { mesh } = this.skin
    this.#zones ??= skinZones(mesh)
    const attribute = this.#attributes.color
    const color = new Color()
    this.#zones.forEach((zone, v) => {
      const painted = zone && colors.get(zone)
      color.copy(this.#plain)
      if (painted) color.lerp(new Color(painted), PAINT)
      attribute.setXYZ(v, color.r, color.g, color.b)
    })
    attribute.needsUpdate = true
  }

  /** The zone of the skin that a ray meets first; `null` where it misses the hand. */
  zoneOn(ray: Raycaster): Zone | null {
    const { mesh } = this.skin
    this.#zones ??= skinZones(mesh)
    const [skin] = this.children as Mesh[]
    skin!.geometry.computeBoundingSphere()
    const hit = ray.intersectObject(skin!, false)[0]
    if (!hit?.face) return null
    const found = [hit.face.a, hit.face.b, hit.face.c].map((v) => this.#zones![v] ?? null)
    return found.find((zone, at) => zone !== null && found.indexOf(zone) !== at) ?? found[0] ?? null
  }

  /** Strikes through the segments whose joints nobody measured: they are drawn at rest, and seen to be unknown. */
  hatch(unknown: readonly Bone[]): void {
    const { hatch } = this.#attributes
    this.#shareOf(unknown).forEach((share, v) => hatch.setX(v, share))
    hatch.needsUpdate = true
  }

  /** How much of each vertex the bones carry. */
  #shareOf(bones: readonly Bone[]): Float32Array {
    const own = new Set(bones.map((bone) => BONES.indexOf(bone)))
    const { mesh } = this.skin
    const share = new Float32Array(mesh.skinCount)
    for (let v = 0; v < mesh.skinCount; v += 1)
      for (let k = 0; k < 8; k += 1)
        if (own.has(mesh.bones[v * 8 + k]!)) share[v]! += mesh.weights[v * 8 + k]!
    return share
  }
}
