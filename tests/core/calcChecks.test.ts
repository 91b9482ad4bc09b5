import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { allConstants, calculated, isUnverified, SOURCES_OF_DOCSTRINGS } from '@pledge/core'
import { catalogue } from './shippedCatalogue.js'

interface Check {
  id: string
  calc: string
  input: unknown
  expect: Record<string, unknown>
  tolerance: number
  source: string
}
// Source: worked examples published with the specification; the source of each stands beside it in the file.
const checksFile = fileURLToPath(new URL('checks/checksOpen.json', import.meta.url))
const checks = JSON.parse(readFileSync(checksFile, 'utf8')) as Check[]

type Answer = { id: string; output?: Record<string, unknown>; error?: Record<string, string> }
const one = (calc: string, input: unknown): Answer => calculated([{ id: 'x', calc, input }])[0] as Answer

/** Every key expected, numbers within the tolerance, lists member by member. */
function expectClose(found: unknown, wanted: unknown, tolerance: number, what: string): void {
  if (Array.isArray(wanted)) {
    expect(found, what).toHaveLength(wanted.length)
    wanted.forEach((inner, index) => expectClose((found as unknown[])[index], inner, tolerance, what))
  } else if (typeof wanted === 'number') {
    expect(typeof found, what).toBe('number')
    // Expected values are printed with six digits.
    expect(Math.abs((found as number) - wanted), `${what}: ${String(found)}`).toBeLessThanOrEqual(
      Math.max(tolerance, 1e-6),
    )
  } else expect(found, what).toEqual(wanted)
}

describe('the published checks', () => {
  const answers = calculated(checks) as Answer[]

  it('are answered in their order', () => {
    expect(answers.map(({ id }) => id)).toEqual(checks.map(({ id }) => id))
    expect(checks).toHaveLength(68)
  })

  it.each(checks.map((check) => [check.id, check.calc, check.source, check] as const))(
    '%s: %s, %s',
    (id, calc, _source, check) => {
      const answer = answers.find((one) => one.id === id)!
      if (check.expect['error']) {
        expect(answer.error!['code']).toMatch(/^[A-Z_]+$/)
        expect(answer.error!['path']).not.toBe('')
        expect(answer.error!['message']).toMatch(/\. Check|Check /)
        return
      }
      expect(answer.error).toBeUndefined()
      for (const [key, wanted] of Object.entries(check.expect))
        expectClose(answer.output![key], wanted, check.tolerance, `${calc} ${key}`)
    },
  )
})

