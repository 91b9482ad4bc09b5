import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

/**
 * The command-line doors: `node door.mjs assess FILE`. Runs what was built where nothing has changed since, otherwise the source.
 */
const here = fileURLToPath(new URL('.', import.meta.url))
const [name, ...words] = process.argv.slice(2)
const built = join(here, 'dist', 'cli', `${name}.js`)

function newestIn(directory) {
  return readdirSync(directory, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .reduce((newest, entry) => Math.max(newest, statSync(join(entry.parentPath, entry.name)).mtimeMs), 0)
}

function isFresh() {
  const mark = join(here, 'dist', 'catalogue.bin')
  if (!existsSync(built) || !existsSync(mark)) return false
  const sources = [join(here, 'src'), join(here, '..', 'core', 'src')]
  return sources.every((directory) => newestIn(directory) <= statSync(mark).mtimeMs)
}

if (isFresh()) {
  process.argv = [process.argv[0], built, ...words]
  await import(built)
} else {
  const source = join(here, 'src', 'cli', `${name}.ts`)
  const { status } = spawnSync(
    process.execPath,
    ['--conditions=pledge-source', '--import', 'tsx', source, ...words],
    { stdio: 'inherit' },
  )
  process.exitCode = status ?? 1
}
