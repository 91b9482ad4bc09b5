import { mount } from '@vue/test-utils'
import { createVuetify } from 'vuetify'
import { describe, expect, it } from 'vitest'
import type { ExerciseAnswer, VerdictAnswer } from '@pledge/contract'
import { hookPicture } from '../../shared/testing/hookPicture'
import ExerciseInspector from './ExerciseInspector.vue'
import type { DraftItem } from './programStore'

const verdict = (kind: VerdictAnswer['kind']) =>
  ({
    kind,
    fromDay: 42,
    fromDate: '2031-05-01',
    missing: [],
    openers: [],
    form: null,
    told: ['Squeezing waits for day 42.'],
    reasons: [],
  }) as never
const exercise = (changes: Partial<ExerciseAnswer> = {}) =>
  ({
    id: 'weight',
    depicted: hookPicture,
    text: {
      name: 'Lift a weight',
      reason: 'Builds strength.',
      steps: ['Lift it.'],
      shouldFeel: 'Work.',
      shouldNotFeel: 'No pain.',
      mistake: 'Swinging.',
      before: 'The bone is healed.',
    },
    dose: { sets: 1, repetitions: 10, holdSeconds: 1, boutsPerDay: 1, load: 0.25 },
    range: { sets: [1, 3], repetitions: [8, 20], holdSeconds: [0, 3], boutsPerDay: [1, 2] },
    load: null,
    equipment: [{ name: 'small weight', home: 'food tin' }],
    choosableDigits: [],
    isOneAtATime: false,
    digitsToBegin: null,
    holdKind: 'kept',
    painCap: 3,
    instead: { id: 'band', name: 'Pull a band', rungsDown: 1 },
    sources: [],
    ...changes,
  }) as unknown as ExerciseAnswer

