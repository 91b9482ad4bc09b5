import { readFileSync } from 'node:fs'
import { Matrix4, Quaternion, Vector3, type SkinnedMesh } from 'three'
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js'
import { BONES, FINGERS, type Bone, type BoneFrame } from '../src/hand/bones.js'

/** The hand as it was modelled, in the frame of its wrist and in mm, equal places welded, weights on our bones. */
export interface ModelledHand {
  readonly places: Vector3[]
  /** One row a vertex, one column a bone of `BONES`. */
  readonly weights: Float32Array[]
  readonly triangles: [number, number, number][]
  readonly frames: Map<Bone, BoneFrame>
  /** Where each digit's last bone points to, as the model has it; the real fingertip lies further out. */
  readonly tips: Map<string, Vector3>
}

const MODEL_NAME: Readonly<Record<string, string>> = {
  index: 'index-finger',
  middle: 'middle-finger',
  ring: 'ring-finger',
  little: 'pinky-finger',
}
const CHAIN = ['metacarpal', 'phalanx-proximal', 'phalanx-intermediate', 'phalanx-distal', 'tip']
const THUMB_CHAIN = ['metacarpal', 'phalanx-proximal', 'phalanx-distal', 'tip']
const SEGMENTS = ['Metacarpal', 'Proximal', 'Middle', 'Distal']
const THUMB_SEGMENTS = ['Metacarpal', 'Proximal', 'Distal']

/** Reads the one GLB we keep. Node has no image decoding; the file has no textures. */
export async function readHand(file: string): Promise<ModelledHand> {
  const bytes = readFileSync(file)
  const gltf = await new GLTFLoader().parseAsync(
    bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer,
    '',
  )
  let skinned: SkinnedMesh | undefined
  gltf.scene.updateMatrixWorld(true)
  gltf.scene.traverse((one) => {
    if ((one as SkinnedMesh).isSkinnedMesh) skinned = one as SkinnedMesh
  })
  if (!skinned) throw new Error(`${file}: no skinned mesh in it.`)
  const bones = skinned.skeleton.bones
  const bind = new Map(
    bones.map((bone, place) => [bone.name, skinned!.skeleton.boneInverses[place]!.clone().invert()]),
  )
  const wrist = bind.get('wrist')!
  const toWrist = new Matrix4().copy(wrist).invert()
  const mm = (place: Vector3) => place.applyMatrix4(toWrist).multiplyScalar(1000)
  const jointAt = (name: string) => mm(new Vector3().setFromMatrixPosition(bind.get(name)!))
  const turnOf = (name: string) =>
    new Quaternion().setFromRotationMatrix(new Matrix4().multiplyMatrices(toWrist, bind.get(name)!))

  const frames = new Map<Bone, BoneFrame>([
    ['elbowEnd', { at: [0, 0, 0], turn: [0, 0, 0, 1] }],
    ['forearm', { at: [0, 0, 0], turn: [0, 0, 0, 1] }],
    ['hand', { at: [0, 0, 0], turn: [0, 0, 0, 1] }],
  ])
  const tips = new Map<string, Vector3>()
  const boneOfModel = new Map<string, Bone>([['wrist', 'hand']])
  for (const digit of ['thumb', ...FINGERS]) {
    const [chain, segments] = digit === 'thumb' ? [THUMB_CHAIN, THUMB_SEGMENTS] : [CHAIN, SEGMENTS]
    const names = chain.map((part) => `${digit === 'thumb' ? 'thumb' : MODEL_NAME[digit]}-${part}`)
    segments.forEach((segment, place) => {
      const bone = `${digit}${segment}` as Bone
      const [from, to] = [jointAt(names[place]!), jointAt(names[place + 1]!)]
      // The model's axes miss the next joint by up to 5°; ours run through it, so that angles between bones are exact.
      const turn = turnOf(names[place]!)
      const asModelled = new Vector3(0, 0, -1).applyQuaternion(turn)
      const exact = new Quaternion().setFromUnitVectors(asModelled, to.clone().sub(from).normalize())
      turn.premultiply(exact)
      frames.set(bone, { at: [from.x, from.y, from.z], turn: [turn.x, turn.y, turn.z, turn.w] })
      // A joint's name means the bone that begins there: the next round sets it again, only the tip has none of its own.
      boneOfModel.set(names[place]!, bone)
      boneOfModel.set(names[place + 1]!, bone)
    })
    tips.set(digit, jointAt(names.at(-1)!))
  }
  const { position, skinIndex, skinWeight } = skinned.geometry.attributes
  const welded: number[] = []
  const known = new Map<string, number>()
  const places: Vector3[] = []
  const weights: Float32Array[] = []
  for (let v = 0; v < position!.count; v += 1) {
    const place = mm(new Vector3().fromBufferAttribute(position!, v))
    const name = [place.x, place.y, place.z].map((one) => one.toFixed(2)).join(' ')
    if (!known.has(name)) {
      known.set(name, places.length)
      places.push(place)
      const row = new Float32Array(BONES.length)
      for (let k = 0; k < 4; k += 1) {
        const bone = boneOfModel.get(bones[skinIndex!.getComponent(v, k)]!.name)!
        row[BONES.indexOf(bone)]! += skinWeight!.getComponent(v, k)
      }
      weights.push(row)
    }
    welded.push(known.get(name)!)
  }
  const index = skinned.geometry.index!
  const triangles: [number, number, number][] = []
  for (let t = 0; t < index.count; t += 3) {
    const corners = [0, 1, 2].map((k) => welded[index.getX(t + k)]!) as [number, number, number]
    if (new Set(corners).size === 3) triangles.push(corners)
  }
  return { places, weights, triangles, frames, tips }
}
