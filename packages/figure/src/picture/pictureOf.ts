import {
  type Orthosis,
  type AngleLimits,
  type AngleName,
  clippedAngles,
  type ClippedAngle,
  clippedPose,
  type Depicted,
  type HelperPlace,
  isByOtherHand,
  type PictureHints,
  type PictureProp,
  type PicturePush,
  type PictureView,
  takesTurns,
} from '@pledge/core'
import { BONES, type Bone, type Digit, FINGERS, type Finger } from '../hand/bones.js'
import { blend } from '../pose/blend.js'
import { type FigurePose, figurePose } from '../pose/figurePose.js'

/** What is drawn: poses, what moves, where one looks from, who helps and with what. */
export interface Picture {
  readonly isBody: boolean
  /** Close by: only the end of one digit moves, which from afar nobody would see. */
  readonly isNear: boolean
  readonly start: FigurePose
  readonly shapes: readonly FigurePose[]
  readonly view: PictureView
  /** Segments that move, tinted. */
  readonly moving: readonly Bone[]
  /** The tip whose path the arrow follows; `hand` where the whole hand goes. */
  readonly followed: Digit | 'hand'
  readonly inTurn: readonly Finger[]
  readonly helper: HelperPlace
  /** A push that nothing gives way to. */
  readonly push: PicturePush
  readonly props: readonly PictureProp[]
  readonly isToAndFro: boolean
  /** The orthosis it is never done without. */
  readonly worn: Orthosis
  /** Joints drawn short of what the exercise asks, because the patient goes no further. */
  readonly clipped: readonly ClippedAngle[]
  /** Nothing moves: a rest, a hold or a push against something. */
  readonly isAtRest: boolean
}

const BODY_ANGLES: readonly AngleName[] = [
  'shoulderFlexion',
  'shoulderAbduction',
  'shoulderInternalRotation',
  'neckSideBend',
]

/**
 * The picture of an exercise, from its angles; hints of the entry decide where the angles leave room.
 *
 * @param limits - the patient's own, where the picture is to stop at them; it then says so in `clipped`
 * @param injured - where one finger stands for one, it is the patient's own that moves
 * @param chosen - the digits that move for this patient; `null`: as the exercise is
 */
export function pictureOf(
  asked: Depicted,
  limits: AngleLimits = {},
  injured: readonly Digit[] = [],
  chosen: readonly Digit[] | null = null,
): Picture {
  // A thumb that meets the fingers is drawn at those its angles reach, whichever is chosen.
  const picked = asked.region === 'thumb' ? null : chosen
  const drawn = oneInTurn(asked, picked)
  const clipped = clippedAngles([drawn.start, ...drawn.shapes], limits)
  const exercise: Depicted =
    clipped.length === 0
      ? drawn
      : {
          ...drawn,
          start: clippedPose(drawn.start, limits),
          shapes: drawn.shapes.map((shape) => clippedPose(shape, limits)),
        }
  const hints = exercise.picture ?? {}
  const moved = movedAngles(exercise)
  const digits = digitsOf(hints, injured, picked)
  const still = exercise.start
  const helper = hints.helper ?? helperOf(exercise, moved)
  const view = seenOn(digits, hints, hints.view ?? viewOf(exercise, moved, helper))
  const moving = movingBones(moved, digits)
  return {
    isBody: isBodyView(view),
    isNear: isNear(moving, helper),
    start: figurePose(exercise.start, digits, still, exercise.grip),
    shapes: exercise.shapes.map((shape) =>
      withMended(figurePose(shape, digits, still, exercise.grip), exercise.mendedFinger, injured),
    ),
    view,
    moving,
    followed: followedBy(moved, digits, exercise),
    inTurn: takesTurns(exercise) && digits.length > 1 ? digits : [],
    helper,
    push: hints.push ?? 'none',
    props: hints.props ?? propsOf(exercise, moved, view),
    isToAndFro: hints.isToAndFro ?? false,
    worn: exercise.worn?.includes('none') ? 'none' : (exercise.worn?.[0] ?? 'none'),
    clipped,
    isAtRest: moved.size === 0,
  }
}

