import type { Depicted, Digit } from '@pledge/core'
import { describe, expect, it } from 'vitest'
import { measuredPicture } from './measuredPicture.js'
import { pictureOf, poseAt } from './pictureOf.js'
import { loopMoment } from './timeline.js'

const fingers = { mcpFlexion: 0, pipFlexion: 0, dipFlexion: 0 }
const exercise = (changes: Partial<Depicted> = {}): Depicted => ({
  family: 'active-range',
  region: 'fingers',
  start: fingers,
  shapes: [{ mcpFlexion: 85, pipFlexion: 100, dipFlexion: 65 }],
  force: 'active',
  grip: 'none',
  equipment: [],
  side: 'one',
  turns: 'together',
  ...changes,
})
const between = (start: Depicted['start'], end: Depicted['start'], changes: Partial<Depicted> = {}) =>
  pictureOf(exercise({ start, shapes: [end], ...changes }))

describe('from where a movement is looked at', () => {
  it.each<[string, Depicted['start'], Depicted['start'], Partial<Depicted>, string]>([
    ['a fist half from the palm', fingers, { ...fingers, pipFlexion: 100 }, {}, 'thumb-palm'],
    [
      'flat fingers that bend at the big knuckles in profile',
      fingers,
      { ...fingers, mcpFlexion: 80 },
      {},
      'thumb',
    ],
    ['spreading from the palm', { fingerSpread: 0 }, { fingerSpread: 20 }, {}, 'palm'],
    [
      'a wrist that waves from the back',
      { wristUlnarDeviation: -15 },
      { wristUlnarDeviation: 25 },
      { region: 'wrist' },
      'back',
    ],
    [
      'a wrist on a table from its side',
      { wristFlexion: 60, forearmSupination: -80 },
      { wristFlexion: -60, forearmSupination: -80 },
      { region: 'wrist' },
      'laid-side',
    ],
    [
      'a wrist that is helped from where the other hand hides least',
      { wristFlexion: 0, forearmSupination: -80 },
      { wristFlexion: 60, forearmSupination: -80 },
      { region: 'wrist', force: 'passive by other hand' },
      'laid-outer',
    ],
    [
      'a forearm that turns from the front',
      { forearmSupination: -70 },
      { forearmSupination: 70 },
      {},
      'laid-front',
    ],
    ['a thumb that crosses from the palm', { opposition: 0 }, { opposition: 8 }, { region: 'thumb' }, 'palm'],
    [
      'an elbow with the body, from the arm’s side',
      { elbowFlexion: 10 },
      { elbowFlexion: 130 },
      {},
      'arm-side',
    ],
    [
      'a nerve with head and trunk, from the front',
      { elbowFlexion: 90, shoulderAbduction: 80, neckSideBend: 0 },
      { elbowFlexion: 10, shoulderAbduction: 80, neckSideBend: -25 },
      {},
      'front',
    ],
  ])('%s', (_what, start, end, changes, view) => expect(between(start, end, changes).view).toBe(view))

  it('is what the entry says where it says so', () =>
    expect(pictureOf(exercise({ picture: { view: 'little' } })).view).toBe('little'))
})

describe('what moves', () => {
  it('are the segments beyond the joints whose angle changes', () => {
    const dip = between(fingers, { ...fingers, dipFlexion: 60 })
    expect(dip.moving).toEqual(['indexDistal', 'middleDistal', 'ringDistal', 'littleDistal'])
    expect(between({ thumbIpFlexion: 0 }, { thumbIpFlexion: 60 }).moving).toEqual(['thumbDistal'])
    expect(between({ wristFlexion: 0 }, { wristFlexion: 40 }).moving).not.toContain('forearm')
  })
  it('is nothing in a hold', () => {
    const hold = between({ wristFlexion: -20 }, { wristFlexion: -20 }, { force: 'isometric' })
    expect(hold.moving).toEqual([])
    expect(hold.isAtRest).toBe(true)
  })
  it('is seen from near by where only the end of one finger moves', () => {
    const one = { picture: { digits: ['index'] } } as const
    expect(between(fingers, { ...fingers, dipFlexion: 20 }, one).isNear).toBe(true)
    expect(between(fingers, { ...fingers, dipFlexion: 20 }).isNear).toBe(false)
    expect(between(fingers, { ...fingers, mcpFlexion: 20 }, one).isNear).toBe(false)
  })
  it('are the fingers the entry names; the others stay as it starts', () => {
    const picture = pictureOf(exercise({ picture: { digits: ['ring'] } }))
    expect(picture.shapes[0]!.fingers.ring.pip).toBe(100)
    expect(picture.shapes[0]!.fingers.index.pip).toBe(0)
    expect(picture.followed).toBe('ring')
  })
})

