import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { depicted, stillFiles, TIGHTNESS_PICTURES } from '@pledge/core'
import { loadCatalogue } from '../packages/catalogue/src/loadCatalogue.ts'
import { drawingHash } from './lib/drawingHash.mjs'
import { installPrograms, root } from './lib/install.mjs'
import { run, say } from './lib/say.mjs'
import { openStillsPage } from './lib/stillsPage.mjs'

const SIZE = 320
const AT_ONCE = 12
const directory = join(root, 'packages/web/public/stills')

/**
 * `npm run stills`: pictures of each exercise at its start and at each shape, and of the positions in which tightness is tested, for
 * a left hand, into packages/web/public/stills.
 * A picture is kept under the hash of its angles; what is there already is not drawn again, unless the drawing itself or
 * the hand has changed. What no exercise needs any more is removed.
 */
async function main() {
  await installPrograms({ withBrowser: true })
  mkdirSync(directory, { recursive: true })
  const mark = join(directory, 'drawn-by.txt')
  const drawnBy = drawingHash()
  const before = readOr(mark)
  if (before !== drawnBy && before !== '') {
    say('the drawing has changed: all pictures are drawn anew')
    for (const file of readdirSync(directory)) rmSync(join(directory, file))
  }
  const { exercises } = loadCatalogue(join(root, 'catalogue'))
  const depictions = [...exercises.values(), ...Object.values(TIGHTNESS_PICTURES).flat()]
  const wanted = new Map(
    depictions.flatMap((exercise) =>
      stillFiles(exercise).map((file, shape) => [
        file,
        { exercise: depicted(exercise), side: 'left', shape: shape === 0 ? null : shape - 1 },
      ]),
    ),
  )
  const there = new Set(readdirSync(directory))
  for (const file of there) if (file.endsWith('.webp') && !wanted.has(file)) rmSync(join(directory, file))
  const missing = [...wanted].filter(([file]) => !there.has(file))
  if (missing.length > 0) {
    say(`drawing ${missing.length} pictures`)
    const { page, close } = await openStillsPage()
    try {
      for (let from = 0; from < missing.length; from += AT_ONCE) {
        const part = missing.slice(from, from + AT_ONCE)
        const files = await page.evaluate(
          (orders, size) => window.drawStills(orders, size),
          part.map(([, order]) => order),
          SIZE,
        )
        files.forEach((file, place) =>
          writeFileSync(join(directory, part[place][0]), Buffer.from(file, 'base64')),
        )
      }
    } finally {
      await close()
    }
  }
  writeFileSync(mark, drawnBy)
  say(`${wanted.size} pictures of ${exercises.size} exercises, ${missing.length} drawn now`)
}

function readOr(file) {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    return ''
  }
}

await run(main)
