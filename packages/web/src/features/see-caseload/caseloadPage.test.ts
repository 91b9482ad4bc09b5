import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { CaseloadAnswer, CaseloadRow, QueryOf } from '@pledge/contract'
import { ApiProblem } from '../../shared/api/problem'
import { onScreen, pageText, pressed, settled } from '../../shared/testing/clinicScreen'
import CaseloadPage from './CaseloadPage.vue'

const row = (patient: string, changes: Partial<CaseloadRow> = {}): CaseloadRow => ({
  episodeId: `episode of ${patient}`,
  patient,
  side: 'left',
  condition: 'Flexor tendon repair',
  therapist: 'Noor Castellane',
  day: 21,
  phase: { id: 'P1', name: 'Passive', number: 2, of: 3 },
  lastBoutAt: null,
  painRecent: [],
  lastPain: null,
  attention: [],
  ...changes,
})
const flagged = row('Ann Flagged', {
  attention: [{ kind: 'redFlag', text: 'Red flag: everything is stopped' }],
})
const clinic = [
  flagged,
  row('Ben Paused', { attention: [{ kind: 'paused', text: '2 of 5 paused' }] }),
].concat(Array.from({ length: 118 }, (_, place) => row(`Patient ${place + 1}`)))
type Query = QueryOf<'caseload'>
const answerTo = ({ text, rows }: Query): CaseloadAnswer => {
  const found = clinic.filter(({ patient }) => patient.toLowerCase().includes(text.toLowerCase()))
  const urgent = found.filter(({ attention }) => attention.length > 0).length
  return { today: '2031-04-11', total: found.length, urgent, cases: found.slice(0, rows) }
}
const api = { caseload: vi.fn(async (query: Query) => answerTo(query)) }
const typed = async (text: string) => {
  const field = document.querySelector<HTMLInputElement>('input[type=search]')!
  field.value = text
  field.dispatchEvent(new Event('input', { bubbles: true }))
  await settled()
  return field
}
const names = () => [...document.querySelectorAll('.patient')].map((one) => one.textContent)
const keyed = async (key: string, on: EventTarget = document.body) => {
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
  await settled()
  await settled()
}

beforeEach(() => {
  api.caseload.mockReset().mockImplementation(async (query: Query) => answerTo(query))
})
afterEach(() => vi.useRealTimers())

/** The page as an assistant sees it. */
async function page() {
  const shown = onScreen(CaseloadPage, { api, role: 'assistant' })
  await settled()
  return { at: () => shown.vm.$router.currentRoute.value.name, shown }
}

describe('the caseload on the screen', () => {
  it('shows the most urgent fifty, says how many there are, and more of them when asked', async () => {
    await page()
    expect(pageText()).toContain('2 of 120 open episodes need somebody')
    expect(names()).toHaveLength(50)
    expect(names()[0]).toBe('Ann Flagged')
    expect(pageText()).toContain('70 less urgent ones are not shown')
    await pressed('Show 50 more')
    expect(names()).toHaveLength(100)
    await pressed('Show 20 more')
    expect(names()).toHaveLength(120)
    expect(pageText()).not.toContain('not shown')
    expect(api.caseload.mock.calls.map(([{ rows }]) => rows)).toEqual([50, 100, 150])
  })

  it('says how many of those it does not show need somebody too', async () => {
    api.caseload.mockResolvedValueOnce({ today: '2031-04-11', total: 9, urgent: 3, cases: [flagged] })
    await page()
    expect(pageText()).toContain('8 less urgent ones are not shown; 2 of them need somebody too')
  })

  it('asks the server for what the filter says once nobody types any more', async () => {
    await page()
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    const field = document.querySelector<HTMLInputElement>('input[type=search]')!
    for (const text of ['p', 'pa', 'paus']) {
      field.value = text
      field.dispatchEvent(new Event('input', { bubbles: true }))
      await Promise.resolve()
    }
    await vi.runAllTimersAsync()
    expect(api.caseload.mock.calls.slice(1)).toEqual([[{ whose: 'all', text: 'paus', rows: 50 }]])
    expect(names()).toEqual(['Ben Paused'])
  })

  it('opens by Enter what the filter finds, not what stood there before', async () => {
    const { at } = await page()
    const field = await typed('paused')
    await keyed('Enter', field)
    expect(at()).toBe('program')
  })

  it('takes no older answer for the newest question', async () => {
    await page()
    let late: (answer: CaseloadAnswer) => void = () => {}
    api.caseload.mockImplementationOnce(() => new Promise((resolve) => (late = resolve)))
    await pressed('Mine')
    await pressed('All')
    late({ ...answerTo({ whose: 'mine', text: '', rows: 50 }), total: 1, cases: [flagged] })
    await settled()
    expect(names()).toHaveLength(50)
  })

  it('says what failed and reads again', async () => {
    api.caseload.mockRejectedValueOnce(new ApiProblem(503, 'DATABASE_AWAY', 'The record is away.'))
    await page()
    expect(pageText()).toContain('The record is away.')
    await pressed('Try again')
    expect(names()).toHaveLength(50)
  })

  it('tells a filter that finds nobody from a clinic without episodes', async () => {
    await page()
    const field = await typed('nobody at all')
    await keyed('Enter', field)
    expect(pageText()).toContain('No episode fits this filter.')
    api.caseload.mockResolvedValueOnce({ today: '2031-04-11', total: 0, urgent: 0, cases: [] })
    await page()
    expect(pageText()).toContain('No open episode yet')
  })
})
