import { describe, expect, it } from 'vitest'
import { criterion } from '../vocabulary/criterion.js'
import { factBook, type LoggedPain, type RecordedFact } from './facts.js'

const today = '2031-04-11'
const LIMITS = { painStaleDays: 7, findingStaleDays: 14, loggedPainHours: 48 }
const fact = (what: string, changes: Partial<RecordedFact> = {}): RecordedFact => ({
  what: what as RecordedFact['what'],
  value: true,
  date: today,
  withdrawn: false,
  ...changes,
})
const log = (changes: Partial<LoggedPain>): LoggedPain => ({
  hoursAgo: 5,
  before: null,
  worst: null,
  ...changes,
})
const status = (what: string, facts: RecordedFact[], loggedPain: LoggedPain[] = []) =>
  factBook({ today, limits: LIMITS, facts, loggedPain }).status(criterion(what)).name

describe('a criterion', () => {
  it.each([
    ['nobody recorded is not met', 'xr.union', [], 'neverRecorded'],
    ['recorded is met', 'xr.union', [fact('xr.union')], 'met'],
    ['recorded as not so is not met', 'xr.union', [fact('xr.union', { value: false })], 'notSo'],
    [
      'withdrawn is not met',
      'xr.union',
      [fact('xr.union'), fact('xr.union', { withdrawn: true })],
      'withdrawn',
    ],
    [
      'recorded again after a withdrawal is met',
      'xr.union',
      [fact('xr.union', { withdrawn: true }), fact('xr.union')],
      'met',
    ],
    [
      'dated after today does not count yet',
      'xr.union',
      [fact('xr.union', { date: '2031-04-12' })],
      'neverRecorded',
    ],
    ['of the surgeon holds for months', 'ord.rom', [fact('ord.rom', { date: '2030-12-01' })], 'met'],
    ['of the wound holds 14 days', 'wound.ok', [fact('wound.ok', { date: '2031-03-28' })], 'met'],
    ['of the wound is stale on day 15', 'wound.ok', [fact('wound.ok', { date: '2031-03-27' })], 'stale'],
    ['of pain holds 7 days', 'pain.act<=3', [fact('pain.act', { value: 3, date: '2031-04-04' })], 'met'],
    [
      'of pain is stale on day 8',
      'pain.act<=3',
      [fact('pain.act', { value: 3, date: '2031-04-03' })],
      'stale',
    ],
    ['of pain just above its limit is not met', 'pain.act<=3', [fact('pain.act', { value: 4 })], 'notSo'],
    [
      'counts by its latest date, whatever the order of recording',
      'pain.act<=3',
      [fact('pain.act', { value: 6 }), fact('pain.act', { value: 1, date: '2031-04-09' })],
      'notSo',
    ],
    ['of irritability compares levels', 'irrit<=mod', [fact('irrit', { value: 'high' })], 'notSo'],
    ['with a word for a number is not met', 'pain.act<=3', [fact('pain.act', { value: true })], 'notSo'],
  ])('%s', (_case, what, facts, expected) => {
    expect(status(what, facts)).toBe(expected)
  })
})

describe('pain logged at home', () => {
  it.each([
    [
      'a bad evening closes what a good visit opened',
      [fact('pain.act', { value: 2 })],
      [log({ worst: 6 })],
      'notSo',
    ],
    [
      'a good evening does not better a bad visit',
      [fact('pain.act', { value: 6 })],
      [log({ worst: 1 })],
      'notSo',
    ],
    [
      'the worst of the last 48 hours counts',
      [],
      [log({ worst: 2 }), log({ worst: 7, hoursAgo: 48 })],
      'notSo',
    ],
    ['an older one does not', [], [log({ worst: 2 }), log({ worst: 7, hoursAgo: 49 })], 'met'],
    [
      'keeps a score fresh, without bettering it',
      [fact('pain.act', { value: 5, date: '2031-03-01' })],
      [log({ worst: 1 })],
      'notSo',
    ],
    ['a bout whose pain was not asked says nothing', [], [log({ worst: null })], 'neverRecorded'],
  ])('%s', (_case, facts, logs, expected) => {
    expect(status('pain.act<=3', facts, logs)).toBe(expected)
  })
})
