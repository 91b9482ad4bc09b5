import { describe, expect, it } from 'vitest'
import { isUnusualReading } from './jointReading.js'

const r = (flexedEndDeg: number, extendedEndDeg: number) => ({ flexedEndDeg, extendedEndDeg })

describe('a reading of a hinge joint', () => {
  it.each([
    ['pip', r(115, -20), false],
    ['pip', r(116, 0), true],
    ['mcp', r(90, -46), true],
    ['thumbIp', r(90, -30), false],
  ] as const)('asks about an unusual %s of %j: %s', (name, reading, isUnusual) => {
    expect(isUnusualReading(name, reading)).toBe(isUnusual)
  })
})
