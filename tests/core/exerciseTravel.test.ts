import { describe, expect, it } from 'vitest'
import { differentialTravelMm, nerveMoveOf, tendonExcursionMm, tendonTravelMm } from '@pledge/core'
import { catalogue } from './shippedCatalogue.js'

const straight = { mcpFlexion: 0, pipFlexion: 0, dipFlexion: 0 }
const hook = { mcpFlexion: 0, pipFlexion: 100, dipFlexion: 70 }
const fist = { mcpFlexion: 90, pipFlexion: 100, dipFlexion: 70 }

describe('what an exercise does to the tendons, by its angles', () => {
  it('is the excursion between its postures', () => {
    expect(tendonTravelMm({ start: straight, shapes: [fist] }).FDP).toBeCloseTo(
      tendonExcursionMm('FDP', { mcp: 90, pip: 100, dip: 70 }),
      9,
    )
  })
  it('counts from the two postures furthest apart, not from the last one', () => {
    const there = tendonTravelMm({ start: straight, shapes: [fist] })
    expect(tendonTravelMm({ start: straight, shapes: [fist, straight] })).toEqual(there)
    expect(tendonTravelMm({ start: fist, shapes: [straight] })).toEqual(there)
  })
  it('what is not stated stays at rest and adds nothing', () => {
    const flat = { start: { wristFlexion: -30 }, shapes: [{ wristFlexion: 30 }] }
    expect(tendonTravelMm(flat).FDP).toBeCloseTo(tendonExcursionMm('FDP', { wrist: 60 }), 9)
    expect(tendonTravelMm({ start: {}, shapes: [{}] })).toEqual({ FDP: 0, FDS: 0, EDC: 0, FPL: 0, EPL: 0 })
  })
  it('a thumb moves the thumb’s tendons only, and flexes its base by coming in', () => {
    const travel = tendonTravelMm({ start: { thumbIpFlexion: 0 }, shapes: [{ thumbIpFlexion: 60 }] })
    expect([travel.FDP, travel.FDS, travel.EDC]).toEqual([0, 0, 0])
    expect(travel.FPL).toBeCloseTo(tendonExcursionMm('FPL', { ip: 60 }), 9)
    const base = tendonTravelMm({
      start: { thumbRadialAbduction: 50 },
      shapes: [{ thumbRadialAbduction: 10 }],
    })
    expect(base.FPL).toBeCloseTo(tendonExcursionMm('FPL', { cmc: 40 }), 9)
  })
  // Source: Wehbé and Hunter 1985 (from memory): the hook fist makes the two flexors slide on each other most.
  it('the hook slides the flexors on each other more than the straight fist', () => {
    const straightFist = { mcpFlexion: 90, pipFlexion: 100, dipFlexion: 0 }
    expect(differentialTravelMm({ start: straight, shapes: [hook] })).toBeGreaterThan(
      differentialTravelMm({ start: straight, shapes: [straightFist] }),
    )
  })
  it('of every exercise of the catalogue is a length no arm exceeds, and glides glide most', () => {
    for (const exercise of catalogue.exercises.values())
      for (const [tendon, mm] of Object.entries(tendonTravelMm(exercise))) {
        expect(mm, `${exercise.id} ${tendon}`).toBeGreaterThanOrEqual(0)
        expect(mm, `${exercise.id} ${tendon}`).toBeLessThan(90)
      }
    const glide = tendonTravelMm(catalogue.exercises.get('glide-five-positions')!).FDP
    expect(glide).toBeGreaterThan(tendonTravelMm(catalogue.exercises.get('fist-gentle')!).FDP - 1e-9)
    expect(tendonTravelMm(catalogue.exercises.get('edema-elevate')!).FDP).toBe(0)
  })
})

describe('what an exercise does to a nerve', () => {
  it('is named by the worst of its steps', () => {
    const loading = { elbowFlexion: 0, wristFlexion: -60 }
    const bent = { elbowFlexion: 90, wristFlexion: 0 }
    expect(nerveMoveOf('median', { start: bent, shapes: [loading] })).toMatchObject({
      class: 'tensioner',
      direction: 'loading',
    })
    const slide = { elbowFlexion: 90, wristFlexion: -60 }
    const back = { elbowFlexion: 0, wristFlexion: 30 }
    expect(nerveMoveOf('median', { start: back, shapes: [slide] }).class).toBe('slider')
    expect(nerveMoveOf('median', { start: back, shapes: [slide, loading] }).class).toBe('single')
    expect(nerveMoveOf('median', { start: back, shapes: [slide, back, bent, loading] }).class).toBe(
      'tensioner',
    )
  })
  it('is nothing where nothing moves', () =>
    expect(nerveMoveOf('ulnar', { start: {}, shapes: [{}] }).class).toBe('none'))
})
