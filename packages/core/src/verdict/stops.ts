import { type Criterion } from '../vocabulary/criterion.js'
import { criterionMeaning } from '../words/criterionWords.js'
import { inEach, type Said } from '../words/names.js'
import type { Protocol } from '../protocol/protocol.js'
import type * as words from '../vocabulary/vocabulary.js'
import type { FactBook } from '../protocol/facts.js'
import { unansweredSelection, wrongSchool } from '../protocol/wrongSchool.js'
import { atomText, type Atom } from './atoms.js'
import { atomSubject } from './atomWords.js'
import type { CaseOnDay, CaseStanding } from './caseOnDay.js'
import type { Signature } from '../exercise/signature.js'
import { stopReason, type Reason, type VerdictKind } from './verdict.js'

/** What stops a whole case before any rule is asked. */
export interface Stop {
  readonly reason: Reason
  readonly kind: VerdictKind
  /** Criteria that would end it; `null`: those of the phases and rules it stands before. */
  readonly missing: readonly Criterion[] | null
  readonly unlock: readonly Said[]
}

/** A red flag that nobody has lifted. */
export const RED_LOCK: Stop = {
  kind: 'not-yet',
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

/** Day 0 lies ahead, or what the first phase takes is missing. */
export function notStarted(state: CaseOnDay, standing: CaseStanding): Stop {
  const missing = standing.next?.missing ?? []
  return {
    kind: 'not-yet',
    missing: null,
    reason: stopReason('not-started', notStartedText(state.day, missing), 'vocabulary 2'),
    unlock: [],
  }
}

function notStartedText(day: number, missing: readonly Criterion[]): Said {
  if (day < 0)
    return { en: 'Not started: day 0 still lies ahead.', es: 'No ha empezado: el día 0 está por venir.' }
  // Frozen on a day before day 0: nothing else is missing.
  if (missing.length === 0)
    return { en: 'Not started: a review is overdue.', es: 'No ha empezado: hay una revisión atrasada.' }
  return inEach((language) => {
    const names = missing.map((criterion) => criterionMeaning(criterion.text, language)).join('; ')
    return language === 'en' ? `Not started: ${names} not recorded.` : `No ha empezado; falta: ${names}.`
  })
}

/** A school whose facts do not hold or that nobody has answered: what it opens stays closed. */
export function inDoubtfulSchool(protocol: Protocol, facts: FactBook): Stop {
  return {
    kind: 'not-yet',
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

export function wrongSchoolText(wrong: readonly Criterion[]): Said {
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
export function everywhereNever(signature: Signature): Stop | null {
  const held = signature.nerve.find(({ technique }) => technique === 'sustained_hold')
  const atHome = signature.by === null || signature.by === 'self' || signature.by === 'helper'
  const technique = signature.technique.find(
    (one) => EVERYWHERE_NEVER.includes(one) || (atHome && NEVER_AT_HOME.includes(one)),
  )
  if (!held && !technique) return null
  const atom: Atom = held ? { kind: 'nerve', ...held } : { kind: 'technique', technique: technique! }
  const subject = atomSubject(atom)
  return {
    kind: 'never',
    missing: [],
    unlock: [],
    reason: {
      rule: 'never.everywhere',
      key: 'never.everywhere',
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
