import { JOINT_READING_LIMITS, type HingeJoint } from '../../anatomy/jointReading.js'
import type { Digit } from '../../vocabulary/vocabulary.js'
import type { Measure as ErrorName } from '../change/measureErrors.js'
import { LOOKS, type LookName } from '../looks/looks.js'
import { WRIST_MOTIONS } from '../motion/wristMotion.js'
import { FILAMENT_MARKINGS } from '../symptoms/sensation.js'
import { SCAR_ITEMS, type ScarItem } from '../symptoms/scarScale.js'

/** Who moves the joint while it is measured. */
export const READING_KINDS = ['active', 'passive'] as const
export type ReadingKind = (typeof READING_KINDS)[number]
export const SIDES = ['left', 'right'] as const
export type Side = (typeof SIDES)[number]

export function otherSideOf(side: Side): Side {
  return side === 'left' ? 'right' : 'left'
}

/** What is felt where no number can be given: nothing, or two points as one. */
export const FELT_WORDS = ['none', 'one point'] as const
export type FeltWord = (typeof FELT_WORDS)[number]

type Bounds = readonly [low: number, high: number]

/**
 * What one measure is: how it is called, of which digits and sides it is taken, its unit, which readings are refused (`hard`)
 * and which asked about (`soft`), and the error its changes are compared with.
 */
export interface MeasureFacts {
  readonly label: string
  readonly unit: 'degrees' | 'mm' | 'cm' | 'ml' | 'kgf' | 'of 10' | 'stages' | 'marking'
  /** Both ends of a hinge joint, one number, or several trials of the same. */
  readonly shape: 'hinge' | 'number' | 'trials'
  /** Taken of each of these; `null`: of the hand or the person. */
  readonly digits: readonly Digit[] | null
  /** Whether it is taken of a side; pain at rest is the person's. */
  readonly hasSide: boolean
  /** Active and passive, or neither. */
  readonly kinds: readonly ReadingKind[]
  readonly hard: Bounds
  readonly soft: Bounds
  /** Digits after the decimal point that count. */
  readonly decimals: 0 | 1 | 2
  /** Whose error its changes are compared with; `null`: none is published or agreed. */
  readonly error: ErrorName | null
  /** Whether more is better. */
  readonly isMoreBetter: boolean
  /** Where else it is taken: of a patch of skin, of a fingertip's pad, or of one of the patient's own tasks. */
  readonly spots: 'zone' | 'fingertip' | 'task' | null
  /** The only numbers there are, as the markings of a kit; `null`: any within the limits. */
  readonly allowed: readonly number[] | null
  /** What may be found instead of a number. */
  readonly felt: readonly FeltWord[]
  /** Its own direction in the stored sign: extension, radial deviation and pronation are stored negative. */
  readonly signed: 1 | -1
}

export const FINGER_DIGITS = ['index', 'middle', 'ring', 'little'] as const satisfies readonly Digit[]
const [THUMB, OF_HAND] = [['thumb'], null] as const
const BOTH = READING_KINDS

const hinge = (label: string, joint: HingeJoint, digits: readonly Digit[] | null, error: ErrorName) =>
  ({
    label,
    unit: 'degrees',
    shape: 'hinge',
    digits,
    hasSide: true,
    kinds: BOTH,
    ...JOINT_READING_LIMITS[joint],
    decimals: 0,
    error,
    isMoreBetter: true,
    spots: null,
    allowed: null,
    felt: [],
    signed: 1,
  }) as const satisfies MeasureFacts
