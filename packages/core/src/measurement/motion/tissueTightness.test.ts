import { describe, expect, it } from 'vitest'
import { extrinsicFlexorTightness, intrinsicTightness, obliqueTightness } from './tissueTightness.js'

describe('which tissue is tight', () => {
  it.each([
    [81, 70, 'intrinsic'],
    [80, 70, 'joint'],
    [70, 80, 'joint'],
    [70, 81, 'extrinsicExtensor'],
  ])('PIP flexion of %i° and %i° with the MCP joint flexed and straight: %s', (flexed, straight, tissue) =>
    expect(intrinsicTightness(flexed, straight)!.tissue).toBe(tissue),
  )
  it('names the long flexors and the oblique ligament, and nothing while one position is missing', () => {
    expect(extrinsicFlexorTightness(40, 20)).toEqual({ differenceDeg: 20, tissue: 'extrinsicFlexor' })
    expect(extrinsicFlexorTightness(20, 40)!.tissue).toBe('joint')
    expect(obliqueTightness(60, 40)!.tissue).toBe('obliqueRetinacular')
    expect([
      intrinsicTightness(null, 3),
      extrinsicFlexorTightness(3, null),
      obliqueTightness(null, 3),
    ]).toEqual([null, null, null])
  })
  it('a difference is the one between the two positions', () => {
    expect(obliqueTightness(60, 45)!.differenceDeg).toBe(15)
    expect(extrinsicFlexorTightness(10, 40)!.differenceDeg).toBe(-30)
  })
})
