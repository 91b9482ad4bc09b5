import type { ElementHandle, Page } from 'puppeteer-core'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import {
  choose,
  fill,
  openPage,
  pick,
  press,
  reads,
  signIn,
  joinBrowser,
} from '../../scripts/lib/browser.mjs'
import { expectAccessible } from './accessible.js'

/**
 * From the referral to the verdict through the interface, for conditions of bone, tendon, ligament, nerve and joint; with
 * `measuredToPhase.test.ts`, which types its referrals too, two or more of each. What is expected is read off the protocols as a therapist reads them.
 */
interface Expected {
  /** "motion, mode" as the map calls the cell. */
  cell: string
  verdict: 'clear' | 'with care' | 'not yet' | 'never here'
  /** Words of the reason, or of what would open it. */
  because?: string
}
interface Patient {
  condition: string
  school: string
  facts?: [question: string, answer: string][]
  numbers?: [question: string, value: string][]
  digit?: string
  dayZero: string
  day: number
  clears: string[]
  phase: string
  expected: Expected[]
  /** Criteria the therapist then records on the phase screen, and what they change. */
  record?: { criteria: string[]; phase: string; expected: Expected[] }
}
const ACTIVE = "surgeon's clearance for active motion"
const RELIABLE = 'reliable: understands, attends, keeps the orthosis on'
const WOUND = 'Wound closed or dry, no infection'

const PATIENTS: Patient[] = [
  {
    condition: 'Scaphoid fracture',
    school: 'Screw fixation',
    facts: [['surgeon calls the fixation stable', 'Yes']],
    dayZero: 'surgery',
    day: 20,
    clears: [ACTIVE],
    phase: 'Wound',
    expected: [{ cell: 'wrist flexion, active', verdict: 'not yet', because: 'wound closed or dry' }],
    record: {
      criteria: [WOUND],
      phase: 'Active motion without load',
      expected: [
        { cell: 'wrist flexion, active', verdict: 'clear' },
        {
          cell: 'wrist flexion, gentle passive',
          verdict: 'not yet',
          because: 'the screw carries every load',
        },
      ],
    },
  },
  {
    condition: 'Flexor tendon repair',
    school: 'Place and hold',
    facts: [
      ['suture around the tendon edge', 'Yes'],
      [RELIABLE, 'Yes'],
    ],
    numbers: [['core strands of the repair', '4']],
    digit: 'ring',
    dayZero: 'surgery',
    day: 11,
    clears: [],
    phase: 'Rest',
    expected: [
      {
        cell: 'middle joint (PIP) flexion, gentle passive',
        verdict: 'not yet',
        because: 'swelling not tense',
      },
      { cell: 'middle joint (PIP) flexion, resisted', verdict: 'not yet' },
    ],
    record: {
      criteria: [WOUND, 'Swelling not tense, pits little'],
      phase: 'Passive, then place and hold',
      expected: [
        { cell: 'middle joint (PIP) flexion, gentle passive', verdict: 'clear' },
        { cell: 'middle joint (PIP) flexion, active', verdict: 'not yet' },
      ],
    },
  },
  {
    condition: 'Mallet finger (extensor zones I-II)',
    school: 'Orthosis without a break',
    digit: 'ring',
    dayZero: 'start of the orthosis',
    day: 20,
    clears: [],
    phase: 'End joint straight day and night',
    expected: [
      { cell: 'middle joint (PIP) flexion, active', verdict: 'clear' },
      { cell: 'end joint (DIP) flexion, active', verdict: 'not yet', because: 'the days count anew' },
      { cell: 'end joint (DIP) flexion, gentle passive', verdict: 'not yet', because: 'the days count anew' },
    ],
  },
  {
    condition: 'Thumb ulnar collateral ligament injury',
    school: 'Repair',
    dayZero: 'surgery',
    day: 20,
    clears: [],
    phase: 'Protected',
    expected: [
      { cell: 'thumb tip (IP) flexion, active', verdict: 'clear' },
      {
        cell: 'thumb MCP flexion, active',
        verdict: 'not yet',
        because: 'heals inside the orthosis',
      },
    ],
  },
  {
    condition: 'Carpal tunnel syndrome',
    school: 'Release',
    dayZero: 'surgery',
    day: 5,
    clears: [ACTIVE],
    phase: 'Wound',
    expected: [
      {
        cell: 'wrist flexion, active',
        verdict: 'not yet',
        because: 'wrist 30° of extension to 15° of flexion',
      },
      { cell: 'wrist flexion, stretch', verdict: 'not yet', because: 'Wound and swelling have to settle' },
    ],
  },
  {
    condition: 'Thumb-base osteoarthritis',
    school: 'Without operation',
    dayZero: 'first visit',
    day: 5,
    clears: [],
    phase: 'No phase is open',
    expected: [
      { cell: 'thumb base (CMC) palmar abduction, active', verdict: 'not yet', because: 'diagnosis made' },
    ],
    record: {
      criteria: ['Diagnosis made by a licensed clinician'],
      phase: 'Free the web, protect',
      expected: [{ cell: 'thumb base (CMC) palmar abduction, active', verdict: 'clear' }],
    },
  },
]

