import type {
  Actor,
  Arcs,
  Axis,
  Combo,
  Grip,
  Mode,
  Motion,
  Nerve,
  NerveTechnique,
  Orthosis,
  ResistanceClass,
  Stress,
} from '../vocabulary/vocabulary.js'
import type { Protocol } from '../protocol/protocol.js'
import { axisOfMotion } from '../vocabulary/vocabulary.js'
import type { Signature, SignatureMotion } from './signature.js'
import { nerveMoveOf } from './exerciseTravel.js'
import {
  ANGLE_NAMES,
  isByOtherHand,
  REST_ANGLES,
  type AngleName,
  type Dose,
  type Exercise,
  type Force,
  type Load,
} from './exercise.js'

/** A joint that changes by less than this does not count as moved. Source: derivation, common practice. */
export const MOVED_FROM_DEG = 5
/** A passive movement held longer than this is a stretch. Source: vocabulary 3, common practice. */
export const STRETCH_FROM_HOLD_SECONDS = 10

/** The motion in the increasing and in the decreasing direction of each angle. */
const DIRECTIONS: Readonly<Partial<Record<AngleName, readonly [Motion, Motion]>>> = {
  wristFlexion: ['wrist.flex', 'wrist.ext'],
  wristUlnarDeviation: ['wrist.uln', 'wrist.rad'],
  forearmSupination: ['forearm.sup', 'forearm.pron'],
  elbowFlexion: ['elbow.flex', 'elbow.ext'],
  shoulderFlexion: ['shoulder.flex', 'shoulder.ext'],
  shoulderAbduction: ['shoulder.abd', 'shoulder.add'],
  shoulderInternalRotation: ['shoulder.ir', 'shoulder.er'],
  neckSideBend: ['neck.sidebend', 'neck.sidebend'],
  mcpFlexion: ['mcp.flex', 'mcp.ext'],
  fingerSpread: ['mcp.abd', 'mcp.add'],
  pipFlexion: ['pip.flex', 'pip.ext'],
  dipFlexion: ['dip.flex', 'dip.ext'],
  thumbMcpFlexion: ['thumbMcp.flex', 'thumbMcp.ext'],
  thumbIpFlexion: ['thumbIp.flex', 'thumbIp.ext'],
  thumbRadialAbduction: ['thumbCmc.ext', 'thumbCmc.flex'],
  thumbPalmarAbduction: ['thumbCmc.pabd', 'thumbCmc.add'],
  opposition: ['thumbCmc.opp', 'thumbCmc.opp'],
}
/** Angles below which the joint is hyperextended, which rules name apart. Source: derivation. */
const HYPEREXTENDED_BELOW: Readonly<Partial<Record<AngleName, readonly [number, Motion]>>> = {
  mcpFlexion: [-20, 'mcp.hyperext'],
  pipFlexion: [-5, 'pip.hyperext'],
  dipFlexion: [-5, 'dip.hyperext'],
  thumbMcpFlexion: [-5, 'thumbMcp.hyperext'],
  thumbIpFlexion: [-5, 'thumbIp.hyperext'],
}
const GRIP_OF_HAND: Readonly<Record<Exercise['grip'], Grip | null>> = {
  none: null,
  cylindrical: 'cyl',
  'full-fist': 'cyl',
  spherical: 'sph',
  'three-jaw': 'tripod',
  lateral: 'key',
  tip: 'tip',
  'pad-to-pad': 'tip',
  hook: 'hook',
}
/** Angles of fingers and thumb. */
export const DIGIT_ANGLES: readonly AngleName[] = [
  'mcpFlexion',
  'pipFlexion',
  'dipFlexion',
  'fingerSpread',
  'thumbMcpFlexion',
  'thumbIpFlexion',
  'thumbRadialAbduction',
  'thumbPalmarAbduction',
  'opposition',
]

/**
 * What an exercise does to tissue at a dose and in an orthosis, from its joint angles and force alone: nothing of it
 * is typed twice. Source: derivation; the table of forces and the composites are design decisions to be reviewed.
 */
