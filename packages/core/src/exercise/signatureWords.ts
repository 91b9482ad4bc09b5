import { arcWords, capital, keptWords } from '../words/formWords.js'
import {
  ACT_NAMES,
  ACTOR_NAMES,
  COMBO_NAMES,
  DIGIT_NAMES,
  GRIP_NAMES,
  inEach,
  MODE_NAMES,
  NERVE_NAMES,
  NERVE_TECHNIQUE_NAMES,
  STRESS_NAMES,
  TECHNIQUE_NAMES,
  type Language,
  type Said,
} from '../words/names.js'
import { motionsWords } from '../protocol/ruleWords.js'
import { listed } from '../words/formWords.js'
import type { Arc, Arcs, Axis, ResistanceClass } from '../vocabulary/vocabulary.js'
import type { Signature } from './signature.js'

/**
 * What the rules see of an exercise, one sentence a part: "Active: middle joint (PIP) flexion and extension; PIP 0 to 95° of
 * flexion", and where the other joints are kept. `signatureText` says the same in the words of documents.
 */
export function signatureWords(signature: Signature): Said[] {
  const count = partsIn(signature, 'en').length
  return Array.from({ length: count }, (_, place) =>
    inEach((language) => capital(partsIn(signature, language)[place]!)),
  )
}

function partsIn(signature: Signature, language: Language): string[] {
  const res = (value: ResistanceClass | null) => (value === null ? '' : `, R${value}`)
  const modes = (words: Signature['motions'][number]['modes']) =>
    listed(
      words.map((mode) => MODE_NAMES[mode][language]),
      language,
    )
  const lifted = (kg: number) =>
    language === 'en' ? `lifting ${kg} kg` : `levantar ${String(kg).replace('.', ',')} kg`
  return [
    ...signature.motions.map(
      (part) =>
        `${modes(part.modes)}: ${motionsWords(new Set(part.motions), language)}${res(part.res)}${through(part.arc, language)}`,
    ),
    ...signature.combos.map(
      ({ combo, mode }) => `${COMBO_NAMES[combo][language]} (${MODE_NAMES[mode][language]})`,
    ),
    ...signature.grips.map((one) => `${GRIP_NAMES[one.grip][language]}${res(one.res)}`),
    ...(signature.kg === null ? [] : [lifted(signature.kg)]),
    ...signature.acts.map((act) => ACT_NAMES[act][language]),
    ...signature.stress.map((stress) => STRESS_NAMES[stress][language]),
    ...signature.nerve.map(
      ({ nerve, technique }) =>
        `${NERVE_NAMES[nerve][language]}: ${NERVE_TECHNIQUE_NAMES[technique][language]}`,
    ),
    ...signature.technique.map((technique) => TECHNIQUE_NAMES[technique][language]),
    ...(signature.by && signature.by !== 'self'
      ? [`${language === 'en' ? 'by' : 'por'} ${ACTOR_NAMES[signature.by][language]}`]
      : []),
    ...(signature.digits
      ? [
          `${language === 'en' ? 'only with' : 'solo con'} ${listed(
            signature.digits.map((digit) => DIGIT_NAMES[digit][language]),
            language,
          )}`,
        ]
      : []),
    ...keptIn(signature.posture, language),
  ]
}

/** "; MCP 0 to 75° of flexion": through which arc the joints that rules know in degrees go. */
function through(arcs: Arcs | null, language: Language): string {
  return entriesOf(arcs)
    .map(
      ([axis, arc]) =>
        `; ${arc[0] === arc[1] ? keptWords(axis, arc[0], language) : arcWords(axis, arc, language)}`,
    )
    .join('')
}

/** "kept: wrist at 0°, PIP at 20° of flexion"; nothing where no joint is stated. */
function keptIn(posture: Arcs | null, language: Language): string[] {
  const kept = entriesOf(posture).map(([axis, [deg]]) => keptWords(axis, deg, language))
  return kept.length === 0 ? [] : [`${language === 'en' ? 'kept' : 'se mantiene'}: ${kept.join(', ')}`]
}

function entriesOf(arcs: Arcs | null): [Axis, Arc][] {
  return Object.entries(arcs ?? {}) as [Axis, Arc][]
}
