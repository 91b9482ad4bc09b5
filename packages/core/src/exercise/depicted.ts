import type { Exercise } from './exercise.js'

/** What of an exercise its picture is drawn from. */
export const DEPICTED_KEYS = [
  'family',
  'region',
  'start',
  'shapes',
  'mendedFinger',
  'force',
  'grip',
  'equipment',
  'side',
  'turns',
  'picture',
  'worn',
] as const
export type Depicted = Pick<Exercise, (typeof DEPICTED_KEYS)[number]>

/** The part of an exercise that is drawn; a signed program's copy has all of it. */
export function depicted(exercise: Depicted): Depicted {
  const given = DEPICTED_KEYS.filter((key) => exercise[key] !== undefined)
  return Object.fromEntries(given.map((key) => [key, exercise[key]])) as unknown as Depicted
}

/**
 * A name for the picture of an exercise: the same for equal angles, force and things, another for any difference. Stills are
 * kept under it, so that a still never shows other angles than the exercise has.
 *
 * @returns 16 hexadecimal digits
 */
export function pictureKey(exercise: Depicted): string {
  const text = JSON.stringify(inOrder(depicted(exercise)))
  return [0x811c9dc5, 0x9e3779b9].map((seed) => scramble(text, seed)).join('')
}

/**
 * The stills of an exercise by file name: its start, then each shape it goes to.
 *
 * @returns the start first, at least one shape after it
 */
export function stillFiles(exercise: Depicted): string[] {
  const key = pictureKey(exercise)
  return [...Array(exercise.shapes.length + 1).keys()].map((shape) => `${key}-${shape}.webp`)
}

/** Objects with their keys in one order, whatever order they came in. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inOrder)
  if (typeof value !== 'object' || value === null) return value
  return Object.entries(value)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, inner]) => [key, inOrder(inner)])
}

/** FNV-1a: no secret, only a name. */
function scramble(text: string, seed: number): string {
  let hash = seed
  for (let k = 0; k < text.length; k += 1) hash = Math.imul(hash ^ text.charCodeAt(k), 0x01000193)
  return (hash >>> 0).toString(16).padStart(8, '0')
}
