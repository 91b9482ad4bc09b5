import type { Depicted, StillMoment } from '../src/index.js'
import { loadHand, StillRenderer } from '../src/index.js'
import handUrl from '../asset/hand.bin?url'

/** The page `npm run stills` opens in a browser without a window: it draws what it is told and hands the files back. */
export interface StillOrder {
  readonly exercise: Depicted
  readonly side: 'left' | 'right'
  readonly moment: StillMoment
}
export interface SheetOrder {
  readonly label: string
  readonly exercise: Depicted
}

declare global {
  interface Window {
    drawStills(orders: readonly StillOrder[], size: number): Promise<string[]>
    drawSheet(orders: readonly SheetOrder[], columns: number, cell: number, side: 'left' | 'right'): Promise<string>
  }
}

const mesh = await loadHand(handUrl)
const renderers = new Map<number, StillRenderer>()
const rendererOf = (size: number) => {
  const known = renderers.get(size) ?? new StillRenderer(mesh, { width: size, height: size })
  renderers.set(size, known)
  return known
}
const base64 = async (blob: Blob) => {
  const bytes = new Uint8Array(await blob.arrayBuffer())
  let text = ''
  for (const byte of bytes) text += String.fromCharCode(byte)
  return btoa(text)
}

window.drawStills = async (orders, size) => {
  const files: string[] = []
  for (const { exercise, side, moment } of orders) {
    const canvas = rendererOf(size).render(exercise, side, moment)
    files.push(await base64(await canvas.convertToBlob({ type: 'image/webp', quality: 0.9 })))
  }
  return files
}

window.drawSheet = async (orders, columns, cell, side) => {
  const rows = Math.ceil(orders.length / columns)
  const sheet = new OffscreenCanvas(columns * cell, rows * (cell + 16))
  const ink = sheet.getContext('2d')!
  ink.fillStyle = '#fbf8f2'
  ink.fillRect(0, 0, sheet.width, sheet.height)
  ink.font = '11px sans-serif'
  orders.forEach(({ label, exercise }, place) => {
    const [x, y] = [(place % columns) * cell, Math.floor(place / columns) * (cell + 16)]
    ink.drawImage(rendererOf(cell * 2).render(exercise, side, 'end'), x, y, cell, cell)
    ink.fillStyle = '#22303a'
    ink.fillText(label, x + 4, y + cell + 11, cell - 8)
  })
  return base64(await sheet.convertToBlob({ type: 'image/png' }))
}
document.title = 'ready'
