import type { Criterion } from './criterion.js'
import type {
  Act,
  Actor,
  Anchor,
  Arcs,
  Combo,
  Grip,
  Mode,
  Motion,
  Nerve,
  NerveTechnique,
  Orthosis,
  ResistanceClass,
  State,
  Stress,
  Technique,
  Test,
} from './vocabulary.js'

/** A value with where it comes from and how sure we are that the source says so. */
export interface Source {
  readonly key: string
  readonly confidence: 'high' | 'medium' | 'low'
}

/** What a rule or gate speaks about. */
export type Target =
  | { readonly kind: 'motion'; readonly modes: readonly Mode[]; readonly motions: ReadonlySet<Motion> }
  | { readonly kind: 'combo'; readonly combo: Combo; readonly modes: readonly Mode[] | null }
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
  /** `PROTOCOL.PHASE.kind.n` or `PROTOCOL.gate.n`, counted from 1. */
  readonly id: string
  readonly kind: RuleKind
  readonly targets: readonly Target[]
  /** First day it holds; day 0 is the anchor. */
  readonly from: number
  /** First day it no longer holds; `null` = open. */
  readonly until: number | null
  readonly arc: Arcs | null
  readonly posture: Arcs | null
  readonly inOrthosis: readonly Orthosis[] | null
  readonly beyond: Arcs | null
  readonly outOf: readonly Orthosis[] | null
  readonly when: readonly State[] | null
  readonly by: readonly Actor[] | null
  readonly technique: readonly Technique[] | null
  readonly res: ResistanceClass | null
  readonly needs: readonly Criterion[]
  /** A gate that opens only with care. */
  readonly asCaution: boolean
  readonly why: string | null
  readonly note: string | null
  readonly dose: string | null
}

/** When an orthosis stays on in a phase. */
export interface Wear {
  readonly orthosis: Orthosis
  readonly keep: 'always' | 'night' | 'tasks' | 'asNeeded'
  readonly offFor: readonly ('hygiene' | 'exercise')[]
  readonly text: string
}

export interface Phase {
  readonly id: string
  readonly name: string
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

export interface Protocol {
  readonly id: string
  readonly title: string
  readonly school: string
  readonly condition: string
  readonly version: number
  readonly anchor: Anchor
  readonly guard: ReadonlySet<Motion>
  readonly guardCombos: readonly Combo[]
  readonly guardStress: readonly Stress[]
  readonly guardNerve: boolean
  readonly sources: readonly Source[]
  readonly evidence: string
  /** Facts that make this school eligible at all. */
  readonly select: readonly Criterion[]
  readonly strengthMotions: ReadonlySet<Motion>
  readonly strengthGrips: readonly Grip[]
  readonly never: readonly Rule[]
  readonly phases: readonly Phase[]
  readonly gates: readonly Rule[]
  readonly redFlags: readonly string[]
  readonly yellowFlags: readonly string[]
}