interface Plain {
  readonly digits?: readonly Digit[] | null
  readonly hasSide?: boolean
  readonly kinds?: readonly ReadingKind[]
  readonly decimals?: 0 | 1 | 2
  readonly isLessBetter?: true
  readonly signed?: 1 | -1
  readonly spots?: MeasureFacts['spots']
  readonly allowed?: readonly number[] | null
  readonly felt?: readonly FeltWord[]
}
const one = (
  label: string,
  unit: MeasureFacts['unit'],
  hard: Bounds,
  soft: Bounds,
  error: ErrorName | null,
  {
    digits = OF_HAND,
    hasSide = true,
    kinds = [],
    decimals = 0,
    isLessBetter,
    signed = 1,
    spots = null,
    allowed = null,
    felt = [],
  }: Plain = {},
): MeasureFacts => ({
  label,
  unit,
  shape: 'number',
  digits,
  hasSide,
  kinds,
  hard,
  soft,
  decimals,
  error,
  isMoreBetter: !isLessBetter,
  spots,
  allowed,
  felt,
  signed,
})
const wrist = (name: keyof typeof WRIST_MOTIONS, place: string): MeasureFacts => {
  const { label, hard, soft, error, signed } = WRIST_MOTIONS[name]
  return one(place ? `${place} ${label.toLowerCase()}` : label, 'degrees', hard, soft, error, {
    kinds: BOTH,
    signed,
  })
}
const force = (label: string, high: number, likely: number, error: ErrorName): MeasureFacts => ({
  ...one(label, 'kgf', [0, high], [0, likely], error, { decimals: 1 }),
  shape: 'trials',
})
const pain = (label: string) =>
  one(label, 'of 10', [0, 10], [0, 10], null, { hasSide: false, isLessBetter: true })

/** An answer of the three questions of irritability: 0 low to 2 high. */
const level = (label: string) =>
  one(label, 'stages', [0, 2], [0, 2], null, { hasSide: false, isLessBetter: true })

/** Something that is looked at: the place of its answer, the best first. */
const look = (name: LookName) => {
  const last = LOOKS[name].answers.length - 1
  return one(LOOKS[name].label, 'stages', [0, last], [0, last], null, { isLessBetter: true })
}
const scar = (label: string) => one(label, 'of 10', [0, 10], [0, 10], null, { isLessBetter: true })

/**
 * Everything that is measured at the bench, by name. Limits of joints: `measures.md` 0. Those of neck and shoulder, lengths and
 * girths are wide enough for any hand: common practice.
 */
