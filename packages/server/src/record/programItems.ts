import {
  itemsToday,
  judgedItem,
  type Catalogue,
  type ChosenSchools,
  type Digit,
  type Dose,
  type ItemToday,
  type JudgedItem,
  type PatientCase,
} from '@pledge/core'
import type { DraftItem } from '@pledge/core/schemas'
import type { DraftRow } from '../data/rows.js'
import type { StandingRecord, StoredOverride } from '../data/episodeRecords.js'

/** A draft's items as core judges them; an exercise that the catalogue no longer has is left out. */
export function judgedItems(
  items: readonly DraftItem[],
  state: PatientCase,
  catalogue: Catalogue,
  { schools: chosen = {}, record }: { schools?: ChosenSchools; record: StandingRecord },
): JudgedItem<StoredOverride>[] {
  const by = { schools: catalogue.doseSchools, chosen, overrides: record.overrides }
  return items.flatMap(({ itemId, exerciseId, dose, digits }) => {
    const exercise = catalogue.exercises.get(exerciseId)
    const drafted = { itemId, dose: dose as Dose, digits: digits as Digit[] | null }
    return exercise ? [judgedItem({ ...drafted, exercise }, state, by)] : []
  })
}

/** The items of a stored draft under its own schools; a draft nobody began has none. */
export function draftItems(
  draft: Pick<DraftRow, 'items' | 'schools'> | null,
  state: PatientCase,
  catalogue: Catalogue,
  record: StandingRecord,
): JudgedItem<StoredOverride>[] {
  if (!draft) return []
  const schools = draft.schools
  return judgedItems(draft.items as DraftItem[], state, catalogue, { schools, record })
}

/** The items of the newest signed program with today's verdict. */
export function signedItemsToday(record: StandingRecord, state: PatientCase): ItemToday<StoredOverride>[] {
  return itemsToday(record.versions.at(-1)?.items ?? [], state, record.overrides)
}
