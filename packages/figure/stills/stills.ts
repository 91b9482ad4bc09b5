import type { AngleLimits, Depicted, Orthosis } from '@pledge/core'
import type { StillMoment } from '../src/index.js'
import {
  handFrames,
  HandSkin,
  loadHand,
  pictureOf,
  poseAt,
  renderStill,
  Stage,
  StillRenderer,
} from '../src/index.js'
import handUrl from '../asset/hand.bin?url'

/** The page `npm run stills` opens in a browser without a window: it draws what it is told and hands the files back. */
export interface StillOrder {
  readonly exercise: Depicted
  readonly side: 'left' | 'right'
  /** `null` for the start. */
  readonly shape: number | null
}
export interface SheetOrder {
  readonly label: string
  readonly moment?: StillMoment
  readonly worn?: Orthosis
  readonly limits?: AngleLimits
  readonly exercise: Depicted
}

declare global {
  interface Window {
    drawStills(orders: readonly StillOrder[], size: number): Promise<string[]>
    /** Milliseconds of script a frame: drawing, and posing and skinning alone; of a still of 512 x 512 until it is a file. */
    measure(exercise: Depicted, frames: number): Promise<{ drawMs: number; poseMs: number; stillMs: number }>
    drawSheet(
      orders: readonly SheetOrder[],
      columns: number,
      cell: number,
      side: 'left' | 'right',
    ): Promise<string>
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
  for (const { exercise, side, shape } of orders) {
    const moment = shape === null ? 'start' : 'end'
    const canvas = rendererOf(size).render(exercise, side, moment, { shape: shape ?? 0 })
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
  orders.forEach(({ label, exercise, moment = 'end', ...options }, place) => {
    const [x, y] = [(place % columns) * cell, Math.floor(place / columns) * (cell + 16)]
    ink.drawImage(rendererOf(cell * 2).render(exercise, side, moment, options), x, y, cell, cell)
    ink.fillStyle = '#22303a'
    ink.fillText(label, x + 4, y + cell + 11, cell - 8)
  })
  return base64(await sheet.convertToBlob({ type: 'image/png' }))
}

window.measure = async (exercise, frames) => {
  // Before the frames: without a graphics card they are still being worked off when the loop is over.
  const asked = performance.now()
  await renderStill(mesh, exercise, 'left', { width: 512, height: 512 })
  const stillMs = performance.now() - asked
  const picture = pictureOf(exercise)
  const stage = new Stage(new OffscreenCanvas(480, 480), mesh)
  stage.resize(480, 480)
  stage.show(picture, 'left')
  const skin = new HandSkin(mesh)
  const average = (work: (time: number) => void) => {
    for (let k = 0; k < 10; k += 1) work(k / 10)
    const from = performance.now()
    for (let k = 0; k < frames; k += 1) work(k / frames)
    return (performance.now() - from) / frames
  }
  const poseMs = average((time) => skin.carry(handFrames(poseAt(picture, 0, time))))
  const drawMs = average((time) => stage.draw(0, time, { ghost: true, arrow: true }))
  stage.dispose()
  return { drawMs, poseMs, stillMs }
}
document.title = 'ready'
