import type { Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import {
  choose,
  fill,
  openPage,
  openStep,
  pick,
  press,
  reads,
  signIn,
  joinBrowser,
} from '../../scripts/lib/browser.mjs'
import { expectAccessible } from './accessible.js'

const { browser, signIns, url } = inject('built')
const DESK = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844, isPhone: true }
let started: Awaited<ReturnType<typeof joinBrowser>>
let desk: Page
let phone: Page
const failures: string[] = []

beforeAll(async () => {
  started = await joinBrowser(browser)
  desk = await openPage(started.browser, DESK)
  phone = await openPage(started.browser, PHONE)
  for (const page of [desk, phone]) {
    page.on('pageerror', (error) => failures.push(String(error)))
    page.on('console', (message) => {
      // A refused request is expected where a test makes one; anything else in the console is a fault.
      if (
        message.type() === 'error' &&
        !/status of 4\d\d|net::ERR_INTERNET_DISCONNECTED/.test(message.text())
      )
        failures.push(message.text())
    })
    page.on('request', (request) => {
      if (!request.url().startsWith(url) && !/^(data|blob):/.test(request.url()))
        failures.push(`a request left the machine: ${request.url()}`)
    })
  }
})
afterAll(() => started.close())

const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)
const user = (login: string) => signIns.users.find((one) => one.login === login)!

