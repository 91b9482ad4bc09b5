import type { Protocol } from '../protocol/protocol.js'
import type { Condition } from '../exercise/condition.js'
import type { Exercise } from '../exercise/exercise.js'
import { exerciseOpenings } from './assessExercise.js'
import type { OpeningRun } from './openingRuns.js'
import { unhinderedPatient } from './patientCase.js'
import { isOpen } from './verdict.js'

/** When a protocol lets an exercise begin at its usual dose, by time alone. */
export interface ProtocolOpening {
  readonly exercise: Exercise
  /** First day on which it is open; `null`: not within the protocol. */
  readonly fromDay: number | null
  /** The phase that day lies in; `null` with it. */
  readonly phaseId: string | null
  /** Open with conditions on that day. */
  readonly isWithCare: boolean
  /** All that changes, from day 0 on. */
  readonly runs: readonly OpeningRun[]
}

/**
 * The exercises of a condition with the first day on which a protocol opens each, every criterion met and everything
 * asked: earliest first, those that never open last. A day not before which, never a promise.
 */
export function protocolOpenings(
  protocol: Protocol,
  condition: Condition,
  exercises: Iterable<Exercise>,
): ProtocolOpening[] {
  const state = unhinderedPatient(protocol, condition)
  const openings = [...exercises]
    .filter((exercise) => exercise.conditions.includes(condition.id))
    .map((exercise): ProtocolOpening => {
      const span = [0, lastDayOf(protocol)] as const
      const runs = exerciseOpenings(exercise, exercise.dose, state, 'byTimeAlone', { span })
      const first = runs.find(({ kind }) => isOpen(kind))
      return {
        exercise,
        fromDay: first?.fromDay ?? null,
        phaseId: first ? phaseIdOn(protocol, first.fromDay) : null,
        isWithCare: first?.kind === 'with-care',
        runs,
      }
    })
  const place = ({ fromDay }: ProtocolOpening) => fromDay ?? Number.POSITIVE_INFINITY
  return openings.sort((a, b) => (place(a) === place(b) ? 0 : place(a) - place(b)))
}

/** A year: longer than the last window of any protocol; the catalogue's own weeks end with it. */
const LONGEST_DAYS = 364

/** The last day on which anything in a protocol or a catalogue entry begins or ends. */
function lastDayOf(protocol: Protocol): number {
  const rules = [
    ...protocol.gates,
    ...protocol.phases.flatMap(({ allow, caution }) => [...allow, ...caution]),
  ]
  return Math.max(LONGEST_DAYS, ...rules.map(({ from }) => from))
}

function phaseIdOn(protocol: Protocol, day: number): string | null {
  return protocol.phases.findLast((phase) => phase.days[0] <= day)?.id ?? null
}
