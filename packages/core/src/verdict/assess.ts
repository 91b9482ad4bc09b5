import { LOAD_BASE, OWN_PAIN_CRITERIA, criterionMeaning, type Criterion } from '../protocol/criterion.js'
import type { FactBook } from '../protocol/facts.js'
import { phaseOn, type PhaseStanding } from '../protocol/phaseOn.js'
import type { Phase, Protocol, Rule, Target } from '../protocol/protocol.js'
import * as words from '../protocol/vocabulary.js'
import { atomText, atomWords, atomsOf, isLoading, type Atom } from './atoms.js'
import type { Order } from './order.js'
import type { Signature } from './signature.js'
import { worseKind, type Reason, type Verdict, type VerdictKind } from './verdict.js'

/** A protocol bound to a patient on one day: all that a verdict depends on besides the exercise. */
export interface CaseOnDay {
  readonly protocol: Protocol
  /** Days since the anchor; negative while it lies ahead. */
  readonly day: number
  readonly facts: FactBook
  readonly states: readonly words.State[]
  readonly orders: readonly Order[]
  /** A red flag nobody has lifted: everything stops. */
  readonly redLock: boolean
  /** `null` when the caller keeps no reviews. */
  readonly daysSinceReview: number | null
}

/** How far ahead an opening day is looked for. */
const SEARCH_DAYS = 400

/**
 * The verdict of an exercise for a case on a day, by the evaluation order of the vocabulary (5.2): red-flag lock,
 * surgeon's orders, never, always-in orthosis, forbid of the current phase, permissions of the current and earlier
 * phases and gates, defaults. The worst of the exercise's atoms counts. A criterion that nobody recorded is not met.
 *
 * An exercise without atoms (elevation, massage) is clear by default once the protocol has started; the phase's
 * always-worn orthosis, the catalogue's clock and contraindications are judged by `assessExercise`.
 */
export function assess(signature: Signature, state: CaseOnDay): Verdict {
  const standing = phaseOn(state.protocol, state.day, state.facts, state.daysSinceReview)
  const atoms = atomsOf(signature)
  const gone = globallyNever(signature)
  if (gone) return { ...nothing('never'), reasons: [gone] }
  const judged = atoms.map((atom) => ({ atom, ...judgeAtom(atom, signature, state, standing) }))
  const gate = entryGate(state, standing)
  if (gate && !judged.some((one) => one.kind === 'never')) {
    const earliest = state.redLock ? null : earliestDay(atoms, signature, state)
    return {
      ...nothing('not-yet'),
      fromDay: earliest,
      missing:
        state.redLock || earliest === null ? [] : missingAt(earliest, atoms, signature, state, standing),
      reasons: [gate],
    }
  }
  if (judged.length === 0) {
    const text = 'Moves and loads no joint: no rule of the protocol speaks about it.'
    return {
      ...nothing('clear'),
      basis: 'default',
      reasons: [{ rule: 'default', atom: '', subject: '', text, source: 'vocabulary 5.2.12' }],
    }
  }
  const kind = judged.reduce<VerdictKind>((worst, one) => worseKind(worst, one.kind), 'clear')
  const deciding = judged.filter((one) => one.kind === kind)
  const fromDay = kind === 'not-yet' ? earliestDay(atoms, signature, state) : null
  const missing = kind === 'not-yet' ? missingAt(fromDay ?? state.day, atoms, signature, state, standing) : []
  const forms = deciding.map((one) => one.form).filter((form) => form !== null)
  return {
    kind,
    fromDay,
    missing,
    form:
      kind === 'not-yet' && deciding.every((one) => one.form !== null)
        ? [...new Set(forms)].join('; ')
        : null,
    conditions: kind === 'with-care' ? [...new Set(deciding.flatMap((one) => one.conditions))] : [],
    reasons: distinct(telling(deciding).map((one) => one.reason)),
    basis: judged.every((one) => one.basis === 'rule') ? 'rule' : 'default',
  }
}

/** First day on which the windows alone would let an exercise begin, were every criterion met; `null`: never by time. */
export function openingDay(signature: Signature, state: CaseOnDay): number | null {
  return earliestDay(atomsOf(signature), signature, { ...state, day: Math.min(state.day, 0) })
}