const { browser, signIns, url } = inject('built')
let started: Awaited<ReturnType<typeof joinBrowser>>
let page: Page
const failures: string[] = []
beforeAll(async () => {
  started = await joinBrowser(browser)
  page = await openPage(started.browser, { width: 1280, height: 800 })
  page.on('pageerror', (error) => failures.push(String(error)))
  const { login, password } = signIns.users.find((one) => one.login === 'noor')!
  await signIn(page, url, login, password)
})
afterAll(() => started.close())

const daysAgo = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)
const CELLS = '.map .cell'

async function expectVerdict({ cell, verdict, because }: Expected) {
  await page.waitForSelector(`${CELLS}, .map .text-button`)
  // One cause that bars everything is told instead of the cells.
  if (!(await page.$(CELLS))) await press(page, 'Show the single motions')
  await page.waitForSelector(CELLS)
  // What was just recorded reaches the map a moment later.
  const start = `${cell}: ${verdict}`.toLowerCase()
  const found = await page
    .waitForFunction(
      (cells, words) =>
        [...document.querySelectorAll(cells)]
          .map((one) => one.getAttribute('aria-label')!)
          .find((one) => one.toLowerCase().startsWith(words)),
      { timeout: 10_000 },
      CELLS,
      start,
    )
    .catch(async () => {
      const labels = await page.$$eval(CELLS, (all) => all.map((one) => one.getAttribute('aria-label')))
      throw new Error(`No cell says "${start}". They say: ${labels.join(' | ')}`)
    })
  const label = (await found.jsonValue()) as string
  await press(page, label)
  if (because) await reads(page, because)
}

/** Presses the button beside a criterion. The list moves while the case reads itself anew, so a miss is tried again. */
async function openBeside(what: string, opened: string) {
  for (let attempt = 1; ; attempt += 1) {
    const found = await page.waitForFunction(
      (words) =>
        [...document.querySelectorAll('li, .criterion')]
          .find((one) => one.textContent!.includes(words) && one.querySelector('button'))
          ?.querySelector('button'),
      { timeout: 10_000 },
      what,
    )
    const button = found.asElement() as ElementHandle<HTMLButtonElement>
    try {
      await button.evaluate((node) => node.scrollIntoView({ block: 'center' }))
      await button.click()
      return await reads(page, opened, 3000)
    } catch (error) {
      if (attempt === 3) throw error
    }
  }
}

it.each(PATIENTS)('$condition: from the referral to the verdict', async (patient) => {
  await page.goto(`${url}/caseload`, { waitUntil: 'networkidle0' })
  await press(page, 'New referral')
  await reads(page, 'From the surgeon’s letter')
  await fill(page, 'Name', `Invented ${patient.school}`)
  await fill(page, 'Date of birth', '1968-02-14')
  await choose(page, 'Dominant hand', 'Right')
  await choose(page, 'Latex allergy', 'No')
  await choose(page, 'Adhesive allergy', 'No')
  await pick(page, 'Condition', patient.condition)
  await choose(page, 'Injured side', 'Left')
  for (const [question, answer] of patient.facts ?? []) await choose(page, question, answer)
  for (const [question, value] of patient.numbers ?? []) await fill(page, question, value)
  await press(page, patient.school, { exact: false })
  if (patient.digit) await press(page, patient.digit)
  await fill(page, `Day 0: ${patient.dayZero}`, daysAgo(patient.day))
  await fill(page, 'Surgeon or referrer', 'Dr. P. Hallam-Ito')
  await fill(page, 'Date of the letter', daysAgo(patient.day))
  for (const clearance of patient.clears) await press(page, clearance)
  await press(page, 'Open the episode')
  await reads(page, `day ${patient.day} · week`)
  await press(page, 'Phase')
  await reads(page, 'What may move today')
  await reads(page, patient.phase)
  for (const one of patient.expected) await expectVerdict(one)
  if (!patient.record) return
  for (const what of patient.record.criteria) {
    await openBeside(what, 'Is it so?')
    await press(page, 'Record it')
    await page.waitForFunction(() => !document.body.innerText.includes('Is it so?'))
  }
  await reads(page, patient.record.phase)
  for (const one of patient.record.expected) await expectVerdict(one)
})

