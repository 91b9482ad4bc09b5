import type { Nerve, NerveTechnique } from '../vocabulary/vocabulary.js'
import { nerveMoveOf } from './exerciseTravel.js'
import { type Dose, type Exercise } from './exercise.js'

/** At the end of a nerve's move longer than this it is held under tension. Source: derivation, common practice. */
export const NERVE_HOLD_SECONDS = 5
/** Up to this mean strain two ends of one sign still count as one end moving. Source: derivation, common practice. */
export const ONE_END_STRAIN_PERCENT = 2

/** How an exercise moves a nerve, by its angles: B-19 and the hold at the end. */
export function nerveTechniqueOf(exercise: Exercise, nerve: Nerve, dose: Dose): NerveTechnique {
  if (dose.holdSeconds > NERVE_HOLD_SECONDS) return 'sustained_hold'
  // No bed is known of a digital nerve: the strictest is taken.
  if (nerve === 'digital') return 'tensioner'
  // What was filed as a tensioner starts under tension already: its change alone tells less than there is.
  if (exercise.family === 'nerve-tensioner') return 'tensioner'
  const { class: move, strainPercent } = nerveMoveOf(nerve, exercise)
  if (move === 'slider') return 'slider2'
  if (move === 'none' || move === 'single') return 'slider1'
  const isSmall = move === 'tensioner' && Math.abs(strainPercent) <= ONE_END_STRAIN_PERCENT
  return isSmall ? 'slider1' : 'tensioner'
}
