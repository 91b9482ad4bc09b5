import { describe, expect, it } from 'vitest'
import { keepsStillAt, movesIn, standsFor } from './orthosisHolds.js'
import type { Orthosis } from './vocabulary.js'

// Source: derivation, table of what each orthosis holds, and vocabulary 5.5.3.
describe('one orthosis in place of another', () => {
  it.each<[worn: Orthosis, own: Orthosis, may: boolean]>([
    ['WRN', 'DBO', false],
    ['WRO', 'WRN', true],
    ['TSO', 'TSH', true],
    ['TSH', 'TSO', false],
    ['SAFE', 'WRO', true],
    ['WRO', 'SAFE', false],
    ['EXF', 'DIPX', true],
    ['DBO', 'DBS', true],
    ['DBS', 'DBO', false],
    ['RME_WRO', 'RME', true],
    ['RME_WRO', 'WRO', true],
    ['WRO', 'RME_WRO', false],
    // What is held elsewhere does not stand for it: knuckles straight or bent, a tip bent or straight.
    ['EXO', 'GUTTER', false],
    ['RHO', 'DIPX', false],
    ['RHO', 'EXO', false],
    ['ELN', 'ELB', false],
    // A finger's way of its own is replaced by nothing: straight is where a blocked joint must not be. A wrist's is by what keeps it still.
    ['RMF', 'RME', false],
    ['BUDDY', 'XBLK', false],
    ['PIPX', 'XBLK', false],
    ['SAFE', 'DYNX', false],
    ['EXF', 'RMF', false],
    ['WRO', 'DTMO', true],
    // Nothing stands for what holds nothing that could be compared.
    ['CAST', 'RING', false],
    ['none', 'DIPX', false],
  ])('%s for %s: %s', (worn, own, may) => {
    expect(standsFor(worn, own)).toBe(may)
  })
})

describe('a joint in an orthosis', () => {
  it('moves where it is free, within a limit, and in one plane where only that is left', () => {
    expect(movesIn('DIPX', 'pip.flex', null)).toBe(true)
    expect(movesIn('DIPX', 'dip.flex', [0, 10])).toBe(false)
    expect(movesIn('DBO', 'mcp.ext', [40, 70])).toBe(true)
    expect(movesIn('DBO', 'mcp.ext', [0, 70])).toBe(false)
    expect(movesIn('DBO', 'mcp.ext', null)).toBe(false)
    expect(movesIn('DTMO', 'wrist.dtm', null)).toBe(true)
    expect(movesIn('DTMO', 'wrist.flex', [0, 10])).toBe(false)
  })

  it('is kept still by it only where the orthosis has it', () => {
    expect(keepsStillAt('GUTTER', 'mcp', [70, 70])).toBe(true)
    expect(keepsStillAt('GUTTER', 'mcp', [0, 0])).toBe(false)
    expect(keepsStillAt('DBO', 'mcp', [70, 70])).toBe(false)
  })
})
