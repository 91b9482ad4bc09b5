import { isSurgeonsToGive } from '../vocabulary/criterion.js'
import type { Said } from '../words/names.js'
import { HEALING_ANCHORS } from '../vocabulary/vocabulary.js'
import type { Digit } from '../vocabulary/vocabulary.js'
import { standingOf, type CaseOnDay } from './caseOnDay.js'
import type { Verdict } from './verdict.js'

/** What a therapist's override of a "not yet" takes, or why there is none. */
export type OverrideTerms =
  | { readonly isPossible: false; readonly why: Said }
  | {
      readonly isPossible: true
      /** While it heals, or where a surgeon's word is missing: only with the surgeon's recorded agreement. */
      readonly needsSurgeon: boolean
      /** What bars it, by rule and motion, and what is missing: the override holds for these and nothing else. */
      readonly barredBy: readonly string[]
    }

/** What no reason overrides, with what to do instead. */
const BEYOND: readonly { readonly rule: RegExp; readonly why: Said }[] = [
  {
    rule: /^red-lock$/,
    why: {
      en: 'A red flag is open. Lift it with what was found.',
      es: 'Hay una señal de alarma abierta. Ciérrela con lo hallado.',
    },
  },
  {
    rule: /^order\./,
    why: {
      en: 'The surgeon forbids it. Only the surgeon takes that back.',
      es: 'El cirujano lo prohíbe. Solo el cirujano lo retira.',
    },
  },
  {
    rule: /^not-started$/,
    why: {
      en: 'The program has not started. Record what it waits for.',
      es: 'El programa no ha empezado. Registre lo que falta.',
    },
  },
  {
    rule: /\.select$/,
    why: {
      en: 'Whether this school fits is in doubt. Answer that, or choose another school.',
      es: 'Se duda si esta escuela sirve. Responda eso o elija otra escuela.',
    },
  },
  {
    rule: /^catalogue\.thermal$/,
    why: {
      en: 'Warmth and cold wait for what the hand can bear and feel.',
      es: 'El calor y el frío esperan a lo que la mano tolera y siente.',
    },
  },
  {
    rule: /^catalogue\.wound$/,
    why: {
      en: 'Somebody has to see the wound closed. Record what was seen.',
      es: 'Alguien debe ver la herida cerrada. Registre lo visto.',
    },
  },
]

/**
 * Whether a therapist may override a verdict for one patient, and what that takes (vocabulary 5.3). A "never here", a
 * surgeon's prohibition and a red flag are never overridden; the verdict itself stays what it is.
 */
export function overrideTerms(verdict: Verdict, state: CaseOnDay): OverrideTerms {
  if (verdict.kind === 'never')
    return {
      isPossible: false,
      why: {
        en: 'Never here: only the surgeon can change that, with an order.',
        es: 'Nunca aquí: solo el cirujano puede cambiarlo, con una orden.',
      },
    }
  if (verdict.kind !== 'not-yet')
    return { isPossible: false, why: { en: 'It is open.', es: 'Está abierto.' } }
  const beyond = BEYOND.find(({ rule }) => verdict.reasons.some((reason) => rule.test(reason.rule)))
  if (beyond) return { isPossible: false, why: beyond.why }
  const { phase } = standingOf(state)
  const isProtected =
    HEALING_ANCHORS.includes(state.protocol.anchor) && phase !== state.protocol.phases.at(-1)
  return {
    isPossible: true,
    needsSurgeon: isProtected || verdict.missing.some(({ text }) => isSurgeonsToGive(text)),
    barredBy: barsOf(verdict),
  }
}

function barsOf(verdict: Verdict): string[] {
  return [
    ...new Set([
      ...verdict.reasons.map(({ key, atom }) => `${key} ${atom}`),
      ...verdict.missing.map(({ text }) => `needs ${text}`),
    ]),
  ]
}

/**
 * Whether an override still covers a verdict: only as long as nothing bars it that did not bar it when the override was
 * written. Another rule, a criterion that no longer holds, a heavier load, a flag or an order that came since is not covered.
 */
export function isOverridden(verdict: Verdict, barredBy: readonly string[]): boolean {
  return (
    verdict.kind === 'not-yet' &&
    verdict.reasons.length > 0 &&
    barsOf(verdict).every((bar) => barredBy.includes(bar)) &&
    !BEYOND.some(({ rule }) => verdict.reasons.some((reason) => rule.test(reason.rule)))
  )
}

/** An exception of a therapist as it stands on record. */
export interface RecordedOverride {
  readonly exerciseId: string
  /** The digits it was made for; `null`: the exercise as it is, with any. */
  readonly digits: readonly Digit[] | null
  /** What it covers, as `overrideTerms` told when it was made: names of rules, never their places. */
  readonly barredBy: readonly string[]
}

/**
 * The newest exception of an exercise that still covers its verdict; the verdict stays what it is. One made for chosen digits
 * covers no others.
 *
 * @param overrides - those in force, oldest first
 */
export function coveringOverride<Override extends RecordedOverride>(
  overrides: readonly Override[],
  exerciseId: string,
  verdict: Verdict,
  digits: readonly Digit[] | null,
): Override | null {
  const isFor = (made: readonly Digit[] | null) =>
    made === null || (digits !== null && digits.every((digit) => made.includes(digit)))
  return (
    overrides.findLast(
      (one) => one.exerciseId === exerciseId && isFor(one.digits) && isOverridden(verdict, one.barredBy),
    ) ?? null
  )
}
