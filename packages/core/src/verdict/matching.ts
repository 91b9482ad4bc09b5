import type { Rule, Target } from '../protocol/protocol.js'
import * as words from '../vocabulary/vocabulary.js'
import type { Atom } from './atoms.js'
import type { CaseOnDay } from './caseOnDay.js'
import type { Order } from '../protocol/order.js'
import type { Signature } from '../exercise/signature.js'

/** Whether a rule's target speaks about an atom, its form apart. */
export function speaksOf(target: Target, atom: Atom): boolean {
  switch (target.kind) {
    case 'motion':
      return atom.kind === 'motion' && target.modes.includes(atom.mode) && target.motions.has(atom.motion)
    case 'combo':
      return (
        atom.kind === 'combo' &&
        target.combos.includes(atom.combo) &&
        (target.modes === null || target.modes.includes(atom.mode))
      )
    case 'grip':
      return atom.kind === 'grip' && target.grips.includes(atom.grip)
    case 'kg':
      return atom.kind === 'kg'
    case 'test':
      return atom.kind === 'test' && target.tests.includes(atom.test)
    case 'act':
      return atom.kind === 'act' && target.acts.includes(atom.act)
    case 'stress':
      return atom.kind === 'stress' && target.stresses.includes(atom.stress)
    case 'nerve':
      return (
        atom.kind === 'nerve' &&
        target.nerves.includes(atom.nerve) &&
        target.techniques.includes(atom.technique)
      )
    case 'technique':
      return atom.kind === 'technique' && target.techniques.includes(atom.technique)
  }
}

export function ruleSpeaksOf(rule: Rule, atom: Atom): boolean {
  return rule.targets.some((target) => speaksOf(target, atom))
}

/** Whether a ban speaks about an atom: one on the fist bars the straight fist as well (vocabulary 5.5.7). */
export function ruleBars(rule: Rule, atom: Atom): boolean {
  if (ruleSpeaksOf(rule, atom)) return true
  return (
    atom.kind === 'combo' && atom.combo === 'straight_fist' && ruleSpeaksOf(rule, { ...atom, combo: 'fist' })
  )
}

/** One way in which an exercise as written is not what a permission covers. */
export type Misfit =
  | { readonly name: 'orthosis'; readonly inside: readonly words.Orthosis[] }
  | { readonly name: 'arc'; readonly axis: words.Axis; readonly limit: words.Arc }
  | { readonly name: 'posture'; readonly axis: words.Axis; readonly limit: words.Arc }
  | { readonly name: 'resistance'; readonly upTo: words.ResistanceClass }
  | { readonly name: 'weight'; readonly upToKg: number }

/**
 * What of the exercise's form a permission does not cover: orthosis, arc, posture, resistance, weight. What the
 * exercise leaves unstated is its full range, or unrestricted, and so is not covered by a limit.
 */
export function misfitsOf(rule: Rule, atom: Atom, signature: Signature): Misfit[] {
  const misfits: Misfit[] = []
  if (rule.inOrthosis && !rule.inOrthosis.includes(signature.orthosis))
    misfits.push({ name: 'orthosis', inside: rule.inOrthosis })
  if (rule.arc) {
    // A composite moves several joints: where its arc is limited, it does not say how far each goes.
    for (const [axis, limit] of limitsOn(rule.arc, atom)) {
      const arc = atom.kind === 'motion' ? atom.arc : null
      if (!words.isWithin(arc, limit)) misfits.push({ name: 'arc', axis, limit })
    }
  }
  for (const [axis, limit] of words.arcEntries(rule.posture)) {
    if (!words.isWithin(signature.posture?.[axis] ?? null, limit))
      misfits.push({ name: 'posture', axis, limit })
  }
  const res = resistanceOfAtom(atom)
  if (rule.res !== null && res !== null && res > rule.res)
    misfits.push({ name: 'resistance', upTo: rule.res })
  if (atom.kind === 'kg' && atom.kg > kgOf(rule)) misfits.push({ name: 'weight', upToKg: kgOf(rule) })
  return misfits
}

function limitsOn(arcs: words.Arcs, atom: Atom): [words.Axis, words.Arc][] {
  if (atom.kind === 'combo') return words.arcEntries(arcs)
  if (atom.kind !== 'motion') return []
  const axis = words.axisOfMotion(atom.motion)
  const limit = axis ? arcs[axis] : undefined
  return axis && limit ? [[axis, limit]] : []
}

/** The resistance of an atom that has one; other atoms have none to compare. */
export function resistanceOfAtom(atom: Atom): words.ResistanceClass | null {
  if (atom.kind === 'grip') return atom.res
  if (atom.kind !== 'motion' && atom.kind !== 'combo') return null
  return atom.mode === 'I' || atom.mode === 'R' ? atom.res : null
}

/** The most a rule lets be lifted; 0 for a rule that names no weight. */
export function kgOf(rule: Rule): number {
  return Math.max(0, ...rule.targets.map((target) => (target.kind === 'kg' ? target.kg : 0)))
}

/**
 * Whether a forbid or never rule speaks of an atom, given how the exercise is done. Whatever the exercise leaves
 * unstated counts as what the rule bars.
 */