/** Where one finger stands for all that take turns, or fingers were chosen, the thumb waits: its turn is another. */
function oneInTurn(asked: Depicted, chosen: readonly Digit[] | null): Depicted {
  const isOne = takesTurns(asked) && asked.picture?.digits !== undefined
  if (chosen ? chosen.includes('thumb') : !isOne) return asked
  const waiting = THUMB_ANGLES.filter((name) => asked.start[name] !== undefined)
  const still = Object.fromEntries(waiting.map((name) => [name, asked.start[name]!]))
  return { ...asked, shapes: asked.shapes.map((shape) => ({ ...shape, ...still })) }
}

/** Fingers on the little finger's side are looked at from there: from the thumb's side the others would hide them. */
const FROM_LITTLE_SIDE: Readonly<Partial<Record<PictureView, PictureView>>> = {
  thumb: 'little',
  'thumb-palm': 'little-palm',
}
function digitsOf(
  hints: PictureHints,
  injured: readonly Digit[],
  chosen: readonly Digit[] | null,
): readonly Finger[] {
  if (chosen) return FINGERS.filter((finger) => chosen.includes(finger))
  const own = FINGERS.filter((finger) => injured.includes(finger))
  return hints.digits?.length === 1 && own.length === 1 ? own : (hints.digits ?? FINGERS)
}

function seenOn(digits: readonly Finger[], hints: PictureHints, view: PictureView): PictureView {
  const isFar = digits.length > 0 && digits.every((finger) => finger === 'ring' || finger === 'little')
  const isOther = digits.join() !== hints.digits?.join()
  return (isFar && isOther ? FROM_LITTLE_SIDE[view] : undefined) ?? view
}

/** Where nobody is injured, a yoke is shown on the finger that is mended most often. */
const MENDED_BY_DEFAULT: Finger = 'middle'

function withMended(
  pose: FigurePose,
  mended: Depicted['mendedFinger'],
  injured: readonly Digit[],
): FigurePose {
  if (!mended) return pose
  const own = FINGERS.find((finger) => injured.includes(finger)) ?? MENDED_BY_DEFAULT
  const { mcp, pip, dip, spread } = pose.fingers[own]
  const held = {
    mcp: mended.mcpFlexion ?? mcp,
    pip: mended.pipFlexion ?? pip,
    dip: mended.dipFlexion ?? dip,
    spread,
  }
  return { ...pose, fingers: { ...pose.fingers, [own]: held } }
}

const BODY_VIEWS: readonly PictureView[] = ['front', 'front-side', 'arm-side']
const isBodyView = (view: PictureView) => BODY_VIEWS.includes(view)

/** The angles that differ between start and any shape, or between shapes. */
function movedAngles({ start, shapes }: Pick<Depicted, 'start' | 'shapes'>): Set<AngleName> {
  const names = Object.keys(start) as AngleName[]
  const differs = (name: AngleName) =>
    shapes.some((shape) => Math.abs((shape[name] ?? 0) - (start[name] ?? 0)) >= 1)
  return new Set(names.filter(differs))
}

const hasAny = (moved: ReadonlySet<AngleName>, names: readonly AngleName[]) =>
  names.some((name) => moved.has(name))
const FINGER_ANGLES: readonly AngleName[] = ['mcpFlexion', 'pipFlexion', 'dipFlexion']
const THUMB_ANGLES: readonly AngleName[] = [
  'thumbMcpFlexion',
  'thumbIpFlexion',
  'thumbRadialAbduction',
  'thumbPalmarAbduction',
  'opposition',
]
/** From this turn of the forearm on, the palm faces up or down. */
const PALM_TURNED_DEG = 55

