import { addDays, criterionMeaning, groupedReasons, type ClinicalDay, type Verdict } from '@pledge/core'

/** A verdict as the interface reads it, with the date beside the day. */
export function verdictJson(verdict: Verdict, anchor: ClinicalDay) {
  return {
    kind: verdict.kind,
    fromDay: verdict.fromDay,
    fromDate: verdict.fromDay === null ? null : addDays(anchor, verdict.fromDay),
    missing: verdict.missing.map((criterion) => ({
      what: criterion.text,
      meaning: criterionMeaning(criterion.text),
    })),
    form: verdict.form,
    conditions: [...verdict.conditions],
    reasons: groupedReasons(verdict.reasons),
  }
}
