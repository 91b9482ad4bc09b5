import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assessCaseFile, CoreError } from '@pledge/core'
import { criteriaOf, exerciseFor, rawProtocols } from './generatedCases.js'
import { catalogue } from './shippedCatalogue.js'

/** `assess` over the whole catalogue, and over documents nobody wrote with care: it answers or refuses at a path. */
const KINDS = ['clear', 'with-care', 'not-yet', 'never']
const PROBES = [
  ...['P', 'AA', 'PH', 'A', 'S', 'I', 'R'].flatMap((m) =>
    [['wrist.*'], ['finger.*'], ['thumb.*'], ['forearm.*', 'elbow.*']].map((mv) => ({
      motions: [{ m, mv }],
    })),
  ),
  { grips: [{ grip: 'cyl', res: 'R1' }] },
  { grips: [{ grip: 'tip', res: 'R4' }] },
  { kg: 5 },
  { acts: ['wb', 'drive'] },
  { tests: ['grip_dyn', 'prom_end'] },
].map((probe, place) => ({ signature: { name: `probe ${place}`, ...probe } }))

interface Answer {
  verdicts: { verdict: string; day?: number; reasons: unknown[]; explanation: { en: string; es: string } }[]
}
const answerTo = (document: unknown) => assessCaseFile(document, catalogue) as unknown as Answer

describe('every protocol on the first day of each phase and gate, and the day before', () => {
  it.each([...catalogue.protocols.values()].map((protocol) => [protocol.id, protocol] as const))(
    '%s',
    (id, protocol) => {
      const changes = [
        ...protocol.phases.map((phase) => phase.days[0]),
        ...protocol.gates.map((gate) => gate.from),
      ]
      const days = [...new Set(changes.flatMap((day) => [day - 1, day]))].filter((day) => day >= 0)
      let asked = 0
      for (const day of days)
        // The day before is asked with everything recorded only.
        for (const assumeRecorded of changes.includes(day) ? [true, false] : [true]) {
          // Half of the probes, the other half on the next day asked.
          asked += 1
          const probes = PROBES.filter((_, place) => (place + asked) % 2 === 0)
          const { verdicts } = answerTo({
            format: 'pledge-case/1',
            day,
            episode: { protocol: id, assumeRecorded },
            exercises: probes,
          })
          expect(verdicts).toHaveLength(probes.length)
          for (const result of verdicts) {
            expect(KINDS).toContain(result.verdict)
            expect(result.reasons.length).toBeGreaterThan(0)
            expect(result.explanation.en.length * result.explanation.es.length).toBeGreaterThan(0)
            if (!assumeRecorded && protocol.select.length > 0)
              expect(result.verdict, 'a school nobody has answered for').toMatch(/^(not-yet|never)$/)
          }
        }
    },
    60_000,
  )
})

const JUNK = [
  null,
  '',
  'x',
  -1,
  1e12,
  0.5,
  true,
  [],
  {},
  [[[]]],
  { a: { b: 1 } },
  '2031-02-30',
  '\u0000',
  '$&',
  Number.MAX_VALUE,
]
type Place = [holder: Record<string, unknown>, key: string]
function placesIn(value: unknown): Place[] {
  if (typeof value !== 'object' || value === null) return []
  const holder = value as Record<string, unknown>
  return Object.keys(holder).flatMap((key): Place[] => [[holder, key], ...placesIn(holder[key])])
}

const documents = fc
  .constantFrom(...rawProtocols)
  .chain((raw) =>
    fc.record({
      raw: fc.constant(raw),
      day: fc.integer({ min: -5, max: 400 }),
      isAssumed: fc.boolean(),
      recorded: fc.subarray(criteriaOf(raw)),
      exercises: fc.array(exerciseFor(raw), { maxLength: 3 }),
      spoilt: fc.array(
        fc.tuple(fc.nat(), fc.constantFrom('junk', 'gone', 'strange'), fc.constantFrom(...JUNK)),
        {
          maxLength: 2,
        },
      ),
    }),
  )
  .map(({ raw, day, isAssumed, recorded, exercises, spoilt }) => {
    const document = structuredClone({
      format: 'pledge-case/1',
      day,
      episode: {
        protocol: raw.id,
        assumeRecorded: isAssumed,
        recorded: recorded.map((what) => ({ what })),
      },
      exercises: exercises.map((signature) => ({ signature })),
    }) as Record<string, unknown>
    for (const [number, how, junk] of spoilt) {
      const places = placesIn(document)
      const [holder, key] = places[number % places.length]!
      if (how === 'junk') holder[key] = structuredClone(junk)
      if (how === 'gone' && Array.isArray(holder)) holder.splice(Number(key), 1)
      else if (how === 'gone') delete holder[key]
      if (how === 'strange') holder[`${key}!`] = structuredClone(junk)
    }
    return document
  })

it('answers or refuses 10,000 generated documents, spoilt ones included, at a path', () => {
  const count = { answered: 0, refused: 0 }
  fc.assert(
    fc.property(documents, (document) => {
      try {
        const { verdicts } = answerTo(document)
        for (const { verdict } of verdicts) expect(KINDS).toContain(verdict)
        count.answered += 1
      } catch (error) {
        if (!(error instanceof CoreError)) throw error
        expect(error.path).not.toBe('')
        expect(error.message).not.toBe('')
        count.refused += 1
      }
    }),
    { numRuns: 10_000, seed: 20261125 },
  )
  expect(count.answered).toBeGreaterThan(1000)
  expect(count.refused).toBeGreaterThan(1000)
}, 120_000)
