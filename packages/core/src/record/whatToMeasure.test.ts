import { describe, expect, it } from 'vitest'
import { visit } from '../../../../tests/builders/readings.js'
import { caseOf, catalogue } from '../../../../tests/core/shippedCatalogue.js'
import { IDLE_SIGNATURE } from '../exercise/signature.js'
import { placeKey, type ReadingPlace } from '../measurement/readings/reading.js'
import { measureFacts } from '../measurement/readings/measures.js'
import type { Visit } from '../measurement/readings/visits.js'
import { motionsOfConcern, type Protocol } from '../protocol/protocol.js'
import { verdictKind } from '../verdict/assess.js'
import { standingOf } from '../verdict/caseOnDay.js'
import type { PatientCase } from '../verdict/patientCase.js'
import { alwaysWorn } from '../verdict/restraints.js'
import { isOpen } from '../verdict/verdict.js'
import type { Digit, Motion } from '../vocabulary/vocabulary.js'
import { digitsAsked } from './askedAtReferral.js'
import { isMeasured, placesOf, type Measured } from './measuredFacts.js'
import {
  measureLocks,
  missingPlaces,
  overpressureLock,
  whatToMeasure,
  type MeasureLock,
} from './whatToMeasure.js'

const protocols = [...catalogue.protocols.values()]
const aboutOf = ({ protocol, digits }: PatientCase): Measured => ({
  side: 'left',
  digits,
  handedness: 'right',
  motions: [...motionsOfConcern(protocol)],
  nerves: protocol.guardNerve,
})
const injuredIn = (protocol: Protocol): readonly Digit[] => {
  const asked = digitsAsked(protocol, catalogue.conditions.get(protocol.condition)!)
  return asked === 'fingers' ? ['ring'] : asked === 'thumb' ? ['thumb'] : []
}
const on = (id: string, day: number, without: string[] = [], digits?: readonly Digit[]) =>
  caseOf(id, { day, without, over: { digits: digits ?? injuredIn(catalogue.protocols.get(id)!) } })
const locksOf = (state: PatientCase) => measureLocks(state, aboutOf(state))
const items = (state: PatientCase, ...visits: Visit[]) => whatToMeasure(state, aboutOf(state), visits)

/** What bars a place: every end of a hinge that is shut, or the measure as a whole. */
const barring = (locks: readonly MeasureLock[], { measure, digit, kind }: ReadingPlace) =>
  locks.filter(
    (lock) =>
      lock.measure === measure &&
      lock.kind === kind &&
      lock.state === 'locked' &&
      (lock.digits === null || (digit !== null && lock.digits.includes(digit))),
  )

describe('what a flexor tendon repair is measured by', () => {
  const state = on('FT-PH', 46, [], ['middle', 'ring'])
  it('are its fingers, never a table of wrist motions first', () => {
    const told = items(state).filter(({ tier }) => tier === 'tell')
    expect(told.slice(0, 2).map(({ id }) => id)).toEqual(['range.middle', 'range.ring'])
    expect(told.find(({ id }) => id === 'crease')!.places.map(({ digit }) => digit)).toEqual([
      'middle',
      'ring',
    ])
  })
  it('is asked first for what the next phase waits for', () => {
    const [first] = items(state)
    expect(first).toMatchObject({ id: 'pain.act', tier: 'gate', lastOn: null })
    expect(first!.why).toContain(standingOf(state).next!.phase.name.en)
  })
  it('is known by the day on which all of it was measured', () => {
    const pain = visit('2031-03-01', { 'painAct...': '2' })
    expect(items(state, pain)[0]!.lastOn).toBe('2031-03-01')
    const half = visit('2031-03-01', { 'fingertipToCrease.ring.left.': '20' })
    expect(items(state, half).find(({ id }) => id === 'crease')!.lastOn).toBeNull()
  })
})

