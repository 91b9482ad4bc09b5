import { createPinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { CLINIC_API, type ClinicApi } from '../../shared/api/clinicApi'
import { ApiProblem } from '../../shared/api/problem'
import { useReferralStore } from './referralStore'

const refer = vi.fn<ClinicApi['refer']>()
function taken(changes: object = {}) {
  const app = createApp({})
  app.provide(CLINIC_API, { refer } as unknown as ClinicApi)
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
    surgeryOn: '2031-04-01',
    surgeon: 'Dr. P. Hallam-Ito',
    letterOn: '2031-04-02',
    ...changes,
  })
  return store
}
beforeEach(() => {
  refer.mockReset()
})

describe('a referral being taken', () => {
  it('is sent when everything holds', async () => {
    refer.mockResolvedValue({ episodeId: 'e' })
    const store = taken()
    expect(store.errors).toEqual({})
    expect(await store.save()).toBe('e')
  })

  it.each([
    ['surgery before the injury', { surgeryOn: '2031-03-24' }, 'surgeryOn', /before the injury/],
    ['surgery on the day of injury is possible', { surgeryOn: '2031-03-25' }, 'surgeryOn', null],
    ['surgery today is possible', { surgeryOn: '2031-04-11' }, 'surgeryOn', null],
    ['surgery tomorrow', { surgeryOn: '2031-04-12' }, 'surgeryOn', /future/],
    ['a surgery of 1900', { surgeryOn: '1900-04-01' }, 'surgeryOn', /Check the year/],
    ['no surgery', { surgeryOn: '' }, 'surgeryOn', /Give the day of surgery/],
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
    const store = taken({ surgeryOn: '2031-04-12' })
    expect(store.errorAt('surgeryOn')).toBeNull()
    expect(await store.save()).toBeNull()
    expect(refer).not.toHaveBeenCalled()
    expect(store.errorAt('surgeryOn')).toMatch(/future/)
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
})
