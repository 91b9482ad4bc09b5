import type { Dose } from '../exercise/exercise.js'
import { CHANGE_SECONDS, REST_SECONDS } from './minutes.js'

/** Where a patient is in an exercise, by the seconds since it began. */
export interface RepetitionMoment {
  readonly stage: 'move' | 'hold' | 'return' | 'rest' | 'done'
  /** Counted from 1. */
  readonly set: number
  /** Repetition being done, counted from 1; finished ones are one less. */
  readonly repetition: number
  /** Shape of a series being made, counted from 1. */
  readonly shape: number
  /** Seconds left of this stage, more than 0 while it lasts. */
  readonly secondsLeft: number
  /** Repetitions finished in all sets so far. */
  readonly finished: number
}

/**
 * How far the movement is at a moment: 0 at the start, 1 at the end, so that a picture moves in step with the counter.
 */
export function movedShare({ stage, secondsLeft }: Pick<RepetitionMoment, 'stage' | 'secondsLeft'>): number {
  const left = Math.min(1, Math.max(0, secondsLeft / (CHANGE_SECONDS / 2)))
  if (stage === 'move') return 1 - left
  if (stage === 'return') return left
  return stage === 'hold' ? 1 : 0
}

/**
 * The moment of an exercise: half of the change goes into the movement, then the hold, then the way back; sets are
 * divided by a rest. The same times as `minutesOfBout` counts.
 *
 * @param elapsedSeconds - time of doing, pauses left out
 * @param shapes - shapes of a series, 1 for a plain exercise
 */
export function repetitionMoment(dose: Dose, shapes: number, elapsedSeconds: number): RepetitionMoment {
  const half = CHANGE_SECONDS / 2
  const shapeSeconds = dose.holdSeconds + CHANGE_SECONDS
  const repetitionSeconds = shapeSeconds * shapes
  const setSeconds = repetitionSeconds * dose.repetitions
  const round = setSeconds + REST_SECONDS
  const set = Math.min(dose.sets - 1, Math.floor(elapsedSeconds / round))
  const inSet = elapsedSeconds - set * round
  if (inSet >= setSeconds) {
    const isLast = set === dose.sets - 1
    const finished = (set + 1) * dose.repetitions
    if (isLast)
      return {
        stage: 'done',
        set: dose.sets,
        repetition: dose.repetitions,
        shape: shapes,
        secondsLeft: 0,
        finished,
      }
    return {
      stage: 'rest',
      set: set + 1,
      repetition: dose.repetitions,
      shape: shapes,
      secondsLeft: round - inSet,
      finished,
    }
  }
  const repetition = Math.floor(inSet / repetitionSeconds)
  const inRepetition = inSet - repetition * repetitionSeconds
  const shape = Math.floor(inRepetition / shapeSeconds)
  const inShape = inRepetition - shape * shapeSeconds
  const place = {
    set: set + 1,
    repetition: repetition + 1,
    shape: shape + 1,
    finished: set * dose.repetitions + repetition,
  }
  if (inShape < half) return { ...place, stage: 'move', secondsLeft: half - inShape }
  if (inShape < half + dose.holdSeconds)
    return { ...place, stage: 'hold', secondsLeft: half + dose.holdSeconds - inShape }
  return { ...place, stage: 'return', secondsLeft: shapeSeconds - inShape }
}
