import { describe, expect, it } from 'vitest'
import { finger, visit } from '../../../../tests/builders/readings.js'
import type { Visit } from '../measurement/readings/visits.js'
import { MEASURED_CRITERIA, measuredFacts, measuredHow, placesOf, type Measured } from './measuredFacts.js'

const hand = (over: Partial<Measured> = {}): Measured => ({
  side: 'left',
  digits: ['ring'],
  handedness: 'right',
  nerves: [],
  motions: ['pip.flex', 'pip.ext', 'dip.flex'],
  ...over,
})
/** What the last visit tells of a criterion: its value, or `undefined` where the readings do not tell. */
const told = (what: string, about: Measured, ...visits: Visit[]) =>
  measuredFacts(visits, about)
    .at(-1)!
    .find((fact) => fact.what === what)
const value = (what: string, about: Measured, ...visits: Visit[]) => told(what, about, ...visits)?.value

describe('pain', () => {
  it('at rest and while moving is what was said at the visit', () => {
    const seen = visit('2031-03-01', { 'painRest...': '1', 'painAct...': '4' })
    expect(value('pain.rest', hand(), seen)).toBe(1)
    expect(told('pain.act', hand(), seen)).toMatchObject({ value: 4, date: '2031-03-01', told: '4 of 10' })
  })
})

// Source: vocabulary, table of criteria: active minus passive extension deficit.
describe('a lag', () => {
  const dip = (active: string, passive?: string, digit = 'ring') =>
    visit('2031-03-01', {
      [`dip.${digit}.left.active`]: active,
      ...(passive ? { [`dip.${digit}.left.passive`]: passive } : {}),
    })
  it.each([
    ['15/', '0/60', 15],
    ['15/60', '10/60', 5],
    ['15/60', '-10/60', 15],
    ['-5/60', '0/60', 0],
    ['f30', 'f30', 0],
  ])('active %s against passive %s is %s°', (active, passive, lag) => {
    expect(value('lag.dip', hand(), dip(active, passive))).toBe(lag)
  })
  it('is as large as the active deficit while nobody measured the passive one, and says so', () => {
    expect(told('lag.dip', hand(), dip('15/60'))).toMatchObject({
      value: 15,
      told: 'ring DIP lacks 15° by itself; helped not measured',
    })
  })
  it('is not told by the passive end, by bending alone or by another hand or finger', () => {
    expect(value('lag.dip', hand(), visit('2031-03-01', { 'dip.ring.left.passive': '0/60' }))).toBeUndefined()
    expect(value('lag.dip', hand(), dip('/60'))).toBeUndefined()
    expect(value('lag.dip', hand(), visit('2031-03-01', { 'dip.ring.right.active': '0/60' }))).toBeUndefined()
    expect(value('lag.dip', hand(), dip('0/60', '0/60', 'index'))).toBeUndefined()
  })
  it('of several digits is the worst, and unknown while one of them was not measured', () => {
    const two = hand({ digits: ['middle', 'ring'] })
    const ring = { 'dip.ring.left.active': '5/60', 'dip.ring.left.passive': '0/60' }
    expect(value('lag.dip', two, visit('2031-03-01', ring))).toBeUndefined()
    const both = visit('2031-03-01', {
      ...ring,
      'dip.middle.left.active': '20/60',
      'dip.middle.left.passive': '0/60',
    })
    expect(told('lag.dip', two, both)).toMatchObject({
      value: 20,
      told: expect.stringContaining('middle DIP'),
    })
  })
  it('of a digit whose joint is gone does not keep the others waiting', () => {
    const two = hand({ digits: ['middle', 'ring'] })
    const gone = visit('2031-02-01', { 'dip.middle.left.active': 'x' })
    const now = visit('2031-03-01', { 'dip.ring.left.active': '5/60', 'dip.ring.left.passive': '0/60' })
    expect(value('lag.dip', two, gone, now)).toBe(5)
  })
  it('is of a visit: yesterday’s reading is no reading of today', () => {
    expect(
      value('lag.dip', hand(), dip('5/60', '0/60'), visit('2031-03-08', { 'painAct...': '2' })),
    ).toBeUndefined()
  })
})

