import { describe, expect, it } from 'vitest'
import type { Reading } from '../measurement/readings/reading.js'
import { isSeriesId, seriesOf } from '../measurement/readings/series.js'
import type { Visit } from '../measurement/readings/visits.js'
import { goalProgress, type Goal } from './goals.js'
import { goalTemplates } from './goalTemplates.js'

const crease = (on: string, mm: number): Visit => ({
  on,
  by: 'noor',
  readings: [{ measure: 'fingertipToCrease', digit: 'ring', side: 'left', kind: null, result: mm }],
})
const goal: Goal = {
  id: 'g',
  words: 'Hold a broom handle',
  series: 'fingertipToCrease.ring.left.',
  target: 20,
  setOn: '2031-04-01',
  dueOn: '2031-05-20',
}
const progress = (visits: Visit[], today: string) =>
  goalProgress(goal, seriesOf(visits, 'left').find(({ id }) => id === goal.series) ?? null, today)

describe('a goal', () => {
  it('is not measured before anything of it was read', () => {
    expect(progress([], '2031-04-10')).toMatchObject({ state: 'notMeasured', latest: null, percent: null })
  })

  it('of which less is better goes down to its value', () => {
    const visits = [
      crease('2031-04-01', 60),
      crease('2031-04-08', 52),
      crease('2031-04-15', 44),
      crease('2031-04-22', 36),
    ]
    // 24 of 40 mm done; 16 mm left in four weeks, at 8 mm a week.
    const found = progress(visits, '2031-04-22')
    expect(found).toMatchObject({ state: 'onWay', percent: 60, first: 60, latest: 36, isWithinError: false })
    expect(found.neededPerWeek).toBeCloseTo(-4, 9)
    expect(found.perWeek!.by).toBeCloseTo(-8, 9)
  })

  it('is behind where even the best of the last weeks is not enough', () => {
    const slow = [60, 59, 58, 57, 56].map((mm, week) =>
      crease(`2031-04-${String(1 + 7 * week).padStart(2, '0')}`, mm),
    )
    expect(progress(slow, '2031-04-29')).toMatchObject({ state: 'behind' })
  })

  it('has too few readings to compare with on one day, and says what a week must bring', () => {
    expect(progress([crease('2031-04-22', 48)], '2031-04-22')).toMatchObject({
      state: 'tooFew',
      neededPerWeek: -7,
      percent: 0,
    })
  })

  it('is reached at its value, within the error of a reading or beyond', () => {
    const visits = (mm: number) => [crease('2031-04-01', 60), crease('2031-04-22', mm)]
    expect(progress(visits(20), '2031-04-22')).toMatchObject({
      state: 'reached',
      percent: 100,
      isWithinError: true,
    })
    expect(progress(visits(12), '2031-04-22')).toMatchObject({ state: 'reached', isWithinError: false })
    expect(progress(visits(21), '2031-05-20')).toMatchObject({ state: 'overdue', isWithinError: true })
  })
})

describe('goals to begin from', () => {
  const about = {
    side: 'left',
    digits: [],
    handedness: 'right',
    nerves: [],
    motions: ['wrist.flex', 'forearm.sup'],
  } as const
  const grip = (side: 'left' | 'right', kgf: number): Reading => ({
    measure: 'grip',
    digit: null,
    side,
    kind: null,
    result: [kgf],
  })

  it('are of what the case is about, each tied to a series there is', () => {
    const all = [
      ...goalTemplates({ ...about, motions: [...about.motions] }, [], []),
      ...goalTemplates(
        { ...about, digits: ['thumb', 'ring'], motions: ['pip.flex', 'thumbCmc.opp'] },
        [],
        [],
      ),
    ]
    expect(all.filter(({ series }) => !isSeriesId(series))).toEqual([])
    expect(all.map(({ series }) => series)).toEqual(
      expect.arrayContaining([
        'supination..left.active',
        'pip.ring.left.active.flexed',
        'opposition.thumb.left.',
      ]),
    )
    expect(all.some(({ series }) => series.startsWith('elbow'))).toBe(false)
  })

  it('leave out what can be done already', () => {
    const lying = (mm: number) =>
      goalTemplates({ ...about, digits: ['ring'], motions: ['pip.flex'] }, [], [crease('2031-04-01', mm)])
    const handle = (mm: number) => lying(mm).some(({ series }) => series === goal.series)
    expect([handle(26), handle(25)]).toEqual([true, false])
  })

  it('ask for a strength by the other hand, or leave it open', () => {
    const strength = (visits: Visit[]) =>
      goalTemplates({ ...about, motions: [] }, [], visits).find(({ series }) => series === 'grip..left.')!
        .target
    expect(strength([])).toBeNull()
    expect(strength([{ on: '2031-04-01', by: 'noor', readings: [grip('right', 36.2)] }])).toBe(29)
  })
})

describe('the name of a series', () => {
  it('is of a measure, with its digit, side and end', () => {
    for (const id of [
      'tam.ring',
      'grip..left.',
      'pip.ring.left.active.lacks',
      'wristExtension..left.active',
      'painNight...',
      'task....01J00000000000000000000000',
    ])
      expect(isSeriesId(id), id).toBe(true)
    for (const id of [
      'tam.toe',
      'grip',
      'pip.ring.left.active',
      'pip.ring.left.active.flex',
      'wristExtension..left.',
      'nothing..left.',
      'grip..left..flexed',
      '',
    ])
      expect(isSeriesId(id), id).toBe(false)
  })
})
