import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { ZONES, type Zone } from '@pledge/core'
import { Vector3 } from 'three'
import { beforeAll, describe, expect, it } from 'vitest'
import { BIND_FRAMES } from '../pose/handFrames.js'
import { decodeHand, type HandMesh } from './handFile.js'
import { skinZones } from './zones.js'

let mesh: HandMesh
let zones: readonly (Zone | null)[]
beforeAll(() => {
  const file = fileURLToPath(new URL('../../asset/hand.bin', import.meta.url))
  mesh = decodeHand(new Uint8Array(readFileSync(file)))
  zones = skinZones(mesh)
})
/** The middle of a zone's skin, in the frame of the wrist of a left hand: +x to the thumb, +y to the back. */
function middle(zone: Zone): Vector3 {
  const own = zones.flatMap((one, v) => (one === zone ? [new Vector3().fromArray(mesh.places, v * 3)] : []))
  return own.reduce((sum, at) => sum.add(at), new Vector3()).divideScalar(own.length)
}

describe('the zones of the drawn skin', () => {
  it('are all there, each large enough to be pressed', () => {
    const counts = new Map<Zone, number>()
    for (const zone of zones) if (zone) counts.set(zone, (counts.get(zone) ?? 0) + 1)
    expect(ZONES.filter((zone) => (counts.get(zone) ?? 0) < 15)).toEqual([])
  })

  it('of a digit lie along it from base to tip, palm and back, thumb half and little-finger half', () => {
    for (const digit of ['index', 'middle', 'ring', 'little'] as const) {
      const at = (rest: string) => middle(`${digit}.${rest}` as Zone)
      const beyond = ['base', 'mid', 'tip'].map((part) => -at(`${part}.front.radial`).z)
      expect(beyond).toEqual([...beyond].sort((a, b) => a - b))
      expect(at('mid.back.radial').y).toBeGreaterThan(at('mid.front.radial').y)
      expect(at('mid.front.radial').x).toBeGreaterThan(at('mid.front.ulnar').x)
    }
  })

  it('of palm and back lie in the order in which they are named, up to the wrist', () => {
    const x = (zone: Zone) => middle(zone).x
    expect(x('palmThumbSide')).toBeGreaterThan(x('palmMiddle'))
    expect(x('palmMiddle')).toBeGreaterThan(x('palmLittleSide'))
    expect(x('backThumbSide')).toBeGreaterThan(x('backMiddle'))
    expect(x('backMiddle')).toBeGreaterThan(x('backLittleSide'))
    expect(x('heelThumb')).toBeGreaterThan(x('heelMiddle'))
    expect(x('heelMiddle')).toBeGreaterThan(x('heelLittle'))
    for (const zone of ['wristFront', 'wristBack'] as const)
      expect(middle(zone).z).toBeGreaterThan(BIND_FRAMES.hand.at.z - 10)
  })
})
