import { writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'
import { Vector3 } from 'three'
import { BONES, DIGITS } from '../src/hand/bones.js'
import { encodeHand, decodeHand } from '../src/hand/handFile.js'
import { drawMarks } from './drawMarks.js'
import { readHand } from './readHand.js'
import { addForearm, keepFingersApart, softenPalm, thickenDigits } from './shapeHand.js'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** From the modelled hand to the file the app loads and the bones the poses are computed with. */
export async function bakeHand(): Promise<{ file: Uint8Array; bindPose: string }> {
  const hand = await readHand(here('../asset/hand-left.glb'))
  thickenDigits(hand)
  keepFingersApart(hand)
  softenPalm(hand)
  addForearm(hand)
  const used = [...new Set(hand.triangles.flat())].sort((a, b) => a - b)
  const renamed = new Map(used.map((v, place) => [v, place]))
  const base = {
    places: used.flatMap((v) => hand.places[v]!.toArray()),
    weights: used.map((v) => hand.weights[v]!),
    triangles: hand.triangles.flatMap((corners) => corners.map((v) => renamed.get(v)!)),
  }
  // The marks are placed on the very mesh the app will draw: the file is read back first.
  const bare = decodeHand(encodeHand({ ...base, spots: [], nails: [], creases: [] }))
  const places = Array.from({ length: bare.skinCount }, (_, v) => new Vector3().fromArray(bare.places, v * 3))
  const triangles = Array.from(
    { length: bare.skinTriangles.length / 3 },
    (_, t) => [...bare.skinTriangles.slice(t * 3, t * 3 + 3)] as [number, number, number],
  )
  const main = places.map((_, v) => {
    let best = 0
    for (let k = 1; k < 8; k += 1) if (bare.weights[v * 8 + k]! > bare.weights[v * 8 + best]!) best = k
    return bare.bones[v * 8 + best]!
  })
  const marks = drawMarks({ places, triangles, main }, hand.frames)
  const file = encodeHand({ ...base, ...marks })
  const round = (value: number) => Math.round(value * 1e5) / 1e5
  const rows = BONES.map((bone) => {
    const { at, turn } = hand.frames.get(bone)!
    return `  ${bone}: { at: [${at.map(round).join(', ')}], turn: [${turn.map(round).join(', ')}] },`
  })
  const tips = DIGITS.map(
    (digit) => `  ${digit}: [${hand.tips.get(digit)!.toArray().map(round).join(', ')}],`,
  )
  const bindPose = `import type { Bone, BoneFrame, Digit, Triple } from './bones.js'

// Made by \`npm run bake:hand\` from asset/hand-left.glb; a test compares. Do not edit.

/** The bones as the hand was modelled: a left hand, near its anatomical zero but not at it. */
export const BIND_POSE: Readonly<Record<Bone, BoneFrame>> = {
${rows.join('\n')}
}

/** Where each digit's last bone ends in the model, mm; the fingertip lies about as far again beyond it. */
export const BIND_TIPS: Readonly<Record<Digit, Triple>> = {
${tips.join('\n')}
}
`
  return { file, bindPose }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { file, bindPose } = await bakeHand()
  writeFileSync(here('../asset/hand.bin'), file)
  writeFileSync(here('../src/hand/bindPose.ts'), bindPose)
  const mesh = decodeHand(file)
  process.stdout.write(
    `asset/hand.bin: ${(file.length / 1024).toFixed(1)} kB, ${(gzipSync(file).length / 1024).toFixed(1)} kB gzipped; ` +
      `drawn with ${mesh.skinCount} vertices and ${mesh.skinTriangles.length / 3} triangles of skin\n`,
  )
}
