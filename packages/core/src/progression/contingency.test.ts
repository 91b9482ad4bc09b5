import { describe, expect, it } from 'vitest'
import { contingencyOf, easyDose } from './contingency.js'
import type { CourseInput, CourseRung } from './course.js'

const input = (
  horizonWeeks: number,
  changes: Partial<CourseInput['contingency']> = {},
  day = 0,
): CourseInput => ({
  day,
  blockFromDay: 0,
  horizonWeeks,
  protocols: ['CTS-CONS'],
  contingency: { mode: null, weeks: [], used: [], ...changes },
  irritability: null,
  limits: { exercisesAtOnce: 6, minutesPerBout: 15, minutesPerDay: 60 },
  items: [],
})

describe('the reserve for bad weeks (A4: one of about six weeks)', () => {
  it.each([
    [6, [6]],
    [8, [8]],
    [9, [8, 9]],
    [12, [11, 12]],
    [16, [14, 15, 16]],
  ])('of %i weeks stands at their end', (weeks, reserved) =>
    expect(contingencyOf(input(weeks))).toMatchObject({ mode: 'reserveAtEnd', reserved, weeks: reserved }),
  )
  it.each([
    [6, [6]],
    [12, [6, 12]],
    [16, [5, 11, 16]],
  ])('of %i weeks is spread evenly', (weeks, reserved) =>
    expect(contingencyOf(input(weeks, { mode: 'spread' })).reserved).toEqual(reserved),
  )
  it('is none for schools that do not flare', () =>
    expect(contingencyOf({ ...input(12), protocols: ['DRF-VLP-EARLY'] })).toMatchObject({
      mode: 'none',
      weeks: [],
    }))

  it('is taken by a bad week, which is easy in its place; the reserved one is worked', () =>
    expect(contingencyOf(input(12, { used: [3] }))).toMatchObject({
      weeks: [3, 12],
      reserveLeft: 1,
      isExhausted: false,
    }))
  it('runs out, and says which bad week had none', () =>
    expect(contingencyOf(input(6, { used: [4, 2] }))).toMatchObject({
      weeks: [2, 4],
      reserveLeft: 0,
      isExhausted: true,
      withoutReserve: [4],
    }))
  it('that lies behind today is left no more', () =>
    expect(contingencyOf(input(12, { mode: 'weeks', weeks: [2, 9] }, 21)).reserveLeft).toBe(1))
})

describe('the dose of an easy week (A3: half)', () => {
  const counted = { isTimed: false } as CourseRung
  const dose = (sets: number, repetitions: number, holdSeconds: number, boutsPerDay: number) => ({
    sets,
    repetitions,
    holdSeconds,
    boutsPerDay,
  })
  it.each([
    [dose(2, 9, 5, 3), dose(2, 4, 5, 3)],
    [dose(3, 1, 0, 1), dose(1, 1, 0, 1)],
    [dose(1, 1, 300, 2), dose(1, 1, 150, 2)],
    [dose(1, 1, 1, 5), dose(1, 1, 1, 2)],
  ])('of %o is %o', (full, easy) => expect(easyDose(counted, full)).toEqual(easy))
  it('is rest where nothing can be halved', () => expect(easyDose(counted, dose(1, 1, 0, 1))).toBeNull())
  it('of minutes is half of them, the load stays', () =>
    expect(easyDose({ isTimed: true } as CourseRung, { minutes: 5, boutsPerDay: 2, load: 1 })).toEqual({
      minutes: 2,
      boutsPerDay: 2,
      load: 1,
    }))
})
