import { describe, expect, it } from 'vitest'
import { bindProtocol, restartedDay, type Protocol, type Rule } from '../index.js'
import { refusalOf } from '../../../../tests/builders/refusal.js'
import { catalogue } from '../../../../tests/core/shippedCatalogue.js'

const of = (id: string) => catalogue.protocols.get(id)!
const rulesOf = (protocol: Protocol): Rule[] => [
  ...protocol.phases.flatMap((phase) => [...phase.allow, ...phase.caution, ...phase.forbid]),
  ...protocol.gates,
]
const bound = (id: string, changes: Partial<Parameters<typeof bindProtocol>[1]>) =>
  bindProtocol(of(id), { variant: null, values: {}, shifts: [], ...changes })

describe('a protocol with the variant of a patient', () => {
  it('a bony mallet is free two weeks sooner, and the first window still begins on day 0', () => {
    const bony = bound('MAL-CONS', { variant: 'bony' })
    expect(of('MAL-CONS').phases.map((phase) => phase.days[0])).toEqual([0, 56, 63, 77, 84])
    expect(bony.phases.map((phase) => phase.days[0])).toEqual([0, 42, 49, 63, 70])
    expect(bony.phases.at(-1)!.days[1]).toBeNull()
  })

  it('a variant that counts from a day leaves what comes earlier where it was', () => {
    const middle = bound('PX-NONOP', { variant: 'middle_phalanx' })
    expect(of('PX-NONOP').phases.map((phase) => phase.days[0])).toEqual([0, 21, 42, 56])
    expect(middle.phases.map((phase) => phase.days[0])).toEqual([0, 21, 56, 70])
  })

  it('a variant or a value nobody knows, or out of range, is refused at its path', () => {
    expect(refusalOf(() => bound('MAL-CONS', { variant: 'soft' })).path).toBe('variant')
    expect(refusalOf(() => bound('MAL-CONS', { variant: 'toString' })).path).toBe('variant')
    expect(refusalOf(() => bound('PIP-FD-XB', { values: { angle: 30 } })).path).toBe('vars.angle')
    const [name, { range }] = Object.entries(of('PIP-FD-XB').variables)[0]!
    for (const value of [range[0] - 1, range[1] + 1, Number.NaN, Number.POSITIVE_INFINITY])
      expect(refusalOf(() => bound('PIP-FD-XB', { values: { [name]: value } })).path).toBe(`vars.${name}`)
  })
})

describe('windows moved by the therapist', () => {
  it('later windows follow one another without gap or overlap, whatever the shift', () => {
    for (const protocol of catalogue.protocols.values())
      for (const days of [-28, -7, 7, 28]) {
        const moved = bindProtocol(protocol, { variant: null, values: {}, shifts: [[days, 14]] })
        moved.phases.forEach((phase, place) => {
          const following = moved.phases[place + 1]
          expect(phase.days[1] ?? null, `${protocol.id} ${days}`).toBe(following ? following.days[0] : null)
        })
        for (const rule of rulesOf(moved)) expect(rule.from, rule.id).toBeGreaterThanOrEqual(0)
      }
  })

  it('a window that would begin before an earlier one is held at its end', () => {
    const early = bound('DRF-VLP-EARLY', { shifts: [[-100, 0]] })
    const starts = early.phases.map((phase) => phase.days[0])
    expect(starts).toEqual([...starts].sort((a, b) => a - b))
  })

  it('leaves the shipped protocol as it was', () => {
    const before = JSON.stringify(of('FT-PH').phases.map((phase) => phase.days))
    bound('FT-PH', { shifts: [[14, 0]] })
    expect(JSON.stringify(of('FT-PH').phases.map((phase) => phase.days))).toBe(before)
  })
})

describe('days that count anew after a slip', () => {
  const days = (slips: { on: string; creditDays: number }[], today = '2031-04-11', id = 'MAL-CONS') =>
    restartedDay(of(id), '2031-03-01', slips, today)

  it.each([
    ['no slip', [], 41],
    ['a slip yesterday', [{ on: '2031-04-10', creditDays: 0 }], 1],
    ['a slip today', [{ on: '2031-04-11', creditDays: 0 }], 0],
    ['a slip with ten days of credit', [{ on: '2031-04-10', creditDays: 10 }], 11],
    ['more credit than days had passed', [{ on: '2031-03-05', creditDays: 90 }], 41],
    ['negative credit', [{ on: '2031-04-10', creditDays: -5 }], 1],
    ['a slip that lies ahead', [{ on: '2031-05-01', creditDays: 0 }], 41],
    ['a slip before day 0', [{ on: '2031-02-01', creditDays: 0 }], 41],
    [
      'two slips, told in the wrong order',
      [
        { on: '2031-04-08', creditDays: 0 },
        { on: '2031-03-20', creditDays: 5 },
      ],
      3,
    ],
  ])('%s', (_case, slips, day) => expect(days(slips)).toBe(day))

  it('a protocol without such a clock counts plain days', () => {
    expect(days([{ on: '2031-04-10', creditDays: 0 }], '2031-04-11', 'FT-PH')).toBe(41)
  })

  it('never counts more days with a slip than without', () => {
    for (let creditDays = 0; creditDays < 60; creditDays += 7)
      for (const on of ['2031-03-01', '2031-03-15', '2031-04-11'])
        expect(days([{ on, creditDays }])).toBeLessThanOrEqual(days([]))
  })
})
