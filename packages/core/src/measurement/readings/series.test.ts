import { describe, expect, it } from 'vitest'
import { finger, visit } from '../../../../../tests/builders/readings.js'
import { addDays } from '../../calendar/clinicalDay.js'
import { isSeriesId, seriesBounds, seriesCourse, seriesIdOf, seriesOf } from './series.js'

const weekly = (key: string, ...values: (number | string)[]) =>
  values.map((value, at) => visit(addDays('2031-03-01', 7 * at), { [key]: String(value) }))
const course = (key: string, ...values: (number | string)[]) =>
  seriesCourse(seriesOf(weekly(key, ...values), 'left').find(({ id }) => id === seriesIdOf(key))!)

describe('the series of a case', () => {
  const visits = [
    visit('2031-03-01', { ...finger('ring', 'left.active', ['0/80', '15/90', '5/45']), 'painAct...': '5' }),
    visit('2031-03-08', {
      'wristExtension..left.active': '40',
      'wristExtension..right.active': '70',
      'painAct...': '3',
    }),
  ]
  const ids = seriesOf(visits, 'left').map(({ id }) => id)
  it('are sums, both ends of hinges and numbers of that side, in their own direction', () => {
    expect(ids).toEqual(
      expect.arrayContaining([
        'tam.ring',
        'pip.ring.left.active.flexed',
        'pip.ring.left.active.lacks',
        'painAct...',
      ]),
    )
    expect(ids).not.toContain('wristExtension..right.active')
    const back = seriesOf(visits, 'left').find(({ id }) => id === 'wristExtension..left.active')!
    expect(back.points).toEqual([{ on: '2031-03-08', by: 'noor', value: 40 }])
    expect(seriesOf(visits, 'left').find(({ id }) => id === 'tam.ring')!.points[0]!.value).toBe(195)
  })
  it('begin with what was measured most often', () => expect(ids[0]).toBe('painAct...'))
})

describe('what is worked out of several readings', () => {
  const visits = [
    visit('2031-03-01', {
      ...finger('ring', 'left.active', ['0/80', '15/95', '5/50']),
      'wristFlexion..left.active': '35',
      'wristExtension..left.active': '-10',
      'pronation..left.active': '70',
    }),
  ]
  const values = Object.fromEntries(
    seriesOf(visits, 'left').map(({ id, points }) => [id, points.at(-1)!.value]),
  )
  // Source: measures M-04, worked example: PIP 95/15 and DIP 50/5 are 125°.
  it('is told of fingers and arcs, and of nothing that was measured in part', () => {
    expect(values).toMatchObject({ 'tam.ring': 205, 'ends.ring': 125, 'arc.wrist': 25 })
    expect(values).not.toHaveProperty('arc.forearm')
  })
  it('can be what a goal is tied to, within what it can be', () => {
    expect(['ends.ring', 'arc.wrist', 'ends.thumb', 'arc.knee'].map(isSeriesId)).toEqual([
      true,
      true,
      false,
      false,
    ])
    expect(seriesBounds('arc.wrist')).toEqual([0, 240])
  })
})

describe('a course', () => {
  // Source: measures M-33, worked example: 0.7143° a day, interval 0.4286 to 1.1429.
  it('is told a week, with its interval', () => {
    const { perWeek, course: word } = course('wristFlexion..left.active', 30, 38, 43, 52, 50, 58)
    expect(word).toBe('improving')
    expect(perWeek!.by).toBeCloseTo(5, 6)
    expect(perWeek!.low).toBeCloseTo(7 * 0.4286, 2)
    expect(perWeek!.high).toBeCloseTo(7 * 1.1429, 2)
  })
  // Source: M-34: two discordant pairs of fifteen already make it uncertain; seven flat visits are a plateau.
  it.each([
    [[30, 38, 43, 60, 52, 58], 'uncertain'],
    [[62, 62, 61, 63, 62, 61, 62], 'plateau'],
    [[30, 38, 43, 52], 'insufficient'],
    [[58, 50, 52, 43, 38, 30], 'declining'],
  ])('of %j is %s', (values, word) => {
    expect(course('wristFlexion..left.active', ...values).course).toBe(word)
  })
  it('of what should become less is turned', () => {
    const { course: word, perWeek } = course('fingertipToCrease.ring.left.', 60, 52, 45, 40, 31, 25)
    expect(word).toBe('improving')
    expect(perWeek!.by).toBeLessThan(0)
    expect(perWeek!.low).toBeLessThanOrEqual(perWeek!.by)
    expect(perWeek!.high).toBeGreaterThanOrEqual(perWeek!.by)
  })
  it('has no word where no error is known, nor with one visit', () => {
    expect(course('webSpan.thumb.left.', 50, 51, 52, 53, 54, 55)).toMatchObject({
      course: 'insufficient',
      whisker: null,
    })
    expect(course('wristFlexion..left.active', 50)).toMatchObject({ course: 'insufficient', perWeek: null })
  })
  it('looks at the last six weeks only', () => {
    expect(
      course('wristFlexion..left.active', 10, 20, 30, 40, 50, 60, 62, 62, 61, 63, 62, 61, 62).course,
    ).toBe('plateau')
  })
})
