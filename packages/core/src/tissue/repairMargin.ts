import { contradiction, reaches, wholeWithin, within } from '../anatomy/checked.js'
import { decided, published } from '../anatomy/constant.js'
import { NEWTONS_PER_KGF } from '../measurement/strength/forceUnits.js'

type Forces = readonly [low: number, typical: number, high: number]
const rung = (newtons: Forces) => decided(newtons, 'N', 'low')
const measured = (newtons: Forces) => published(newtons, 'N', 'EDSFELDT-2015', 'medium')

/** What a hand does on each rung, and the force on a deep flexor repair. Order: GROTH-2004. */
export const FORCE_LADDER = [
  { does: 'helper or other hand moves the joint, the muscle is silent', newtons: rung([1, 4, 9]) },
  { does: 'placed in a loose curl and kept there', newtons: measured([1, 3, 10]) },
  { does: 'a soft fist by itself', newtons: measured([2, 6, 34]) },
  { does: 'hook and straight fist', newtons: rung([3, 9, 35]) },
  { does: 'a single joint, the others held', newtons: measured([8, 24, 50]) },
  { does: 'a whole fist against something soft', newtons: rung([15, 30, 50]) },
  { does: 'hook and straight fist against something soft', newtons: rung([20, 45, 70]) },
  { does: 'a single held joint against resistance', newtons: rung([30, 60, 120]) },
] as const

/** Strength of a core suture, how much the running suture adds, and how it changes with days. */
export const REPAIR_STRENGTH = {
  kgfPerStrand: decided(0.9, 'kgf', 'medium'),
  epitendinousShare: decided(0.2, 'share', 'medium'),
} as const
type Days = readonly (readonly [day: number, share: number])[]
/** Share of the fresh strength by day: rested or passively moved, and moved actively from the first days. */
export const STRENGTH_BY_DAY = {
  classic: published<Days>(
    [
      [0, 1],
      [7, 0.5],
      [21, 0.667],
      [42, 1.2],
      [84, 2],
    ],
    'of fresh strength',
    'STRICKLAND-1993',
    'medium',
  ),
  earlyMotion: decided<Days>(
    [
      [0, 1],
      [7, 0.9],
      [21, 1],
      [42, 1.4],
      [84, 2.5],
    ],
    'of fresh strength',
    'low',
  ),
} as const

/** From this day on the model is too cautious and is hidden. */
export const MODEL_HIDDEN_FROM_DAY = decided(56, 'days')

export interface RepairStrength {
  /** Rested or passively moved: weakest in the second week. */
  readonly classicN: number
  /** Moved actively from the first days. */
  readonly earlyMotionN: number
}

/**
 * Strength of a flexor tendon repair (zones I to V) in N: an order of magnitude. Not for extensors, grafts, tenolysis or
 * partial cuts, and never beyond its days. The early-motion curve is a synthesis.
 *
 * @param strands - 2, 4, 6 or 8
 * @param day - 0–84
 * @param epitendinous - share of the running suture, 0–0.5
 */
export function repairStrength(
  strands: number,
  day: number,
  epitendinous: number = REPAIR_STRENGTH.epitendinousShare.value,
): RepairStrength {
  if (![2, 4, 6, 8].includes(strands))
    contradiction('strands', `Expected 2, 4, 6 or 8 strands, found ${strands}: others are outside the model.`)
  within(day, 'day', [0, 84], 'days')
  within(epitendinous, 'e', [0, 0.5])
  const fresh = REPAIR_STRENGTH.kgfPerStrand.value * NEWTONS_PER_KGF * strands * (1 + epitendinous)
  return {
    classicN: fresh * shareOn(STRENGTH_BY_DAY.classic.value, day),
    earlyMotionN: fresh * shareOn(STRENGTH_BY_DAY.earlyMotion.value, day),
  }
}

function shareOn(days: Days, day: number): number {
  const place = Math.max(
    1,
    days.findIndex(([anchor]) => anchor >= day),
  )
  const [[from, low], [to, high]] = [days[place - 1]!, days[place]!]
  return low + ((day - from) / (to - from)) * (high - low)
}

/** How much more force swelling asks for. */
export const EDEMA_FACTORS = decided({ none: 1, mild: 1.2, moderate: 1.5, severe: 2 }, 'times', 'low')
export type EdemaGrade = keyof typeof EDEMA_FACTORS.value

/** Lower ends of the margin from which a class is given. */
export const MARGIN_CLASSES = {
  comfortable: decided(2, 'times', 'low'),
  narrow: decided(1, 'times', 'low'),
} as const

/** About one standard deviation of repairs and loads together. */
export const UNCERTAINTY_FACTOR = decided(2.5, 'times', 'low')

export type MarginClass = 'comfortable' | 'narrow' | 'below'
export interface RepairMargin {
  readonly middle: number
  readonly low: number
  readonly high: number
  readonly class: MarginClass
  /** From day 56 on the model is too cautious: it is not shown. */
  readonly isHidden: boolean
}

/**
 * How far a repair's strength lies above the typical force of a rung, with the band of not knowing. A rung never looks
 * safer than one below it. A class for the therapist; never shown to a patient, and it never opens anything.
 *
 * @param level - 1–8
 */
export function repairMargin(
  strands: number,
  day: number,
  level: number,
  edema: EdemaGrade = 'none',
  epitendinous?: number,
): RepairMargin {
  wholeWithin(level, 'level', [1, 8])
  const { classicN, earlyMotionN } = repairStrength(strands, day, epitendinous)
  const typical = Math.max(...FORCE_LADDER.slice(0, level).map(({ newtons }) => newtons.value[1]))
  const middle = Math.sqrt(classicN * earlyMotionN) / (typical * EDEMA_FACTORS.value[edema])
  const low = middle / UNCERTAINTY_FACTOR.value
  const word = reaches(low, MARGIN_CLASSES.comfortable.value)
    ? 'comfortable'
    : reaches(low, MARGIN_CLASSES.narrow.value)
      ? 'narrow'
      : 'below'
  return {
    middle,
    low,
    high: middle * UNCERTAINTY_FACTOR.value,
    class: word,
    isHidden: day >= MODEL_HIDDEN_FROM_DAY.value,
  }
}
