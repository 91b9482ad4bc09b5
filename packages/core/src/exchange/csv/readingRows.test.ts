import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { measureFacts, MEASURE_NAMES } from '../../measurement/readings/measures.js'
import type { Reading } from '../../measurement/readings/reading.js'
import { mappedColumns, readRows, type ReadingMapping, type ReadRow } from './readingRows.js'

const TODAY = '2031-04-11'
const HEADER = ['Date', 'Joint', 'Finger', 'Side', 'Active/passive', 'Value', 'Ext', 'Flex']
const mapping = (over: Partial<ReadingMapping> = {}): ReadingMapping => ({
  columns: mappedColumns(HEADER),
  dateOrder: null,
  lackingIs: null,
  ...over,
})
const read = (
  row: string,
  over: Partial<ReadingMapping> = {},
  onRecord: Parameters<typeof readRows>[2] = [],
) => readRows([row.split('|')], mapping(over), onRecord, TODAY)[0]!
const result = (row: ReadRow) => (row.name === 'wrong' ? row.message : row.reading.result)
const RING = '2031-04-01|PIP|ring|left|active'

describe('a table of readings', () => {
  it('has its columns found by their names, whatever their case, accents and order', () => {
    expect(mappedColumns(['Dedo', 'Fecha', 'MEDIDA', 'Lado', 'other'])).toEqual({
      date: 1,
      measure: 2,
      digit: 0,
      side: 3,
    })
    expect(mappedColumns(['x', 'y'])).toEqual({})
  })

  it('is read as it would be typed', () => {
    expect(read(`${RING}|10/85`)).toMatchObject({
      name: 'reading',
      row: 2,
      on: '2031-04-01',
      reading: {
        measure: 'pip',
        digit: 'ring',
        side: 'left',
        kind: 'active',
        result: { extendedEndDeg: 10, flexedEndDeg: 85 },
      },
    })
    expect(result(read('2031-04-01|grip||right||31,5 29 30'))).toEqual([31.5, 29, 30])
    expect(result(read('2031-04-01|Wrist extension||l|AROM|40'))).toBe(-40)
    expect(read('2031-04-01|MCP|1|l|a|0/50')).toMatchObject({
      reading: { measure: 'thumbMcp', digit: 'thumb' },
    })
    expect(read('2031-04-01|Opposition||l||6')).toMatchObject({ reading: { digit: 'thumb', result: 6 } })
    expect(readRows([['', ' ', '']], mapping(), [], TODAY)).toEqual([])
  })

  it('takes extension and flexion from columns of their own only once somebody said what their sign means', () => {
    expect(result(read(`${RING}||15|85`))).toContain('which sign')
    expect(result(read(`${RING}||0|85`))).toEqual({ extendedEndDeg: 0, flexedEndDeg: 85 })
    // Source: M-01: −15 lacks 15 in one convention, and hyperextends 15 in the other.
    expect(result(read(`${RING}||-15|85`, { lackingIs: 'negative' }))).toEqual({
      extendedEndDeg: 15,
      flexedEndDeg: 85,
    })
    expect(result(read(`${RING}||-15|85`, { lackingIs: 'positive' }))).toEqual({
      extendedEndDeg: -15,
      flexedEndDeg: 85,
    })
    expect(result(read(`${RING}||12|85`, { lackingIs: 'negative' }))).toEqual({
      extendedEndDeg: -12,
      flexedEndDeg: 85,
    })
    expect(result(read(`${RING}|||85`))).toEqual({ extendedEndDeg: null, flexedEndDeg: 85 })
  })

  it('takes a date that can be read in one way, others once their order is said', () => {
    const on = (date: string, over: Partial<ReadingMapping> = {}) => {
      const row = read(`${date}|grip||l||30`, over)
      return row.name === 'wrong' ? row.message : row.on
    }
    expect(on('1.4.2031')).toBe('2031-04-01')
    expect(on('3/4/2031')).toContain('comes first')
    expect([on('3/4/2031', { dateOrder: 'dayFirst' }), on('3/4/2031', { dateOrder: 'monthFirst' })]).toEqual([
      '2031-04-03',
      '2031-03-04',
    ])
    expect(on('31/2/2031', { dateOrder: 'dayFirst' })).toContain('no date')
    expect(on('2031-04-12')).toContain('future')
    expect(on('')).toBe('No date.')
  })

  it.each([
    ['2031-04-01|PIP|toe|left|active|10/85', 'no digit'],
    ['2031-04-01|elbo||left|active|10/85', 'Nothing is called “elbo”'],
    ['2031-04-01|PIP|ring||active|10/85', 'Say which side'],
    ['2031-04-01|PIP|ring|left||10/85', 'active or passive'],
    ['2031-04-01|PIP|ring|left|active|85/10', 'swapped'],
    ['2031-04-01|PIP|ring|left|active|0/200', 'between'],
    ['2031-04-01|PIP|ring|left|active|-30/85', 'unusual'],
    ['2031-04-01|grip||left||1,234', 'Trials in kg'],
    ['2031-04-01|PIP|ring|left|active|', 'No value'],
    ['2031-04-01|filament||left||2.83', 'on the skin'],
  ])('tells what is wrong with %s', (row, message) => {
    expect(result(read(row))).toContain(message)
  })

  it('takes nothing twice: neither from the file nor from the record', () => {
    const record = (typed: Reading['result']): Parameters<typeof readRows>[2] => [
      {
        on: '2031-04-01',
        readings: [{ measure: 'pip', digit: 'ring', side: 'left', kind: 'active', result: typed }],
      },
    ]
    const same = { extendedEndDeg: 10, flexedEndDeg: 85 }
    expect(read(`${RING}|10/85`, {}, record(same)).name).toBe('known')
    expect(result(read(`${RING}|10/90`, {}, record(same)))).toContain('On record for this day is 10/85')
    const twice = readRows(
      [`${RING}|10/85`, `${RING}|10/85`].map((row) => row.split('|')),
      mapping(),
      [],
      TODAY,
    )
    expect(twice.map(({ name }) => name)).toEqual(['reading', 'wrong'])
  })

  it('never throws, and reads every measure by its name where it has no place on the skin', () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ unit: 'binary', maxLength: 8 }), { minLength: 8, maxLength: 8 }),
        (cells) => {
          expect(readRows([cells], mapping(), [], TODAY).length).toBeLessThanOrEqual(1)
        },
      ),
    )
    for (const name of MEASURE_NAMES) {
      const { shape, soft, digits, kinds, hasSide, spots, label } = measureFacts(name)
      const value = shape === 'hinge' ? '0/20' : String(soft[1])
      const row = [
        '2031-04-01',
        label,
        digits?.[0] ?? '',
        hasSide ? 'left' : '',
        kinds[0] ?? '',
        value,
        '',
        '',
      ]
      const [found] = readRows([row], mapping(), [], TODAY)
      expect(found!.name, `${name} ${found?.name === 'wrong' ? found.message : ''}`).toBe(
        spots === null ? 'reading' : 'wrong',
      )
    }
  })
})
