import { describe, expect, it } from 'vitest'
import type { Exercise } from './exercise.js'
import { ladderStep } from './ladderStep.js'

const rung = (changes: Partial<Exercise> = {}): Exercise =>
  ({
    start: { wristFlexion: 0 },
    shapes: [{ wristFlexion: 40 }],
    force: 'active',
    load: null,
    demand: 'free',
    equipment: [],
    stress: [{ structure: 'RCC', mode: 'stretch', level: 'low' }],
    dose: { sets: 1, repetitions: 10, holdSeconds: 5, boutsPerDay: 3, load: null },
    ...changes,
  }) as Exercise
const dose = rung().dose

describe('a step of a ladder', () => {
  it.each<[string, Partial<Exercise>, string[]]>([
    ['the same exercise in other words', {}, []],
    ['somebody else moves', { force: 'passive by other hand' }, ['force']],
    ['further', { shapes: [{ wristFlexion: 60 }] }, ['range']],
    ['the other way', { shapes: [{ wristFlexion: -40 }] }, ['range']],
    ['from another posture', { start: { wristFlexion: 10 }, shapes: [{ wristFlexion: 50 }] }, ['posture']],
    ['held longer', { dose: { ...dose, holdSeconds: 20 } }, ['hold']],
    ['more often in a bout', { dose: { ...dose, sets: 2 } }, ['repetitions']],
    ['as often in other sets', { dose: { ...dose, sets: 2, repetitions: 5 } }, []],
    ['asking more of tissue', { demand: 'stretchFirm' }, ['demand']],
    ['pulling more', { stress: [{ structure: 'RCC', mode: 'stretch', level: 'high' }] }, ['stress']],
    ['with a ball', { equipment: ['soft-ball'] }, ['equipment']],
    [
      'against a load',
      { force: 'resisted', load: { unit: 'kg', steps: [1] }, dose: { ...dose, load: 1 } },
      ['force', 'load'],
    ],
  ])('%s', (_what, change, axes) => expect(ladderStep(rung(), rung(change))).toEqual(axes))
})
