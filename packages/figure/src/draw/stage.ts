import type { Orthosis, Zone } from '@pledge/core'
import {
  AmbientLight,
  DirectionalLight,
  Group,
  HemisphereLight,
  OrthographicCamera,
  Quaternion,
  Raycaster,
  Scene,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { type Bone, FINGERS, type Finger } from '../hand/bones.js'
import type { HandMesh } from '../hand/handFile.js'
import {
  armPlacement,
  downFor,
  type Framing,
  framingOf,
  handTurnFrom,
  isHandFixed,
  mirrorOf,
} from '../picture/framing.js'
import { type Picture, poseAt } from '../picture/pictureOf.js'
import { bodyFrames } from '../pose/bodyFrames.js'
import type { FigurePose } from '../pose/figurePose.js'
import { fingertip, handFrames } from '../pose/handFrames.js'
import { helperHand } from '../pose/helperHand.js'
import { pushPoint } from '../pose/pushPoint.js'
import { arrowOn, type Point } from './arrow.js'
import { BodyObject } from './bodyObject.js'
import { discard } from './discard.js'
import { HandObject } from './handObject.js'
import { OrthosisShell } from './orthosisShell.js'
import { makeProp, type Prop } from './props.js'

/** How many points the path of an arrow is computed at. */
const PATH_STEPS = 36
/** The camera stands this far off, mm; it is orthographic, so that only what lies before it counts. */
const FAR_MM = 3000
/** How strongly the moving segments are tinted; a whole hand in color would say nothing. */
const TINT = { segments: 0.7, wholeHand: 0.35 }
const MOST_OVER_DEG = 80

/** The arm that hangs beside the body. */
const RESTING = {
  forearmSupination: -30,
  wristFlexion: -5,
  wristUlnarDeviation: 5,
  thumb: { radial: 25, palmar: 25, turn: 0, mcp: 10, ip: 15 },
}

/** Draws one picture into a canvas: the ghost of the start, the hand, what it holds, the hand that helps, and the arrow. */
export class Stage {
  readonly #renderer: WebGLRenderer
  readonly #scene = new Scene()
  readonly #ghostScene = new Scene()
  readonly #overlay = new Scene()
  readonly #camera = new OrthographicCamera(-1, 1, 1, -1, 1, 2 * FAR_MM)
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
  #props: Prop[] = []
  #shell: OrthosisShell | null = null
  #arrow: Group | null = null
  #picture: Picture | null = null
  #framing: Framing | null = null
  #side: 'left' | 'right' = 'left'
  #turned: readonly [around: number, over: number] = [0, 0]
  #aspect = 1
  #shape = 0
  readonly #down = new Vector3()

  /** @throws Error where the browser has no WebGL */
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
    for (const root of [this.#root, this.#ghostRoot]) root.matrixAutoUpdate = false
    this.#scene.add(this.#root, this.#camera)
    this.#ghostScene.add(this.#ghostRoot)
    this.#addLights()
  }

  /** Light rides on the camera: however the hand is turned, it is lit from above. */
  #addLights(): void {
    const light = (strength: number, x: number, y: number, z: number) => {
      const one = new DirectionalLight(0xffffff, strength)
      one.position.set(x, y, z)
      this.#camera.add(one, one.target)
    }
    this.#camera.add(new HemisphereLight(0xffffff, 0xa89c92, 1.75))
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

  /**
   * Sets what is drawn.
   *
   * @param options - segments nobody measured, and what is worn
   */
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
    const isWhole = picture.moving.includes('hand')
    this.#hand.tint(picture.isBody ? [] : picture.moving, isWhole ? TINT.wholeHand : TINT.segments)
    this.#hand.hatch(options.unknown ?? [])
    if (picture.isBody) this.#showBody(picture)
    const [start, end] = [handFrames(picture.start), handFrames(picture.shapes.at(-1)!)]
    const fingers = this.#fingers()
    const isLaid = picture.view.startsWith('laid')
    this.#props = picture.props.map((name) =>
      makeProp(name, { isLaid, start, end, fingers, down: this.#down }),
    )
    for (const prop of this.#props) this.#arm.add(prop.object)
    if (picture.helper !== 'none') {
      this.#helper = new HandObject(this.mesh, 'helper')
      this.#helper.matrixAutoUpdate = false
      this.#arm.add(this.#helper)
    }
    this.#shell = OrthosisShell.of(options.worn ?? picture.worn, this.mesh, this.#hand.skin, fingers)
    if (this.#shell) this.#arm.add(this.#shell)
    this.#ghost.carry(start)
    this.#ghostArm.quaternion.copy(isHandFixed(picture) ? handTurnFrom(picture.start) : new Quaternion())
    this.#arm.quaternion.identity()
    this.#frame()
  }

  #showBody(picture: Picture): void {
    this.#body = new BodyObject()
    const resting = new HandObject(this.mesh, 'own')
    resting.carry(handFrames({ ...RESTING, fingers: picture.start.fingers }))
    this.#body.restingForearm.add(resting)
    this.#body.forearm.add(this.#arm)
    this.#root.add(this.#body)
    this.#ghostBody = new BodyObject('ghost')
    this.#ghostBody.pose(bodyFrames(picture.start.body))
    this.#ghostBody.forearm.add(this.#ghostArm)
    this.#ghostRoot.add(this.#ghostBody)
  }

  /** The fingers that move; all of them where none does. */
  #fingers(): readonly Finger[] {
    const moving = FINGERS.filter((finger) => this.#picture!.moving.some((bone) => bone.startsWith(finger)))
    return moving.length > 0 ? moving : FINGERS
  }

  /** Turns the figure by what the user dragged, degrees; 0, 0 is the exercise's own view. */
  turn(aroundDeg: number, overDeg: number): void {
    this.#turned = [aroundDeg, Math.max(-MOST_OVER_DEG, Math.min(MOST_OVER_DEG, overDeg))]
    this.#aim()
    this.#drawArrow()
  }

  /** Paints zones of the hand's skin. */
  paint(colors: ReadonlyMap<Zone, string>): void {
    this.#hand.paint(colors)
  }

  /** The zone seen at a point of the canvas, from 0, 0 at its upper left to 1, 1; `null` beside the hand. As it was last drawn. */
  zoneAt(across: number, down: number): Zone | null {
    const ray = new Raycaster()
    ray.setFromCamera(new Vector2(2 * across - 1, 1 - 2 * down), this.#camera)
    return this.#hand.zoneOn(ray)
  }

  /** Draws the moment between start (0) and a shape (1). */
  draw(shape: number, time: number, options: { ghost?: boolean; arrow?: boolean } = {}): void {
    const picture = this.#picture
    if (!picture) return
    if (shape !== this.#shape) {
      this.#shape = shape
      this.#drawArrow()
    }
    this.#pose(picture, poseAt(picture, shape, time))
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

  #pose(picture: Picture, pose: FigurePose): void {
    const frames = handFrames(pose)
    this.#hand.carry(frames)
    this.#shell?.follow()
    this.#body?.pose(bodyFrames(pose.body))
    if (isHandFixed(picture)) this.#arm.quaternion.copy(handTurnFrom(pose))
    this.#down.copy(downFor(picture, pose))
    for (const prop of this.#props) prop.place(frames)
    if (this.#helper) {
      const led = this.#fingers()
      const help = helperHand(picture.helper, frames, led.length === FINGERS.length ? 'index' : led[0]!)!
      this.#helper.carry(help.frames)
      this.#helper.matrix.copy(help.placed)
    }
  }

  #frame(): void {
    if (!this.#picture) return
    this.#framing = framingOf(this.#picture, this.#aspect)
    for (const root of [this.#root, this.#ghostRoot]) {
      root.matrix.copy(mirrorOf(this.#framing, this.#side))
      root.matrixWorldNeedsUpdate = true
    }
    this.#aim()
    this.#drawArrow()
  }

  #aim(): void {
    if (!this.#framing) return
    const { from, up, right, center, halfMm } = this.#framing
    const [around, over] = this.#turned
    const swing = new Quaternion()
      .setFromAxisAngle(up, (-around * Math.PI) / 180)
      .multiply(new Quaternion().setFromAxisAngle(right, (-over * Math.PI) / 180))
    const camera = this.#camera
    camera.position.copy(center).addScaledVector(from.clone().applyQuaternion(swing), FAR_MM)
    camera.up.copy(up).applyQuaternion(swing)
    camera.lookAt(center)
    camera.top = halfMm
    camera.bottom = -halfMm
    camera.left = -halfMm * this.#aspect
    camera.right = halfMm * this.#aspect
    camera.updateProjectionMatrix()
    camera.updateMatrixWorld(true)
    this.#flat.left = -this.#aspect / 2
    this.#flat.right = this.#aspect / 2
    this.#flat.updateProjectionMatrix()
  }

  /** The point whose way the arrow shows. */
  #followed(picture: Picture, time: number): Vector3 {
    const pose = poseAt(picture, this.#shape, time)
    const frames = handFrames(pose)
    const point =
      picture.isAtRest && picture.push !== 'none'
        ? pushPoint(picture.push, frames, time)
        : picture.followed === 'hand'
          ? frames.middleProximal.at.clone()
          : fingertip(frames, picture.followed)
    return point.applyMatrix4(armPlacement(picture, pose)).applyMatrix4(this.#root.matrix)
  }

  /** The path of the fingertip or hand as it is seen now, in a frame 1 high. */
  #path(picture: Picture): Point[] {
    return Array.from({ length: PATH_STEPS + 1 }, (_, k) => {
      const seen = this.#followed(picture, k / PATH_STEPS).project(this.#camera)
      return [(seen.x * this.#aspect) / 2, seen.y / 2] as const
    })
  }

  #drawArrow(): void {
    if (this.#arrow) discard(this.#arrow)
    this.#arrow = null
    const picture = this.#picture
    const isPush = picture?.push !== 'none'
    if (!picture || (picture.isAtRest && !isPush)) return
    const isStopped = picture.clipped.length > 0 || isPush
    this.#arrow = arrowOn(this.#path(picture), isStopped, picture.isToAndFro)
    this.#overlay.add(this.#arrow)
  }

  #clear(): void {
    this.#root.add(this.#arm)
    this.#ghostRoot.add(this.#ghostArm)
    for (const prop of this.#props) discard(prop.object)
    for (const one of [this.#shell, this.#helper, this.#body, this.#ghostBody, this.#arrow])
      if (one) discard(one)
    this.#props = []
    this.#shell = null
    this.#helper = null
    this.#body = null
    this.#ghostBody = null
    this.#arrow = null
  }

  dispose(): void {
    this.#clear()
    discard(this.#hand)
    discard(this.#ghost)
    this.#renderer.dispose()
  }
}