// Source: worked examples in the text of the specification that the checks do not repeat.
const EXAMPLES: readonly [
  calc: string,
  input: object,
  expected: Record<string, unknown>,
  tolerance?: number,
][] = [
  ['M-01', { convention: 'ASHT', typed: 12 }, { ext: -12, deficit: 0, hyper: 12 }],
  [
    'M-02',
    {
      joints: [
        { joint: 'MP', flex: 90, ext: -20 },
        { joint: 'PIP', flex: 100, ext: -12 },
        { joint: 'DIP', flex: 70, ext: 0 },
      ],
      strict: true,
    },
    { tam: 228 },
  ],
  [
    'M-02',
    {
      joints: [
        { joint: 'MP', flex: 90, ext: 0 },
        { joint: 'PIP', flex: 100, ext: 0 },
      ],
    },
    { tam: null, missing: ['DIP'] },
  ],
  [
    'M-02',
    {
      digit: 'thumb',
      joints: [
        { joint: 'MP', flex: 50, ext: 0 },
        { joint: 'IP', flex: 80, ext: 0 },
      ],
    },
    { tam: 130 },
  ],
  [
    'M-02',
    {
      joints: [
        { joint: 'MP', flex: 45, ext: 10 },
        { joint: 'IP', flex: 60, ext: -15 },
      ],
    },
    { tam: 95, missing: [] },
  ],
  ['M-02', { joints: [{ joint: 'IP', flex: 60, ext: 0 }] }, { tam: null, missing: ['MP'] }],
  ['B-18', { nerve: 'median', moves: {}, site: 'wrist' }, { class: 'none', balance: null, net: 0 }],
  [
    'M-05f',
    { distanceCm: 3, totalFlexion: 190, extensionDeficit: 40, tam: 150 },
    { score: 10, parts: [4, 2, 4], grade: 'satisfactory' },
  ],
  ['M-08', { previous: 40, now: 38 }, { resolution: 5, class: 'unresponsive' }],
  ['M-08', { previous: 20, now: 4 }, { resolution: 80, class: 'absent' }],
  ['M-15', { values: [14, 16, 16, 15, 14] }, { peak: 2, sd: 1, dropPercent: 12.5 }],
  [
    'M-17',
    { injured: 28, other: 36, injuredDominant: false, handedness: 'right' },
    { adjusted: 85.555556 },
    0.01,
  ],
  [
    'M-17',
    { injured: 28, other: 36, injuredDominant: true, handedness: 'left' },
    { adjusted: 77.777778 },
    0.01,
  ],
  [
    'M-18',
    { before: 3, now: 2 },
    { delta: 1, percent: 33.333333, mcidPoints: false, mcidPercent: true },
    0.01,
  ],
  ['M-19', { before: { a: 2, b: 3, c: 4 }, now: { a: 5, b: 6 } }, { items: 2, delta: 3 }],
  ['M-21', { circumferencesCm: [16, 19], stepCm: 4 }, { volumeMl: 97.7 }, 0.1],
  ['M-25', { days: 20 }, { expectedMm: 0 }],
  [
    'M-33',
    { t: [0, 7, 14, 21, 28, 35], y: [30, 38, 43, 60, 52, 58] },
    { slope: 0.7857, low: -0.1429, high: 1.5714 },
    0.0001,
  ],
  ['M-40', { arc: [-38, 35], functional: [-40, 40] }, { coverage: 91.25 }],
  ['M-41', { fe: -30, rud: -25 }, { dtm: -38.48, offPlane: -6.65 }, 0.01],
  ['B-02', { lengths: [50.54, 32.3, 20.52], angles: [70, 80, 40], pulp: 5.7 }, { x: -29.91, y: 54.47 }, 0.01],
  ['B-03', { handLength: 190, digit: 'middle', angles: [90, 100, 70] }, { gap: 3.8 }, 0.05],
  ['B-04', { pip: 60 }, { dip: 40 }],
  ['B-06', { tendon: 'FPL', delta: { CMC: 15, MP: 60, IP: 80 } }, { excursion: 25.3 }, 0.05],
  ['B-06', { tendon: 'EDC', delta: { MP: 90, PIP: 0, DIP: 0 } }, { excursion: 13.5 }, 0.05],
  ['B-08', { delta: { MP: 90, PIP: 100, DIP: 0 } }, { differential: 1.7 }, 0.05],
  ['B-10', { pip: 30, dip: 30, repaired: false }, { excursion: 6.9 }, 0.001],
  ['B-12', { strands: 6, day: 42 }, { classic: 76.3, early: 89 }, 0.05],
  [
    'B-13',
    { strands: 4, day: 7, level: 3, oedema: 'moderate' },
    { mid: 3.16, low: 1.26, class: 'narrow' },
    0.01,
  ],
  ['B-13', { strands: 2, day: 7, level: 3 }, { mid: 2.37, low: 0.95, class: 'below' }, 0.01],
  ['B-13', { strands: 6, day: 42, level: 6 }, { mid: 2.75, low: 1.1, class: 'narrow' }, 0.01],
  [
    'B-19',
    { nerve: 'ulnar', moves: { elbowFlexion: 90, wristFlexion: 50 }, site: 'wrist' },
    { net: 2.4, class: 'slider', u: -8.12 },
    0.01,
  ],
  [
    'B-19',
    { nerve: 'radial', moves: { wristFlexion: 60, elbowExtension: 60 } },
    { class: 'tensioner', direction: 'loading', strainPercent: 1.71 },
    0.01,
  ],
  ['B-19', { nerve: 'median', moves: {} }, { class: 'none', net: 0 }],
  ['B-21', { hoursPerDay: 8, days: 7 }, { gain: 2.1 }, 0.001],
  ['B-22', { t: 60, tau: 10, a: 0.6 }, { ratio: 0.601 }, 0.001],
  ['B-26', { colour: 'yellow', rest: 30, length: 45 }, { elongation: 50, forceN: 8 }, 0.05],
  ['B-26', { colour: 'red', rest: 40, length: 80 }, { forceN: 17.3 }, 0.05],
  ['B-27', { kg: 1, mm: 80 }, { Nm: 0.785 }, 0.001],
  ['B-28', { before: 2, peak: 4, after: 4 }, { class: 'regress' }],
  ['B-28', { before: 1, peak: 3, after: 2 }, { class: 'hold' }],
  ['B-28', { before: 2, peak: 3, after: 2 }, { class: 'progress' }],
  ['B-28', { before: 2, peak: null, after: 2 }, { class: null }],
]
it.each(EXAMPLES)('%s of %j gives %j', (calc, input, expected, tolerance = 1e-6) => {
  const answer = one(calc, input)
  expect(answer.error).toBeUndefined()
  for (const [key, wanted] of Object.entries(expected))
    expectClose(answer.output![key], wanted, tolerance, key)
})

