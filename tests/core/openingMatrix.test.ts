import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { assess, DocumentReader, readSignature, type Signature } from '@pledge/core'
import { catalogue, caseOf } from './shippedCatalogue.js'

// Source: the day-of-opening matrix of the protocol documents, computed by another program from the same prose.
const rows = readFileSync(fileURLToPath(new URL('openingMatrix.txt', import.meta.url)), 'utf8')
  .split('\n')
  .filter((line) => line !== '' && !line.startsWith('#'))
  .map((line) => line.split(' '))

const probe = (signature: object): Signature =>
  readSignature(new DocumentReader({ name: 'probe', ...signature }))
const columns: readonly [string, (motion: string) => Signature][] = [
  ['active', (motion) => probe({ motions: [{ m: 'A', mv: [motion] }] })],
  ['stretch', (motion) => probe({ motions: [{ m: 'S', mv: [motion] }] })],
  ['cylinder grip R1', () => probe({ grips: [{ grip: 'cyl', res: 'R1' }] })],
  ['cylinder grip R2', () => probe({ grips: [{ grip: 'cyl', res: 'R2' }] })],
  ['tip pinch R2', () => probe({ grips: [{ grip: 'tip', res: 'R2' }] })],
  ['grip dynamometer', () => probe({ tests: ['grip_dyn'] })],
  ['1 kg', () => probe({ kg: 1 })],
  ['5 kg', () => probe({ kg: 5 })],
  ['driving', () => probe({ acts: ['drive'] })],
  ['weight through the wrist', () => probe({ acts: ['wb'] })],
  ['contact sport', () => probe({ acts: ['sport_c'] })],
]

/** The first day it opens, by asking each day in turn; the day told in advance must be the same. */
function opening(signature: Signature, protocolId: string): string {
  const told = assess(signature, caseOf(protocolId, { day: 0 }))
  if (told.kind === 'never') return 'never'
  for (let day = 0; day <= 400; day += 1) {
    const { kind } = assess(signature, caseOf(protocolId, { day }))
    if (kind === 'clear' || kind === 'with-care') {
      if (day > 0) expect(told.fromDay).toBe(day)
      return `${day}${kind === 'with-care' ? 'c' : ''}`
    }
  }
  expect(told.fromDay).toBeNull()
  return '-'
}

describe('the day of opening, with everything recorded', () => {
  it('covers every protocol', () => {
    expect(rows.map(([id]) => id).sort()).toEqual([...catalogue.protocols.keys()].sort())
  })

  it.each(rows.map((row) => [row[0]!, row] as const))('of %s is the published one', (id, row) => {
    const [, motion, ...published] = row
    const found = columns.map(([, make]) => opening(make(motion!), id))
    const named = (days: readonly string[]) => columns.map(([name], place) => `${name}: ${days[place]}`)
    expect(named(found)).toEqual(named(published))
  })
})