export function signatureOf(exercise: Exercise, dose: Dose, orthosis: Orthosis): Signature {
  const res = resistanceOf(exercise.load, dose.load)
  const isFirm = exercise.demand === 'stretchFirm'
  /** Handling taught in the clinic stays a movement, however long: massage, passive motion in the orthosis. */
  const isHandled = exercise.demand === 'care' || exercise.demand === 'taught'
  const isLong = dose.holdSeconds > STRETCH_FROM_HOLD_SECONDS
  const travel = travelOf(exercise)
  const motions: SignatureMotion[] = []
  const move = (
    modes: readonly Mode[],
    directions: readonly Motion[],
    resistance: ResistanceClass | null = null,
  ) => {
    if (directions.length > 0)
      motions.push({ modes, motions: directions, arc: arcsOf(exercise, directions), res: resistance })
  }
  let comboMode: Mode = 'A'
  switch (exercise.force) {
    case 'active':
    case 'active with other hand on scar':
      move(['A'], travel.both())
      break
    case 'guided without pull':
      // The hand goes by itself and is let back.
      move(['A'], travel.towardsEnd())
      move(['P'], travel.towardsStart())
      break
    case 'active-assisted':
      move(['AA'], travel.both())
      if (isFirm || isLong) {
        move(['S'], travel.towardsEnd())
        comboMode = 'S'
      } else comboMode = 'AA'
      break
    case 'passive by other hand':
      if (isFirm || (isLong && !isHandled)) {
        move(['S'], travel.towardsEnd())
        comboMode = 'S'
      } else {
        move(['P'], travel.both())
        comboMode = 'P'
      }
      break
    case 'passive, let back':
      // Bent by the other hand and let go: the way back is rest.
      move(['P'], travel.towardsEnd())
      comboMode = 'P'
      break
    case 'gravity':
      comboMode = isFirm || isLong ? 'S' : 'P'
      move([comboMode], travel.towardsEnd())
      break
    case 'passive by wrap':
    case 'gravity + other hand':
    case 'body weight':
      move(['S'], travel.towardsEnd())
      comboMode = 'S'
      break
    case 'placed then held':
      // The other hand places the digits. A wrist that travels with them is written by hand: protocols tell who moves it.
      move(['P'], travel.towardsEnd(isOfDigits))
      move(['PH'], travel.towardsEnd(isOfDigits))
      comboMode = 'PH'
      break
    case 'active wrist, passive digits':
    case 'active wrist, assisted digits':
      move(['A'], travel.both(isOfWrist))
      comboMode = exercise.force === 'active wrist, passive digits' ? 'P' : 'AA'
      move([comboMode], travel.both(isOfDigits))
      break
    case 'isometric':
      comboMode = 'I'
      break
    case 'resisted':
      move(['R'], travel.towardsEnd(), res)
      comboMode = 'R'
      break
    case 'lowered against load':
      move(['R'], travel.towardsStart(), res)
      comboMode = 'R'
      break
    case 'support only':
    case 'none':
      break
  }
  for (const written of exercise.written.motions) motions.push({ ...written, res: written.res ?? res })
  const grip = ['resisted', 'lowered against load', 'isometric'].includes(exercise.force)
    ? GRIP_OF_HAND[exercise.grip]
    : null
  const isMoving = motions.length > 0
  const isResisting = comboMode === 'I' || comboMode === 'R'
  return {
    name: exercise.text.en.name,
    motions,
    orthosis,
    digits: exercise.digits ?? null,
    posture: postureOf(exercise, travel.moved),
    combos: [
      ...(isMoving
        ? combosOf(exercise, dose).map((combo) =>
            madeBy(combo, comboMode, orthosis, isResisting ? res : null),
          )
        : []),
      ...exercise.written.combos,
    ],
    grips: grip ? [{ grip, res: res ?? 5 }] : [],
    kg: exercise.written.kg ?? (exercise.load?.unit === 'kg' && dose.load ? dose.load : null),
    tests: [],
    acts: [...exercise.written.acts, ...(exercise.load?.unit === 'bodyWeight' ? (['wb'] as const) : [])],
    stress: [...new Set([...stressesOf(exercise), ...exercise.written.stress])],
    by: exercise.written.by ?? actorOf(exercise.force),
    nerve: exercise.written.nerve
      ? [
          {
            nerve: exercise.written.nerve,
            technique: nerveTechniqueOf(exercise, exercise.written.nerve, dose),
          },
        ]
      : [],
    technique: exercise.written.technique,
  }
}

