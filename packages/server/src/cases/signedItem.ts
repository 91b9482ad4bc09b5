import type { Digit, Dose, Exercise, Orthosis, VerdictKind } from '@pledge/core'

/** An item of a signed program: a copy of everything it prescribed, so that the catalogue never changes a record. */
export interface SignedItem {
  readonly itemId: string
  readonly exercise: Exercise
  readonly dose: Dose
  /** The digits chosen for the patient; `null`: as the exercise is. */
  readonly digits: readonly Digit[] | null
  readonly orthosis: Orthosis
  readonly minutesPerBout: number
  readonly verdict: VerdictKind
  readonly conditions: readonly string[]
  /** The exception that opened it, where its verdict was not yet; absent in programs signed before there were any. */
  readonly override?: { readonly id: string; readonly why: string; readonly by: string } | null
}

/** Items as they are stored. Those signed before one could choose digits are for the exercise as it is. */
export function storedItems(stored: unknown): SignedItem[] {
  const items = stored as readonly (Omit<SignedItem, 'digits'> & Partial<Pick<SignedItem, 'digits'>>)[]
  return items.map((item) => ({ ...item, digits: item.digits ?? null }))
}
