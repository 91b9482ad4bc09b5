import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { ExerciseAnswer, VerdictAnswer } from '@pledge/contract'
import ExerciseFinder from './ExerciseFinder.vue'

const verdict = (changes: Partial<VerdictAnswer> = {}) =>
  ({ kind: 'clear', fromDay: null, fromDate: null, missing: [], ...changes }) as VerdictAnswer
const exercise = (id: string, changes: Partial<ExerciseAnswer> = {}) =>
  ({
    id,
    family: 'active-range',
    region: 'wrist',
    aims: ['motion'],
    text: { name: `Name of ${id}`, reason: 'Because.' },
    verdict: verdict(),
    ...changes,
  }) as ExerciseAnswer

function finder() {
  return mount(ExerciseFinder, {
    props: {
      exercises: [
        exercise('fist'),
        exercise('putty', { aims: ['strength'], family: 'grip' }),
        exercise('scar', { aims: ['scar', 'glide'] }),
        exercise('lean', {
          aims: ['control'],
          verdict: verdict({ kind: 'not-yet', fromDate: '2031-05-01', missing: ['x', 'y'] as never }),
        }),
      ],
      chosen: new Set(['fist']),
      selected: null,
    },
  })
}
const names = (wrapper: ReturnType<typeof finder>) => wrapper.findAll('.name').map((one) => one.text())

describe('the finder', () => {
  it('offers the aims that some exercise has, with how many', () => {
    const options = finder()
      .findAll('option')
      .map((one) => one.text())
    expect(options).toEqual([
      'everything (4)',
      'a soft scar (1)',
      'moving by itself (1)',
      'gliding tendons (1)',
      'strength (1)',
      'skill and control (1)',
    ])
  })
  it('finds by aim, by word, and by both', async () => {
    const wrapper = finder()
    await wrapper.find('select').setValue('strength')
    expect(names(wrapper)).toEqual(['Name of putty'])
    await wrapper.find('input').setValue('fist')
    expect(names(wrapper)).toEqual([])
    expect(wrapper.text()).toContain('No exercise fits.')
    await wrapper.find('select').setValue('')
    expect(names(wrapper)).toEqual(['Name of fist'])
  })
  it('adds only what is open, and says what is in already', async () => {
    const wrapper = finder()
    const add = wrapper.findAll('.add').map((one) => one.attributes('aria-label'))
    expect(add).toEqual(['Add Name of putty', 'Add Name of scar'])
    expect(wrapper.find('.in').text()).toBe('in')
    expect(wrapper.text()).toContain('not yet · from')
    expect(wrapper.text()).toContain('2 missing')
    await wrapper.find('.add').trigger('click')
    expect(wrapper.emitted('add')).toEqual([['putty']])
  })
})
