import { MOVED_FROM_DEG } from '../exercise/travelOf.js'
import { ANGLE_NAMES, type Dose, type Exercise } from '../exercise/exercise.js'
import type { Digit } from '../vocabulary/vocabulary.js'
import { timingOf, type Timed } from './timing.js'

/** Rest between sets in seconds. Source: A16-DOSE, common practice. */
export const REST_SECONDS = 30
/** A position worn this long or longer is put on and left: it costs the patient only the putting on. */
export const WORN_FROM_SECONDS = 1800
export const WORN_COSTS_MINUTES = 2

/**
 * Minutes one bout of an exercise takes: (sets · repetitions · (hold + movement) + 30 s · (sets − 1)) · sides. A movement
 * takes 4 s where the entry says nothing else. Each shape of a series is held and changed, so it counts as a repetition of
 * its own. A position worn for 30 minutes or more counts 2 minutes. Digits that go one after the other each take their time.
 *
 * @param sides - 2 when both hands take turns
 * @param chosen - the digits chosen for the patient; `null`: as the exercise is
 * @returns minutes, not rounded
 * @example
 * minutesOfBout({ shapes: [{}], turns: 'together' }, { sets: 2, repetitions: 10, holdSeconds: 5, boutsPerDay: 4, load: null }) // => 3.5
 */
export function minutesOfBout(
  exercise: Timed,
  dose: Dose,
  sides: 1 | 2 = 1,
  chosen: readonly Digit[] | null = null,
): number {
  if (dose.holdSeconds >= WORN_FROM_SECONDS) return WORN_COSTS_MINUTES
  const { shapes, turns, moveSeconds } = timingOf(exercise, chosen)
  const seconds =
    dose.sets * dose.repetitions * shapes * (dose.holdSeconds + moveSeconds) + REST_SECONDS * (dose.sets - 1)
  return (seconds * sides * turns) / 60
}

/** Whether both hands take turns: an exercise for each side does so only where both are treated. */
export function sidesInTurn(exercise: Pick<Exercise, 'side'>, bothHandsTreated: boolean): 1 | 2 {
  return exercise.side === 'each' && bothHandsTreated ? 2 : 1
}

export interface Burden {
  /** Minutes of one bout in which everything is done. */
  readonly minutesPerBout: number
  readonly minutesPerDay: number
  /** The most bouts any item asks for. */
  readonly boutsPerDay: number
  /** Minutes a day that joints spend held at the end of their range. */
  readonly endRangeMinutesPerDay: number
}

/** What of an exercise tells its burden. */
export type Burdening = Timed & Pick<Exercise, 'side' | 'demand' | 'start'>
interface PrescribedItem {
  readonly exercise: Burdening
  readonly dose: Dose
  /** The digits chosen for the patient; absent or `null`: as the exercise is. */
  readonly digits?: readonly Digit[] | null
}

/** Whether the time of the hold is spent at the end of a joint's range: rubbing and rolling stretch no joint. */
function isHeldAtEndRange({ exercise }: PrescribedItem): boolean {
  const isStretch = exercise.demand === 'stretchFirm' || exercise.demand === 'stretchGentle'
  const isMoved = exercise.shapes.some((shape) =>
    ANGLE_NAMES.some((name) => Math.abs((shape[name] ?? 0) - (exercise.start[name] ?? 0)) >= MOVED_FROM_DEG),
  )
  return isStretch && isMoved && timingOf(exercise).hold !== 'going on'
}

/** What a program asks of a patient's day. */
export function burdenOf(items: readonly PrescribedItem[], bothHandsTreated = false): Burden {
  const one = ({ exercise, dose, digits = null }: PrescribedItem) =>
    minutesOfBout(exercise, dose, sidesInTurn(exercise, bothHandsTreated), digits)
  const sum = (list: readonly number[]) => list.reduce((total, value) => total + value, 0)
  return {
    minutesPerBout: sum(items.map(one)),
    minutesPerDay: sum(items.map((item) => one(item) * item.dose.boutsPerDay)),
    boutsPerDay: Math.max(0, ...items.map((item) => item.dose.boutsPerDay)),
    endRangeMinutesPerDay: sum(
      items
        .filter(isHeldAtEndRange)
        .map(({ dose }) => (dose.sets * dose.repetitions * dose.holdSeconds * dose.boutsPerDay) / 60),
    ),
  }
}