describe('where one finger stands for one', () => {
  const tip = exercise({
    picture: { view: 'thumb', digits: ['index'] },
    shapes: [{ ...fingers, dipFlexion: 40 }],
  })
  it('it is the injured one that moves, looked at from where it is seen', () => {
    const ring = pictureOf(tip, {}, ['ring'])
    expect(ring.moving).toEqual(['ringDistal'])
    expect(ring.view).toBe('little')
    expect(pictureOf(tip, {}, ['middle']).view).toBe('thumb')
  })
  it('it is the entry’s where the thumb or several fingers are injured', () => {
    expect(pictureOf(tip, {}, ['thumb']).moving).toEqual(['indexDistal'])
    expect(pictureOf(tip, {}, ['ring', 'little']).moving).toEqual(['indexDistal'])
  })
  it('it is the chosen one, before the injured one', () => {
    const little = pictureOf(tip, {}, ['ring'], ['little'])
    expect(little.moving).toEqual(['littleDistal'])
    expect(little.view).toBe('little')
    expect(pictureOf(tip, {}, ['ring'], ['middle', 'ring']).moving).toEqual(['middleDistal', 'ringDistal'])
  })
  it('all fingers stay all fingers', () =>
    expect(pictureOf(exercise(), {}, ['ring']).moving).toContain('indexProximal'))
})

describe('who helps, and with what', () => {
  it.each<[string, Partial<Depicted>, string]>([
    ['nobody where the hand moves itself', {}, 'none'],
    ['at the tip where fingers are bent passively', { force: 'passive by other hand' }, 'tip'],
    [
      'on the palm where the wrist is drawn back',
      { force: 'passive by other hand', start: { wristFlexion: 0 }, shapes: [{ wristFlexion: -60 }] },
      'palm',
    ],
    [
      'at the bone before the joint that is blocked',
      { family: 'blocking', start: fingers, shapes: [{ ...fingers, dipFlexion: 60 }] },
      'middle-bone',
    ],
    [
      'at the forearm where it is turned',
      { force: 'active-assisted', start: { forearmSupination: 0 }, shapes: [{ forearmSupination: 70 }] },
      'forearm',
    ],
  ])('%s', (_what, changes, helper) => expect(pictureOf(exercise(changes)).helper).toBe(helper))

  it('draws a table only under what lies on it, with its edge where the wrist hangs over', () => {
    expect(pictureOf(exercise({ equipment: ['table'] })).props).toEqual([])
    const lies = { equipment: ['table'], region: 'wrist' } as const
    const down = { forearmSupination: -80 }
    expect(between({ ...down, wristFlexion: 40 }, { ...down, wristFlexion: -40 }, lies).props).toEqual([
      'table-edge',
    ])
    expect(between({ ...down, ...fingers }, { ...down, ...fingers, mcpFlexion: -15 }, lies).props).toEqual([
      'table',
    ])
  })
  it('leaves out what has no simple form', () =>
    expect(pictureOf(exercise({ equipment: ['timer', 'putty'] })).props).toEqual(['putty']))
})

describe('a picture within the patient’s limits', () => {
  const wrist = exercise({ start: { wristFlexion: 65 }, shapes: [{ wristFlexion: -60 }] })
  it('stops at them and says so', () => {
    const picture = pictureOf(wrist, { wristFlexion: [-35, 40] })
    expect(picture.shapes[0]!.wristFlexion).toBe(-35)
    expect(picture.start.wristFlexion).toBe(40)
    expect(picture.clipped).toEqual([{ angle: 'wristFlexion', askedDeg: 65, drawnDeg: 40 }])
  })
  it('is the exercise’s own where the patient goes as far', () => {
    const picture = pictureOf(wrist, { wristFlexion: [-70, 80], forearmSupination: [-10, 10] })
    expect(picture.clipped).toEqual([])
    expect(picture.shapes[0]!.wristFlexion).toBe(-60)
  })
})

