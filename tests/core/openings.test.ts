import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { openingBook } from './openingBook.js'
import { catalogue, catalogueDirectory } from './shippedCatalogue.js'

// To be read line by line as a therapist would (docs/interpretations/openings.md); `npx vitest run --project core openings -u`
// writes it anew.
describe('the opening book', () => {
  it.each([...catalogue.protocols.values()].map((protocol) => [protocol.id, protocol] as const))(
    'of %s is the one that was read',
    async (id, protocol) => {
      await expect(openingBook(protocol)).toMatchFileSnapshot(
        join(catalogueDirectory, 'openings', `${id}.txt`),
      )
    },
  )
})
