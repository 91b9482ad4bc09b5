import {
  crc16,
  deviceLine,
  DeviceReceiver,
  readDeviceLine,
  type DeviceEvent,
  type DeviceKind,
} from '@pledge/core'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  introduction,
  SCENARIOS,
  simulated,
  type Scenario,
  type Simulation,
} from '../../packages/standins/src/simulatedDevice.js'

const TODAY = '2031-04-11'
const play = (kind: DeviceKind, scenario: Scenario, over: Partial<Simulation> = {}): Simulation => ({
  kind,
  scenario,
  target: kind === 'goniometer' ? 62 : 24,
  unit: kind === 'goniometer' ? 'deg' : 'kg',
  seed: 7,
  ...over,
})
/** All that a receiver tells of a measurement; a link that is cut or silent is told so at its end. */
function told(simulation: Simulation): DeviceEvent[] {
  const receiver = new DeviceReceiver(simulation.kind, TODAY)
  const lines = [introduction(simulation), ...simulated(simulation).map(({ text }) => text)]
  const events = lines.map((text) => receiver.line(text))
  if (simulation.scenario === 'cut') events.push(receiver.closed())
  if (simulation.scenario === 'dead') events.push(receiver.silent())
  return events.filter((event) => event !== null)
}
const outcome = (simulation: Simulation) =>
  told(simulation).find(({ name }) => name === 'read' || name === 'refused')
const why = (kind: DeviceKind, scenario: Scenario) => {
  const found = outcome(play(kind, scenario))
  return found?.name === 'refused' ? found.why : found?.name
}

describe('a line of a device', () => {
  it('carries the published checksum, which sees bytes that were swapped', () => {
    // Source: check value of CRC-16/CCITT-FALSE for the digits 1 to 9.
    expect(crc16('123456789')).toBe(0x29b1)
    const line = deviceLine('D', { n: 1, v: 12 })
    expect(readDeviceLine(line)).toEqual({ word: 'D', values: { n: '1', v: '12' } })
    expect(readDeviceLine(line.replace('n=1', 'n=2'))).toBeNull()
    expect(readDeviceLine('D n=1 v=12')).toBeNull()
    expect(readDeviceLine(deviceLine('D', { v: 'x'.repeat(120) }))).toBeNull()
  })

  it('is never misread when one byte of it changes', () => {
    const line = deviceLine('D', { n: 14, t: 700, v: 62.4, u: 'deg', q: 0 })
    fc.assert(
      fc.property(fc.nat(line.length - 1), fc.integer({ min: 33, max: 126 }), (at, byte) => {
        const other = line.slice(0, at) + String.fromCharCode(byte) + line.slice(at + 1)
        if (other !== line) expect(readDeviceLine(other)).toBeNull()
      }),
    )
  })
})

describe('a measurement', () => {
  it.each(['goniometer', 'dynamometer'] as const)('of a %s is taken where it is good', (kind) => {
    const target = play(kind, 'steady').target
    for (const scenario of ['steady', 'spikes', 'garbled', 'duplicates'] as const) {
      const found = outcome(play(kind, scenario))
      expect(found, scenario).toMatchObject({ name: 'read', warnings: [] })
      if (found?.name === 'read') expect(Math.abs(found.value - target), scenario).toBeLessThanOrEqual(1)
    }
    expect(outcome(play(kind, 'lowBattery'))).toMatchObject({
      name: 'read',
      warnings: ['The battery of the device is low.'],
    })
  })

  it.each([
    ['drift', 'drifts', 'drifts'],
    ['dropout', 'dropout', 'dropout'],
    ['dead', 'silent', 'silent'],
    ['cut', 'linkLost', 'linkLost'],
    ['overload', 'overload', 'overload'],
    ['notZeroed', 'notZeroed', 'notZeroed'],
    ['restart', 'restarted', 'restarted'],
    ['noNumber', 'noNumber', 'noNumber'],
    ['unitChange', 'unitChanged', 'unitChanged'],
    ['wrongDevice', 'wrongDevice', 'wrongDevice'],
  ] as const)('with %s is refused with its reason', (scenario, angle, force) => {
    expect([why('goniometer', scenario), why('dynamometer', scenario)]).toEqual([angle, force])
  })

  it('that shakes is refused, and so is a squeeze that never was', () => {
    expect(why('goniometer', 'tremor')).toBe('shakes')
    expect(outcome(play('dynamometer', 'steady', { target: 0.2 }))).toMatchObject({ why: 'noSqueeze' })
    expect(outcome(play('goniometer', 'steady', { target: 300 }))).toMatchObject({ why: 'outOfRange' })
  })

  it('is told in kg whatever the device shows', () => {
    // 1 lb = 0.45359237 kg and 1 kgf = 9.80665 N by definition.
    const kg = (unit: string, target: number) => outcome(play('dynamometer', 'steady', { unit, target }))
    expect(kg('lb', 52.91)).toMatchObject({ name: 'read', value: expect.closeTo(24, 0) })
    expect(kg('N', 235.4)).toMatchObject({ name: 'read', value: expect.closeTo(24, 0) })
    expect(kg('stone', 4)).toMatchObject({ why: 'unknownUnit' })
  })

  it('of any seed and scenario ends in one reading or one reason, never in both', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('goniometer' as const, 'dynamometer' as const),
        fc.constantFrom(...SCENARIOS),
        fc.nat(10_000),
        fc.integer({ min: 5, max: 60 }),
        (kind, scenario, seed, target) => {
          const ends = told(play(kind, scenario, { seed, target })).filter(
            ({ name }) => name === 'read' || name === 'refused',
          )
          expect(ends, `${kind} ${scenario} ${seed} ${target}`).toHaveLength(1)
        },
      ),
      { numRuns: 400 },
    )
  })

  it('warns where nobody knows when the device was calibrated', () => {
    const receiver = new DeviceReceiver('goniometer', TODAY)
    const line = deviceLine('ID', { v: 1, kind: 'goniometer', serial: 'X', unit: 'deg', min: 0, max: 180 })
    expect(receiver.line(line)).toMatchObject({
      name: 'identified',
      warnings: [expect.stringContaining('Calibrated')],
    })
  })
})
