import fc from 'fast-check'
import { Vector3 } from 'three'
import { describe, expect, it } from 'vitest'
import { fingertipPosition, segmentLengths } from '@pledge/core'
import { BIND_POSE, BIND_TIPS } from '../hand/bindPose.js'
import { type Bone, FINGERS, type Finger } from '../hand/bones.js'
import type { HandAngles } from './handAngles.js'
import { fingertip, type HandFrames, handFrames, lengthMm, TIP_MM } from './handFrames.js'

const degrees = (radians: number) => (radians * 180) / Math.PI
const straight = { mcp: 0, pip: 0, dip: 0, spread: 0 }
const hand = (changes: Partial<HandAngles> = {}): HandAngles => ({
  forearmSupination: 0,
  wristFlexion: 0,
  wristUlnarDeviation: 0,
  fingers: { index: straight, middle: straight, ring: straight, little: straight },
  thumb: { radial: 25, palmar: 25, turn: 0, mcp: 10, ip: 15 },
  ...changes,
})
const only = (finger: Finger, angles: Partial<typeof straight>) =>
  hand({ fingers: { ...hand().fingers, [finger]: { ...straight, ...angles } } })

/** The direction of a drawn segment, from its joint to the next. */
const direction = (frames: HandFrames, from: Bone, to: Bone) =>
  frames[to].at.clone().sub(frames[from].at).normalize()
const tipDirection = (frames: HandFrames, finger: Finger) =>
  fingertip(frames, finger).sub(frames[`${finger}Distal`].at).normalize()
const anyPose = fc.record({
  finger: fc.constantFrom(...FINGERS),
  mcp: fc.integer({ min: -45, max: 100 }),
  pip: fc.integer({ min: -10, max: 115 }),
  dip: fc.integer({ min: -20, max: 90 }),
  spread: fc.integer({ min: -10, max: 30 }),
  wristFlexion: fc.integer({ min: -85, max: 90 }),
  wristUlnarDeviation: fc.integer({ min: -25, max: 40 }),
  forearmSupination: fc.integer({ min: -90, max: 90 }),
})
/** The same 500 poses in each run. */
const RUNS = { numRuns: 500, seed: 20311 }
const EXACT_DEG = 0.5

describe('the drawn bones', () => {
  it('meet at the asked PIP and DIP angle, whatever wrist and forearm do', () =>
    fc.assert(
      fc.property(anyPose, ({ finger, mcp, pip, dip, spread, ...rest }) => {
        const frames = handFrames({ ...only(finger, { mcp, pip, dip, spread }), ...rest })
        const proximal = direction(frames, `${finger}Proximal`, `${finger}Middle`)
        const middle = direction(frames, `${finger}Middle`, `${finger}Distal`)
        const distal = tipDirection(frames, finger)
        expect(Math.abs(degrees(proximal.angleTo(middle)) - Math.abs(pip))).toBeLessThan(EXACT_DEG)
        expect(Math.abs(degrees(middle.angleTo(distal)) - Math.abs(dip))).toBeLessThan(EXACT_DEG)
      }),
      RUNS,
    ))

  it('bend at the MCP by the asked angle, seen from the side as a goniometer is laid on', () =>
    fc.assert(
      fc.property(anyPose, ({ finger, mcp }) => {
        // Ring and little metacarpals come forward in a fist; what is measured is the angle at the knuckle itself.
        const frames = handFrames(only(finger, { mcp }))
        const from = handFrames(only(finger, { mcp: 0 }))
        const metacarpal = frames[`${finger}Metacarpal`].turn
          .clone()
          .multiply(from[`${finger}Metacarpal`].turn.clone().invert())
        const along = direction(frames, `${finger}Proximal`, `${finger}Middle`).applyQuaternion(
          metacarpal.invert(),
        )
        const base = planeOf(finger)
        const [forward, palmward] = [along.dot(base.forward), along.dot(base.palmward)]
        const zero = direction(from, `${finger}Proximal`, `${finger}Middle`)
        const atZero = degrees(Math.atan2(zero.dot(base.palmward), zero.dot(base.forward)))
        expect(Math.abs(degrees(Math.atan2(palmward, forward)) - atZero - mcp)).toBeLessThan(EXACT_DEG)
      }),
      RUNS,
    ))

  it('reach where core’s chain of the finger says, in the finger’s plane', () =>
    fc.assert(
      fc.property(anyPose, ({ finger, pip, dip }) => {
        const frames = handFrames(only(finger, { pip, dip }))
        const lengths = [lengthMm(finger, 'Proximal'), lengthMm(finger, 'Middle'), TIP_MM[finger]] as const
        const chain = fingertipPosition(lengths, [0, pip, dip], 0)
        const { at, turn } = frames[`${finger}Proximal`]
        const tip = fingertip(frames, finger).sub(at).applyQuaternion(turn.clone().invert())
        expect(-tip.z).toBeCloseTo(chain.distalMm, 2)
        expect(-tip.y).toBeCloseTo(chain.palmarMm, 2)
      }),
      RUNS,
    ))

  it('turn the way their names say: palm up, back of the hand, toward the little finger', () => {
    const tip = (angles: Partial<HandAngles>) => fingertip(handFrames(hand(angles)), 'middle')
    expect(tip({ wristFlexion: 60 }).y).toBeLessThan(tip({}).y - 80)
    expect(tip({ wristFlexion: -60 }).y).toBeGreaterThan(tip({}).y + 80)
    expect(tip({ wristUlnarDeviation: 30 }).x).toBeLessThan(tip({}).x - 60)
    expect(tip({ wristUlnarDeviation: -20 }).x).toBeGreaterThan(tip({}).x + 40)
    // With the thumb up at 0, supination turns the palm up: gravity pulls along −x.
    const palmUp = new Vector3(0, -1, 0).applyQuaternion(
      handFrames(hand({ forearmSupination: 90 })).hand.turn,
    )
    expect(palmUp.x).toBeCloseTo(1, 6)
  })

  it('spread away from the middle finger, and lie side by side at 0', () => {
    const gap = (spread: number, a: Finger, b: Finger) => {
      const fingers = Object.fromEntries(FINGERS.map((finger) => [finger, { ...straight, spread }]))
      const frames = handFrames(hand({ fingers: fingers as HandAngles['fingers'] }))
      return fingertip(frames, a).distanceTo(fingertip(frames, b))
    }
    for (const [a, b] of [
      ['index', 'middle'],
      ['middle', 'ring'],
      ['ring', 'little'],
    ] as const) {
      expect(gap(20, a, b)).toBeGreaterThan(gap(0, a, b) + 8)
      expect(
        degrees(tipDirection(handFrames(hand()), a).angleTo(tipDirection(handFrames(hand()), b))),
      ).toBeLessThan(8)
    }
  })

  it('of the thumb move out to the side and out in front', () => {
    const tip = (radial: number, palmar: number) =>
      fingertip(handFrames(hand({ thumb: { radial, palmar, turn: 0, mcp: 0, ip: 0 } })), 'thumb')
    expect(tip(50, 0).x).toBeGreaterThan(tip(0, 0).x + 40)
    expect(tip(0, 50).y).toBeLessThan(tip(0, 0).y - 40)
  })
})

