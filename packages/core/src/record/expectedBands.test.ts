import { describe, expect, it } from 'vitest'
import { finger, visit } from '../../../../tests/builders/readings.js'
import { addDays } from '../calendar/clinicalDay.js'
import { againstBand, expectedBandOf, type BandAbout } from './expectedBands.js'

const DAY_ZERO = '2031-01-06'
const about = (protocolId: string, age = 50): BandAbout => ({
  protocolId,
  side: 'left',
  dayZeroOn: DAY_ZERO,
  age,
})
const WRIST = { 'wristFlexion..right.active': '80', 'wristExtension..right.active': '70' }
const GRIP = { 'grip..right.': '40' }

describe('the expected band of a series', () => {
  // Source: measures M-35, worked example: distal radius, grip at week 9: 35, 49 and 61 % of the other side.
  it('is the published share of what the other side was measured at', () => {
    const visits = [visit('2031-02-01', GRIP)]
    const band = expectedBandOf('grip..left.', about('DRF-VLP-EARLY'), visits)!
    expect(band.anchors[0]).toEqual({ day: 42, low: 10, middle: 15.2, high: 20 })
    expect(band).toMatchObject({ reference: 'of the other side, 40 kg', confidence: 'low' })
    const week9 = (value: number) =>
      againstBand('grip..left.', { on: addDays(DAY_ZERO, 63), value }, about('DRF-VLP-EARLY'), visits)
    expect([13.9, 14.1, 24.3, 24.5].map(week9)).toEqual(['below', 'within', 'within', 'above'])
  })

  it('of an arc takes both motions of the other side, whenever they were last measured', () => {
    const visits = [visit('2031-02-01', WRIST), visit('2031-02-15', GRIP)]
    expect(expectedBandOf('arc.wrist', about('DRF-VLP-DELAYED'), visits)!.anchors[1]).toMatchObject({
      day: 42,
      low: 67.5,
      high: 105,
    })
  })

  it('after a flexor repair is a share of 175°, after a release of the grip before surgery', () => {
    const ring = visit('2031-02-20', finger('ring', 'left.active', ['0/80', '10/80', '0/40']))
    const ends = expectedBandOf('ends.ring', about('FT-EAM'), [ring])!
    expect(ends.anchors[0]).toMatchObject({ day: 21, middle: 56 })
    expect(ends.reference).toBe('of 175°')
    const release = (on: string) =>
      expectedBandOf('grip..left.', about('CTS-REL'), [visit(on, { 'grip..left.': '30' })])
    expect(release('2031-01-02')!.anchors[2]).toMatchObject({ day: 84, middle: 30 })
    expect(release('2031-01-10')).toBeNull()
  })

  it('is not shown where diagnosis, treatment or age do not fit, or the other side was not measured', () => {
    const visits = [visit('2031-02-01', { ...GRIP, ...WRIST })]
    expect(expectedBandOf('grip..left.', about('DRF-CAST'), visits)).toBeNull()
    expect(expectedBandOf('wristFlexion..left.active', about('DRF-VLP-EARLY'), visits)).toBeNull()
    expect(expectedBandOf('grip..left.', about('DRF-VLP-EARLY', 17), visits)).toBeNull()
    expect(expectedBandOf('grip..left.', about('DRF-VLP-EARLY'), [])).toBeNull()
    // Before the first weeks it knows, and after the last.
    for (const day of [20, 400])
      expect(
        againstBand('grip..left.', { on: addDays(DAY_ZERO, day), value: 20 }, about('DRF-VLP-EARLY'), visits),
      ).toBeNull()
  })
})
