import type { Exercise, HoldKind } from '../exercise/exercise.js'

/** Seconds to change from one position to the next and back. Source: A16-DOSE, common practice. */
export const CHANGE_SECONDS = 4
/** Fingers of a hand: those that go in turn where no digits were chosen. */
const FINGERS = 4

/** How the time of an exercise is spent, its dose apart. */
export interface Timing {
  /** Shapes of a series, each reached and held; 1 for a plain exercise. */
  readonly shapes: number
  /** Digits that go one after the other, each through all sets; 1 where they go together. */
  readonly turns: number
  /** Seconds the movement of one repetition takes, its hold apart. */
  readonly moveSeconds: number
  readonly hold: HoldKind
}

export type Timed = Pick<Exercise, 'shapes' | 'turns'> & Partial<Pick<Exercise, 'start' | 'force' | 'pace'>>

/**
 * How the time of an exercise is spent. Where the entry says nothing, what only supports, wraps or is thought is left
 * alone, and anything else is kept at its end; a movement takes 4 s there and back.
 *
 * @param digits - how many digits go in turn, where they do; left out: four fingers, and the thumb where it moves
 */
export function timingOf(exercise: Timed, digits?: number): Timing {
  return {
    shapes: exercise.shapes.length,
    turns: exercise.turns === 'digits in turn' ? (digits ?? FINGERS + (movesThumb(exercise) ? 1 : 0)) : 1,
    moveSeconds: exercise.pace?.moveSeconds ?? CHANGE_SECONDS,
    hold: exercise.pace?.hold ?? (LEFT_ALONE.includes(exercise.force) ? 'left alone' : 'kept'),
  }
}

const LEFT_ALONE: readonly (Exercise['force'] | undefined)[] = ['support only', 'passive by wrap', 'none']

function movesThumb({ start, shapes }: Timed): boolean {
  const names = ['thumbMcpFlexion', 'thumbIpFlexion', 'thumbRadialAbduction', 'thumbPalmarAbduction'] as const
  return names.some((name) => shapes.some((shape) => shape[name] !== start?.[name]))
}
