import type { Criterion } from '../vocabulary/criterion.js'
import { inEach, type Said } from '../words/names.js'
import { wrongSchool } from '../protocol/wrongSchool.js'
import { atomsOf } from './atoms.js'
import { standingOf, type CaseOnDay, type CaseStanding } from './caseOnDay.js'
import { conditionOf, offeredForm, reasonOf } from './explainJudgement.js'
import { judgeAtom, restsOnRule, type AtomJudgement } from './judgeAtom.js'
import { missingAt } from './missingAt.js'
import type { Signature } from '../exercise/signature.js'
import {
  everywhereNever,
  inDoubtfulSchool,
  notStarted,
  RED_LOCK,
  wrongSchoolText,
  type Stop,
} from './stops.js'
import {
  distinctSaid,
  isOpen,
  stopReason,
  worseKind,
  type Reason,
  type Told,
  type VerdictKind,
} from './verdict.js'

/** What one protocol says of a signature in one case: what decided, before anything is put into words. */
export interface JudgedCase {
  readonly signature: Signature
  readonly state: CaseOnDay
  readonly standing: CaseStanding
  readonly kind: VerdictKind
  readonly stop: Stop | null
  readonly deciding: readonly AtomJudgement[]
  readonly basis: 'rule' | 'default'
}

/** The judgement of one signature in one case: stops of the whole case, then atom by atom; the worst counts. */
export function judgeCase(signature: Signature, state: CaseOnDay): JudgedCase {
  const standing = standingOf(state)
  const stopped = (stop: Stop): JudgedCase => ({
    signature,
    state,
    standing,
    kind: stop.kind,
    stop,
    deciding: [],
    basis: 'rule',
  })
  const gone = everywhereNever(signature)
  if (gone) return stopped(gone)
  const judged = atomsOf(signature).map((atom) => judgeAtom(atom, signature, state, standing, standing.facts))
  const kind = judged.map((one) => one.kind).reduce(worseKind, 'clear')
  const wholeCase = stopOfCase(state)
  // A school in doubt keeps shut what it opens; a red flag and a course that has not begun stand before every rule but a "never".
  if (wholeCase && (wholeCase.isOfSchool ? isOpen(kind) : kind !== 'never')) return stopped(wholeCase.stop)
  return {
    signature,
    state,
    standing,
    kind,
    stop: null,
    deciding: judged.filter((one) => one.kind === kind),
    basis: doesSomething(judged) && judged.every(restsOnRule) ? 'rule' : 'default',
  }
}

/** What stops the case as a whole, whatever is asked; `null`: nothing does. */
export function stopOfCase(state: CaseOnDay): { readonly stop: Stop; readonly isOfSchool: boolean } | null {
  const standing = standingOf(state)
  if (state.redLock) return { stop: RED_LOCK, isOfSchool: false }
  if (standing.index < 0) return { stop: notStarted(state, standing), isOfSchool: false }
  if (!standing.isSchoolInDoubt) return null
  return { stop: inDoubtfulSchool(state.protocol, standing.facts), isOfSchool: true }
}

/** To be allowed to keep a joint somewhere opens nothing by itself: a rule has to speak of what is done. */
function doesSomething(judged: readonly AtomJudgement[]): boolean {
  return judged.some(({ atom }) => atom.kind !== 'hold')
}

/** A judgement in words. */
export function toldCase(judged: JudgedCase): Told {
  const isOffered = !judged.stop && judged.deciding.every((atom) => offeredForm(atom) !== null)
  const forms = judged.deciding.flatMap((one) => offeredForm(one) ?? [])
  return {
    kind: judged.kind,
    basis: judged.basis,
    form:
      isOffered && judged.kind === 'not-yet'
        ? inEach((language) => [...new Set(forms.map((form) => form[language]))].join('; '))
        : null,
    conditions: judged.kind === 'with-care' ? distinctSaid(conditionsOf(judged)) : [],
    reasons: reasonsOf(judged),
  }
}

/** The criteria that stand in the way of a signature in a case as its record stands, everything else met. */
export function missingIn({ stop, signature, state, standing }: JudgedCase): readonly Criterion[] {
  return stop?.missing ?? missingAt(state.day, atomsOf(signature), signature, state, standing)
}

function reasonsOf(judged: JudgedCase): Reason[] {
  if (judged.stop) return [judged.stop.reason]
  const { protocol } = judged.state
  if (judged.deciding.length === 0) {
    const text = {
      en: 'Moves and loads no joint: no rule of the protocol speaks about it.',
      es: 'No mueve ni carga ninguna articulación: ninguna regla habla de ello.',
    }
    return [stopReason('default', text, 'vocabulary 5.2.12')]
  }
  // An unguarded composite tells nothing that its joints do not tell, and that a joint may be kept somewhere opens nothing: they are
  // left out where others speak.
  const told = judged.deciding.filter(
    ({ because, atom, kind }) =>
      !(because.name === 'default' && because.which === 'compositeByJoints') &&
      !(atom.kind === 'hold' && kind === 'clear'),
  )
  const reasons = (told.length > 0 ? told : judged.deciding).map((one) => reasonOf(one, protocol))
  return reasons.filter(
    (reason, place) =>
      reasons.findIndex((other) => other.rule === reason.rule && other.atom === reason.atom) === place,
  )
}

function conditionsOf(judged: JudgedCase): Said[] {
  if (judged.stop) return [judged.stop.reason.text]
  return judged.deciding.map((one) =>
    one.because.name === 'openWithCare'
      ? inEach((language) => conditionOf(one, language))
      : reasonOf(one, judged.state.protocol).text,
  )
}

/**
 * What besides time and criteria opens it.
 *
 * @param missing - what the answer lists as missing
 */
export function unlockOf(judged: JudgedCase, missing: readonly Criterion[]): readonly Said[] {
  const wrong = wrongSchool(judged.state.protocol, judged.standing.facts).filter(({ text }) =>
    missing.some((one) => one.text === text),
  )
  const common = [
    ...(judged.standing.frozen ? [reviewDue(judged.state.reviewOverdueDays)] : []),
    ...(wrong.length > 0 ? [wrongSchoolText(wrong)] : []),
  ]
  if (judged.stop) return [...common, ...judged.stop.unlock]
  return [
    ...common,
    ...judged.deciding.flatMap(({ because }) =>
      because.name === 'barred' && because.rule.unlock ? [because.rule.unlock] : [],
    ),
  ]
}

function reviewDue(overdueDays: number): Said {
  const days = { en: overdueDays === 1 ? 'day' : 'days', es: overdueDays === 1 ? 'día' : 'días' }
  return {
    en: `A review by the therapist: it is ${overdueDays} ${days.en} overdue, and nothing moves on without it.`,
    es: `Una revisión del terapeuta: lleva ${overdueDays} ${days.es} de retraso y sin ella nada avanza.`,
  }
}
