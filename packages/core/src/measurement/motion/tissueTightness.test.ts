import { describe, expect, it } from 'vitest'
import {
  extrinsicFlexorTightness,
  intrinsicTightness,
  obliqueTightness,
  thumbExtensorTightness,
  webTightness,
} from './tissueTightness.js'

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
  it('names the long extensor of the thumb where its IP bends less with the MCP joint bent (A7)', () => {
    expect(thumbExtensorTightness(65, 45)).toEqual({ differenceDeg: 20, tissue: 'thumbExtensor' })
    expect(thumbExtensorTightness(45, 65)!.tissue).toBe('joint')
    expect(thumbExtensorTightness(65, null)).toBeNull()
  })
  it('a web is short from ten degrees less than the other on (A7)', () => {
    expect(webTightness(40, 50)).toEqual({ differenceDeg: 10, tissue: 'web' })
    expect(webTightness(41, 50)!.tissue).toBe('noWeb')
    expect(webTightness(60, 50)!.tissue).toBe('noWeb')
    expect([webTightness(null, 50), webTightness(40, null)]).toEqual([null, null])
  })
  it('a difference is the one between the two positions', () => {
    expect(obliqueTightness(60, 45)!.differenceDeg).toBe(15)
    expect(extrinsicFlexorTightness(10, 40)!.differenceDeg).toBe(-30)
  })
})
