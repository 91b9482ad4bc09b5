import { allConstants } from '../anatomy/constant.js'
import { CoreError } from '../errors.js'
import type { SchoolQuestion } from '../dose/doseSchool.js'
import type { Condition } from '../exercise/condition.js'
import type { Equipment } from '../exercise/equipment.js'
import type { Exercise } from '../exercise/exercise.js'
import type { Protocol } from '../protocol/protocol.js'
import type { CrossCutting } from '../rules/crossCutting.js'

/** The clinical content, read and checked. */
export interface Catalogue {
  readonly conditions: ReadonlyMap<string, Condition>
  readonly protocols: ReadonlyMap<string, Protocol>
  readonly exercises: ReadonlyMap<string, Exercise>
  readonly equipment: ReadonlyMap<string, Equipment>
  readonly crossCutting: CrossCutting
  /** Where practice disagrees about doses. */
  readonly doseSchools: readonly SchoolQuestion[]
  readonly sources: ReadonlyMap<string, CatalogueSource>
  /** A hash of all its files: a signed program keeps it. */
  readonly revision: string
}

/** What numbers rest on, and how sure we are that it says so. */
export interface CatalogueSource {
  readonly key: string
  readonly text: string
  readonly confidence: 'high' | 'medium' | 'low'
}

/**
 * Checks that what the files say of one another holds: conditions, protocols and exercises exist, ladders neither
 * dangle nor cycle, the rules for every protocol name protocols that exist, every source key is listed and every listed source is used.
 *
 * @throws CoreError `DOCUMENT_INVALID` with the place and what was expected
 */
export function checkCatalogue(catalogue: Catalogue): void {
  const refuse = (path: string, message: string): never => {
    throw new CoreError('DOCUMENT_INVALID', path, message)
  }
  const used = new Set<string>()
  const handed = new Set<string>()
  const cite = (path: string, key: string) => {
    used.add(key)
    if (!catalogue.sources.has(key)) refuse(path, `Expected a source listed in sources.yaml, found "${key}".`)
  }
  for (const condition of catalogue.conditions.values()) {
    cite(`conditions.${condition.id}.source`, condition.source.key)
    for (const id of [...condition.protocols, ...Object.keys(condition.schoolWeeks)]) {
      if (!catalogue.protocols.has(id))
        refuse(`conditions.${condition.id}.protocols`, `Expected a protocol of the catalogue, found "${id}".`)
    }
  }
  for (const protocol of catalogue.protocols.values()) {
    if (!catalogue.conditions.has(protocol.condition)) {
      refuse(
        `protocols.${protocol.id}.condition`,
        `Expected a condition of the catalogue, found "${protocol.condition}".`,
      )
    }
    protocol.sources.forEach((source) => cite(`protocols.${protocol.id}.src`, source.key))
  }
  for (const table of catalogue.crossCutting.tables) {
    if (table.source) cite(`cross-cutting.${table.id}.source`, table.source.key)
    for (const rule of table.rules) {
      cite(`cross-cutting.${rule.id}.source`, rule.source.key)
      if (rule.unit !== 'protocols') continue
      for (const id of rule.value as readonly string[])
        if (!catalogue.protocols.has(id))
          refuse(`cross-cutting.${rule.id}`, `Expected a protocol of the catalogue, found "${id}".`)
    }
  }
  for (const { question, schools } of catalogue.doseSchools)
    for (const { id, source } of schools) cite(`dose-schools.${question}.${id}.source`, source.key)
  for (const exercise of catalogue.exercises.values()) {
    const path = `exercises.${exercise.id}`
    exercise.sources.forEach((source) => cite(`${path}.source`, source.key))
    for (const condition of [...exercise.conditions, ...Object.keys(exercise.gateWeeks)]) {
      if (!catalogue.conditions.has(condition))
        refuse(`${path}.conditions`, `Expected a condition of the catalogue, found "${condition}".`)
    }
    for (const condition of Object.keys(exercise.asks ?? {})) {
      if (!exercise.conditions.includes(condition))
        refuse(`${path}.asks`, `Expected a condition the exercise is for, found "${condition}".`)
    }
    for (const id of (exercise.neverFor ?? []).flatMap(({ of }) => of)) {
      if (!catalogue.conditions.has(id) && !catalogue.protocols.has(id))
        refuse(`${path}.neverFor`, `Expected a condition or a protocol of the catalogue, found "${id}".`)
    }
    for (const key of exercise.equipment) {
      handed.add(key)
      if (!catalogue.equipment.has(key))
        refuse(`${path}.equipment`, `Expected a thing listed in equipment.yaml, found "${key}".`)
    }
    for (const id of [...exercise.ladder.easier, ...exercise.ladder.harder]) {
      if (!catalogue.exercises.has(id))
        refuse(`${path}.ladder`, `Expected an exercise of the catalogue, found "${id}".`)
    }
    const above = (id: string): readonly string[] => catalogue.exercises.get(id)?.ladder.harder ?? []
    const seen = new Set<string>()
    const queue = [...above(exercise.id)]
    while (queue.length > 0) {
      const id = queue.pop()!
      if (id === exercise.id)
        refuse(
          `${path}.ladder.harder`,
          'Expected a ladder that leads upward, found one that comes back to itself.',
        )
      if (!seen.has(id)) {
        seen.add(id)
        queue.push(...above(id))
      }
    }
  }
  for (const key of catalogue.equipment.keys())
    if (!handed.has(key))
      refuse(`equipment.${key}`, 'Expected a thing that some exercise uses; remove it or use it.')
  const ofCode = sourcesOfCode()
  for (const key of catalogue.sources.keys()) {
    if (!used.has(key) && !ofCode.includes(key))
      refuse(`sources.${key}`, 'Expected a source that something rests on; remove it or cite it.')
  }
}

/** Sources that code rests on: those of its constants, and those its docstrings name. A test reads both. */
export function sourcesOfCode(): readonly string[] {
  return [...new Set([...allConstants().map(({ source }) => source), ...SOURCES_OF_DOCSTRINGS])]
}

/** Keys that only docstrings name: formulas, grades and tables have no constant of their own. */
export const SOURCES_OF_DOCSTRINGS: readonly string[] = [
  'A1-AUTHORITY',
  'A-RESISTANCE',
  'A16-DOSE',
  'A5-NERVE',
  'ASHT-1992',
  'BECHTOL-1954',
  'BELL-KROTOSKI-1995',
  'DURAN-HOUSER-1975',
  'FARRAR-2001',
  'FLOWERS-PHEASANT-1988',
  'GRAHAM-2006',
  'GROTH-2004',
  'KAPANDJI-1986',
  'KLEINERT-VERDAN-1983',
  'MATHIOWETZ-1984',
  'MURUGKAR-2004',
  'PLEDGE-DECISION',
  'SEN-1968',
  'SILBERNAGEL-2007',
  'STOKES-1983',
  'STRATFORD-1995',
  'STRAUCH-1997',
  'TEXTBOOK-PRACTICE',
  'THEIL-1950',
  'THOMEE-1997',
]
