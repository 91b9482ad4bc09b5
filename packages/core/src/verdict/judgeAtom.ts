import { LOAD_BASE, OWN_PAIN_CRITERIA, type Criterion } from '../vocabulary/criterion.js'
import type { FactBook } from '../protocol/facts.js'
import type { PhaseStanding } from '../protocol/phaseOn.js'
import type { Phase, Protocol, Rule } from '../protocol/protocol.js'
import * as words from '../vocabulary/vocabulary.js'
import { isLoading, type Atom, type MotionAtom } from './atoms.js'
import type { CaseOnDay } from './caseOnDay.js'
import {
  closes,
  isOfInjuredDigit,
  isOnOtherFingers,
  kgOf,
  misfitsOf,
  orderCovers,
  type Misfit,
} from './matching.js'
import type { Order } from '../protocol/order.js'
import { phaseOfGate, rulesOnAtom } from './rulesOnAtom.js'
import type { Signature } from '../exercise/signature.js'
import { distinctCriteria, isWorse, type VerdictKind } from './verdict.js'
import { standsFor } from '../vocabulary/orthosisHolds.js'

/** What decided where no rule speaks (vocabulary 5.2.8). */
export type DefaultName =
  | 'unopened'
  | 'freeInLastPhase'
  | 'hyperextensionInLastPhase'
  | 'outside'
  | 'heldOutside'
  | 'outsideWithCare'
  | 'compositeByJoints'
  | 'compositeWithCare'
  | 'notGuarded'
  | 'notAddressed'
  | 'techniqueByMotions'
  | 'techniqueAlone'

/** What a judgement rests on; the words for it are made by `explainJudgement`. */
export type Because =
  | { readonly name: 'barred'; readonly rule: Rule }
  | { readonly name: 'open'; readonly rule: Rule }
  | { readonly name: 'openWithCare'; readonly rule: Rule }
  | { readonly name: 'held'; readonly rule: Rule; readonly missing: readonly Criterion[] }
  | { readonly name: 'heldByLoadBase'; readonly missing: readonly Criterion[] }
  | { readonly name: 'asWritten'; readonly rule: Rule; readonly form: readonly Misfit[] | null }
  | { readonly name: 'alwaysIn'; readonly phase: Phase; readonly inside: readonly words.Orthosis[] }
  | { readonly name: 'forbiddenByOrder'; readonly order: Order }
  | { readonly name: 'allowedByOrder'; readonly order: Order; readonly otherwise: AtomJudgement }
  | { readonly name: 'default'; readonly which: DefaultName }

export interface AtomJudgement {
  readonly atom: Atom
  readonly kind: VerdictKind
  readonly because: Because
}

/** Whether a rule or an order decided; a default yields to the catalogue's own clock. */
export function restsOnRule(judgement: AtomJudgement): boolean {
  const { because } = judgement
  if (because.name === 'heldByLoadBase') return false
  return (
    because.name !== 'default' ||
    because.which === 'compositeByJoints' ||
    because.which === 'compositeWithCare' ||
    because.which === 'heldOutside' ||
    because.which === 'techniqueByMotions'
  )
}

/**
 * The verdict of one atom in one case, in the order of the vocabulary (5.2, steps 3 to 8): never rules, a surgeon's
 * forbid, then always-in orthosis, forbids of the current phase, permissions of this and earlier phases and gates, and
 * the default; a surgeon's allow makes what the protocol does not open "with care".
 *
 * @param facts - the case's facts as its live states leave them
 */