it('another injury of a known person is asked about, and judged together with the first', async () => {
  await page.goto(`${url}/caseload`, { waitUntil: 'networkidle0' })
  await press(page, 'New referral')
  await reads(page, 'From the surgeon’s letter')
  await fill(page, 'Name', 'invented  orthosis without a break')
  await fill(page, 'Date of birth', '1968-02-14')
  await choose(page, 'Dominant hand', 'Right')
  await choose(page, 'Latex allergy', 'Yes')
  await choose(page, 'Adhesive allergy', 'No')
  await reads(page, 'A patient of this name and date of birth is here already')
  await reads(page, 'left ring finger, Mallet finger')
  await expectAccessible(page, 'the question whether it is the same person')
  await pick(page, 'Condition', 'Mallet finger (extensor zones I-II)')
  await choose(page, 'Injured side', 'Right')
  await press(page, 'Orthosis without a break', { exact: false })
  await press(page, 'middle')
  await fill(page, 'Day 0: start of the orthosis', daysAgo(6))
  await fill(page, 'Surgeon or referrer', 'Dr. P. Hallam-Ito')
  await fill(page, 'Date of the letter', daysAgo(6))
  await press(page, 'Open the episode')
  await reads(page, 'say whether it is the same person')
  await press(page, 'The same person:', { exact: false })
  await press(page, 'Open the episode')
  await reads(page, 'Judged together with left ring finger: Mallet finger')
  await expectAccessible(page, 'a case that is judged with another')
  await press(page, 'left ring finger: Mallet finger', { exact: false })
  await reads(page, 'Judged together with right middle finger: Mallet finger')
  // An allergy told now counts for the first injury too.
  await reads(page, 'latex allergy')
})

it('an exercise of one finger is given to the injured one, taken to another, and the phone names it', async () => {
  await press(page, 'right middle finger: Mallet finger', { exact: false })
  await reads(page, 'Judged together with left ring finger')
  await press(page, 'Program')
  await reads(page, 'No exercise chosen yet')
  await press(page, 'Add Bend the finger, tip in its orthosis')
  await reads(page, 'this one only')
  await reads(page, 'draft saved')
  expect(await page.$$eval('.digits input:checked', (all) => all.length)).toBe(1)
  await press(page, 'ring')
  await reads(page, 'middle and ring fingers')
  await reads(page, 'one after the other')
  await press(page, 'middle (injured)')
  await reads(page, 'Not with what is injured (middle finger)')
  await expectAccessible(page, 'an exercise with chosen digits')
  await press(page, 'Sign program 1')
  await reads(page, 'Signed as program 1')
  await press(page, 'At home')
  await press(page, 'Make a pairing code')
  const code = await (await page.waitForSelector('[data-code]'))!.evaluate((node) => node.textContent ?? '')
  const phone = await openPage(started.browser, { width: 390, height: 844, isPhone: true })
  await phone.goto(`${url}/phone`, { waitUntil: 'networkidle0' })
  await fill(phone, 'Code', code)
  await press(phone, 'Pair this phone')
  await press(phone, 'Start')
  await choose(phone, 'How much does your hand hurt now, at rest?', '1')
  await press(phone, 'Go on')
  await reads(phone, 'Only with: ring finger')
  await reads(phone, 'Keep still: middle finger')
  await expectAccessible(phone, 'an exercise with chosen digits on the phone')
  await phone.close()
})

it('said nothing wrong in the console meanwhile', () => expect(failures).toEqual([]))
