import { criterionMeaning, type Criterion } from '../protocol/criterion.js'
import { capital } from '../protocol/formWords.js'
import type { FactBook } from '../protocol/facts.js'
import { phaseOn, type PhaseStanding } from '../protocol/phaseOn.js'
import { inEach, type Said } from '../protocol/names.js'
import type { Protocol } from '../protocol/protocol.js'
import type * as words from '../protocol/vocabulary.js'
import { schoolInDoubt, unansweredSelection, wrongSchool } from '../protocol/wrongSchool.js'
import { atomsOf, atomText, type Atom } from './atoms.js'
import { atomWords } from './atomWords.js'
import { factsInStates, type CaseOnDay } from './caseOnDay.js'
import { openingOffset, missingAt } from './earliestDay.js'
import { conditionOf, offeredForm, reasonOf } from './explainJudgement.js'
import { judgeAtom, restsOnRule, type AtomJudgement } from './judgeAtom.js'
import type { Signature } from './signature.js'
import { isOpen, worseKind, type Reason, type Verdict, type VerdictKind } from './verdict.js'

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
  const atoms = atomsOf(signature)
  const judged = states.map((state) => judgeCase(atoms, signature, state))
  const kind = judged.map((one) => one.kind).reduce(worseKind)
  const deciding = judged.filter((one) => one.kind === kind)
  const reasons = deciding.flatMap(reasonsOf)
  const basis = judged.every((one) => one.basis === 'rule') ? 'rule' : 'default'
  if (kind !== 'not-yet') {
    const conditions = kind === 'with-care' ? distinctSaid(deciding.flatMap((one) => conditionsOf(one))) : []
    return { kind, fromDay: null, missing: [], form: null, conditions, reasons, basis, unlock: [] }
  }
  const offset = judged.some((one) => one.stop?.isTimeless) ? null : openingOffset(atoms, signature, states)
  const [first] = deciding as [JudgedCase, ...JudgedCase[]]
  const missing = deciding.map(
    (one) =>
      one.stop?.missing ??
      missingAt(one.state.day + (offset ?? 0), atoms, signature, one.state, one.standing),
  )
  const forms = deciding.flatMap(formsOf)
  const isOffered = deciding.every(
    (one) => !one.stop && one.deciding.every((atom) => offeredForm(atom) !== null),
  )
  return {
    kind,
    fromDay: offset === null ? null : first.state.day + offset,
    missing: distinctCriteria(missing.flat()),
    form: isOffered
      ? inEach((language) => [...new Set(forms.map((form) => form[language]))].join('; '))
      : null,
    conditions: [],
    reasons,
    basis,
    unlock: distinctSaid(deciding.flatMap((one, index) => unlockOf(one, missing[index]!))),
  }
}

/** The kind of verdict alone, without the search for an opening day: what a list of exercises needs first. */
export function verdictKind(signature: Signature, state: CaseOnDay): VerdictKind {
  return judgeCase(atomsOf(signature), signature, state).kind
}

/** The kind of verdict, and whether rules or defaults brought it. */
export function verdictBasis(
  signature: Signature,
  state: CaseOnDay,
): { readonly kind: VerdictKind; readonly basis: 'rule' | 'default' } {
  const { kind, basis } = judgeCase(atomsOf(signature), signature, state)
  return { kind, basis }
}

/** First day on which the windows alone would let an exercise begin, were every criterion met; `null`: never by time. */
export function openingDay(signature: Signature, state: CaseOnDay): number | null {
  const start = Math.min(state.day, 0)
  const offset = openingOffset(atomsOf(signature), signature, [{ ...state, day: start }])
  return offset === null ? null : start + offset
}

/** What stops a whole case before any rule is asked. */
interface Stop {
  readonly reason: Reason
  readonly kind: VerdictKind
  /** Nothing that time brings will end it. */
  readonly isTimeless: boolean
  readonly missing: readonly Criterion[] | null
  readonly unlock: readonly Said[]
}

interface JudgedCase {
  readonly state: CaseOnDay
  readonly standing: PhaseStanding
  readonly kind: VerdictKind
  readonly stop: Stop | null
  readonly deciding: readonly AtomJudgement[]
  readonly basis: 'rule' | 'default'
}

interface Ready {
  readonly facts: FactBook
  readonly standing: PhaseStanding
  readonly isSchoolInDoubt: boolean
}
/** A case on a day never changes: what holds for all its exercises is found once. */
const readyCases = new WeakMap<CaseOnDay, Ready>()

function readyFor(state: CaseOnDay): Ready {
  let ready = readyCases.get(state)
  if (!ready) {
    const facts = factsInStates(state.facts, state.states)
    ready = {
      facts,
      standing: phaseOn(state.protocol, state.day, facts, state.reviewOverdueDays),
      isSchoolInDoubt: schoolInDoubt(state.protocol, facts).length > 0,
    }
    readyCases.set(state, ready)
  }
  return ready
}

function judgeCase(atoms: readonly Atom[], signature: Signature, state: CaseOnDay): JudgedCase {
  const { facts, standing, isSchoolInDoubt } = readyFor(state)
  const stopped = (stop: Stop): JudgedCase => ({
    state,
    standing,
    kind: stop.kind,
    stop,
    deciding: [],
    basis: 'rule',
  })
  const gone = everywhereNever(signature)
  if (gone) return stopped(gone)
  const judged = atoms.map((atom) => judgeAtom(atom, signature, state, standing, facts))
  const kind = judged.map((one) => one.kind).reduce(worseKind, 'clear')
  if (kind !== 'never') {
    if (state.redLock) return stopped(RED_LOCK)
    if (standing.index < 0) return stopped(notStarted(state, standing))
  }
  if (isOpen(kind) && isSchoolInDoubt) return stopped(inDoubtfulSchool(state.protocol, facts))
  return {
    state,
    standing,
    kind,
    stop: null,
    deciding: judged.filter((one) => one.kind === kind),
    basis: judged.length > 0 && judged.every(restsOnRule) ? 'rule' : 'default',
  }
}

