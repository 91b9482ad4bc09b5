import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { fill, joinBrowser, openPage, press, reads, signIn } from '../../scripts/lib/browser.mjs'
import { expectAccessible } from './accessible.js'
import { benchOf, daysAgo } from './clinicPage.js'

/** What the bench measures besides joints, and devices that fill a cell, in a real browser. */
const { browser, signIns, url, devicesUrl } = inject('built')
const noor = signIns.users.find((one) => one.login === 'noor')!
let started: Awaited<ReturnType<typeof joinBrowser>>
let page: Page
const failures: string[] = []

beforeAll(async () => {
  started = await joinBrowser(browser)
  page = await openPage(started.browser, { width: 1280, height: 800 })
  page.on('pageerror', (error) => failures.push(String(error)))
  await signIn(page, url, noor.login, noor.password)
})
afterAll(async () => {
  expect(failures).toEqual([])
  await started.close()
})

const cell = (key: string) => `input[data-place="${key}"]`
const valueIn = (key: string) => page.$eval(cell(key), (node) => (node as HTMLInputElement).value)

it(
  'a device fills the cell one is in, and a bad measurement is refused with its reason',
  { timeout: 90_000 },
  async () => {
    await benchOf(page, url, 'STIFF', 61)
    const play = (sent: object) =>
      fetch(`${devicesUrl}/play`, {
        method: 'POST',
        body: JSON.stringify({ kind: 'goniometer', unit: 'deg', ...sent }),
      })
    const pip = 'pip.ring.left.active'
    if (!(await page.$(cell(pip)))) await press(page, 'ring')
    await press(page, 'goniometer')
    await reads(page, 'goniometer SG-01')
    await page.focus(cell(pip))
    await play({ scenario: 'steady', target: 12, isPressed: true })
    await reads(page, 'ring PIP, left, active: 12/.')
    // The host asks just as well; the cell keeps the focus, and the other end goes beside the first.
    await play({ scenario: 'steady', target: 80 })
    await press(page, 'Read')
    await reads(page, 'ring PIP, left, active: 12/80.')
    expect(await valueIn(pip)).toBe('12/80')
    await play({ scenario: 'drift', target: 40, isPressed: true })
    await reads(page, 'Not taken. The reading drifted')
    await play({ scenario: 'wrongDevice', target: 40 })
    await reads(page, 'another device')
    expect(await valueIn(pip)).toBe('12/80')
    await play({ scenario: 'cut', target: 40 })
    await press(page, 'goniometer')
    await reads(page, 'goniometer SG-01')
    await press(page, 'Read')
    await reads(page, 'connection broke')
    await play({ scenario: 'steady', target: 40 })
  },
)

it(
  'which structure is tight, what is measured before its time, published tables and ranges',
  { timeout: 90_000 },
  async () => {
    // Six weeks after a volar plate: the wrist may move, strength waits.
    const episodeId = await benchOf(page, url, 'DRF-VLP-EARLY', 50)
    const type = async (key: string, text: string) => {
      await page.focus(cell(key))
      await page.keyboard.type(text)
    }
    await press(page, 'ring')
    await press(page, 'which structure is tight')
    await reads(page, 'DIP bends, PIP in two positions')
    const broken = () =>
      page.$$eval('.test img', (images) =>
        images.filter((one) => (one as HTMLImageElement).naturalWidth === 0).map(({ src }) => src),
      )
    await page.waitForFunction(() =>
      [...document.querySelectorAll('.test img')].every((one) => (one as HTMLImageElement).complete),
    )
    expect(await broken()).toEqual([])
    await type('pipMcpFlexed.ring.left.passive', '95')
    await reads(page, 'Still to measure: MCP straight.')
    await type('pipMcpStraight.ring.left.passive', '70')
    await reads(page, '25° apart. The small hand muscles are tight.')

    if (!(await page.$(cell('grip..right.')))) await press(page, 'strength')
    expect(await page.$(cell('grip..left.'))).toBeNull()
    await page.evaluate(() => {
      const lock = [...document.querySelectorAll<HTMLDetailsElement>('.locks details')].find((one) =>
        one.textContent.includes('Grip'),
      )!
      lock.open = true
    })
    await page.click('.locks details[open] button')
    await reads(page, 'opens no exercise')
    await expectAccessible(page, 'measured early')
    await press(page, 'Unlock it for this visit')
    await reads(page, 'Say why it is measured now.')
    await fill(page, 'Letter or message', 'Message of today')
    await fill(page, 'Reason', 'Asked for by the surgeon.')
    await press(page, 'Unlock it for this visit')
    await page.waitForSelector(cell('grip..left.'))
    await type('grip..left.', '12 12 12')
    await type('grip..right.', '40 40 40')
    await press(page, 'women')
    await reads(page, 'Table of 1985, right hand and left hand')
    await expectAccessible(page, 'bench with tightness and tables')

    await press(page, 'Over time')
    await page.select('select[aria-label="Measure over time"]', 'grip..left.')
    // 25 to 50 % of 40 kg at six weeks.
    await reads(page, 'Today within the range of published groups.')
    await press(page, 'Save the evaluation')
    await reads(page, 'Saved: 4 readings.')
    const stored = await page.evaluate(
      async (id) => (await (await fetch(`/api/episodes/${id}`)).json()).evaluations.at(-1).early,
      episodeId,
    )
    expect(stored).toMatchObject([{ measures: ['grip'], why: 'Asked for by the surgeon.' }])
  },
)

