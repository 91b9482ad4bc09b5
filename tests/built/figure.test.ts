import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { depicted, type Depicted, stillFiles, TIGHTNESS_PICTURES } from '@pledge/core'
import { landmarks, pictureOf } from '@pledge/figure'
import type { Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { loadCatalogue } from '../../packages/catalogue/src/loadCatalogue.js'
import { fill, openPage, openStep, press, reads, signIn, joinBrowser } from '../../scripts/lib/browser.mjs'
import { drawingHash } from '../../scripts/lib/drawingHash.mjs'
import { openStillsPage } from '../../scripts/lib/stillsPage.mjs'
import { expectAccessible } from './accessible.js'

const { browser, signIns, url } = inject('built')
const noor = signIns.users.find(({ login }) => login === 'noor')!
const root = fileURLToPath(new URL('../../', import.meta.url))
const { exercises } = loadCatalogue(`${root}catalogue`)
const entry = (id: string): Depicted => depicted(exercises.get(id)!)

describe('the stills', () => {
  it('are there for every exercise and tightness test, at its start and at each shape', () => {
    const missing = [...exercises.values(), ...Object.values(TIGHTNESS_PICTURES).flat()]
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

describe('the drawing', () => {
  let stills: Awaited<ReturnType<typeof openStillsPage>>
  beforeAll(async () => {
    stills = await openStillsPage()
  })
  afterAll(() => stills.close())

  it.each([
    ['fist-gentle', 'start'],
    ['tabletop-bend', 'end'],
    ['wrist-updown-active', 'end'],
    ['finger-spread-close', 'end'],
    ['forearm-turn-active', 'start'],
  ] as const)(
    'of %s at its %s has skin where the fingertips are computed to be, and none beside the hand',
    async (id, moment) => {
      const exercise = entry(id)
      const points = Object.values(landmarks(pictureOf(exercise), 'left', 0, moment === 'start' ? 0 : 1))
      const opaque = await stills.page.evaluate(
        async (order, seen, size) => {
          const [file] = await (
            window as unknown as { drawStills: (...all: unknown[]) => Promise<string[]> }
          ).drawStills([order], size)
          const bytes = Uint8Array.from(atob(file!), (letter) => letter.charCodeAt(0))
          const image = await createImageBitmap(new Blob([bytes], { type: 'image/webp' }))
          const ink = new OffscreenCanvas(size, size).getContext('2d')!
          ink.drawImage(image, 0, 0)
          // The tip itself is the skin's edge: one looks closely around it.
          const alphaNear = (x: number, y: number) => {
            const [left, top] = [Math.round((x + 0.5) * size) - 4, Math.round((0.5 - y) * size) - 4]
            return Math.max(...ink.getImageData(left, top, 9, 9).data.filter((_, place) => place % 4 === 3))
          }
          return {
            tips: seen.map(({ x, y }) => alphaNear(x, y)),
            corners: [alphaNear(-0.48, 0.48), alphaNear(0.48, 0.48)],
          }
        },
        { exercise, side: 'left', shape: moment === 'start' ? null : 0 },
        points.map(({ x, y }) => ({ x, y })),
        320,
      )
      for (const alpha of opaque.tips) expect(alpha).toBeGreaterThan(200)
      expect(Math.min(...opaque.corners)).toBe(0)
    },
  )
})

describe('in the application', () => {
  let started: Awaited<ReturnType<typeof joinBrowser>>
  beforeAll(async () => {
    started = await joinBrowser(browser)
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
    const wait = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds))
    /** The next picture that differs from this one: a busy machine takes seconds for a frame. */
    const otherThan = async (former: string) => {
      for (let tries = 0; tries < 50; tries += 1) {
        const now = await shot()
        if (now !== former) return now
        await wait(200)
      }
      throw new Error('The picture stays what it is.')
    }
    /** The picture once it no longer changes. */
    const atRest = async () => {
      for (let [tries, former] = [0, '']; tries < 50; tries += 1) {
        const now = await shot()
        if (now === former) return now
        former = now
        await wait(600)
      }
      throw new Error('The picture never comes to rest.')
    }
    await otherThan(await shot())
    await press(page, 'Pause the picture')
    const paused = await atRest()
    await page.focus('.frame')
    const focused = await atRest()
    const key = async (name: 'ArrowRight' | 'Home', from: string) => {
      await page.keyboard.press(name)
      await otherThan(from)
      return atRest()
    }
    const turned = await key('ArrowRight', focused)
    const back = await key('Home', turned)
    expect(await key('ArrowRight', back)).toBe(turned)
    expect(await key('Home', turned)).toBe(back)
    expect(paused).not.toBe(turned)
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

  it('the bench draws the reading that is typed, with the other side behind it', async () => {
    const page = await openPage(started.browser, { width: 1280, height: 800 })
    await signIn(page, url, noor.login, noor.password)
    await openStep(page, url, 'Henrike Osei', 'Evaluate')
    await figureIs(page, 'drawn')
    await fill(page, 'Wrist flexion, left, active, degrees', '41')
    await reads(page, 'Flexion 41°')
    const told = () => page.$eval('.measured [role="img"]', (figure) => figure.getAttribute('aria-label'))
    expect(await told()).toBe('Flexion 41°: wrist bent; thumb up')
    await fill(page, 'Supination, left, active, degrees', '66')
    await reads(page, 'Supination 66°')
    expect(await told()).toContain('palm up')
    await fill(page, 'Radial deviation, left, active, degrees', '')
    await reads(page, 'Radial deviation not measured')
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
