import {
  addDays,
  criterionMeaning,
  explainVerdict,
  groupedReasons,
  whatWouldOpen,
  type ClinicalDay,
  type Opener,
  type Verdict,
} from '@pledge/core'

/** A verdict as the interface reads it, with the date beside the day. */
export function verdictJson(verdict: Verdict, anchor: ClinicalDay, today: number) {
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
    reasons: groupedReasons(verdict.reasons).map((reason) => ({ ...reason, text: reason.text.en })),
    openers: whatWouldOpen(verdict, today).map((opener) => openerJson(opener, anchor)),
    explanation: { en: explainVerdict(verdict, 'en'), es: explainVerdict(verdict, 'es') },
  }
}

/** What would open something, as the interface reads it: who gives it and what it is. */
export function openerJson(opener: Opener, anchor: ClinicalDay) {
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
