import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import {
  factBook,
  phaseOn,
  unhinderedCase,
  type Catalogue,
  type PatientCase,
  type RecordedFact,
} from '@pledge/core'
import { loadCatalogue } from '../../packages/catalogue/src/loadCatalogue.js'

export const catalogueDirectory = fileURLToPath(new URL('../../catalogue', import.meta.url))
export const catalogue: Catalogue = loadCatalogue(catalogueDirectory)

/** The lines of a list beside the catalogue, word by word; comments and empty lines left out. */
export function linesOf(name: string): string[][] {
  return readFileSync(join(catalogueDirectory, name), 'utf8')
    .split('\n')
    .filter((line) => line.trim() !== '' && !line.startsWith('#'))
    .map((line) => line.trim().split(' '))
}

/** Exercises added to those of the exercise document, each with its reason: what counts them leaves these out. */
export const addedExercises: ReadonlyMap<string, string> = new Map(
  linesOf('added-exercises.txt').map(([id, ...reason]) => [id!, reason.join(' ')]),
)

/** Whether an exercise is listed under a condition besides those the exercise document counts there. */
export function isAddedListing(exerciseId: string, conditionId: string): boolean {
  return addedListings.has(`${exerciseId} ${conditionId}`)
}
const addedListings: ReadonlySet<string> = new Set(
  linesOf('added-listings.txt').flatMap(([id, conditions]) =>
    conditions!.split(',').map((condition) => `${id} ${condition}`),
  ),
)

interface CaseWish {
  day?: number
  /** Criteria taken back; everything else counts as met. */
  without?: string[]
  facts?: Partial<Record<string, number | boolean | string>>
  over?: Partial<PatientCase>
}

/** A plated wrist on a day with everything recorded, less what a test takes away. */
export function plated(wish: CaseWish = {}): PatientCase {
  return caseOf('DRF-VLP-EARLY', { day: 45, ...wish })
}

/** A case of any protocol with everything recorded, less what a test takes away. */
export function caseOf(
  protocolId: string,
  { day = 0, without = [], facts = {}, over = {} }: CaseWish = {},
): PatientCase {
  const protocol = catalogue.protocols.get(protocolId)!
  const recorded = Object.entries(facts).map(([what, value]): RecordedFact => ({
    what: what as RecordedFact['what'],
    value: value!,
    date: null,
    withdrawn: false,
  }))
  const withdrawn = without.map((what): RecordedFact => ({
    what: what as RecordedFact['what'],
    value: false,
    date: null,
    withdrawn: true,
  }))
  return {
    ...unhinderedCase(protocol),
    condition: catalogue.conditions.get(protocol.condition)!,
    day,
    facts: factBook({
      today: null,
      limits: catalogue.crossCutting.facts,
      facts: [...recorded, ...withdrawn],
      assumeRecorded: true,
    }),
    contraindications: [],
    isHealthAsked: true,
    notAtHome: null,
    otherHand: 'well',
    otherInjuries: [],
    ...over,
  }
}

export function phaseIdOf(state: PatientCase): string | null {
  return phaseOn(state.protocol, state.day, state.facts, state.reviewOverdueDays).phase?.id ?? null
}