/** The view that shows the movement best: in profile where a hinge bends, onto the plane where something spreads. */
function viewOf(exercise: Depicted, moved: ReadonlySet<AngleName>, helper: HelperPlace): PictureView {
  if (moved.has('elbowFlexion') || BODY_ANGLES.some((name) => exercise.start[name] !== undefined))
    return moved.has('elbowFlexion') && !moved.has('neckSideBend') && !isAbducted(exercise)
      ? 'arm-side'
      : 'front'
  const turned = exercise.start.forearmSupination
  if (moved.has('forearmSupination')) return 'laid-front'
  const isLaid = turned !== undefined && Math.abs(turned) >= PALM_TURNED_DEG
  if (moved.has('wristFlexion')) {
    if (moved.has('wristUlnarDeviation')) return 'thumb-back'
    // The other hand comes from the thumb's side; one looks from where it hides least.
    if (helper !== 'none' && turned !== undefined && turned < 0) return 'laid-outer'
    return isLaid || exercise.region === 'wrist' ? 'laid-side' : 'thumb'
  }
  if (moved.has('wristUlnarDeviation')) return 'back'
  if (hasAny(moved, FINGER_ANGLES)) {
    if (isLaid) return 'laid-side'
    const only = FINGER_ANGLES.filter((name) => moved.has(name))
    if (only.length === 1 && only[0] === 'mcpFlexion') return 'thumb'
    return 'thumb-palm'
  }
  if (moved.has('fingerSpread')) return turned !== undefined && turned < -PALM_TURNED_DEG ? 'back' : 'palm'
  if (hasAny(moved, THUMB_ANGLES)) {
    if (isLaid && moved.has('thumbRadialAbduction')) return 'back'
    return moved.has('thumbPalmarAbduction') && !moved.has('opposition') ? 'thumb-palm' : 'palm'
  }
  if (isLaid) return 'laid-side'
  return exercise.region === 'thumb' ? 'palm' : 'thumb-palm'
}
const isAbducted = ({ start }: Depicted) => (start.shoulderAbduction ?? 0) >= 30

function isNear(moving: readonly Bone[], helper: HelperPlace): boolean {
  const digits = new Set(moving.map((bone) => /^(thumb|index|middle|ring|little)/.exec(bone)?.[0]))
  return (
    helper === 'none' &&
    digits.size === 1 &&
    !digits.has(undefined) &&
    moving.every((bone) => /(Middle|Distal)$/.test(bone))
  )
}

function movingBones(moved: ReadonlySet<AngleName>, digits: readonly Finger[]): Bone[] {
  const bones = new Set<Bone>()
  const add = (...names: Bone[]) => names.forEach((name) => bones.add(name))
  if (hasAny(moved, ['shoulderFlexion', 'shoulderAbduction', 'shoulderInternalRotation', 'elbowFlexion']))
    return [...BONES]
  if (moved.has('forearmSupination')) return BONES.filter((bone) => bone !== 'elbowEnd')
  if (hasAny(moved, ['wristFlexion', 'wristUlnarDeviation']))
    return BONES.filter((bone) => bone !== 'elbowEnd' && bone !== 'forearm')
  for (const finger of digits) {
    if (hasAny(moved, ['mcpFlexion', 'fingerSpread']))
      add(`${finger}Proximal`, `${finger}Middle`, `${finger}Distal`)
    if (moved.has('pipFlexion')) add(`${finger}Middle`, `${finger}Distal`)
    if (moved.has('dipFlexion')) add(`${finger}Distal`)
  }
  if (hasAny(moved, ['thumbRadialAbduction', 'thumbPalmarAbduction', 'opposition']))
    add('thumbMetacarpal', 'thumbProximal', 'thumbDistal')
  if (moved.has('thumbMcpFlexion')) add('thumbProximal', 'thumbDistal')
  if (moved.has('thumbIpFlexion')) add('thumbDistal')
  return [...bones]
}

function followedBy(
  moved: ReadonlySet<AngleName>,
  digits: readonly Finger[],
  exercise: Depicted,
): Digit | 'hand' {
  if (hasAny(moved, BODY_ANGLES) || moved.has('elbowFlexion')) return 'hand'
  if (moved.has('forearmSupination')) return 'thumb'
  if (moved.has('opposition')) return 'thumb'
  if (hasAny(moved, ['wristFlexion', 'wristUlnarDeviation'])) return 'middle'
  if (exercise.region === 'thumb' && hasAny(moved, THUMB_ANGLES)) return 'thumb'
  if (hasAny(moved, FINGER_ANGLES) || moved.has('fingerSpread')) {
    if (moved.has('fingerSpread') && !hasAny(moved, FINGER_ANGLES)) return 'index'
    return digits.includes('index') ? 'index' : (digits[0] ?? 'thumb')
  }
  return hasAny(moved, THUMB_ANGLES) ? 'thumb' : 'hand'
}