it('skin, scar, own tasks and a goal, and a visit that is corrected', { timeout: 90_000 }, async () => {
  await benchOf(page, url, 'STIFF', 61)
  // What the skin feels, by keyboard: a place from the list, a marking in its cell.
  await press(page, 'what the skin feels')
  await page.waitForSelector('.felt [data-figure=drawn], .felt[data-figure=drawn]')
  await page.focus('.told .v-autocomplete input')
  await page.keyboard.type('index finger, tip, palm')
  await page.waitForSelector('.v-overlay--active .v-list-item')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  const touch = 'filament..left..index.tip.front.radial'
  await page.waitForFunction(
    (at) => (document.activeElement as HTMLElement).dataset['place'] === at,
    {},
    touch,
  )
  await page.keyboard.type('4.56')
  await reads(page, 'No protective feeling in 1 place')
  await press(page, 'own tasks')
  await fill(page, 'A task, in their words', 'Open the jar of coffee')
  await press(page, 'Add')
  await page.waitForSelector('.task label:nth-of-type(4)')
  await page.click('.task label:nth-of-type(4)')
  await expectAccessible(page, 'bench with skin and tasks')
  await press(page, 'Save the evaluation')
  await reads(page, 'Saved: 2 readings.')

  await press(page, 'Set a goal')
  await press(page, 'Open the jar of coffee 6 of 10 or more')
  await expectAccessible(page, 'goal')
  await press(page, 'Set it')
  await reads(page, 'At 3 of 10; needs +')

  // Now heat and wraps know of it.
  await page.goto(page.url().replace('/evaluate', '/phase'), { waitUntil: 'networkidle0' })
  await reads(page, 'index finger, tip, palm side, thumb half: loss of protective sensation')
  await page.goto(page.url().replace('/phase', '/evaluate'), { waitUntil: 'networkidle0' })
  await page.waitForSelector('.earlier summary')
  await page.click('.earlier summary')
  await press(page, 'Correct it')
  await reads(page, 'Correcting')
  await page.$eval(cell(touch), (node) => (node as HTMLInputElement).select())
  await page.keyboard.type('2.83')
  await fill(page, 'Addendum: what is corrected, and why', 'Read the wrong handle.')
  await press(page, 'Save the correction')
  await reads(page, 'Saved: 2 readings.')
  await page.goto(page.url().replace('/evaluate', '/phase'), { waitUntil: 'networkidle0' })
  await reads(page, 'Health that bars exercises')
  expect(await page.evaluate(() => document.body.innerText)).not.toContain('loss of protective sensation')
})

it(
  'readings come from a file, each row as it was understood, and none twice',
  { timeout: 60_000 },
  async () => {
    await benchOf(page, url, 'STIFF', 61)
    const day = daysAgo(5)
    const file = join(mkdtempSync(join(tmpdir(), 'pledge-')), 'readings.csv')
    const rows = [
      'Date;Joint;Finger;Side;Kind;Value;Extension;Flexion',
      `${day};PIP;ring;left;active;;-15;80`,
      `${day};grip;;left;;"31,5 29";;`,
      `${day};PIP;ring;left;passive;85/10;;`,
    ]
    writeFileSync(file, `\uFEFF${rows.join('\r\n')}\r\n`)
    const choose = async () => {
      await press(page, 'Readings from a file')
      const input = (await page.waitForSelector('input[type=file]'))!
      await input.uploadFile(file)
    }
    await choose()
    await reads(page, 'Row 2: Say which sign of extension means that it lacks.')
    await press(page, '−15 lacks 15°')
    await reads(page, 'ring PIP, left, active 15/80')
    await reads(page, 'were the two swapped?')
    await expectAccessible(page, 'import')
    await press(page, 'Take 2 readings of 1 day')
    await page.waitForFunction(() => !document.querySelector('input[type=file]'))
    await choose()
    // Mapped once; what is on record is not taken twice.
    await reads(page, '0 new, 2 on record already, 1 that cannot be taken.')
  },
)
