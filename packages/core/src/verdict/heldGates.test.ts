import { describe, expect, it } from 'vitest'
import {
  assess,
  assessExercise,
  DocumentReader,
  gateStandings,
  isOpen,
  readSignature,
  standingOf,
  type PatientCase,
  type Rule,
} from '../index.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'

/** Vocabulary 5.5.1: a load, grip, test or activity waits for the phase in whose days its gate lies, not for the calendar. */
const thing = (part: object) => readSignature(new DocumentReader({ name: 'thing', ...part }))
const answer = (part: object, state: PatientCase) => {
  const { kind, missing } = assess(thing(part), state)
  return { kind, missing: missing.map(({ text }) => text) }
}

describe('a case that is held', () => {
  it.each([
    ['20 kg', { kg: 20 }],
    ['manual work', { acts: ['work_manual'] }],
  ])('in the first phase of a mallet finger by a lag of 25°: no %s on day 100', (_what, part) => {
    const held = caseOf('MAL-CONS', { day: 100, facts: { 'lag.dip': 25 } })
    expect(standingOf(held).phase!.id).toBe('P1')
    const { kind, missing } = answer(part, held)
    expect(kind).toBe('not-yet')
    expect(missing).toContain('lag.dip<=10')
  })

  it('after a nerve repair without clearance for motion: no weight on day 56', () => {
    const entry = catalogue.protocols.get('NR-MU')!.phases[1]!.entry[0]!
    const held = caseOf('NR-MU', { day: 56, without: [entry.name] })
    const weight = catalogue.exercises.get('weight-wrist-back')!
    const verdict = assessExercise(weight, weight.dose, held)
    expect(verdict.kind).toBe('not-yet')
    expect(verdict.missing.map(({ name }) => name)).toContain(entry.name)
  })

  it('by pins that are still in: no grip on day 90', () => {
    const held = caseOf('PX-KW', { day: 90, without: ['pins.out'] })
    expect(answer({ grips: [{ grip: 'cyl', res: 'R2' }] }, held)).toMatchObject({
      kind: 'not-yet',
      missing: expect.arrayContaining(['pins.out']),
    })
  })

  it('that has not begun has no gate open on any day', () => {
    const [entry] = catalogue.protocols.get('DRF-VLP-EARLY')!.phases[0]!.entry
    const waiting = caseOf('DRF-VLP-EARLY', { day: 200, without: [entry!.name] })
    const gates = gateStandings(waiting)
    expect(gates.filter((gate) => gate.isOpen)).toEqual([])
    const locked = { ...waiting, redLock: true }
    expect(
      gateStandings(locked).every(({ barredBy }) => barredBy.some(({ en }) => /red flag/.test(en))),
    ).toBe(true)
    // What it waits for is told where it can be recorded.
    expect(gates.every(({ missing }) => missing.some(({ name }) => name === entry!.name))).toBe(true)
  })
})

describe('a gate', () => {
  const isOfLightUse = (gate: Rule) =>
    gate.targets.every((target) => target.kind === 'act' && target.acts.every((act) => act === 'adl_light'))
  const waitsForNoPhase = (anchor: string) => anchor === 'first_visit' || anchor === 'flare_start'

  it.each([...catalogue.protocols.values()].map((one) => [one.id, one] as const))(
    'of %s opens for no criterion less than its phase takes',
    (id, protocol) => {
      const day = Math.max(...protocol.gates.map(({ from }) => from), 0) + 30
      for (const [place, phase] of protocol.phases.entries())
        for (const entry of phase.entry) {
          const held = caseOf(id, { day, without: [entry.name] })
          const { index } = standingOf(held)
          expect(index, `${id} without ${entry.text}`).toBeLessThan(place)
          for (const { gate, isOpen: open } of gateStandings(held)) {
            const ofPhase = protocol.phases.findLastIndex(({ days }) => days[0] <= gate.from)
            if (ofPhase <= index || (waitsForNoPhase(protocol.anchor) && isOfLightUse(gate))) continue
            expect(open, `${gate.id} without ${entry.text}`).toBe(false)
          }
        }
    },
  )

  it('of light daily use waits for no phase where days count from the first visit', () => {
    const opensLightUse = ({ targets }: Rule) =>
      targets.some((target) => target.kind === 'act' && target.acts.includes('adl_light'))
    const [id, gate] = [...catalogue.protocols.values()]
      .filter(({ anchor }) => waitsForNoPhase(anchor))
      .flatMap((one) => one.gates.filter(opensLightUse).map((found) => [one.id, found] as const))
      .at(0)!
    const { protocol } = caseOf(id)
    const last = protocol.phases.findLast(({ entry }) => entry.length > 0)!
    const held = caseOf(id, { day: gate.from, without: last.entry.map(({ name }) => name) })
    expect(isOpen(assess(thing({ acts: ['adl_light'] }), held).kind)).toBe(true)
  })
})