/** Where the other hand takes hold: at the segment that is moved, farthest out. */
function helperOf(exercise: Depicted, moved: ReadonlySet<AngleName>): HelperPlace {
  const { force } = exercise
  if (exercise.family === 'blocking') {
    if (exercise.region === 'thumb')
      return moved.has('thumbIpFlexion') ? 'thumb-first-bone' : 'thumb-hand-bone'
    return moved.has('pipFlexion') ? 'first-bone' : 'middle-bone'
  }
  if (!isByOtherHand(force) || force === 'active wrist, assisted digits') return 'none'
  if (moved.has('forearmSupination')) return 'forearm'
  if (hasAny(moved, ['wristFlexion'])) {
    const end = exercise.shapes.at(-1)!.wristFlexion!
    return end < (exercise.start.wristFlexion ?? 0) ? 'palm' : 'back'
  }
  if (hasAny(moved, FINGER_ANGLES))
    return moved.has('dipFlexion') || moved.has('pipFlexion') ? 'tip' : 'middle-bone'
  if (hasAny(moved, ['thumbRadialAbduction', 'thumbPalmarAbduction'])) return 'thumb-hand-bone'
  if (moved.has('thumbIpFlexion')) return 'thumb-tip'
  if (moved.has('thumbMcpFlexion')) return 'thumb-first-bone'
  return 'none'
}

/** Equipment that can be drawn from simple bodies, and as what. */
const PROP_OF: Readonly<Record<string, PictureProp>> = {
  table: 'table',
  pillow: 'pillow',
  'soft-ball': 'ball',
  'firm-ball': 'ball',
  'bumpy-ball': 'ball',
  'graded-balls': 'ball',
  'large-ball': 'large-ball',
  putty: 'putty',
  rod: 'rod',
  gripper: 'rod',
  'twist-bar': 'rod',
  brush: 'rod',
  pen: 'pen',
  marker: 'marker',
  'shake-bottle': 'can',
  weight: 'weight',
  hammer: 'hammer',
  band: 'band',
  'rubber-band': 'finger-band',
  'cord-glove': 'cords',
  'grip-net': 'net',
  towel: 'towel',
  'towel-roll': 'towel-roll',
  'cohesive-wrap': 'finger-wrap',
  'thumb-wrap': 'finger-wrap',
  'glove-tape': 'finger-wrap',
  'loop-strap': 'loop',
  'buddy-straps': 'buddy',
  paper: 'sheet',
  coins: 'coin',
  clips: 'peg',
  wall: 'wall',
  'carry-bag': 'bag',
  grains: 'bowl',
  'warm-bath': 'bowl',
  'two-basins': 'bowl',
  cards: 'sheet',
  'plate-marble': 'plate',
}

/** A table is drawn only where the picture lies; a wrist that bends hangs over its edge. */
function propsOf(exercise: Depicted, moved: ReadonlySet<AngleName>, view: PictureView): PictureProp[] {
  const isLaid = view.startsWith('laid')
  const props = exercise.equipment.flatMap((key): PictureProp[] => {
    if (key === 'table') return !isLaid ? [] : moved.has('wristFlexion') ? ['table-edge'] : ['table']
    // A rolled towel lies under the wrist, unless the hand closes on it.
    if (key === 'towel-roll' && !isLaid && exercise.grip === 'none') return []
    return PROP_OF[key] ? [PROP_OF[key]] : []
  })
  return [...new Set(props)]
}

/** The positions of one run, first and last included. */
export function poseAt(picture: Picture, shape: number, time: number): FigurePose {
  return blend(picture.start, picture.shapes[shape] ?? picture.shapes[0]!, time, picture.inTurn)
}
