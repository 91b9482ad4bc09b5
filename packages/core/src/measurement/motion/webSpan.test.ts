import { describe, expect, it } from 'vitest'
import { webAngleDeg } from './webSpan.js'

describe('the web span', () => {
  it('the web angle grows with the distance of the heads', () => {
    expect(webAngleDeg(60, 60, 60)).toBeCloseTo(60, 9)
    expect(webAngleDeg(65, 60, 60)).toBeGreaterThan(webAngleDeg(60, 60, 60))
  })
})
