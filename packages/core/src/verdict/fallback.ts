import type { Exercise } from '../exercise/exercise.js'
import { isOpen, isWorse, type VerdictKind } from './verdict.js'

export interface Fallback {
  readonly exercise: Exercise
  /** A rung of its own ladder, with the steps between; or another exercise with the same aim. */
  readonly by: { readonly rungsDown: number } | 'same aim'
}

/**
 * What to do instead of an exercise that is not open today: the nearest open rung below it on its ladder, else an open
 * exercise with the same aim for the same part, never a rung above it. Of equals the one with the better verdict, then the one named first.
 * Unknown where nothing fits: then nothing is suggested.
 *
 * @param candidates - exercises of the patient's condition
 * @param kindOf - verdict of each today
 */
export function fallbackFor(
  exercise: Exercise,
  candidates: ReadonlyMap<string, Exercise>,
  kindOf: (exercise: Exercise) => VerdictKind,
): Fallback | null {
  for (const [index, rungs] of rungsAway(exercise, 'easier', candidates).entries()) {
    const open = better(rungs, kindOf)
    if (open) return { exercise: open, by: { rungsDown: index + 1 } }
  }
  const above = new Set(rungsAway(exercise, 'harder', candidates).flat())
  const alike = [...candidates.values()].filter(
    (one) =>
      one.id !== exercise.id &&
      one.region === exercise.region &&
      one.aims.some((aim) => exercise.aims.includes(aim)) &&
      !above.has(one),
  )
  const open = better(alike, kindOf)
  return open ? { exercise: open, by: 'same aim' } : null
}

/** The rungs one step away, two steps away and so on, each once. */
function rungsAway(
  exercise: Exercise,
  way: 'easier' | 'harder',
  candidates: ReadonlyMap<string, Exercise>,
): Exercise[][] {
  const seen = new Set([exercise.id])
  const steps: Exercise[][] = []
  let rungs = [exercise]
  while (rungs.length > 0) {
    const next = rungs
      .flatMap(({ ladder }) => ladder[way])
      .flatMap((id) => (seen.has(id) ? [] : (seen.add(id), [candidates.get(id)])))
    rungs = next.filter((rung) => rung !== undefined)
    steps.push(rungs)
  }
  return steps
}

function better(
  exercises: readonly Exercise[],
  kindOf: (exercise: Exercise) => VerdictKind,
): Exercise | null {
  let best: { exercise: Exercise; kind: VerdictKind } | null = null
  for (const exercise of exercises) {
    const kind = kindOf(exercise)
    if (!isOpen(kind)) continue
    if (!best || isWorse(best.kind, kind)) best = { exercise, kind }
  }
  return best?.exercise ?? null
}