describe('irritability', () => {
  const asked = { 'irritProvoked...': '1', 'irritSettles...': '0', 'irritNight...': '0' }
  it('is computed from the three questions and the pain of the visit, never picked', () => {
    expect(told('irrit', hand(), visit('2031-03-01', { ...asked, 'painAct...': '3' }))).toMatchObject({
      value: 'mod',
      told: 'moderate: ordinary use, up to 10 min, night: nothing',
    })
    expect(value('irrit', hand(), visit('2031-03-01', { ...asked, 'painAct...': '8' }))).toBe('high')
    expect(value('irrit', hand(), visit('2031-03-01', { 'irritProvoked...': '0' }))).toBeUndefined()
  })
})

describe('a contracture of the PIP', () => {
  it('is the passive deficit', () => {
    const seen = visit('2031-03-01', { 'pip.ring.left.passive': '20/90' })
    expect(value('prom.pip.def', hand(), seen)).toBe(20)
  })
})

describe('range as a share of the other side', () => {
  const ring = finger('ring', 'left.active', ['0/85', '15/95', '5/50'])
  const other = finger('ring', 'right.active', ['0/90', '0/100', '0/75'])
  it('of a finger is its total active motion; the healthy side was often measured once only', () => {
    expect(value('arom.pct', hand(), visit('2031-02-01', other), visit('2031-03-01', ring))).toBeCloseTo(
      79.2,
      1,
    )
    expect(value('arom.pct', hand(), visit('2031-03-01', ring))).toBeUndefined()
  })
  it('of a wrist is the worst of its arcs, and unknown while one was not measured', () => {
    const wrist = hand({ digits: [], motions: ['wrist.flex', 'wrist.ext', 'forearm.sup'] })
    const arc = {
      'wristFlexion..left.active': '40',
      'wristExtension..left.active': '35',
      'wristFlexion..right.active': '80',
      'wristExtension..right.active': '70',
    }
    expect(value('arom.pct', wrist, visit('2031-03-01', arc))).toBeUndefined()
    const turn = {
      'pronation..left.active': '80',
      'supination..left.active': '40',
      'pronation..right.active': '80',
      'supination..right.active': '80',
    }
    expect(value('arom.pct', wrist, visit('2031-03-01', { ...arc, ...turn }))).toBe(50)
  })
})

// Source: measures M-17, worked example: 28 against 36 kg, right-hander: 70.7 % adjusted where the dominant hand is injured.
describe('grip as a share of the other hand', () => {
  const grip = visit('2031-03-01', { 'grip..left.': '28', 'grip..right.': '36' })
  it('is the lower of the plain share and that by the rule of ten percent', () => {
    expect(value('grip.pct', hand(), grip)).toBeCloseTo(77.8, 1)
    const dominant = visit('2031-03-01', { 'grip..right.': '28', 'grip..left.': '36' })
    expect(value('grip.pct', hand({ side: 'right' }), dominant)).toBeCloseTo(70.7, 1)
  })
  it('needs both hands', () => {
    expect(value('grip.pct', hand(), visit('2031-03-01', { 'grip..left.': '28' }))).toBeUndefined()
  })
})

