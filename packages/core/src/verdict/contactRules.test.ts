import { describe, expect, it } from 'vitest'
import { assessExercise, exerciseKind, isOpen, type PatientCase } from '../index.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'
import { contactBars } from './contactRules.js'

const entry = (id: string) => catalogue.exercises.get(id)!
const rulesOf = (id: string, protocol: string, wish: Parameters<typeof caseOf>[1]) =>
  contactBars(entry(id), caseOf(protocol, wish)).map(({ rule }) => rule)

// Source: vocabulary 5.5.8; A11 and A12 of the rule base.
describe('what touches skin and healing tissue', () => {
  it('waits for closed skin where there was a wound, and asks about none where there was not', () => {
    for (const id of ['heat-soak', 'rice-dip', 'scar-circles', 'massage-ball-scar', 'tap-and-buzz'])
      expect(rulesOf(id, 'DRF-VLP-EARLY', { day: 90, without: ['wound.closed'] }), id).toContain(
        'catalogue.wound',
      )
    expect(rulesOf('heat-soak', 'FOA', { day: 3, without: ['wound.closed', 'wound.ok'] })).toEqual([])
    // A wound that is only dry lets swelling be wrapped.
    expect(rulesOf('edema-finger-wrap', 'FT-DURAN', { day: 30, without: ['wound.closed'] })).toEqual([])
    expect(rulesOf('edema-finger-wrap', 'FT-DURAN', { day: 30, without: ['wound.ok'] })).toEqual([
      'catalogue.wound',
    ])
  })

  it('presses on no repair before the part below may be stretched, and says what that takes', () => {
    expect(rulesOf('massage-ball-scar', 'FT-DURAN', { day: 55 })).toEqual(['catalogue.contact'])
    expect(rulesOf('massage-ball-scar', 'FT-DURAN', { day: 56 })).toEqual([])
    const [bar] = contactBars(
      entry('massage-ball-scar'),
      caseOf('FT-DURAN', { day: 60, without: ['ord.resist'] }),
    )
    expect(bar!.needs.map(({ text }) => text)).toContain('ord.resist')
  })

  it('rubs the scar itself from day 14', () => {
    expect(rulesOf('scar-circles', 'FT-DURAN', { day: 13 })).toEqual(['catalogue.contact'])
    expect(rulesOf('scar-circles', 'FT-DURAN', { day: 14 })).toEqual([])
  })

  it('warms nothing that is hot, fresh from an operation, or numb', () => {
    expect(rulesOf('heat-pack', 'CMC-ARTH', { day: 13 })).toEqual(['catalogue.thermal'])
    expect(rulesOf('heat-pack', 'CMC-ARTH', { day: 14 })).toEqual([])
    expect(rulesOf('heat-pack', 'FOA', { day: 40, over: { states: ['state.flare'] } })).toEqual([
      'catalogue.thermal',
    ])
    for (const id of ['heat-pack', 'cold-pack'])
      expect(rulesOf(id, 'NR-MU', { day: 200, without: ['sense.protective'] }), id).toEqual([
        'catalogue.thermal',
      ])
  })

  it('warms no fresh injury, and soaks nothing while pins stand in the skin', () => {
    expect(rulesOf('heat-pack', 'PIPC-12', { day: 2 })).toEqual(['catalogue.thermal'])
    expect(rulesOf('heat-pack', 'PIPC-12', { day: 3 })).toEqual([])
    expect(rulesOf('rice-dip', 'PX-KW', { day: 27 })).toEqual(['catalogue.wound'])
    expect(rulesOf('rice-dip', 'PX-KW', { day: 28 })).toEqual([])
    expect(rulesOf('rice-dip', 'PX-KW', { day: 60, without: ['pins.out'] })).toEqual(['catalogue.wound'])
  })

  it('opens on the day that was told in advance, day 14 included', () => {
    for (const protocol of ['DRF-VLP-EARLY', 'TF-REL', 'DUP-NEEDLE', 'CTS-REL', 'PIPC-12', 'SPR-12'])
      for (const exercise of [...catalogue.exercises.values()].filter(({ contact }) => contact)) {
        const kindOn = (day: number) => exerciseKind(exercise, exercise.dose, caseOf(protocol, { day }))
        const told = assessExercise(exercise, exercise.dose, caseOf(protocol, { day: 0 }))
        if (isOpen(told.kind) || told.fromDay === null || told.fromDay > 60) continue
        const days = Array.from({ length: told.fromDay + 1 }, (_, day) => day)
        expect(
          days.find((day) => isOpen(kindOn(day))),
          `${exercise.id} in ${protocol}`,
        ).toBe(told.fromDay)
      }
  })
})

// Source: A12: skin without protective feeling is looked at; what stays on it is no ban.
describe('an orthosis for the night on a hand that may be numb', () => {
  const night = catalogue.exercises.get('night-wrist-straight')!
  const kindWith = (over: Partial<PatientCase>) =>
    assessExercise(night, night.dose, caseOf('CTS-CONS', { day: 10, over }))
  it('is worn with the skin looked at where it is numb, and where nobody has asked', () => {
    expect(kindWith({ isHealthAsked: true }).kind).toBe('clear')
    for (const over of [{ contraindications: ['insensate'] as const }, { isHealthAsked: false }]) {
      const verdict = kindWith(over)
      expect(verdict.kind).toBe('with-care')
      expect(verdict.conditions.map(({ en }) => en).join(' ')).toMatch(
        /red mark stays longer than 20 minutes/,
      )
    }
  })
  it('while heat and a tight wrap stay barred there', () => {
    for (const id of ['heat-pack', 'fist-elastic-wrap']) {
      const one = catalogue.exercises.get(id)!
      const state = caseOf('CTS-CONS', { day: 10, over: { contraindications: ['insensate'] } })
      expect(assessExercise(one, one.dose, state).kind, id).toBe('never')
    }
  })
})
