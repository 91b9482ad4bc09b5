import type { Said } from '../words/names.js'
import { readSaid } from '../protocol/readRule.js'
import { DocumentReader } from '../reading/documentReader.js'

/** A thing an exercise is done with. Materials have generic names; makers use the same colors for other strengths. */
export interface Equipment {
  readonly id: string
  readonly name: Said
  /** What does the same at home; `null` where nothing safe does. */
  readonly home: Said | null
}

/**
 * Reads the list of equipment (parsed YAML): each with an id of its own and its names in both languages.
 *
 * @throws CoreError `DOCUMENT_INVALID` with the path and what was expected
 */
export function readEquipment(document: unknown): ReadonlyMap<string, Equipment> {
  const known = new Map<string, Equipment>()
  for (const entry of new DocumentReader(document).list()) {
    const part = entry.object(['id', 'name', 'home'])
    const id = part['id']!.text()
    if (known.has(id)) part['id']!.refuse('an id of its own')
    known.set(id, { id, name: readSaid(part['name']!), home: part['home']!.optional(readSaid) })
  }
  return known
}

/** The things of the catalogue that are not among those at home. */
export function thingsNotAtHome(
  things: ReadonlyMap<string, Equipment>,
  atHome: readonly string[],
): Equipment[] {
  return [...things.values()].filter(({ id }) => !atHome.includes(id))
}
