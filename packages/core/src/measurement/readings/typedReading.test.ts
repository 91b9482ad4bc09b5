import { describe, expect, it } from 'vitest'
import { MEASURE_NAMES, measureFacts, type MeasureName } from './measures.js'
import { checkedReading, placeKey, placeOfKey, type Reading, type Result } from './reading.js'
import { asTyped, typedReading } from './typedReading.js'

const ends = (extendedEndDeg: number | null, flexedEndDeg: number | null) => ({
  flexedEndDeg,
  extendedEndDeg,
})

describe('what a therapist types', () => {
  it.each<[MeasureName, string, Result]>([
    ['pip', '10/85', ends(10, 85)],
    ['pip', '-15/90', ends(-15, 90)],
    ['pip', ' 0/100 ', ends(0, 100)],
    ['dip', '10/', ends(10, null)],
    ['dip', '/60', ends(null, 60)],
    ['dip', 'F30', { fusedAtDeg: 30 }],
    ['mcp', 'x', 'absent'],
    ['thumbIp', '−20/70', ends(-20, 70)],
    ['wristExtension', '45', -45],
    ['wristExtension', '-10', 10],
    ['wristFlexion', '0', 0],
    ['wristFlexion', '60', 60],
    ['radialDeviation', '15', -15],
    ['ulnarDeviation', '25', 25],
    ['pronation', '70', -70],
    ['supination', '70', 70],
    ['grip', '31 29,5 30', [31, 29.5, 30]],
    ['figureOfEight', '41,8', 41.8],
    ['fingertipToCrease', '0', 0],
    ['opposition', '7', 7],
  ])('of %s as "%s" is read', (measure, text, result) => {
    expect(typedReading(measure, text)).toMatchObject({ name: 'read', result })
  })

  it.each<[MeasureName, string, RegExp]>([
    ['pip', '85', /10\/85/],
    ['pip', '/', /10\/85/],
    ['pip', 'f', /f30/],
    ['pip', '10/185', /between -40 and 130°/],
    ['pip', '10/85/3', /10\/85/],
    ['wristFlexion', '45.5', /Whole degrees/],
    ['wristFlexion', '180', /between -60 and 110°/],
    ['grip', 'strong', /Trials in kg/],
    ['grip', '31 29 30 31 30 200', /between 0 and 120 kgf/],
    ['opposition', '11', /between 0 and 10\./],
    ['fingertipToCrease', '-3', /A number of mm|between 0/],
  ])('of %s as "%s" is refused with what to do', (measure, text, message) => {
    expect(typedReading(measure, text)).toMatchObject({
      name: 'wrong',
      message: expect.stringMatching(message),
    })
  })

  it('the other way round is asked about, and offered turned', () => {
    expect(typedReading('pip', '85/10')).toMatchObject({ name: 'wrong', instead: '10/85' })
  })

  it('nothing is not measured, never 0', () => {
    expect(typedReading('pip', '  ')).toEqual({ name: 'empty' })
  })

  it.each<[MeasureName, string, boolean]>([
    ['pip', '0/115', false],
    ['pip', '0/116', true],
    ['pip', '-20/115', false],
    ['mcp', '-46/90', true],
    ['thumbIp', '-30/90', false],
    ['wristExtension', '90', false],
    ['wristExtension', '-10', true],
    ['thumbPalmarAbduction', '5', true],
  ])('of %s as "%s" is unusual: %s', (measure, text, isUnusual) => {
    expect(typedReading(measure, text)).toMatchObject({ isUnusual })
  })

  it('comes back as it was typed, for every measure', () => {
    for (const measure of MEASURE_NAMES) {
      const { shape, soft, decimals, allowed } = measureFacts(measure)
      const texts =
        shape === 'hinge'
          ? ['10/60', '-5/40', '/50', '5/', 'f20', 'x']
          : shape === 'trials'
            ? ['10', '10.5 9 11']
            : (allowed?.map(String) ?? [
                String(soft[0]),
                String(soft[1]),
                ...(decimals > 0 ? [String(soft[1] - 0.5)] : []),
              ])
      for (const text of texts) {
        const cell = typedReading(measure, text)
        expect(cell.name, `${measure} ${text}`).toBe('read')
        if (cell.name === 'read') expect(asTyped(measure, cell.result)).toBe(text)
      }
    }
  })
})

describe('a reading to be stored', () => {
  const reading = (over: Partial<Reading>): Reading => ({
    measure: 'pip',
    digit: 'ring',
    side: 'left',
    kind: 'active',
    result: ends(10, 85),
    ...over,
  })
  it('has a place that is told by one word and back', () => {
    for (const one of [reading({}), reading({ measure: 'painAct', digit: null, side: null, kind: null })])
      expect(placeOfKey(placeKey(one))).toEqual({ ...one, result: undefined })
  })
  it('keeps what core knows and nothing besides', () => {
    const result = { ...ends(10, 85), by: 'somebody' } as unknown as Result
    expect(checkedReading(reading({ result })).result).toEqual(ends(10, 85))
    expect(checkedReading(reading({ result: { extendedEndDeg: 10 } as unknown as Result })).result).toEqual(
      ends(10, null),
    )
  })
  it.each<[string, Partial<Reading>]>([
    ['a thumb without PIP', { digit: 'thumb' }],
    ['no side', { side: null }],
    ['neither active nor passive', { kind: null }],
    ['a name nobody knows', { measure: 'elan' as MeasureName }],
    ['no result', { result: null as unknown as Result }],
    ['a word', { result: 'stiff' as unknown as Result }],
    ['not a number', { result: ends(Number.NaN, 85) }],
    ['neither end', { result: ends(null, null) }],
    ['half degrees', { result: ends(0, 85.5) }],
    ['ends that were swapped', { result: ends(85, 10) }],
    ['an angle no joint has', { result: { fusedAtDeg: 200 } }],
    ['six trials', { measure: 'grip', digit: null, kind: null, result: [1, 2, 3, 4, 5, 6] }],
    ['trials of text', { measure: 'grip', digit: null, kind: null, result: ['5'] as unknown as Result }],
    ['a list for one number', { measure: 'figureOfEight', digit: null, kind: null, result: [40] }],
  ])('is refused with %s', (_case, over) => {
    expect(() => checkedReading(reading(over))).toThrow(/./)
  })
})
