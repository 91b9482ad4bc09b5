import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { depicted } from '@pledge/core'
import { loadCatalogue } from '../packages/catalogue/src/loadCatalogue.ts'
import { root } from '../scripts/lib/install.mjs'
import { openStillsPage } from '../scripts/lib/stillsPage.mjs'

/** The drawn hand in a browser without a GPU: script time, for the rest is the graphics card's. */
const FRAMES = 60
const { exercises } = loadCatalogue(join(root, 'catalogue'))
for (const id of ['fist-gentle', 'block-middle-joint', 'median-slide-neck']) {
  const { page, close } = await openStillsPage()
  try {
    const { drawMs, poseMs, stillMs } = await page.evaluate(
      (exercise, frames) => window.measure(exercise, frames),
      depicted(exercises.get(id)),
      FRAMES,
    )
    process.stdout.write(
      `figure     ${id}: ${drawMs.toFixed(1)} ms of script a frame at 480x480 (aim 8), ${(drawMs / poseMs).toFixed(1)} times posing and skinning alone (${poseMs.toFixed(1)} ms); a still of 512x512 in ${stillMs.toFixed(0)} ms\n`,
    )
  } finally {
    await close()
  }
}
const assets = join(root, 'packages/web/dist/assets')
const sizes = readdirSync(assets)
  .filter((file) => /^(src-.*\.js|HandFigure-.*\.js|hand-.*\.bin)$/.test(file))
  .map((file) => {
    const bytes = readFileSync(join(assets, file))
    return `${file.replace(/-[^-]*\./, '.')} ${(bytes.length / 1024).toFixed(0)} kB, ${(gzipSync(bytes).length / 1024).toFixed(0)} kB gzipped`
  })
process.stdout.write(`download   ${sizes.join('; ')}\n`)
