import type { Orthosis, PictureProp, PictureView } from '@pledge/core'
import {
  AmbientLight,
  DirectionalLight,
  Group,
  HemisphereLight,
  Matrix4,
  OrthographicCamera,
  Quaternion,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three'
import { type Bone, DIGITS, type Digit, FINGERS, type Finger } from '../hand/bones.js'
import type { HandMesh } from '../hand/handFile.js'
import { isBodyView, type Picture, poseAt } from '../picture/pictureOf.js'
import { bodyFrames } from '../pose/bodyFrames.js'
import type { FigurePose } from '../pose/figurePose.js'
import { fingertip, type HandFrames, handFrames } from '../pose/handFrames.js'
import { pushPoint } from '../pose/pushPoint.js'
import { helperHand } from '../pose/helperHand.js'
import { arrowOn, type Point } from './arrow.js'
import { BodyObject } from './bodyObject.js'
import { HandObject } from './handObject.js'
import { OrthosisShell } from './orthosisShell.js'
import { makeProp, type Prop } from './props.js'

/** A direction to look from and what is up, in the frame of the forearm at the start (hand views) or of the room (body). */
interface Gaze {
  readonly from: readonly [number, number, number]
  readonly up: readonly [number, number, number]
  /** Whether the frame is the forearm as it is turned at the start; else the elbow's, in which gravity pulls along −x. */
  readonly turnsWithForearm: boolean
}
const raised = (...from: [number, number, number]): Gaze => ({ from, up: [0, 0, -1], turnsWithForearm: true })
const laid = (...from: [number, number, number]): Gaze => ({ from, up: [1, 0, 0], turnsWithForearm: false })
const GAZES: Readonly<Record<PictureView, Gaze>> = {
  palm: raised(0, -1, -0.05),
  back: raised(0, 1, -0.05),
  thumb: raised(1, 0.1, -0.05),
  'thumb-palm': raised(0.85, -0.6, -0.12),
  'thumb-back': raised(0.72, 0.66, -0.12),
  little: raised(-1, -0.1, -0.05),
  'little-palm': raised(-0.85, -0.6, -0.12),
  'laid-side': laid(0.3, -1, -0.22),
  'laid-outer': laid(0.3, 1, -0.3),
  'laid-above': { from: [1, -0.3, -0.12], up: [0, 0, -1], turnsWithForearm: false },
  'laid-front': laid(0.5, -0.6, -0.62),
  hanging: { from: [0.85, -0.5, -0.42], up: [0, 0, 1], turnsWithForearm: true },
  'hands-together': raised(1, 0.12, -0.05),
  front: { from: [0.16, 0.06, 1], up: [0, 1, 0], turnsWithForearm: false },
  'front-side': { from: [0.75, 0.14, 0.75], up: [0, 1, 0], turnsWithForearm: false },
  'arm-side': { from: [1, 0.1, 0.28], up: [0, 1, 0], turnsWithForearm: false },
}

/** How much of the forearm belongs to the picture of a hand, mm from the wrist. */
const FOREARM_SHOWN_MM = 74
/** Room around what is framed. */
const MARGIN = 1.12
/** No hand is drawn larger than this: half the picture's height, mm. */
const LEAST_HALF_MM = 84
const NEAR_HALF_MM = 52
const BODY_MARGIN_MM = 60
const PATH_STEPS = 36
/** How far a held thing reaches beyond the hand on the thumb's side, mm. */
const REACHES_MM: Readonly<Partial<Record<PictureProp, number>>> = { hammer: 185, weight: 78, rod: 90 }

/** Draws one picture into a canvas: the ghost of the start, the hand, what it holds, the hand that helps, and the arrow. */
export class Stage {
  readonly #renderer: WebGLRenderer
  readonly #scene = new Scene()
  readonly #ghostScene = new Scene()
  readonly #overlay = new Scene()
  readonly #camera = new OrthographicCamera(-1, 1, 1, -1, 1, 6000)
  readonly #flat = new OrthographicCamera(-0.5, 0.5, 0.5, -0.5, -1, 1)
  /** All that is mirrored for a right hand. */
  readonly #root = new Group()
  readonly #ghostRoot = new Group()
  readonly #arm = new Group()
  readonly #ghostArm = new Group()
  readonly #hand: HandObject
  readonly #ghost: HandObject
  #helper: HandObject | null = null
  #body: BodyObject | null = null
  #ghostBody: BodyObject | null = null
  #restingHand: HandObject | null = null
  #props: Prop[] = []
  #shell: OrthosisShell | null = null
  #arrow: Group | null = null
  #picture: Picture | null = null
  #side: 'left' | 'right' = 'left'
  #turned: readonly [number, number] = [0, 0]
  #aspect = 1
  #shape = 0
  #isStopped = false
  #center = new Vector3()
  #halfMm = 112
  readonly #down = new Vector3()

  constructor(
    canvas: HTMLCanvasElement | OffscreenCanvas,
    readonly mesh: HandMesh,
    options: { keepsBuffer?: boolean } = {},
  ) {
    this.#renderer = new WebGLRenderer({
      canvas,
      antialias: true,
      alpha: true,
      preserveDrawingBuffer: options.keepsBuffer ?? false,
    })
    this.#renderer.autoClear = false
    this.#renderer.setClearColor(0x000000, 0)
    this.#hand = new HandObject(mesh, 'own')
    this.#ghost = new HandObject(mesh, 'ghost')
    this.#arm.add(this.#hand)
    this.#ghostArm.add(this.#ghost)
    this.#root.add(this.#arm)
    this.#ghostRoot.add(this.#ghostArm)
    this.#root.matrixAutoUpdate = false
    this.#ghostRoot.matrixAutoUpdate = false
    this.#scene.add(this.#root, this.#camera)
    this.#ghostScene.add(this.#ghostRoot)
    this.#addLights()
  }

  /** Light rides on the camera: however the hand is turned, it is lit from above. */
  #addLights(): void {
    const light = (strength: number, x: number, y: number, z: number, color = 0xffffff) => {
      const one = new DirectionalLight(color, strength)
      one.position.set(x, y, z)
      this.#camera.add(one, one.target)
    }
    const sky = new HemisphereLight(0xffffff, 0xa89c92, 1.75)
    this.#camera.add(sky)
    light(2.1, -0.55, 0.75, 0.75)
    light(0.5, 0.9, -0.1, 0.5)
    light(0.7, 0.2, 0.6, -0.9)
    this.#scene.add(new AmbientLight(0xffffff, 0.1))
  }

  resize(width: number, height: number, pixelRatio = 1): void {
    this.#renderer.setPixelRatio(pixelRatio)
    this.#renderer.setSize(width, height, false)
    this.#aspect = width / height
    this.#frame()
  }

  /** Sets what is drawn; `showGhost` leaves the start or another pose standing behind. */
  show(
    picture: Picture,
    side: 'left' | 'right',
    options: { unknown?: readonly Bone[]; worn?: Orthosis } = {},
  ): void {
    this.#clear()
    this.#picture = picture
    this.#side = side
    this.#turned = [0, 0]
    this.#shape = 0
    this.#isStopped = picture.clipped.length > 0 || picture.push !== 'none'
    // A whole hand in color would say nothing; a hint of it still tells it from the forearm.
    const isWhole = picture.moving.includes('hand')
    this.#hand.tint(isBodyView(picture.view) ? [] : picture.moving, isWhole ? 0.35 : 0.7)
    if (isBodyView(picture.view)) {
      this.#body = new BodyObject()
      this.#restingHand = new HandObject(this.mesh, 'own')
      this.#restingHand.carry(handFrames({ ...RESTING, fingers: picture.start.fingers }))
      this.#body.restingForearm.add(this.#restingHand)
      this.#root.add(this.#body)
      this.#body.forearm.add(this.#arm)
      this.#ghostBody = new BodyObject('ghost')
      this.#ghostBody.pose(bodyFrames(picture.start.body))
      this.#ghostBody.forearm.add(this.#ghostArm)
      this.#ghostRoot.add(this.#ghostBody)
    }
    const start = handFrames(picture.start)
    const end = handFrames(picture.shapes.at(-1)!)
    const isLaid = picture.view.startsWith('laid')
    this.#props = picture.props.map((name) =>
      makeProp(name, { isLaid, start, end, fingers: this.#fingers(), down: this.#down }),
    )
    for (const prop of this.#props) this.#arm.add(prop.object)
    if (picture.helper !== 'none') {
      this.#helper = new HandObject(this.mesh, 'helper')
      this.#helper.matrixAutoUpdate = false
      this.#arm.add(this.#helper)
    }
    this.#shell = OrthosisShell.of(options.worn ?? 'none', this.mesh, this.#hand.skin, this.#fingers())
    if (this.#shell) this.#arm.add(this.#shell)
    this.#hand.hatch(options.unknown ?? [])
    this.#ghost.carry(start)
    this.#ghostArm.quaternion.copy(this.#isHandFixed ? handTurnFrom(picture.start) : new Quaternion())
    this.#arm.quaternion.identity()
    this.#frame()
  }

  /** Hands that lie against each other stay where they are; the forearms move. */
  get #isHandFixed(): boolean {
    return this.#picture?.view === 'hands-together'
  }

  #fingers(): readonly Finger[] {
    return FINGERS.filter((finger) => this.#picture!.moving.some((bone) => bone.startsWith(finger))).length >
      0
      ? FINGERS.filter((finger) => this.#picture!.moving.some((bone) => bone.startsWith(finger)))
      : FINGERS
  }

  /** Turns the figure by what the user dragged, degrees; 0, 0 is the exercise's own view. */
  turn(aroundDeg: number, overDeg: number): void {
    this.#turned = [aroundDeg, Math.max(-80, Math.min(80, overDeg))]
    this.#aim()
    this.#drawArrow()
  }

  /** Draws the moment between start (0) and a shape (1). */
  draw(shape: number, time: number, options: { ghost?: boolean; arrow?: boolean } = {}): void {
    const picture = this.#picture
    if (!picture) return
    if (shape !== this.#shape) {
      this.#shape = shape
      this.#drawArrow()
    }
    this.#pose(poseAt(picture, shape, time))
    const renderer = this.#renderer
    renderer.clear()
    if (options.ghost && !picture.isAtRest) {
      renderer.render(this.#ghostScene, this.#camera)
      renderer.clearDepth()
    }
    renderer.render(this.#scene, this.#camera)
    if (options.arrow && this.#arrow) {
      renderer.clearDepth()
      renderer.render(this.#overlay, this.#flat)
    }
  }

  #pose(pose: FigurePose): void {
    const frames = handFrames(pose)
    this.#hand.carry(frames)
    this.#shell?.follow()
    this.#body?.pose(bodyFrames(pose.body))
    if (this.#isHandFixed) this.#arm.quaternion.copy(handTurnFrom(pose))
    this.#findDown(pose)
    for (const prop of this.#props) prop.place(frames)
    if (this.#helper) {
      const led = this.#fingers()
      const help = helperHand(this.#picture!.helper, frames, led.length === 4 ? 'index' : led[0]!)!
      this.#helper.carry(help.frames)
      this.#helper.matrix.copy(help.placed)
    }
  }

  #findDown(pose: FigurePose): void {
    if (this.#body)
      this.#down.set(0, -1, 0).applyQuaternion(bodyFrames(pose.body).forearm.turn.clone().invert())
    else this.#down.set(-1, 0, 0)
  }

  /** Points the picture has to hold, in the frame of the root, over the whole movement. */
  #points(): Vector3[] {
    const picture = this.#picture!
    const points: Vector3[] = []
    picture.shapes.forEach((_, shape) => {
      for (const time of [0, 0.33, 0.66, 1]) {
        const pose = poseAt(picture, shape, time)
        const frames = handFrames(pose)
        const toRoot = this.#toRoot(pose)
        this.#findDown(pose)
        const own = this.#nearPoints(frames) ?? [
          ...DIGITS.map((digit) => fingertip(frames, digit)),
          frames.indexProximal.at.clone(),
          frames.littleProximal.at.clone(),
          ...(this.#body
            ? []
            : [new Vector3(28, 0, FOREARM_SHOWN_MM), new Vector3(-28, 0, FOREARM_SHOWN_MM)]),
        ]
        const reach = Math.max(0, ...picture.props.map((name) => REACHES_MM[name] ?? 0))
        if (reach > 0) own.push(new Vector3(reach, -22, -70).applyQuaternion(frames.hand.turn))
        if (picture.props.includes('bag')) own.push(frames.hand.at.clone().addScaledVector(this.#down, 290))
        points.push(...own.map((point) => point.applyMatrix4(toRoot)))
        if (this.#body) {
          const body = bodyFrames(pose.body)
          points.push(body.elbow, body.head.at.clone().add(new Vector3(0, 200, 0)))
        }
      }
    })
    if (this.#body) for (const x of [-205, 205]) points.push(new Vector3(x, 1000, 0), new Vector3(x, 1380, 0))
    return points
  }

  /** Only the digit that moves, where the picture is a near one. */
  #nearPoints(frames: HandFrames): Vector3[] | null {
    const picture = this.#picture!
    if (!picture.isNear || picture.followed === 'hand') return null
    const digit = picture.followed
    const base = frames[(digit === 'thumb' ? 'thumbMetacarpal' : `${digit}Proximal`) as Bone].at
    return [fingertip(frames, digit), base.clone(), base.clone().lerp(frames.hand.at, 0.35)]
  }

  #toRoot(pose: FigurePose): Matrix4 {
    if (this.#isHandFixed) return new Matrix4().makeRotationFromQuaternion(handTurnFrom(pose))
    if (!this.#body) return new Matrix4()
    const { forearm } = bodyFrames(pose.body)
    return new Matrix4().compose(forearm.at, forearm.turn, new Vector3(1, 1, 1))
  }

  /** Fits the camera to all the movement passes through, so that nothing leaves the picture. */
  #frame(): void {
    if (!this.#picture) return
    const { right, up } = this.#axes()
    const points = this.#points()
    const range = (direction: Vector3) => {
      const along = points.map((point) => point.dot(direction))
      return [Math.min(...along), Math.max(...along)] as const
    }
    const [x, y] = [range(right), range(up)]
    const margin = this.#body ? BODY_MARGIN_MM : 14
    const half = Math.max(
      this.#picture.isNear ? NEAR_HALF_MM : LEAST_HALF_MM,
      ((y[1] - y[0]) / 2 + margin) * MARGIN,
      (((x[1] - x[0]) / 2 + margin) * MARGIN) / this.#aspect,
    )
    this.#halfMm = half
    const { from } = this.#axes()
    const deep = points.reduce((sum, point) => sum + point.dot(from), 0) / points.length
    this.#center
      .copy(right)
      .multiplyScalar((x[0] + x[1]) / 2)
      .addScaledVector(up, (y[0] + y[1]) / 2)
      .addScaledVector(from, deep)
    this.#mirror(right)
    this.#aim()
    this.#drawArrow()
  }

  /** Where one looks from, up and right of the exercise's own view. */
  #axes(): { from: Vector3; up: Vector3; right: Vector3 } {
    const gaze = GAZES[this.#picture!.view]
    const turn = gaze.turnsWithForearm
      ? new Quaternion().setFromAxisAngle(
          new Vector3(0, 0, 1),
          (this.#picture!.start.forearmSupination * Math.PI) / 180,
        )
      : new Quaternion()
    const from = new Vector3(...gaze.from).applyQuaternion(turn).normalize()
    const up = new Vector3(...gaze.up).applyQuaternion(turn)
    up.addScaledVector(from, -up.dot(from)).normalize()
    return { from, up, right: new Vector3().crossVectors(up, from) }
  }

  /** A right hand is the left one mirrored across the picture; light, arrow and letters are not. */
  #mirror(right: Vector3): void {
    const matrix = new Matrix4()
    if (this.#side === 'right') {
      const { x, y, z } = right
      matrix.set(
        1 - 2 * x * x, -2 * x * y, -2 * x * z, 0,
        -2 * x * y, 1 - 2 * y * y, -2 * y * z, 0,
        -2 * x * z, -2 * y * z, 1 - 2 * z * z, 0,
        0, 0, 0, 1,
      ) // prettier-ignore
      const there = this.#center.clone().applyMatrix4(matrix)
      matrix.setPosition(this.#center.clone().sub(there))
    }
    for (const root of [this.#root, this.#ghostRoot]) {
      root.matrix.copy(matrix)
      root.matrixWorldNeedsUpdate = true
    }
  }

  #aim(): void {
    if (!this.#picture) return
    const { from, up, right } = this.#axes()
    const [around, over] = this.#turned
    const swing = new Quaternion()
      .setFromAxisAngle(up, (-around * Math.PI) / 180)
      .multiply(new Quaternion().setFromAxisAngle(right, (-over * Math.PI) / 180))
    const camera = this.#camera
    camera.position.copy(this.#center).addScaledVector(from.applyQuaternion(swing), 3000)
    camera.up.copy(up.applyQuaternion(swing))
    camera.lookAt(this.#center)
    camera.top = this.#halfMm
    camera.bottom = -this.#halfMm
    camera.left = -this.#halfMm * this.#aspect
    camera.right = this.#halfMm * this.#aspect
    camera.updateProjectionMatrix()
    camera.updateMatrixWorld(true)
    this.#flat.left = -this.#aspect / 2
    this.#flat.right = this.#aspect / 2
    this.#flat.updateProjectionMatrix()
  }

  #followed(picture: Picture, shape: number, time: number): Vector3 {
    const pose = poseAt(picture, shape, time)
    const frames = handFrames(pose)
    if (picture.isAtRest && picture.push !== 'none')
      return pushPoint(picture.push, frames, time)
        .applyMatrix4(this.#toRoot(pose))
        .applyMatrix4(this.#root.matrix)
    const digit = picture.followed
    const point = digit === 'hand' ? frames.middleProximal.at.clone() : fingertip(frames, digit as Digit)
    return point.applyMatrix4(this.#toRoot(pose)).applyMatrix4(this.#root.matrix)
  }

  /** The path of the fingertip or hand as it is seen, in a frame 1 high. */
  path(): Point[] {
    const picture = this.#picture!
    return Array.from({ length: PATH_STEPS + 1 }, (_, k) => {
      const seen = this.#followed(picture, this.#shape, k / PATH_STEPS).project(this.#camera)
      return [(seen.x * this.#aspect) / 2, seen.y / 2] as const
    })
  }

  /** Where each fingertip is seen at a moment, in a frame 1 high, and how near it is to who looks (larger is nearer). */
  landmarks(shape: number, time: number): Record<Digit, { x: number; y: number; nearness: number }> {
    const pose = poseAt(this.#picture!, shape, time)
    const frames: HandFrames = handFrames(pose)
    return Object.fromEntries(
      DIGITS.map((digit) => {
        const seen = fingertip(frames, digit)
          .applyMatrix4(this.#toRoot(pose))
          .applyMatrix4(this.#root.matrix)
          .project(this.#camera)
        return [digit, { x: (seen.x * this.#aspect) / 2, y: seen.y / 2, nearness: -seen.z }]
      }),
    ) as Record<Digit, { x: number; y: number; nearness: number }>
  }

  #drawArrow(): void {
    if (this.#arrow) this.#overlay.remove(this.#arrow)
    this.#arrow = null
    if (!this.#picture || (this.#picture.isAtRest && this.#picture.push === 'none')) return
    this.#arrow = arrowOn(this.path(), this.#isStopped)
    this.#overlay.add(this.#arrow)
  }

  #clear(): void {
    for (const prop of this.#props) this.#arm.remove(prop.object)
    this.#props = []
    if (this.#shell) {
      this.#arm.remove(this.#shell)
      this.#shell.dispose()
      this.#shell = null
    }
    if (this.#helper) {
      this.#arm.remove(this.#helper)
      this.#helper.dispose()
      this.#helper = null
    }
    if (this.#body) {
      this.#root.remove(this.#body)
      this.#ghostRoot.remove(this.#ghostBody!)
      this.#restingHand?.dispose()
      this.#body = null
      this.#ghostBody = null
    }
    this.#root.add(this.#arm)
    this.#ghostRoot.add(this.#ghostArm)
  }

  dispose(): void {
    this.#clear()
    this.#hand.dispose()
    this.#ghost.dispose()
    this.#renderer.dispose()
  }
}

/** The turn that brings the hand, wherever its wrist is, upright into the frame of the forearm at its start. */
function handTurnFrom(pose: FigurePose): Quaternion {
  const { hand, forearm } = handFrames(pose)
  return forearm.turn.clone().multiply(hand.turn.clone().invert())
}

const RESTING = {
  forearmSupination: -30,
  wristFlexion: -5,
  wristUlnarDeviation: 5,
  thumb: { radial: 25, palmar: 25, turn: 0, mcp: 10, ip: 15 },
}
