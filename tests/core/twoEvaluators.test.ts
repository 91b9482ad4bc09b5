import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess, verdictKind } from '@pledge/core'
import { engineCase, generated, signatureFrom, type Generated } from './generatedCases.js'
import { naiveEarliest, naiveVerdict, type NaiveCase } from './naiveEvaluator.js'

const naiveCase = ({ of }: Generated): NaiveCase => ({ ...of, protocol: of.raw })

// Source: the prose of the vocabulary, section 5.2, read a second time without the engine.
describe('the engine and a second, naive reading of the prose', () => {
  it('give the same verdict on 20,000 generated cases', () => {
    const seen = new Map<string, number>()
    fc.assert(
      fc.property(generated, (one) => {
        const kind = verdictKind(signatureFrom(one.exercise), engineCase(one.of))
        expect(kind).toBe(naiveVerdict(one.exercise, naiveCase(one)))
        seen.set(kind, (seen.get(kind) ?? 0) + 1)
      }),
      { numRuns: 20_000 },
    )
    // A generator that never reaches a verdict would prove nothing about it.
    for (const kind of ['clear', 'with-care', 'not-yet', 'never'])
      expect(seen.get(kind) ?? 0, kind).toBeGreaterThan(200)
  }, 240_000)

  it('find the same earliest day', () => {
    fc.assert(
      fc.property(generated, (one) => {
        const { kind, fromDay } = assess(signatureFrom(one.exercise), engineCase(one.of))
        if (kind !== 'not-yet') return
        expect(fromDay).toBe(naiveEarliest(one.exercise, naiveCase(one)))
      }),
      { numRuns: 400 },
    )
  }, 240_000)
})
