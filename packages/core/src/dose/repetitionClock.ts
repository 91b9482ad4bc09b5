import type { Dose } from '../exercise/exercise.js'
import { REST_SECONDS } from './minutes.js'
import { CHANGE_SECONDS, type Timing } from './timing.js'

/**
 * What is being done: getting ready for something that goes on or is left alone; moving there; keeping the end; going on
 * without a stop; staying with what was put on; going back slowly, or at the entry's own pace; resting.
 */
export type Stage = 'ready' | 'move' | 'hold' | 'goOn' | 'stay' | 'return' | 'back' | 'rest' | 'done'

/** Where a patient is in an exercise, by the seconds since it began. */
export interface RepetitionMoment {
  readonly stage: Stage
  /** Digit whose turn it is, counted from 1; 1 where they go together. */
  readonly turn: number
  /** Counted from 1. */
  readonly set: number
  /** Repetition being done, counted from 1; finished ones are one less. */
  readonly repetition: number
  /** Shape of a series being made, counted from 1. */
  readonly shape: number
  /** Seconds left of this stage, more than 0 while it lasts. */
  readonly secondsLeft: number
  /** Seconds this stage lasts in all. */
  readonly stageSeconds: number
  /** Repetitions finished by every digit in all sets so far. */
  readonly finished: number
}

/** Seconds of one movement to and fro, where an exercise goes on without a stop. */
const SWING_SECONDS = CHANGE_SECONDS

/**
 * How far the movement is at a moment: 0 at the start, 1 at the end, so that a picture moves in step with the counter.
 */
export function movedShare({
  stage,
  secondsLeft,
  stageSeconds,
}: Pick<RepetitionMoment, 'stage' | 'secondsLeft' | 'stageSeconds'>): number {
  const left = stageSeconds > 0 ? Math.min(1, Math.max(0, secondsLeft / stageSeconds)) : 0
  switch (stage) {
    case 'move':
    case 'ready':
      return 1 - left
    case 'return':
    case 'back':
      return left
    case 'goOn':
      return (1 + Math.cos((2 * Math.PI * (stageSeconds - secondsLeft)) / SWING_SECONDS)) / 2
    case 'hold':
    case 'stay':
      return 1
    default:
      return 0
  }
}

/** The stages of one shape with their seconds, in order. The same time in all as `minutesOfBout` counts. */
function stagesOf(hold: number, { moveSeconds, hold: kind }: Timing): readonly (readonly [Stage, number])[] {
  switch (kind) {
    case 'going on':
      return [
        ['ready', moveSeconds],
        ['goOn', hold],
      ]
    case 'left alone':
      return [
        ['ready', moveSeconds],
        ['stay', hold],
      ]
    case 'on the way':
      return [
        ['move', hold],
        ['back', moveSeconds],
      ]
    case 'kept':
      return [
        ['move', moveSeconds / 2],
        ['hold', hold],
        [moveSeconds === CHANGE_SECONDS ? 'return' : 'back', moveSeconds / 2],
      ]
  }
}

/**
 * The moment of an exercise: half of the movement's time goes there, then the hold, then the way back; sets are divided
 * by a rest. Digits in turn each go through all sets. The same times as `minutesOfBout` counts.
 *
 * @param elapsedSeconds - time of doing, pauses left out
 */
export function repetitionMoment(dose: Dose, timing: Timing, elapsedSeconds: number): RepetitionMoment {
  const { shapes, turns } = timing
  const shapeSeconds = dose.holdSeconds + timing.moveSeconds
  const repetitionSeconds = shapeSeconds * shapes
  const setSeconds = repetitionSeconds * dose.repetitions
  const round = setSeconds + REST_SECONDS
  const turnSeconds = setSeconds * dose.sets + REST_SECONDS * (dose.sets - 1)
  if (elapsedSeconds >= turnSeconds * turns)
    return {
      stage: 'done',
      turn: turns,
      set: dose.sets,
      repetition: dose.repetitions,
      shape: shapes,
      secondsLeft: 0,
      stageSeconds: 0,
      finished: dose.sets * dose.repetitions,
    }
  const turn = Math.floor(elapsedSeconds / turnSeconds)
  const inTurn = elapsedSeconds - turn * turnSeconds
  const set = Math.min(dose.sets - 1, Math.floor(inTurn / round))
  const inSet = inTurn - set * round
  /** What this digit has finished counts once the last one has. */
  const finishedBy = (count: number) => (turn === turns - 1 ? count : 0)
  if (inSet >= setSeconds)
    return {
      stage: 'rest',
      turn: turn + 1,
      set: set + 1,
      repetition: dose.repetitions,
      shape: shapes,
      secondsLeft: round - inSet,
      stageSeconds: REST_SECONDS,
      finished: finishedBy((set + 1) * dose.repetitions),
    }
  const repetition = Math.floor(inSet / repetitionSeconds)
  const inRepetition = inSet - repetition * repetitionSeconds
  const shape = Math.min(shapes - 1, Math.floor(inRepetition / shapeSeconds))
  const inShape = inRepetition - shape * shapeSeconds
  return {
    ...stageAt(stagesOf(dose.holdSeconds, timing), inShape),
    turn: turn + 1,
    set: set + 1,
    repetition: repetition + 1,
    shape: shape + 1,
    finished: finishedBy(set * dose.repetitions + repetition),
  }
}

function stageAt(
  stages: readonly (readonly [Stage, number])[],
  seconds: number,
): Pick<RepetitionMoment, 'stage' | 'stageSeconds' | 'secondsLeft'> {
  let end = 0
  for (const [stage, stageSeconds] of stages) {
    end += stageSeconds
    if (seconds < end) return { stage, stageSeconds, secondsLeft: end - seconds }
  }
  const [stage, stageSeconds] = stages.at(-1)!
  return { stage, stageSeconds, secondsLeft: 0 }
}
