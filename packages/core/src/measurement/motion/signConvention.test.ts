import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EXTENSION_CONVENTIONS, extensionFrom, extensionShown, neutralZero } from './signConvention.js'

const r = (flexedEndDeg: number, extendedEndDeg: number) => ({ flexedEndDeg, extendedEndDeg })

describe('signs of extension', () => {
  it('a typed extension comes back as it was typed, in every convention', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -60, max: 60 }),
        fc.constantFrom(...EXTENSION_CONVENTIONS),
        (typed, convention) => {
          const read = extensionFrom(typed, convention)
          expect(extensionShown(read.extendedEndDeg, convention)).toBe(typed === 0 ? 0 : typed)
          expect(read.deficitDeg * read.hyperextensionDeg).toBe(0)
          expect(read.deficitDeg - read.hyperextensionDeg).toBe(read.extendedEndDeg)
        },
      ),
    )
  })
  it.each([
    [r(90, -20), '20-0-90'],
    [r(95, 15), '0-15-95'],
    [r(90, 0), '0-0-90'],
  ])('%j is %s in neutral-zero notation', (reading, text) => expect(neutralZero(reading)).toBe(text))
})
