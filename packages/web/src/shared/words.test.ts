import { describe, expect, it } from 'vitest'
import { doseText, fingersText, midSentence, minutesText, partText } from './words'

describe('the injured part in words', () => {
  it.each([
    [[], 'left side'],
    [['thumb'], 'left thumb'],
    [['ring'], 'left ring finger'],
    [['ring', 'little'], 'left ring and little fingers'],
    [['thumb', 'index'], 'left thumb and index finger'],
    [['index', 'middle', 'ring'], 'left index, middle and ring fingers'],
  ])('%j: %s', (digits, words) => expect(partText('left', digits)).toBe(words))
})

it('chosen digits are named without a side', () => {
  expect(fingersText(['ring', 'little'])).toBe('ring and little fingers')
  expect(fingersText(['thumb'])).toBe('thumb')
})

it.each([
  ['Zones III to V', 'zones III to V'],
  ['PIP block', 'PIP block'],
  ['A few, often', 'a few, often'],
  ['MCP block, no operation', 'MCP block, no operation'],
])('%s stands within a sentence as %s', (name, words) => expect(midSentence(name)).toBe(words))

describe('a dose in words', () => {
  const dose = { sets: 2, repetitions: 10, holdSeconds: 5, boutsPerDay: 4, load: null }
  it('has sets, repetitions, hold and times a day', () => {
    expect(doseText(dose)).toBe('2 × 10, hold 5 s, 4 a day')
    expect(doseText({ ...dose, sets: 1, holdSeconds: 0 })).toBe('10×, 4 a day')
  })
  it('names what its seconds are for', () =>
    expect(doseText({ ...dose, sets: 1, repetitions: 1, holdSeconds: 180 }, 'going on')).toBe(
      '1×, goes on for 3 min, 4 a day',
    ))
})

it.each([
  [2.33, '2.5 min'],
  [9.9, '10 min'],
  [12.4, '12 min'],
])('%d minutes are told as %s', (minutes, words) => expect(minutesText(minutes)).toBe(words))
