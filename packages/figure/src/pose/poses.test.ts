import { REST_ANGLES } from '@pledge/core'
import { describe, expect, it } from 'vitest'
import { FINGERS, type Finger } from '../hand/bones.js'
import { blend } from './blend.js'
import { BODY_MM, bodyFrames, type BodyAngles } from './bodyFrames.js'
import { figurePose } from './figurePose.js'
import { fingertip, handFrames, pad } from './handFrames.js'
import { helperHand } from './helperHand.js'

const straight = { mcpFlexion: 0, pipFlexion: 0, dipFlexion: 0 }
const fist = { mcpFlexion: 85, pipFlexion: 100, dipFlexion: 65 }

describe('a pose of the catalogue', () => {
  it('keeps the angles it states, for each finger', () => {
    const { fingers } = figurePose(fist)
    for (const finger of FINGERS) expect(fingers[finger]).toEqual({ mcp: 85, pip: 100, dip: 65, spread: 0 })
  })
  it('leaves a joint nobody stated at rest', () => {
    const pose = figurePose({ pipFlexion: 90 })
    expect(pose.wristFlexion).toBe(REST_ANGLES.wristFlexion)
    expect(pose.body.elbowFlexion).toBe(REST_ANGLES.elbowFlexion)
    // A hand at rest bends more toward the little finger; on the mean it rests where the catalogue says.
    const mean = FINGERS.reduce((sum, finger) => sum + pose.fingers[finger].mcp, 0) / 4
    expect(Math.abs(mean - REST_ANGLES.mcpFlexion)).toBeLessThan(1)
    expect(pose.fingers.little.mcp).toBeGreaterThan(pose.fingers.index.mcp)
  })
  it('moves only the fingers it is for; the others stay as they start', () => {
    const { fingers } = figurePose(fist, ['middle'], straight)
    expect(fingers.middle.pip).toBe(100)
    expect(fingers.index.pip).toBe(0)
  })
  it('lays the thumb beside a fist without bending it: nobody said that it moves', () => {
    expect(figurePose(fist).thumb).toMatchObject({
      mcp: REST_ANGLES.thumbMcpFlexion,
      ip: REST_ANGLES.thumbIpFlexion,
    })
    expect(figurePose({ ...fist, thumbMcpFlexion: 30, thumbIpFlexion: 30 }).thumb).toMatchObject({
      mcp: 30,
      ip: 30,
    })
    expect(figurePose({ mcpFlexion: 0, pipFlexion: 95, dipFlexion: 60 }).thumb.ip).toBe(
      REST_ANGLES.thumbIpFlexion,
    )
  })
  it('keeps a thumb’s stated angles in a fist', () => {
    const { thumb } = figurePose({
      ...fist,
      thumbRadialAbduction: 25,
      thumbMcpFlexion: 30,
      thumbIpFlexion: 30,
    })
    expect(thumb).toMatchObject({ radial: 25, mcp: 30, ip: 30 })
  })
  it('closes the hand on what it grips where no finger is stated', () => {
    const { fingers, thumb } = figurePose({ wristFlexion: -45 }, FINGERS, {}, 'cylindrical')
    expect(fingers.index.pip).toBeGreaterThan(60)
    expect(thumb.palmar).toBeGreaterThan(40)
  })
  it.each<[Finger, number]>([
    ['index', 3],
    ['middle', 4],
    ['ring', 5],
    ['little', 6],
  ])('brings the thumb’s pad to the %s finger’s', (finger, opposition) => {
    const frames = handFrames(figurePose({ ...straight, opposition }))
    expect(pad(frames, 'thumb').distanceTo(pad(frames, finger))).toBeLessThan(5)
    for (const other of FINGERS)
      if (other !== finger)
        expect(pad(frames, 'thumb').distanceTo(pad(frames, other))).toBeGreaterThan(
          pad(frames, 'thumb').distanceTo(pad(frames, finger)),
        )
  })
})

