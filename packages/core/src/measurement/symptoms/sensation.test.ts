import { describe, expect, it } from 'vitest'
import { FILAMENT_MARKINGS, filamentFinding, twoPointClass } from './sensation.js'

describe('sensation', () => {
  it('filaments rise in force and never fall in band', () => {
    const order = [
      'normal',
      'diminished light touch',
      'diminished protective sensation',
      'loss of protective sensation',
    ]
    const found = FILAMENT_MARKINGS.map((marking) => filamentFinding(marking))
    found.slice(1).forEach(({ forceGf, band }, index) => {
      expect(forceGf!).toBeGreaterThan(found[index]!.forceGf!)
      expect(order.indexOf(band)).toBeGreaterThanOrEqual(order.indexOf(found[index]!.band))
    })
    // Source: BELL-KROTOSKI-1995: the last marking of each band.
    expect([2.83, 3.22, 3.61, 3.84, 4.31, 4.56].map((one) => filamentFinding(one).band)).toEqual([
      order[0],
      order[1],
      order[1],
      order[2],
      order[2],
      order[3],
    ])
    expect([4.31, 4.56, null].map((one) => filamentFinding(one).isUnprotected)).toEqual([false, true, true])
  })
  it.each([
    [5, 'static', 'normal'],
    [6, 'static', 'fair'],
    [10, 'static', 'fair'],
    [11, 'static', 'poor'],
    [3, 'moving', 'normal'],
    [4, 'moving', 'fair'],
    [6, 'moving', 'fair'],
    [7, 'moving', 'poor'],
    ['one point', 'static', 'protective'],
    ['none', 'static', 'anaesthetic'],
  ] as const)('two points at %s mm, %s: %s', (felt, kind, word) =>
    expect(twoPointClass(felt, kind)).toBe(word),
  )
})
