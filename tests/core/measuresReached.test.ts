import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'

/**
 * What core computes and nobody can reach helps nobody: every function of the rooms of measures, tissues and nerves is used by a screen or the server, or
 * by one that is, or stands in `docs/measures-not-on-screen.txt` with the reason. The doors to core (`exchange`) do not count.
 */
const root = fileURLToPath(new URL('../../', import.meta.url))
const filesUnder = (directory: string): string[] =>
  readdirSync(join(root, directory), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.(ts|vue)$/.test(entry.name) && !entry.name.includes('.test.'))
    .map((entry) => join(entry.parentPath, entry.name))
const textOf = (file: string) => readFileSync(file, 'utf8')
/** Without comments and texts: a name told in a sentence is not used. */
const codeOf = (file: string) => textOf(file).replace(/\/\*[\s\S]*?\*\/|(^|\s)\/\/.*$|'[^'\n]*'/gm, '')

const ROOMS = /core\/src\/(measurement|tissue|nerve)\//
const core = filesUnder('packages/core/src').filter(
  (file) => !file.includes('/exchange/') && !file.endsWith('core/src/index.ts'),
)
const outside = ['web', 'server', 'figure', 'demo']
  .flatMap((name) => filesUnder(`packages/${name}/src`))
  .map(codeOf)
  .join('\n')
const declared = core
  .filter((file) => ROOMS.test(file))
  .flatMap((file) =>
    [...textOf(file).matchAll(/^export (?:function|const) (\w+)/gm)].map(([, name]) => ({
      name: name!,
      file,
    })),
  )
const codes = new Map(core.map((file) => [file, codeOf(file)]))

function reached(): Set<string> {
  // A key of that name is another thing.
  const uses = (code: string, name: string) => new RegExp(`\\b${name}\\b(?!:)`).test(code)
  const found = new Set(declared.filter(({ name }) => uses(outside, name)).map(({ name }) => name))
  // Rooms above the measures are on screens through their own functions.
  const above = core
    .filter((file) => !ROOMS.test(file))
    .map((file) => codes.get(file)!)
    .join('\n')
  for (const { name } of declared) if (uses(above, name)) found.add(name)
  for (let before = -1; before !== found.size;) {
    before = found.size
    const files = new Set(declared.filter(({ name }) => found.has(name)).map(({ file }) => file))
    for (const { name, file } of declared)
      if ([...files].some((user) => user !== file && uses(codes.get(user)!, name))) found.add(name)
      else if (files.has(file) && (codes.get(file)!.match(new RegExp(`\\b${name}\\b`, 'g')) ?? []).length > 1)
        found.add(name)
  }
  return found
}

it('every computation of the measurement rooms is reached, or listed with the reason', () => {
  const listed = textOf(join(root, 'docs/measures-not-on-screen.txt'))
    .split('\n')
    .filter((line) => line.trim() !== '' && !line.startsWith('#'))
    .map((line) => ({ name: line.split(' ')[0]!, reason: line.split(' ').slice(1).join(' ') }))
  const onScreen = reached()
  // A constant belongs to what computes with it.
  const isFunction = ({ name, file }: (typeof declared)[number]) =>
    new RegExp(`^export function ${name}\\b`, 'm').test(textOf(file))
  const missing = declared.filter((one) => isFunction(one) && !onScreen.has(one.name)).map(({ name }) => name)
  expect(listed.map(({ name }) => name).sort()).toEqual([...new Set(missing)].sort())
  for (const { name, reason } of listed) expect(reason.length, name).toBeGreaterThan(20)
})
