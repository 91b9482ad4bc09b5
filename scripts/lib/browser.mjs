import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer from 'puppeteer-core'

const FLAGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--enable-unsafe-swiftshader',
  '--force-color-profile=srgb',
  '--lang=en-GB',
]

/** Debian's Chromium without a window, with a profile of its own that is thrown away. */
export async function startBrowser() {
  const profile = mkdtempSync(join(tmpdir(), 'pledge-browser-'))
  const browser = await puppeteer.launch({
    executablePath: '/usr/bin/chromium',
    args: FLAGS,
    userDataDir: profile,
  })
  return {
    browser,
    async close() {
      await browser.close()
      rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 })
    },
  }
}

/** A browser that runs already, for another process; closing it closes what was opened in it, not the browser. */
export async function joinBrowser(browserWSEndpoint) {
  const browser = await puppeteer.connect({ browserWSEndpoint })
  return {
    browser,
    async close() {
      const own = browser.browserContexts().filter((context) => context !== browser.defaultBrowserContext())
      await Promise.all(own.map((context) => context.close()))
      await browser.disconnect()
    },
  }
}

/** A page in a context of its own: other cookies, another phone. */
export async function openPage(browser, { width, height, isPhone = false, dark = false, moves = false }) {
  const context = await browser.createBrowserContext()
  const page = await context.newPage()
  await page.setViewport({ width, height, hasTouch: isPhone, isMobile: isPhone, deviceScaleFactor: 1 })
  // Without movement nothing is pressed while it still slides into place, and figures are stills.
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' },
    { name: 'prefers-reduced-motion', value: moves ? 'no-preference' : 'reduce' },
  ])
  return page
}

/** Presses what a person reads on it: a button or link by its text. */
export async function press(page, text, { exact = true } = {}) {
  const find = (words, isExact) => {
    const clean = (node) => (node.getAttribute('aria-label') ?? node.textContent).replace(/\s+/g, ' ').trim()
    const isShown = (node) => node.getClientRects().length > 0 && !node.disabled
    return [...document.querySelectorAll('button, a, label, summary, [role="option"], .v-list-item')].find(
      (node) => isShown(node) && (isExact ? clean(node) === words : clean(node).includes(words)),
    )
  }
  // What is drawn anew between finding and pressing is looked for again, as a person would.
  for (let attempt = 1; ; attempt += 1) {
    const handle = await page.waitForFunction(find, { timeout: 10_000 }, text, exact).catch(() => {
      throw new Error(`Nothing to press says "${text}".`)
    })
    try {
      await standsStill(handle.asElement())
      return await handle.asElement().click()
    } catch (error) {
      if (attempt === 3 || !/detached/.test(error.message)) throw error
    }
  }
}

/** Types into the field a person knows by its label. */
export async function fill(page, label, value) {
  const handle = await page
    .waitForFunction(
      (words) => {
        const byLabel = [...document.querySelectorAll('label')].find(
          (node) => node.textContent.replace(/\s+/g, ' ').trim() === words,
        )
        const field = byLabel?.htmlFor
          ? document.getElementById(byLabel.htmlFor)
          : byLabel?.querySelector('input, textarea')
        return field ?? document.querySelector(`[aria-label="${words}"]`)
      },
      { timeout: 10_000 },
      label,
    )
    .catch(() => {
      throw new Error(`No field is called "${label}".`)
    })
  const field = handle.asElement()
  await field.evaluate((node) => node.scrollIntoView({ block: 'center' }))
  const type = await field.evaluate((node) => node.type)
  if (type === 'date') {
    await field.evaluate((node, day) => {
      node.value = day
      node.dispatchEvent(new Event('input', { bubbles: true }))
      node.dispatchEvent(new Event('focusout', { bubbles: true }))
    }, value)
    return
  }
  await field.click({ count: 3 })
  await page.keyboard.press('Backspace')
  await field.type(value)
}

/** Chooses one of several choices by the group's legend and the choice's text. */
export async function choose(page, legend, choice) {
  const handle = await page
    .waitForFunction(
      (group, words) => {
        const set = [...document.querySelectorAll('fieldset')].find(
          (node) => node.querySelector('legend')?.textContent.trim() === group,
        )
        return (
          set &&
          [...set.querySelectorAll('label')].find(
            (node) => node.textContent.replace(/\s+/g, ' ').trim() === words,
          )
        )
      },
      { timeout: 10_000 },
      legend,
      choice,
    )
    .catch(() => {
      throw new Error(`No choice "${choice}" under "${legend}".`)
    })
  await standsStill(handle.asElement())
  await handle.asElement().click()
}

/** Brings a control into view and waits until it keeps its place: a click meets the place, not the control. */
async function standsStill(element) {
  await element.evaluate(async (node) => {
    node.scrollIntoView({ block: 'center' })
    const place = () => JSON.stringify(node.getBoundingClientRect())
    const frame = () => new Promise((resolve) => requestAnimationFrame(resolve))
    for (let [frames, still, last] = [0, 0, place()]; still < 2 && frames < 120; frames += 1) {
      await frame()
      still = place() === last ? still + 1 : 0
      last = place()
    }
  })
}

/** Picks from a list that opens when one types into it. */
export async function pick(page, label, text) {
  await fill(page, label, text)
  await press(page, text)
}

/** Waits until a person could read a text on the page. */
export async function reads(page, text, timeout = 10_000) {
  await page
    .waitForFunction(
      (words) => document.body.innerText.replace(/\s+/g, ' ').includes(words),
      { timeout },
      text,
    )
    .catch(async () => {
      const shown = await page.evaluate(() => document.body.innerText.replace(/\s+/g, ' ').slice(0, 1500))
      throw new Error(`The page does not say "${text}". It says: ${shown}`)
    })
}

export async function signIn(page, url, login, password) {
  await page.goto(`${url}/sign-in`, { waitUntil: 'networkidle0' })
  await fill(page, 'Sign-in name', login)
  await fill(page, 'Password', password)
  await press(page, 'Sign in')
  await reads(page, 'Caseload')
}

/**
 * Opens a patient's case at one step of the work and waits until the step stands. It looks at the page, not at the
 * browser's count of open requests: a request the page gave up while it was left stays in that count for good.
 */
export async function openStep(page, url, patient, step) {
  await page.goto(`${url}/caseload`, { waitUntil: 'networkidle0' })
  await press(page, patient)
  await page.waitForSelector('.steps .step', { timeout: 10_000 })
  await press(page, step)
  await page.waitForFunction(
    (words) =>
      document.querySelector('.steps [aria-current]')?.textContent.includes(words) &&
      !document.querySelector('[aria-busy="true"]'),
    { timeout: 10_000 },
    step,
  )
}
