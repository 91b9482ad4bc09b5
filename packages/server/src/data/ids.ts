import { randomFillSync } from 'node:crypto'
import { monotonicFactory } from 'ulid'

/** Random bytes fetched a page at a time: an id asks for one byte sixteen times over. */
const page = new Uint8Array(4096)
let left = 0

function random(): number {
  if (left === 0) {
    randomFillSync(page)
    left = page.length
  }
  left -= 1
  return page[left]! / 256
}

/** Ids of things made on this server; later ones sort after earlier ones, within one millisecond too. */
export const newId: () => string = monotonicFactory(random)
