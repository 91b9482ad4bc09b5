import { createPinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { CLINIC_API, type ClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import type { SchoolAnswer } from '@pledge/contract'
import { useReferralStore } from './referralStore'

const refer = vi.fn<ClinicApi['refer']>()
const knownPersons = vi.fn<ClinicApi['knownPersons']>()
function taken(changes: object = {}) {
  const app = createApp({})
  app.provide(CLINIC_API, { refer, knownPersons } as unknown as ClinicApi)
  const pinia = createPinia()
  app.use(pinia)
  setActivePinia(pinia)
  const store = app.runWithContext(() => useReferralStore())
  store.start('2031-04-11')
  Object.assign(store.form, {
    name: 'Bente Okonjo',
    birthDate: '1970-05-01',
    dominantHand: 'right',
    language: 'en',
    hasLatexAllergy: false,
    hasAdhesiveAllergy: false,
    conditionId: 'distal-radius-fracture',
    protocolId: 'DRF-VLP-EARLY',
    side: 'left',
    injuredOn: '2031-03-25',
    anchorOn: '2031-04-01',
    surgeon: 'Dr. P. Hallam-Ito',
    letterOn: '2031-04-02',
    ...changes,
  })
  return store
}
beforeEach(() => {
  refer.mockReset()
  knownPersons.mockReset().mockResolvedValue([])
})

describe('a referral being taken', () => {
  it('is sent when everything holds', async () => {
    refer.mockResolvedValue({ episodeId: 'e' })
    const store = taken()
    expect(store.errors).toEqual({})
    expect(await store.save()).toBe('e')
  })

  it.each([
    ['surgery before the injury', { anchorOn: '2031-03-24' }, 'anchorOn', /before the injury/],
    ['surgery on the day of injury is possible', { anchorOn: '2031-03-25' }, 'anchorOn', null],
    ['surgery today is possible', { anchorOn: '2031-04-11' }, 'anchorOn', null],
    ['surgery tomorrow', { anchorOn: '2031-04-12' }, 'anchorOn', /future/],
    ['a surgery of 1900', { anchorOn: '1900-04-01' }, 'anchorOn', /Check the year/],
    ['no day 0', { anchorOn: '' }, 'anchorOn', /Give day 0/],
    ['an injury before birth', { birthDate: '2031-03-26' }, 'injuredOn', /before the date of birth/],
    ['a birth 121 years ago', { birthDate: '1910-04-11' }, 'birthDate', /Check the year/],
    ['an allergy nobody asked about', { hasLatexAllergy: null }, 'hasLatexAllergy', /yes or no/],
    [
      'a restriction without a reason',
      { restrictions: [{ restriction: 'noLoad', untilOn: '', why: '' }] },
      'restrictions[0].why',
      /reason/,
    ],
  ])('%s', (_case, changes, field, message) => {
    const store = taken(changes)
    store.touch(field)
    if (message === null) expect(store.errorAt(field)).toBeNull()
    else expect(store.errorAt(field)).toMatch(message)
  })

  it('shows a refusal only once the field was left, or sending was tried', async () => {
    const store = taken({ anchorOn: '2031-04-12' })
    expect(store.errorAt('anchorOn')).toBeNull()
    expect(await store.save()).toBeNull()
    expect(refer).not.toHaveBeenCalled()
    expect(store.errorAt('anchorOn')).toMatch(/future/)
    expect(store.saveState).toMatchObject({ name: 'failed', message: expect.stringContaining('one field') })
  })

  it('keeps what was typed when the server refuses, with its words beside the field', async () => {
    const store = taken()
    refer.mockRejectedValue(
      new ApiProblem(400, 'INPUT_INVALID', 'Choose a school of this condition.', [
        { path: 'protocolId', message: 'Choose a school of this condition.' },
      ]),
    )
    expect(await store.save()).toBeNull()
    expect(store.form.name).toBe('Bente Okonjo')
    expect(store.errorAt('protocolId')).toBe('Choose a school of this condition.')
  })

  describe('a school and the facts it rests on', () => {
    const school = (changes: Partial<SchoolAnswer> = {}): SchoolAnswer => ({
      id: 'FT-PH',
      title: 't',
      school: 'Place and hold',
      evidence: 'e',
      sources: [],
      anchor: 'surgery',
      digits: 'fingers',
      select: [
        {
          what: 'strands>=4',
          name: 'strands',
          kind: 'number',
          meaning: 'core strands: 4 or more',
          question: 'core strands',
          giver: 'surgeon',
        },
        {
          what: 'rel.ok',
          name: 'rel.ok',
          kind: 'yesNo',
          meaning: 'reliable',
          question: 'reliable',
          giver: 'therapist',
        },
      ],
      clearances: [{ what: 'ord.therapy', meaning: 'order' }],
      variants: [],
      values: [],
      phases: [],
      preview: {
        motion: 'm',
        days: {
          activeFromDay: 28,
          passiveFromDay: 56,
          stretchFromDay: 56,
          lightGripFromDay: 56,
          heavyWorkFromDay: 112,
        },
      },
      ...changes,
    })

    it.each([
      ['nobody has answered', {}, false],
      ['one is still open', { strands: 4 }, false],
      ['one does not hold', { strands: 2, 'rel.ok': true }, false],
      ['all hold', { strands: 6, 'rel.ok': true }, true],
    ])('is offered only when all hold: %s', (_case, answers, offered) => {
      const store = taken()
      store.form.answers = answers as Record<string, number | boolean>
      expect(store.isOffered(school())).toBe(offered)
    })

    it('sends the answers of the chosen school, and no day of injury where injury is day 0', async () => {
      refer.mockResolvedValue({ episodeId: 'e' })
      const store = taken({ digits: ['index'] })
      store.form.answers = { strands: 4, 'rel.ok': true, 'fix.stable': true }
      store.choose(school({ anchor: 'injury' }))
      await store.save()
      expect(refer).toHaveBeenCalledWith(
        expect.objectContaining({
          protocolId: 'FT-PH',
          digits: ['index'],
          injuredOn: '2031-04-01',
          selection: [
            { what: 'strands', value: 4 },
            { what: 'rel.ok', value: true },
          ],
        }),
      )
    })

    it('names the thumb by itself where the thumb is what is injured', async () => {
      refer.mockResolvedValue({ episodeId: 'e' })
      const store = taken()
      store.choose(school({ digits: 'thumb', select: [] }))
      await store.save()
      expect(refer).toHaveBeenCalledWith(expect.objectContaining({ digits: ['thumb'] }))
    })
  })
})

describe('a name and a date of birth that somebody has already', () => {
  const person = {
    personId: 'p1',
    episodes: [
      {
        episodeId: 'e1',
        side: 'left' as const,
        digits: [],
        condition: 'Distal radius fracture',
        openedOn: '2031-04-01',
      },
    ],
  }
  const settled = () => new Promise((done) => setTimeout(done))

  it('are looked up once both are there, and once for the same two', async () => {
    knownPersons.mockResolvedValue([person])
    const store = taken({ birthDate: '' })
    store.touch('name')
    expect(knownPersons).not.toHaveBeenCalled()
    store.form.birthDate = '1970-05-01'
    store.touch('birthDate')
    store.touch('name')
    await settled()
    expect(knownPersons).toHaveBeenCalledOnce()
    expect(store.known).toEqual([person])
    expect(store.form.samePersonAs).toBeUndefined()
  })

  it('take the answer back when another name is typed', async () => {
    knownPersons.mockResolvedValue([person])
    const store = taken()
    store.touch('name')
    await settled()
    store.form.samePersonAs = 'p1'
    store.form.name = 'Bente Okonja'
    knownPersons.mockResolvedValue([])
    store.touch('name')
    await settled()
    expect(store.known).toEqual([])
    expect(store.form.samePersonAs).toBeUndefined()
  })

  it('are asked about when the clinic refuses to guess, although nobody could look them up', async () => {
    knownPersons.mockRejectedValueOnce(new ApiProblem(0, 'OFFLINE', 'No connection.'))
    const store = taken()
    store.touch('name')
    await settled()
    expect(store.known).toEqual([])
    refer.mockRejectedValue(
      new ApiProblem(400, 'INPUT_INVALID', 'Say whether it is the same person.', [
        { path: 'samePersonAs', message: 'Say whether it is the same person.' },
      ]),
    )
    knownPersons.mockResolvedValue([person])
    expect(await store.save()).toBeNull()
    expect(store.known).toEqual([person])
    expect(store.errorAt('samePersonAs')).toMatch(/same person/)
    refer.mockResolvedValue({ episodeId: 'e2' })
    store.form.samePersonAs = 'p1'
    expect(await store.save()).toBe('e2')
    expect(refer).toHaveBeenLastCalledWith(expect.objectContaining({ samePersonAs: 'p1' }))
  })
})
