import type { PictureProp } from '@pledge/core'
import {
  CatmullRomCurve3,
  Group,
  LatheGeometry,
  Quaternion,
  SphereGeometry,
  TubeGeometry,
  Vector2,
  Vector3,
} from 'three'
import { type Bone, FINGERS, type Finger } from '../hand/bones.js'
import { type HandFrames, lengthMm, pad } from '../pose/handFrames.js'
import { discard } from './discard.js'
import { LOOK } from './look.js'
import { box, capsule, cylinder, layAlong, ring, solid, sphere, stretchBetween } from './solids.js'

/** A thing drawn with the hand, in the frame the forearm lies in; `place` follows the hand. */
export interface Prop {
  readonly object: Group
  place(frames: HandFrames): void
}

export interface PropContext {
  /** The picture is laid down: gravity pulls along −x of the forearm's frame. */
  readonly isLaid: boolean
  /** Frames at the start, for what lies still. */
  readonly start: HandFrames
  /** Frames at the end of the movement. */
  readonly end: HandFrames
  readonly fingers: readonly Finger[]
  /** Where gravity pulls now, in the frame of the forearm; the stage keeps it. */
  readonly down: Vector3
}

const DOWN = new Vector3(-1, 0, 0)
/** From the bones of the hand to a little above the skin of the palm. */
const PALM_MM = 32
const on = (frames: HandFrames, bone: Bone, x: number, y: number, z: number) =>
  new Vector3(x, y, z).applyQuaternion(frames[bone].turn).add(frames[bone].at)
const axis = (frames: HandFrames, bone: Bone, x: number, y: number, z: number) =>
  new Vector3(x, y, z).applyQuaternion(frames[bone].turn)
const mean = (points: readonly Vector3[]) =>
  points.reduce((sum, point) => sum.add(point), new Vector3()).divideScalar(points.length)
const still = (object: Group): Prop => ({ object, place: () => {} })

/** The middle of what the fingers close around: between the palm and the pads of their middle segments. */
function gripMiddle(frames: HandFrames): Vector3 {
  const inside = FINGERS.map((finger) =>
    on(frames, `${finger}Middle`, 0, -9, -lengthMm(finger, 'Middle') / 2),
  )
  return mean([on(frames, 'hand', 0, -30, -72), mean(inside), mean(inside)])
}
/** How far the palm is from the fingers' middle segments: what the grip has room for, mm. */
function gripRoomMm(frames: HandFrames): number {
  const inside = FINGERS.map((finger) =>
    on(frames, `${finger}Middle`, 0, -8, -lengthMm(finger, 'Middle') / 2),
  )
  return on(frames, 'hand', 0, -27, -74).distanceTo(mean(inside))
}

/** Held in the fist, across the palm. */
function held(body: Group, alongMm = 0): Prop {
  return {
    object: body,
    place: (frames) =>
      layAlong(
        body,
        gripMiddle(frames).add(axis(frames, 'hand', alongMm, 0, 0)),
        axis(frames, 'hand', 1, -0.12, 0.18),
      ),
  }
}

/** Held in the bend of the fingers, off the palm. */
function hooked(radiusMm: number, lengthMmOfBody: number): Prop {
  const body = cylinder(radiusMm, lengthMmOfBody, LOOK.metal)
  return {
    object: body,
    place: (frames) => {
      const inside = (finger: Finger) =>
        on(frames, `${finger}Middle`, 0, -8 - radiusMm, -lengthMm(finger, 'Middle') / 2)
      const [index, little] = [inside('index'), inside('little')]
      layAlong(body, mean(FINGERS.map(inside)), index.sub(little))
    },
  }
}

function squeezed(body: Group, radiusMm: number): Prop {
  return {
    object: body,
    place: (frames) => {
      body.position.copy(gripMiddle(frames))
      body.quaternion.copy(frames.hand.turn)
      const flat = Math.min(1, Math.max(0.5, gripRoomMm(frames) / (2 * radiusMm)))
      body.scale.set(1 / Math.sqrt(flat), flat, 1 / Math.sqrt(flat))
    },
  }
}