/**
 * Resistance class of a load: weight 0 R0, to 0.5 kg R1, 1 R2, 2.5 R3, 5 R4, more R5; effort to 25 % R1, 40 R2, 60 R3,
 * 80 R4, more R5; house step 1 R1, 2 R2, 3 R3, 4–5 R4, 6 R5; body weight R4. Unknown is unrestricted.
 */
export function resistanceOf(load: Load | null, amount: number | null): ResistanceClass | null {
  if (load === null) return null
  if (load.unit === 'bodyWeight') return 4
  if (amount === null) return 5
  const bounds = { kg: [0, 0.5, 1, 2.5, 5], percentEffort: [0, 25, 40, 60, 80], houseStep: [0, 1, 2, 3, 5] }[
    load.unit
  ]
  const place = bounds.findIndex((bound) => amount <= bound + 1e-9)
  return (place < 0 ? 5 : place) as ResistanceClass
}

function travelOf(exercise: Exercise) {
  const rising = new Set<AngleName>()
  const falling = new Set<AngleName>()
  for (const shape of exercise.shapes) {
    for (const name of ANGLE_NAMES) {
      const change = (shape[name] ?? 0) - (exercise.start[name] ?? 0)
      const threshold = name === 'opposition' ? 1 : MOVED_FROM_DEG
      if (change >= threshold) rising.add(name)
      if (change <= -threshold) falling.add(name)
    }
  }
  const moved = new Set([...rising, ...falling])
  const isDartThrow = exercise.shapes.some((shape) => {
    const bend = (shape.wristFlexion ?? 0) - (exercise.start.wristFlexion ?? 0)
    const sideways = (shape.wristUlnarDeviation ?? 0) - (exercise.start.wristUlnarDeviation ?? 0)
    return Math.abs(bend) >= 10 && Math.abs(sideways) >= 10 && Math.sign(bend) === Math.sign(sideways)
  })
  const isPartOfDart = (name: AngleName) =>
    isDartThrow && (name === 'wristFlexion' || name === 'wristUlnarDeviation')
  const directionsOf = (names: Iterable<AngleName>, way: 0 | 1) =>
    [...names].filter((name) => !isPartOfDart(name)).flatMap((name) => DIRECTIONS[name]?.[way] ?? [])
  const hyperextended = [...moved].flatMap((name) => {
    const limit = HYPEREXTENDED_BELOW[name]
    return limit && exercise.shapes.some((shape) => (shape[name] ?? 0) < limit[0]) ? [limit[1]] : []
  })
  const dart: Motion[] = isDartThrow ? ['wrist.dtm'] : []
  return {
    moved,
    /** Start to end and back again: both directions of every joint that moves. */
    both: (keep: (name: AngleName) => boolean = () => true): Motion[] => {
      const names = [...moved].filter(keep)
      return unique([...dart, ...directionsOf(names, 0), ...directionsOf(names, 1), ...hyperextended])
    },
    /** The muscle that lowers a load works against the way it goes. */
    towardsStart: (): Motion[] =>
      unique([...dart, ...directionsOf(falling, 0), ...directionsOf(rising, 1), ...hyperextended]),
    towardsEnd: (keep: (name: AngleName) => boolean = () => true): Motion[] =>
      unique([
        ...dart,
        ...directionsOf([...rising].filter(keep), 0),
        ...directionsOf([...falling].filter(keep), 1),
        ...hyperextended,
      ]),
  }
}

/**
 * A composite in the mode it is made in. Tenodesis is the work of the wrist: active, but for a hinged orthosis that leads
 * the hand. A straight fist pressed by the other hand is a fist: the two flexors do not slide on each other by themselves.
 */