/** Forward and to the palm in the plane in which a finger bends. */
function planeOf(finger: Finger): { forward: Vector3; palmward: Vector3 } {
  const at = (mcp: number) => {
    const frames = handFrames(only(finger, { mcp }))
    const metacarpal = frames[`${finger}Metacarpal`].turn.clone().multiply(
      handFrames(only(finger, { mcp: 0 }))
        [`${finger}Metacarpal`].turn.clone()
        .invert(),
    )
    return new Vector3(1, 0, 0).applyQuaternion(
      frames[`${finger}Proximal`].turn.clone().premultiply(metacarpal.invert()),
    )
  }
  // Adduction is gone at 90°: there the bone's own x is the axis it bends about.
  const axis = at(90)
  const straightUp = new Vector3(0, 0, -1)
  const forward = straightUp.clone().addScaledVector(axis, -straightUp.dot(axis)).normalize()
  return { forward, palmward: new Vector3().crossVectors(axis, forward).negate() }
}

describe('the proportions of the drawn hand', () => {
  const handLengthMm = -BIND_TIPS.middle[2] + 11.5
  const share = (finger: Finger, segment: 'Proximal' | 'Middle') => {
    const published = segmentLengths(finger, handLengthMm)
    const value = segment === 'Proximal' ? published.proximalPhalanx : published.middlePhalanx!
    return (lengthMm(finger, segment) - value) / handLengthMm
  }
  // Source: BUCHHOLZ-1992, segment lengths as shares of the hand's length. The mesh is one hand, not the mean of many.
  it.each(FINGERS)('of the %s finger lie within 3 % of the hand’s length of the published mean', (finger) => {
    for (const segment of ['Proximal', 'Middle'] as const)
      expect(Math.abs(share(finger, segment))).toBeLessThan(0.03)
  })

  it('start from bones that run through their joints, as they were modelled', () => {
    for (const finger of FINGERS)
      for (const [from, to] of [
        ['Proximal', 'Middle'],
        ['Middle', 'Distal'],
      ] as const) {
        const [a, b] = [BIND_POSE[`${finger}${from}`], BIND_POSE[`${finger}${to}`]]
        const along = new Vector3(...b.at).sub(new Vector3(...a.at)).normalize()
        const [x, y, z, w] = a.turn
        const own = new Vector3(0, 0, -1).applyQuaternion({ x, y, z, w } as never)
        expect(degrees(along.angleTo(own))).toBeLessThan(0.02)
      }
  })
})
