import { DIGITS, type Digit } from '../vocabulary/vocabulary.js'
import { ANGLE_NAMES, type AngleName, type Exercise } from './exercise.js'

/** What of an exercise tells which digits it is for. */
export type DigitsAsked = Pick<Exercise, 'shapes' | 'turns'> &
  Partial<Pick<Exercise, 'start' | 'force' | 'region' | 'grip' | 'digits' | 'oneAtATime'>>

const FINGERS: readonly Digit[] = DIGITS.filter((digit) => digit !== 'thumb')
const NEIGHBORS = FINGERS.slice(1).map((finger, place) => [FINGERS[place]!, finger])
const FINGER_ANGLES: readonly AngleName[] = ['mcpFlexion', 'pipFlexion', 'dipFlexion', 'fingerSpread']
const THUMB_ANGLES = ANGLE_NAMES.filter((name) => name.startsWith('thumb'))
/** Where the whole hand is moved or leaned on, nothing is left to choose. */
const OF_THE_WHOLE_HAND: readonly (Exercise['force'] | undefined)[] = [
  'none',
  'support only',
  'body weight',
  'active wrist, passive digits',
  'active wrist, assisted digits',
]

/**
 * The digits a therapist may choose among for one patient: fingers where the exercise moves fingers, and the thumb where it
 * takes its turn. What grips, leans or is done with digits of its own leaves nothing to choose.
 *
 * @returns in the order of the hand, the thumb first; empty where there is nothing to choose
 */
export function choosableDigits(exercise: DigitsAsked): readonly Digit[] {
  if (exercise.digits !== undefined || exercise.turns === 'neighbors in turn') return []
  if (takesTurns(exercise)) return defaultTurns(exercise)
  if (exercise.oneAtATime !== undefined) return FINGERS
  const isFree = exercise.grip === 'none' && !OF_THE_WHOLE_HAND.includes(exercise.force)
  return exercise.region === 'fingers' && isFree && moves(exercise, FINGER_ANGLES) ? FINGERS : []
}

/**
 * The digits to begin with when an exercise is given to a patient: the injured ones where it is done with one at a time and
 * not all take turns anyway; otherwise the exercise as it is.
 */
export function digitsToBegin(exercise: DigitsAsked, injured: readonly Digit[]): readonly Digit[] | null {
  if (exercise.oneAtATime === undefined || takesTurns(exercise)) return null
  const own = choosableDigits(exercise).filter((digit) => injured.includes(digit))
  return own.length > 0 ? own : null
}

/** Whether every digit has its turn where nobody chooses. */
export function takesTurns({ turns }: Pick<Exercise, 'turns'>): boolean {
  return turns === 'digits in turn' || turns === 'digits in each repetition'
}

/**
 * Who goes one after the other, each through the whole dose or all in every repetition: the digits chosen, where the
 * exercise is done with one at a time; else all fingers (and the thumb where it moves) or pairs of neighbors, where they take
 * turns.
 *
 * @returns one entry a turn; empty where they go together, or where one stands for all and nobody chose
 */
export function digitsInTurn(
  exercise: DigitsAsked,
  chosen: readonly Digit[] | null,
): readonly (readonly Digit[])[] {
  if (exercise.turns === 'neighbors in turn') return NEIGHBORS
  if (exercise.oneAtATime === undefined && !takesTurns(exercise)) return []
  const digits = chosen ? inHandOrder(chosen) : takesTurns(exercise) ? defaultTurns(exercise) : []
  return digits.map((digit) => [digit])
}

/**
 * The digits the rules are asked about. Where the others rest while one moves, those chosen; otherwise every finger, because
 * the ones not chosen are laid, held or drawn along: a choice never opens what they may not do.
 */
export function judgedDigits(
  exercise: DigitsAsked,
  chosen: readonly Digit[] | null,
): readonly Digit[] | null {
  return chosen !== null && exercise.oneAtATime === 'others rest' ? chosen : null
}

export function inHandOrder(digits: readonly Digit[]): Digit[] {
  return DIGITS.filter((digit) => digits.includes(digit))
}

/** The thumb has a turn of its own among fingers; in an exercise of the thumb it meets each finger. */
function defaultTurns(exercise: DigitsAsked): readonly Digit[] {
  return exercise.region === 'fingers' && moves(exercise, THUMB_ANGLES) ? DIGITS : FINGERS
}

function moves({ start, shapes }: DigitsAsked, names: readonly AngleName[]): boolean {
  return names.some((name) => shapes.some((shape) => shape[name] !== start?.[name]))
}
