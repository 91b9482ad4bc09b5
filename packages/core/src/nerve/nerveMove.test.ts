import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type BeddedNerve, NERVE_BEDS, NERVE_MOTIONS, type NerveMotion, type NerveMoves } from './nerveBed.js'
import { classifiedNerveMove, nerveExcursionMm, strainBand, suggestedSliders } from './nerveMove.js'

describe('a move of a nerve', () => {
  // Source: model column of the published fit (COPPIETERS-2009, COPPIETERS-BUTLER-2008 and others), mm, distally +.
  it.each([
    ['elbow straightened, upper arm', { elbowFlexion: -90 }, 'upperArm', 5.5],
    ['neck bent away, upper arm', { neckSideBendAway: 38 }, 'upperArm', -3.4],
    ['slider, upper arm', { neckSideBendAway: -38, elbowFlexion: -90 }, 'upperArm', 8.9],
    ['tensioner, upper arm', { neckSideBendAway: 38, elbowFlexion: -90 }, 'upperArm', 2.1],
    ['slider, wrist', { wristFlexion: -60, elbowFlexion: 90 }, 'wrist', 13.4],
    ['elbow bent, upper arm', { elbowFlexion: 90 }, 'upperArm', -5.5],
    ['wrist through 120°, wrist', { wristFlexion: -120 }, 'wrist', 18.2],
    ['neck, forearm', { neckSideBendAway: 38 }, 'forearm', -1.8],
  ] as const)('median: %s', (_what, moves, site, mm) => {
    expect(Math.abs(nerveExcursionMm('median', moves, site))).toBeCloseTo(Math.abs(mm), 1)
    if (site !== 'forearm') expect(Math.sign(nerveExcursionMm('median', moves, site))).toBe(Math.sign(mm))
  })
  const nerves = fc.constantFrom(...(Object.keys(NERVE_BEDS) as BeddedNerve[]))
  const moves = fc
    .dictionary(
      fc.constantFrom(...(Object.keys(NERVE_MOTIONS) as NerveMotion[])),
      fc.integer({ min: -40, max: 40 }),
      { maxKeys: 5 },
    )
    .map((of) => of as NerveMoves)
  it('the way back is the same class with the travel turned round', () => {
    fc.assert(
      fc.property(nerves, moves, fc.double({ min: 0, max: 700, noNaN: true }), (nerve, of, site) => {
        const back = Object.fromEntries(Object.entries(of).map(([motion, by]) => [motion, 0 - by]))
        const [there, again] = [classifiedNerveMove(nerve, of), classifiedNerveMove(nerve, back)]
        expect(again.class).toBe(there.class)
        expect(again.balance ?? -1).toBeCloseTo(there.balance ?? -1, 9)
        expect(again.netMm).toBeCloseTo(-there.netMm, 9)
        expect(nerveExcursionMm(nerve, back, site)).toBeCloseTo(-nerveExcursionMm(nerve, of, site), 9)
        if (there.class === 'tensioner') expect(again.direction).not.toBe(there.direction)
      }),
    )
  })
  it('both ends of a nerve stay where they are', () => {
    fc.assert(
      fc.property(nerves, moves, (nerve, of) => {
        expect(nerveExcursionMm(nerve, of, 0)).toBeCloseTo(0, 9)
        expect(nerveExcursionMm(nerve, of, NERVE_BEDS[nerve].lengthMm)).toBeCloseTo(0, 9)
      }),
    )
  })
  it('a motion that does not touch the nerve changes nothing', () => {
    const of: NerveMoves = { elbowFlexion: -30, wristFlexion: 20 }
    expect(classifiedNerveMove('median', { ...of, thumbFlexion: 40 })).toEqual(
      classifiedNerveMove('median', of),
    )
  })
  it('moves far from the sore place first while it is irritable, and most where it is not', () => {
    const wrist = NERVE_BEDS.median.sites.wrist
    const [calm] = suggestedSliders('median', wrist, 'low')
    const [irritable] = suggestedSliders('median', wrist, 'high')
    expect(Object.keys(irritable!.moves)).not.toContain('wristFlexion')
    expect(Math.abs(calm!.excursionMm)).toBeGreaterThanOrEqual(Math.abs(irritable!.excursionMm))
    for (const nerve of Object.keys(NERVE_BEDS) as BeddedNerve[])
      for (const one of suggestedSliders(nerve, 300, 'mod'))
        expect(classifiedNerveMove(nerve, one.moves).class).toBe('slider')
  })
  it.each([
    [5.9, 'none'],
    [6, 'caution'],
    [7.9, 'caution'],
    [8, 'high'],
    [14.9, 'high'],
    [15, 'stop'],
  ])('a local strain of %d %% means %s', (percent, word) => expect(strainBand(percent)).toBe(word))
  it('the nearest joint of a suggested slide is as far as it is', () => {
    // Median: neck at 20, elbow at 330, wrist at 590 mm.
    for (const { moves, nearestJointMm } of suggestedSliders('median', 500, 'mod')) {
      const places = { neckSideBendAway: 20, elbowFlexion: 330, wristFlexion: 590 }
      const far = Object.keys(moves).map((motion) => Math.abs(places[motion as 'elbowFlexion'] - 500))
      expect(nearestJointMm).toBe(Math.min(...far))
    }
    expect(suggestedSliders('median', 500, 'mod').length).toBeGreaterThan(1)
  })
})
