import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './install.mjs'

/** Everything the drawing is made of: its code and the hand. */
export function drawingHash() {
  const hash = createHash('sha256')
  const add = (path) => {
    for (const entry of readdirSync(join(root, path), { withFileTypes: true }).sort((a, b) =>
      a.name < b.name ? -1 : 1,
    )) {
      const inner = `${path}/${entry.name}`
      if (entry.isDirectory()) add(inner)
      else if (!inner.endsWith('.test.ts')) hash.update(inner).update(readFileSync(join(root, inner)))
    }
  }
  add('packages/figure/src')
  hash.update(readFileSync(join(root, 'packages/figure/asset/hand.bin')))
  return `${hash.digest('hex')}\n`
}
