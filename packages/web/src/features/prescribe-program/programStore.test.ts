import { createPinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { CLINIC_API, type ClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { DraftAnswer, ExerciseAnswer } from '@pledge/contract'
import { useProgramStore } from './programStore'

const dose = { sets: 1, repetitions: 10, holdSeconds: 5, boutsPerDay: 4, load: null }
const exercise = (id: string, kind: 'clear' | 'not-yet' = 'clear', fromDay: number | null = null) =>
  ({
    id,
    dose,
    digitsToBegin: null,
    text: { name: id },
    verdict: {
      kind,
      fromDay,
      fromDate: null,
      missing: [],
      form: null,
      conditions: [],
      told: [],
      reasons: [],
    },
  }) as unknown as ExerciseAnswer
const draft = (version: number, ids: string[] = []): DraftAnswer => ({
  version,
  updatedBy: null,
  items: ids.map((id) => ({
    itemId: `item-${id}`,
    exerciseId: id,
    dose,
    digits: null,
    minutesPerBout: 1.5,
    orthosis: 'none',
    verdict: exercise(id).verdict,
    openings: { byTimeAlone: [], asTheRecordStands: [] },
    override: null,
    overrideTerms: { isPossible: false, needsSurgeon: false, why: '' },
    painCap: 3,
    schoolDose: null,
    waitsFor: [],
  })),
  schools: {},
  schoolOrder: ids.map((id) => `item-${id}`),
  questions: [],
  nerveSlides: null,
  burden: { minutesPerBout: 0, minutesPerDay: 0, boutsPerDay: 0, endRangeMinutesPerDay: 0 },
})
const api = { exercises: vi.fn(), draft: vi.fn(), saveDraft: vi.fn(), sign: vi.fn() }

function program() {
  const app = createApp({})
  app.provide(CLINIC_API, api as unknown as ClinicApi)
  const pinia = createPinia()
  app.use(pinia)
  setActivePinia(pinia)
  return app.runWithContext(() => useProgramStore())
}
const sentIds = () =>
  (api.saveDraft.mock.lastCall![1] as { items: { exerciseId: string }[] }).items.map(
    (item) => item.exerciseId,
  )

describe('a program being written', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    for (const call of Object.values(api)) call.mockReset()
    api.exercises.mockResolvedValue([
      exercise('later', 'not-yet', 42),
      exercise('soon', 'not-yet', 28),
      exercise('a'),
      exercise('b'),
      exercise('c'),
    ])
    api.draft.mockResolvedValue(draft(3, ['a', 'b']))
    api.saveDraft.mockResolvedValue(draft(4, ['a', 'b']))
  })
  afterEach(() => vi.useRealTimers())

  it('offers what is open first, then what opens soonest', async () => {
    const store = program()
    await store.open('e')
    expect(store.ranked.map((one) => one.id)).toEqual(['a', 'b', 'c', 'soon', 'later'])
  })

  it('saves by itself, in order, with the version it was read at', async () => {
    const store = program()
    await store.open('e')
    store.add('c')
    store.move('c', -1)
    expect(store.state.name).toBe('unsaved')
    await vi.advanceTimersByTimeAsync(600)
    expect(api.saveDraft).toHaveBeenCalledTimes(1)
    expect(api.saveDraft.mock.lastCall![1]).toMatchObject({ version: 3 })
    expect(sentIds()).toEqual(['a', 'c', 'b'])
    expect(store.state.name).toBe('saved')
  })

  it('waits for the answer to a save before the next one, which names its version', async () => {
    const store = program()
    await store.open('e')
    let answerFirst = (_draft: DraftAnswer) => {}
    api.saveDraft.mockImplementationOnce(() => new Promise((resolve) => (answerFirst = resolve)))
    store.add('c')
    await vi.advanceTimersByTimeAsync(600)
    store.move('c', -1)
    await vi.advanceTimersByTimeAsync(3000)
    expect(api.saveDraft).toHaveBeenCalledTimes(1)
    api.saveDraft.mockResolvedValue(draft(5, ['a', 'c', 'b']))
    answerFirst(draft(4, ['a', 'b', 'c']))
    await vi.advanceTimersByTimeAsync(600)
    expect(api.saveDraft).toHaveBeenCalledTimes(2)
    expect(api.saveDraft.mock.lastCall![1]).toMatchObject({ version: 4 })
    expect(sentIds()).toEqual(['a', 'c', 'b'])
    expect(store.state.name).toBe('saved')
  })

  it('saves what was changed in one case there before another is opened', async () => {
    const store = program()
    await store.open('e')
    store.add('c')
    api.draft.mockResolvedValue(draft(3, ['b']))
    await store.open('f')
    await vi.advanceTimersByTimeAsync(3000)
    expect(api.saveDraft).toHaveBeenCalledTimes(1)
    expect(api.saveDraft.mock.lastCall![0]).toBe('e')
    expect(store.items.map((item) => item.exerciseId)).toEqual(['b'])
  })

  it('takes no exercise twice, and moves none beyond the ends', async () => {
    const store = program()
    await store.open('e')
    store.add('a')
    store.move('a', -1)
    store.move('b', 1)
    expect(store.items.map((item) => item.exerciseId)).toEqual(['a', 'b'])
    expect(store.state.name).toBe('saved')
  })

  it('begins with the injured finger where one goes at a time, and takes others in and out', async () => {
    api.exercises.mockResolvedValue([{ ...exercise('c'), digitsToBegin: ['ring'] }, exercise('a')])
    api.draft.mockResolvedValue(draft(3, ['a']))
    const store = program()
    await store.open('e')
    store.add('c')
    const digits = () => store.items.map((item) => item.digits)
    expect(digits()).toEqual([null, ['ring']])
    store.toggleDigit('c', 'index')
    expect(digits()).toEqual([null, ['index', 'ring']])
    store.toggleDigit('c', 'ring')
    store.toggleDigit('c', 'index')
    expect(digits()).toEqual([null, null])
    store.toggleDigit('a', 'little')
    await vi.advanceTimersByTimeAsync(600)
    expect(api.saveDraft.mock.lastCall![1]).toMatchObject({
      items: [{ digits: ['little'] }, { digits: null }],
    })
  })

  it('keeps what was written when somebody else was first, and overwrites nothing', async () => {
    const store = program()
    await store.open('e')
    api.saveDraft.mockRejectedValue(
      new ApiProblem(409, 'EDITED_MEANWHILE', 'Not saved: Emeka has changed this draft.'),
    )
    store.remove('a')
    await vi.advanceTimersByTimeAsync(600)
    expect(store.state).toMatchObject({ name: 'overtaken', message: expect.stringContaining('Emeka') })
    expect(store.items.map((item) => item.exerciseId)).toEqual(['b'])
    await vi.advanceTimersByTimeAsync(5000)
    expect(api.saveDraft).toHaveBeenCalledTimes(1)
  })

  it('shows a refused dose beside its field', async () => {
    const store = program()
    await store.open('e')
    api.saveDraft.mockRejectedValue(
      new ApiProblem(400, 'INPUT_INVALID', 'x', [
        { path: 'items.1.dose.repetitions', message: 'From 1 to 60.' },
      ]),
    )
    store.setDose('b', { repetitions: 0 })
    await vi.advanceTimersByTimeAsync(600)
    expect(store.errorAt('b', 'dose.repetitions')).toBe('From 1 to 60.')
    expect(store.errorAt('a', 'dose.repetitions')).toBeNull()
  })

  it('saves before it signs, and signs under one id until it succeeded', async () => {
    const store = program()
    await store.open('e')
    store.setDose('a', { repetitions: 12 })
    api.sign
      .mockRejectedValueOnce(new ApiProblem(0, 'OFFLINE', 'No connection.'))
      .mockResolvedValueOnce({ id: 'x', number: 2 })
    expect(await store.sign()).toBe(false)
    expect(await store.sign()).toBe(true)
    expect(store.state).toEqual({ name: 'signed', number: 2 })
    const [first, second] = api.sign.mock.calls.map((call) => (call[1] as { id: string }).id)
    expect(first).toBe(second)
    expect(api.saveDraft.mock.invocationCallOrder[0]!).toBeLessThan(api.sign.mock.invocationCallOrder[0]!)
  })

  it('takes the doses of a chosen school for the exercises it speaks of, and their own again without one', async () => {
    const stretch = { ...exercise('stretch'), aims: ['stretch'], family: 'prolonged-stretch', load: null }
    const glide = { ...exercise('glide'), aims: ['glide'], family: 'tendon-glide', load: null }
    api.exercises.mockResolvedValue([stretch, glide])
    api.draft.mockResolvedValue(draft(1, ['stretch', 'glide']))
    const long = { ...dose, holdSeconds: 30, repetitions: 3 }
    const answer = draft(2, ['stretch', 'glide'])
    answer.items[0]!.schoolDose = long
    api.saveDraft.mockResolvedValue(answer)
    const store = program()
    await store.open('e')
    await store.chooseSchool('stretchHold', 'classic')
    expect(api.saveDraft.mock.calls[0]![1]).toMatchObject({ schools: { stretchHold: 'classic' } })
    expect(store.items.map((item) => item.dose.holdSeconds)).toEqual([30, 5])
    expect(api.saveDraft.mock.lastCall![1]).toMatchObject({ items: [{ dose: long }, { dose }] })
    api.saveDraft.mockResolvedValue(draft(4, ['stretch', 'glide']))
    await store.chooseSchool('stretchHold', null)
    expect(store.items.map((item) => item.dose.holdSeconds)).toEqual([5, 5])
    expect(api.saveDraft.mock.lastCall![1]).toMatchObject({ schools: {} })
  })

  it('takes only the load from a school of early load; what was typed of the rest stays', async () => {
    const curl = { ...exercise('curl'), dose: { ...dose, load: 1 }, aims: ['strength'], family: 'weight' }
    api.exercises.mockResolvedValue([curl])
    const typed = draft(1, ['curl'])
    typed.items[0]!.dose = { ...dose, repetitions: 12, load: 1 }
    api.draft.mockResolvedValue(typed)
    const answer = draft(2, ['curl'])
    answer.items[0]!.schoolDose = { ...dose, load: 0.25 }
    api.saveDraft.mockResolvedValue(answer)
    const store = program()
    await store.open('e')
    await store.chooseSchool('earlyLoad', 'criteria')
    expect(api.saveDraft.mock.lastCall![1]).toMatchObject({
      items: [{ dose: { ...dose, repetitions: 12, load: 0.25 } }],
    })
  })

  it('takes the order of a chosen school', async () => {
    api.saveDraft.mockResolvedValue({ ...draft(4, ['a', 'b']), schoolOrder: ['item-b', 'item-a'] })
    const store = program()
    await store.open('e')
    await store.chooseSchool('boutOrder', 'strength-first')
    expect(sentIds()).toEqual(['b', 'a'])
  })

  it('doses an exercise that is added by the school that was chosen before', async () => {
    const answer = draft(4, ['a', 'b', 'c'])
    const schooled = { ...dose, repetitions: 7 }
    const store = program()
    await store.open('e')
    store.add('c')
    const added = store.items.at(-1)!.itemId
    answer.items[2] = { ...answer.items[2]!, itemId: added, schoolDose: schooled }
    api.saveDraft.mockResolvedValue(answer)
    await vi.advanceTimersByTimeAsync(1200)
    expect(store.items.map((item) => item.dose.repetitions)).toEqual([10, 10, 7])
    expect(api.saveDraft).toHaveBeenCalledTimes(2)
  })
})