export const MEASURES = {
  mcp: hinge('MCP', 'mcp', FINGER_DIGITS, 'fingerJoint'),
  pip: hinge('PIP', 'pip', FINGER_DIGITS, 'fingerJoint'),
  dip: hinge('DIP', 'dip', FINGER_DIGITS, 'fingerJoint'),
  thumbMcp: hinge('Thumb MCP', 'thumbMcp', THUMB, 'thumbJoint'),
  thumbIp: hinge('Thumb IP', 'thumbIp', THUMB, 'thumbJoint'),
  thumbPalmarAbduction: one('Palmar abduction', 'degrees', [0, 90], [10, 70], 'thumbAbduction', {
    digits: THUMB,
    kinds: BOTH,
  }),
  thumbRadialAbduction: one('Radial abduction', 'degrees', [0, 90], [10, 70], 'thumbAbduction', {
    digits: THUMB,
    kinds: BOTH,
  }),
  wristFlexion: wrist('wristFlexion', 'Wrist'),
  wristExtension: wrist('wristExtension', 'Wrist'),
  radialDeviation: wrist('radialDeviation', ''),
  ulnarDeviation: wrist('ulnarDeviation', ''),
  pronation: wrist('pronation', ''),
  supination: wrist('supination', ''),
  elbow: hinge('Elbow', 'elbow', OF_HAND, 'elbow'),
  shoulderFlexion: one('Shoulder flexion', 'degrees', [-60, 190], [0, 180], null, { kinds: BOTH }),
  shoulderAbduction: one('Shoulder abduction', 'degrees', [0, 190], [0, 180], null, { kinds: BOTH }),
  shoulderExternalRotation: one('Shoulder external rotation', 'degrees', [-60, 120], [0, 95], null, {
    kinds: BOTH,
  }),
  neckRotation: one('Neck, turned to this side', 'degrees', [0, 110], [0, 90], null, { kinds: ['active'] }),
  neckSideBend: one('Neck, bent to this side', 'degrees', [0, 80], [0, 50], null, { kinds: ['active'] }),
  fingertipToCrease: one('Fingertip to crease', 'mm', [0, 150], [0, 100], 'fingertipToCrease', {
    digits: FINGER_DIGITS,
    isLessBetter: true,
  }),
  opposition: one('Opposition', 'stages', [0, 10], [0, 10], 'opposition', { digits: THUMB }),
  retropulsion: one('Thumb lift off the table', 'stages', [0, 3], [0, 3], null, { digits: THUMB }),
  webSpan: one('Web span', 'mm', [1, 120], [20, 75], null, { digits: THUMB }),
  grip: force('Grip', 120, 80, 'grip'),
  keyPinch: force('Key pinch', 25, 15, 'pinch'),
  tipPinch: force('Tip pinch', 25, 12, 'pinch'),
  threePointPinch: force('Three-point pinch', 25, 15, 'pinch'),
  figureOfEight: one('Figure of eight', 'cm', [20, 80], [32, 55], 'figureOfEight', {
    decimals: 1,
    isLessBetter: true,
  }),
  wristGirth: one('Wrist, at the styloids', 'cm', [8, 40], [12, 24], null, {
    decimals: 1,
    isLessBetter: true,
  }),
  handVolume: one('Hand volume', 'ml', [100, 1500], [250, 700], 'handVolume', { isLessBetter: true }),
  girthProximal: one('Girth, proximal phalanx', 'mm', [25, 140], [40, 95], 'fingerCircumference', {
    digits: [...THUMB, ...FINGER_DIGITS],
    isLessBetter: true,
  }),
  girthPip: one('Girth, PIP', 'mm', [25, 140], [40, 95], 'fingerCircumference', {
    digits: FINGER_DIGITS,
    isLessBetter: true,
  }),
  painRest: pain('Pain at rest'),
  painAct: pain('Pain while moving'),
  painNight: pain('Pain at night'),
  painLater: pain('Pain one to two hours after exercise'),
  painMorning: pain('Pain the next morning'),
  irritProvoked: level('What sets it off'),
  irritSettles: level('How long until it settles'),
  irritNight: level('At night'),
  pipMcpFlexed: one('PIP flexion, MCP bent', 'degrees', [-40, 130], [0, 115], 'fingerJoint', {
    digits: FINGER_DIGITS,
    kinds: ['passive'],
  }),
  pipMcpStraight: one('PIP flexion, MCP straight', 'degrees', [-40, 130], [0, 115], 'fingerJoint', {
    digits: FINGER_DIGITS,
    kinds: ['passive'],
  }),
  dipPipFlexed: one('DIP flexion, PIP bent', 'degrees', [-40, 110], [0, 90], 'fingerJoint', {
    digits: FINGER_DIGITS,
    kinds: ['passive'],
  }),
  dipPipStraight: one('DIP flexion, PIP held straight', 'degrees', [-40, 110], [0, 90], 'fingerJoint', {
    digits: FINGER_DIGITS,
    kinds: ['passive'],
  }),
  thumbIpMcpStraight: one('IP flexion, MCP straight', 'degrees', [-50, 110], [0, 90], 'thumbJoint', {
    digits: ['thumb'],
    kinds: ['passive'],
  }),
  thumbIpMcpFlexed: one('IP flexion, MCP bent', 'degrees', [-50, 110], [0, 90], 'thumbJoint', {
    digits: ['thumb'],
    kinds: ['passive'],
  }),
  lostWristBent: one('Extension lost, wrist bent', 'degrees', [0, 270], [0, 200], 'fingerJoint', {
    digits: FINGER_DIGITS,
    kinds: ['passive'],
    isLessBetter: true,
  }),
  lostWristBack: one('Extension lost, wrist back', 'degrees', [0, 270], [0, 200], 'fingerJoint', {
    digits: FINGER_DIGITS,
    kinds: ['passive'],
    isLessBetter: true,
  }),
  filament: one('Lightest filament felt', 'marking', [1.65, 6.65], [1.65, 6.65], null, {
    decimals: 2,
    isLessBetter: true,
    spots: 'zone',
    allowed: FILAMENT_MARKINGS,
    felt: ['none'],
  }),
  twoPoint: one('Two points, resting', 'mm', [2, 25], [2, 15], 'twoPoint', {
    isLessBetter: true,
    spots: 'fingertip',
    felt: FELT_WORDS,
  }),
  twoPointMoving: one('Two points, moving', 'mm', [2, 25], [2, 12], 'twoPoint', {
    isLessBetter: true,
    spots: 'fingertip',
    felt: FELT_WORDS,
  }),
  comparedTouch: one('Touch against the other side', 'of 10', [1, 10], [1, 10], null, { spots: 'zone' }),
  scarStiffness: scar('Scar: stiffness'),
  scarThickness: scar('Scar: thickness'),
  scarRedness: scar('Scar: redness'),
  scarColor: scar('Scar: color difference'),
  scarStuck: scar('Scar: stuck to what lies below'),
  scarTenderness: scar('Scar: tenderness'),
  scarItch: scar('Scar: itch, as the patient says'),
  scarPain: scar('Scar: pain, as the patient says'),
  wound: look('wound'),
  pinSites: look('pinSites'),
  skinUnderOrthosis: look('skinUnderOrthosis'),
  tenodesis: look('tenodesis'),
  scarDimple: look('scarDimple'),
  clawing: look('clawing'),
  wasting: look('wasting'),
  lookUp: look('lookUp'),
  lookDown: look('lookDown'),
  lookThumbSide: look('lookThumbSide'),
  lookLittleSide: look('lookLittleSide'),
  task: one('Own task', 'of 10', [0, 10], [0, 10], 'ownTask', { hasSide: false, spots: 'task' }),
} as const satisfies Record<string, MeasureFacts>
export type MeasureName = keyof typeof MEASURES
export const MEASURE_NAMES = Object.keys(MEASURES) as MeasureName[]

