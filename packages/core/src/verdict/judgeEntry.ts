import { judgedDigits } from '../exercise/chosenDigits.js'
import type { Dose, Exercise } from '../exercise/exercise.js'
import { rememberedSignature } from '../exercise/rememberedSignature.js'
import { withDigitsFollowing } from '../exercise/signatureOf.js'
import type { Said } from '../words/names.js'
import type { Arcs, Digit, Orthosis } from '../vocabulary/vocabulary.js'
import { areOtherDigits } from './matching.js'
import { conditionsOn } from './exerciseConditions.js'
import { judgeCase, missingIn, toldCase, unlockOf, type JudgedCase } from './judgeCase.js'
import type { PatientCase } from './patientCase.js'
import { barredHere, restraintsOn, type Restraint } from './restraints.js'
import type { Signature } from '../exercise/signature.js'
import { isOpen, stopReason, type Reason, type Told, type VerdictKind } from './verdict.js'
import type { Criterion } from '../vocabulary/criterion.js'

/** How an exercise is to be done, where it differs from what the phase suggests. */
export interface HowDone {
  readonly orthosis?: Orthosis
  /** Joints the exercise leaves open, kept where the therapist says. */
  readonly posture?: Arcs | null
  /** The digits it is done with, as stated; `null` = every finger, or the thumb. */
  readonly digits?: readonly Digit[] | null
  /** The digits a therapist chose for the patient: they count only where the others rest meanwhile. */
  readonly chosen?: readonly Digit[] | null
}
export type Worn = HowDone & { readonly orthosis: Orthosis }

/** What one injury says of a catalogue exercise at a dose: its protocol's judgement, tightened by the catalogue. */
export interface JudgedEntry {
  readonly state: PatientCase
  readonly byProtocol: JudgedCase
  readonly kind: VerdictKind
  readonly basis: 'rule' | 'default'
  /** What of the catalogue closes it; `null` where it does not. */
  readonly refusal: Restraint | null
  /** What is to be told where it is open. */
  readonly cares: readonly Pick<Restraint, 'rule' | 'says'>[]
}

export function judgeEntry(exercise: Exercise, dose: Dose, state: PatientCase, done: Worn): JudgedEntry {
  const byProtocol = judgeCase(signatureFor(exercise, dose, state, done), state)
  const { basis } = byProtocol
  const judged = (
    kind: VerdictKind,
    refusal: Restraint | null,
    cares: JudgedEntry['cares'] = [],
  ): JudgedEntry => ({ state, byProtocol, kind, basis, refusal, cares })
  const barred = barredHere(exercise, state)
  if (barred) return judged('never', barred)
  if (!isOpen(byProtocol.kind)) return judged(byProtocol.kind, null)
  const digits = done.digits ?? judgedDigits(exercise, done.chosen ?? null)
  const isBeside = digits !== null && !digits.includes('thumb') && areOtherDigits(digits, state)
  const restraints = restraintsOn(exercise, state, done.orthosis, basis, isBeside)
  const refusal = restraints.find(({ kind }) => kind !== 'with-care') ?? null
  if (refusal) return judged(refusal.kind, refusal)
  const cares = [...restraints, ...conditionsOn(exercise, state, done.chosen ?? null)]
  return judged(cares.length > 0 ? 'with-care' : byProtocol.kind, null, cares)
}

/** A judgement in words. */
export function toldEntry({ byProtocol, kind, basis, refusal, cares }: JudgedEntry): Told {
  const told = toldCase(byProtocol)
  if (refusal)
    return { kind, basis, form: null, conditions: [], reasons: [catalogueReason(refusal.rule, refusal.says)] }
  return {
    ...told,
    kind,
    conditions: [...told.conditions, ...cares.map(({ says }) => says)],
    reasons: [...told.reasons, ...cares.map(({ rule, says }) => catalogueReason(rule, says))],
  }
}

/** What besides time and criteria opens it. */
export function unlockEntry(
  { refusal, byProtocol }: JudgedEntry,
  missing: readonly Criterion[],
): readonly Said[] {
  return refusal ? [] : unlockOf(byProtocol, missing)
}

/** The criteria an injury waits for as far as its judgement tells: what the catalogue asks shows once the protocol opens it. */
export function missingInEntry({ byProtocol, refusal }: JudgedEntry): readonly Criterion[] {
  if (refusal) return refusal.needs
  return missingIn(byProtocol)
}

export function catalogueReason(rule: string, text: Said): Reason {
  return stopReason(rule, text, 'catalogue, common practice (medium)')
}

/** What the rules are asked about: the exercise's signature as it is done in this case. */
function signatureFor(exercise: Exercise, dose: Dose, { protocol }: PatientCase, done: Worn): Signature {
  const derived = withDigitsFollowing(rememberedSignature(exercise, dose, done.orthosis), protocol)
  const digits = done.digits ?? judgedDigits(exercise, done.chosen ?? null)
  if (!digits && !done.posture) return derived
  return { ...derived, digits: digits ?? derived.digits, posture: { ...done.posture, ...derived.posture } }
}
