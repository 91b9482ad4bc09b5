import { describe, expect, it } from 'vitest'
import { criterion } from '../vocabulary/criterion.js'
import type { PatientCase } from '../verdict/patientCase.js'
import { needsOf, urgencyOf } from './needs.js'

const LIMITS = { freezeAfterDays: 14, behindScheduleDays: 14 }
const TODAY = '2031-04-20'
const phase = (id: string, from: number, entry: string[] = []) => ({
  id,
  name: { en: `Phase ${id}`, es: id },
  days: [from, null],
  entry: entry.map((text) => criterion(text)),
})
/** Two phases, the second from day 10 with a wound that must be closed; on day 12 nobody has seen the wound. */
function stateOf(
  changes: { day?: number; isWoundClosed?: boolean } & Partial<PatientCase> = {},
): PatientCase {
  const { day = 12, isWoundClosed = false, ...others } = changes
  const status = () => (isWoundClosed ? { name: 'met' } : { name: 'neverRecorded' })
  return {
    protocol: { phases: [phase('P1', 0), phase('P2', 10, ['wound.ok'])], select: [], anchor: 'surgery' },
    day,
    facts: { status },
    states: [],
    redLock: false,
    reviewOverdueDays: 0,
    ...others,
  } as unknown as PatientCase
}
const items = (...paused: boolean[]) => paused.map((isPaused) => ({ isPaused }))
const needs = (state: PatientCase, known: Partial<Parameters<typeof needsOf>[1]> = {}) =>
  needsOf(
    state,
    { today: TODAY, lastReviewOn: '2031-04-18', openedOn: '2031-03-01', items: items(false), ...known },
    LIMITS,
  )

describe('what a case needs somebody for', () => {
  it('is nothing while it is on course', () => {
    expect(needs(stateOf({ isWoundClosed: true }))).toEqual([])
    expect(urgencyOf([])).toBeGreaterThan(urgencyOf([{ kind: 'unsigned', text: '' }]))
  })

  it.each([
    ['a red flag, which says more than what it pauses', { redLock: true }, { items: items(true) }, 'redFlag'],
    ['exercises that pause', {}, { items: items(true, false, true) }, 'paused: 2 of 3 exercises'],
    [
      'a review that is due soon',
      {},
      { lastReviewOn: '2031-04-08' },
      'reviewDue: Review due: last on 2031-04-08',
    ],
    [
      'a phase that has frozen',
      { reviewOverdueDays: 1, day: 9 },
      { lastReviewOn: '2031-04-05' },
      'reviewDue: Frozen: last review 15 days ago',
    ],
    ['a program nobody signed', {}, { items: null }, 'unsigned: No program signed yet'],
  ])('is %s', (_what, changes, known, told) => {
    const found = needs(stateOf({ isWoundClosed: true, ...changes }), known)
    expect(found).toHaveLength(1)
    expect(`${found[0]!.kind}: ${found[0]!.text}`).toContain(told)
  })

  it.each([
    [10, 'held', 'Phase P2 waits for 1 criterion'],
    [24, 'held', 'Phase P2 waits for 1 criterion'],
    [25, 'behind', '15 days behind: Phase P2 still waits. Talk it over with the surgeon'],
  ])('on day %i of a phase that waits is that it is %s', (day, kind, text) => {
    expect(needs(stateOf({ day }))).toEqual([{ kind, text }])
  })

  // Day 0 lies 40 days back; the second phase would have begun on day 10.
  it.each([
    ['2031-04-20', 40, 'held', 'Came on day 40: record what is already so for Phase P2'],
    ['2031-04-06', 40, 'held', 'Came on day 26: record what is already so for Phase P2'],
    ['2031-04-05', 40, 'behind', '15 days behind: Phase P2 still waits. Talk it over with the surgeon'],
    ['2031-03-21', 24, 'held', 'Phase P2 waits for 1 criterion'],
  ])('of a patient who came on %s, on day %i, is that it is %s', (openedOn, day, kind, text) => {
    expect(needs(stateOf({ day }), { openedOn })).toEqual([{ kind, text }])
  })

  it('comes with the most urgent first', () => {
    const all = needs(stateOf({ redLock: true, day: 40 }), { lastReviewOn: '2031-04-08', items: null })
    expect(all.map(({ kind }) => kind)).toEqual(['redFlag', 'reviewDue', 'behind', 'unsigned'])
    expect(urgencyOf(all)).toBe(0)
  })
})
