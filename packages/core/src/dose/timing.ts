import { digitsInTurn, type DigitsAsked } from '../exercise/chosenDigits.js'
import type { Exercise, HoldKind } from '../exercise/exercise.js'
import type { Digit } from '../vocabulary/vocabulary.js'

/** Seconds to change from one position to the next and back. Source: A16-DOSE, common practice. */
export const CHANGE_SECONDS = 4

/** How the time of an exercise is spent, its dose apart. */
export interface Timing {
  /** Shapes of a repetition, each reached and held: of a series, or one for every digit that goes in it; 1 for a plain exercise. */
  readonly shapes: number
  /** Digits that go one after the other, each through all sets; 1 where they go together. */
  readonly turns: number
  /** Seconds the movement of one repetition takes, its hold apart. */
  readonly moveSeconds: number
  readonly hold: HoldKind
}

export type Timed = DigitsAsked & Partial<Pick<Exercise, 'pace'>>

/**
 * How the time of an exercise is spent. Where the entry says nothing, what only supports, wraps or is thought is left
 * alone, and anything else is kept at its end; a movement takes 4 s there and back.
 *
 * @param chosen - the digits chosen for the patient; `null`: as the exercise is
 */
export function timingOf(exercise: Timed, chosen: readonly Digit[] | null = null): Timing {
  const digits = Math.max(1, digitsInTurn(exercise, chosen).length)
  const isWithin = exercise.turns === 'digits in each repetition'
  return {
    shapes: exercise.shapes.length * (isWithin ? digits : 1),
    turns: isWithin ? 1 : digits,
    moveSeconds: exercise.pace?.moveSeconds ?? CHANGE_SECONDS,
    hold: exercise.pace?.hold ?? (LEFT_ALONE.includes(exercise.force) ? 'left alone' : 'kept'),
  }
}

const LEFT_ALONE: readonly (Exercise['force'] | undefined)[] = ['support only', 'passive by wrap', 'none']
