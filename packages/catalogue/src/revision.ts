import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'

/** The folders and files that make a catalogue. */
const PARTS = ['conditions', 'cross-cutting', 'exercises', 'protocols'] as const
const LISTS = ['dose-schools.yaml', 'equipment.yaml', 'sources.yaml'] as const

/** Names the contents of a catalogue's files: every file that is read counts, and its place. */
export function revisionOf(directory: string): string {
  const hash = createHash('sha256')
  const files = [
    ...PARTS.flatMap((folder) => yamlFiles(join(directory, folder))),
    ...LISTS.map((name) => join(directory, name)),
  ]
  for (const file of files) hash.update(relative(directory, file)).update('\0').update(readFileSync(file))
  return hash.digest('hex').slice(0, 16)
}

/** The YAML files under a directory, in a fixed order. */
export function yamlFiles(directory: string): string[] {
  return readdirSync(directory, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && entry.name.endsWith('.yaml'))
    .map((entry) => join(entry.parentPath, entry.name))
    .sort()
}
