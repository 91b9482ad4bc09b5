import type { Said } from '../words/names.js'
import type { Contraindication } from './exercise.js'

/** Contraindications as the therapist and the patient read them. */
export const CONTRAINDICATION_NAMES: Readonly<Record<Contraindication, Said>> = {
  latex: { en: 'latex allergy', es: 'alergia al látex' },
  adhesive: { en: 'adhesive allergy', es: 'alergia a los adhesivos' },
  insensate: { en: 'skin without protective feeling', es: 'piel sin sensibilidad protectora' },
  openWound: { en: 'open wound', es: 'herida abierta' },
  sutures: { en: 'sutures', es: 'puntos' },
  pins: { en: 'pins through the skin', es: 'clavos que salen por la piel' },
  infection: { en: 'infection', es: 'infección' },
  ischaemia: { en: 'poor circulation in the hand', es: 'mala circulación en la mano' },
  raynaud: { en: 'fingers that turn white in the cold', es: 'dedos que se ponen blancos con el frío' },
  digitalArteryRepair: { en: 'repaired finger artery', es: 'arteria del dedo reparada' },
  anticoagulant: { en: 'blood thinners', es: 'anticoagulantes' },
  lymphedema: { en: 'lymphedema of the arm', es: 'linfedema del brazo' },
  dialysisFistula: { en: 'dialysis fistula in the arm', es: 'fístula de diálisis en el brazo' },
  heartOrKidneyOverload: {
    en: 'heart or kidney failure with fluid',
    es: 'insuficiencia cardíaca o renal con líquido',
  },
  pregnancy: { en: 'pregnancy', es: 'embarazo' },
  clot: { en: 'blood clot in the arm', es: 'coágulo en el brazo' },
  activeBlock: { en: 'nerve block still working', es: 'anestesia del nervio aún activa' },
  growthPlate: { en: 'open growth plate', es: 'cartílago de crecimiento abierto' },
}

/** What is asked once for a case. Allergies stand in the referral; wound, sutures and infection are a recorded finding. */
export const HEALTH_QUESTIONS = [
  'insensate',
  'ischaemia',
  'raynaud',
  'digitalArteryRepair',
  'pins',
  'anticoagulant',
  'clot',
  'lymphedema',
  'dialysisFistula',
  'heartOrKidneyOverload',
  'pregnancy',
  'activeBlock',
  'growthPlate',
] as const satisfies readonly Contraindication[]
export type HealthQuestion = (typeof HEALTH_QUESTIONS)[number]

export function isHealthQuestion(word: Contraindication): word is HealthQuestion {
  return (HEALTH_QUESTIONS as readonly string[]).includes(word)
}
