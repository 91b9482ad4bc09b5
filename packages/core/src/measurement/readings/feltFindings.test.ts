import { describe, expect, it } from 'vitest'
import { digitOfZone, isFingertip, isZone, ZONES } from '../../vocabulary/zones.js'
import { zoneWords } from '../../words/zoneNames.js'
import { FILAMENT_MARKINGS } from '../symptoms/sensation.js'
import { LOOK_NAMES, LOOKS, lookAnswer } from '../looks/looks.js'
import { feltFinding } from './feltFindings.js'
import { measureFacts } from './measures.js'
import { placeKey, placeOfKey, type ReadingPlace } from './reading.js'
import { asTyped, typedReading } from './typedReading.js'

describe('a patch of skin', () => {
  it('is one of 56 of the digits and 13 of palm, back and wrist, each with words of its own in both languages', () => {
    // Source: locate.md A1: 56 zones of digits; the thumb has no middle part.
    expect(ZONES.filter((zone) => digitOfZone(zone))).toHaveLength(56)
    expect(ZONES).toHaveLength(69)
    for (const language of ['en', 'es'] as const)
      expect(new Set(ZONES.map((zone) => zoneWords(zone)[language])).size).toBe(ZONES.length)
    expect(isZone('thumb.mid.front.radial')).toBe(false)
    expect(ZONES.filter(isFingertip)).toHaveLength(10)
  })

  it('is part of the place of a reading, and comes back from its key', () => {
    for (const zone of ZONES) {
      const place: ReadingPlace = { measure: 'filament', digit: null, side: 'left', kind: null, spot: zone }
      expect(placeOfKey(placeKey(place))).toEqual(place)
    }
  })
})

describe('what is felt', () => {
  it('is read by the bands of the kit and of two points', () => {
    // Sources: BELL-KROTOSKI-1995 (bands), ASHT-1992 and DELLON-1981 (two points).
    expect(FILAMENT_MARKINGS.map((marking) => feltFinding('filament', marking).depth)).toEqual([
      0, 0, 0, 0, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3, 3, 3, 3, 3, 3, 3,
    ])
    expect(feltFinding('filament', 4.31).isUnprotected).toBe(false)
    expect(feltFinding('filament', 4.56)).toMatchObject({
      words: 'loss of protective sensation',
      isUnprotected: true,
    })
    expect(feltFinding('filament', 'none')).toEqual({ depth: 4, words: 'none felt', isUnprotected: true })
    expect(
      [5, 6, 10, 11, 'one point', 'none'].map((mm) => feltFinding('twoPoint', mm as number).words),
    ).toEqual(['normal', 'fair', 'fair', 'poor', 'protective', 'anaesthetic'])
    expect(feltFinding('twoPointMoving', 4).words).toBe('fair')
    expect([10, 9, 8, 5, 1].map((score) => feltFinding('comparedTouch', score).depth)).toEqual([
      0, 0, 1, 2, 3,
    ])
  })

  it('is typed as a marking of the kit, as millimeters, as 1 for one point and n for nothing', () => {
    expect(typedReading('filament', '2,83')).toMatchObject({ name: 'read', result: 2.83 })
    expect(typedReading('filament', 'n')).toMatchObject({ name: 'read', result: 'none' })
    expect(typedReading('filament', '3')).toMatchObject({ name: 'wrong' })
    expect(typedReading('twoPoint', '1')).toMatchObject({ name: 'read', result: 'one point' })
    expect(typedReading('comparedTouch', '1')).toMatchObject({ name: 'read', result: 1 })
    expect(typedReading('comparedTouch', 'n')).toMatchObject({ name: 'wrong' })
    for (const felt of [2.83, 'none'] as const)
      expect(typedReading('filament', asTyped('filament', felt))).toMatchObject({ result: felt })
  })
})

describe('what is looked at', () => {
  it('has a measure with as many answers, the first the best and without a consequence', () => {
    for (const name of LOOK_NAMES) {
      expect(measureFacts(name).hard).toEqual([0, LOOKS[name].answers.length - 1])
      expect(lookAnswer(name, 0)!.means).toBeUndefined()
      expect(lookAnswer(name, LOOKS[name].answers.length)).toBeNull()
    }
  })
})
