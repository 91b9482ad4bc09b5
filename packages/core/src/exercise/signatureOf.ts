import type {
  Actor,
  Grip,
  Mode,
  Motion,
  Orthosis,
  ResistanceClass,
  Stress,
} from '../vocabulary/vocabulary.js'
import type { Protocol } from '../protocol/protocol.js'
import type { Signature, SignatureMotion } from './signature.js'
import { isByOtherHand, type AngleName, type Dose, type Exercise, type Force } from './exercise.js'
import { arcsOf, isOfDigits, isOfWrist, postureOf, travelOf } from './travelOf.js'
import { combosOf, HELD_COMBOS, madeBy } from './composites.js'
import { nerveTechniqueOf } from './nerveTechniqueOf.js'
import { resistanceOf } from './resistanceOf.js'

/** A passive movement held longer than this is a stretch. Source: vocabulary 3, common practice. */
export const STRETCH_FROM_HOLD_SECONDS = 10

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
  const travel = travelOf(exercise, orthosis)
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
    case 'active, elastic returns':
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
      // A hinged orthosis leads the wrist.
      move([orthosis === 'TEN' ? 'AA' : 'A'], travel.both(isOfWrist))
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
  const isResisting = comboMode === 'I' || comboMode === 'R'
  const grips = gripsOf(exercise, isResisting ? (res ?? 5) : 0)
  const [grip = null] = grips.map((one) => one.grip)
  const isMoving = motions.length > 0
  const made = combosOf(exercise, dose, {
    mode: comboMode,
    back: backMode(exercise.force, comboMode),
    grip,
    res,
    orthosis,
  })
  return {
    name: exercise.text.en.name,
    motions,
    orthosis,
    digits: exercise.digits ?? null,
    posture: made.some(({ combo }) => combo === 'tenodesis')
      ? // The fingers follow the wrist on all of its way.
        postureOf(exercise, without(travel.moved, 'wristFlexion'))
      : postureOf(exercise, travel.moved),
    combos: [
      ...made
        .filter(({ combo }) => isMoving || HELD_COMBOS.includes(combo))
        .map((combo) => madeBy(combo, orthosis, isResisting ? res : null)),
      ...exercise.written.combos,
    ].filter(
      ({ combo, mode }, place, all) =>
        all.findIndex((one) => one.combo === combo && one.mode === mode) === place,
    ),
    grips,
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

function without(names: ReadonlySet<AngleName>, name: AngleName): ReadonlySet<AngleName> {
  return new Set([...names].filter((one) => one !== name))
}

/** What the hand holds: written by hand where the angles and the load cannot tell how hard, else against the load; nothing weighs R0. */
function gripsOf(exercise: Exercise, res: ResistanceClass): Signature['grips'] {
  if (exercise.written.grips.length > 0) return exercise.written.grips
  const grip = GRIP_OF_HAND[exercise.grip]
  return grip ? [{ grip, res }] : []
}

/** The mode in which a repetition comes back; `null` where it does not count: let go, or held at the end. */
function backMode(force: Force, mode: Mode): Mode | null {
  switch (force) {
    case 'active':
    case 'active with other hand on scar':
    case 'active-assisted':
    case 'active wrist, passive digits':
    case 'active wrist, assisted digits':
      return mode
    case 'guided without pull':
    case 'active, elastic returns':
    case 'passive, let back':
      return 'P'
    case 'passive by other hand':
      return mode === 'P' ? 'P' : null
    default:
      return null
  }
}

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
