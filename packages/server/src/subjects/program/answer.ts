import {
  burdenOf,
  comparedSchools,
  criterionMeaning,
  dayZero,
  doseBySchool,
  inSchoolOrder,
  nerveSlides,
  overrideTerms,
  type Catalogue,
  type ChosenSchools,
  type Criterion,
  type JudgedItem,
  type PatientCase,
  type SigningBar,
} from '@pledge/core'
import { overrideJson, termsJson } from '../../answers/override.js'
import { openingsJson, verdictJson } from '../../answers/verdict.js'
import type { EpisodeRecord, StoredOverride } from '../../data/episodeRecords.js'
import type { DraftRow } from '../../data/rows.js'
import { Problem } from '../../problems.js'
import { draftItems } from '../../record/programItems.js'

/** A draft with today's verdicts, what its schools say and what it asks of a day. */
export function draftAnswer(
  draft: DraftRow | null,
  record: EpisodeRecord,
  state: PatientCase,
  catalogue: Catalogue,
  users: ReadonlyMap<string, string>,
  today: string,
) {
  const schools = draft?.schools ?? {}
  const items = draftItems(draft, state, catalogue, record)
  const zero = dayZero(state.day, today)
  return {
    version: draft?.version ?? 0,
    updatedBy: draft ? (users.get(draft.updatedBy) ?? null) : null,
    items: items.map((item) => ({
      ...item,
      exerciseId: item.exercise.id,
      painCap: item.exercise.painCap,
      schoolDose: doseBySchool(item.exercise, catalogue.doseSchools, schools),
      override: item.override && overrideJson(item.override, users, record.episode.timeZone),
      overrideTerms: termsJson(overrideTerms(item.verdict, state)),
      waitsFor: item.waitsFor.map(({ text }) => criterionMeaning(text)),
      verdict: verdictJson(item.verdict, zero, state.day),
      openings: openingsJson(item.exercise, item.dose, state, { chosen: item.digits }),
    })),
    burden: burdenOf(items),
    schools,
    schoolOrder: inSchoolOrder(items, ({ exercise }) => exercise.slot, catalogue.doseSchools, schools).map(
      ({ itemId }) => itemId,
    ),
    questions: questionsJson(items, catalogue, schools),
    nerveSlides: nerveSlides(items, state.facts),
  }
}

/** What bars the signing, in words, with what to do. */
export function notSigned(bar: SigningBar): Problem {
  const named = (criteria: readonly Criterion[]) =>
    criteria.map((one) => criterionMeaning(one.text)).join('; ')
  switch (bar.name) {
    case 'empty':
      return new Problem('NOT_CLEARED', 'Choose at least one exercise before signing.')
    case 'wrongSchool':
      return new Problem(
        'NOT_CLEARED',
        `Not signed: the school does not fit, because this does not hold: ${named(bar.criteria)}. Choose another school under Phase.`,
      )
    case 'schoolUnanswered':
      return new Problem(
        'NOT_CLEARED',
        `Not signed: the school rests on what nobody has recorded: ${named(bar.criteria)}. Record it under Phase.`,
      )
    case 'closed': {
      const errors = bar.items.map(({ index, item }) => ({
        path: `items.${index}`,
        message: `"${item.exercise.text.en.name}" is ${item.verdict.kind === 'never' ? 'never allowed here' : 'not yet allowed'}: ${item.verdict.reasons[0]?.text.en ?? ''}`,
      }))
      return new Problem(
        'NOT_CLEARED',
        `Not signed: ${errors[0]!.message} Take it out, or record what it waits for.`,
        errors,
      )
    }
  }
}

function questionsJson(
  items: readonly JudgedItem<StoredOverride>[],
  catalogue: Catalogue,
  chosen: ChosenSchools,
) {
  const exercises = items.map(({ exercise }) => exercise)
  return catalogue.doseSchools.map(({ question, name, schools }) => {
    const outcomes =
      question === 'stretchHold' || question === 'nerveDose'
        ? comparedSchools(question, exercises, catalogue.doseSchools)
        : []
    return {
      question,
      name: name.en,
      chosen: chosen[question] ?? null,
      schools: schools.map((school) => {
        const outcome = outcomes.find(({ id }) => id === school.id)
        return {
          id: school.id,
          name: school.name.en,
          says: school.says.en,
          source: `${school.source.key} (${school.source.confidence})`,
          endRangeMinutesPerDay: question === 'stretchHold' ? (outcome?.endRangeMinutesPerDay ?? null) : null,
          repetitionsPerDay: outcome?.repetitionsPerDay ?? null,
        }
      }),
    }
  })
}