export function judgeAtom(
  atom: Atom,
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
  facts: FactBook,
): AtomJudgement {
  if (atom.kind === 'hold') return judgeHold(atom, signature, state, standing, facts)
  const judged = (kind: VerdictKind, because: Because): AtomJudgement => ({ atom, kind, because })
  const elsewhere = isOnOtherFingers(atom, signature, state)
  const rulesApply = !elsewhere || (atom.kind === 'motion' && (atom.mode === 'I' || atom.mode === 'R'))
  const allowing = state.orders.find(
    (order) => order.effect === 'allow' && orderCovers(order, atom, signature, state.day),
  )
  const never = rulesApply
    ? rulesOnAtom(state.protocol, atom).never.find((rule) =>
        closes(rule, atom, signature, state.states, standing.effectiveDay),
      )
    : undefined
  const lifting = never
    ? state.orders.find(
        (order) =>
          order.effect === 'allow' &&
          order.lifts === never.id &&
          order.document !== null &&
          orderCovers(order, atom, signature, state.day),
      )
    : undefined
  if (never && !lifting) return judged('never', { name: 'barred', rule: never })
  const forbidding = state.orders.find(
    (order) => order.effect === 'forbid' && orderCovers(order, atom, signature, state.day),
  )
  const forbidden = forbidding && judged('not-yet', { name: 'forbiddenByOrder', order: forbidding })
  if (never) {
    const otherwise = judged('never', { name: 'barred', rule: never })
    return forbidden ?? judged('with-care', { name: 'allowedByOrder', order: lifting!, otherwise })
  }
  const byProtocol = rulesApply
    ? judgeByProtocol(atom, signature, state, standing, facts, elsewhere)
    : judgeByDefault(atom, signature, state, standing, facts, true, false)
  // What the muscle or the other hand may never do, both together may not, whatever an order says of it.
  if (byProtocol.kind === 'never') return byProtocol
  if (forbidden) return forbidden
  if (allowing && byProtocol.kind !== 'clear')
    return judged('with-care', { name: 'allowedByOrder', order: allowing, otherwise: byProtocol })
  return byProtocol
}

/** Modes in which a joint may have come to where it is kept. */
const MODES_OF_BEING_THERE: readonly words.Mode[] = ['A', 'P', 'AA', 'PH']

/** A joint kept still outside its resting range: one way of being there must be open (vocabulary 5.5.6). */
function judgeHold(
  atom: Extract<Atom, { kind: 'hold' }>,
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
  facts: FactBook,
): AtomJudgement {
  const elsewhere = isOnOtherFingers(atom, signature, state)
  if (!isGuardedJoint(atom, signature, state, elsewhere))
    return { atom, kind: 'clear', because: { name: 'default', which: 'heldOutside' } }
  return MODES_OF_BEING_THERE.map((mode) => {
    const being: Atom = { kind: 'motion', mode, motion: atom.motion, arc: atom.arc, res: 0 }
    return { ...judgeAtom(being, signature, state, standing, facts), atom }
  }).reduce((best, one) => (isWorse(best.kind, one.kind) || isNearer(one, best) ? one : best))
}

/** Of two ways that are both closed, the one that waits for a record only: what it waits for is what is asked. */
function isNearer(one: AtomJudgement, than: AtomJudgement): boolean {
  const waits = ({ because: { name } }: AtomJudgement) => name === 'held' || name === 'heldByLoadBase'
  return one.kind === than.kind && waits(one) && !waits(than)
}

