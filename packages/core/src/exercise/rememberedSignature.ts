import type { Orthosis } from '../vocabulary/vocabulary.js'
import type { Dose, Exercise } from './exercise.js'
import type { Signature } from './signature.js'
import { signatureOf } from './signatureOf.js'

/** Asked for on many days, an exercise at a dose has the same signature: derived once. */
const signatures = new WeakMap<Exercise, WeakMap<Dose, Map<Orthosis, Signature>>>()

export function rememberedSignature(exercise: Exercise, dose: Dose, worn: Orthosis): Signature {
  let byDose = signatures.get(exercise)
  if (!byDose) signatures.set(exercise, (byDose = new WeakMap()))
  let byOrthosis = byDose.get(dose)
  if (!byOrthosis) byDose.set(dose, (byOrthosis = new Map()))
  let signature = byOrthosis.get(worn)
  if (!signature) byOrthosis.set(worn, (signature = signatureOf(exercise, dose, worn)))
  return signature
}