interface Judgement {
  readonly kind: VerdictKind
  readonly basis: 'rule' | 'default'
  readonly reason: Reason
  readonly form: string | null
  readonly conditions: readonly string[]
  readonly missing: readonly Criterion[]
}

function nothing(kind: VerdictKind): Verdict {
  return { kind, fromDay: null, missing: [], form: null, conditions: [], reasons: [], basis: 'rule' }
}

const EVERYWHERE_NEVER: readonly words.Technique[] = [
  'heat_on_insensate',
  'forced_stretch',
  'to_pain',
  'wrist_finger_snap_stretch',
]
const NEVER_AT_HOME: readonly words.Technique[] = ['stress_test', 'forced_by_other']

function globallyNever(signature: Signature): Reason | null {
  const held = signature.nerve.find(({ technique }) => technique === 'sustained_hold')
  const atHome = signature.by === null || signature.by === 'self' || signature.by === 'helper'
  const technique = signature.technique.find(
    (one) => EVERYWHERE_NEVER.includes(one) || (atHome && NEVER_AT_HOME.includes(one)),
  )
  if (!held && !technique) return null
  const atom: Atom = held ? { kind: 'nerve', ...held } : { kind: 'technique', technique: technique! }
  return {
    rule: 'never.everywhere',
    atom: atomText(atom),
    subject: capital(atomWords(atom)),
    text: `${capital(atomWords(atom))} is never part of a home program.`,
    source: 'vocabulary 5.2.4, common practice',
  }
}

/** What stops everything before any rule is asked: a red-flag lock, or a protocol that has not started. */
function entryGate(state: CaseOnDay, standing: PhaseStanding): Reason | null {
  if (state.redLock) {
    return {
      rule: 'red-lock',
      atom: '',
      subject: '',
      text: 'A red flag is open: everything stops until a therapist lifts it with a recorded outcome.',
      source: 'A1, A10, common practice',
    }
  }
  if (standing.index >= 0) return null
  const missing = standing.next?.missing ?? []
  const text =
    state.day < 0
      ? 'Not started: day 0 still lies ahead.'
      : `Not started: ${missing.map((criterion) => criterionMeaning(criterion.text)).join('; ')} not recorded.`
  return { rule: 'not-started', atom: '', subject: '', text, source: 'vocabulary 2' }
}

function judgeAtom(atom: Atom, signature: Signature, state: CaseOnDay, standing: PhaseStanding): Judgement {
  const { protocol } = state
  const source = sourceText(protocol)
  const never = protocol.never.find((rule) => closes(rule, atom, signature, state, standing.effectiveDay))
  if (never) {
    return judged('never', atom, never.id, never.why!, source)
  }
  const forbidOrder = state.orders.find(
    (order) => order.effect === 'forbid' && orderCovers(order, atom, signature, state.day),
  )
  if (forbidOrder) {
    return judged('not-yet', atom, forbidOrder.id, `Surgeon's order: ${forbidOrder.why}`, "surgeon's order")
  }
  const byProtocol = judgeByProtocol(atom, signature, state, standing)
  const allowOrder = state.orders.find(
    (order) => order.effect === 'allow' && orderCovers(order, atom, signature, state.day),
  )
  if (allowOrder && byProtocol.kind !== 'clear') {
    const text = `By order (${allowOrder.why}); the protocol says: ${byProtocol.reason.text}`
    return { ...judged('with-care', atom, allowOrder.id, text, "surgeon's order"), conditions: [text] }
  }
  return byProtocol
}

