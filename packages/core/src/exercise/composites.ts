import type { Combo, Mode, Orthosis, ResistanceClass } from '../vocabulary/vocabulary.js'
import type { Signature } from './signature.js'
import { REST_ANGLES, type AngleName, type Dose, type Exercise } from './exercise.js'

/** A wrist kept fully bent this long is the position that provokes the median nerve. Source: derivation, common practice. */
export const PHALEN_HOLD_SECONDS = 5

/**
 * Composites at the end poses, unstated joints at rest. What the hand moves by itself goes back to where it started, so
 * that the start counts as well: an exercise that opens a fist has made one. Held is the end only.
 */
export function combosOf(exercise: Exercise, dose: Dose): Combo[] {
  const found = new Set<Combo>()
  if (exercise.force.startsWith('active wrist') && goesOppositeWays(exercise)) found.add('tenodesis')
  const poses = exercise.force === 'active' ? [exercise.start, ...exercise.shapes] : exercise.shapes
  for (const shape of poses) {
    const at = (name: AngleName) => shape[name] ?? REST_ANGLES[name]
    const [wrist, mcp, pip, dip] = [at('wristFlexion'), at('mcpFlexion'), at('pipFlexion'), at('dipFlexion')]
    if (mcp >= 45 && pip >= 45 && dip >= 20) found.add('fist')
    if (mcp <= 20 && pip >= 45) found.add('hook')
    if (mcp >= 45 && pip >= 45 && dip <= 10) found.add('straight_fist')
    if (mcp >= 45 && pip <= 20 && dip <= 20) found.add('tabletop')
    if (wrist <= -20 && mcp <= 15 && pip <= 20) found.add('cx_ext_wf')
    if (wrist >= 20 && mcp >= 45 && pip >= 45) found.add('cx_flex_wf')
    if (shape !== exercise.start && wrist >= 60 && dose.holdSeconds >= PHALEN_HOLD_SECONDS)
      found.add('phalen_hold')
  }
  return [...found]
}

/** Wrist and digits together: the wrist extends while the fingers bend, or the other way round. */
function goesOppositeWays({ start, shapes }: Exercise): boolean {
  return shapes.some((shape) => {
    const change = (name: AngleName) => (shape[name] ?? 0) - (start[name] ?? 0)
    const digits = ['mcpFlexion', 'pipFlexion', 'thumbMcpFlexion', 'thumbIpFlexion'] as const
    return digits.some((name) => change(name) * change('wristFlexion') < 0)
  })
}

/**
 * A composite in the mode it is made in. Tenodesis is the work of the wrist: active, but for a hinged orthosis that leads
 * the hand. A straight fist pressed by the other hand is a fist: the two flexors do not slide on each other by themselves.
 */
export function madeBy(
  combo: Combo,
  mode: Mode,
  orthosis: Orthosis,
  res: ResistanceClass | null,
): Signature['combos'][number] {
  if (combo === 'tenodesis') return { combo, mode: orthosis === 'TEN' ? 'P' : 'A', res }
  return { combo: combo === 'straight_fist' && mode === 'P' ? 'fist' : combo, mode, res }
}