export function closes(
  rule: Rule,
  atom: Atom,
  signature: Signature,
  states: readonly words.State[],
  day: number,
): boolean {
  if (rule.from > 0 && day < rule.from) return false
  if (rule.until !== null && day >= rule.until) return false
  if (!ruleBars(rule, atom)) return false
  if (rule.when && !rule.when.some((live) => states.includes(live))) return false
  if (rule.by && signature.by !== null && !rule.by.includes(signature.by)) return false
  if (rule.technique && !rule.technique.some((technique) => signature.technique.includes(technique)))
    return false
  if (rule.outOf && rule.outOf.includes(signature.orthosis)) return false
  const res = resistanceOfAtom(atom)
  if (rule.res !== null && res !== null && res < rule.res) return false
  if (atom.kind === 'kg' && atom.kg < kgOf(rule)) return false
  if (rule.beyond && atom.kind === 'motion') {
    const axis = words.axisOfMotion(atom.motion)
    const limit = axis ? rule.beyond[axis] : undefined
    // A joint the rule sets no limit for cannot go beyond one.
    if (!limit || words.isWithin(atom.arc, limit)) return false
  }
  for (const [axis, range] of words.arcEntries(rule.posture)) {
    const posture = signature.posture?.[axis]
    if (posture && (posture[1] < range[0] || posture[0] > range[1])) return false
  }
  return true
}

/** Whether an order in force on a day speaks of an atom. A ban at a class of resistance bars every higher class. */
export function orderCovers(order: Order, atom: Atom, signature: Signature, day: number): boolean {
  if (order.fromDay !== null && day < order.fromDay) return false
  if (order.untilDay !== null && day >= order.untilDay) return false
  const { rule } = order
  if (order.effect === 'allow')
    return ruleSpeaksOf(rule, atom) && misfitsOf(rule, atom, signature).length === 0
  if (!ruleBars(rule, atom)) return false
  const res = resistanceOfAtom(atom)
  if (rule.res !== null && res !== null) return res >= rule.res
  if (atom.kind === 'kg') return atom.kg >= kgOf(rule)
  return true
}

/**
 * The fingers or the thumb whose joints an atom moves: those the exercise is done with, else every finger. A joint of the thumb is
 * the thumb's, and so is a composite of an exercise that moves the thumb alone. Empty for what is no matter of digits.
 */
function digitsMoved(atom: Atom, signature: Signature): readonly words.Digit[] {
  const moved = signature.digits ?? ['index', 'middle', 'ring', 'little']
  if (atom.kind === 'motion' || atom.kind === 'hold') {
    if (words.isThumbMotion(atom.motion)) return ['thumb']
    return /^(cmc|mcp|pip|dip)\./.test(atom.motion) ? moved : []
  }
  if (atom.kind !== 'combo' || !words.FINGER_COMBOS.includes(atom.combo)) return []
  if (signature.digits !== null) return moved
  const motions = signature.motions.flatMap((part) => part.motions)
  const movesThumb = motions.some(words.isThumbMotion)
  const movesFingers = motions.some((motion) => /^(cmc|mcp|pip|dip)\./.test(motion))
  if (!movesThumb) return moved
  // One joint held for another may be the thumb's; a fist is not.
  if (!movesFingers) return ['thumb']
  return atom.combo === 'blocked' ? ['thumb', ...moved] : moved
}

/** States in which the whole hand is one: no finger counts as another one (vocabulary 5.5.5). */
const STATES_OF_THE_HAND: readonly words.State[] = ['state.crps', 'state.flare']

/** Whether digits are other ones than the injured: never where the whole hand is guarded or is one. */
export function areOtherDigits(digits: readonly words.Digit[], state: CaseOnDay): boolean {
  if (state.digits.length === 0 || state.protocol.guardsAllDigits) return false
  if (STATES_OF_THE_HAND.some((one) => state.states.includes(one))) return false
  return !digits.some((digit) => state.digits.includes(digit))
}

/**
 * Whether an atom is about finger joints of a hand's uninjured fingers, which this protocol does not guard. The thumb is never
 * another finger.
 */
export function isOnOtherFingers(atom: Atom, signature: Signature, state: CaseOnDay): boolean {
  if ((atom.kind === 'motion' || atom.kind === 'hold') && words.isThumbMotion(atom.motion)) return false
  const moved = digitsMoved(atom, signature)
  if (moved.length === 0) return false
  const isBlocked = atom.kind === 'combo' && atom.combo === 'blocked'
  if (atom.kind === 'combo' && moved.includes('thumb') && (moved.length === 1 || isBlocked)) return false
  return areOtherDigits(moved, state)
}

/** Whether an atom moves or holds a joint of a digit that is injured, whatever the protocol guards (vocabulary 5.5.4). */
export function isOfInjuredDigit(atom: Atom, signature: Signature, state: CaseOnDay): boolean {
  if (atom.kind !== 'motion' && atom.kind !== 'hold') return false
  const isThumb = words.isThumbMotion(atom.motion)
  if (!isThumb && !words.isFingerMotion(atom.motion)) return false
  return digitsMoved(atom, signature).some(
    (digit) => (digit === 'thumb') === isThumb && state.digits.includes(digit),
  )
}