function judgeByProtocol(
  atom: Atom,
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
): Judgement {
  const { protocol } = state
  const source = sourceText(protocol)
  const phase = standing.phase
  if (
    phase?.alwaysIn &&
    atom.kind === 'motion' &&
    isDigitJoint(atom.motion) &&
    protocol.guard.has(atom.motion)
  ) {
    if (!phase.alwaysIn.includes(signature.orthosis)) {
      const inside = phase.alwaysIn.map((word) => words.ORTHOSIS_NAMES[word] ?? word).join(' or ')
      return {
        ...judged(
          'not-yet',
          atom,
          `${protocol.id}.${phase.id}.always_in`,
          `In this phase only inside ${inside}.`,
          source,
        ),
        form: `today only inside ${inside}`,
      }
    }
  }
  const forbid = phase?.forbid.find((rule) => closes(rule, atom, signature, state, standing.effectiveDay))
  if (forbid) return judged('not-yet', atom, forbid.id, forbid.why!, source)

  const covering = permissions(protocol, standing.index)
    .filter(
      (rule) =>
        standing.effectiveDay >= rule.from && (rule.until === null || standing.effectiveDay < rule.until),
    )
    .filter((rule) => rule.targets.some((target) => speaksOf(target, atom)))
  const fitting = covering.filter((rule) => formMisfits(rule, atom, signature).length === 0)
  const options = fitting.map((rule) => {
    const missing = neededBy(rule, atom).filter((criterion) => state.facts.status(criterion).name !== 'met')
    return { rule, missing }
  })
  const rank = (rule: Rule) => (rule.kind === 'caution' || rule.asCaution ? 1 : 0)
  const open = options
    .filter((option) => option.missing.length === 0)
    .sort((a, b) => rank(a.rule) - rank(b.rule))[0]
  if (open) {
    if (rank(open.rule) === 1) {
      const why =
        open.rule.why ?? `${capital(atomWords(atom))} is opened with care from day ${open.rule.from}.`
      return { ...judged('with-care', atom, open.rule.id, why, source), conditions: [why] }
    }
    const opened = `${capital(atomWords(atom))} is open from day ${open.rule.from}${open.rule.kind === 'gate' ? '' : ` (${phaseName(protocol, open.rule)})`}.`
    const text = open.rule.note ? `${opened} ${open.rule.note}` : opened
    return judged('clear', atom, open.rule.id, text, source)
  }
  const held = options.sort((a, b) => a.missing.length - b.missing.length)[0]
  if (held) {
    const names = held.missing.map((criterion) => criterionMeaning(criterion.text)).join('; ')
    const text = `${capital(atomWords(atom))}: its day has come, but this is not recorded as met: ${names}.`
    return { ...judged('not-yet', atom, held.rule.id, text, source), missing: held.missing }
  }
  const misfits = covering.filter((rule) => !fitting.includes(rule))
  if (misfits.length > 0) {
    // The form offered must itself be open today: of the rules whose needs are met, the one that allows most.
    const offered = misfits
      .filter((rule) =>
        neededBy(rule, atom).every((criterion) => state.facts.status(criterion).name === 'met'),
      )
      .sort((a, b) => (b.res ?? 5) - (a.res ?? 5) || kgOf(b) - kgOf(a))[0]
    const form = offered ? `today only ${formMisfits(offered, atom, signature).join(', ')}` : null
    const text = `${capital(atomWords(atom))} as written is not open${form ? `: ${form}` : ''}.`
    return { ...judged('not-yet', atom, (offered ?? misfits.at(-1)!).id, text, source), form }
  }
  return judgeByDefault(atom, state, standing)
}

