import { describe, expect, it } from 'vitest'
import { changeWord, measurementError } from './measurementError.js'

describe('change and its error', () => {
  it('a change is real, probably real or within error', () => {
    const error = measurementError(9, 0.9)
    expect([7.9, -7.9, 7, 6.5].map((delta) => changeWord(delta, error))).toEqual([
      'real',
      'real',
      'probably real',
      'within error',
    ])
  })
})