it('one way of measuring a swelling is enough', () => {
  const swelling = items(on('FT-PH', 46, [], ['middle', 'ring'])).find(({ id }) => id === 'edema.stable')!
  expect(swelling.isOneEnough).toBe(true)
  expect(missingPlaces(swelling, (key) => key === 'girthProximal.ring.left.')).toEqual([])
  expect(missingPlaces(swelling, () => false)).toHaveLength(2)
})

it('the healthy side is measured once', () => {
  const ring = on('FT-PH', 46, [], ['ring'])
  const both = { 'mcp.ring.right.active': '0/90', 'pip.ring.right.active': '0/100' }
  const other = (...visits: Visit[]) => items(ring, ...visits).find(({ id }) => id === 'otherSide')!
  const nothing = () => false
  expect(missingPlaces(other(visit('2031-03-01', both)), nothing).length).toBeGreaterThan(0)
  const whole = { ...both, 'dip.ring.right.active': '0/70' }
  const wrist = Object.fromEntries(
    other()
      .places.filter(({ digit }) => digit === null)
      .map((place) => [placeKey(place), '30']),
  )
  expect(missingPlaces(other(visit('2031-03-01', { ...whole, ...wrist })), nothing)).toEqual([])
})

it.each([
  ['CMC-OA', 'opposition'],
  ['UCL-REPAIR', 'range.thumb'],
  ['DRF-CAST', 'range.forearm'],
  ['CUB-DEC', 'range.elbow'],
])('%s is measured by %s', (id, item) => {
  expect(items(on(id, 60)).map((one) => one.id)).toContain(item)
})

// Source: A17: active range when active motion is, a strongest grip at its own gate.
describe('nothing that the repair forbids is offered unlocked', () => {
  it.each(protocols.map(({ id }) => [id] as const))('under %s', (id) => {
    for (const day of [0, 10, 24, 38, 52, 80]) {
      const state = on(id, day, day % 4 === 0 ? ['ord.resist', 'ord.load'] : [])
      const locks = locksOf(state)
      const about = aboutOf(state)
      const worn = alwaysWorn(standingOf(state).phase)?.orthosis ?? 'none'
      const opens = (motion: Motion, mode: 'A' | 'P', digits: readonly Digit[] | null) =>
        (['none', worn] as const).some((orthosis) =>
          isOpen(
            verdictKind(
              {
                ...IDLE_SIGNATURE,
                motions: [{ modes: [mode], motions: [motion], arc: null, res: null }],
                digits,
                orthosis,
              },
              state,
            ),
          ),
        )
      for (const { places } of whatToMeasure(state, about, []))
        for (const place of places) {
          const { measure, digit, side, kind } = place
          if (side !== 'left' || kind === null || measureFacts(measure).shape !== 'hinge' || digit === null)
            continue
          const shut = barring(locks, place).map(({ end }) => end)
          for (const [end, way] of [
            ['flexed', 'flex'],
            ['extended', 'ext'],
          ] as const) {
            const isChecked =
              end === 'extended' && standingOf(state).heldBy.some(({ name }) => isMeasured(name))
            const title = `${placeKey(place)} ${end} on day ${day}`
            const isFree = opens(`${measure}.${way}` as Motion, kind === 'active' ? 'A' : 'P', [digit])
            const isLimited = locks.some(
              (lock) => lock.measure === measure && lock.end === end && lock.state === 'limited',
            )
            if (!shut.includes(end) && !isChecked && !isLimited) expect(isFree, title).toBe(true)
            if (shut.includes(end)) expect(isFree, title).toBe(false)
          }
        }
      const isGripOpen = isOpen(verdictKind({ ...IDLE_SIGNATURE, tests: ['grip_dyn'] }, state))
      expect(locks.some(({ measure }) => measure === 'grip')).toBe(!isGripOpen)
      const isPushOpen = isOpen(verdictKind({ ...IDLE_SIGNATURE, tests: ['prom_end'] }, state))
      expect(overpressureLock(state) === null).toBe(isPushOpen)
    }
  })
  it('a lock says from when, or what it takes', () => {
    const grip = locksOf(on('FT-PH', 32)).find(({ measure }) => measure === 'grip')!
    expect(grip.verdict.fromDay).toBe(84)
  })
  it('a full fist to the crease waits as long as active bending does', () => {
    expect(locksOf(on('FT-DURAN', 10)).map(({ measure }) => measure)).toContain('fingertipToCrease')
    expect(locksOf(on('FOA', 60)).map(({ measure }) => measure)).not.toContain('fingertipToCrease')
  })
})