/** Section 5.2.8: what holds where no rule speaks. Unknown at the injured part is "not yet". */
function judgeByDefault(atom: Atom, state: CaseOnDay, standing: PhaseStanding): Judgement {
  const { protocol } = state
  const inLastPhase = protocol.phases.length > 1 && standing.index === protocol.phases.length - 1
  const what = capital(atomWords(atom))
  const source = 'vocabulary 5.2.8'
  const byDefault = (kind: VerdictKind, text: string): Judgement => ({
    ...judged(kind, atom, 'default', text, source),
    basis: 'default',
    conditions: kind === 'with-care' ? [text] : [],
  })
  const unopened = () => byDefault('not-yet', `${what}: no rule of the protocol has opened it yet.`)
  const unaddressed = () =>
    byDefault('with-care', `${what}: the protocol does not address it; the therapist decides.`)
  switch (atom.kind) {
    case 'motion': {
      const loads = atom.mode === 'I' || atom.mode === 'R'
      const guarded = protocol.guard.has(atom.motion) || (loads && protocol.strengthMotions.has(atom.motion))
      if (guarded) {
        const moves = ['P', 'AA', 'PH', 'A'].includes(atom.mode)
        if (inLastPhase && moves) return byDefault('clear', `${what} is free in the last phase.`)
        return unopened()
      }
      const isHealing = words.HEALING_ANCHORS.includes(protocol.anchor)
      if ((loads || (atom.mode === 'S' && isHealing)) && !inLastPhase) {
        return byDefault(
          'with-care',
          `${what}: away from the injury, but loading or stretching waits for care until the last phase.`,
        )
      }
      return byDefault('clear', `${what} lies outside the injured part: free.`)
    }
    case 'combo':
      if (protocol.guardCombos.includes(atom.combo)) return unopened()
      if (words.COMBOS_WITH_CARE.includes(atom.combo)) return unaddressed()
      // Its joints are judged one by one: an unguarded composite adds no default of its own.
      return judged(
        'clear',
        atom,
        'default',
        `${what} as such is not guarded here; its joints are judged one by one.`,
        source,
      )
    case 'stress':
      return protocol.guardStress.includes(atom.stress)
        ? unopened()
        : byDefault('clear', `${what} is not guarded here.`)
    case 'nerve': {
      if (
        protocol.guardNerve ||
        protocol.gates.some((gate) => gate.targets.some((target) => target.kind === 'nerve'))
      )
        return unopened()
      return atom.technique === 'tensioner'
        ? unaddressed()
        : byDefault('clear', `${what} is not guarded here.`)
    }
    case 'technique':
      return judged('clear', atom, 'default', `${what} is judged by the motions it comes with.`, source)
    case 'test':
    case 'act': {
      const word: string = atom.kind === 'test' ? atom.test : atom.act
      const mentioned = protocol.gates.some((gate) =>
        gate.targets.some(
          (target) =>
            (target.kind === 'test' && (target.tests as readonly string[]).includes(word)) ||
            (target.kind === 'act' && (target.acts as readonly string[]).includes(word)),
        ),
      )
      return inLastPhase && !mentioned ? unaddressed() : unopened()
    }
    case 'grip':
    case 'kg':
      return unopened()
  }
}

function judged(kind: VerdictKind, atom: Atom, rule: string, text: string, source: string): Judgement {
  return {
    kind,
    basis: 'rule',
    reason: { rule, atom: atomText(atom), subject: capital(atomWords(atom)), text, source },
    form: null,
    conditions: [],
    missing: [],
  }
}

/** Allow and caution rules of the current and all earlier phases, and the gates. */
function permissions(protocol: Protocol, phaseIndex: number): Rule[] {
  const opened = protocol.phases.slice(0, phaseIndex + 1)
  return [...opened.flatMap((phase) => [...phase.allow, ...phase.caution]), ...protocol.gates]
}

/** A rule's own needs and the load base, where it applies. */
function neededBy(rule: Rule, atom: Atom): Criterion[] {
  if (!isLoading(atom)) return [...rule.needs]
  const ownPain = rule.needs.some((criterion) => OWN_PAIN_CRITERIA.includes(criterion.name))
  const base = ownPain ? [LOAD_BASE.edema] : [LOAD_BASE.pain, LOAD_BASE.edema]
  return [
    ...rule.needs,
    ...base.filter((criterion) => !rule.needs.some((need) => need.text === criterion.text)),
  ]
}

