import { expect, it } from 'vitest'
import { assessExercise, exerciseKind, type PatientCase } from '../index.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'

const states = [...catalogue.protocols.values()].flatMap((protocol) =>
  [0, 5, 30, 200].map((day): PatientCase => ({
    protocol,
    condition: catalogue.conditions.get(protocol.condition)!,
    day,
    facts: { status: () => ({ name: 'neverRecorded' }) },
    digits: [],
    states: [],
    orders: [],
    redLock: false,
    reviewOverdueDays: 0,
    contraindications: [],
    isHealthAsked: false,
    notAtHome: null,
    otherHand: 'well',
    otherInjuries: [],
  })),
)

it('clears no exercise of the catalogue when nothing is recorded, on any day after any injury', () => {
  const clear = states.flatMap((state) =>
    [...catalogue.exercises.values()]
      .filter((exercise) => exercise.conditions.includes(state.condition.id))
      .filter((exercise) => exerciseKind(exercise, exercise.dose, state) === 'clear')
      .map((exercise) => `${exercise.id} ${state.protocol.id} day ${state.day}`),
  )
  expect(clear).toEqual([])
})

it('opens nothing of a school while a fact that chooses it is not recorded, and says which', () => {
  for (const protocol of [...catalogue.protocols.values()].filter(({ select }) => select.length > 0))
    for (const [place, fact] of protocol.select.entries()) {
      const known = caseOf(protocol.id, { day: 60 }).facts
      const facts: PatientCase['facts'] = {
        status: (one) => (one.text === fact.text ? { name: 'neverRecorded' } : known.status(one)),
      }
      const state = caseOf(protocol.id, { day: 60, over: { facts } })
      for (const [index, exercise] of [...catalogue.exercises.values()].entries()) {
        expect(exerciseKind(exercise, exercise.dose, state), `${exercise.id} ${protocol.id}`).toMatch(
          /^(not-yet|never)$/,
        )
        // What it says is slow: one exercise in five for each fact, another fifth for the next.
        if ((index + place) % 5 !== 0) continue
        const verdict = assessExercise(exercise, exercise.dose, state)
        expect(verdict.kind, `${exercise.id} ${protocol.id}`).toMatch(/^(not-yet|never)$/)
        const isHeldByDose = verdict.reasons[0]!.rule.startsWith('catalogue.')
        if (verdict.kind === 'not-yet' && verdict.fromDay !== null && !isHeldByDose)
          expect(
            verdict.missing.map(({ text }) => text),
            `${exercise.id} ${protocol.id} ${verdict.reasons[0]!.rule}`,
          ).toContain(fact.text)
      }
    }
})

it('rubs no scar before the skin is recorded as closed where there was a wound, whatever else is', () => {
  const scar = catalogue.exercises.get('scar-circles')!
  for (const state of states.filter(
    ({ condition, protocol }) =>
      scar.conditions.includes(condition.id) && ['surgery', 'procedure', 'injury'].includes(protocol.anchor),
  )) {
    const facts = {
      status: (criterion: { text: string }) => ({
        name: criterion.text === 'wound.closed' ? ('notRecorded' as const) : ('met' as const),
      }),
    } as PatientCase['facts']
    const verdict = assessExercise(scar, scar.dose, { ...state, facts })
    expect(verdict.kind, `${state.protocol.id} day ${state.day}`).not.toBe('clear')
    if (verdict.reasons[0]!.rule === 'catalogue.wound')
      expect(verdict.missing.map(({ text }) => text)).toEqual(['wound.closed'])
  }
})

it('tells every condition in plain words, in both languages', () => {
  for (const { id, advice } of catalogue.conditions.values()) {
    expect(advice.length, id).toBeGreaterThanOrEqual(3)
    for (const { en, es } of advice) {
      expect(en, id).not.toBe(es)
      for (const sentence of [en, es].flatMap((text) => text.split(/[.:] /)))
        expect(sentence.split(' ').length, `${id}: ${sentence}`).toBeLessThanOrEqual(22)
    }
  }
})
