import { describe, expect, it } from 'vitest'
import { expectedBand, TRAJECTORIES } from './trajectory.js'

describe('the expected band', () => {
  it('bands pass through their anchors, lie in order between them, and end with them', () => {
    for (const [name, { anchors }] of Object.entries(TRAJECTORIES)) {
      for (const [week, ...band] of anchors) expect(expectedBand(name, week)).toEqual(band)
      const [first, last] = [anchors[0]![0], anchors.at(-1)![0]]
      expect([expectedBand(name, first - 0.1), expectedBand(name, last + 0.1)]).toEqual([null, null])
      for (let week = first; week <= last; week += 0.5) {
        const [low, middle, high] = expectedBand(name, week)!
        expect(low <= middle && middle <= high, `${name} ${week}`).toBe(true)
      }
    }
  })
})
