import { decided } from '../anatomy/constant.js'

/**
 * The planned weeks of a home program: which rung at which dose on which day, before any result is known. A plan, not a permission. All
 * spans are half-open: the last day named is the first day not in them.
 */

/** What of a dose may grow, each for itself. */
export const DOSE_AXES = ['sets', 'repetitions', 'holdSeconds', 'boutsPerDay', 'minutes', 'load'] as const
export type DoseAxis = (typeof DOSE_AXES)[number]
export const COUNTED_AXES = ['sets', 'repetitions', 'holdSeconds', 'boutsPerDay'] as const
export const TIMED_AXES = ['minutes', 'boutsPerDay'] as const
/** A dose of a rung: counted, or timed by minutes; load only where the rung has steps of it. */
export type CourseDose = Readonly<Partial<Record<DoseAxis, number>>>

export const WINDOW_KINDS = ['clear', 'with-care', 'not-yet', 'never'] as const
/** What the verdict says of a rung in a stretch of days. Windows come from the verdicts; nothing here opens anything. */
export interface CourseWindow {
  readonly fromDay: number
  /** `null`: without end. */
  readonly toDay: number | null
  readonly kind: (typeof WINDOW_KINDS)[number]
  /** Of a "not yet" the earliest day by time alone; `null`: only a decision opens it. */
  readonly earliestDay: number | null
  readonly missing: readonly string[]
}

/** What a dose waits for from a value on. */
export interface CourseGate {
  readonly axis: DoseAxis
  /** It counts for doses above this. */
  readonly above: number
  /** `null`: never. */
  readonly fromDay: number | null
  readonly missing: readonly string[]
}

export interface LeastDays {
  readonly step: number
  readonly load: number
  readonly rung: number
}

/** One exercise of a ladder, with when it is open and what its dose may be. */
export interface CourseRung {
  readonly rung: string
  readonly exercise: string
  readonly windows: readonly CourseWindow[]
  readonly gates: readonly CourseGate[]
  /** Lowest and highest of each axis it has; of load by its steps. */
  readonly range: Readonly<Partial<Record<DoseAxis, readonly [low: number, high: number]>>>
  /** Rising; empty without load. */
  readonly loadSteps: readonly number[]
  readonly isTimed: boolean
  readonly startDose: CourseDose
  /** The axes in the order in which they grow. */
  readonly grows: readonly DoseAxis[]
  readonly growsBy: Readonly<Partial<Record<DoseAxis, number>>>
  readonly minimumDays: LeastDays
  readonly everyDays: number
  readonly isEndRange: boolean
  readonly isSlide: boolean
  readonly shapes: number
  readonly moveSeconds: number
}

/** Where an item stands today. */
export interface CourseStanding {
  readonly rung: string
  readonly dose: CourseDose
  readonly daysOnStep: number
  readonly daysOnLoad: number
  readonly daysOnRung: number
}
export interface CoursePin {
  readonly day: number
  readonly rung: string
  readonly dose: CourseDose
}

export const COURSE_SLOTS = ['warm', 'soften', 'passive', 'active', 'glide', 'strengthen', 'settle'] as const
/** One row of the score: a ladder, easiest rung first. */
export interface CourseItem {
  readonly id: string
  readonly slot: (typeof COURSE_SLOTS)[number] | null
  /** Both hands in turn: 2. */
  readonly sides: number
  /** Digits one after another. */
  readonly turns: number
  /** 1 (keep) to 9 (drop first). */
  readonly priority: number
  readonly startDay: number
  readonly endDay: number
  readonly current: CourseStanding | null
  /** No growth from this day; `null`: it grows. */
  readonly heldFrom: number | null
  readonly alternatesWith: string | null
  readonly replacedBy: string | null
  readonly needs: readonly { readonly itemId: string; readonly rung: string }[]
  readonly pins: readonly CoursePin[]
  /** Without the rungs that are left out. */
  readonly ladder: readonly CourseRung[]
}

export const CONTINGENCY_MODES = ['none', 'reserveAtEnd', 'spread', 'weeks'] as const
export type ContingencyMode = (typeof CONTINGENCY_MODES)[number]
export interface CourseLimits {
  readonly exercisesAtOnce: number
  readonly minutesPerBout: number
  readonly minutesPerDay: number
}
export type CourseIrritability = 'low' | 'mod' | 'high'

export interface CourseInput {
  /** Today. */
  readonly day: number
  readonly blockFromDay: number
  readonly horizonWeeks: number
  /** Ids of the schools. */
  readonly protocols: readonly string[]
  readonly contingency: {
    readonly mode: ContingencyMode | null
    readonly weeks: readonly number[]
    readonly used: readonly number[]
  }
  readonly irritability: CourseIrritability | null
  readonly limits: CourseLimits
  readonly items: readonly CourseItem[]
}