function judgeByProtocol(
  atom: Atom,
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
  facts: FactBook,
  elsewhere: boolean,
): AtomJudgement {
  const judged = (kind: VerdictKind, because: Because): AtomJudgement => ({ atom, kind, because })
  const { protocol } = state
  const { effectiveDay } = standing
  const rules = rulesOnAtom(protocol, atom)
  for (const [index, phase] of protocol.phases.entries()) {
    if (!isInForce(standing, protocol, index)) continue
    if (
      phase.alwaysIn &&
      atom.kind === 'motion' &&
      (words.isFingerMotion(atom.motion) || words.isThumbMotion(atom.motion)) &&
      !isInside(phase, phase.alwaysIn, atom, signature, state, standing)
    )
      return judged('not-yet', { name: 'alwaysIn', phase, inside: phase.alwaysIn })
    const forbid = rules.forbid[index]!.find((rule) =>
      closes(rule, atom, signature, state.states, effectiveDay),
    )
    if (forbid) return judged('not-yet', { name: 'barred', rule: forbid })
  }

  let open: Rule | null = null
  let held: { rule: Rule; missing: readonly Criterion[]; isWaitedFor: boolean } | null = null
  let heldThroughGrip: AtomJudgement | null = null
  const misfitting: Rule[] = []
  let opensLater = false
  for (const { rule, phaseIndex, throughGrips } of rules.permissions) {
    if (throughGrips && !signature.grips.some(({ grip }) => throughGrips.includes(grip))) continue
    const isGate = rule.kind === 'gate'
    // A phase the case still waits for opens nothing, but what its rules ask for holds already.
    const isWaitedFor = phaseIndex > standing.index
    if (isWaitedFor && !isGate && !isInForce(standing, protocol, phaseIndex)) continue
    if (effectiveDay < rule.from) opensLater = true
    if (effectiveDay < rule.from || (rule.until !== null && effectiveDay >= rule.until)) continue
    if (misfitsOf(rule, atom, signature).length > 0) {
      // What a grip brings along only ever opens: its limit speaks of the grip.
      if (throughGrips) continue
      const isOfEarlierPhase = rule.kind !== 'gate' && phaseIndex < standing.index
      if (!isAdviceOnForm(atom, signature, state, elsewhere, isOfEarlierPhase)) misfitting.push(rule)
      continue
    }
    const entries = isGate ? entriesUpTo(phaseIndex, protocol, standing) : []
    const missing = distinctCriteria(missingOf([...entries, ...neededBy(rule, atom)], facts))
    if (throughGrips && (missing.length > 0 || isWaitedFor)) {
      heldThroughGrip ??= judged('not-yet', { name: 'held', rule, missing })
    } else if (missing.length > 0 || (isGate && isWaitedFor)) {
      const isNearer = held && isWaitedFor === held.isWaitedFor && missing.length < held.missing.length
      if (!held || isNearer || (held.isWaitedFor && !isWaitedFor)) held = { rule, missing, isWaitedFor }
    } else if (!isWaitedFor && (!open || (isCautious(open) && !isCautious(rule)))) open = rule
  }
  if (open)
    return isCautious(open)
      ? judged('with-care', { name: 'openWithCare', rule: open })
      : judged('clear', { name: 'open', rule: open })
  if (held) return judged('not-yet', { name: 'held', rule: held.rule, missing: held.missing })
  if (heldThroughGrip && misfitting.length > 0) return heldThroughGrip
  if (misfitting.length > 0) {
    // The form offered must itself be open today: of the rules whose needs are met, the one that allows most.
    const offered = misfitting
      .filter((rule) => neededBy(rule, atom).every((criterion) => facts.status(criterion).name === 'met'))
      .sort((a, b) => (b.res ?? 5) - (a.res ?? 5) || kgOf(b) - kgOf(a))[0]
    return judged('not-yet', {
      name: 'asWritten',
      rule: offered ?? misfitting.at(-1)!,
      form: offered ? misfitsOf(offered, atom, signature) : null,
    })
  }
  const byDefault = judgeByDefault(atom, signature, state, standing, facts, elsewhere, opensLater)
  return byDefault.kind === 'not-yet' ? (heldThroughGrip ?? byDefault) : byDefault
}

/**
 * Whether an exercise is done in the orthosis that a phase keeps on always: in that one, in another that holds as much, or in one
 * a rule of an opened phase names for this motion. Where it comes off for exercise, a rule that asks for none counts as well; a
 * default never does (vocabulary 5.5.3).
 */
function isInside(
  phase: Phase,
  alwaysIn: readonly words.Orthosis[],
  atom: MotionAtom,
  signature: Signature,
  { protocol }: CaseOnDay,
  { index, effectiveDay }: PhaseStanding,
): boolean {
  if (alwaysIn.some((own) => standsFor(signature.orthosis, own))) return true
  const comesOff = phase.wear.some(
    ({ orthosis, offFor }) => alwaysIn.includes(orthosis) && offFor.includes('exercise'),
  )
  return rulesOnAtom(protocol, atom).permissions.some(
    ({ rule, phaseIndex, throughGrips }) =>
      throughGrips === null &&
      phaseIndex <= index &&
      rule.from <= effectiveDay &&
      (rule.until === null || effectiveDay < rule.until) &&
      (rule.inOrthosis ? rule.inOrthosis.includes(signature.orthosis) : comesOff) &&
      misfitsOf(rule, atom, signature).length === 0,
  )
}

/** What the phases ask for between where a case stands and one of them. */
export function entriesUpTo(phaseIndex: number, { phases }: Protocol, { index }: PhaseStanding): Criterion[] {
  return phases.slice(index + 1, phaseIndex + 1).flatMap(({ entry }) => entry)
}

