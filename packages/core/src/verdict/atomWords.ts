import * as names from '../words/names.js'
import { said } from '../words/names.js'
import { capital } from '../words/formWords.js'
import { jointOfMotion, type Joint, type Mode } from '../vocabulary/vocabulary.js'
import type { Atom } from './atoms.js'

/** Every part of the hand as one speaks of it: the joints of the fingers together, those of the thumb together. */
const PARTS: Readonly<Record<Joint, names.Said>> = {
  neck: said('neck', 'el cuello'),
  scap: said('shoulder blade', 'la escápula'),
  shoulder: said('shoulder', 'el hombro'),
  elbow: said('elbow', 'el codo'),
  forearm: said('forearm', 'el antebrazo'),
  wrist: said('wrist', 'la muñeca'),
  cmc: said('fingers', 'los dedos'),
  mcp: said('fingers', 'los dedos'),
  pip: said('fingers', 'los dedos'),
  dip: said('fingers', 'los dedos'),
  thumbCmc: said('thumb', 'el pulgar'),
  thumbMcp: said('thumb', 'el pulgar'),
  thumbIp: said('thumb', 'el pulgar'),
}

const DONE: Readonly<Record<Mode, (part: names.Said) => names.Said>> = {
  P: ({ en, es }) => said(`gentle passive motion of the ${en}`, `mover suavemente con la otra mano ${es}`),
  S: ({ en, es }) => said(`stretching the ${en}`, `estirar ${es}`),
  AA: ({ en, es }) => said(`helped motion of the ${en}`, `mover con ayuda ${es}`),
  PH: ({ en, es }) => said(`place and hold of the ${en}`, `colocar y sostener ${es}`),
  A: ({ en, es }) => said(`active motion of the ${en}`, `mover ${es}`),
  I: ({ en, es }) => said(`pressing with the ${en}`, `hacer fuerza sin mover ${es}`),
  R: ({ en, es }) => said(`resistance for the ${en}`, `mover con resistencia ${es}`),
}

/** An atom as a therapist would speak of it: "squeezing", "stretching the wrist". The exact one is its text. */
export function atomWords(atom: Atom): names.Said {
  switch (atom.kind) {
    case 'motion':
      return DONE[atom.mode](PARTS[jointOfMotion(atom.motion)])
    case 'combo': {
      const { en, es } = names.COMBO_NAMES[atom.combo]
      const mode = names.MODE_NAMES[atom.mode]
      return said(`${en} (${mode.en})`, `${es} (${mode.es})`)
    }
    case 'hold': {
      const { en, es } = PARTS[jointOfMotion(atom.motion)]
      const angle = Math.round(Math.max(...atom.arc.map(Math.abs)))
      const way = names.DIRECTION_NAMES[atom.motion.split('.')[1]!]!
      return said(`keeping the ${en} at ${angle}° of ${way.en}`, `mantener ${es} a ${angle}° de ${way.es}`)
    }
    case 'grip':
      return atom.res === 0 ? HOLDING : ['key', 'tip', 'tripod'].includes(atom.grip) ? PINCHING : SQUEEZING
    case 'kg':
      return said(`lifting ${atom.kg} kg`, `levantar ${String(atom.kg).replace('.', ',')} kg`)
    case 'test':
      return names.TEST_NAMES[atom.test]
    case 'act':
      return names.ACT_NAMES[atom.act]
    case 'stress':
      return names.STRESS_NAMES[atom.stress]
    case 'nerve': {
      const [nerve, way] = [names.NERVE_NAMES[atom.nerve], names.NERVE_TECHNIQUE_NAMES[atom.technique]]
      return said(`${way.en} of the ${nerve.en}`, `${way.es} del ${nerve.es}`)
    }
    case 'technique':
      return names.TECHNIQUE_NAMES[atom.technique]
  }
}

/** The same at the head of a sentence. */
export function atomSubject(atom: Atom): names.Said {
  const { en, es } = atomWords(atom)
  return { en: capital(en), es: capital(es) }
}

const HOLDING = said('holding things', 'sostener cosas')
const PINCHING = said('pinching', 'pellizcar')
const SQUEEZING = said('squeezing', 'apretar')
