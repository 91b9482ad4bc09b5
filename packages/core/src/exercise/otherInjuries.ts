import { inEach, type Said } from '../protocol/names.js'
import { assess } from '../verdict/assess.js'
import { IDLE_SIGNATURE, type Signature } from '../verdict/signature.js'
import { isOpen, worseKind, type Reason, type Verdict } from '../verdict/verdict.js'
import type { PatientCase } from './assessExercise.js'
import type { Dose, Exercise, OtherHandUse } from './exercise.js'
import { resistanceOf } from './signatureOf.js'

/** Another open injury of the same person, with a protocol of its own. */
export interface OtherInjury {
  readonly hand: 'same' | 'other'
  /** Looked at by itself: its own list of other injuries is not followed. */
  readonly state: PatientCase
}

/** An injury's own verdict, in the days it counts in. */
export interface JudgedInjury {
  readonly hand: 'same' | 'other'
  readonly state: PatientCase
  readonly verdict: Verdict
}

/** Of the verdicts of several injuries those that decide: the most restrictive ones. Source: A1-AUTHORITY. */
export function mostRestrictive<T extends { readonly verdict: Verdict }>(judged: readonly T[]): T[] {
  const kind = judged.map(({ verdict }) => verdict.kind).reduce(worseKind)
  return judged.filter(({ verdict }) => verdict.kind === kind)
}

/** The day from which all of them open; `null` where it is unknown for one. */
export function latestDay(days: readonly (number | null)[]): number | null {
  return days.some((day) => day === null) ? null : Math.max(...(days as number[]))
}

/**
 * The verdict of an exercise for several injuries: the most restrictive wins (A1). Reasons and what is missing come from
 * those that decide; the day is the latest of theirs, unknown where it is unknown for one of them. Source: A1-AUTHORITY.
 *
 * @param own - of the case that was asked for; days of the answer count as its do
 */
export function togetherWith(own: Verdict, state: PatientCase, others: readonly JudgedInjury[]): Verdict {
  const all = mostRestrictive([
    { verdict: own },
    ...others.map((other) => ({ verdict: named(other, other.state.day - state.day) })),
  ]).map(({ verdict }) => verdict)
  if (all.length === 1 && all[0] === own) return own
  return {
    kind: all[0]!.kind,
    fromDay: latestDay(all.map(({ fromDay }) => fromDay)),
    missing: unique(
      all.flatMap(({ missing }) => missing),
      ({ text }) => text,
    ),
    form: all.length === 1 ? all[0]!.form : null,
    conditions: unique(
      all.flatMap(({ conditions }) => conditions),
      ({ en }) => en,
    ),
    reasons: all.flatMap(({ reasons }) => reasons),
    basis: all.every(({ basis }) => basis === 'rule') ? 'rule' : 'default',
    unlock: unique(
      all.flatMap(({ unlock }) => unlock),
      ({ en }) => en,
    ),
  }
}

/** The protocols' verdict of a motion for every injury of this hand; the catalogue has no say. */
export function assessThisHand(signature: Signature, state: PatientCase): Verdict {
  const judged = state.otherInjuries
    .filter(({ hand }) => hand === 'same')
    .map((other): JudgedInjury => ({ ...other, verdict: assess(signature, other.state) }))
  return togetherWith(assess(signature, state), state, judged)
}

/** Another injury's verdict, saying whose it is, in the days of the case that was asked for. */
function named({ hand, state, verdict }: JudgedInjury, daysAhead: number): Verdict {
  const whose: Said =
    hand === 'same'
      ? {
          en: `The other injury of this hand (${state.condition.name.en})`,
          es: `La otra lesión de esta mano (${state.condition.name.es})`,
        }
      : { en: `The other hand (${state.condition.name.en})`, es: `La otra mano (${state.condition.name.es})` }
  const said = (text: Said) => inEach((language) => `${whose[language]}: ${text[language]}`)
  return {
    ...verdict,
    fromDay: verdict.fromDay === null ? null : verdict.fromDay - daysAhead,
    form: verdict.form && said(verdict.form),
    conditions: verdict.conditions.map(said),
    // Named by whose it is, a reason no longer begins with its motion.
    reasons: verdict.reasons.map((reason): Reason => ({ ...reason, text: said(reason.text) })),
    unlock: verdict.unlock.map(said),
  }
}

/**
 * What a hand is asked that helps the other one: a light hold to guide, steady or rub; a hold as strong as the effort it
 * stands against. Source: derivation, common practice.
 */
export function helpSignature(
  exercise: Pick<Exercise, 'load'>,
  dose: Dose,
  use: Exclude<OtherHandUse, 'none' | 'the same'>,
): Signature {
  return {
    ...IDLE_SIGNATURE,
    name: 'help of the other hand',
    grips: [{ grip: 'cyl', res: use === 'helps' ? 1 : (resistanceOf(exercise.load, dose.load) ?? 2) }],
    acts: [use === 'helps' ? 'adl_light' : 'adl_mod'],
  }
}

/** The injuries of the other hand in which it may not do what an exercise asks of it. */
export function cannotHelp(
  others: readonly OtherInjury[],
  ask: (state: PatientCase) => Verdict,
): readonly OtherInjury[] {
  return others.filter(({ hand, state }) => hand === 'other' && !isOpen(ask(state).kind))
}

function unique<T>(list: readonly T[], key: (one: T) => string): T[] {
  const keys = list.map(key)
  return list.filter((_one, place) => keys.indexOf(keys[place]!) === place)
}
