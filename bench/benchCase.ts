import { fileURLToPath } from 'node:url'
import { factBook, unhinderedCase, type PatientCase, type RecordedFact } from '@pledge/core'
import { loadCatalogue } from '../packages/catalogue/src/loadCatalogue.js'

export const catalogue = loadCatalogue(fileURLToPath(new URL('../catalogue', import.meta.url)))

/** A case of a protocol on a day: with everything recorded, or with these facts alone. */
export function benchCase(protocolId: string, day: number, facts: RecordedFact[] | null = null): PatientCase {
  const protocol = catalogue.protocols.get(protocolId)!
  return {
    ...unhinderedCase(protocol),
    condition: catalogue.conditions.get(protocol.condition)!,
    day,
    facts: factBook({
      today: null,
      limits: catalogue.crossCutting.facts,
      facts: facts ?? [],
      assumeRecorded: facts === null,
    }),
    contraindications: [],
    isHealthAsked: true,
    notAtHome: null,
    otherHand: 'well',
    otherInjuries: [],
  }
}