function madeBy(
  combo: Combo,
  mode: Mode,
  orthosis: Orthosis,
  res: ResistanceClass | null,
): Signature['combos'][number] {
  if (combo === 'tenodesis') return { combo, mode: orthosis === 'TEN' ? 'P' : 'A', res }
  return { combo: combo === 'straight_fist' && mode === 'P' ? 'fist' : combo, mode, res }
}

/**
 * Digits that follow the wrist, as a protocol with a rule for tenodesis judges them: by that rule, not as if a hand moved
 * each joint. Where no rule guards tenodesis, each joint is judged by itself.
 */
export function withDigitsFollowing(
  signature: Signature,
  protocol: Pick<Protocol, 'guardCombos'>,
): Signature {
  const isTenodesis = signature.combos.some(({ combo }) => combo === 'tenodesis')
  if (!isTenodesis || !protocol.guardCombos.includes('tenodesis')) return signature
  const follows = ({ modes, motions }: SignatureMotion) =>
    modes.every((mode) => mode === 'P' || mode === 'AA') &&
    motions.every((motion) => !/^(wrist|forearm|elbow|shoulder)\./.test(motion))
  // The shape they fall into belongs to it as well.
  const isOwn = ({ combo, mode }: Signature['combos'][number]) =>
    combo === 'tenodesis' || (mode !== 'P' && mode !== 'AA')
  return {
    ...signature,
    motions: signature.motions.filter((part) => !follows(part)),
    combos: signature.combos.filter(isOwn),
  }
}

const isOfDigits = (name: AngleName) => DIGIT_ANGLES.includes(name)
const isOfWrist = (name: AngleName) => !isOfDigits(name)

/** Who moves the joint, where it is not the hand itself. */
function actorOf(force: Force): Actor | null {
  if (force === 'passive by wrap') return 'elastic'
  return isByOtherHand(force) || force === 'active wrist, passive digits' ? 'self' : null
}

/**
 * A ligament opened sideways: the thumb's ulnar collateral, the collaterals of a PIP joint. A low gap is what the joint's
 * own motion gives, no load from the side: the ceilings of the condition hold it back, not the stress word.
 */
function stressesOf({ stress }: Exercise): Stress[] {
  const opens = (structure: string) =>
    stress.some(
      (one) =>
        one.structure === structure && one.mode === 'gap' && (one.level === 'med' || one.level === 'high'),
    )
  return [
    ...(opens('THUCL') ? (['th_mp.radial'] as const) : []),
    ...(opens('PIPCL') ? (['pip.lateral'] as const) : []),
  ]
}

/** A wrist kept fully bent this long is the position that provokes the median nerve. Source: derivation, common practice. */
export const PHALEN_HOLD_SECONDS = 5
/** At the end of a nerve's move longer than this it is held under tension. Source: derivation, common practice. */
export const NERVE_HOLD_SECONDS = 5
/** Up to this mean strain two ends of one sign still count as one end moving. Source: derivation, common practice. */
export const ONE_END_STRAIN_PERCENT = 2

/** How an exercise moves a nerve, by its angles: B-19 and the hold at the end. */
function nerveTechniqueOf(exercise: Exercise, nerve: Nerve, dose: Dose): NerveTechnique {
  if (dose.holdSeconds > NERVE_HOLD_SECONDS) return 'sustained_hold'
  // No bed is known of a digital nerve: the strictest is taken.
  if (nerve === 'digital') return 'tensioner'
  // What was filed as a tensioner starts under tension already: its change alone tells less than there is.
  if (exercise.family === 'nerve-tensioner') return 'tensioner'
  const { class: move, strainPercent } = nerveMoveOf(nerve, exercise)
  if (move === 'slider') return 'slider2'
  if (move === 'none' || move === 'single') return 'slider1'
  const isSmall = move === 'tensioner' && Math.abs(strainPercent) <= ONE_END_STRAIN_PERCENT
  return isSmall ? 'slider1' : 'tensioner'
}

/**
 * The axis of the rules on which an angle is stated. Spread has none of its own, nor has the base of the thumb: rules state
 * neither in degrees.
 */
