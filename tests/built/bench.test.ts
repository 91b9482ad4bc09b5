import type { Page } from 'puppeteer-core'
import { QueryTypes, type Sequelize } from 'sequelize'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { checkedReading, typedReading, placeOfKey, hingesOf, DIGITS, type Digit } from '@pledge/core'
import { openPage, press, reads, signIn, joinBrowser } from '../../scripts/lib/browser.mjs'
import { connect } from '../../packages/server/src/data/connect.js'
import { expectAccessible } from './accessible.js'
import { benchOf } from './clinicPage.js'

/** The measuring bench in a real browser, by keyboard alone. */
const { browser, signIns, url, environment } = inject('built')
const noor = signIns.users.find((one) => one.login === 'noor')!
let started: Awaited<ReturnType<typeof joinBrowser>>
let page: Page
let stored: Sequelize
const failures: string[] = []

beforeAll(async () => {
  started = await joinBrowser(browser)
  page = await openPage(started.browser, { width: 1280, height: 800 })
  page.on('pageerror', (error) => failures.push(String(error)))
  await signIn(page, url, noor.login, noor.password)
  stored = connect(
    {
      host: environment.PLEDGE_DB_HOST!,
      port: Number(environment.PLEDGE_DB_PORT),
      name: environment.PLEDGE_DB_NAME!,
      user: environment.PLEDGE_DB_USER!,
      password: environment.PLEDGE_DB_PASSWORD!,
    },
    1,
  )
})
afterAll(async () => {
  expect(failures).toEqual([])
  await stored.close()
  await started.close()
})

const focused = () => page.evaluate(() => (document.activeElement as HTMLElement).dataset['place'] ?? '')

/** A whole hand, typed as a therapist would: the injured one stiff in the middle and ring finger, the other healthy. */
function handTyped(): Map<string, string> {
  const typed = new Map<string, string>()
  const stiff = (digit: Digit) => digit === 'middle' || digit === 'ring'
  for (const side of ['left', 'right'] as const)
    for (const [place, digit] of DIGITS.entries())
      for (const kind of ['active', 'passive'] as const)
        for (const [joint, measure] of hingesOf(digit).entries()) {
          const isStiff = side === 'left' && stiff(digit)
          const flexed =
            [85, 100, 70][joint]! -
            (digit === 'thumb' ? 30 : 0) -
            (isStiff ? 30 : 0) +
            (kind === 'passive' ? 5 : 0) -
            place
          const extended = isStiff && joint > 0 ? (kind === 'passive' ? 5 : 15) : 0
          typed.set(`${measure}.${digit}.${side}.${kind}`, `${extended}/${flexed}`)
        }
  for (const digit of DIGITS.slice(1))
    for (const side of ['left', 'right'] as const)
      typed.set(`fingertipToCrease.${digit}.${side}.`, side === 'left' && stiff(digit) ? '35' : '0')
  return typed
}

it(
  'a full hand of 120 readings is measured by keyboard alone, and is stored as core reads it',
  { timeout: 120_000 },
  async () => {
    const id = await benchOf(page, url, 'STIFF', 60)
    let keys = 0
    const key = async (name: Parameters<Page['keyboard']['press']>[0]) => {
      keys += 1
      await page.keyboard.press(name)
    }
    // Digits the case does not name are one press away.
    for (const digit of DIGITS) if (await page.$(`.more button ::-p-text(${digit})`)) await press(page, digit)
    const typed = handTyped()
    const first = 'thumbMcp.thumb.left.active'
    await page.focus(`[data-place="${first}"]`)
    const readings = [...typed.keys()]
    const missing = new Set(readings)
    while (missing.size > 0) {
      const place = await focused()
      if (missing.delete(place)) {
        const text = typed.get(place)!
        keys += text.length
        await page.keyboard.type(text)
      }
      await key('Tab')
      if (keys > 1200)
        throw new Error(`Tab does not lead to ${[...missing].join(', ')}; it is at ${await focused()}.`)
    }
    const numbers = [...typed.values()].reduce((sum, text) => sum + text.split('/').length, 0)
    expect(numbers).toBe(120)
    // Both numbers of a joint, the slash and Tab: the aim is 3.5 keys a reading.
    expect(keys / numbers).toBeLessThan(3.5)
    console.log(`keystrokes per reading: ${(keys / numbers).toFixed(2)} (${keys} for ${numbers})`)

    await reads(page, 'PIP: lag 10°')
    await expectAccessible(page, 'bench')
    await press(page, 'Save the evaluation')
    await reads(page, 'Saved: 64 readings.')
    const rows = await stored.query<Record<'measure' | 'digit' | 'side' | 'kind' | 'result', string>>(
      'SELECT measure, digit, side, kind, CAST(result AS CHAR) result FROM measurements WHERE episode_id = ?',
      { replacements: [id], type: QueryTypes.SELECT },
    )
    expect(rows).toHaveLength(readings.length)
    for (const row of rows) {
      const at = [row.measure, row.digit, row.side, row.kind].join('.')
      const cell = typedReading(placeOfKey(at).measure, typed.get(at)!)
      if (cell.name !== 'read') throw new Error(`${at} was never typed.`)
      expect(JSON.parse(row.result), at).toEqual(
        checkedReading({ ...placeOfKey(at), result: cell.result }).result,
      )
    }
  },
)

it('readings survive a reload, a lost network and a second tab', { timeout: 60_000 }, async () => {
  await benchOf(page, url, 'STIFF', 61)
  const cell = (await page.waitForSelector(
    '[data-place="pip.index.left.active"], [data-place="pip.ring.left.active"]',
  ))!
  const place = await cell.evaluate((node) => (node as HTMLElement).dataset['place']!)
  await cell.type('10/85')
  await page.reload({ waitUntil: 'networkidle0' })
  const valueIn = (tab: Page) =>
    tab
      .waitForSelector(`[data-place="${place}"]`)
      .then((found) => found!.evaluate((node) => (node as HTMLInputElement).value))
  expect(await valueIn(page)).toBe('10/85')
  const other = await page.browserContext().newPage()
  await other.goto(page.url(), { waitUntil: 'networkidle0' })
  expect(await valueIn(other)).toBe('10/85')
  await page.bringToFront()
  await page.setOfflineMode(true)
  await press(page, 'Save the evaluation')
  await reads(page, 'No connection')
  expect(await valueIn(page)).toBe('10/85')
  await page.setOfflineMode(false)
  await press(page, 'Save the evaluation')
  await reads(page, 'Saved: 1 reading.')
  await other.waitForFunction(
    (at) => document.querySelector<HTMLInputElement>(`[data-place="${at}"]`)!.value === '',
    {},
    place,
  )
  await other.close()
})