/** What is known of a measure, without the narrow type of its entry. */
export function measureFacts(measure: MeasureName): MeasureFacts {
  return MEASURES[measure]
}

export function isMeasure(word: string): word is MeasureName {
  return Object.hasOwn(MEASURES, word)
}

/** Which measure each rating of a scar is kept under. */
export const SCAR_MEASURES = {
  stiffness: 'scarStiffness',
  thickness: 'scarThickness',
  redness: 'scarRedness',
  colorDifference: 'scarColor',
  stuckToDeepLayer: 'scarStuck',
  tenderness: 'scarTenderness',
} as const satisfies Readonly<Record<ScarItem, MeasureName>>
export const SCAR_RATED: readonly MeasureName[] = SCAR_ITEMS.map((item) => SCAR_MEASURES[item])
/** What the patient says of a scar, besides the ratings. */
export const SCAR_SAID: readonly MeasureName[] = ['scarItch', 'scarPain']

/** The hinge joints of a digit, from the palm to the tip. */
export const HINGES_OF = {
  thumb: ['thumbMcp', 'thumbIp'],
  finger: ['mcp', 'pip', 'dip'],
} as const
export type HingeMeasure = (typeof HINGES_OF)['thumb' | 'finger'][number]

export function hingesOf(digit: Digit): readonly HingeMeasure[] {
  return HINGES_OF[digit === 'thumb' ? 'thumb' : 'finger']
}

/** An arc of motion above the hand, with the motions of a school that are about it. */
interface ArmArc {
  readonly name: string
  readonly measures: readonly MeasureName[]
  /** `null`: no school speaks of it. */
  readonly guards: RegExp | null
}
/** A part of the arm above the fingers that is measured at the bench, in the order in which one measures. */
export interface ArmPart {
  readonly id: string
  readonly title: string
  readonly arcs: readonly ArmArc[]
}
const arc = (name: string, measures: readonly MeasureName[], guards: RegExp | null = null): ArmArc => ({
  name,
  measures,
  guards,
})
export const ARM_PARTS: readonly ArmPart[] = [
  {
    id: 'wrist',
    title: 'Wrist',
    arcs: [
      arc('wrist', ['wristFlexion', 'wristExtension'], /^wrist\.(flex|ext)$/),
      arc('deviation', ['radialDeviation', 'ulnarDeviation'], /^wrist\.(rad|uln)$/),
    ],
  },
  { id: 'forearm', title: 'Forearm', arcs: [arc('forearm', ['pronation', 'supination'], /^forearm\./)] },
  { id: 'elbow', title: 'Elbow', arcs: [arc('elbow', ['elbow'], /^elbow\./)] },
  {
    id: 'shoulder',
    title: 'Shoulder',
    arcs: [arc('shoulder', ['shoulderFlexion', 'shoulderAbduction', 'shoulderExternalRotation'])],
  },
  { id: 'neck', title: 'Neck', arcs: [arc('neck', ['neckRotation', 'neckSideBend'])] },
]

export function measuresOfPart({ arcs }: ArmPart): MeasureName[] {
  return arcs.flatMap(({ measures }) => measures)
}