describe('a movement', () => {
  const [open, closed] = [figurePose(straight), figurePose(fist)]
  it('begins at the one and ends at the other', () => {
    expect(blend(open, closed, 0)).toEqual(open)
    const end = blend(open, closed, 1)
    expect(end.fingers).toEqual(closed.fingers)
    expect(end.thumb.palmar).toBeCloseTo(closed.thumb.palmar, 9)
  })
  it('closes the fingers before the thumb, and opens the thumb before the fingers', () => {
    const closing = blend(open, closed, 0.5)
    expect(closing.fingers.index.pip).toBeGreaterThan(70)
    expect(closing.thumb).toEqual(open.thumb)
    const opening = blend(closed, open, 0.5)
    expect(opening.thumb).toEqual(open.thumb)
    expect(opening.fingers.index.pip).toBeGreaterThan(70)
  })
  it('never drives the thumb through the index on the way to a fist', () => {
    for (let time = 0; time <= 1; time += 0.05) {
      const frames = handFrames(blend(open, closed, time))
      const nearest = Math.min(
        ...(['indexMiddle', 'indexDistal', 'middleMiddle'] as const).map((bone) =>
          frames[bone].at.distanceTo(fingertip(frames, 'thumb')),
        ),
      )
      expect(nearest).toBeGreaterThan(7)
    }
  })
  it('takes the fingers in turn where they go one after another', () => {
    const middle = blend(open, closed, 0.45, FINGERS)
    expect(middle.fingers.index.mcp).toBeGreaterThan(middle.fingers.middle.mcp)
    expect(middle.fingers.little.mcp).toBeLessThan(5)
    expect(blend(open, closed, 1, FINGERS).fingers.little.mcp).toBe(85)
  })
})

describe('the upper body', () => {
  const body = (changes: Partial<BodyAngles> = {}): BodyAngles => ({
    elbowFlexion: 0,
    shoulderFlexion: 0,
    shoulderAbduction: 0,
    shoulderInternalRotation: 0,
    neckSideBend: 0,
    ...changes,
  })
  const wrist = (changes: Partial<BodyAngles>) => bodyFrames(body(changes)).forearm.at
  it('hangs its arm straight down with every joint at 0', () => {
    const { x, y, z } = wrist({})
    expect([x, y, z]).toEqual([
      expect.closeTo(BODY_MM.shoulder.x, 6),
      expect.closeTo(BODY_MM.shoulder.y - BODY_MM.upperArm - BODY_MM.forearm, 6),
      expect.closeTo(BODY_MM.shoulder.z, 6),
    ])
  })
  it.each<[string, Partial<BodyAngles>, 'x' | 'y' | 'z', 1 | -1]>([
    ['bends the elbow forward', { elbowFlexion: 90 }, 'z', 1],
    ['lifts the arm forward', { shoulderFlexion: 90 }, 'z', 1],
    ['takes it back', { shoulderFlexion: -40 }, 'z', -1],
    ['lifts it to its own side', { shoulderAbduction: 90 }, 'x', 1],
    [
      'turns the bent forearm in, across the body',
      { elbowFlexion: 90, shoulderInternalRotation: 60 },
      'x',
      -1,
    ],
    ['and out', { elbowFlexion: 90, shoulderInternalRotation: -60 }, 'x', 1],
  ])('%s', (_name, angles, axis, sign) =>
    expect((wrist(angles)[axis] - wrist({})[axis]) * sign).toBeGreaterThan(100),
  )
  it('bends the head toward the exercised arm', () => {
    const { head, neck } = bodyFrames(body({ neckSideBend: 25 }))
    expect(head.at.x - neck.at.x).toBeGreaterThan(15)
  })
  it('keeps the elbow’s angle between upper arm and forearm', () => {
    for (const elbowFlexion of [10, 60, 125]) {
      const { shoulder, elbow, forearm } = bodyFrames(body({ elbowFlexion, shoulderAbduction: 70 }))
      const [upper, lower] = [elbow.clone().sub(shoulder.at), forearm.at.clone().sub(elbow)]
      expect((upper.angleTo(lower) * 180) / Math.PI).toBeCloseTo(elbowFlexion, 6)
    }
  })
})

describe('the helping hand', () => {
  const frames = handFrames(figurePose({ ...straight, wristFlexion: 0 }))
  it('is the other hand: a mirrored one', () => {
    for (const place of ['tip', 'back', 'palm', 'forearm', 'same-palm', 'rub-palm'] as const)
      expect(helperHand(place, frames, 'index')!.placed.determinant()).toBeCloseTo(-1, 6)
    expect(helperHand('none', frames, 'index')).toBeNull()
  })
  it('holds the segment between thumb and index', () => {
    const help = helperHand('middle-bone', frames, 'middle')!
    const between = pad(help.frames, 'thumb').add(pad(help.frames, 'index')).multiplyScalar(0.5)
    const { at, turn } = frames.middleMiddle
    const local = between.applyMatrix4(help.placed).sub(at).applyQuaternion(turn.clone().invert())
    expect(Math.hypot(local.x, local.y)).toBeLessThan(1)
    expect(-local.z).toBeGreaterThan(5)
  })
  it('follows what it moves', () => {
    const [from, to] = [0, 60].map((mcpFlexion) => {
      const now = handFrames(figurePose({ ...straight, mcpFlexion, wristFlexion: 0 }))
      return helperHand('tip', now, 'index')!.placed
    })
    expect(to!.elements[13]! - from!.elements[13]!).toBeLessThan(-30)
  })
})
