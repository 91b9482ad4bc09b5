import { capital } from '../protocol/formWords.js'
import {
  ACT_NAMES,
  ACTOR_NAMES,
  COMBO_NAMES,
  GRIP_NAMES,
  inEach,
  MODE_NAMES,
  NERVE_NAMES,
  NERVE_TECHNIQUE_NAMES,
  STRESS_NAMES,
  TECHNIQUE_NAMES,
  type Language,
  type Said,
} from '../protocol/names.js'
import { listed, motionsWords } from '../protocol/ruleWords.js'
import type { ResistanceClass } from '../protocol/vocabulary.js'
import type { Signature } from '../verdict/signature.js'

/**
 * What the rules see of an exercise, one sentence a part: "Active: middle joint (PIP) flexion and extension". Empty for an
 * exercise without motion. `signatureText` says the same in the words of documents.
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
      (part) => `${modes(part.modes)}: ${motionsWords(new Set(part.motions), language)}${res(part.res)}`,
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
  ]
}