describe('the slice, from referral to a logged bout', () => {
  it('shows a sign-in that says who has not reviewed it, and refuses a wrong password', async () => {
    await desk.goto(`${url}/caseload`, { waitUntil: 'networkidle0' })
    await reads(desk, 'No clinician has reviewed the rules and numbers in Pledge')
    await expectAccessible(desk, 'sign-in')
    await fill(desk, 'Sign-in name', 'noor')
    await fill(desk, 'Password', 'not this one')
    await press(desk, 'Sign in')
    await reads(desk, 'do not fit together')
  })

  it('signs a therapist in and shows who needs somebody', async () => {
    await signIn(desk, url, user('noor').login, user('noor').password)
    await reads(desk, 'open episodes need somebody')
    await reads(desk, 'Red flag: everything is stopped')
    await expectAccessible(desk, 'caseload')
  })

  it('takes a referral, with impossible dates refused beside the field and nothing lost', async () => {
    await press(desk, 'New referral')
    await reads(desk, 'From the surgeon’s letter')
    await fill(desk, 'Name', 'Bente Okonjo')
    await fill(desk, 'Date of birth', '1968-02-14')
    await choose(desk, 'Dominant hand', 'Right')
    await choose(desk, 'Latex allergy', 'No')
    await choose(desk, 'Adhesive allergy', 'No')
    await pick(desk, 'Condition', 'Distal radius fracture')
    await choose(desk, 'Injured side', 'Left')
    await reads(desk, 'Surgeon calls the fixation stable answer first')
    await choose(desk, 'surgeon calls the fixation stable', 'Yes')
    await press(desk, 'Early motion after a stable volar plate', { exact: false })
    await reads(desk, 'Day 0: surgery')
    await fill(desk, 'Day of injury (if there was one)', daysAgo(14))
    for (const [day, refusal] of [
      [daysAgo(15), 'Day 0 lies before the injury'],
      [daysAgo(-1), 'lies in the future'],
      ['1900-01-01', 'Check the year'],
    ] as const) {
      await fill(desk, 'Day 0: surgery', day)
      await reads(desk, refusal)
    }
    await press(desk, 'Open the episode')
    await reads(desk, 'Not saved')
    await fill(desk, 'Day 0: surgery', daysAgo(10))
    await fill(desk, 'Surgeon or referrer', 'Dr. P. Hallam-Ito')
    await fill(desk, 'Date of the letter', daysAgo(9))
    await press(desk, "surgeon's clearance for active motion")
    await expectAccessible(desk, 'referral')
    expect(
      await desk.evaluate(() =>
        [...document.querySelectorAll('input')].some((field) => field.value === 'Bente Okonjo'),
      ),
    ).toBe(true)
    await press(desk, 'Open the episode')
    await reads(desk, 'A step waits for')
    await reads(desk, 'day 10 · week 1')
  })

  it('measures what may be measured, and asks about the unusual', async () => {
    for (const [label, value] of [
      ['Wrist flexion, right, active, degrees', '75'],
      ['Wrist extension, right, active, degrees', '70'],
      ['Supination, right, active, degrees', '-5'],
    ] as const) {
      await fill(desk, label, value)
    }
    // The injured wrist does not move yet, and the bench says until when.
    await reads(desk, 'Locked: Active motion of the wrist waits for')
    await fill(desk, 'Pronation, right, active, degrees', '200')
    await desk.keyboard.press('Tab')
    await reads(desk, 'Pronation lies between')
    await press(desk, 'Save the evaluation')
    await reads(desk, 'marked in red')
    await fill(desk, 'Pronation, right, active, degrees', '60')
    await choose(desk, 'At rest', '2')
    await choose(desk, 'While moving', '3')
    await expectAccessible(desk, 'evaluate')
    await press(desk, 'Save the evaluation')
    await reads(desk, 'Sure?')
    await press(desk, 'Save as typed')
    await reads(desk, 'Saved: 6 readings.')
  })

  it('shows what holds the next phase, and opens it when that is recorded', async () => {
    await press(desk, 'Phase')
    await reads(desk, 'Wound and fingers')
    await reads(desk, 'Wound closed or dry, no infection not recorded')
    await expectAccessible(desk, 'phase')
    await press(desk, 'Record')
    await reads(desk, 'Is it so?')
    await expectAccessible(desk, 'record dialog')
    await press(desk, 'Record it')
    await reads(desk, 'Phase 2 of 5 Active wrist motion')
  })

  it('judges, chooses, orders, doses and signs', async () => {
    await press(desk, 'Program')
    await reads(desk, 'No exercise chosen yet')
    await press(desk, 'Palms together, hands sink', { exact: false })
    await reads(desk, 'Stretching the wrist')
    await reads(desk, 'Not before')
    await reads(desk, 'union on x-ray')
    expect(await desk.evaluate(() => document.body.innerText.includes('Add to the program'))).toBe(false)
    await press(desk, 'Add Easy fist and open')
    await press(desk, 'Add Slide your wrist, thumb up')
    await fill(desk, 'Repetitions', '2')
    await desk.keyboard.press('Tab')
    await fill(desk, 'Hold', '1')
    await desk.keyboard.press('Tab')
    await reads(desk, 'usual 2–5: outside')
    await fill(desk, 'Repetitions', '99')
    await desk.keyboard.press('Tab')
    await reads(desk, 'a whole number from 1 to 60')
    await fill(desk, 'Repetitions', '2')
    await desk.keyboard.press('Tab')
    await press(desk, 'Earlier')
    await press(desk, 'Easy fist and open clear')
    await fill(desk, 'Repetitions', '1')
    await desk.keyboard.press('Tab')
    await reads(desk, 'draft saved')
    // 2 × 2 shapes × (1 + 4) s + 1 × (2 + 4) s = 26 s: half a minute a bout.
    await reads(desk, '2 exercises · 0.5 min a bout')
    await expectAccessible(desk, 'program')
    await press(desk, 'Sign program 1')
    await reads(desk, 'Signed as program 1')
  })

  it('pairs the patient’s phone with a code', async () => {
    await press(desk, 'At home')
    await reads(desk, 'No phone is paired')
    await press(desk, 'Make a pairing code')
    const code = await (await desk.waitForSelector('[data-code]'))!.evaluate((node) => node.textContent ?? '')
    await phone.goto(`${url}/phone`, { waitUntil: 'networkidle0' })
    await expectAccessible(phone, 'pair')
    await fill(phone, 'Code', '1111 1111')
    await press(phone, 'Pair this phone')
    await reads(phone, 'wrong, used up or too old')
    await fill(phone, 'Code', code)
    await press(phone, 'Pair this phone')
    await reads(phone, 'Hello, Bente')
    await reads(phone, '2 exercises')
    await expectAccessible(phone, 'today')
  })

  it('guides the bout on the phone, repetition by repetition', async () => {
    await press(phone, 'Start')
    await choose(phone, 'How much does your hand hurt now, at rest?', '1')
    await expectAccessible(phone, 'pain before')
    await press(phone, 'Go on')
    await reads(phone, 'Slide your wrist, thumb up')
    await reads(phone, 'When to stop')
    await expectAccessible(phone, 'read it')
    await press(phone, 'Start this one')
    await reads(phone, 'of 2')
    await reads(phone, 'That hurts')
    await expectAccessible(phone, 'do it')
    await press(phone, 'Pause')
    await press(phone, 'Go on')
    await phone.waitForFunction(() => document.querySelector('[data-counter]')?.textContent === '2', {
      timeout: 20_000,
    })
    await reads(phone, 'Well done', 20_000)
    await press(phone, 'Next exercise')
    await reads(phone, 'Easy fist and open')
    await press(phone, 'Start this one')
    await reads(phone, 'Well done', 15_000)
    await press(phone, 'Finish')
    await choose(phone, 'What was the worst pain while you did it?', '2')
    await choose(phone, 'How much does it hurt now?', '1')
    await expectAccessible(phone, 'how was it')
    await press(phone, 'Save')
    await reads(phone, 'Your therapist has it.')
    await press(phone, 'Back to today')
    await reads(phone, 'Bouts done today: 1')
  })

  it('shows the therapist the bout within seconds, without reloading', async () => {
    await reads(desk, '2 of 2 exercises done, finished', 8000)
    await reads(desk, 'pain 1 → 2 → 1')
    await expectAccessible(desk, 'at home')
  })

  it('pauses an item on the phone when its clearance is withdrawn, and tells the therapist', async () => {
    await press(desk, 'Phase')
    await reads(desk, 'Active wrist motion')
    await desk.evaluate(() => {
      const row = [...document.querySelectorAll('li')].find((node) =>
        node.textContent?.includes("Surgeon's clearance for active motion"),
      )
      row!.querySelector('button')!.click()
    })
    await reads(desk, 'Why it no longer holds')
    await press(desk, 'Withdraw it')
    await reads(desk, 'Write why it no longer holds')
    await fill(desk, 'Why it no longer holds', 'Surgeon called: hold all wrist motion until Friday')
    await press(desk, 'Withdraw it')
    await reads(desk, 'Phase 1 of 5')
    await phone.reload({ waitUntil: 'networkidle0' })
    await reads(phone, 'Paused by the clinic')
    await reads(phone, 'one exercise')
    await expectAccessible(phone, 'paused')
    await press(desk, 'Caseload')
    await reads(desk, '1 of 2 exercises paused on the phone')
    await desk.goBack({ waitUntil: 'networkidle0' })
  })
})