const STATED_AXES: readonly (readonly [AngleName, Axis])[] = ANGLE_NAMES.flatMap((name) => {
  const directions = DIRECTIONS[name]
  const axis = directions && name !== 'fingerSpread' ? axisOfMotion(directions[0]) : null
  return axis === null || axis === 'thumbCmc' ? [] : [[name, axis] as const]
})

/**
 * The arc through which each moved joint travels, from the stated angles only: an unstated joint has none. Fingers that
 * spread do so at a knuckle bent as far as stated.
 */
function arcsOf(exercise: Exercise, motions: readonly Motion[]): Arcs | null {
  const arcs: Partial<Record<Axis, readonly [number, number]>> = {}
  for (const [name, axis] of STATED_AXES) {
    const directions = [...DIRECTIONS[name]!, ...(name === 'mcpFlexion' ? DIRECTIONS.fingerSpread! : [])]
    if (!directions.some((motion) => motions.includes(motion))) continue
    const angles = [exercise.start, ...exercise.shapes].map((pose) => pose[name])
    if (angles.some((angle) => angle === undefined)) continue
    arcs[axis] = [Math.min(...(angles as number[])), Math.max(...(angles as number[]))]
  }
  return Object.keys(arcs).length > 0 ? arcs : null
}

/** Where the joints that do not move are kept; unstated joints stay unknown. */
function postureOf(exercise: Exercise, moved: ReadonlySet<AngleName>): Arcs | null {
  const posture: Partial<Record<Axis, readonly [number, number]>> = {}
  const isHeldAtEnd = exercise.force === 'placed then held'
  for (const [name, axis] of STATED_AXES) {
    const angle = exercise.start[name]
    // What is placed is held at the end: there the wrist stands by then.
    const held = isHeldAtEnd && isOfWrist(name) ? exercise.shapes.at(-1)?.[name] : undefined
    if (angle === undefined || (moved.has(name) && held === undefined)) continue
    posture[axis] = [held ?? angle, held ?? angle]
  }
  return Object.keys(posture).length > 0 ? posture : null
}

/**
 * Composites at the end poses, unstated joints at rest. What the hand moves by itself goes back to where it started, so
 * that the start counts as well: an exercise that opens a fist has made one. Held is the end only.
 */
function combosOf(exercise: Exercise, dose: Dose): Combo[] {
  const found = new Set<Combo>()
  if (exercise.force.startsWith('active wrist') && goesOppositeWays(exercise)) found.add('tenodesis')
  const poses = exercise.force === 'active' ? [exercise.start, ...exercise.shapes] : exercise.shapes
  for (const shape of poses) {
    const at = (name: AngleName) => shape[name] ?? REST_ANGLES[name]
    const [wrist, mcp, pip, dip] = [at('wristFlexion'), at('mcpFlexion'), at('pipFlexion'), at('dipFlexion')]
    if (mcp >= 45 && pip >= 45 && dip >= 20) found.add('fist')
    if (mcp <= 20 && pip >= 45) found.add('hook')
    if (mcp >= 45 && pip >= 45 && dip <= 10) found.add('straight_fist')
    if (mcp >= 45 && pip <= 20 && dip <= 20) found.add('tabletop')
    if (wrist <= -20 && mcp <= 15 && pip <= 20) found.add('cx_ext_wf')
    if (wrist >= 20 && mcp >= 45 && pip >= 45) found.add('cx_flex_wf')
    if (shape !== exercise.start && wrist >= 60 && dose.holdSeconds >= PHALEN_HOLD_SECONDS)
      found.add('phalen_hold')
  }
  return [...found]
}

/** Wrist and digits together: the wrist extends while the fingers bend, or the other way round. */
function goesOppositeWays({ start, shapes }: Exercise): boolean {
  return shapes.some((shape) => {
    const change = (name: AngleName) => (shape[name] ?? 0) - (start[name] ?? 0)
    const digits = ['mcpFlexion', 'pipFlexion', 'thumbMcpFlexion', 'thumbIpFlexion'] as const
    return digits.some((name) => change(name) * change('wristFlexion') < 0)
  })
}

function unique(motions: readonly Motion[]): Motion[] {
  return [...new Set(motions)]
}
