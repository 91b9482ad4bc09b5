import { describe, expect, it } from 'vitest'
import { extensorGrade, flexorGrade, malletGrade } from './tendonGrades.js'

describe('grades of extensor, flexor and mallet finger', () => {
  it.each([
    [0, 0, 'excellent'],
    [1, 0, 'good'],
    [10, 20, 'good'],
    [10, 21, 'fair'],
    [11, 0, 'fair'],
    [45, 45, 'fair'],
    [46, 0, 'poor'],
    [0, 46, 'poor'],
  ])('an extensor with a lag of %i° and a loss of %i° is %s', (lag, loss, grade) =>
    expect(extensorGrade(lag, loss)).toBe(grade),
  )
  it.each([
    [0.9, 14, 'excellent'],
    [1, 0, 'good'],
    [0, 15, 'good'],
    [1.4, 29, 'good'],
    [1.5, 0, 'fair'],
    [0, 30, 'fair'],
    [2.9, 49, 'fair'],
    [3, 0, 'poor'],
    [0, 50, 'poor'],
  ])('a flexor at %d cm and %i° is %s', (distance, deficit, grade) =>
    expect(flexorGrade(distance, deficit)).toBe(grade),
  )
  it.each([
    [0, true, false, 'excellent'],
    [0, false, false, 'good'],
    [10, true, false, 'good'],
    [11, true, false, 'fair'],
    [25, false, false, 'fair'],
    [26, true, false, 'poor'],
    [0, true, true, 'poor'],
  ])('a mallet finger lacking %i°, full flexion %s, pain %s is %s', (deficit, full, pain, grade) =>
    expect(malletGrade(deficit, full, pain)).toBe(grade),
  )
  it('is unknown where a reading is', () =>
    expect([extensorGrade(null, 0), flexorGrade(1, null), malletGrade(0, null, false)]).toEqual([
      null,
      null,
      null,
    ]))
})
