import type { Criterion } from '../vocabulary/criterion.js'
import { inEach, type Said } from '../words/names.js'
import { daysLater, type CaseOnDay } from './caseOnDay.js'
import { judgeCase, missingIn, toldCase, unlockOf, type JudgedCase } from './judgeCase.js'
import { openingOffset, turningOffsets, type Asked } from './openingRuns.js'
import type { Signature } from '../exercise/signature.js'
import {
  distinctCriteria,
  distinctSaid,
  worseKind,
  type Told,
  type Verdict,
  type VerdictKind,
} from './verdict.js'

/**
 * The verdict of an exercise for a case on a day, by the evaluation order of the vocabulary (5.2): red-flag lock, not
 * started, then atom by atom; the worst of the exercise's atoms counts. A criterion that nobody recorded
 * is not met. With several injuries in one hand give each as a case of its own: the most restrictive wins for every
 * atom, and the day found is one on which all of them let it begin.
 *
 * An exercise without atoms (elevation, massage) is clear by default once the protocol has started; the phase's
 * always-worn orthosis, the catalogue's clock and contraindications are judged by `assessExercise`.
 *
 * @param states - at least one case; all of the same hand and the same calendar day. `fromDay` counts from the first
 *   case that stands in the way.
 */
export function assess(signature: Signature, ...states: readonly [CaseOnDay, ...CaseOnDay[]]): Verdict {
  const judged = states.map((state) => judgeCase(signature, state))
  const parts = judged.map((one): Part => partOf(one))
  const deciding = decidingOf(parts)[0]!
  return together(parts, askedOf(signature, states), deciding.state.day)
}

/** The kind of verdict alone, without the search for an opening day: what a list of exercises needs first. */
export function verdictKind(signature: Signature, state: CaseOnDay): VerdictKind {
  return judgeCase(signature, state).kind
}

/** First day from the case's own on which time alone would let a signature begin; `null`: never by time. */
export function openingDay(signature: Signature, state: CaseOnDay): number | null {
  const offset = openingOffset(askedOf(signature, [state]))
  return offset === null ? null : state.day + offset
}

/** A signature asked of every case of a hand: when all of them let it begin. */
export function askedOf(signature: Signature, states: readonly CaseOnDay[]): Asked {
  return {
    turns: states.flatMap((state) => [...turningOffsets(state)]),
    kindOn: (offset, supposing) =>
      states.map((state) => judgeCase(signature, daysLater(state, offset, supposing)).kind).reduce(worseKind),
    missingOn: (offset) =>
      states.flatMap((state) =>
        missingIn(judgeCase(signature, daysLater(state, offset, 'asTheRecordStands'))),
      ),
  }
}

/** What one injury says today, with what it would say of missing criteria. */
export interface Part extends Told {
  readonly state: CaseOnDay
  /** What else than time and criteria opens it, given what is missing. */
  unlock(missing: readonly Criterion[]): readonly Said[]
}

export function partOf(judged: JudgedCase): Part {
  return { ...toldCase(judged), state: judged.state, unlock: (missing) => unlockOf(judged, missing) }
}

/** Of several injuries those that decide: the most restrictive ones. Source: A1-AUTHORITY. */
export function decidingOf<T extends { readonly kind: VerdictKind }>(parts: readonly T[]): T[] {
  const kind = parts.map((part) => part.kind).reduce(worseKind)
  return parts.filter((part) => part.kind === kind)
}

/** The opening of a "not yet", the same for all injuries: days ahead, and what is missing by then. */
export interface Opening {
  readonly offset: number | null
  readonly missing: readonly Criterion[]
}

export function openingOf(kind: VerdictKind, asked: Asked): Opening {
  if (kind !== 'not-yet') return { offset: null, missing: [] }
  const offset = openingOffset(asked)
  return { offset, missing: distinctCriteria(asked.missingOn(offset ?? 0)) }
}

/**
 * One verdict of what every injury says: the most restrictive decides and gives the reasons; the day is the first on which
 * all of them let it begin, and what is missing is missing on that day. Source: A1-AUTHORITY.
 *
 * @param day - today in the days the answer is told in
 */
export function together(parts: readonly Part[], asked: Asked, day: number): Verdict {
  const deciding = decidingOf(parts)
  const [{ kind }] = deciding as [Part, ...Part[]]
  const { offset, missing } = openingOf(kind, asked)
  const forms = deciding.flatMap(({ form }) => form ?? [])
  return {
    kind,
    fromDay: offset === null ? null : day + offset,
    missing,
    form:
      forms.length === deciding.length
        ? inEach((language) => [...new Set(forms.map((form) => form[language]))].join('; '))
        : null,
    conditions: distinctSaid(deciding.flatMap(({ conditions }) => conditions)),
    reasons: deciding.flatMap(({ reasons }) => reasons),
    basis: parts.every(({ basis }) => basis === 'rule') ? 'rule' : 'default',
    unlock: kind === 'not-yet' ? distinctSaid(deciding.flatMap((part) => part.unlock(missing))) : [],
  }
}
