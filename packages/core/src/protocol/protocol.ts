import type { Criterion } from '../vocabulary/criterion.js'
import type { Said } from '../words/names.js'
import type {
  Act,
  Actor,
  Anchor,
  Arcs,
  Axis,
  Combo,
  Grip,
  Mode,
  Motion,
  Nerve,
  NerveTechnique,
  Orthosis,
  RedFlag,
  ResistanceClass,
  State,
  Stress,
  Technique,
  Test,
  YellowFlag,
} from '../vocabulary/vocabulary.js'

/** A value with where it comes from and how sure we are that the source says so. */
export interface Source {
  readonly key: string
  readonly confidence: 'high' | 'medium' | 'low'
}

/** What a rule or gate speaks about. */
export type Target =
  | { readonly kind: 'motion'; readonly modes: readonly Mode[]; readonly motions: ReadonlySet<Motion> }
  | { readonly kind: 'combo'; readonly combos: readonly Combo[]; readonly modes: readonly Mode[] | null }
  | { readonly kind: 'grip'; readonly grips: readonly Grip[] }
  | { readonly kind: 'kg'; readonly kg: number }
  | { readonly kind: 'test'; readonly tests: readonly Test[] }
  | { readonly kind: 'act'; readonly acts: readonly Act[] }
  | { readonly kind: 'stress'; readonly stresses: readonly Stress[] }
  | {
      readonly kind: 'nerve'
      readonly nerves: readonly Nerve[]
      readonly techniques: readonly NerveTechnique[]
    }
  | { readonly kind: 'technique'; readonly techniques: readonly Technique[] }

export type RuleKind = 'allow' | 'caution' | 'forbid' | 'never' | 'gate'

/** One rule of a protocol, in one shape for allow, caution, forbid, never and gate. */
export interface Rule {
  /** How it is printed: `PROTOCOL.PHASE.kind.n` or `PROTOCOL.gate.n`, counted from 1; moves when a rule is put before it. */
  readonly id: string
  /** Its name in its protocol, never changed or given to another rule: what records point at. */
  readonly key: string
  readonly kind: RuleKind
  readonly targets: readonly Target[]
  /** First day it holds; day 0 is the anchor. */
  readonly from: number
  /** First day it no longer holds; `null` = open. */
  readonly until: number | null
  readonly arc: Arcs | null
  /** Ends of `arc` or `beyond` that a patient's own values set: `arc` holds them at the protocol's defaults. */
  readonly variableEnds: readonly VariableEnd[]
  readonly posture: Arcs | null
  readonly inOrthosis: readonly Orthosis[] | null
  readonly beyond: Arcs | null
  readonly outOf: readonly Orthosis[] | null
  readonly when: readonly State[] | null
  readonly by: readonly Actor[] | null
  readonly technique: readonly Technique[] | null
  readonly res: ResistanceClass | null
  /** Grips that a gate itself names up to its resistance: in an exercise with that grip it opens what the grip brings. */
  readonly gripsNamed: readonly Grip[]
  readonly needs: readonly Criterion[]
  /** A gate that opens only with care. */
  readonly asCaution: boolean
  readonly why: Said | null
  readonly note: Said | null
  readonly dose: string | null
  /** What opens it where time never does: a change of program, a clinician's decision. */
  readonly unlock: Said | null
}

/** The lower end of an arc as an expression of a patient's value, `xb0-10`: never below 0. */
export interface VariableEnd {
  readonly of: 'arc' | 'beyond'
  readonly axis: Axis
  readonly variable: string
  readonly minus: number
}

/** When an orthosis stays on in a phase. */
export interface Wear {
  readonly orthosis: Orthosis
  readonly keep: 'always' | 'night' | 'tasks' | 'asNeeded'
  readonly offFor: readonly ('hygiene' | 'exercise')[]
  readonly text: Said
}

export interface Phase {
  readonly id: string
  readonly name: Said
  /** `[start, end)` in days; `null` = open. */
  readonly days: readonly [number, number | null]
  readonly entry: readonly Criterion[]
  readonly goals: string
  readonly wear: readonly Wear[]
  readonly alwaysIn: readonly Orthosis[] | null
  readonly allow: readonly Rule[]
  readonly caution: readonly Rule[]
  readonly forbid: readonly Rule[]
}