/** Lies on the back of the hand. */
function onBack(body: Group, aboveMm: number): Prop {
  return {
    object: body,
    place: (frames) => {
      body.position.copy(on(frames, 'hand', -2, aboveMm, -66))
      body.quaternion.copy(frames.hand.turn)
    },
  }
}

/** The surface the hand lies on: under the lowest skin, seen from where gravity pulls. */
function table(context: PropContext, hasEdge: boolean): Prop {
  const { start } = context
  const [thick, palmMm] = [14, hasEdge ? 24 : 27]
  const [from, to] = [hasEdge ? 12 : -235, 300]
  const down = context.isLaid ? DOWN : axis(start, 'hand', 0, -1, 0)
  const object = new Group()
  const slab = box(thick, 300, to - from, LOOK.wood)
  const side = context.isLaid ? new Vector3(0, 1, 0) : axis(start, 'hand', 1, 0, 0)
  const along = new Vector3(0, 0, 1)
  slab.quaternion.setFromRotationMatrix(
    new Group().matrix.makeBasis(down.clone().negate(), side, along.clone()),
  )
  slab.position.copy(
    down
      .clone()
      .multiplyScalar(palmMm + thick / 2)
      .addScaledVector(along, (from + to) / 2),
  )
  object.add(slab)
  return still(object)
}

/** A band over several points that follows them: drawn anew with each pose. */
function cord(
  points: (frames: HandFrames) => Vector3[],
  tubeMm: number,
  color: string,
  isClosed: boolean,
): Prop {
  const object = new Group()
  return {
    object,
    place: (frames) => {
      for (const old of [...object.children]) discard(old)
      const curve = new CatmullRomCurve3(points(frames), isClosed, 'catmullrom', 0.4)
      object.add(solid(new TubeGeometry(curve, 48, tubeMm, 8, isClosed), color, 0.5))
    },
  }
}

function segmentRings(bones: readonly Bone[], radiusMm: number, tubeMm: number, color: string): Prop {
  const object = new Group()
  const rings = bones.map((bone) => {
    const one = ring(radiusMm, tubeMm, color)
    object.add(one)
    return { bone, one }
  })
  return {
    object,
    place: (frames) =>
      rings.forEach(({ bone, one }) => {
        const [, digit, segment] = /^(thumb|index|middle|ring|little)(\w+)$/.exec(bone)!
        const half = segment === 'Distal' ? 9 : lengthMm(digit as Finger, segment as 'Middle') / 2
        one.position.copy(on(frames, bone, 0, -1, -half))
        one.quaternion.copy(frames[bone].turn)
      }),
  }
}