// Source: the grid of B-13 in the specification; C comfortable, n narrow, - below.
it.each([
  [2, 7, 'nn------'],
  [2, 21, 'nnn-----'],
  [4, 7, 'CCnn----'],
  [4, 21, 'CCCn----'],
  [4, 42, 'CCCC----'],
  [4, 84, 'CCCCnn--'],
  [6, 7, 'CCCn----'],
  [6, 21, 'CCCC----'],
  [6, 42, 'CCCCnn--'],
  [6, 84, 'CCCCCnn-'],
])('the margin of %i strands on day %i is %s', (strands, day, classes) => {
  const letters = { comfortable: 'C', narrow: 'n', below: '-' }
  const found = [1, 2, 3, 4, 5, 6, 7, 8].map(
    (level) => letters[one('B-13', { strands, day, level }).output!['class'] as 'narrow'],
  )
  expect(found.join('')).toBe(classes)
})

describe('what cannot be', () => {
  // Source: ranges and refusals by id in the specification.
  it.each<[string, object, string, string]>([
    ['M-01', { convention: 'SFTR', typed: 5 }, 'DOCUMENT_INVALID', 'convention'],
    ['M-01', { convention: 'ASHT', typed: 400 }, 'MEASUREMENT_OUT_OF_RANGE', 'typed'],
    [
      'M-02',
      { joints: [{ joint: 'MP', flex: 130, ext: 0 }] },
      'MEASUREMENT_OUT_OF_RANGE',
      'mcp.flexedEndDeg',
    ],
    [
      'M-02',
      {
        joints: [
          { joint: 'MP', flex: 80, ext: 0, mode: 'active' },
          { joint: 'PIP', flex: 80, ext: 0, mode: 'passive' },
        ],
      },
      'MEASUREMENT_INCONSISTENT',
      'joints',
    ],
    [
      'M-02',
      {
        joints: [
          { joint: 'MP', flex: 80, ext: 0 },
          { joint: 'MP', flex: 80, ext: 0 },
        ],
      },
      'DOCUMENT_INVALID',
      'joints.1.joint',
    ],
    ['M-03', { tam: 200, other: 0 }, 'MEASUREMENT_INCONSISTENT', 'other'],
    [
      'M-04',
      { pipFlex: 10, dipFlex: 50, pipExt: 15, dipExt: 5 },
      'MEASUREMENT_INCONSISTENT',
      'pip.flexedEndDeg',
    ],
    [
      'M-05f',
      { distanceCm: -1, totalFlexion: null, extensionDeficit: 0, tam: 100 },
      'MEASUREMENT_OUT_OF_RANGE',
      'distanceCm',
    ],
    ['M-06-miller', { lag: -5, flexionLoss: 0 }, 'MEASUREMENT_OUT_OF_RANGE', 'lag'],
    ['M-10', { score: 3.5 }, 'MEASUREMENT_OUT_OF_RANGE', 'score'],
    ['M-11', { imd: 110, a: 20, b: 20 }, 'MEASUREMENT_INCONSISTENT', 'imd'],
    ['M-12', { gf: [300, 800], armMm: 0, angles: [62, 74] }, 'MEASUREMENT_OUT_OF_RANGE', 'armMm'],
    ['M-14', { trials: [30, -1], unit: 'kgf' }, 'MEASUREMENT_OUT_OF_RANGE', 'trials.1'],
    ['M-14', { trials: [], unit: 'kgf' }, 'MEASUREMENT_INCONSISTENT', 'trials'],
    ['M-14', { trials: ['30,5'], unit: 'kgf' }, 'DOCUMENT_INVALID', 'trials.0'],
    ['M-15', { values: [1, 2, 3, 4] }, 'MEASUREMENT_INCONSISTENT', 'values'],
    [
      'M-16',
      { test: 'squeeze', sex: 'male', age: 30, side: 'left', value: 9, unit: 'kgf' },
      'DOCUMENT_INVALID',
      'test',
    ],
    [
      'M-16',
      { test: 'grip', sex: 'female', age: 19, side: 'left', value: 9, unit: 'kgf' },
      'MEASUREMENT_OUT_OF_RANGE',
      'age',
    ],
    [
      'M-02',
      {
        joints: [
          { joint: 'MP', flex: 80, ext: 0 },
          { joint: 'IP', flex: 80, ext: 0 },
          { joint: 'DIP', flex: 40, ext: 0 },
        ],
      },
      'DOCUMENT_INVALID',
      'joints.2.joint',
    ],
    ['M-18', { before: 11, now: 2 }, 'MEASUREMENT_OUT_OF_RANGE', 'before'],
    ['M-18', { before: 2.5, now: 2 }, 'MEASUREMENT_OUT_OF_RANGE', 'before'],
    ['M-21', { circumferencesCm: [16], stepCm: 4 }, 'MEASUREMENT_INCONSISTENT', 'circumferencesCm'],
    ['M-22', { injured: 40, other: 0 }, 'MEASUREMENT_OUT_OF_RANGE', 'other'],
    ['M-23', { marking: 3 }, 'MEASUREMENT_OUT_OF_RANGE', 'marking'],
    ['M-24', { mm: 1 }, 'MEASUREMENT_OUT_OF_RANGE', 'mm'],
    ['M-25', { days: -1 }, 'MEASUREMENT_OUT_OF_RANGE', 'days'],
    ['M-26', { se: 0.6, sp: 1.2, prior: 0.5 }, 'MEASUREMENT_OUT_OF_RANGE', 'sp'],
    ['M-26', { se: 0.6, sp: 0.8, prior: 1 }, 'MEASUREMENT_INCONSISTENT', 'prior'],
    ['M-31', { sd: 5, icc: 1.1 }, 'MEASUREMENT_OUT_OF_RANGE', 'icc'],
    ['M-33', { t: [3, 3], y: [1, 2] }, 'MEASUREMENT_INCONSISTENT', 't'],
    ['M-33', { t: [1, 2], y: [1] }, 'MEASUREMENT_INCONSISTENT', 'y'],
    ['M-34', { t: [1, 2], y: [1, 2], mdc: 0 }, 'MEASUREMENT_INCONSISTENT', 'mdc'],
    ['M-35', { series: 'toString', week: 3 }, 'DOCUMENT_INVALID', 'series'],
    ['M-40', { arc: [70, 10], functional: [36, 86] }, 'MEASUREMENT_INCONSISTENT', 'arc'],
    ['M-41', { fe: 1, rud: 1, alpha: 91 }, 'MEASUREMENT_OUT_OF_RANGE', 'alpha'],
    ['B-01', { digit: 'sixth', handLength: 190 }, 'DOCUMENT_INVALID', 'digit'],
    ['B-01', { digit: 'index', handLength: 90 }, 'MEASUREMENT_OUT_OF_RANGE', 'handLength'],
    ['B-03', { handLength: 190, digit: 'thumb', angles: [0, 0, 0] }, 'DOCUMENT_INVALID', 'digit'],
    ['B-05', { r: -80, deg: 5 }, 'MEASUREMENT_OUT_OF_RANGE', 'r'],
    ['B-06', { tendon: 'APL', delta: { MP: 10 } }, 'DOCUMENT_INVALID', 'tendon'],
    ['B-06', { tendon: 'FDP', delta: { knee: 10 } }, 'DOCUMENT_INVALID', 'delta.knee'],
    ['B-07', { glide: 5, arm: 0 }, 'MEASUREMENT_OUT_OF_RANGE', 'arm'],
    ['B-09', { wristExtension: 80 }, 'MEASUREMENT_OUT_OF_RANGE', 'wristExtension'],
    ['B-11', { level: 9 }, 'DOCUMENT_INVALID', '(document)'],
    ['M-00', { N: 1, lbf: 1 }, 'DOCUMENT_INVALID', '(document)'],
    ['M-33', { t: [1, 2], y: [1, 'x'] }, 'DOCUMENT_INVALID', 'y.1'],
    ['B-02', { lengths: [50, 30], angles: [1, 2, 3], pulp: 5 }, 'DOCUMENT_INVALID', 'lengths'],
    ['B-02', { lengths: [50, 30, 0], angles: [1, 2, 3], pulp: 5 }, 'MEASUREMENT_OUT_OF_RANGE', 'lengths.2'],
    ['M-40', { arc: [1], functional: [36, 86] }, 'DOCUMENT_INVALID', 'arc'],
    ['M-40', { arc: [1, 5], functional: [86, 86] }, 'MEASUREMENT_INCONSISTENT', 'functional'],
    ['M-12', { gf: [300], armMm: 40, angles: [62] }, 'MEASUREMENT_INCONSISTENT', 'angles'],
    ['B-12', { strands: 3, day: 7 }, 'MEASUREMENT_INCONSISTENT', 'strands'],
    ['B-12', { strands: 4, day: 85 }, 'MEASUREMENT_OUT_OF_RANGE', 'day'],
    ['B-13', { strands: 4, day: 7, level: 9 }, 'MEASUREMENT_OUT_OF_RANGE', 'level'],
    ['B-13', { strands: 4, day: 7, level: 3, oedema: 'some' }, 'DOCUMENT_INVALID', 'oedema'],
    ['B-18', { nerve: 'sural', moves: {}, site: 'wrist' }, 'DOCUMENT_INVALID', 'nerve'],
    [
      'B-18',
      { nerve: 'median', moves: { hipFlexion: 20 }, site: 'wrist' },
      'DOCUMENT_INVALID',
      'moves.hipFlexion',
    ],
    [
      'B-18',
      { nerve: 'median', moves: { elbowExtension: 900 }, site: 'wrist' },
      'MEASUREMENT_OUT_OF_RANGE',
      'moves.elbowFlexion',
    ],
    ['B-18', { nerve: 'median', moves: { elbowExtension: 90 }, site: 'knee' }, 'DOCUMENT_INVALID', 'site'],
    [
      'B-19',
      { nerve: 'median', moves: { elbowExtension: 9, elbowFlexion: 9 } },
      'DOCUMENT_INVALID',
      'moves.elbowFlexion',
    ],
    ['B-21', { hoursPerDay: 25, days: 6 }, 'MEASUREMENT_OUT_OF_RANGE', 'hoursPerDay'],
    ['B-23', { hold: 10, reps: 0, sets: 3, perDay: 3 }, 'MEASUREMENT_OUT_OF_RANGE', 'reps'],
    ['B-24', { gf: 200, cm2: 0 }, 'MEASUREMENT_OUT_OF_RANGE', 'cm2'],
    ['B-25', { kg: 5, reps: 16 }, 'MEASUREMENT_OUT_OF_RANGE', 'reps'],
    ['B-26', { colour: 'green', rest: 25, length: 100 }, 'MEASUREMENT_OUT_OF_RANGE', 'length'],
    ['B-28', { before: 12, peak: 3, after: 2 }, 'MEASUREMENT_OUT_OF_RANGE', 'before'],
    ['M-99', {}, 'CALCULATION_UNKNOWN', 'calc'],
    ['M-18', { before: 1, now: 1, later: 2 }, 'DOCUMENT_INVALID', 'later'],
  ])('%s of %j is refused', (calc, input, code, path) => {
    const { error } = one(calc, input)
    expect(error).toMatchObject({ code, path })
    expect(error!['message']!.length).toBeGreaterThan(20)
  })

  it('one that is refused does not stop the others', () => {
    const answers = calculated([
      { id: 'a', calc: 'M-18', input: { before: 99, now: 1 } },
      { id: 'b', calc: 'M-18', input: { before: 9, now: 1 } },
    ])
    expect(answers.map((answer) => 'error' in answer)).toEqual([true, false])
  })
})

describe('the sources of code', () => {
  it('each constant rests on a listed source, and the unsure ones are marked', () => {
    for (const constant of allConstants()) {
      expect(catalogue.sources.has(constant.source), constant.source).toBe(true)
      expect(isUnverified(constant)).toBe(constant.confidence === 'low')
    }
    expect(allConstants().some(isUnverified)).toBe(true)
  })

  it('each source a docstring names is listed for it', () => {
    for (const key of SOURCES_OF_DOCSTRINGS) expect(catalogue.sources.has(key), key).toBe(true)
  })
})
