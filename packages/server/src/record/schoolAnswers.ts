import {
  bindProtocol,
  CoreError,
  criterionMeaning,
  giverOf,
  isMetBy,
  usualWay,
  type Catalogue,
  type Protocol,
} from '@pledge/core'
import { newId } from '../data/ids.js'
import type { FactRow } from '../data/rows.js'
import { Problem } from '../problems.js'

/** What was answered for a school: its variant, the values set per patient, and the facts it rests on. */
export interface SchoolAnswers {
  readonly variant?: string | null
  readonly values?: unknown
  readonly selection: readonly { what: string; value: unknown }[]
}
type Selected = readonly { readonly what: string; readonly value: boolean | number }[]

/** Refuses, with the field's path, answers that do not go with the school, or facts that do not hold. */
export function checkSchool(
  protocol: Protocol,
  { variant = null, values: given, selection }: SchoolAnswers,
): { values: Record<string, number>; selected: Selected } {
  const values = (given ?? {}) as Record<string, number>
  try {
    bindProtocol(protocol, { variant, values, shifts: [] })
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    refuseField(error.path.replace(/^vars/, 'values'), error.message)
  }
  const answers = new Map(selection.map((answer) => [answer.what, answer.value]))
  const selected = protocol.select.map((criterion) => {
    const value = answers.get(criterion.name)
    if (value === undefined)
      refuseField('selection', `Answer first, for this school: ${criterionMeaning(criterion.text)}.`)
    if (!isMetBy(criterion, value))
      refuseField(
        'selection',
        `This school does not fit, because this does not hold: ${criterionMeaning(criterion.text)}. Choose another.`,
      )
    return { what: criterion.name, value: value as boolean | number }
  })
  return { values, selected }
}

/** The answers as facts on record: given by the surgeon's letter, or found by the therapist. */
export function selectionFacts(
  selected: Selected,
  by: {
    episodeId: string
    today: string
    surgeon: string
    me: { readonly id: string; readonly name: string }
    at: Date
  },
): Omit<FactRow, 'seq' | 'digest'>[] {
  return selected.map(({ what, value }) => ({
    id: newId(),
    episodeId: by.episodeId,
    what,
    value: JSON.stringify(value),
    isWithdrawn: false,
    dated: by.today,
    givenBy: giverOf(what) === 'surgeon' ? by.surgeon : by.me.name,
    how: giverOf(what) === 'surgeon' ? ('letter' as const) : usualWay(what),
    note: 'Answered for the choice of the school',
    correctsId: null,
    recordedBy: by.me.id,
    recordedAt: by.at,
  }))
}

export function refuseField(path: string, message: string): never {
  throw new Problem('INPUT_INVALID', message, [{ path, message }])
}

/** Refuses a thing the catalogue does not list. */
export function refuseUnknownThings(things: readonly string[], catalogue: Catalogue): void {
  const stranger = things.find((thing) => !catalogue.equipment.has(thing))
  if (stranger !== undefined) refuseField('things', `"${stranger}" is no thing of the catalogue.`)
}
