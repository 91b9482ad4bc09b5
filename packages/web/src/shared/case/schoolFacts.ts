import { criterionOf, isMetBy } from '@pledge/core'
import type { SchoolAnswer } from '@pledge/contract'

/** Answers to the facts that decide which school fits, by name; `null` = not answered. */
export type FactAnswers = Readonly<Record<string, boolean | number | null>>

/** Whether a fact a school asks for is so, is not so, or nobody has answered it. */
export function answerTo(
  fact: SchoolAnswer['select'][number],
  answers: FactAnswers,
): 'met' | 'notSo' | 'open' {
  const value = answers[fact.name]
  if (value === undefined || value === null) return 'open'
  const criterion = criterionOf(fact.what)
  return criterion && isMetBy(criterion, value) ? 'met' : 'notSo'
}

/** A school is offered once every fact it rests on is answered and holds. */
export function isOffered(school: SchoolAnswer, answers: FactAnswers): boolean {
  return school.select.every((fact) => answerTo(fact, answers) === 'met')
}

/** What is sent with the choice of a school. */
export function selectionOf(
  school: SchoolAnswer | null,
  answers: FactAnswers,
): { what: string; value: boolean | number }[] {
  return (school?.select ?? []).flatMap(({ name }) => {
    const value = answers[name]
    return typeof value === 'boolean' || typeof value === 'number' ? [{ what: name, value }] : []
  })
}

/** The values set per patient: what was written, or the school's own. */
export function valuesOf(
  school: SchoolAnswer | null,
  written: Readonly<Record<string, number | null>>,
): Record<string, number> {
  return Object.fromEntries((school?.values ?? []).map(({ id, value }) => [id, written[id] ?? value]))
}
