import { decodeHand, type HandMesh } from './handFile.js'

let asked: Promise<HandMesh> | null = null

/** The hand's file, fetched once and kept; a failed download is asked for again the next time. */
export function loadHand(url: string): Promise<HandMesh> {
  asked ??= fetch(url)
    .then(async (answer) => {
      if (!answer.ok) throw new Error(`The hand could not be fetched: ${answer.status}.`)
      return decodeHand(new Uint8Array(await answer.arrayBuffer()))
    })
    .catch((error: unknown) => {
      asked = null
      throw error
    })
  return asked
}
