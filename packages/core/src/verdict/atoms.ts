import * as words from '../vocabulary/vocabulary.js'
import { HYPEREXTENDED_BELOW_DEG, RESTING_RANGE } from '../vocabulary/jointRanges.js'
import { keepsStillAt } from '../vocabulary/orthosisHolds.js'
import type { Signature } from '../exercise/signature.js'

/** The smallest thing a rule speaks about. The worst verdict of its atoms is the exercise's verdict. */
export type Atom =
  | {
      readonly kind: 'motion'
      readonly mode: words.Mode
      readonly motion: words.Motion
      /** `null` = full range. */
      readonly arc: words.Arc | null
      readonly res: words.ResistanceClass
    }
  | {
      readonly kind: 'combo'
      readonly combo: words.Combo
      readonly mode: words.Mode
      readonly res: words.ResistanceClass
    }
  /** A joint kept still outside its resting range: from neutral to where it is kept. */
  | { readonly kind: 'hold'; readonly motion: words.Motion; readonly arc: words.Arc }
  | { readonly kind: 'grip'; readonly grip: words.Grip; readonly res: words.ResistanceClass }
  | { readonly kind: 'kg'; readonly kg: number }
  | { readonly kind: 'test'; readonly test: words.Test }
  | { readonly kind: 'act'; readonly act: words.Act }
  | { readonly kind: 'stress'; readonly stress: words.Stress }
  | { readonly kind: 'nerve'; readonly nerve: words.Nerve; readonly technique: words.NerveTechnique }
  | { readonly kind: 'technique'; readonly technique: words.Technique }

export type MotionAtom = Extract<Atom, { kind: 'motion' }>

/** Modes that the technique `overpressure` turns into a stretch besides. */
const PUSHED_MODES: readonly words.Mode[] = ['P', 'AA', 'A', 'PH']

/** A signature never changes, and is asked about on many days. */
const split = new WeakMap<Signature, readonly Atom[]>()

/**
 * Splits an exercise into its atoms: one per mode and joint direction, each combination, grip, weight, test,
 * activity, stress and nerve technique. A combination brings its motions along in its own mode and full arc, so
 * that a composite can never slip past its joints.
 */
export function atomsOf(signature: Signature): readonly Atom[] {
  let atoms = split.get(signature)
  if (!atoms) split.set(signature, (atoms = splitInAtoms(signature)))
  return atoms
}

function splitInAtoms(signature: Signature): Atom[] {
  const motions: MotionAtom[] = []
  for (const component of signature.motions) {
    for (const mode of component.modes) {
      for (const motion of component.motions) {
        const axis = words.axisOfMotion(motion)
        motions.push({
          kind: 'motion',
          mode,
          motion,
          arc: (axis && component.arc?.[axis]) ?? null,
          res: resOf(mode, component.res),
        })
      }
    }
  }
  const lists = (mode: words.Mode, motion: words.Motion) =>
    motions.some((atom) => atom.mode === mode && atom.motion === motion)
  const brought: typeof motions = []
  const others: Atom[] = []
  for (const { combo, mode, res, told } of signature.combos) {
    others.push({ kind: 'combo', combo, mode, res: resOf(mode, res) })
    for (const motion of words.COMBO_MOTIONS[combo]) {
      const axis = words.axisOfMotion(motion)
      const isTold = axis !== null && told?.includes(axis)
      if (!isTold && !lists(mode, motion))
        brought.push({ kind: 'motion', mode, motion, arc: null, res: resOf(mode, res) })
    }
    // Loads whatever mode is written.
    if (combo === 'clench') others.push({ kind: 'grip', grip: 'cyl', res: 3 })
    if (combo === 'cmc_adduction_pinch') others.push({ kind: 'grip', grip: 'key', res: 1 })
    if (combo === 'mp_ulnar_load')
      brought.push({ kind: 'motion', mode: 'R', motion: 'mcp.uln', arc: null, res: 1 })
  }
  const all = [...motions, ...brought]
  const pushed = signature.technique.includes('overpressure')
    ? all.filter((atom) => PUSHED_MODES.includes(atom.mode)).map((atom) => ({ ...atom, mode: 'S' as const }))
    : []
  for (const { grip, res } of signature.grips) others.push({ kind: 'grip', grip, res: res ?? 5 })
  if (signature.kg !== null) others.push({ kind: 'kg', kg: signature.kg })
  for (const test of signature.tests) others.push({ kind: 'test', test })
  for (const act of signature.acts) others.push({ kind: 'act', act })
  for (const stress of signature.stress) others.push({ kind: 'stress', stress })
  for (const { nerve, technique } of signature.nerve) others.push({ kind: 'nerve', nerve, technique })
  const parts = [...all, ...pushed, ...heldOf(signature, all), ...others]
  const techniques = signature.technique.map((technique): Atom => ({ kind: 'technique', technique }))
  return [...parts, ...techniques]
}