function speaksOf(target: Target, atom: Atom): boolean {
  switch (target.kind) {
    case 'motion':
      return atom.kind === 'motion' && target.modes.includes(atom.mode) && target.motions.has(atom.motion)
    case 'combo':
      return (
        atom.kind === 'combo' &&
        target.combo === atom.combo &&
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

/** What of the exercise's form a permission does not cover, each as "inside …", "up to R2", "wrist -30 to 30°". */
function formMisfits(rule: Rule, atom: Atom, signature: Signature): string[] {
  const misfits: string[] = []
  if (rule.inOrthosis && !rule.inOrthosis.includes(signature.orthosis)) {
    misfits.push(`inside ${rule.inOrthosis.map((word) => words.ORTHOSIS_NAMES[word] ?? word).join(' or ')}`)
  }
  if (atom.kind === 'motion' && rule.arc) {
    const axis = words.axisOfMotion(atom.motion)
    const limit = axis ? rule.arc[axis] : undefined
    if (axis && limit && !isWithin(atom.arc, limit)) misfits.push(`${axis} ${limit[0]} to ${limit[1]}°`)
  }
  for (const [axis, limit] of arcEntries(rule.posture)) {
    if (!isWithin(signature.posture?.[axis] ?? null, limit))
      misfits.push(`with ${axis} at ${limit[0]} to ${limit[1]}°`)
  }
  const res = atom.kind === 'motion' || atom.kind === 'combo' || atom.kind === 'grip' ? atom.res : null
  if (rule.res !== null && res !== null && res > rule.res)
    misfits.push(`up to R${rule.res} (${words.RESISTANCE_MEANING[rule.res]})`)
  if (atom.kind === 'kg') {
    const limit = kgOf(rule)
    if (atom.kg > limit) misfits.push(`up to ${limit} kg`)
  }
  return misfits
}

function kgOf(rule: Rule): number {
  return Math.max(0, ...rule.targets.map((target) => (target.kind === 'kg' ? target.kg : 0)))
}

/** Whether a forbid or never rule speaks of an atom on a day, given how the exercise is done. */
function closes(rule: Rule, atom: Atom, signature: Signature, state: CaseOnDay, day: number): boolean {
  if (day < rule.from || (rule.until !== null && day >= rule.until)) return false
  if (!rule.targets.some((target) => speaksOf(target, atom))) return false
  if (rule.when && !rule.when.some((live) => state.states.includes(live))) return false
  if (rule.by && signature.by !== null && !rule.by.includes(signature.by)) return false
  if (rule.technique && !rule.technique.some((technique) => signature.technique.includes(technique)))
    return false
  if (rule.outOf && rule.outOf.includes(signature.orthosis)) return false
  if (
    rule.res !== null &&
    (atom.kind === 'motion' || atom.kind === 'combo' || atom.kind === 'grip') &&
    atom.res < rule.res
  )
    return false
  const kg = rule.targets.find((target) => target.kind === 'kg')
  if (atom.kind === 'kg' && kg?.kind === 'kg' && atom.kg < kg.kg) return false
  if (rule.beyond && atom.kind === 'motion') {
    const axis = words.axisOfMotion(atom.motion)
    const limit = axis ? rule.beyond[axis] : undefined
    if (limit && isWithin(atom.arc, limit)) return false
  }
  for (const [axis, range] of arcEntries(rule.posture)) {
    const posture = signature.posture?.[axis]
    if (posture && (posture[1] < range[0] || posture[0] > range[1])) return false
  }
  return true
}

function orderCovers(order: Order, atom: Atom, signature: Signature, day: number): boolean {
  if (order.fromDay !== null && day < order.fromDay) return false
  if (order.untilDay !== null && day >= order.untilDay) return false
  const { rule } = order
  if (!rule.targets.some((target) => speaksOf(target, atom))) return false
  const res = atom.kind === 'motion' || atom.kind === 'combo' || atom.kind === 'grip' ? atom.res : null
  if (order.effect === 'allow') return formMisfits(rule, atom, signature).length === 0
  // An order that forbids a class of resistance forbids every higher class, and all of it where none is named.
  if (rule.res !== null && res !== null && isLoading(atom)) return res >= rule.res
  const kg = rule.targets.find((target) => target.kind === 'kg')
  if (atom.kind === 'kg' && kg?.kind === 'kg') return atom.kg >= kg.kg
  return true
}

function isWithin(arc: words.Arc | null, limit: words.Arc): boolean {
  return arc !== null && arc[0] >= limit[0] && arc[1] <= limit[1]
}

function arcEntries(arcs: words.Arcs | null): [words.Axis, words.Arc][] {
  return arcs ? (Object.entries(arcs) as [words.Axis, words.Arc][]) : []
}

function isDigitJoint(motion: words.Motion): boolean {
  return /^(mcp|pip|dip|thumb)/.test(motion)
}

/** Supposes that every criterion is met: for days ahead, never for a verdict of today. */
export const EVERYTHING_MET: FactBook = { status: () => ({ name: 'met' }) }

/** Days on which anything can change, from a day on: starts and ends of windows, gates and orders. */
function turningDays(state: CaseOnDay): number[] {
  const { protocol, orders } = state
  const rules = [
    ...protocol.never,
    ...protocol.gates,
    ...protocol.phases.flatMap((phase) => [...phase.allow, ...phase.caution, ...phase.forbid]),
  ]
  const days = [
    0,
    ...protocol.phases.map((phase) => phase.days[0]),
    ...rules.flatMap((rule) => [rule.from, rule.until]),
    ...orders.flatMap((order) => [order.fromDay, order.untilDay]),
  ]
  const ahead = days.filter(
    (day) => day !== null && day > state.day && day <= state.day + SEARCH_DAYS,
  ) as number[]
  return [state.day, ...new Set(ahead)].sort((a, b) => a - b)
}

/** Section 5.2.9: the first day it would open, were every criterion met by then and the states as they are. */
function earliestDay(atoms: readonly Atom[], signature: Signature, state: CaseOnDay): number | null {
  for (const day of turningDays(state)) {
    const then: CaseOnDay = { ...state, day, facts: EVERYTHING_MET, daysSinceReview: null }
    const standing = phaseOn(then.protocol, day, EVERYTHING_MET)
    if (standing.index < 0) continue
    if (atoms.every((atom) => isOpen(judgeAtom(atom, signature, then, standing)))) return day
  }
  return null
}

/**
 * The shortest list of criteria that stand in the way on a day: those of the least advanced phase in which, with
 * everything else met, the exercise opens, and those its permissions need.
 */
function missingAt(
  day: number,
  atoms: readonly Atom[],
  signature: Signature,
  state: CaseOnDay,
  standing: PhaseStanding,
): Criterion[] {
  const then: CaseOnDay = { ...state, day, facts: EVERYTHING_MET, daysSinceReview: null }
  const furthest = phaseOn(then.protocol, day, EVERYTHING_MET).index
  for (let index = Math.max(0, standing.index); index <= furthest; index += 1) {
    const supposed: PhaseStanding = {
      ...standing,
      index,
      phase: state.protocol.phases[index] ?? null,
      effectiveDay: day,
    }
    if (!atoms.every((atom) => isOpen(judgeAtom(atom, signature, then, supposed)))) continue
    const entries = state.protocol.phases.slice(0, index + 1).flatMap((phase) => phase.entry)
    const needs = atoms.flatMap(
      (atom) => judgeAtom(atom, signature, { ...then, facts: state.facts }, supposed).missing,
    )
    const unmet = [...entries, ...needs].filter((criterion) => state.facts.status(criterion).name !== 'met')
    return unmet.filter(
      (criterion, place) => unmet.findIndex((other) => other.text === criterion.text) === place,
    )
  }
  return []
}

function isOpen(judgement: Judgement): boolean {
  return judgement.kind === 'clear' || judgement.kind === 'with-care'
}

function phaseName(protocol: Protocol, rule: Rule): string {
  const phaseId = rule.id.split('.').at(-3)
  const phase: Phase | undefined = protocol.phases.find((one) => one.id === phaseId)
  return phase ? `phase "${phase.name}"` : rule.id
}

function sourceText(protocol: Protocol): string {
  return protocol.sources.map((source) => `${source.key} (${source.confidence})`).join(', ')
}

/** An unguarded composite tells nothing that its joints do not tell: it is left out where they speak. */
function telling<J extends { atom: Atom; reason: Reason }>(judged: readonly J[]): readonly J[] {
  const told = judged.filter(({ atom, reason }) => !(atom.kind === 'combo' && reason.rule === 'default'))
  return told.length > 0 ? told : judged
}

function distinct(reasons: readonly Reason[]): Reason[] {
  return reasons.filter(
    (reason, place) =>
      reasons.findIndex((other) => other.rule === reason.rule && other.atom === reason.atom) === place,
  )
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