// Source: A3: 3 mm at a digit, 10 mm figure of eight, 15 ml.
describe('swelling', () => {
  it.each([
    [{ 'girthProximal.ring.left.': '65' }, { 'girthProximal.ring.left.': '68' }, true],
    [{ 'girthProximal.ring.left.': '65' }, { 'girthProximal.ring.left.': '69' }, false],
    [{ 'figureOfEight..left.': '41.8' }, { 'figureOfEight..left.': '42.8' }, true],
    [{ 'figureOfEight..left.': '41.8' }, { 'figureOfEight..left.': '42.9' }, false],
    [{ 'handVolume..left.': '400' }, { 'handVolume..left.': '416' }, false],
  ])('from %j to %j is stable: %s', (before, now, isStable) => {
    const visits = [visit('2031-03-01', before), visit('2031-03-08', now)]
    expect(value('edema.stable', hand(), ...visits)).toBe(isStable)
  })
  it('is not told by a first measuring, nor by another way of measuring', () => {
    const girth = visit('2031-03-01', { 'girthProximal.ring.left.': '65' })
    expect(value('edema.stable', hand(), girth)).toBeUndefined()
    expect(
      value('edema.stable', hand(), girth, visit('2031-03-08', { 'handVolume..left.': '400' })),
    ).toBeUndefined()
  })
  it('that rose anywhere has risen', () => {
    const before = visit('2031-03-01', { 'girthProximal.ring.left.': '65', 'handVolume..left.': '400' })
    const now = visit('2031-03-08', { 'girthProximal.ring.left.': '65', 'handVolume..left.': '420' })
    expect(value('edema.stable', hand(), before, now)).toBe(false)
  })
})

it('every criterion that readings tell says where it is read', () => {
  const motions = ['wrist.flex', 'forearm.sup', 'pip.flex'] as const
  for (const criterion of MEASURED_CRITERIA) {
    expect(measuredHow(criterion)).toBe(
      ['edema.stable', 'sense.protective', 'trend.down', 'improved', 'web.soft'].includes(criterion)
        ? 'sometimes'
        : 'always',
    )
    const digits = criterion === 'lag.th_ip' ? (['thumb'] as const) : (['ring'] as const)
    expect(
      placesOf(criterion, hand({ digits, motions, nerves: ['ulnar'] })).length,
      criterion,
    ).toBeGreaterThan(0)
  }
  expect(measuredHow('ord.rom')).toBe('never')
})

describe('the web of the thumb', () => {
  const palmar = 'thumbPalmarAbduction.thumb'
  it('is told only where it is short: one that opens is felt by a person', () => {
    const both = (own: string, theirs: string) =>
      told(
        'web.soft',
        hand({ digits: ['thumb'] }),
        visit('2031-04-01', { [`${palmar}.left.passive`]: own, [`${palmar}.right.passive`]: theirs }),
      )
    expect(both('35', '50')).toMatchObject({
      value: false,
      told: 'thumb opens to 35° helped, 50° on the other hand',
    })
    expect(both('45', '50')).toBeUndefined()
  })
  it('takes the last reading of the other hand, which is measured once', () =>
    expect(
      told(
        'web.soft',
        hand({ digits: ['thumb'] }),
        visit('2031-04-01', { [`${palmar}.right.passive`]: '50' }),
        visit('2031-04-08', { [`${palmar}.left.passive`]: '30' }),
      ),
    ).toMatchObject({ value: false }))
})

describe('protective feeling', () => {
  const felt = (about: Partial<Measured>, tip: string, heel: string) =>
    told(
      'sense.protective',
      hand(about),
      visit('2031-04-01', {
        ...(tip ? { 'filament..left..little.tip.front.ulnar': tip } : {}),
        'filament..left..heelLittle': heel,
      }),
    )

  it('is back where every place of the nerve feels 4.31 or lighter, by the worst of them', () => {
    const ulnar = { nerves: ['ulnar'] as const }
    expect(felt(ulnar, '4.31', '2.83')).toMatchObject({
      value: true,
      told: 'little finger, tip, palm side, outer half: diminished protective sensation',
    })
    expect(felt(ulnar, '4.31', '4.56')).toMatchObject({ value: false })
    expect(felt(ulnar, '4.31', 'n')).toMatchObject({ value: false })
  })

  it('is unknown while one place was not tested, and where no nerve is known', () => {
    expect(felt({ nerves: ['ulnar'] }, '', '2.83')).toBeUndefined()
    expect(felt({ nerves: [] }, '4.31', '2.83')).toBeUndefined()
    expect(felt({ nerves: ['digital'], digits: [] }, '4.31', '2.83')).toBeUndefined()
  })
})