/**
 * Joints an exercise keeps still outside their resting range (vocabulary 5.5.6). Where the orthosis worn keeps the joint there, it
 * is the orthosis that holds it, and the rule that puts it on has spoken.
 */
function heldOf({ posture, orthosis }: Signature, moved: readonly MotionAtom[]): Atom[] {
  return words.arcEntries(posture).flatMap(([axis, [low, high]]): Atom[] => {
    const resting = RESTING_RANGE[axis]
    const joint = axis as words.Joint
    if (!resting || moved.some(({ motion }) => words.axisOfMotion(motion) === axis)) return []
    if (keepsStillAt(orthosis, joint, [low, high])) return []
    const [towardsLow, towardsHigh] = axis === 'forearm' ? ['pron', 'sup'] : ['ext', 'flex']
    const isPastStraight = low < (HYPEREXTENDED_BELOW_DEG[axis] ?? -Infinity)
    return [
      ...(high > resting[1]
        ? [{ kind: 'hold', motion: `${joint}.${towardsHigh}`, arc: [Math.min(0, high), high] } as const]
        : []),
      ...(low < resting[0]
        ? [
            {
              kind: 'hold',
              motion: `${joint}.${isPastStraight ? 'hyperext' : towardsLow}`,
              arc: [Math.min(0, low), Math.max(0, low)],
            } as const,
          ]
        : []),
    ]
  })
}

/** Unstated resistance is unknown, hence unrestricted, in modes that resist. */
function resOf(mode: words.Mode, res: words.ResistanceClass | null): words.ResistanceClass {
  return mode === 'I' || mode === 'R' ? (res ?? 5) : 0
}

/** Whether an atom stretches or loads, so that the load base applies to it. */
export function isLoading(atom: Atom): boolean {
  switch (atom.kind) {
    case 'motion':
    case 'combo':
      return words.LOADING_MODES.includes(atom.mode)
    case 'grip':
      return atom.res >= 1
    case 'kg':
      return atom.kg >= 1
    case 'test':
      return true
    case 'act':
      return words.LOADING_ACTS.includes(atom.act)
    default:
      return false
  }
}

/** An atom as case files print it: `A wrist.flex`, `grip cyl R1`. */
export function atomText(atom: Atom): string {
  switch (atom.kind) {
    case 'motion':
      return `${atom.mode} ${words.wordOfMotion(atom.motion)}${atom.mode === 'I' || atom.mode === 'R' ? ` R${atom.res}` : ''}`
    case 'combo':
      return `${atom.mode} ${atom.combo}`
    case 'hold':
      return `hold ${words.wordOfMotion(atom.motion)} ${atom.arc[0]} to ${atom.arc[1]}`
    case 'grip':
      return `grip ${atom.grip} R${atom.res}`
    case 'kg':
      return `${atom.kg} kg`
    case 'test':
      return `test ${atom.test}`
    case 'act':
      return `act ${atom.act}`
    case 'stress':
      return `stress ${atom.stress}`
    case 'nerve':
      return `${atom.nerve} ${atom.technique}`
    case 'technique':
      return `technique ${atom.technique}`
  }
}