function missingOf(criteria: readonly Criterion[], facts: FactBook): Criterion[] {
  return criteria.filter((criterion) => facts.status(criterion).name !== 'met')
}

/**
 * Whether a phase's bans hold: those of the current one and, for a case that is held, of those whose day has come as well.
 * Otherwise a case held in a quiet early phase would escape the bans of the phase it waits for.
 */
function isInForce(standing: PhaseStanding, protocol: Protocol, index: number): boolean {
  const first = Math.max(0, standing.index)
  return index === first || (index > first && protocol.phases[index]!.days[0] <= standing.effectiveDay)
}

/**
 * Whether the form a rule names for a free motion is advice only. Where nothing was injured or operated it always is;
 * after an injury or operation the form binds as long as its own phase lasts.
 */
function isAdviceOnForm(
  atom: Atom,
  signature: Signature,
  state: CaseOnDay,
  elsewhere: boolean,
  isOfEarlierPhase: boolean,
): boolean {
  return (
    atom.kind === 'motion' &&
    !words.LOADING_MODES.includes(atom.mode) &&
    !isGuarded(atom, signature, state, elsewhere) &&
    (isOfEarlierPhase || !words.HEALING_ANCHORS.includes(state.protocol.anchor))
  )
}

function isGuarded(atom: MotionAtom, signature: Signature, state: CaseOnDay, elsewhere: boolean): boolean {
  const loads = atom.mode === 'I' || atom.mode === 'R'
  return (
    isGuardedJoint(atom, signature, state, elsewhere) ||
    (loads && state.protocol.strengthMotions.has(atom.motion))
  )
}

/** Whether a protocol guards a joint: it lists the motion, or the digit is injured. */
function isGuardedJoint(
  atom: MotionAtom | Extract<Atom, { kind: 'hold' }>,
  signature: Signature,
  state: CaseOnDay,
  elsewhere: boolean,
): boolean {
  if (elsewhere) return false
  return state.protocol.guard.has(atom.motion) || isOfInjuredDigit(atom, signature, state)
}

/**
 * What holds where no rule speaks. A swollen or sore hand is held back there too: the load base counts for every default
 * that would let it be stretched or loaded.
 */
function judgeByDefault(
  atom: Atom,
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
  facts: FactBook,
  elsewhere: boolean,
  opensLater: boolean,
): AtomJudgement {
  const byDefault = defaultOf(atom, signature, state, standing, elsewhere, opensLater)
  if (atom.kind === 'motion' && (atom.mode === 'AA' || atom.mode === 'PH'))
    return noFreerThanItsParts(byDefault, atom, signature, state, standing, facts)
  if (byDefault.kind === 'not-yet' || !isLoading(atom)) return byDefault
  const missing = missingOf([LOAD_BASE.pain, LOAD_BASE.edema], facts)
  return missing.length > 0
    ? { atom, kind: 'not-yet', because: { name: 'heldByLoadBase', missing } }
    : byDefault
}

/** Helped and placed movement is moved by hand and by muscle: by default never freer than either (vocabulary 5.5.2). */
function noFreerThanItsParts(
  byDefault: AtomJudgement,
  atom: MotionAtom,
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
  facts: FactBook,
): AtomJudgement {
  const parts = (['A', 'P'] as const).map((mode) => ({
    ...judgeAtom({ ...atom, mode }, signature, state, standing, facts),
    atom,
  }))
  return parts.reduce((worst, one) => (isWorse(one.kind, worst.kind) ? one : worst), byDefault)
}

