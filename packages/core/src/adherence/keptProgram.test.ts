import { expect, it } from 'vitest'
import { keptProgram } from './keptProgram.js'

it.each([
  ['the same hour', '2031-04-11T10:00:00Z', 0, true],
  ['a week ago to the minute', '2031-04-04T11:00:00Z', 7, true],
  ['less than eight days ago', '2031-04-03T11:00:01Z', 7, true],
  ['eight days ago', '2031-04-03T11:00:00Z', 8, false],
])('a program kept on the phone %s', (_when, keptAt, days, counts) => {
  expect(keptProgram(keptAt, new Date('2031-04-11T11:00:00Z'))).toEqual({ days, counts })
})