const BUILD: Readonly<Record<PictureProp, (context: PropContext) => Prop>> = {
  table: (context) => table(context, false),
  'table-edge': (context) => table(context, true),
  pillow: (context) => {
    const pillow = capsule(34, 150, LOOK.cloth)
    const down = context.isLaid ? DOWN : axis(context.start, 'forearm', 0, -1, 0)
    pillow.position.copy(down.clone().multiplyScalar(66)).add(new Vector3(0, 0, 120))
    pillow.quaternion.copy(new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), new Vector3(0, 0, 1)))
    pillow.scale.set(1.6, 1, 1)
    return still(pillow)
  },
  ball: () => squeezed(sphere(30, LOOK.soft), 30),
  'large-ball': () => {
    const ball = sphere(95, LOOK.soft)
    return {
      object: ball,
      place: (frames) => ball.position.copy(on(frames, 'hand', 0, -118, -85)),
    }
  },
  'pinched-putty': () => {
    const ball = sphere(10, LOOK.soft)
    return {
      object: ball,
      place: (frames) =>
        ball.position.copy(mean([pad(frames, 'thumb'), pad(frames, 'index'), pad(frames, 'index')])),
    }
  },
  'putty-between': () => {
    const ball = capsule(7, 16, LOOK.soft)
    return {
      object: ball,
      place: (frames) =>
        layAlong(
          ball,
          mean([on(frames, 'indexMiddle', 0, -2, -8), on(frames, 'middleMiddle', 0, -2, -8)]),
          axis(frames, 'hand', 0, 1, 0),
        ),
    }
  },
  putty: () => squeezed(sphere(27, LOOK.soft), 27),
  rod: () => held(cylinder(15, 200, LOOK.wood)),
  pen: () => hooked(4.5, 140),
  marker: () => hooked(9.5, 150),
  can: () => held(cylinder(30, 120, LOOK.metal)),
  weight: () => {
    const object = new Group()
    object.add(cylinder(12, 104, LOOK.metal))
    for (const side of [-1, 1]) {
      const disc = cylinder(24, 22, LOOK.metal)
      disc.position.y = side * 62
      object.add(disc)
    }
    return held(object)
  },
  hammer: () => {
    const object = new Group()
    const handle = cylinder(11, 240, LOOK.wood)
    handle.position.y = 50
    const head = cylinder(17, 84, LOOK.metal)
    head.position.y = 172
    head.rotation.x = Math.PI / 2
    object.add(handle, head)
    return held(object)
  },
  band: (context) => {
    const object = new Group()
    const strap = cylinder(4, 1, LOOK.band)
    object.add(strap)
    const [from, to] = [gripMiddle(context.start), gripMiddle(context.end)]
    const pull = from.clone().sub(to)
    const far = from.clone().addScaledVector(pull.lengthSq() < 1 ? DOWN : pull.normalize(), 170)
    return { object, place: (frames) => stretchBetween(strap, gripMiddle(frames), far) }
  },
  'finger-band': () =>
    cord(
      (frames) => [
        on(frames, 'thumbDistal', 0, 8, -6),
        on(frames, 'indexDistal', 7, 3, -4),
        on(frames, 'middleDistal', 0, 8, -4),
        on(frames, 'ringDistal', 0, 8, -4),
        on(frames, 'littleDistal', -7, 2, -4),
        on(frames, 'ringDistal', 0, -8, -4),
        on(frames, 'middleDistal', 0, -9, -4),
        on(frames, 'thumbDistal', 0, -9, -6),
      ],
      1.6,
      LOOK.band,
      true,
    ),
  /** A cuff at the wrist and from it a cord to every fingertip, over the palm. */
  cords: () => {
    const cuff = ring(27, 5, LOOK.band)
    const strands = FINGERS.map((finger, place) =>
      cord(
        (frames) => {
          const [tip, wrist] = [pad(frames, finger), on(frames, 'forearm', 9 - 6 * place, -27, 20)]
          const between = mean([tip, wrist])
          const palmar = axis(frames, 'hand', 0, -1, 0)
          const above = between.clone().sub(frames.hand.at).dot(palmar)
          return [tip, between.addScaledVector(palmar, Math.max(0, PALM_MM - above)), wrist]
        },
        1.7,
        LOOK.band,
        false,
      ),
    )
    const object = new Group()
    object.add(cuff, ...strands.map((strand) => strand.object))
    return {
      object,
      place: (frames) => {
        cuff.position.copy(on(frames, 'forearm', 0, 0, 22))
        cuff.quaternion.copy(frames.forearm.turn)
        for (const strand of strands) strand.place(frames)
      },
    }
  },
  /** Stretched in a hoop, the fingers through its holes. */
  net: () => {
    const object = new Group()
    object.add(ring(70, 4, LOOK.band))
    for (const across of [-48, -24, 0, 24, 48])
      for (const isUpright of [true, false]) {
        const thread = cylinder(1.3, 2 * Math.sqrt(70 ** 2 - across ** 2), LOOK.band)
        thread.position.set(isUpright ? across : 0, isUpright ? 0 : across, 0)
        if (!isUpright) thread.rotation.z = Math.PI / 2
        object.add(thread)
      }
    return {
      object,
      place: (frames) => {
        object.position.copy(mean(FINGERS.map((finger) => on(frames, `${finger}Middle`, 0, -4, -4))))
        object.quaternion.copy(frames.middleProximal.turn)
      },
    }
  },
  /** Between the thumb and the side of the index finger. */
  sponge: () => {
    const sponge = box(22, 30, 40, LOOK.soft)
    return {
      object: sponge,
      place: (frames) => {
        sponge.position.copy(mean([pad(frames, 'thumb'), on(frames, 'indexMiddle', 0, -4, -8)]))
        sponge.quaternion.copy(frames.indexMiddle.turn)
      },
    }
  },
  towel: (context) => {
    const cloth = box(5, 190, 220, LOOK.cloth)
    const down = context.isLaid ? DOWN : axis(context.start, 'hand', 0, -1, 0)
    cloth.quaternion.setFromUnitVectors(new Vector3(1, 0, 0), down.clone().negate())
    cloth.position.copy(down.clone().multiplyScalar(27)).add(new Vector3(0, 0, -95))
    return still(cloth)
  },
  'towel-roll': (context) => {
    if (!context.isLaid) return held(cylinder(19, 130, LOOK.cloth))
    const roll = cylinder(24, 190, LOOK.cloth)
    roll.position.copy(DOWN.clone().multiplyScalar(46)).add(new Vector3(0, 0, -18))
    return still(roll)
  },
  'finger-wrap': ({ fingers }) =>
    segmentRings(
      fingers.flatMap((finger) => [`${finger}Proximal`, `${finger}Middle`] as Bone[]),
      10.6,
      2.6,
      LOOK.band,
    ),
  loop: ({ fingers }) => {
    const finger = fingers.length === 4 ? 'middle' : fingers[0]!
    return cord(
      (frames) => [
        on(frames, `${finger}Proximal`, 0, 11, -16),
        on(frames, `${finger}Middle`, 0, 10, -10),
        on(frames, `${finger}Distal`, 0, 8, -12),
        on(frames, `${finger}Distal`, 0, -4, -22),
        on(frames, `${finger}Proximal`, 0, -11, -16),
      ],
      2,
      LOOK.band,
      true,
    )
  },
  buddy: ({ fingers }) =>
    segmentRings(
      (fingers.length === 4 ? (['middle', 'ring'] as const) : fingers).flatMap(
        (finger) => [`${finger}Proximal`, `${finger}Middle`] as Bone[],
      ),
      11.2,
      2.4,
      LOOK.orthosis,
    ),
  sheet: () => {
    const sheet = box(58, 0.8, 84, LOOK.paper)
    return {
      object: sheet,
      place: (frames) => {
        const between = mean([pad(frames, 'thumb'), pad(frames, 'index')])
        sheet.quaternion.copy(frames.indexDistal.turn)
        sheet.position.copy(between).add(axis(frames, 'indexDistal', 0, 0, -36))
      },
    }
  },
  coin: () => {
    const coin = cylinder(11, 2.4, LOOK.metal)
    return {
      object: coin,
      place: (frames) => {
        coin.position.copy(mean([pad(frames, 'thumb'), pad(frames, 'index')]))
        coin.quaternion.copy(frames.indexDistal.turn)
      },
    }
  },
  peg: () => {
    const peg = box(8, 11, 46, LOOK.wood)
    return {
      object: peg,
      place: (frames) => {
        peg.position
          .copy(mean([pad(frames, 'thumb'), pad(frames, 'index')]))
          .add(axis(frames, 'indexDistal', 0, 0, -14))
        peg.quaternion.copy(frames.indexDistal.turn)
      },
    }
  },
  wall: () => {
    const wall = box(240, 10, 330, LOOK.wood)
    return {
      object: wall,
      place: (frames) => {
        wall.position.copy(on(frames, 'hand', 0, -34, -70))
        wall.quaternion.copy(frames.hand.turn)
      },
    }
  },
  plate: () => {
    const plate = cylinder(78, 5, LOOK.paper)
    return {
      object: plate,
      place: (frames) =>
        layAlong(plate, on(frames, 'middleProximal', 0, -24, 4), axis(frames, 'hand', 0, -1, 0)),
    }
  },
  'forearm-ball': () => {
    const ball = sphere(34, LOOK.soft)
    ball.position.copy(DOWN.clone().multiplyScalar(60)).add(new Vector3(0, 0, 62))
    return still(ball)
  },
  pack: () => onBack(box(74, 16, 104, LOOK.cloth), 24),
  patch: () => onBack(box(16, 1.6, 46, LOOK.orthosis), 17),
  clip: () => {
    const clip = box(12, 30, 40, LOOK.wood)
    return {
      object: clip,
      place: (frames) => {
        const web = mean([on(frames, 'thumbProximal', 0, 0, 6), on(frames, 'indexMetacarpal', 0, 0, -46)])
        clip.position.copy(web).add(axis(frames, 'hand', 6, -2, -14))
        clip.quaternion.copy(frames.hand.turn)
      },
    }
  },
  'web-ball': () => {
    const ball = sphere(17, LOOK.soft)
    return {
      object: ball,
      place: (frames) => {
        const web = mean([
          on(frames, 'thumbMetacarpal', 0, -8, -30),
          on(frames, 'indexMetacarpal', 0, -20, -44),
        ])
        ball.position.copy(web).add(axis(frames, 'hand', 0, -10, -4))
      },
    }
  },
  jar: () => {
    const jar = cylinder(37, 96, LOOK.cloth)
    return {
      object: jar,
      place: (frames) => {
        const at = on(frames, 'hand', 0, -30, -92)
        jar.position.copy(at).addScaledVector(DOWN, 48)
        jar.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), DOWN.clone().negate())
      },
    }
  },
  mouse: () => {
    const mouse = solid(new SphereGeometry(1, 28, 18).scale(18, 32, 54), LOOK.metal)
    return {
      object: mouse,
      place: (frames) => mouse.position.copy(on(frames, 'hand', 0, -26, -92)).addScaledVector(DOWN, 8),
    }
  },
  'wedge-pillow': (context) => {
    const pillow = capsule(46, 170, LOOK.cloth)
    return {
      object: pillow,
      place: () => {
        pillow.position.copy(context.down.clone().multiplyScalar(72)).add(new Vector3(0, 0, 96))
        pillow.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), new Vector3(0, 0, 1))
      },
    }
  },
  bag: (context) => {
    const object = new Group()
    const straps = ring(42, 3.4, LOOK.band)
    straps.position.y = -40
    const bag = box(110, 130, 60, LOOK.cloth)
    bag.position.y = -146
    object.add(straps, bag)
    return {
      object,
      place: (frames) => {
        object.position.copy(gripMiddle(frames))
        object.quaternion.setFromUnitVectors(new Vector3(0, -1, 0), context.down)
      },
    }
  },
  bowl: () => {
    const bowl = solid(
      new LatheGeometry(
        [
          [0, -74],
          [52, -72],
          [80, -48],
          [94, 0],
          [90, 0],
          [76, -44],
          [50, -66],
          [0, -68],
        ].map(([x, y]) => new Vector2(x, y)),
        40,
      ),
      LOOK.cloth,
    )
    bowl.position.set(0, -10, -128)
    bowl.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), new Vector3(0, 0, 1))
    return still(bowl)
  },
}

export function makeProp(name: PictureProp, context: PropContext): Prop {
  return BUILD[name](context)
}
