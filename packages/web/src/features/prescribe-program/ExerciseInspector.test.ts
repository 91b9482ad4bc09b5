import { mount } from '@vue/test-utils'
import { createVuetify } from 'vuetify'
import { describe, expect, it } from 'vitest'
import type { ExerciseAnswer, VerdictAnswer } from '../../shared/api/types'
import ExerciseInspector from './ExerciseInspector.vue'

const verdict = (kind: VerdictAnswer['kind']) =>
  ({ kind, fromDay: 42, fromDate: '2031-05-01', missing: [], openers: [], form: null, reasons: [] }) as never
const exercise = (changes: Partial<ExerciseAnswer> = {}) =>
  ({
    id: 'weight',
    text: {
      name: 'Lift a weight',
      reason: 'Builds strength.',
      steps: ['Lift it.'],
      shouldFeel: 'Work.',
      shouldNotFeel: 'Pain.',
      mistake: 'Swinging.',
      before: 'The bone is healed.',
    },
    dose: { sets: 1, repetitions: 10, holdSeconds: 1, boutsPerDay: 1, load: 0.25 },
    range: { sets: [1, 3], repetitions: [8, 20], holdSeconds: [0, 3], boutsPerDay: [1, 2] },
    load: null,
    equipment: [{ name: 'small weight', home: 'food tin' }],
    painCap: 3,
    instead: { id: 'band', name: 'Pull a band', rungsDown: 1 },
    sources: [],
    ...changes,
  }) as unknown as ExerciseAnswer

const show = (kind: VerdictAnswer['kind'], changes: Partial<ExerciseAnswer> = {}) =>
  mount(ExerciseInspector, {
    global: { plugins: [createVuetify()] },
    props: {
      exercise: exercise(changes),
      item: null,
      verdict: verdict(kind),
      minutesPerBout: null,
      canEdit: true,
      errorAt: () => null,
    },
  })

describe('the inspector of an exercise', () => {
  it('names what is open instead, and goes there', async () => {
    const wrapper = show('not-yet')
    expect(wrapper.text()).toContain('Open today instead:')
    expect(wrapper.text()).toContain('one rung below')
    await wrapper.find('.instead button').trigger('click')
    expect(wrapper.emitted('select')).toEqual([['band']])
  })
  it('says whether it is on its ladder or only has the same aim', () => {
    const instead = (rungsDown: number | null) =>
      show('not-yet', { instead: { id: 'x', name: 'X', rungsDown } }).text()
    expect(instead(3)).toContain('3 rungs below')
    expect(instead(null)).toContain('same aim, same part')
  })
  it('names nothing instead of what is open, and nothing where nothing fits', () => {
    expect(show('clear').text()).not.toContain('instead')
    expect(show('not-yet', { instead: null }).text()).not.toContain('instead')
  })
  it('adds only what is open', () => {
    expect(show('clear').text()).toContain('Add to the program')
    expect(show('not-yet').text()).not.toContain('Add to the program')
  })
  it('tells what has to be so before it, and with what it is done', () => {
    const text = show('clear').text()
    expect(text).toContain('The bone is healed.')
    expect(text).toContain('small weight (at home: food tin)')
    expect(show('clear', { equipment: [] }).text()).not.toContain('With')
  })
})
