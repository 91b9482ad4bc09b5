import { clinicalDayAt, type ClinicalDay } from '@pledge/core'

/** The only place that reads the time; everything else is handed it. */
export interface Clock {
  now(): Date
  /** The clinical day in the clinic's time zone. */
  today(timeZone: string): ClinicalDay
}

/** @param fixedToday - a day that stands still, for demonstrations and tests; `null` = the real one */
export function systemClock(fixedToday: ClinicalDay | null): Clock {
  return {
    now: () => new Date(),
    today: (timeZone) => fixedToday ?? clinicalDayAt(new Date(), timeZone),
  }
}