/** Schools whose weeks go up and down: a reserve stands at their end. Source: A4 (medium). */
export const FLARING_SCHOOLS: readonly string[] = [
  'RA-QUIET',
  'RA-FLARE',
  'FOA',
  'CMC-OA',
  'CRPS',
  'LET',
  'MET',
  'CTS-CONS',
  'CUB-CONS',
  'RTS-CONS',
  'SRN',
  'DQ-CONS',
  'STIFF',
]

/** A fact of the trade: common practice. */
const common = decided

/** Numbers of the course; a clinic may set its own, those of a rung and the limits stand in the file. Sources: `course.md` 7. */
export const COURSE_NUMBERS = {
  minimumDays: common<LeastDays>({ step: 3, load: 7, rung: 7 }, 'days', 'medium'),
  growsBy: common(
    { sets: 1, repetitions: 2, holdSeconds: 5, boutsPerDay: 1, minutes: 1 } as const,
    'a step',
    'medium',
  ),
  moveSeconds: common(4, 'seconds', 'medium'),
  restSeconds: common(30, 'seconds', 'medium'),
  wornFromSeconds: decided(1800, 'seconds', 'medium'),
  wornCountsSeconds: decided(120, 'seconds', 'medium'),
  gapToStartDose: decided(3, 'days', 'low'),
  gapToRungBack: decided(7, 'days', 'low'),
  slidesPerDay: common<Readonly<Record<CourseIrritability, number>>>(
    { high: 5, mod: 20, low: 45 },
    'slides a day',
    'medium',
  ),
  limits: common<CourseLimits>(
    { exercisesAtOnce: 6, minutesPerBout: 15, minutesPerDay: 60 },
    'exercises, minutes, minutes',
    'low',
  ),
  weeksPerReserve: common(6, 'weeks', 'medium'),
  longestSlideHold: common(5, 'seconds', 'medium'),
} as const

/** Why nothing of an item is planned on a day. */
export type ClosedReason =
  'unknown' | 'never' | 'time' | 'decision' | 'gate' | 'criteria' | 'needs' | 'replaced' | 'contingency'
export type OpenKind = 'clear' | 'with-care' | 'conditional'
export type StepChange =
  'start' | 'pin' | 'resume' | 'easier' | 'flare' | 'return' | 'rung' | 'window' | DoseAxis

export interface CourseStep {
  readonly fromDay: number
  readonly toDay: number
  readonly rung: string
  readonly exercise: string
  readonly dose: Readonly<Record<string, number | null>>
  readonly kind: OpenKind
  readonly conditional: readonly string[]
  readonly changed: StepChange
  readonly everyDays: number
  readonly firstDoneDay: number | null
}
export interface ClosedSpan {
  readonly fromDay: number
  readonly toDay: number
  readonly reason: ClosedReason
  readonly rung: string | null
  readonly missing: readonly string[]
  readonly earliestDay: number | null
}
export interface ItemWarning {
  readonly code: 'nothingOpen' | 'nothingPlanned' | 'heldByGate' | 'heldByBudget' | 'waitsForRung'
  readonly day: number
  readonly rung: string | null
  readonly axis: DoseAxis | null
  readonly next: string | null
}
export interface CourseRow {
  readonly id: string
  readonly steps: readonly CourseStep[]
  readonly closed: readonly ClosedSpan[]
  readonly notReached: readonly { readonly rung: string; readonly reason: ClosedReason | 'notReached' }[]
  readonly warnings: readonly ItemWarning[]
}
export interface WeekWarning {
  readonly code: 'exercisesAtOnce' | 'minutesPerBout' | 'minutesPerDay' | 'nerveBudget'
  readonly day: number
  readonly value: number
  readonly limit: number
  /** What to leave out first. */
  readonly drop: readonly string[]
}
export interface CourseWeek {
  readonly week: number
  readonly fromDay: number
  readonly toDay: number
  readonly isContingency: boolean
  readonly exercisesAtOnce: number
  readonly minutesLongestBout: number
  readonly minutesPerDay: number
  readonly endRangeMinutesPerDay: number
  readonly slidesPerDay: number
  readonly warnings: readonly WeekWarning[]
}
export interface CourseConflict {
  readonly code:
    'reserveExhausted' | 'irritabilityUnknown' | 'pinOutside' | 'pinWaits' | 'pinBlocked' | 'pinClosed'
  readonly itemId: string | null
  readonly day: number | null
  readonly rung: string | null
  readonly reason: ClosedReason | 'outside' | null
  readonly weeks: readonly number[]
}
export interface CoursePlan {
  readonly day: number
  readonly endDay: number
  readonly slidesBudget: number
  readonly contingency: {
    readonly mode: ContingencyMode
    readonly reserved: readonly number[]
    readonly used: readonly number[]
    readonly weeks: readonly number[]
  }
  readonly reserveLeft: number
  readonly items: readonly CourseRow[]
  readonly weeks: readonly CourseWeek[]
  readonly conflicts: readonly CourseConflict[]
  /** What stands in the way of signing; empty means only that the course does not. */
  readonly notSignable: readonly {
    readonly code: 'nothingOpen' | 'pinClosed' | 'nerveBudget'
    readonly itemId: string | null
    readonly day: number | null
  }[]
}
