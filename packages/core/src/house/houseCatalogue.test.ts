import { describe, expect, it } from 'vitest'
import type { CoreError } from '../index.js'
import {
  assess,
  exerciseOpenings,
  houseCatalogue,
  isOpen,
  opensEarlier,
  readSignature,
  DocumentReader,
  unhinderedPatient,
  type Catalogue,
  type HouseEdit,
} from '../index.js'
import { catalogue } from '../../../../tests/core/shippedCatalogue.js'

const phase = (day: number, phaseId = 'P3', protocolId = 'UCL-REPAIR'): HouseEdit => ({
  kind: 'phase',
  protocolId,
  phaseId,
  day,
})
/** A gate moved, found by its place as it is printed today. */
const gate = (place: string, day: number): HouseEdit => {
  const protocolId = place.split('.')[0]!
  const found = catalogue.protocols.get(protocolId)!.gates.find(({ id }) => id === place)
  return { kind: 'gate', protocolId, key: found?.key ?? 'no-such-gate', day }
}
const house = (...edits: HouseEdit[]): Catalogue => houseCatalogue(catalogue, edits, 'test')
function refusal(...edits: HouseEdit[]): string {
  try {
    house(...edits)
    return 'accepted'
  } catch (error) {
    return `${(error as CoreError).path}: ${(error as CoreError).message}`
  }
}
/** The verdict of a motion on a day of a protocol, everything recorded. */
function verdictOf(of: Catalogue, protocolId: string, day: number, signature: object) {
  const protocol = of.protocols.get(protocolId)!
  const state = unhinderedPatient(protocol, of.conditions.get(protocol.condition)!)
  return assess(readSignature(new DocumentReader(signature)), { ...state, day }).kind
}
const PASSIVE = { motions: [{ m: ['P'], mv: ['th_mp.flex'] }] }

