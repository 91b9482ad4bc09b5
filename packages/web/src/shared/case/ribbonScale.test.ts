import { expect, it } from 'vitest'
import { ribbonScale } from './ribbonScale'

it('puts day 0 behind the labels and the last day at the edge', () => {
  const scale = ribbonScale(17, 1142, 132)
  expect(scale.lastDay).toBe(112)
  expect(scale.x(0)).toBe(132)
  expect(scale.x(112)).toBe(1132)
  expect(scale.x(56)).toBe(632)
})

it('keeps days beyond the axis at its ends', () => {
  const scale = ribbonScale(17, 1142, 132)
  expect(scale.x(-3)).toBe(132)
  expect(scale.x(400)).toBe(1132)
})

it('grows with a case that lasts longer', () => {
  expect(ribbonScale(200, 1000, 100).lastDay).toBe((29 + 3) * 7)
})
