import { readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import {
  checkCatalogue,
  CoreError,
  DocumentReader,
  joinRules,
  lintProtocol,
  readCondition,
  readDoseSchools,
  readEquipment,
  readExercise,
  readProtocol,
  readRuleFile,
  withListed,
  type Catalogue,
  type CatalogueSource,
} from '@pledge/core'
import { parseDocument } from 'yaml'
import { revisionOf, yamlFiles } from './revision.js'

/**
 * Reads and checks every file of the catalogue. Nothing is skipped: a file that does not hold stops the start.
 *
 * @throws CoreError with the file, the path inside it and what was expected
 */
export function loadCatalogue(directory: string): Catalogue {
  const read = <T extends { id: string }>(
    folder: string,
    readOne: (document: unknown) => T,
  ): Map<string, T> => {
    const entries = new Map<string, T>()
    for (const file of yamlFiles(join(directory, folder))) {
      const text = readFileSync(file, 'utf8')
      const name = relative(directory, file)
      const entry = inFile(name, () => readOne(parseYaml(text)))
      if (entries.has(entry.id))
        throw new CoreError(
          'DOCUMENT_INVALID',
          name,
          `${name}: Expected an id of its own, found "${entry.id}" twice.`,
        )
      entries.set(entry.id, entry)
    }
    return entries
  }
  const conditions = read('conditions', readCondition)
  const protocols = read('protocols', (document) => {
    const protocol = readProtocol(document)
    const [finding] = lintProtocol(protocol)
    if (finding) throw new CoreError('DOCUMENT_INVALID', finding.path, `Expected ${finding.expected}.`)
    return protocol
  })
  const exercises = read('exercises', readExercise)
  const readWhole = <T>(name: string, readAll: (document: unknown) => T): T => {
    const text = readFileSync(join(directory, name), 'utf8')
    return inFile(name, () => readAll(parseYaml(text)))
  }
  const equipment = readWhole('equipment.yaml', readEquipment)
  const ruleFiles = read('cross-cutting', readRuleFile)
  const crossCutting = inFile('cross-cutting', () => joinRules([...ruleFiles.values()]))
  const doseSchools = readWhole('dose-schools.yaml', readDoseSchools)
  const sources = readWhole('sources.yaml', readSources)
  const catalogue: Catalogue = {
    conditions: withListed(conditions, exercises),
    protocols,
    exercises,
    equipment,
    crossCutting,
    doseSchools,
    sources,
    revision: revisionOf(directory),
  }
  checkCatalogue(catalogue)
  return catalogue
}

/** Parses YAML without aliases, so that a small file cannot grow into a large document. */
export function parseYaml(text: string): unknown {
  const document = parseDocument(text, { uniqueKeys: true })
  const problem = document.errors[0]
  if (problem) {
    const place = problem.linePos?.[0]
    throw new CoreError(
      'DOCUMENT_INVALID',
      place ? `line ${place.line}` : '',
      `Expected YAML: ${problem.message.split('\n')[0]}`,
    )
  }
  try {
    return document.toJS({ maxAliasCount: 0 })
  } catch {
    throw new CoreError(
      'DOCUMENT_INVALID',
      '',
      'Expected YAML without aliases (&name, *name): write the value out.',
    )
  }
}

function readSources(document: unknown): Map<string, CatalogueSource> {
  return new Map(
    new DocumentReader(document).list().map((entry) => {
      const part = entry.object(['key', 'text', 'confidence'])
      const key = part['key']!.text()
      return [
        key,
        { key, text: part['text']!.text(), confidence: part['confidence']!.oneOf(['high', 'medium', 'low']) },
      ] as const
    }),
  )
}

function inFile<T>(name: string, read: () => T): T {
  try {
    return read()
  } catch (error) {
    if (error instanceof CoreError)
      throw new CoreError(error.code, `${name}: ${error.path}`, `${name}: ${error.path}: ${error.message}`)
    throw error
  }
}
