import type { Page } from 'puppeteer-core'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { choose, joinBrowser, openPage, press, reads, signIn } from '../../scripts/lib/browser.mjs'
import { catalogue } from '../core/shippedCatalogue.js'
import { expectAccessible } from './accessible.js'
import { typeReferral } from './clinicPage.js'

/** From the referral through measured criteria to the next phase: no criterion is ticked that a reading tells. */
const { browser, signIns, url } = inject('built')
const noor = signIns.users.find((one) => one.login === 'noor')!
let started: Awaited<ReturnType<typeof joinBrowser>>
let page: Page

beforeAll(async () => {
  started = await joinBrowser(browser)
  page = await openPage(started.browser, { width: 1280, height: 800 })
  await signIn(page, url, noor.login, noor.password)
})
afterAll(() => started.close())

interface Way {
  readonly protocol: string
  /** The phase that opens, reached on its first day. */
  readonly phase: string
  readonly digits?: readonly string[]
  /** What examination finds, recorded on the Phase screen. */
  readonly examined: readonly string[]
  /** Readings as they are typed, place by place; pain by its score. */
  readonly readings?: Readonly<Record<string, string>>
  readonly pain?: Readonly<Record<'At rest' | 'While moving', string>> | { 'While moving': string }
  /** Typed first: not yet good enough, so that the phase stays shut. */
  readonly before?: Readonly<Record<string, string>>
  /** What the Phase screen says of a criterion then. */
  readonly told?: string
}

const WAYS: readonly Way[] = [
  {
    protocol: 'DRF-VLP-EARLY',
    phase: 'P2',
    examined: ['wound.ok'],
    pain: { 'At rest': '2', 'While moving': '3' },
  },
  {
    protocol: 'PX-NONOP',
    phase: 'P3',
    digits: ['ring'],
    examined: ['clin.union'],
    pain: { 'At rest': '1', 'While moving': '2' },
  },
  {
    protocol: 'FT-DURAN',
    phase: 'P2',
    digits: ['middle', 'ring'],
    examined: ['wound.ok'],
    pain: { 'At rest': '1', 'While moving': '3' },
  },
  {
    protocol: 'EXT34-IMM',
    phase: 'P2',
    digits: ['ring'],
    examined: [],
    before: { 'pip.ring.left.active': '25/' },
    told: 'ring PIP lacks 25° by itself; helped not measured',
    readings: { 'pip.ring.left.active': '8/' },
  },
  {
    protocol: 'UCL-REPAIR',
    phase: 'P3',
    examined: ['stable.mp'],
    pain: { 'At rest': '0', 'While moving': '2' },
  },
  { protocol: 'CUB-DEC', phase: 'P3', examined: ['wound.ok'], pain: { 'At rest': '0', 'While moving': '2' } },
  {
    protocol: 'DQ-CONS',
    phase: 'P2',
    examined: ['dx.ok', 'trend.down'],
    pain: { 'At rest': '1', 'While moving': '3' },
  },
  {
    protocol: 'CMC-OA',
    phase: 'P2',
    examined: ['dx.ok', 'web.soft'],
    pain: { 'At rest': '1', 'While moving': '3' },
  },
]

const criteriaOf = (id: string) =>
  page.evaluate(async (episodeId) => {
    const answer = await (await fetch(`/api/episodes/${episodeId}`)).json()
    return {
      phaseId: answer.standing.phaseId as string,
      entry: answer.phases.flatMap((phase: { id: string; entry: object[] }) =>
        phase.entry.map((criterion) => ({ phase: phase.id, ...criterion })),
      ) as {
        phase: string
        name: string
        what: string
        meaning: string
        measured: string
        status: string
        latest: { how: string } | null
      }[],
    }
  }, id)

async function measure(readings: Readonly<Record<string, string>>, pain: Way['pain']) {
  for (const [place, text] of Object.entries(readings)) {
    const cell = (await page.waitForSelector(`[data-place="${place}"]`))!
    await cell.click({ count: 3 })
    await cell.type(text)
  }
  for (const [question, score] of Object.entries(pain ?? {})) await choose(page, question, score)
  await press(page, 'Save the evaluation')
  await reads(page, 'Saved:')
}

describe('measured to the next phase', () => {
  it.each(WAYS.map((way) => [catalogue.protocols.get(way.protocol)!.condition, way] as const))(
    '%s',
    { timeout: 60_000 },
    async (_condition, way) => {
      const protocol = catalogue.protocols.get(way.protocol)!
      const phase = protocol.phases.find(({ id }) => id === way.phase)!
      const id = await typeReferral(page, url, {
        protocolId: way.protocol,
        name: `Measured ${way.protocol}`,
        day: phase.days[0],
        ...(way.digits ? { digits: way.digits } : {}),
      })
      await press(page, 'Evaluate')
      await reads(page, 'A step waits for')
      if (way.before) {
        await measure(way.before, undefined)
        await press(page, 'Phase')
        await reads(page, way.told!)
        expect((await criteriaOf(id)).phaseId).not.toBe(way.phase)
        await press(page, 'Measure again')
        await page.waitForSelector('[data-place]')
      }
      await measure(way.readings ?? {}, way.pain)
      await press(page, 'Phase')
      await reads(page, 'What may move today')
      // What only an examination tells is a named person's word; what a reading tells is never asked so.
      for (const name of way.examined) {
        const { entry } = await criteriaOf(id)
        const { meaning } = entry.find((one) => one.name === name)!
        await page.waitForFunction(
          (words) => {
            const row = [...document.querySelectorAll('li')].find((one) =>
              one.textContent!.toLowerCase().includes(words),
            )
            const button = [...(row?.querySelectorAll('button') ?? [])].find((one) =>
              /^Record/.test(one.textContent!.trim()),
            )
            button?.click()
            return Boolean(button)
          },
          {},
          meaning.toLowerCase(),
        )
        await reads(page, 'Is it so?')
        await press(page, 'Record it')
        await page.waitForFunction(() => !document.body.innerText.includes('Is it so?'))
      }
      await reads(page, phase.name.en)
      await page.waitForFunction(
        async ([episodeId, wanted]) =>
          (await (await fetch(`/api/episodes/${episodeId}`)).json()).standing.phaseId === wanted,
        { polling: 300 },
        [id, way.phase] as const,
      )
      const { entry } = await criteriaOf(id)
      for (const criterion of entry.filter((one) => one.phase === way.phase && one.measured === 'always')) {
        expect(criterion.status, criterion.what).toBe('met')
        expect(criterion.latest?.how, criterion.what).toBe('measured')
      }
      // One screen for all of them.
      if (way === WAYS[0]) await expectAccessible(page, 'phase')
    },
  )
})
