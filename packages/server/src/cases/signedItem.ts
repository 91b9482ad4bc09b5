import type { SignedItem } from '@pledge/core'

/** Items as they are stored. Those signed before one could choose digits are for the exercise as it is. */
export function storedItems(stored: unknown): SignedItem[] {
  const items = stored as readonly (Omit<SignedItem, 'digits'> & Partial<Pick<SignedItem, 'digits'>>)[]
  return items.map((item) => ({ ...item, digits: item.digits ?? null }))
}
