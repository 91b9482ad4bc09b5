import { describe, expect, it } from 'vitest'
import { adhesionResponse } from './adhesionResponse.js'

describe('the response of an adhesion', () => {
  it.each([
    [40, 5, 'absent'],
    [40, 6, 'responsive'],
    [40, 36, 'responsive'],
    [40, 37, 'unresponsive'],
    [0, 8, 'unresponsive'],
  ])('a lag from %i to %i° is %s', (before, now, word) =>
    expect(adhesionResponse(before, now, 12).class).toBe(word),
  )
  it('says when a response is smaller than the error, and has no share of nothing', () => {
    expect(adhesionResponse(40, 34, 12).isWithinError).toBe(true)
    expect(adhesionResponse(40, 28, 12).isWithinError).toBe(false)
    expect(adhesionResponse(0, 0, 12).resolvedPercent).toBeNull()
  })
})
