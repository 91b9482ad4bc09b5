import { describe, expect, it } from 'vitest'
import type { CoreError } from '../index.js'
import {
  burdenOf,
  chosenSchool,
  comparedSchools,
  criterionOf,
  DOSE_LIMITS,
  DOSE_QUESTIONS,
  EVERYTHING_MET,
  inSchoolOrder,
  loadWaitsFor,
  questionOf,
  readDoseSchools,
  schooledDose,
  schooledPainCap,
  SLOTS,
  type Exercise,
  type FactBook,
} from '../index.js'
import { catalogue } from '../../../../tests/core/shippedCatalogue.js'

const { doseSchools } = catalogue
const exercise = (id: string) => catalogue.exercises.get(id)!
/** A held stretch that allows much. */
const stretch = (changes: Partial<Exercise> = {}) => ({
  ...exercise('prayer-stretch'),
  range: { sets: [1, 1], repetitions: [1, 10], holdSeconds: [5, 300], boutsPerDay: [1, 8] } as const,
  ...changes,
})
const NOTHING_MET: FactBook = { status: () => ({ name: 'neverRecorded' }) }

describe('schools of dosing', () => {
  it('answer every question in two languages, with a source', () => {
    expect(doseSchools.map(({ question }) => question)).toEqual([...DOSE_QUESTIONS])
    for (const { schools } of doseSchools)
      for (const { name, says, source } of schools) {
        expect([name.en, name.es, says.en, says.es].every((text) => text.length > 3)).toBe(true)
        expect(catalogue.sources.has(source.key)).toBe(true)
      }
  })

  it('leave everything as the catalogue has it where none is chosen', () => {
    for (const one of catalogue.exercises.values()) {
      expect(schooledDose(one, doseSchools, {})).toEqual(one.dose)
      expect(schooledPainCap(one, doseSchools, {})).toBe(one.painCap)
    }
    expect(chosenSchool(doseSchools, {}, 'painCap')).toBeNull()
    expect(chosenSchool(doseSchools, { painCap: 'no longer there' }, 'painCap')).toBeNull()
  })

  it('hold a stretch as they say', () => {
    const dose = (school: string) => schooledDose(stretch(), doseSchools, { stretchHold: school })
    expect(dose('classic')).toMatchObject({ repetitions: 3, holdSeconds: 30, boutsPerDay: 3 })
    expect(dose('short-often')).toMatchObject({ repetitions: 5, holdSeconds: 5, boutsPerDay: 8 })
  })

  it('never leave what an exercise allows, in no school and for no exercise', () => {
    for (const { question, schools } of doseSchools)
      for (const { id } of schools)
        for (const one of catalogue.exercises.values()) {
          const dose = schooledDose(one, doseSchools, { [question]: id })
          for (const field of ['sets', 'repetitions', 'holdSeconds', 'boutsPerDay'] as const) {
            const [low, high] = one.range[field]
            const kept = dose[field] === one.dose[field] || (dose[field] >= low && dose[field] <= high)
            expect([one.id, id, field, kept]).toEqual([one.id, id, field, true])
          }
          expect(schooledPainCap(one, doseSchools, { [question]: id })).toBeLessThanOrEqual(one.painCap)
        }
  })

  it('never touch a tensioner, nor an exercise their question does not speak of', () => {
    const tensioners = [...catalogue.exercises.values()].filter(({ family }) => family === 'nerve-tensioner')
    expect(tensioners.length).toBeGreaterThan(0)
    expect(tensioners.map(questionOf).every((one) => one === null)).toBe(true)
    expect(questionOf(exercise('glide-hook'))).toBeNull()
    expect(questionOf(exercise('radial-slide-neck'))).toBe('nerveDose')
  })

  it('begin strength work with the lightest load', () => {
    const band = exercise('band-wrist-back')
    const heavy = { ...band, dose: { ...band.dose, load: band.load!.steps.at(-1)! } }
    expect(schooledDose(heavy, doseSchools, { earlyLoad: 'light-at-once' }).load).toBe(band.load!.steps[0])
  })

  it('warn of strength work before what they wait for, and of nothing else', () => {
    const chosen = { earlyLoad: 'after-clearance' }
    const waits = (id: string, facts: FactBook) =>
      loadWaitsFor(exercise(id), doseSchools, chosen, facts).map(({ text }) => text)
    expect(waits('band-wrist-back', NOTHING_MET)).toEqual(['ord.resist'])
    expect(waits('band-wrist-back', EVERYTHING_MET)).toEqual([])
    expect(waits('glide-hook', NOTHING_MET)).toEqual([])
    expect(loadWaitsFor(exercise('band-wrist-back'), doseSchools, {}, NOTHING_MET)).toEqual([])
    expect(criterionOf('pain.act<=0')).not.toBeNull()
  })

  it('order a bout, and leave items of one slot as the therapist put them', () => {
    const items = ['settle', 'strengthen', 'passive', 'warm', 'passive'] as const
    const numbered = items.map((slot, place) => ({ slot, place }))
    const ordered = inSchoolOrder(numbered, ({ slot }) => slot, doseSchools, {
      boutOrder: 'strength-then-stretch',
    })
    expect(ordered.map(({ place }) => place)).toEqual([3, 1, 2, 4, 0])
    expect(inSchoolOrder(numbered, ({ slot }) => slot, doseSchools, {})).toBe(numbered)
    for (const { order } of doseSchools.at(-1)!.schools) expect([...order!].sort()).toEqual([...SLOTS].sort())
  })

  it('are compared by minutes at the end of the range and by repetitions a day', () => {
    const compared = comparedSchools('stretchHold', [stretch(), exercise('glide-hook')], doseSchools)
    const of = (id: string) => compared.find((one) => one.id === id)!
    // 3 × 30 s × 3 = 270 s; 5 × 5 s × 8 = 200 s; 300 s × 3 = 900 s; worked by hand.
    expect(of('classic').endRangeMinutesPerDay).toBeCloseTo(4.5, 10)
    expect(of('short-often').endRangeMinutesPerDay).toBeCloseTo(200 / 60, 10)
    expect(of('long-low-load').endRangeMinutesPerDay).toBeCloseTo(15, 10)
    expect(of('short-often').repetitionsPerDay).toBe(40)
    const dose = schooledDose(stretch(), doseSchools, { stretchHold: 'middle' })
    expect(of('middle').minutesPerDay).toBe(burdenOf([{ exercise: stretch(), dose }]).minutesPerDay)
    expect(comparedSchools('nerveDose', [stretch()], doseSchools)).toEqual([])
  })

  const shipped = doseSchools.map(({ question, name, schools }) => ({
    question,
    name,
    schools: schools.map((one) => ({
      id: one.id,
      name: one.name,
      says: one.says,
      ...(one.set ? { set: one.set } : {}),
      ...(one.waitsFor ? { waitsFor: one.waitsFor.map(({ text }) => text) } : {}),
      ...(one.cap === null ? {} : { cap: one.cap }),
      ...(one.order ? { order: one.order } : {}),
      source: one.source,
    })),
  }))
  const spoilt = (change: (list: never[]) => unknown) => {
    const copy = structuredClone(shipped) as never[]
    change(copy)
    try {
      readDoseSchools(copy)
      return null
    } catch (error) {
      return (error as CoreError).path
    }
  }
  it('are refused as a whole with the place of what is wrong', () => {
    expect(spoilt(() => {})).toBeNull()
    type Loose = { schools: Record<string, unknown>[]; question: string }[]
    expect(spoilt((list) => ((list as Loose)[0]!.schools[0]!['cap'] = 3))).toBe('0.schools.0.cap')
    expect(spoilt((list) => (((list as Loose)[0]!.schools[0]!['set'] as { sets: number }).sets = 99))).toBe(
      '0.schools.0.set.sets',
    )
    expect(spoilt((list) => ((list as Loose)[2]!.schools[1]!['waitsFor'] = ['luck']))).toBe(
      '2.schools.1.waitsFor.0',
    )
    expect(spoilt((list) => list.pop())).toBe('(document)')
    expect(spoilt((list) => ((list as Loose)[4]!.schools[0]!['order'] = ['warm']))).toBe('4.schools.0.order')
    expect(spoilt((list) => ((list as Loose)[3]!.schools[1]!['id'] = 'none'))).toBe('3.schools')
    expect(DOSE_LIMITS.sets[1]).toBeLessThan(99)
  })
})
