import type { Criterion } from '../vocabulary/criterion.js'
import type { Said } from '../words/names.js'
import type { Source } from '../protocol/protocol.js'
import type { Digit, Nerve, Orthosis } from '../vocabulary/vocabulary.js'
import type { Signature } from './signature.js'
import type { PictureHints } from './pictureHints.js'

/**
 * Joint angles by name, in degrees: flexion +, extension and hyperextension −; ulnar deviation +; supination +; internal
 * rotation of the shoulder +; neck bent toward the exercised arm +; fingers spread from the middle finger +. `opposition`
 * is the reach 0–10. The bounds are the editor's window: outside is a typing error.
 */
export const ANGLE_WINDOWS = {
  wristFlexion: [-85, 90],
  wristUlnarDeviation: [-25, 40],
  forearmSupination: [-90, 90],
  elbowFlexion: [-5, 150],
  shoulderFlexion: [-60, 180],
  shoulderAbduction: [0, 180],
  shoulderInternalRotation: [-90, 90],
  neckSideBend: [-45, 45],
  mcpFlexion: [-45, 100],
  fingerSpread: [-10, 40],
  pipFlexion: [-10, 115],
  dipFlexion: [-20, 90],
  thumbMcpFlexion: [-10, 70],
  thumbIpFlexion: [-20, 90],
  thumbRadialAbduction: [0, 60],
  thumbPalmarAbduction: [0, 60],
  opposition: [0, 10],
} as const
export type AngleName = keyof typeof ANGLE_WINDOWS
export const ANGLE_NAMES = Object.keys(ANGLE_WINDOWS) as AngleName[]

/** Angles a joint rests at when an exercise does not state it: for the picture and the detection of composites only. */
export const REST_ANGLES: Readonly<Record<AngleName, number>> = {
  wristFlexion: -15,
  wristUlnarDeviation: 5,
  forearmSupination: -30,
  elbowFlexion: 80,
  shoulderFlexion: 10,
  shoulderAbduction: 0,
  shoulderInternalRotation: 0,
  neckSideBend: 0,
  mcpFlexion: 35,
  fingerSpread: 0,
  pipFlexion: 35,
  dipFlexion: 15,
  thumbMcpFlexion: 10,
  thumbIpFlexion: 15,
  thumbRadialAbduction: 25,
  thumbPalmarAbduction: 25,
  opposition: 0,
}

export type Pose = Readonly<Partial<Record<AngleName, number>>>

export const FAMILIES = [
  'edema',
  'heat-cold',
  'soft-tissue',
  'passive-range',
  'prolonged-stretch',
  'place-and-hold',
  'active-range',
  'blocking',
  'tendon-glide',
  'tenodesis',
  'nerve-slider',
  'nerve-tensioner',
  'isometric',
  'isotonic',
  'grip',
  'pinch',
  'dexterity',
  'proprioception',
  'desensitization',
  'functional',
] as const
export type Family = (typeof FAMILIES)[number]

/** What an exercise is for. */
export const AIMS = [
  'swelling',
  'pain',
  'scar',
  'motion',
  'stretch',
  'glide',
  'nerve',
  'strength',
  'control',
  'sensation',
  'daily-use',
] as const
export type Aim = (typeof AIMS)[number]

/** The place of an exercise within a bout, in this order. */
export const SLOTS = ['warm', 'soften', 'passive', 'active', 'glide', 'strengthen', 'settle'] as const
export type Slot = (typeof SLOTS)[number]

/** What is known to work: trials in patients, experiments with hands or tendons, or what therapists teach. */
export const EVIDENCE_LEVELS = ['trials', 'laboratory', 'practice'] as const
export type EvidenceLevel = (typeof EVIDENCE_LEVELS)[number]

/** How much an exercise asks of healing tissue; a different scale from the resistance classes, never compared with them. */
export const DEMANDS = [
  'care',
  'taught',
  'free',
  'block',
  'use',
  'stretchGentle',
  'stretchFirm',
  'load1',
  'load2',
  'load3',
  'nerve',
] as const
export type Demand = (typeof DEMANDS)[number]

export const FORCES = [
  'active',
  'active, elastic returns',
  'active-assisted',
  'active with other hand on scar',
  'guided without pull',
  'passive by other hand',
  'passive, let back',
  'passive by wrap',
  'gravity',
  'gravity + other hand',
  'body weight',
  'placed then held',
  'active wrist, passive digits',
  'active wrist, assisted digits',
  'isometric',
  'resisted',
  'lowered against load',
  'support only',
  'none',
] as const
export type Force = (typeof FORCES)[number]