describe('a criterion that readings tell is no dead end', () => {
  const waits = protocols.flatMap((protocol) =>
    protocol.phases.flatMap((phase) =>
      phase.entry
        .filter(({ name }) => isMeasured(name))
        .map(
          (criterion) =>
            [`${protocol.id} ${phase.id} ${criterion.text}`, protocol, phase, criterion] as const,
        ),
    ),
  )
  it.each(waits)('%s can be measured when its day has come', (_title, protocol, phase, criterion) => {
    const state = on(protocol.id, phase.days[0], [criterion.name])
    if (!isMeasured(criterion.name)) return
    const locks = locksOf(state)
    const places = placesOf(criterion.name, aboutOf(state))
    expect(places.length).toBeGreaterThan(0)
    // Of a lag the active end is enough: it cannot be larger.
    for (const place of places.filter(
      ({ side, kind }) => side !== 'right' && (kind !== 'passive' || criterion.name === 'prom.pip.def'),
    )) {
      const ends = barring(locks, place).map(({ end }) => end)
      expect(ends, placeKey(place)).not.toContain('extended')
      expect(ends, placeKey(place)).not.toContain(null)
    }
  })
  const gates = protocols.flatMap((protocol) =>
    protocol.gates.flatMap((gate) =>
      gate.needs
        .filter(({ name }) => isMeasured(name))
        .map(
          (criterion) => [`${protocol.id} ${gate.id} ${criterion.text}`, protocol, gate, criterion] as const,
        ),
    ),
  )
  it.each(gates)('%s can be measured on the day of its gate', (_title, protocol, gate, criterion) => {
    const state = on(protocol.id, gate.from, [criterion.name])
    if (!isMeasured(criterion.name)) return
    const locks = locksOf(state)
    for (const place of placesOf(criterion.name, aboutOf(state)).filter(({ side }) => side !== 'right'))
      if (place.kind !== 'passive') expect(barring(locks, place), placeKey(place)).toEqual([])
  })
})

describe('what is seen and felt before anything moves', () => {
  const ids = (id: string, day: number, digits: readonly Digit[] = ['ring']) =>
    items(on(id, day, [], digits)).map((item) => item.id)

  it('is the wound in the first four weeks after an operation, and the skin where something is worn', () => {
    const skin = (id: string, day: number) =>
      items(on(id, day))
        .find((item) => item.id === 'skin')
        ?.places.map(({ measure }) => measure)
    expect(skin('FT-PH', 10)).toEqual(['wound', 'skinUnderOrthosis'])
    expect(skin('FT-PH', 30) ?? []).not.toContain('wound')
    expect(skin('DQ-CONS', 10) ?? []).not.toContain('wound')
  })

  it('is the skin of the school’s nerve, asked once also where a step waits for it', () => {
    const felt = items(on('CTS-CONS', 10)).find((item) => item.id === 'feeling')
    expect(felt?.places.map(({ spot }) => spot)).toEqual([
      'thumb.tip.front.radial',
      'index.tip.front.radial',
      'middle.tip.front.radial',
    ])
    for (const id of catalogue.protocols.keys()) {
      const asked = ids(id, 10).filter((one) => one === 'feeling' || one === 'sense.protective')
      expect(asked.length, id).toBeLessThanOrEqual(1)
    }
  })
})