/** Section 5.2.8. Unknown at the injured part is "not yet". */
function defaultOf(
  atom: Atom,
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
  elsewhere: boolean,
  opensLater: boolean,
): AtomJudgement {
  const { protocol } = state
  const by = (kind: VerdictKind, which: DefaultName): AtomJudgement => ({
    atom,
    kind,
    because: { name: 'default', which },
  })
  // The only phase of a protocol is not a last one: it goes on protecting.
  const isLast = protocol.phases.length > 1 && standing.index === protocol.phases.length - 1
  switch (atom.kind) {
    case 'motion': {
      if (isGuarded(atom, signature, state, elsewhere)) {
        const moves = !words.LOADING_MODES.includes(atom.mode)
        // A rule that opens it on a later day speaks about it: the default does not run ahead of the rule.
        if (!isLast || !moves || opensLater) return by('not-yet', 'unopened')
        // Hyperextension is a direction of its own: nothing opens it unnamed.
        return atom.motion.endsWith('.hyperext')
          ? by('with-care', 'hyperextensionInLastPhase')
          : by('clear', 'freeInLastPhase')
      }
      const isHealing = words.HEALING_ANCHORS.includes(protocol.anchor)
      const loads = atom.mode === 'I' || atom.mode === 'R'
      const needsCare = loads || (atom.mode === 'S' && isHealing)
      return needsCare && !isLast ? by('with-care', 'outsideWithCare') : by('clear', 'outside')
    }
    case 'combo':
      if (!elsewhere && protocol.guardCombos.includes(atom.combo)) return by('not-yet', 'unopened')
      if (words.COMBOS_WITH_CARE.includes(atom.combo)) return by('with-care', 'compositeWithCare')
      return by('clear', 'compositeByJoints')
    case 'stress':
      return protocol.guardStress.includes(atom.stress)
        ? by('not-yet', 'unopened')
        : by('clear', 'notGuarded')
    case 'nerve': {
      const isGuarded =
        protocol.guardNerve.length > 0 ||
        protocol.gates.some((gate) => gate.targets.some((target) => target.kind === 'nerve'))
      if (isGuarded) return by('not-yet', 'unopened')
      return atom.technique === 'tensioner' ? by('with-care', 'notAddressed') : by('clear', 'notGuarded')
    }
    case 'technique':
      return signature.motions.length + signature.combos.length + signature.stress.length > 0
        ? by('clear', 'techniqueByMotions')
        : by('with-care', 'techniqueAlone')
    case 'test':
    case 'act':
      return isLast && !isMentioned(atom, protocol.gates) && isBornAlready(atom, protocol, standing)
        ? by('with-care', 'notAddressed')
        : by('not-yet', 'unopened')
    case 'hold':
      return by('not-yet', 'unopened')
    case 'grip':
    case 'kg':
      return by('not-yet', 'unopened')
  }
}

/** Activities that ask as much of the hand as a heavy load. */
const HEAVY_ACTS: readonly words.Act[] = ['torque', 'wb', 'vibration']
const HEAVY_FROM: { readonly res: words.ResistanceClass; readonly kg: number } = { res: 4, kg: 5 }

/**
 * Whether a protocol already lets the hand bear as much as an activity asks that no gate names: weight, twisting and vibration wait
 * for the first gate of a heavy load, or for the last gate where none is heavy (vocabulary 5.5.11).
 */
function isBornAlready(atom: Atom, protocol: Protocol, { index, effectiveDay }: PhaseStanding): boolean {
  if (atom.kind !== 'act' || !HEAVY_ACTS.includes(atom.act)) return true
  const gates = [...protocol.gates].sort((a, b) => a.from - b.from)
  const heavy = gates.find((gate) => (gate.res ?? 0) >= HEAVY_FROM.res || kgOf(gate) >= HEAVY_FROM.kg)
  const gate = heavy ?? gates.at(-1)
  if (!gate) return true
  return effectiveDay >= gate.from && phaseOfGate(gate, atom, protocol) <= index
}

function isMentioned(atom: Atom, gates: readonly Rule[]): boolean {
  return gates.some((gate) =>
    gate.targets.some(
      (target) =>
        (target.kind === 'test' && atom.kind === 'test' && target.tests.includes(atom.test)) ||
        (target.kind === 'act' && atom.kind === 'act' && target.acts.includes(atom.act)),
    ),
  )
}

function isCautious(rule: Rule): boolean {
  return rule.kind === 'caution' || rule.asCaution
}

/** A rule's own needs and the load base, where it applies. */
export function neededBy(rule: Rule, atom: Atom): readonly Criterion[] {
  if (!isLoading(atom)) return rule.needs
  const ownPain = rule.needs.some((criterion) => OWN_PAIN_CRITERIA.includes(criterion.name))
  const base = ownPain ? [LOAD_BASE.edema] : [LOAD_BASE.pain, LOAD_BASE.edema]
  return [
    ...rule.needs,
    ...base.filter((criterion) => !rule.needs.some((need) => need.text === criterion.text)),
  ]
}
