import type { ResistanceClass } from '../vocabulary/vocabulary.js'
import { type Load } from './exercise.js'

/**
 * Resistance class of a load: weight 0 R0, to 0.5 kg R1, 1 R2, 2.5 R3, 5 R4, more R5; effort to 25 % R1, 40 R2, 60 R3,
 * 80 R4, more R5; house step 1 R1, 2 R2, 3 R3, 4–5 R4, 6 R5; body weight R4. Unknown is unrestricted.
 */
export function resistanceOf(load: Load | null, amount: number | null): ResistanceClass | null {
  if (load === null) return null
  if (load.unit === 'bodyWeight') return 4
  if (amount === null) return 5
  const bounds = { kg: [0, 0.5, 1, 2.5, 5], percentEffort: [0, 25, 40, 60, 80], houseStep: [0, 1, 2, 3, 5] }[
    load.unit
  ]
  const place = bounds.findIndex((bound) => amount <= bound + 1e-9)
  return (place < 0 ? 5 : place) as ResistanceClass
}