/** A value that is set per patient, with the protocol's default. */
export interface Variable {
  readonly name: Said
  readonly unit: string
  readonly value: number
  readonly range: readonly [number, number]
}

/** A named kind of the same injury whose windows lie elsewhere. */
export interface Variant {
  readonly name: Said
  readonly windowShiftDays: number
  /** Only windows later than this day move. */
  readonly after: number
}

/** A day counter that starts again when the orthosis slipped. */
export interface RestartingClock {
  readonly counter: 'consecutive_splint_days'
  readonly restartIf: Said
  readonly restartTo: number
  readonly partialCredit: 'therapist'
}

/** A red flag in the words of one protocol; what it asks for is that of the common flag it counts as. */
export interface OwnRedFlag {
  /** `PROTOCOL.red.n`, counted from 1. */
  readonly id: string
  readonly as: RedFlag
  readonly says: Said
  /** Whether a patient can see it; a film only the clinic sees. */
  readonly isSeenAtHome: boolean
}

export interface OwnYellowFlag {
  /** `PROTOCOL.yellow.n`, counted from 1. */
  readonly id: string
  readonly as: YellowFlag
  /** For a therapist. */
  readonly text: string
}

export interface Protocol {
  readonly id: string
  readonly title: string
  readonly school: string
  readonly condition: string
  readonly version: number
  readonly anchor: Anchor
  readonly guard: ReadonlySet<Motion>
  /** The guard covers every finger of the hand, not only the injured ones. */
  readonly guardsAllDigits: boolean
  readonly guardCombos: readonly Combo[]
  readonly guardStress: readonly Stress[]
  readonly guardNerve: readonly Nerve[]
  readonly sources: readonly Source[]
  readonly evidence: string
  /** Facts that make this school eligible at all. */
  readonly select: readonly Criterion[]
  /** Motions guarded against I and R, hyperextension included. */
  readonly strengthMotions: ReadonlySet<Motion>
  readonly strengthGrips: readonly Grip[]
  readonly variables: Readonly<Record<string, Variable>>
  readonly variants: Readonly<Record<string, Variant>>
  readonly clock: RestartingClock | null
  /** Windows may move by the grade of adhesion (A8). */
  readonly adjustsByAdhesion: boolean
  /** Planned with spare weeks (A4). */
  readonly hasContingency: boolean
  readonly never: readonly Rule[]
  readonly phases: readonly Phase[]
  readonly gates: readonly Rule[]
  readonly redFlags: readonly OwnRedFlag[]
  readonly yellowFlags: readonly OwnYellowFlag[]
}

/** A protocol with every rule replaced by what a function makes of it. */
export function mapRules(protocol: Protocol, change: (rule: Rule) => Rule): Protocol {
  return {
    ...protocol,
    never: protocol.never.map(change),
    gates: protocol.gates.map(change),
    phases: protocol.phases.map((phase) => ({
      ...phase,
      allow: phase.allow.map(change),
      caution: phase.caution.map(change),
      forbid: phase.forbid.map(change),
    })),
  }
}

/** Every rule of a protocol, gates included. */
export function rulesOf(protocol: Protocol): Rule[] {
  return [...protocol.never, ...protocol.gates, ...protocol.phases.flatMap(rulesOfPhase)]
}

export function rulesOfPhase(phase: Phase): Rule[] {
  return [...phase.allow, ...phase.caution, ...phase.forbid]
}

/** A rule's name among all protocols, as records keep it. */
export function ruleKey(protocol: Protocol, rule: Rule): string {
  return `${protocol.id}#${rule.key}`
}

/** The motions a school is about: those it guards; where it guards none, those it strengthens. */
export function motionsOfConcern({
  guard,
  strengthMotions,
}: Pick<Protocol, 'guard' | 'strengthMotions'>): ReadonlySet<Motion> {
  return guard.size > 0 ? guard : strengthMotions
}