describe('the stop path and the time without signal', () => {
  it('ends an exercise with "That hurts" and the bout at a pain of 8, with the numbers to call', async () => {
    await press(phone, 'Start')
    await choose(phone, 'How much does your hand hurt now, at rest?', '2')
    await press(phone, 'Go on')
    await press(phone, 'Start this one')
    await press(phone, 'That hurts')
    await choose(phone, 'How bad is the pain?', '8')
    await press(phone, 'Go on')
    await reads(phone, 'Do no more exercises today')
    await reads(phone, '555 0142')
    await reads(phone, '555 0190')
    await expectAccessible(phone, 'stopped')
    await press(phone, 'Back to today')
    await reads(phone, 'Your exercises are stopped')
    expect(
      await phone.evaluate(() =>
        [...document.querySelectorAll('button')].some((node) => node.textContent?.trim() === 'Start'),
      ),
    ).toBe(false)
  })

  it('is lifted by the therapist with what was found', async () => {
    await openStep(desk, url, 'Bente Okonjo', 'Phase')
    await reads(desk, 'Everything is stopped')
    await press(desk, 'Lift it')
    await fill(desk, 'What was found and decided', 'Strap too tight; loosened. Pain 2.')
    await press(desk, 'Lift the flag')
    await reads(desk, 'None open.')
    await phone.reload({ waitUntil: 'networkidle0' })
    await reads(phone, 'All your exercises are paused').catch(() => reads(phone, 'Your next bout'))
  })

  it('keeps a bout done without signal, even through a restart of the phone, and sends it once', async () => {
    const other = await openPage(started.browser, PHONE)
    await other.goto(`${url}/phone`, { waitUntil: 'networkidle0' })
    await fill(other, 'Code', signIns.phone!.code)
    await press(other, 'Pair this phone')
    await reads(other, 'Hello, Dmitri')
    await other.waitForFunction(
      () => navigator.serviceWorker.controller !== null || navigator.serviceWorker.ready.then(() => true),
      { timeout: 15_000 },
    )
    await other.reload({ waitUntil: 'networkidle0' })
    await other.setOfflineMode(true)
    await press(other, 'Start')
    await choose(other, 'How much does your hand hurt now, at rest?', '1')
    await press(other, 'Go on')
    await press(other, 'I can’t do this one')
    await press(other, 'No time now')
    await press(other, 'Stop this bout')
    await choose(other, 'What was the worst pain while you did it?', '2')
    await choose(other, 'How much does it hurt now?', '1')
    await press(other, 'Save')
    await reads(other, 'It is kept on this phone')
    await other.reload({ waitUntil: 'domcontentloaded' })
    await reads(other, 'One bout waits on this phone')
    await reads(other, 'No signal')
    await other.setOfflineMode(false)
    // With the signal back the phone also sends by itself; then there is nothing left to press.
    await press(other, 'Send again').catch(() => reads(other, 'Your next bout'))
    await other.waitForFunction(() => !document.body.innerText.includes('waits on this phone'), {
      timeout: 10_000,
    })
    await openStep(desk, url, 'Dmitri Valcourt', 'At home')
    await reads(desk, 'Easy fist and open: left out after 0 of 10 (no time)')
    expect(await desk.evaluate(() => document.body.innerText.split('left out after').length - 1)).toBe(1)
    await other.browserContext().close()
  })

  it('speaks Spanish to who reads Spanish', async () => {
    await openStep(desk, url, 'Consuelo Iribarne', 'At home')
    await press(desk, 'Make a pairing code')
    const code = await (await desk.waitForSelector('[data-code]'))!.evaluate((node) => node.textContent ?? '')
    const other = await openPage(started.browser, PHONE)
    await other.goto(`${url}/phone`, { waitUntil: 'networkidle0' })
    await fill(other, 'Code', code)
    await press(other, 'Pair this phone')
    await reads(other, 'Hola, Consuelo')
    await reads(other, 'Gancho y abrir')
    expect(await other.evaluate(() => document.documentElement.lang)).toBe('es')
    await other.browserContext().close()
  })
})