/** Whether the other hand moves the joint, helps it or rests on it. */
export function isByOtherHand(force: Force): boolean {
  return BY_OTHER_HAND.includes(force)
}
const BY_OTHER_HAND: readonly Force[] = [
  'active-assisted',
  'active with other hand on scar',
  'guided without pull',
  'passive by other hand',
  'passive, let back',
  'gravity + other hand',
  'placed then held',
  'active wrist, assisted digits',
]

/**
 * What the other hand does: nothing; it holds, guides or rubs; it holds against an effort; or it does the same movement.
 */
export const OTHER_HAND_USES = ['none', 'helps', 'resists', 'the same'] as const
export type OtherHandUse = (typeof OTHER_HAND_USES)[number]

/** What the other hand does in an exercise: as the entry says, else by its sides and its force. */
export function otherHandUse(exercise: Pick<Exercise, 'force' | 'side' | 'otherHand'>): OtherHandUse {
  if (exercise.otherHand) return exercise.otherHand
  if (exercise.side === 'both') return 'the same'
  // What is lowered against a load is raised by the other hand first.
  if (exercise.force === 'lowered against load') return 'resists'
  return isByOtherHand(exercise.force) ? 'helps' : 'none'
}

export const HAND_GRIPS = [
  'none',
  'cylindrical',
  'full-fist',
  'spherical',
  'three-jaw',
  'lateral',
  'tip',
  'pad-to-pad',
  'hook',
] as const

export const LOAD_UNITS = ['kg', 'percentEffort', 'houseStep', 'bodyWeight'] as const
/** What an exercise is loaded with, and the steps a therapist may choose, lightest first. */
export interface Load {
  readonly unit: (typeof LOAD_UNITS)[number]
  readonly steps: readonly number[]
}

export const STRESS_MODES = [
  'glide',
  'active',
  'stretch',
  'resist',
  'compress',
  'gap',
  'shear',
  'torsion',
  'touch',
] as const
export const STRESS_LEVELS = ['none', 'low', 'med', 'high'] as const
export interface StructureStress {
  readonly structure: string
  readonly mode: (typeof STRESS_MODES)[number]
  readonly level: (typeof STRESS_LEVELS)[number]
}

/** Words that bar or limit an exercise whatever the protocol says. */
export const CONTRAINDICATIONS = [
  'latex',
  'adhesive',
  'insensate',
  'openWound',
  'sutures',
  'pins',
  'infection',
  'ischaemia',
  'raynaud',
  'digitalArteryRepair',
  'anticoagulant',
  'lymphedema',
  'dialysisFistula',
  'heartOrKidneyOverload',
  'pregnancy',
  'clot',
  'activeBlock',
  'growthPlate',
] as const
export type Contraindication = (typeof CONTRAINDICATIONS)[number]
/** What an entry may be done with, with care. */
export const CARE_WITH = ['insensate'] as const satisfies readonly Contraindication[]

/** When the patient must stop; S0 holds for every exercise. */
export const STOP_RULES = ['S0', 'SF', 'ST', 'SL', 'SN', 'SI', 'SS', 'SH', 'SC', 'SX'] as const
export type StopRule = (typeof STOP_RULES)[number]

export interface Dose {
  readonly sets: number
  readonly repetitions: number
  readonly holdSeconds: number
  readonly boutsPerDay: number
  /** In the exercise's own unit of load; `null` where it has none. */
  readonly load: number | null
}

/**
 * What the seconds of a hold are spent with: the end is kept; the exercise goes on without a stop (rubbing, letters in the
 * air); the way to the end takes them (lowering a weight); or something is put on and left alone (a pack, a wrap).
 */
export const HOLD_KINDS = ['kept', 'going on', 'on the way', 'left alone'] as const
export type HoldKind = (typeof HOLD_KINDS)[number]
/** How the time of a repetition is spent, where it differs from going there, keeping the end and going back. */
export interface Pace {
  /** Seconds the movement of one repetition takes, its hold apart. */
  readonly moveSeconds?: number
  readonly hold?: HoldKind
}

export type DoseRange = Readonly<
  Record<'sets' | 'repetitions' | 'holdSeconds' | 'boutsPerDay', readonly [number, number]>
>

export interface ExerciseText {
  readonly name: string
  /** Why, in one line. */
  readonly reason: string
  readonly steps: readonly string[]
  readonly shouldFeel: string
  readonly shouldNotFeel: string
  readonly mistake: string
  /** What has to be so before it is begun, for whoever prescribes it. */
  readonly before: string
}

