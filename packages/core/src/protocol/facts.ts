import { daysBetween, type ClinicalDay } from '../calendar/clinicalDay.js'
import { isMetBy, type Criterion } from '../vocabulary/criterion.js'
import type { CriterionName } from '../vocabulary/vocabulary.js'

/** How long facts count. */
export interface FactLimits {
  /** Pain scores and irritability of a visit. */
  readonly painStaleDays: number
  /** Findings that change: swelling, wound, skin, range, lag, grip. */
  readonly findingStaleDays: number
  /** Pain logged at home. */
  readonly loggedPainHours: number
}

/** Something a named person recorded about a case: a clearance, a finding, a score. */
export interface RecordedFact {
  readonly what: CriterionName
  /** `true` or `false` for a flag, a score for a number, a level for an ordinal. */
  readonly value: boolean | number | string
  /** `null` where a test case knows no dates: such a fact is never stale. */
  readonly date: ClinicalDay | null
  /** Whether it was recorded and then taken back. */
  readonly withdrawn: boolean
}

/** The worst pain of one bout logged at home. */
export interface LoggedPain {
  readonly hoursAgo: number
  readonly before: number | null
  readonly worst: number | null
}

/** Hours for which a pain logged at home still counts; negative: no longer. */
export function hoursStillCounted({ hoursAgo }: LoggedPain, limits: FactLimits): number {
  return limits.loggedPainHours - hoursAgo
}

export type CriterionStatus =
  | { readonly name: 'met' }
  | { readonly name: 'neverRecorded' }
  | { readonly name: 'withdrawn' }
  | { readonly name: 'stale'; readonly date: ClinicalDay; readonly afterDays: number }
  | { readonly name: 'notSo'; readonly value: boolean | number | string }

/**
 * Days after which a fact no longer counts and must be measured again; `null` for facts that hold until they are
 * withdrawn (orders, x-rays, operation facts).
 */
export function staleAfterDays(name: CriterionName, limits: FactLimits): number | null {
  if (/^(pain\.|irrit)/.test(name)) return limits.painStaleDays
  // Skin that has closed stays so until somebody takes it back.
  if (/^(edema\.|wound\.ok|skin\.|lag\.|prom\.|arom\.|grip\.)/.test(name)) return limits.findingStaleDays
  return null
}

export interface FactBook {
  /** Whether a criterion is met today. Unknown is never met. */
  status(criterion: Criterion): CriterionStatus
}

interface FactBookOptions {
  readonly today: ClinicalDay | null
  /** How long facts count: a rule for every protocol. */
  readonly limits: FactLimits
  /** In order of recording; the last of a name with the latest date counts. */
  readonly facts: readonly RecordedFact[]
  readonly loggedPain?: readonly LoggedPain[]
  /** For protocol authors' tests only: whatever nobody recorded counts as met. */
  readonly assumeRecorded?: boolean
}

/** The fact of each name that counts: the last recorded of those with the latest date, none dated after today. */
export function latestFacts<Fact extends RecordedFact>(
  facts: readonly Fact[],
  today: ClinicalDay | null,
): ReadonlyMap<CriterionName, Fact> {
  const latest = new Map<CriterionName, Fact>()
  for (const fact of facts) {
    if (today !== null && fact.date !== null && daysBetween(fact.date, today) < 0) continue
    const earlier = latest.get(fact.what)
    if (
      !earlier ||
      earlier.date === null ||
      fact.date === null ||
      daysBetween(earlier.date, fact.date) >= 0
    ) {
      latest.set(fact.what, fact)
    }
  }
  return latest
}

/**
 * What is known about a case today, for judging criteria. Pure: it holds the facts it was given and reads no clock.
 *
 * A fact dated after today does not count yet. Pain at rest and in action is the worse of the last record and the
 * worst recent log, so one bad evening at home closes what a good visit had opened.
 */
export function factBook({
  today,
  limits,
  facts,
  loggedPain = [],
  assumeRecorded = false,
}: FactBookOptions): FactBook {
  const latest = latestFacts(facts, today)
  const recent = loggedPain.filter((log) => hoursStillCounted(log, limits) >= 0)
  const worstLogged = (pains: (number | null)[]) => {
    const known = pains.filter((pain) => pain !== null)
    return known.length > 0 ? Math.max(...known) : null
  }
  const logged: Partial<Record<CriterionName, number | null>> = {
    'pain.act': worstLogged(recent.map((log) => log.worst)),
    'pain.rest': worstLogged(recent.map((log) => log.before)),
  }

  const known = new Map<string, CriterionStatus>()
  return {
    status(criterion) {
      let status = known.get(criterion.text)
      if (!status) known.set(criterion.text, (status = statusOf(criterion)))
      return status
    },
  }

  function statusOf(criterion: Criterion): CriterionStatus {
    const fact = latest.get(criterion.name)
    const fromLogs = logged[criterion.name] ?? null
    if (fact?.withdrawn) return { name: 'withdrawn' }
    if (!fact && fromLogs === null) return { name: assumeRecorded ? 'met' : 'neverRecorded' }
    const limitDays = staleAfterDays(criterion.name, limits)
    if (fact && fact.date !== null && today !== null && limitDays !== null && fromLogs === null) {
      if (daysBetween(fact.date, today) > limitDays) {
        return { name: 'stale', date: fact.date, afterDays: limitDays }
      }
    }
    const value = worseOf(fact?.value ?? null, fromLogs)
    return isMetBy(criterion, value) ? { name: 'met' } : { name: 'notSo', value }
  }
}

function worseOf(
  recorded: boolean | number | string | null,
  logged: number | null,
): boolean | number | string {
  if (logged === null) return recorded ?? false
  return typeof recorded === 'number' ? Math.max(recorded, logged) : logged
}
