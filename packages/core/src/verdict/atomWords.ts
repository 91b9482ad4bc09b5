import * as names from '../words/names.js'
import type { Joint } from '../vocabulary/vocabulary.js'
import type { Atom } from './atoms.js'

/** An atom in words: "active wrist flexion", "flexión activa de la muñeca". */
export function atomWords(atom: Atom): names.Said {
  return names.inEach((language) => wordsIn(atom, language))
}

function wordsIn(atom: Atom, language: names.Language): string {
  switch (atom.kind) {
    case 'motion': {
      const [joint, direction] = atom.motion.split('.') as [Joint, string]
      const load = atom.mode === 'I' || atom.mode === 'R' ? `, R${atom.res}` : ''
      const mode = names.MODE_NAMES[atom.mode][language]
      const way = names.DIRECTION_NAMES[direction]![language]
      const place = names.JOINT_NAMES[joint][language]
      return language === 'en' ? `${mode} ${place} ${way}${load}` : `${way} ${place} (${mode})${load}`
    }
    case 'combo': {
      const [mode, combo] = [names.MODE_NAMES[atom.mode][language], names.COMBO_NAMES[atom.combo][language]]
      return `${combo} (${mode})`
    }
    case 'hold': {
      const [joint, direction] = atom.motion.split('.') as [Joint, string]
      const place = names.JOINT_NAMES[joint][language]
      const way = names.DIRECTION_NAMES[direction]![language]
      const angle = Math.round(Math.max(...atom.arc.map(Math.abs)))
      return language === 'en'
        ? `${place} kept still at ${angle}° of ${way}`
        : `${way} ${place} quieta a ${angle}°`
    }
    case 'grip':
      return `${names.GRIP_NAMES[atom.grip][language]}, R${atom.res}`
    case 'kg':
      return language === 'en' ? `lifting ${atom.kg} kg` : `levantar ${String(atom.kg).replace('.', ',')} kg`
    case 'test':
      return names.TEST_NAMES[atom.test][language]
    case 'act':
      return names.ACT_NAMES[atom.act][language]
    case 'stress':
      return names.STRESS_NAMES[atom.stress][language]
    case 'nerve':
      return `${names.NERVE_NAMES[atom.nerve][language]}, ${names.NERVE_TECHNIQUE_NAMES[atom.technique][language]}`
    case 'technique':
      return names.TECHNIQUE_NAMES[atom.technique][language]
  }
}
