import { LOAD_BASE, OWN_PAIN_CRITERIA, type Criterion } from '../vocabulary/criterion.js'
import type { FactBook } from '../protocol/facts.js'
import type { PhaseStanding } from '../protocol/phaseOn.js'
import type { Phase, Protocol, Rule } from '../protocol/protocol.js'
import * as words from '../vocabulary/vocabulary.js'
import { isLoading, type Atom, type MotionAtom } from './atoms.js'
import type { CaseOnDay } from './caseOnDay.js'
import {
  closes,
  isOnGuardedDigit,
  isOnOtherFingers,
  kgOf,
  misfitsOf,
  orderCovers,
  type Misfit,
} from './matching.js'
import type { Order } from '../protocol/order.js'
import { rulesOnAtom } from './rulesOnAtom.js'
import type { Signature } from '../exercise/signature.js'
import { distinctCriteria, type VerdictKind } from './verdict.js'

/** What decided where no rule speaks (vocabulary 5.2.8). */
export type DefaultName =
  | 'unopened'
  | 'freeInLastPhase'
  | 'hyperextensionInLastPhase'
  | 'outside'
  | 'outsideWithCare'
  | 'compositeByJoints'
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
  if (forbidding) return judged('not-yet', { name: 'forbiddenByOrder', order: forbidding })
  if (never) {
    const otherwise = judged('never', { name: 'barred', rule: never })
    return judged('with-care', { name: 'allowedByOrder', order: lifting!, otherwise })
  }
  const byProtocol = rulesApply
    ? judgeByProtocol(atom, signature, state, standing, facts, elsewhere)
    : judgeByDefault(atom, signature, state, standing, facts, true, false)
  if (allowing && byProtocol.kind !== 'clear')
    return judged('with-care', { name: 'allowedByOrder', order: allowing, otherwise: byProtocol })
  return byProtocol
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
      !elsewhere &&
      !phase.alwaysIn.includes(signature.orthosis) &&
      isOnGuardedDigit(atom, protocol)
    )
      return judged('not-yet', { name: 'alwaysIn', phase, inside: phase.alwaysIn })
    const forbid = rules.forbid[index]!.find((rule) =>
      closes(rule, atom, signature, state.states, effectiveDay),
    )
    if (forbid) return judged('not-yet', { name: 'barred', rule: forbid })
  }

  let open: Rule | null = null
  let held: { rule: Rule; missing: readonly Criterion[]; isWaitedFor: boolean } | null = null
  const misfitting: Rule[] = []
  let opensLater = false
  for (const { rule, phaseIndex } of rules.permissions) {
    const isGate = rule.kind === 'gate'
    // A phase the case still waits for opens nothing, but what its rules ask for holds already.
    const isWaitedFor = phaseIndex > standing.index
    if (isWaitedFor && !isGate && !isInForce(standing, protocol, phaseIndex)) continue
    if (effectiveDay < rule.from) opensLater = true
    if (effectiveDay < rule.from || (rule.until !== null && effectiveDay >= rule.until)) continue
    if (misfitsOf(rule, atom, signature).length > 0) {
      const isOfEarlierPhase = rule.kind !== 'gate' && phaseIndex < standing.index
      if (!isAdviceOnForm(atom, state.protocol, elsewhere, isOfEarlierPhase)) misfitting.push(rule)
      continue
    }
    const entries = isGate ? entriesUpTo(phaseIndex, protocol, standing) : []
    const missing = distinctCriteria(missingOf([...entries, ...neededBy(rule, atom)], facts))
    if (missing.length > 0 || (isGate && isWaitedFor)) {
      const isNearer = held && isWaitedFor === held.isWaitedFor && missing.length < held.missing.length
      if (!held || isNearer || (held.isWaitedFor && !isWaitedFor)) held = { rule, missing, isWaitedFor }
    } else if (!isWaitedFor && (!open || (isCautious(open) && !isCautious(rule)))) open = rule
  }
  if (open)
    return isCautious(open)
      ? judged('with-care', { name: 'openWithCare', rule: open })
      : judged('clear', { name: 'open', rule: open })
  if (held) return judged('not-yet', { name: 'held', rule: held.rule, missing: held.missing })
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
  return judgeByDefault(atom, signature, state, standing, facts, elsewhere, opensLater)
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
  protocol: Protocol,
  elsewhere: boolean,
  isOfEarlierPhase: boolean,
): boolean {
  return (
    atom.kind === 'motion' &&
    !words.LOADING_MODES.includes(atom.mode) &&
    !isGuarded(atom, protocol, elsewhere) &&
    (isOfEarlierPhase || !words.HEALING_ANCHORS.includes(protocol.anchor))
  )
}

function isGuarded(atom: MotionAtom, protocol: Protocol, elsewhere: boolean): boolean {
  const loads = atom.mode === 'I' || atom.mode === 'R'
  return (
    (!elsewhere && protocol.guard.has(atom.motion)) || (loads && protocol.strengthMotions.has(atom.motion))
  )
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
  if (byDefault.kind === 'not-yet' || !isLoading(atom)) return byDefault
  const missing = missingOf([LOAD_BASE.pain, LOAD_BASE.edema], facts)
  return missing.length > 0
    ? { atom, kind: 'not-yet', because: { name: 'heldByLoadBase', missing } }
    : byDefault
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
      if (isGuarded(atom, protocol, elsewhere)) {
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
      if (words.COMBOS_WITH_CARE.includes(atom.combo)) return by('with-care', 'notAddressed')
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
      return isLast && !isMentioned(atom, protocol.gates)
        ? by('with-care', 'notAddressed')
        : by('not-yet', 'unopened')
    case 'grip':
    case 'kg':
      return by('not-yet', 'unopened')
  }
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
