import { choosableDigits, judgedDigits } from '../exercise/chosenDigits.js'
import { isHealthQuestion } from '../exercise/contraindications.js'
import type { Equipment } from '../exercise/equipment.js'
import { otherHandUse, type Exercise } from '../exercise/exercise.js'
import { DIGIT_NAMES, inEach, type Language, type Said } from '../words/names.js'
import type { Digit } from '../vocabulary/vocabulary.js'
import { standingOf } from './caseOnDay.js'
import { PROTECTIVE_FEELING } from './contactRules.js'
import type { PatientCase } from './patientCase.js'
import { namedHealth } from './restraints.js'

/** What has to be told, asked or found before an open exercise is done. */
interface Condition {
  readonly rule: string
  readonly says: Said
}

/**
 * The conditions under which an open exercise is done by a patient: digits that must not come along, health nobody asked
 * about, things not at home, the other hand. Conditions, never bans.
 *
 * @param chosen - the digits a therapist chose
 */
export function conditionsOn(
  exercise: Exercise,
  state: PatientCase,
  chosen: readonly Digit[] | null,
): Condition[] {
  return [
    besideInjured(exercise, judgedDigits(exercise, chosen), state),
    askedFirst(exercise, state),
    withSkinLookedAt(exercise, state),
    withoutThings(exercise, state),
    withoutOtherHand(exercise, state),
  ].filter((one) => one !== null)
}

/** Where only uninjured digits were chosen, the injured ones must not come along. */
function besideInjured(
  exercise: Exercise,
  chosen: readonly Digit[] | null,
  state: PatientCase,
): Condition | null {
  const injured = choosableDigits(exercise).filter((digit) => state.digits.includes(digit))
  if (chosen === null || injured.length === 0 || injured.some((digit) => chosen.includes(digit))) return null
  const kept = inEach((language) => injured.map((digit) => DIGIT_NAMES[digit][language]).join(', '))
  return {
    rule: 'catalogue.other-digits',
    says: {
      en: `Not with what is injured (${kept.en}): that rests as its orthosis or the protocol keeps it and does not come along.`,
      es: `No con lo lesionado (${kept.es}): descansa como lo tienen la ortesis o el protocolo y no acompaña el movimiento.`,
    },
  }
}

/** What would bar the exercise and nobody has asked about is asked before it is done. */
function askedFirst(exercise: Exercise, state: PatientCase): Condition | null {
  const open = state.isHealthAsked ? [] : exercise.contraindications.filter(isHealthQuestion)
  if (open.length === 0) return null
  return {
    rule: 'catalogue.health',
    says: {
      en: `Not asked yet, and it would bar this exercise: ${namedHealth(open, 'en')}.`,
      es: `Falta preguntar, y lo impediría: ${namedHealth(open, 'es')}.`,
    },
  }
}

/**
 * What stays on numb skin is worn with the skin looked at: on record, unasked, or numb by the diagnosis until feeling is recorded.
 * Source: A12: visual skin checks; redness that stays longer than 20 minutes.
 */
function withSkinLookedAt(exercise: Exercise, state: PatientCase): Condition | null {
  const { contraindications, isHealthAsked, condition } = state
  const feels = standingOf(state).facts.status(PROTECTIVE_FEELING).name === 'met'
  const isNumb = condition.isNumb && !feels
  const worn = (exercise.careWith ?? []).filter(
    (word) => isNumb || !isHealthAsked || contraindications.includes(word),
  )
  if (worn.length === 0) return null
  return {
    rule: 'catalogue.skin',
    says: {
      en: 'Where the skin may be numb: soft and padded, and the skin looked at every time it comes off. Off if a red mark stays longer than 20 minutes.',
      es: 'Donde la piel puede no sentir: blanda y acolchada, y mirar la piel cada vez que se quita. Fuera si una marca roja dura más de 20 minutos.',
    },
  }
}

function withoutThings(exercise: Exercise, state: PatientCase): Condition | null {
  const lacking = (state.notAtHome ?? []).filter(({ id }) => exercise.equipment.includes(id))
  if (lacking.length === 0) return null
  const names = inEach((language) => lacking.map((thing) => thingWords(thing, language)).join(', '))
  return {
    rule: 'catalogue.equipment',
    says: {
      en: `Not at home yet: ${names.en}. Give it along, or show what does the same.`,
      es: `Aún no está en casa: ${names.es}. Entréguelo o muestre con qué se reemplaza.`,
    },
  }
}

function thingWords({ name, home }: Equipment, language: Language): string {
  if (!home) return name[language]
  return `${name[language]} (${language === 'en' ? 'or' : 'o'} ${home[language]})`
}

function withoutOtherHand(exercise: Exercise, state: PatientCase): Condition | null {
  if (otherHandUse(exercise) === 'none' || state.otherHand === 'well') return null
  // An injury of its own with a protocol tells more than the answer given once.
  if (state.otherInjuries.some(({ hand }) => hand === 'other')) return null
  return {
    rule: 'catalogue.other-hand',
    says:
      state.otherHand === 'hurt'
        ? {
            en: 'Asks for the other hand, which is hurt too: teach a helper, or choose another form.',
            es: 'Pide la otra mano, que también está lesionada: enseñe a un ayudante o elija otra forma.',
          }
        : {
            en: 'Asks for the other hand, and nobody has asked yet whether it can.',
            es: 'Pide la otra mano, y falta preguntar si puede.',
          },
  }
}
