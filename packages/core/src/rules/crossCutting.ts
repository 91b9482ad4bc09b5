import type { FactLimits } from '../protocol/facts.js'
import type { Said } from '../words/names.js'
import type { Source } from '../protocol/protocol.js'
import type { Act, RedFlag, YellowFlag } from '../vocabulary/vocabulary.js'

/** What a number or word of a rule is counted in. */
export const RULE_UNITS = [
  'word',
  'words',
  'steps',
  'signs',
  'rungs',
  'criteria',
  'combos',
  'protocols',
  'contraindications',
  'dose',
  'days',
  'weeks',
  'hours',
  'hours a day',
  'minutes',
  'seconds',
  'degrees',
  'degrees a week',
  'mm',
  'ml',
  'kg',
  'N',
  'percent',
  'of 10',
  'bouts',
  'in 7 days',
  'a day',
  'exercises',
  'repetitions',
  'resistance class',
  'monofilament',
] as const
export type RuleUnit = (typeof RULE_UNITS)[number]

/** One rule that holds for every protocol, with what it rests on. */
export interface CrossRule {
  readonly id: string
  /** A number, a range from–to, a word, or a list of words; `unit` says which. */
  readonly value: number | string | readonly number[] | readonly string[]
  readonly unit: RuleUnit
  /** For a therapist. */
  readonly says: string
  readonly source: Source
}

/** The rules of one subject, as its file holds them. */
export interface RuleTable {
  readonly id: string
  /** The section of the rule base it comes from: A1 to A17. */
  readonly code: string
  readonly title: string
  /** Of flags and milestones as a whole; rules have their own. */
  readonly source: Source | null
  readonly rules: readonly CrossRule[]
}

/** What a red flag asks of the patient: stop and call, go to emergency, or go gently and call. All lock the program. */
export const RED_FLAG_ACTS = ['call', 'emergency', 'gentle'] as const
export type RedFlagAct = (typeof RED_FLAG_ACTS)[number]

export interface RedFlagRule {
  readonly id: RedFlag
  /** For a therapist. */
  readonly name: string
  /** How a patient says it; `null` where only a score or a clinician finds it. */
  readonly home: Said | null
  readonly act: RedFlagAct
  /** How soon somebody has to answer; 0 = at once. */
  readonly withinHours: number
  /** The lock is lifted only with the answer of the surgeon or the emergency department. */
  readonly needsSurgeon: boolean
  readonly todo: string
}

export interface YellowFlagRule {
  readonly id: YellowFlag
  readonly name: string
  readonly todo: string
}

/** What a return to an activity asks besides its day. */
export interface MilestoneRule {
  readonly act: Act
  readonly needs: string
}

/** How a bout is answered, by pain of 0–10. */
export interface ResponseLimits {
  /** From here on a bout stops and the patient calls. */
  readonly stopPain: number
  /** Up to this much above the cap is amber, more is a step back. */
  readonly amberAbove: number
}

/** How much a bout holds; above it Pledge warns. */
export interface BoutLimits {
  readonly minutes: number
  readonly exercises: number
}

/** The rules that cut across all protocols: the tables as they stand, and by name what code reckons with. */
export interface CrossCutting {
  readonly tables: readonly RuleTable[]
  readonly redFlags: ReadonlyMap<RedFlag, RedFlagRule>
  readonly yellowFlags: ReadonlyMap<YellowFlag, YellowFlagRule>
  readonly milestones: readonly MilestoneRule[]
  /** Days without a review after which a protective phase no longer moves on. */
  readonly freezeAfterDays: number
  /** Days past the planned end of a phase after which a held case is talked over with the surgeon. */
  readonly behindScheduleDays: number
  readonly facts: FactLimits
  readonly response: ResponseLimits
  readonly bout: BoutLimits
}