describe('what a clinic does otherwise', () => {
  it('moves the border of two phases, and with it the rules that stood there', () => {
    const moved = house(phase(49))
    const { phases } = moved.protocols.get('UCL-REPAIR')!
    expect(phases.map(({ days }) => days[0])).toEqual([0, 28, 49, 56, 84])
    expect(phases[1]!.days[1]).toBe(49)
    expect(phases[2]!.allow.every((rule) => rule.from === 49)).toBe(true)
    expect(verdictOf(catalogue, 'UCL-REPAIR', 42, PASSIVE)).toBe('clear')
    expect(verdictOf(moved, 'UCL-REPAIR', 48, PASSIVE)).toBe('not-yet')
    expect(verdictOf(moved, 'UCL-REPAIR', 49, PASSIVE)).toBe('clear')
  })

  it('leaves the shipped catalogue as it is', () => {
    house(phase(49))
    expect(catalogue.protocols.get('UCL-REPAIR')!.phases[2]!.days[0]).toBe(42)
    expect(house().protocols.get('UCL-REPAIR')).toBe(catalogue.protocols.get('UCL-REPAIR'))
  })

  it('moves a gate and keeps its id', () => {
    const moved = house(gate('UCL-REPAIR.gate.5', 49))
    expect(verdictOf(moved, 'UCL-REPAIR', 48, { kg: 0.5 })).toBe('not-yet')
    expect(verdictOf(moved, 'UCL-REPAIR', 49, { kg: 0.5 })).toBe('clear')
    expect(moved.protocols.get('UCL-REPAIR')!.gates.find(({ id }) => id === 'UCL-REPAIR.gate.5')!.from).toBe(
      49,
    )
  })

  it('takes the last edit of the same thing', () => {
    expect(house(phase(49), phase(45)).protocols.get('UCL-REPAIR')!.phases[2]!.days[0]).toBe(45)
  })

  it('moves two neighboring phases that need each other, in whatever order they were made', () => {
    const starts = (...edits: HouseEdit[]) =>
      house(...edits)
        .protocols.get('UCL-REPAIR')!
        .phases.map(({ days }) => days[0])
    const [first, later, far] = [phase(30, 'P2'), phase(49, 'P3'), phase(45, 'P2')]
    expect(starts(first, later, far)).toEqual([0, 45, 49, 56, 84])
    expect(starts(far, later)).toEqual([0, 45, 49, 56, 84])
    expect(starts(later, far)).toEqual([0, 45, 49, 56, 84])
    expect(refusal(far)).toMatch(/^day: Expected a whole day from 1 to 41/)
    expect(refusal(later, far, phase(44, 'P3'))).toMatch(/^day/)
  })

  it('sets another dose and the usual week of an exercise', () => {
    const glide = catalogue.exercises.get('glide-hook')!
    const dosed = house({
      kind: 'dose',
      exerciseId: 'glide-hook',
      dose: { ...glide.dose, repetitions: 12 },
      range: glide.range,
    })
    expect(dosed.exercises.get('glide-hook')!.dose.repetitions).toBe(12)
    const later = house({
      kind: 'week',
      exerciseId: 'putty-key-pinch',
      conditionId: 'thumb-ulnar-collateral-ligament',
      week: 10,
    })
    const opening = (of: Catalogue) => {
      const exercise = of.exercises.get('putty-key-pinch')!
      const protocol = of.protocols.get('UCL-REPAIR')!
      const state = unhinderedPatient(protocol, of.conditions.get(protocol.condition)!)
      const [first] = exerciseOpenings(exercise, exercise.dose, state, 'byTimeAlone').filter(({ kind }) =>
        isOpen(kind),
      )
      return first!.fromDay
    }
    expect(opening(catalogue)).toBe(56)
    expect(later.exercises.get('putty-key-pinch')!.gateWeeks['thumb-ulnar-collateral-ligament']).toBe(10)
    expect(opening(later)).toBeGreaterThanOrEqual(56)
  })

  it.each([
    ['a phase before the one that comes first', phase(20), /^day: Expected a whole day from 29 to 55/],
    ['a phase behind the next one', phase(56), /^day: Expected a whole day from 29 to 55/],
    ['the first phase', phase(3, 'P1'), /^phaseId: The first phase/],
    ['a phase nobody knows', phase(30, 'P9'), /^phaseId: Expected a phase of UCL-REPAIR/],
    ['a protocol nobody knows', phase(30, 'P2', 'NOWHERE'), /^protocolId: Expected a protocol/],
    ['half a day', phase(45.5), /^day: Expected a whole day/],
    [
      'a phase that would swallow a rule',
      phase(34, 'P3', 'FT-DURAN'),
      /^day: FT-DURAN\.P2\.allow\.\d begins on day 35/,
    ],
    ['a gate so late that loads fall', gate('UCL-REPAIR.gate.6', 100), /gates.*loads never fall/],
    ['a gate nobody knows', gate('UCL-REPAIR.gate.99', 10), /^key/],
    ['a gate before day 0', gate('UCL-REPAIR.gate.5', -1), /^day/],
  ])('refuses %s', (_what, edit, expected) => {
    expect(refusal(edit)).toMatch(expected)
  })

  it('refuses a dose outside its range, a range outside what can be typed, a load that does not exist', () => {
    const { dose, range } = catalogue.exercises.get('glide-hook')!
    const edit = (changes: Partial<Extract<HouseEdit, { kind: 'dose' }>>): HouseEdit => ({
      kind: 'dose',
      exerciseId: 'glide-hook',
      dose,
      range,
      ...changes,
    })
    expect(refusal(edit({ dose: { ...dose, repetitions: 99 } }))).toMatch(/^dose\.repetitions/)
    expect(refusal(edit({ range: { ...range, sets: [0, 1] } }))).toMatch(/^range\.sets/)
    expect(refusal(edit({ range: { ...range, sets: [2, 1] } }))).toMatch(/^range\.sets/)
    expect(refusal(edit({ dose: { ...dose, load: 2 } }))).toMatch(/^dose\.load: Expected no load/)
    expect(
      refusal({ kind: 'week', exerciseId: 'glide-hook', conditionId: 'mallet-finger', week: 3 }),
    ).toMatch(/^conditionId/)
    expect(
      refusal({ kind: 'week', exerciseId: 'glide-hook', conditionId: 'flexor-tendon-repair', week: 60 }),
    ).toMatch(/^week/)
  })

  it('asks for the surgeon where it opens earlier while it heals, and only there', () => {
    expect(opensEarlier(phase(35), catalogue)).toBe(true)
    expect(opensEarlier(phase(49), catalogue)).toBe(false)
    expect(opensEarlier(gate('UCL-REPAIR.gate.5', 35), catalogue)).toBe(true)
    const week = (number: number): HouseEdit => ({
      kind: 'week',
      exerciseId: 'glide-hook',
      conditionId: 'flexor-tendon-repair',
      week: number,
    })
    expect(opensEarlier(week(3), catalogue)).toBe(true)
    expect(opensEarlier(week(5), catalogue)).toBe(false)
    // Against what is in force, not against what was shipped: back to the shipped day is earlier again.
    expect(opensEarlier(phase(42), house(phase(49)))).toBe(true)
  })

  it('can move every border of every protocol by a day, or says why not', () => {
    let accepted = 0
    for (const protocol of catalogue.protocols.values())
      for (const one of protocol.phases.slice(1))
        for (const by of [-1, 1]) {
          const answer = refusal(phase(one.days[0] + by, one.id, protocol.id))
          if (answer === 'accepted') accepted += 1
          else expect(answer).toMatch(/[Ee]xpected|choose day|hold together/)
        }
    expect(accepted).toBeGreaterThan(300)
  })

  it('stays with its gate when the catalogue puts another one before it', () => {
    const protocol = catalogue.protocols.get('UCL-REPAIR')!
    const edited = protocol.gates[4]!
    const inserted = { ...edited, id: 'UCL-REPAIR.gate.1', key: 'gate-brand-new', from: 0 }
    const renumbered = protocol.gates.map((one, place) => ({ ...one, id: `UCL-REPAIR.gate.${place + 2}` }))
    const next: Catalogue = {
      ...catalogue,
      protocols: new Map(catalogue.protocols).set('UCL-REPAIR', {
        ...protocol,
        version: 2,
        gates: [inserted, ...renumbered],
      }),
    }
    const edit = gate(edited.id, edited.from + 7)
    const moved = houseCatalogue(next, [edit], 'test').protocols.get('UCL-REPAIR')!
    const daysOf = ({ gates }: typeof protocol) =>
      Object.fromEntries(gates.map(({ key, from }) => [key, from]))
    expect(daysOf(moved)).toEqual({
      ...daysOf(protocol),
      'gate-brand-new': 0,
      [edited.key]: edited.from + 7,
    })
  })
})
