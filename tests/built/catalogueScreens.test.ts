import type { Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import {
  choose,
  fill,
  openPage,
  openStep,
  press,
  reads,
  signIn,
  joinBrowser,
} from '../../scripts/lib/browser.mjs'
import { expectAccessible } from './accessible.js'

const { browser, signIns, url } = inject('built')
const user = (login: string) => signIns.users.find((one) => one.login === login)!
let started: Awaited<ReturnType<typeof joinBrowser>>
let desk: Page
const failures: string[] = []
beforeAll(async () => {
  started = await joinBrowser(browser)
  desk = await openPage(started.browser, { width: 1280, height: 800 })
  desk.on('pageerror', (error) => failures.push(String(error)))
  desk.on('console', (message) => {
    if (message.type() === 'error' && !/status of 4\d\d/.test(message.text())) failures.push(message.text())
  })
  await signIn(desk, url, user('noor').login, user('noor').password)
})
afterAll(() => started.close())

describe('the library', () => {
  it('is read for the open case, found by words in Spanish and walked through by keys', async () => {
    await openStep(desk, url, 'Dmitri Valcourt', 'Phase')
    await press(desk, 'Library')
    await reads(desk, 'What follows from its angles')
    await reads(desk, 'today for Dmitri Valcourt')
    await expectAccessible(desk, 'library')
    await desk.keyboard.press('/')
    await desk.keyboard.type('masilla')
    await reads(desk, 'Squeeze therapy putty')
    await desk.keyboard.press('ArrowDown')
    await desk.waitForFunction(() =>
      /squeeze/i.test(document.querySelector('.row[aria-current="true"]')?.textContent ?? ''),
    )
    await press(desk, 'Español')
    await expectAccessible(desk, 'library in Spanish')
  })
})

describe('the protocols', () => {
  it('stand on one axis, phase by phase in sentences', async () => {
    await press(desk, 'Protocols')
    await reads(desk, 'Distal radius fracture')
    await reads(desk, 'Exercises that open in this phase')
    await expectAccessible(desk, 'protocols')
    await desk.keyboard.press('ArrowRight')
    await reads(desk, 'Active wrist motion day 7 to 27')
    await press(desk, 'Español')
    await reads(desk, 'Fractura del radio distal')
  })

  it('are changed by the clinic lead, who sees the open cases first; the surgeon is asked for what opens earlier', async () => {
    const lead = await openPage(started.browser, { width: 1280, height: 800 })
    await signIn(lead, url, user('sunniva').login, user('sunniva').password)
    await lead.goto(`${url}/protocols/TFCC-CONS`, { waitUntil: 'networkidle0' })
    await reads(lead, 'Exercises that open in this phase')
    await lead.keyboard.press('ArrowRight')
    await press(lead, 'Change the day')
    await fill(lead, 'Day', '20')
    await reads(lead, 'This opens earlier while the injury heals')
    await expectAccessible(lead, 'a change of the clinic')
    await fill(lead, 'Reason', 'Our surgeons see these sooner.')
    await press(lead, 'Save for this clinic')
    await reads(lead, 'Write which surgeon agreed')
    await fill(lead, 'Day', '35')
    await reads(lead, 'No open case changes.')
    await press(lead, 'Save for this clinic')
    await reads(lead, 'shipped: day 28')
    await reads(lead, 'changed here')
    await press(lead, 'What this clinic does otherwise')
    await reads(lead, 'Our surgeons see these sooner.')
    await expectAccessible(lead, 'the list of changes')
    await lead.close()
  })
})

describe('a program', () => {
  it('is dosed by schools, and says when it differs from what was signed', async () => {
    await openStep(desk, url, 'Dmitri Valcourt', 'Program')
    await reads(desk, 'dosing: as the catalogue has it')
    await press(desk, 'Schools')
    await reads(desk, 'How long a stretch is held')
    await expectAccessible(desk, 'schools of dosing')
    await press(desk, 'Next to none', { exact: false })
    await reads(desk, 'dosing: pain next to none')
    await press(desk, 'Done')
    await reads(desk, 'Sign program 2')
    await reads(desk, 'pain 1 of 10')
  })

  it('takes an exercise before its time with a reason and the surgeon’s word', async () => {
    await press(desk, 'Squeeze therapy putty', { exact: false })
    await press(desk, 'Open it with a reason…')
    await reads(desk, 'Open “Squeeze therapy putty” before its time')
    await expectAccessible(desk, 'an exception')
    await press(desk, 'Open it for this patient')
    await reads(desk, 'Write the reason')
    await fill(desk, 'Reason', 'Bone is solid on the film of today.')
    await fill(desk, 'Letter or message', 'Letter of today')
    await press(desk, 'Open it for this patient')
    await reads(desk, 'Opened with a reason by Noor Castellane')
    await press(desk, 'Add to the program')
    await reads(desk, 'not yet, opened')
    await desk.waitForFunction(() => document.body.innerText.includes('draft saved'))
    await press(desk, 'Sign program 2')
    await reads(desk, 'Signed as program 2')
    await press(desk, 'Take the exception back')
    await fill(desk, 'Why', 'Swollen since.')
    await press(desk, 'Take it back')
    await reads(desk, 'paused on the phone')
  })

  it('asks what is at home, and names what is not', async () => {
    await openStep(desk, url, 'Henrike Osei', 'Program')
    await desk.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('.steps .step')]
        .find((one) => one.textContent!.includes('Referral'))!
        .click(),
    )
    await reads(desk, 'Not asked. What an exercise needs')
    await press(desk, 'Ask')
    await choose(desk, 'Things to exercise with at home', 'Only some')
    await choose(desk, 'The other hand', 'Is hurt too')
    await expectAccessible(desk, 'at home')
    await press(desk, 'Record it')
    await reads(desk, 'Nothing yet.')
    await reads(desk, 'is hurt too')
    await press(desk, 'Program')
    await reads(desk, 'with care')
  })
})

it('nothing wrong was said in the console meanwhile', () => expect(failures).toEqual([]))
