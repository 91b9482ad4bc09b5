import fc from 'fast-check'
import * as statistics from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { bandOfCases, expectedBand, TRAJECTORIES } from './trajectory.js'

describe('the expected band', () => {
  it('bands pass through their anchors, lie in order between them, and end with them', () => {
    for (const [name, { value: anchors }] of Object.entries(TRAJECTORIES)) {
      for (const [week, ...band] of anchors) expect(expectedBand(name, week)).toEqual(band)
      const [first, last] = [anchors[0]![0], anchors.at(-1)![0]]
      expect([expectedBand(name, first - 0.1), expectedBand(name, last + 0.1)]).toEqual([null, null])
      for (let week = first; week <= last; week += 0.5) {
        const [low, middle, high] = expectedBand(name, week)!
        expect(low <= middle && middle <= high, `${name} ${week}`).toBe(true)
      }
    }
  })

  it('of a clinic’s own cases has the quantiles of an independent library', () => {
    const cases = fc.array(fc.double({ min: 0, max: 120, noNaN: true }), { minLength: 30, maxLength: 61 })
    fc.assert(
      fc.property(cases, (values) => {
        const band = bandOfCases(values)!
        const independent = [0.1, 0.5, 0.9].map((share) => statistics.quantile(values, share))
        band.forEach((one, index) => expect(one).toBeCloseTo(independent[index]!, 9))
      }),
    )
  })
  it('of thirty cases lies between two of them', () => {
    expect(bandOfCases([...Array(30).keys()])).toEqual([
      expect.closeTo(2.9, 9),
      14.5,
      expect.closeTo(26.1, 9),
    ])
  })
  it('needs thirty cases, each with a number', () => {
    expect(bandOfCases(Array<number>(29).fill(50))).toBeNull()
    expect(bandOfCases(Array<number>(30).fill(50))).toEqual([50, 50, 50])
    expect(() => bandOfCases([...Array<number>(30).fill(50), NaN])).toThrow(/number of each case/)
  })
})