const show = (
  kind: VerdictAnswer['kind'],
  changes: Partial<ExerciseAnswer> = {},
  props: Partial<InstanceType<typeof ExerciseInspector>['$props']> = {},
) =>
  mount(ExerciseInspector, {
    global: { plugins: [createVuetify()] },
    props: {
      exercise: exercise(changes),
      item: null,
      verdict: verdict(kind),
      openings: { byTimeAlone: [], asTheRecordStands: [] },
      minutesPerBout: null,
      canEdit: true,
      errorAt: () => null,
      override: null,
      canOverride: false,
      painCap: 3,
      schoolDose: null,
      waitsFor: [],
      side: 'left' as const,
      reach: {},
      injured: [],
      ...props,
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
  it.each([
    [
      'as the record stands, too',
      [
        { fromDay: 9, toDay: 42, kind: 'not-yet' },
        { fromDay: 42, toDay: null, kind: 'clear' },
      ],
      'As the record stands, too.',
    ],
    [
      'as the record stands, later',
      [
        { fromDay: 9, toDay: 49, kind: 'not-yet' },
        { fromDay: 49, toDay: null, kind: 'with-care' },
      ],
      'As the record stands: from day 49.',
    ],
    [
      'not at all as the record stands',
      [{ fromDay: 9, toDay: null, kind: 'not-yet' }],
      'As the record stands it stays closed.',
    ],
  ] as const)('tells the day that time alone gives, and that it opens %s', (_how, runs, words) => {
    const asTheRecordStands = runs.map((run) => ({ ...run, missing: [] }))
    const text = show('not-yet', {}, { openings: { byTimeAlone: [], asTheRecordStands } }).text()
    expect(text).toContain('Not before 1 May')
    expect(text).toContain(words)
  })
  it('says in a sentence what waits for what, and only once', () => {
    expect(show('not-yet').text().split('Squeezing waits for day 42.')).toHaveLength(2)
    expect(show('clear').text()).toContain('Squeezing waits for day 42.')
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
  it('offers to open a "not yet" with a reason, where that can be', async () => {
    expect(show('not-yet').text()).not.toContain('Open it with a reason')
    const wrapper = show('not-yet', {}, { canOverride: true })
    await wrapper.find('.open-anyway').trigger('click')
    expect(wrapper.emitted('override')).toHaveLength(1)
    expect(show('not-yet', {}, { canOverride: true, canEdit: false }).text()).not.toContain('with a reason')
  })
  it('shows an exception beside the verdict, which stays what it is', async () => {
    const override = {
      id: 'o1',
      why: 'Good bone.',
      by: 'Noor Castellane',
      on: '2031-04-11',
      agreedBy: 'Dr. P. Hallam-Ito',
      document: 'Letter of 10 April',
    }
    const wrapper = show('not-yet', {}, { override })
    expect(wrapper.text()).toContain('not yet')
    expect(wrapper.text()).toContain('Opened with a reason by Noor Castellane, 11 Apr: Good bone.')
    expect(wrapper.text()).toContain('Add to the program')
    await wrapper.find('.exception button').trigger('click')
    expect(wrapper.emitted('takeBack')).toEqual([['o1']])
  })
  it('says what the chosen school waits for, and where a dose is other than its own', async () => {
    const dose = { sets: 1, repetitions: 10, holdSeconds: 1, boutsPerDay: 1, load: 0.25 }
    const item = { itemId: 'i', exerciseId: 'weight', dose: { ...dose, repetitions: 12 }, digits: null }
    const wrapper = show('clear', {}, { item, schoolDose: dose, waitsFor: ['pain: 0 or less'], painCap: 1 })
    expect(wrapper.text()).toContain('waits for: pain: 0 or less')
    expect(wrapper.text()).toContain('Other than the chosen school: 10×, hold 1 s, 1 a day')
    expect(wrapper.text()).toContain('pain 1 of 10')
    await wrapper.findAll('.school-note button')[0]!.trigger('click')
    expect(wrapper.emitted('dose')).toEqual([[dose]])
    expect(show('clear', {}, { item, schoolDose: item.dose }).text()).not.toContain('Other than')
  })
  describe('with which digits', () => {
    const dose = { sets: 1, repetitions: 10, holdSeconds: 1, boutsPerDay: 1, load: 0.25 }
    const withDigits = (digits: DraftItem['digits'], changes: Partial<ExerciseAnswer> = {}) =>
      show(
        'clear',
        { choosableDigits: ['index', 'middle', 'ring', 'little'], isOneAtATime: true, ...changes },
        { item: { itemId: 'i', exerciseId: 'weight', dose, digits }, injured: ['ring'] },
      )

    it('are those that are ticked, and the injured one is named', async () => {
      const wrapper = withDigits(['ring'])
      const boxes = wrapper.findAll<HTMLInputElement>('.digits input')
      expect(boxes.map((box) => box.element.checked)).toEqual([false, false, true, false])
      expect(wrapper.find('.digits').text()).toContain('ring (injured)')
      expect(wrapper.text()).toContain('this one only')
      await boxes[0]!.trigger('change')
      expect(wrapper.emitted('digit')).toEqual([['index']])
    })
    it.each([
      [['ring', 'little'], {}, 'one after the other, each the whole dose'],
      [['ring', 'little'], { isOneAtATime: false }, 'together'],
      [null, {}, 'choose which: otherwise the patient is not told'],
      [
        null,
        { depicted: { ...hookPicture, turns: 'digits in turn' } },
        'none chosen: all, one after the other',
      ],
    ] as const)('%j go %j: %s', (digits, changes, says) => {
      expect(
        withDigits(digits && [...digits], changes)
          .find('.digits')
          .text(),
      ).toContain(says)
    })
    it('take one line where all go together, until one wants to choose', async () => {
      const wrapper = withDigits(null, { isOneAtATime: false })
      expect(wrapper.find('.digits').exists()).toBe(false)
      expect(wrapper.text()).toContain('all, together')
      await wrapper
        .findAll('button')
        .find((one) => one.text() === 'Choose')!
        .trigger('click')
      expect(wrapper.find('.digits').text()).toContain('none chosen: all, together')
    })
    it('are not asked where there is nothing to choose', () => {
      expect(withDigits(null, { choosableDigits: [] }).text()).not.toContain('With which digits')
    })
  })
  it('tells what has to be so before it, and with what it is done', () => {
    const text = show('clear').text()
    expect(text).toContain('The bone is healed.')
    expect(text).toContain('small weight (at home: food tin)')
    expect(show('clear', { equipment: [] }).text()).not.toContain('With')
  })
})
