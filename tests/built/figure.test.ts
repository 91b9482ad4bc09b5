import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { depicted, type Depicted, stillFiles } from '@pledge/core'
import type { Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { loadCatalogue } from '../../packages/server/src/catalogue/loadCatalogue.js'
import { fill, openPage, press, reads, signIn, startBrowser } from '../../scripts/lib/browser.mjs'
import { drawingHash } from '../../scripts/lib/drawingHash.mjs'
import { openStillsPage } from '../../scripts/lib/stillsPage.mjs'
import { expectAccessible } from './accessible.js'

const { url, signIns } = inject('built')
const noor = signIns.users.find(({ login }) => login === 'noor')!
const root = fileURLToPath(new URL('../../', import.meta.url))
const { exercises } = loadCatalogue(`${root}catalogue`)
const entry = (id: string): Depicted => depicted(exercises.get(id)!)

describe('the stills', () => {
  it('are there for every exercise, at its start and at each shape', () => {
    const missing = [...exercises.values()]
      .flatMap((exercise) => stillFiles(exercise))
      .filter((file) => !existsSync(`${root}packages/web/public/stills/${file}`))
    expect(missing, 'run "npm run stills"').toEqual([])
  })
  it('were made by the drawing as it is now', () =>
    expect(
      readFileSync(`${root}packages/web/public/stills/drawn-by.txt`, 'utf8'),
      'run "npm run stills"',
    ).toBe(drawingHash()))
})

describe('key pictures, by where the fingertips are seen', () => {
  let stills: Awaited<ReturnType<typeof openStillsPage>>
  beforeAll(async () => {
    stills = await openStillsPage()
  })
  afterAll(() => stills.close())
  const seen = (id: string, side: 'left' | 'right', shape = 0, time = 1) =>
    stills.page.evaluate(
      (order, at, when) =>
        (window as unknown as { landmarks: (...all: unknown[]) => unknown }).landmarks(order, at, when),
      { exercise: entry(id), side },
      shape,
      time,
    ) as Promise<
      Record<'thumb' | 'index' | 'middle' | 'ring' | 'little', { x: number; y: number; nearness: number }>
    >

  it('an open hand points up, the middle finger highest, the little finger lowest', async () => {
    const open = await seen('fist-gentle', 'left', 0, 0)
    expect(open.middle.y).toBeGreaterThan(open.little.y)
    expect(open.index.y).toBeGreaterThan(0.2)
  })
  it('a fist brings the fingertips far down, into the palm', async () => {
    const [open, closed] = [await seen('fist-gentle', 'left', 0, 0), await seen('fist-gentle', 'left')]
    for (const finger of ['index', 'middle', 'ring', 'little'] as const)
      expect(open[finger].y - closed[finger].y).toBeGreaterThan(0.2)
  })
  it('a hook stays above the fist', async () =>
    expect((await seen('glide-hook', 'left')).index.y).toBeGreaterThan(
      (await seen('glide-full-fist', 'left')).index.y + 0.05,
    ))
  it('a table top reaches out to the palm’s side', async () => {
    const table = await seen('tabletop-bend', 'left')
    expect(table.index.x - (await seen('tabletop-bend', 'left', 0, 0)).index.x).toBeGreaterThan(0.2)
  })
  it('seen half from the palm at the thumb’s side, thumb and index lie before the little finger', async () => {
    const open = await seen('fist-gentle', 'left', 0, 0)
    expect(open.thumb.nearness).toBeGreaterThan(open.little.nearness)
    expect(open.index.nearness).toBeGreaterThan(open.little.nearness)
  })
  it('a left palm has its thumb on the left, a right palm on the right', async () => {
    const [left, right] = [
      await seen('finger-spread-close', 'left'),
      await seen('finger-spread-close', 'right'),
    ]
    expect(left.thumb.x).toBeLessThan(left.little.x)
    expect(right.thumb.x).toBeGreaterThan(right.little.x)
    for (const digit of ['thumb', 'index', 'middle', 'ring', 'little'] as const) {
      expect(right[digit].x).toBeCloseTo(-left[digit].x, 4)
      expect(right[digit].y).toBeCloseTo(left[digit].y, 4)
      expect(right[digit].nearness).toBeCloseTo(left[digit].nearness, 4)
    }
  })
  it('a thumb that reaches across comes to the little finger’s side', async () => {
    const [free, across] = [
      await seen('thumb-reach-across', 'left', 0, 0),
      await seen('thumb-reach-across', 'left'),
    ]
    expect(across.thumb.x - free.thumb.x).toBeGreaterThan(0.1)
  })
  it('a round O brings thumb and index together', async () => {
    const o = await seen('thumb-o-index', 'left')
    expect(Math.hypot(o.thumb.x - o.index.x, o.thumb.y - o.index.y)).toBeLessThan(0.09)
  })
  it('a wrist over the table’s edge goes from hanging to lifted', async () => {
    const [down, up] = [
      await seen('wrist-updown-active', 'left', 0, 0),
      await seen('wrist-updown-active', 'left'),
    ]
    expect(up.middle.y - down.middle.y).toBeGreaterThan(0.4)
  })
  it('a palm that turns up shows its thumb on the other side', async () => {
    const [down, up] = [
      await seen('forearm-turn-active', 'left', 0, 0),
      await seen('forearm-turn-active', 'left'),
    ]
    const across = (at: typeof up) => at.thumb.x - at.little.x
    expect(Math.abs(across(up) - across(down)) + Math.abs(up.thumb.y - down.thumb.y)).toBeGreaterThan(0.15)
  })
  it('nothing leaves its picture, in any exercise', async () => {
    for (const exercise of exercises.values()) {
      const shapes = exercise.shapes.length
      for (const at of [0, 1]) {
        const tips = await seen(exercise.id, 'left', shapes - 1, at)
        for (const [digit, { x, y }] of Object.entries(tips)) {
          // A near picture is of one digit; the others may lie beyond its edge.
          if (exercise.picture?.digits?.length === 1 || exercise.region === 'thumb') continue
          expect(Math.max(Math.abs(x), Math.abs(y)), `${exercise.id} ${digit}`).toBeLessThan(0.5)
        }
      }
    }
  })
})

describe('in the application', () => {
  let started: Awaited<ReturnType<typeof startBrowser>>
  beforeAll(async () => {
    started = await startBrowser()
  })
  afterAll(() => started.close())
  const figureIs = (page: Page, state: string) =>
    page.waitForSelector(`[data-figure="${state}"]`, { timeout: 30_000 })
  const library = async (before: (page: Page) => Promise<void> = async () => {}) => {
    const page = await openPage(started.browser, { width: 1280, height: 800, moves: true })
    await before(page)
    await signIn(page, url, noor.login, noor.password)
    await page.goto(`${url}/library/glide-hook`, { waitUntil: 'domcontentloaded' })
    await reads(page, 'What follows from its angles')
    return page
  }

  it('the hand is drawn and moves, and can be stopped and turned by keys', async () => {
    const page = await library()
    await figureIs(page, 'drawn')
    const shot = async () =>
      createHash('sha256')
        .update(await (await page.$('.frame'))!.screenshot())
        .digest('hex')
    const after = async (milliseconds: number, act: () => Promise<void> = async () => {}) => {
      await act()
      await new Promise((resolve) => setTimeout(resolve, milliseconds))
      return shot()
    }
    const first = await shot()
    expect(await after(900)).not.toBe(first)
    const paused = await after(200, () => press(page, 'Pause the picture'))
    expect(await after(600)).toBe(paused)
    await page.focus('.frame')
    const key = (name: 'ArrowRight' | 'Home') => after(300, () => page.keyboard.press(name))
    const turned = await key('ArrowRight')
    const back = await key('Home')
    expect(back).not.toBe(turned)
    expect(await key('ArrowRight')).toBe(turned)
    expect(await key('Home')).toBe(back)
    await page.close()
  })

  it.each<[string, (page: Page) => Promise<void>]>([
    [
      'without WebGL',
      (page) =>
        page
          .evaluateOnNewDocument(() => {
            const own = HTMLCanvasElement.prototype.getContext
            HTMLCanvasElement.prototype.getContext = function (
              this: HTMLCanvasElement,
              kind: string,
              ...rest: []
            ) {
              return kind.startsWith('webgl') ? null : own.call(this, kind as '2d', ...rest)
            } as typeof own
          })
          .then(() => undefined),
    ],
    [
      'when the hand cannot be fetched',
      async (page) => {
        await page.setRequestInterception(true)
        page.on(
          'request',
          (request) => void (/hand-.*\.bin/.test(request.url()) ? request.abort() : request.continue()),
        )
      },
    ],
    [
      'when the drawing code cannot be fetched',
      async (page) => {
        await page.setRequestInterception(true)
        page.on(
          'request',
          (request) => void (/assets\/src-/.test(request.url()) ? request.abort() : request.continue()),
        )
      },
    ],
  ])('%s the stills stand there with a quiet note', async (what, before) => {
    const page = await library(before)
    await figureIs(page, 'stills')
    await reads(page, 'this device cannot draw the moving one')
    await page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLImageElement>('.pair img')].every((image) => image.naturalWidth > 0),
    )
    if (what === 'without WebGL') await expectAccessible(page, 'stills in the library')
    await page.close()
  })

  it('a context lost on the way gives place to the stills', async () => {
    const page = await library()
    await figureIs(page, 'drawn')
    await page.evaluate(() =>
      document
        .querySelector('canvas')!
        .getContext('webgl2')!
        .getExtension('WEBGL_lose_context')!
        .loseContext(),
    )
    await figureIs(page, 'stills')
    await page.close()
  })

  it('on a phone the hand and its code come from the cache, without signal', async () => {
    const phone = await openPage(started.browser, { width: 390, height: 844, isPhone: true })
    await phone.goto(`${url}/phone`, { waitUntil: 'networkidle0' })
    await phone.waitForFunction(
      async () => (await navigator.serviceWorker.ready).active?.state === 'activated',
    )
    await phone.reload({ waitUntil: 'networkidle0' })
    await phone.setOfflineMode(true)
    const files = readdirSync(`${root}packages/web/dist/assets`).filter((file) =>
      /^(src-.*\.js|HandFigure-.*\.js|hand-.*\.bin)$/.test(file),
    )
    expect(files.length).toBeGreaterThanOrEqual(3)
    for (const file of files)
      expect(
        await phone.evaluate((name) => fetch(`/assets/${name}`).then((answer) => answer.status), file),
        file,
      ).toBe(200)
    await phone.close()
  })

  it('the sheet shows every exercise, for staff only', async () => {
    const page = await library()
    await page.goto(`${url}/figure-sheet`, { waitUntil: 'domcontentloaded' })
    await reads(page, `of ${exercises.size} drawn`)
    await page.waitForFunction(() => /[1-9]\d* of \d+ drawn/.test(document.body.innerText), {
      timeout: 30_000,
    })
    const dark = await page.evaluate(() => {
      const canvas = document.querySelectorAll('canvas')[1]!
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
      return data.filter((value, place) => place % 4 === 3 && value > 200).length
    })
    expect(dark).toBeGreaterThan(500)
    await fill(page, 'Find by name or family', 'zzz')
    await expectAccessible(page, 'figure sheet')
    await page.close()
    const answer = await fetch(`${url}/api/library/pictures`)
    expect(answer.status).toBe(401)
  })
})
