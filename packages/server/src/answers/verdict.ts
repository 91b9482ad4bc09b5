import {
  addDays,
  criterionMeaning,
  exerciseOpenings,
  explainVerdict,
  groupedReasons,
  SEARCH_DAYS,
  toldReasons,
  whatWouldOpen,
  type ClinicalDay,
  type Dose,
  type Exercise,
  type HowDone,
  type Opener,
  type OpeningRun,
  type PatientCase,
  type Verdict,
} from '@pledge/core'
import type { OpenerAnswer, OpeningsAnswer, VerdictAnswer } from '@pledge/contract'

/** A verdict as the interface reads it, with the date beside the day. */
export function verdictJson(verdict: Verdict, anchor: ClinicalDay, today: number): VerdictAnswer {
  return {
    kind: verdict.kind,
    fromDay: verdict.fromDay,
    fromDate: verdict.fromDay === null ? null : addDays(anchor, verdict.fromDay),
    missing: verdict.missing.map((criterion) => ({
      what: criterion.text,
      meaning: criterionMeaning(criterion.text),
    })),
    form: verdict.form?.en ?? null,
    conditions: verdict.conditions.map((one) => one.en),
    told: toldReasons(verdict, 'en', today),
    reasons: groupedReasons(verdict.reasons).map((reason) => ({ ...reason, text: reason.text.en })),
    openers: whatWouldOpen(verdict, today).map((opener) => openerJson(opener, anchor)),
    explanation: { en: explainVerdict(verdict, 'en', today), es: explainVerdict(verdict, 'es', today) },
  }
}

/** When an exercise is open, from day 0 by time alone and from today as the record stands. */
export function openingsJson(
  exercise: Exercise,
  dose: Dose,
  state: PatientCase,
  done: HowDone,
): OpeningsAnswer {
  const json = (runs: readonly OpeningRun[]) =>
    runs.map((run) => ({ ...run, missing: run.missing.map(({ text }) => criterionMeaning(text)) }))
  const span = [Math.min(0, state.day), state.day + SEARCH_DAYS] as const
  return {
    byTimeAlone: json(exerciseOpenings(exercise, dose, state, 'byTimeAlone', { done, span })),
    asTheRecordStands: json(exerciseOpenings(exercise, dose, state, 'asTheRecordStands', { done })),
  }
}

/** What would open something, as the interface reads it: who gives it and what it is. */
export function openerJson(opener: Opener, anchor: ClinicalDay): OpenerAnswer {
  switch (opener.kind) {
    case 'day':
      return {
        kind: opener.kind,
        text: `day ${opener.day}`,
        giver: '',
        what: '',
        date: addDays(anchor, opener.day),
      }
    case 'criterion': {
      const what = opener.criterion.text
      return { kind: opener.kind, text: criterionMeaning(what), giver: opener.giver, what, date: null }
    }
    case 'form':
      return { kind: opener.kind, text: opener.form.en, giver: '', what: '', date: null }
    case 'decision':
      return { kind: opener.kind, text: opener.text.en, giver: 'therapist', what: '', date: null }
  }
}
