import { expect, it } from 'vitest'
import { catalogue } from '../../../../tests/core/shippedCatalogue.js'
import { gateWords } from './gateWords.js'

it('every gate of every school has words, none longer than a row can hold', () => {
  for (const { id, gates } of catalogue.protocols.values())
    for (const gate of gates) {
      expect(gateWords(gate), `${id} day ${gate.from}`).not.toBe('')
      expect(gateWords(gate).length, `${id} day ${gate.from}`).toBeLessThan(340)
    }
  const opens = (id: string, place: number) => gateWords(catalogue.protocols.get(id)!.gates[place]!)
  expect(opens('CUB-CONS', 2)).toBe('two-ended slide of the ulnar nerve')
})