describe('two at one draft, a lead, and the dark', () => {
  it('refuses the second save and overwrites nothing', async () => {
    const second = await openPage(started.browser, DESK)
    await signIn(second, url, user('emeka').login, user('emeka').password)
    await openStep(desk, url, 'Henrike Osei', 'Program')
    await openStep(second, url, 'Henrike Osei', 'Program')
    await press(desk, 'Add Hook and open')
    await reads(desk, 'draft saved')
    await press(second, 'Add Small dart throw')
    await reads(second, 'Noor Castellane has changed this draft')
    await press(second, 'Open theirs')
    await reads(second, 'Hook and open')
    await second.browserContext().close()
  })

  it('moves through the caseload by keyboard', async () => {
    await desk.goto(`${url}/caseload`, { waitUntil: 'networkidle0' })
    await reads(desk, 'open episodes need somebody')
    await desk.keyboard.press('/')
    await desk.keyboard.type('henrike')
    await desk.keyboard.press('Enter')
    await reads(desk, 'Healing ribbon')
    await reads(desk, 'Henrike Osei left side')
  })

  it('shows the lead who did what', async () => {
    const lead = await openPage(started.browser, { ...DESK, dark: true })
    await signIn(lead, url, user('sunniva').login, user('sunniva').password)
    await expectAccessible(lead, 'caseload in the dark')
    await press(lead, 'Who did what')
    await reads(lead, 'signed a program')
    await expectAccessible(lead, 'audit in the dark')
    await lead.browserContext().close()
  })

  it('ran without an error in any console and without a request leaving the machine', () => {
    expect(failures).toEqual([])
  })
})
