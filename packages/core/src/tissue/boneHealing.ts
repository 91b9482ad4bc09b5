import { within } from '../anatomy/checked.js'

export type BonePhase = 'inflammation' | 'softCallus' | 'hardCallus' | 'remodeling'

/**
 * Usual healing phase of a broken bone by days since the fracture. Time alone opens nothing: union is what somebody finds
 * on examination and film. Source: TEXTBOOK-PRACTICE (high).
 *
 * @param day - 0–3650
 */
export function boneHealingPhase(day: number): BonePhase {
  within(day, 'day', [0, 3650], 'days')
  if (day < 7) return 'inflammation'
  if (day < 21) return 'softCallus'
  return day < 84 ? 'hardCallus' : 'remodeling'
}