/** What the angles cannot tell: direction of an isometric, a held neighbor, circles, activities, weights, who moves it. */
export interface WrittenSignature extends Pick<
  Signature,
  'motions' | 'combos' | 'grips' | 'acts' | 'kg' | 'by' | 'stress' | 'technique'
> {
  /** The nerve an exercise is meant to move; how it moves follows from the angles. */
  readonly nerve: Nerve | null
}

/** Whether digits go at once; one after the other, each through the whole dose or all in every repetition; or by pairs of neighbors. */
export const TURNS = ['together', 'digits in turn', 'digits in each repetition', 'neighbors in turn'] as const
/** What the other digits do while one goes. */
export const ONE_AT_A_TIME = ['others rest', 'others have a part'] as const

/** What an exercise does to skin and tissue besides moving joints. */
export const CONTACTS = ['rub', 'press', 'clamp', 'immerse', 'heat', 'cold', 'compress', 'vibrate'] as const
/** Where: the scar itself, the skin, or the tissue of a part. */
export const CONTACT_REGIONS = [
  'scar',
  'skin',
  'fingers',
  'thumb',
  'palm',
  'hand',
  'wrist',
  'forearm',
] as const
export type ContactRegion = (typeof CONTACT_REGIONS)[number]
export interface Contact {
  readonly what: (typeof CONTACTS)[number]
  readonly where: ContactRegion
}

/** Conditions or schools in which an exercise is never given, with the reason. */
export interface NeverFor {
  /** Ids of conditions and protocols. */
  readonly of: readonly string[]
  readonly why: Said
}

/** An exercise is joint angles, a force, a dose and words: all else is computed from these. */
export interface Exercise {
  readonly id: string
  readonly family: Family
  readonly region: string
  readonly demand: Demand
  readonly conditions: readonly string[]
  readonly aims: readonly Aim[]
  readonly slot: Slot
  readonly evidence: EvidenceLevel
  readonly start: Pose
  /** One pose, or several shapes in order. */
  readonly shapes: readonly Pose[]
  /** The mended finger at the end, where a yoke holds it otherwise than its neighbors. */
  readonly mendedFinger?: Pose
  readonly force: Force
  readonly grip: (typeof HAND_GRIPS)[number]
  readonly load: Load | null
  /** Keys of the list of equipment; an orthosis stands in `worn`. */
  readonly equipment: readonly string[]
  readonly stress: readonly StructureStress[]
  readonly dose: Dose
  readonly range: DoseRange
  readonly painCap: number
  readonly maxRise: number
  readonly stop: readonly StopRule[]
  /** Usual earliest week per condition. */
  readonly gateWeeks: Readonly<Record<string, number>>
  /** What has to be recorded first, by condition: ten painless repetitions of the rung below, where weeks tell nothing. */
  readonly asks?: Readonly<Record<string, Criterion>>
  readonly ladder: { readonly easier: readonly string[]; readonly harder: readonly string[] }
  /** The only orthoses it is done in, `none` included when it may be done without; absent: in any that leaves its joints free. */
  readonly worn?: readonly Orthosis[]
  readonly side: 'one' | 'each' | 'both'
  /** What the other hand does, where sides and force do not tell. */
  readonly otherHand?: OtherHandUse
  /** The digits it is done with, where it cannot be done with others; absent: every finger, or as many as are chosen. */
  readonly digits?: readonly Digit[]
  /** Digits that go one after the other each take the time of a bout. */
  readonly turns: (typeof TURNS)[number]
  /**
   * Stated where one digit goes at a time: whether the others rest meanwhile, so that they have no part in it, or are laid,
   * held or drawn along. Absent: they go together.
   */
  readonly oneAtATime?: (typeof ONE_AT_A_TIME)[number]
  /** Absent in entries that go there, keep the end and go back at the usual pace. */
  readonly pace?: Pace
  readonly contraindications: readonly Contraindication[]
  /** On record as present these do not bar it: it is done with the skin looked at. Absent in most entries. */
  readonly careWith?: readonly (typeof CARE_WITH)[number][]
  /** Absent in entries that touch nothing but what they move. */
  readonly contact?: readonly Contact[]
  readonly neverFor?: readonly NeverFor[]
  readonly written: WrittenSignature
  /** What the angles cannot tell its picture; absent in entries that need none. */
  readonly picture?: PictureHints
  readonly sources: readonly Source[]
  readonly text: Readonly<Record<'en' | 'es', ExerciseText>>
}
