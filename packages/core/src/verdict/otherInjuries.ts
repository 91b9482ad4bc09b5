import { inEach, type Said } from '../words/names.js'
import type { Dose, Exercise, OtherHandUse } from '../exercise/exercise.js'
import { resistanceOf } from '../exercise/resistanceOf.js'
import { askedOf, partOf, together, type Part } from './assess.js'
import { judgeCase } from './judgeCase.js'
import type { OtherInjury, PatientCase } from './patientCase.js'
import { IDLE_SIGNATURE, type Signature } from '../exercise/signature.js'
import { isOpen, type Reason, type Verdict } from './verdict.js'

/** The protocols' verdict of a motion for every injury of this hand; the catalogue has no say. */
export function assessThisHand(signature: Signature, state: PatientCase): Verdict {
  const others = state.otherInjuries.filter(({ hand }) => hand === 'same')
  const parts = [
    partOf(judgeCase(signature, state)),
    ...others.map((other) => namedPart(other, partOf(judgeCase(signature, other.state)))),
  ]
  return together(parts, askedOf(signature, [state, ...others.map((other) => other.state)]), state.day)
}

/** What another injury says, saying whose it is. */
export function namedPart({ hand, state }: OtherInjury, part: Part): Part {
  const whose: Said =
    hand === 'same'
      ? {
          en: `The other injury of this hand (${state.condition.name.en})`,
          es: `La otra lesión de esta mano (${state.condition.name.es})`,
        }
      : { en: `The other hand (${state.condition.name.en})`, es: `La otra mano (${state.condition.name.es})` }
  const said = (text: Said) => inEach((language) => `${whose[language]}: ${text[language]}`)
  return {
    ...part,
    form: part.form && said(part.form),
    conditions: part.conditions.map(said),
    // Named by whose it is, a reason no longer begins with its motion.
    reasons: part.reasons.map((reason): Reason => ({ ...reason, text: said(reason.text) })),
    unlock: (missing) => part.unlock(missing).map(said),
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
export function cannotHelp(others: readonly OtherInjury[], help: Signature): readonly OtherInjury[] {
  return others.filter(({ hand, state }) => hand === 'other' && !isOpen(judgeCase(help, state).kind))
}
