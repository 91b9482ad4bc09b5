import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { assessCaseFile, CoreError } from '@pledge/core'
import { parseYaml } from '../../packages/catalogue/src/loadCatalogue.js'
import { addedExercises, catalogue } from './shippedCatalogue.js'

const caseFile = (episode: object = {}, rest: object = {}) => ({
  format: 'pledge-case/1',
  today: '2031-04-11',
  episode: {
    protocol: 'DRF-VLP-EARLY',
    anchors: { injury: '2031-02-20', surgery: '2031-02-25' },
    recorded: [
      { what: 'ord.therapy', date: '2031-02-26' },
      { what: 'ord.rom', date: '2031-03-05' },
      { what: 'fix.stable', date: '2031-03-05' },
      { what: 'wound.ok', date: '2031-04-04' },
      { what: 'pain.rest', value: 1, date: '2031-04-11' },
      { what: 'edema.stable', date: '2031-04-11' },
      { what: 'xr.union', date: '2031-04-08' },
      { what: 'pain.act', value: 2, date: '2031-04-11' },
    ],
    ...episode,
  },
  exercises: [
    { id: 'wrist-updown-active' },
    { signature: { name: 'lean', motions: [{ m: 'S', mv: ['wrist.ext'] }] } },
  ],
  ...rest,
})
const refusal = (document: unknown): CoreError => {
  try {
    assessCaseFile(document, catalogue)
  } catch (error) {
    if (error instanceof CoreError) return error
    throw error
  }
  throw new Error('The file was accepted.')
}

describe('a case file of a plated wrist on day 45', () => {
  const result = assessCaseFile(caseFile(), catalogue)

  it('is in the active phase, held by what nobody recorded', () => {
    expect(result.episodes[0]).toMatchObject({
      day: 45,
      phase: { id: 'P2', heldBy: ['ord.passive', 'xr.stable'] },
      nextPhase: { id: 'P3', earliest: '2031-04-11', earliestDay: 45 },
    })
  })

  it('lets the wrist move and holds the stretch, with the criteria it takes', () => {
    expect(result.verdicts[0]).toMatchObject({
      exercise: 'wrist-updown-active',
      verdict: 'clear',
      from: null,
      missing: [],
    })
    expect(result.verdicts[1]).toMatchObject({
      exercise: 'lean',
      verdict: 'not-yet',
      from: '2031-04-11',
      fromDay: 45,
      missing: ['ord.passive', 'xr.stable', 'ord.resist'],
    })
  })

  it('counts the minutes of what is prescribed', () => {
    // 10 repetitions x (5 s hold + 4 s change) = 90 s, four times a day.
    expect(result.burden).toEqual({ minutesPerDay: 6, boutsPerDay: 4, endRangeMinutesPerDay: 0 })
  })

  it('judges the whole catalogue in the orthosis the phase keeps on, and says so', () => {
    const { exercises: _none, ...whole } = caseFile({ anchors: { surgery: '2031-04-09' } })
    const verdicts = assessCaseFile(whole, catalogue).verdicts
    // Source: the exercise document counts 103 exercises for this condition.
    expect(verdicts.filter(({ exercise }) => !addedExercises.has(exercise!))).toHaveLength(103)
    expect(verdicts.find((one) => one.exercise === 'fist-gentle')).toMatchObject({
      in: 'WRO',
      verdict: 'clear',
    })
  })

  it.each([
    ['swelling measured 14 days ago still counts', '2031-03-28', []],
    ['swelling measured 15 days ago is to be measured again', '2031-03-27', ['edema.stable']],
  ])('%s', (_case, date, missing) => {
    const recorded = ['ord.passive', 'xr.stable', 'ord.resist'].map((what) => ({ what, date: '2031-04-01' }))
    const kept = caseFile().episode.recorded.filter((fact) => fact.what !== 'edema.stable')
    const answer = assessCaseFile(
      caseFile({ recorded: [...kept, ...recorded, { what: 'edema.stable', date }] }),
      catalogue,
    )
    expect(answer.verdicts[1]?.missing).toEqual(missing)
  })

  it('takes an assumed record, a withdrawal, a shift and a red flag', () => {
    const assumed = (wish: object) =>
      assessCaseFile(caseFile({ recorded: [], assumeRecorded: true, ...wish }), catalogue).verdicts[1]
    expect(assumed({})?.verdict).toBe('clear')
    expect(assumed({ withdrawn: ['xr.union'] })).toMatchObject({ verdict: 'not-yet', missing: ['xr.union'] })
    expect(assumed({ shifts: [[7, 28]] })).toMatchObject({ verdict: 'not-yet', fromDay: 49 })
    expect(assumed({ redLock: true })).toMatchObject({ verdict: 'not-yet', fromDay: null })
    expect(assumed({ lastReview: '2031-03-20' })?.verdict).toBe('not-yet')
  })

  it('names a school that does not fit', () => {
    const answer = assessCaseFile(
      caseFile({ recorded: [{ what: 'fix.stable', value: false, date: '2031-03-05' }] }),
      catalogue,
    )
    expect(answer.episodes[0]).toMatchObject({ wrongSchool: ['fix.stable'] })
  })
})

it('the documented example is what running it prints', () => {
  const read = (name: string) => readFileSync(new URL(`../../docs/${name}`, import.meta.url), 'utf8')
  expect(assessCaseFile(parseYaml(read('case-example.yaml')), catalogue)).toEqual(
    JSON.parse(read('case-example.json')),
  )
})

describe('a case file that cannot be', () => {
  it.each([
    ['an unknown key', caseFile({ colour: 'red' }), 'episode.colour'],
    [
      'a date that does not exist',
      caseFile({ anchors: { surgery: '2031-02-30' } }),
      'episode.anchors.surgery',
    ],
    ['no anchor', caseFile({ anchors: { injury: '2031-02-20' } }), 'episode.anchors.surgery'],
    ['a criterion nobody knows', caseFile({ recorded: [{ what: 'xr.fine' }] }), 'episode.recorded.0.what'],
    [
      'a score without a number',
      caseFile({ recorded: [{ what: 'pain.act', value: 'much' }] }),
      'episode.recorded.0.value',
    ],
    ['an unknown protocol', caseFile({ protocol: 'DRF-X' }), 'episode.protocol'],
    ['an unknown exercise', caseFile({}, { exercises: [{ id: 'handstand' }] }), 'exercises.0.id'],
    [
      'an unknown motion',
      caseFile({}, { exercises: [{ signature: { motions: [{ m: 'A', mv: ['wrist.up'] }] } }] }),
      'exercises.0.signature.motions.0.mv.0',
    ],
    ['both a day and a date', caseFile({}, { day: 45 }), 'today'],
    ['another format', { ...caseFile(), format: 'pledge-case/9' }, 'format'],
    [
      'a hundred thousand exercises',
      caseFile({}, { exercises: Array.from({ length: 100_000 }, () => ({ id: 'x' })) }),
      'exercises',
    ],
    ['a list instead of an object', [], '(document)'],
  ])('%s is refused at its path', (_case, document, path) => {
    expect(refusal(document).path).toBe(path)
  })

  it('aliases are refused before they can grow', () => {
    expect(() => parseYaml('a: &a [1]\nb: *a')).toThrow(CoreError)
  })
})