const NO_SUBJECT: Said = { en: '', es: '' }

function stopReason(rule: string, text: Said, source: string): Reason {
  return { rule, atom: '', subject: NO_SUBJECT, text, source }
}

const RED_LOCK: Stop = {
  kind: 'not-yet',
  isTimeless: true,
  missing: [],
  reason: stopReason(
    'red-lock',
    {
      en: 'A red flag is open: everything stops until a therapist lifts it with a recorded outcome.',
      es: 'Hay una señal de alarma abierta: todo para hasta que un terapeuta la cierre con lo hallado.',
    },
    'A1, A10, common practice',
  ),
  unlock: [
    {
      en: 'A therapist lifts the red flag with what was found.',
      es: 'Un terapeuta cierra la señal de alarma con lo hallado.',
    },
  ],
}

function notStarted(state: CaseOnDay, standing: PhaseStanding): Stop {
  const missing = standing.next?.missing ?? []
  const text =
    state.day < 0
      ? { en: 'Not started: day 0 still lies ahead.', es: 'No ha empezado: el día 0 está por venir.' }
      : inEach((language) => {
          const names = missing.map((criterion) => criterionMeaning(criterion.text, language)).join('; ')
          return language === 'en'
            ? `Not started: ${names} not recorded.`
            : `No ha empezado; falta: ${names}.`
        })
  return {
    kind: 'not-yet',
    isTimeless: false,
    missing: null,
    reason: stopReason('not-started', text, 'vocabulary 2'),
    unlock: [],
  }
}

/** A school whose facts do not hold or that nobody has answered: what it opens stays closed. */
function inDoubtfulSchool(protocol: Protocol, facts: FactBook): Stop {
  return {
    kind: 'not-yet',
    isTimeless: false,
    missing: null,
    reason: stopReason(`${protocol.id}.select`, schoolText(protocol, facts), 'vocabulary 4'),
    unlock: [],
  }
}

function schoolText(protocol: Protocol, facts: FactBook): Said {
  const wrong = wrongSchool(protocol, facts)
  if (wrong.length > 0) return wrongSchoolText(wrong)
  const unanswered = unansweredSelection(protocol, facts)
  return inEach((language) => {
    const names = unanswered.map((criterion) => criterionMeaning(criterion.text, language)).join('; ')
    return language === 'en'
      ? `Whether this school fits is not known; not recorded: ${names}.`
      : `No se sabe si esta escuela sirve; falta registrar: ${names}.`
  })
}

function wrongSchoolText(wrong: readonly Criterion[]): Said {
  return inEach((language) => {
    const names = wrong.map((criterion) => criterionMeaning(criterion.text, language)).join('; ')
    return language === 'en'
      ? `Wrong school: this does not hold: ${names}. Waiting does not help; choose another school.`
      : `Escuela equivocada: no se cumple: ${names}. Esperar no ayuda; elija otra escuela.`
  })
}

const EVERYWHERE_NEVER: readonly words.Technique[] = [
  'heat_on_insensate',
  'forced_stretch',
  'to_pain',
  'wrist_finger_snap_stretch',
]
const NEVER_AT_HOME: readonly words.Technique[] = ['stress_test', 'forced_by_other']

/** Vocabulary 5.2.4: what no protocol and no case allows. */
function everywhereNever(signature: Signature): Stop | null {
  const held = signature.nerve.find(({ technique }) => technique === 'sustained_hold')
  const atHome = signature.by === null || signature.by === 'self' || signature.by === 'helper'
  const technique = signature.technique.find(
    (one) => EVERYWHERE_NEVER.includes(one) || (atHome && NEVER_AT_HOME.includes(one)),
  )
  if (!held && !technique) return null
  const atom: Atom = held ? { kind: 'nerve', ...held } : { kind: 'technique', technique: technique! }
  const subject = inEach((language) => capital(atomWords(atom)[language]))
  return {
    kind: 'never',
    isTimeless: true,
    missing: [],
    unlock: [],
    reason: {
      rule: 'never.everywhere',
      atom: atomText(atom),
      subject,
      text: {
        en: `${subject.en} is never part of a home program.`,
        es: `${subject.es}: nunca es parte de un programa en casa.`,
      },
      source: 'vocabulary 5.2.4, common practice',
    },
  }
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
  // An unguarded composite tells nothing that its joints do not tell: it is left out where they speak.
  const told = judged.deciding.filter(
    ({ because }) => !(because.name === 'default' && because.which === 'compositeByJoints'),
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

function formsOf(judged: JudgedCase): Said[] {
  return judged.deciding.flatMap((one) => offeredForm(one) ?? [])
}

function unlockOf(judged: JudgedCase, missing: readonly Criterion[]): readonly Said[] {
  const facts = factsInStates(judged.state.facts, judged.state.states)
  const wrong = wrongSchool(judged.state.protocol, facts).filter(({ text }) =>
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

function distinctCriteria(list: readonly Criterion[]): Criterion[] {
  return list.filter((one, place) => list.findIndex((other) => other.text === one.text) === place)
}

function distinctSaid(list: readonly Said[]): Said[] {
  return list.filter((one, place) => list.findIndex((other) => other.en === one.en) === place)
}
