import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { deserialize, serialize } from 'node:v8'
import type { Catalogue } from '@pledge/core'
import { loadCatalogue } from './loadCatalogue.js'
import { revisionOf } from './revision.js'

/** The catalogue that ships with Pledge. */
export const SHIPPED = fileURLToPath(new URL('../../../catalogue', import.meta.url))
/** What the build makes of it; found from this package and from the server's one file alike. */
const COMPILED = fileURLToPath(new URL('../../catalogue/dist/catalogue.bin', import.meta.url))

/** The compiled form depends on what core makes of a file: another build of the code does not read it. */
interface Compiled {
  readonly node: string
  readonly catalogue: Catalogue
}

/**
 * The catalogue of a directory: as the build compiled it where not a byte of its files has changed since, otherwise read and
 * checked file by file, as in development.
 *
 * @throws CoreError with the file, the path inside it and what was expected
 */
export function shippedCatalogue(directory: string = SHIPPED, compiled: string = COMPILED): Catalogue {
  return compiledCatalogue(directory, compiled) ?? loadCatalogue(directory)
}

/** Reads and checks the catalogue and keeps it in the form in which it is started from. */
export function compileCatalogue(directory: string = SHIPPED, compiled: string = COMPILED): Catalogue {
  const catalogue = loadCatalogue(directory)
  const content: Compiled = { node: process.version, catalogue }
  writeFileSync(compiled, serialize(content))
  return catalogue
}

function compiledCatalogue(directory: string, compiled: string): Catalogue | null {
  // From source there is no build that could be trusted: code and files change together.
  if (import.meta.url.endsWith('.ts')) return null
  try {
    const { node, catalogue } = deserialize(readFileSync(compiled)) as Compiled
    return node === process.version && catalogue.revision === revisionOf(directory) ? catalogue : null
  } catch {
    return null
  }
}