describe('a measured position', () => {
  it('has what was read, the other side as its ghost, and the unread named', () => {
    const at = (wristFlexion: number) => ({ pose: { wristFlexion } })
    const { picture, unknown } = measuredPicture(at(40), at(70), 'thumb')
    expect(picture.shapes[0]!.wristFlexion).toBe(40)
    expect(picture.start.wristFlexion).toBe(70)
    expect(unknown).toContain('indexProximal')
    expect(unknown).not.toContain('hand')
  })
  it('has each finger by itself, and every joint nobody read as unknown', () => {
    const ring = { fingers: { ring: { mcp: 80, pip: 95 } } }
    const { picture, unknown } = measuredPicture(ring, { fingers: { ring: { pip: 110 } } }, 'little')
    const rest = measuredPicture({}, null, 'little').picture.start.fingers
    expect(picture.shapes[0]!.fingers.ring).toMatchObject({ mcp: 80, pip: 95, dip: rest.ring.dip })
    expect(picture.shapes[0]!.fingers.index).toEqual(rest.index)
    expect(picture.start.fingers.ring).toMatchObject({ mcp: rest.ring.mcp, pip: 110 })
    expect(unknown).toEqual(expect.arrayContaining(['ringDistal', 'indexProximal', 'thumbDistal']))
    for (const known of ['ringProximal', 'ringMiddle', 'ringMetacarpal', 'hand'] as const)
      expect(unknown).not.toContain(known)
  })
  it('of nothing is a hand at rest, unknown to the wrist, without a ghost', () => {
    const { picture, unknown } = measuredPicture({}, null, 'thumb')
    expect(unknown).toContain('hand')
    expect(picture.isAtRest).toBe(true)
  })
})

describe('time', () => {
  it('goes there, stays, comes back and breathes, shape after shape', () => {
    const at = (seconds: number) => loopMoment(seconds, 2)
    expect(at(0)).toEqual({ shape: 0, time: 0 })
    expect(at(2.4)).toEqual({ shape: 0, time: 1 })
    expect(at(5.2)).toEqual({ shape: 0, time: 0 })
    expect(at(5.4 + 2.4)).toEqual({ shape: 1, time: 1 })
    expect(at(2 * 5.4).shape).toBe(0)
  })
  it('draws the start at 0 and the shape at 1', () => {
    const picture = pictureOf(exercise())
    expect(poseAt(picture, 0, 0)).toEqual(picture.start)
    expect(poseAt(picture, 0, 1).fingers).toEqual(picture.shapes[0]!.fingers)
  })
})

describe('a finger that a yoke holds straighter than its neighbors', () => {
  const yoke = exercise({
    shapes: [{ mcpFlexion: 60, pipFlexion: 90, dipFlexion: 50 }],
    mendedFinger: { mcpFlexion: 42 },
  })
  it.each([
    ['the patient’s own', ['ring'] as const, 'ring', 'middle'],
    ['the middle one where nobody is injured', [] as const, 'middle', 'ring'],
  ] as const)('is %s', (_case, injured, mended, neighbor) => {
    const { start, shapes } = pictureOf(yoke, {}, injured)
    expect(shapes[0]!.fingers[mended]).toMatchObject({ mcp: 42, pip: 90, dip: 50 })
    expect(shapes[0]!.fingers[neighbor].mcp).toBe(60)
    expect(start.fingers[mended].mcp).toBe(0)
  })
})

describe('chosen digits', () => {
  const start = { ...fingers, thumbIpFlexion: 5 }
  const end = { mcpFlexion: 70, pipFlexion: 80, dipFlexion: 40, thumbIpFlexion: 45 }
  const drawn = (chosen: readonly Digit[] | null, more: Partial<Depicted> = {}) =>
    pictureOf(exercise({ start, shapes: [end], ...more }), {}, [], chosen)
  it('bend, and the others stay as it starts', () => {
    const { shapes, moving, view } = drawn(['ring', 'little'])
    expect([shapes[0]!.fingers.ring.pip, shapes[0]!.fingers.little.pip]).toEqual([80, 80])
    expect([shapes[0]!.fingers.index.pip, shapes[0]!.thumb.ip]).toEqual([0, 5])
    expect(moving).not.toContain('middleDistal')
    expect(view).toBe('little-palm')
  })
  it('may be the thumb alone', () => {
    const { shapes, moving, followed } = drawn(['thumb'])
    expect(shapes[0]!.thumb.ip).toBe(45)
    expect(shapes[0]!.fingers.index.pip).toBe(0)
    expect(moving).toEqual(['thumbDistal'])
    expect(followed).toBe('thumb')
  })
  it('change nothing where a thumb meets the fingers', () =>
    expect(drawn(['ring'], { region: 'thumb' })).toEqual(drawn(null, { region: 'thumb' })))
})

it('while fingers take turns and one stands for all, the thumb waits for its own', () => {
  const start = { ...fingers, thumbIpFlexion: 5 }
  const end = { mcpFlexion: 70, pipFlexion: 80, dipFlexion: 40, thumbIpFlexion: 45 }
  const alone = between(start, end, { turns: 'digits in turn', picture: { digits: ['index'] } })
  expect(alone.shapes[0]!.thumb.ip).toBe(5)
  expect(alone.moving).not.toContain('thumbDistal')
  expect(between(start, end).shapes[0]!.thumb.ip).toBe(45)
})
